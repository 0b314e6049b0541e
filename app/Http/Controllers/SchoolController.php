<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Marking\LeftOver;
use App\Marking\SchoolExport;
use App\Models\School;
use App\Views\SchoolSettingsView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What holds for a whole school, and all of it to take along. */
final class SchoolController extends Controller
{
    private const LONGEST_IDLE = 720;

    public function show(School $school): JsonResponse
    {
        return new JsonResponse(new SchoolSettingsView($school->id, $school->name, $school->idle_minutes));
    }

    public function update(Request $request, School $school): Response
    {
        /** @var array{name: string, idleMinutes?: int|null} $asked */
        $asked = $request->validate(
            ['name' => ['required', 'string', 'max:100'], 'idleMinutes' => ['nullable', 'integer', 'min:1', 'max:'.self::LONGEST_IDLE]],
            ['name.required' => 'Give the name of the school.', 'idleMinutes.*' => 'Minutes go from 1 to '.self::LONGEST_IDLE.'; leave it empty for as long as a session lasts.'],
        );
        $school->update(['name' => $asked['name'], 'idle_minutes' => $asked['idleMinutes'] ?? null]);

        return new Response(status: 204);
    }

    /** Everything in open files, as one ZIP. */
    public function export(School $school): BinaryFileResponse
    {
        defer(LeftOver::sweep(...));
        $file = (string) tempnam(sys_get_temp_dir(), 'pencil');
        $folder = "{$file}-school";
        try {
            (new SchoolExport($folder))->write($school);
            SchoolExport::zip($folder, $file);
        } finally {
            File::deleteDirectory($folder);
        }

        return response()->download($file, (Str::slug($school->name) ?: 'school').'.zip')->deleteFileAfterSend();
    }
}
