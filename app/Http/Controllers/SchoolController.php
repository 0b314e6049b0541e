<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Keeping\SchoolExport;
use App\Marking\LeftOver;
use App\Models\School;
use App\Models\User;
use App\Record\Turn;
use App\Rehearsing\SchoolDays;
use App\Views\School\AuditView;
use App\Views\School\SchoolPersonView;
use App\Views\School\SchoolSettingsView;
use Illuminate\Container\Attributes\CurrentUser;
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
        return new JsonResponse(new SchoolSettingsView($school->id, $school->name, $school->idle_minutes, $school->audit_days, School::longestAudit(), $school->time_zone, SchoolDays::ofServer(), self::people($school)));
    }

    public function update(Request $request, School $school): Response
    {
        $longest = School::longestAudit();
        /** @var array{name: string, idleMinutes?: int|null, auditDays?: int|null, timeZone?: string|null} $asked */
        $asked = $request->validate(
            ['name' => ['required', 'string', 'max:100'], 'idleMinutes' => ['nullable', 'integer', 'min:1', 'max:'.self::LONGEST_IDLE], 'auditDays' => ['nullable', 'integer', 'min:1', "max:{$longest}"], 'timeZone' => ['nullable', 'timezone:all']],
            ['name.required' => 'Give the name of the school.', 'idleMinutes.*' => 'Minutes go from 1 to '.self::LONGEST_IDLE.'; leave it empty for as long as a session lasts.', 'auditDays.*' => "Days go from 1 to {$longest}, as whoever runs this installation has set."],
        );
        $school->update(['name' => $asked['name'], 'idle_minutes' => $asked['idleMinutes'] ?? null, 'audit_days' => $asked['auditDays'] ?? null, 'time_zone' => $asked['timeZone'] ?? null]);

        return new Response(status: 204);
    }

    /** @return list<SchoolPersonView> */
    private static function people(School $school): array
    {
        $people = $school->staff()->orderBy('name')->orderBy('users.id')->get();

        return array_values($people->map(static fn (User $one): SchoolPersonView => new SchoolPersonView($one->id, $one->name, $one->email, (bool) $one->getRelation('pivot')->getAttribute('administrator')))->all());
    }

    public function administrator(Request $request, School $school, int $person, #[CurrentUser] User $user): Response|JsonResponse
    {
        /** @var array{administrator: bool} $asked */
        $asked = $request->validate(['administrator' => ['required', 'boolean']]);
        $who = $school->staff()->findOrFail($person);
        $is = (bool) $asked['administrator'];
        $changed = Turn::take(static fn (): bool => $school->putAdministrator($who, $is));
        if (! $changed) {
            return new JsonResponse(['message' => 'A school has one administrator at least. Name somebody else first.'], 422);
        }
        AuditList::note($is ? Audited::AdministratorNamed : Audited::AdministratorEnded, $user, $school->id, $who->name);

        return new Response(status: 204);
    }

    /** Who signed in, asked in, handed out and took away, the newest first. */
    public function audit(Request $request, School $school): JsonResponse
    {
        /** @var array{before?: int} $asked */
        $asked = $request->validate(['before' => ['sometimes', 'integer', 'min:1']]);

        return new JsonResponse(new AuditView(AuditList::of($school, isset($asked['before']) ? (int) $asked['before'] : null)));
    }

    /** Everything in open files, as one ZIP. */
    public function export(School $school, #[CurrentUser] User $user): BinaryFileResponse
    {
        AuditList::note(Audited::Exported, $user, $school->id);
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
