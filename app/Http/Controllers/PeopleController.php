<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Access;
use App\Access\Mails;
use App\Http\Requests\RoleRequest;
use App\Keeping\Audited;
use App\Keeping\AuditList;
use App\Models\Ensemble;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Role;
use App\Models\Token;
use App\Models\User;
use App\Sharing\PublicAddress;
use App\Views\Desk\PartName;
use App\Views\School\InvitationView;
use App\Views\School\MayView;
use App\Views\School\MemberView;
use App\Views\School\NewInvitationView;
use App\Views\School\PeopleView;
use App\Views\School\PiecePartsView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Who is in an ensemble, as what, and who was asked in. */
final class PeopleController extends Controller
{
    public function __construct(private readonly Access $access) {}

    public function index(Ensemble $ensemble): JsonResponse
    {
        $pieces = $ensemble->pieces()->select(['id', 'ensemble_id', 'title'])->orderBy('place')->with(['parts' => static fn ($parts) => $parts->select(['id', 'piece_id', 'place', 'name'])])->get();

        return new JsonResponse(new PeopleView(
            $ensemble->name,
            array_values($ensemble->memberships()->with(['user', 'parts:parts.id,name'])->orderBy('id')->get()->map(self::member(...))->all()),
            array_values($ensemble->invitations()->open()->orderBy('id')->get()->map(self::invitation(...))->all()),
            array_values($pieces->map(static fn (Piece $piece): PiecePartsView => new PiecePartsView($piece->title, array_values($piece->parts->map(static fn (Part $part): PartName => new PartName($part->id, $part->name))->all())))->all()),
            self::may(),
        ));
    }

    /** @return list<MayView> */
    private static function may(): array
    {
        $ways = [[Role::Director, true], [Role::CoTeacher, true], [Role::CoTeacher, false], [Role::Coach, true], [Role::Coach, false]];

        return array_map(static fn (array $way): MayView => new MayView($way[0], $way[1], Access::words(...$way)), $ways);
    }

    /** The address is shown this once; afterwards only its hash is known. */
    public function invite(RoleRequest $request, Ensemble $ensemble, #[CurrentUser] User $user): JsonResponse
    {
        $email = mb_strtolower(trim(self::said($request, 'email')));
        if ($ensemble->memberships()->whereRelation('user', 'email', $email)->exists()) {
            return new JsonResponse(['message' => 'Somebody with this e-mail address is in the ensemble already.'], 422);
        }
        $invitation = DB::transaction(static function () use ($request, $ensemble, $user, $email): Invitation {
            $ensemble->invitations()->open()->where('email', $email)->update(['taken_back_at' => now()]);

            AuditList::ofEnsemble(Audited::Invited, $user, $ensemble, $email);

            return $ensemble->invitations()->create(['user_id' => $user->id, 'email' => $email, ...$request->asked($ensemble), 'token_hash' => '', 'expires_at' => now()]);
        });

        return $this->renew($invitation);
    }

    /** A new address; the one before opens nothing any more. */
    public function renew(Invitation $invitation): JsonResponse
    {
        abort_if($invitation->accepted_at !== null || $invitation->taken_back_at !== null, 404);
        $token = Token::make();
        $invitation->update(['token_hash' => Token::hashOf($token), 'expires_at' => now()->addDays(Invitation::DAYS)]);

        $ensemble = $invitation->ensemble()->firstOrFail();
        Mails::send($invitation->email, "{$ensemble->name}: you are asked in", "You are asked to mark parts for {$ensemble->name}. Join here, until {$invitation->expires_at->toFormattedDateString()}:", PublicAddress::of("/join/{$token}"));

        return new JsonResponse(new NewInvitationView(self::invitation($invitation), PublicAddress::of("/join/{$token}")), 201);
    }

    public function takeBack(Invitation $invitation): Response
    {
        $invitation->taken_back_at ??= now();
        $invitation->save();

        return new Response(status: 204);
    }

    public function change(RoleRequest $request, Membership $membership, #[CurrentUser] User $user): Response|JsonResponse
    {
        $asked = $request->asked($membership->ensemble()->firstOrFail());
        if ($asked['role'] !== Role::Director && self::isLastDirector($membership)) {
            return self::lastDirector();
        }
        DB::transaction(static function () use ($membership, $asked, $user): void {
            AuditList::ofEnsemble(Audited::RoleChanged, $user, $membership->ensemble, "{$membership->user->name}: {$asked['role']->value}");
            $membership->update(['role' => $asked['role'], 'decides' => $asked['decides']]);
            $membership->parts()->sync($asked['parts']);
        });
        $this->access->forget();

        return new Response(status: 204);
    }

    /** What somebody decided stays; they see nothing of the ensemble any more. */
    public function letGo(Membership $membership, #[CurrentUser] User $user): Response|JsonResponse
    {
        if (self::isLastDirector($membership)) {
            return self::lastDirector();
        }
        AuditList::ofEnsemble(Audited::LetGo, $user, $membership->ensemble, $membership->user->name);
        $membership->delete();

        return new Response(status: 204);
    }

    /** By oneself. */
    public function leave(Ensemble $ensemble, #[CurrentUser] User $user): Response|JsonResponse
    {
        return $this->letGo($ensemble->memberships()->where('user_id', $user->id)->firstOrFail(), $user);
    }

    private static function isLastDirector(Membership $membership): bool
    {
        return $membership->role === Role::Director
            && Membership::query()->where('ensemble_id', $membership->ensemble_id)->where('role', Role::Director->value)->whereKeyNot($membership->id)->doesntExist();
    }

    private static function lastDirector(): JsonResponse
    {
        return new JsonResponse(['message' => 'An ensemble needs a director. Make somebody else director first.'], 422);
    }

    private static function member(Membership $membership): MemberView
    {
        return new MemberView($membership->id, $membership->user->name, $membership->user->email, $membership->role, $membership->decides, array_values($membership->parts->map(static fn (Part $part): int => $part->id)->all()));
    }

    private static function invitation(Invitation $invitation): InvitationView
    {
        return new InvitationView($invitation->id, $invitation->email, $invitation->role, $invitation->decides, $invitation->parts, $invitation->expires_at->toIso8601String());
    }
}
