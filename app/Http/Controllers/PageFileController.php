<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\PageFiles;
use App\Models\Manuscript;
use App\Models\PageFile;
use App\Models\Part;
use App\Models\User;
use App\Views\Typing\PageFilesView;
use App\Views\Typing\PageFileView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use UprightPencil\Core\Format\UnreadableMusic;

/** The printed page beside the staff: for those who work on the part, and for nobody else. */
final class PageFileController extends Controller
{
    private const MOST_LOOK = 60_000;

    public function ofPart(Part $part): JsonResponse
    {
        return self::all('part_id', $part->id);
    }

    public function ofManuscript(Manuscript $manuscript): JsonResponse
    {
        return self::all('manuscript_id', $manuscript->id);
    }

    public function besidePart(Request $request, Part $part, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(self::view(PageFiles::keep($user, $part, self::file($request))), 201);
    }

    public function besideManuscript(Request $request, Manuscript $manuscript, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(self::view(PageFiles::keep($user, $manuscript, self::file($request))), 201);
    }

    public function show(PageFile $page): BinaryFileResponse
    {
        $file = PageFiles::path($page);
        is_file($file) || abort(404, 'The file of this page is gone; bring it again.');

        return new BinaryFileResponse($file, headers: ['Content-Type' => $page->mime, 'Content-Disposition' => 'attachment', 'Cache-Control' => 'no-store, private']);
    }

    public function look(Request $request, PageFile $page): Response
    {
        $request->validate(['look' => ['present', 'array', 'max:200']]);
        $look = (array) $request->input('look');
        strlen((string) json_encode($look)) <= self::MOST_LOOK || throw new UnreadableMusic('That is more than one page can be marked with.');
        $page->update(['look' => $look]);

        return new Response(status: 204);
    }

    public function destroy(PageFile $page): Response
    {
        PageFiles::drop(static fn (Builder $pages): Builder => $pages->where('id', $page->id));

        return new Response(status: 204);
    }

    private static function file(Request $request): UploadedFile
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile) {
            throw new UnreadableMusic('Choose a PDF or a photo of the printed part, up to 80 MB.');
        }
        if (in_array($file->getError(), [UPLOAD_ERR_INI_SIZE, UPLOAD_ERR_FORM_SIZE], true) || $file->getSize() > PageFiles::MOST_BYTES) {
            throw new UnreadableMusic('This file is over 80 MB; scan it in grey, or in two halves.');
        }
        $file->isValid() || throw new UnreadableMusic('The file did not arrive whole; send it again.');

        return $file;
    }

    private static function all(string $column, int $id): JsonResponse
    {
        return new JsonResponse(new PageFilesView(array_values(PageFile::query()->where($column, $id)->orderBy('id')->get()->map(self::view(...))->all())));
    }

    private static function view(PageFile $page): PageFileView
    {
        return new PageFileView($page->key, $page->name, $page->mime === 'application/pdf', (object) $page->look);
    }
}
