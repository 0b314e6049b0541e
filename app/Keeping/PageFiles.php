<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Manuscript;
use App\Models\PageFile;
use App\Models\Part;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\UnreadableMusic;

/** The files of printed pages: kept beside a part, and gone with it. */
final class PageFiles
{
    public const MOST_BYTES = 80 * 1024 * 1024;

    /** At one part: fifty photos of a long printed part, and a PDF. */
    private const MOST = 60;

    /** What a file begins with. */
    private const KINDS = ['%PDF-' => 'application/pdf', "\xFF\xD8\xFF" => 'image/jpeg', "\x89PNG\r\n\x1A\n" => 'image/png'];

    /** @throws UnreadableMusic when it is no page, or too many are there already */
    public static function keep(User $user, Part|Manuscript $beside, UploadedFile $file): PageFile
    {
        $mime = self::kind((string) file_get_contents($file->getPathname(), length: 1024)) ?? throw new UnreadableMusic('This is neither a PDF nor a photo (JPEG or PNG); choose the scan of the printed part.');
        $column = $beside instanceof Part ? 'part_id' : 'manuscript_id';
        if (PageFile::query()->where($column, $beside->id)->count() >= self::MOST) {
            throw new UnreadableMusic('There are '.self::MOST.' files beside this part already; take one away first.');
        }
        $key = Str::uuid()->toString();
        Storage::putFileAs('pages', $file, $key) !== false || throw new UnreadableMusic('The file could not be kept: there is no room on the server.');

        return PageFile::query()->create(['key' => $key, 'user_id' => $user->id, $column => $beside->id, 'name' => CleanText::line($file->getClientOriginalName(), 200), 'mime' => $mime, 'bytes' => (int) $file->getSize(), 'look' => []]);
    }

    /** A PDF may have a few odd bytes before it begins. */
    private static function kind(string $head): ?string
    {
        foreach (self::KINDS as $begins => $mime) {
            if (str_starts_with($head, $begins) || ($mime === 'application/pdf' && str_contains($head, $begins))) {
                return $mime;
            }
        }

        return null;
    }

    public static function path(PageFile $page): string
    {
        return Storage::path("pages/{$page->key}");
    }

    /** What was typed has become a part: its pages go along. */
    public static function hand(Manuscript $from, Part $to): void
    {
        PageFile::query()->where('manuscript_id', $from->id)->update(['manuscript_id' => null, 'part_id' => $to->id]);
    }

    /**
     * Takes files away; those on the disk when it is sure.
     *
     * @param  \Closure(Builder): Builder  $which
     */
    public static function drop(\Closure $which): void
    {
        $rows = $which(DB::table('page_files'));
        $paths = array_values($rows->pluck('key')->map(static fn (mixed $key): string => 'pages/'.(is_string($key) ? $key : ''))->all());
        $rows->delete();
        DB::afterCommit(static fn (): bool => Storage::delete($paths));
    }
}
