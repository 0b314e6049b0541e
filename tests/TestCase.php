<?php

declare(strict_types=1);

namespace Tests;

use App\Marking\PieceImport;
use App\Models\Ensemble;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Rights;
use App\Models\School;
use App\Models\User;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Support\Str;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Tests\Support\Tune;

abstract class TestCase extends LaravelTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
    }

    /** Somebody else comes with a session of their own. */
    public function actingAs(Authenticatable $user, $guard = null): static
    {
        $this->flushSession();

        return parent::actingAs($user, $guard);
    }

    protected static function director(string $email = 'one@school.test'): User
    {
        return User::query()->create(['name' => 'Director One', 'email' => $email, 'password' => 'a long password']);
    }

    /** @param array<string, mixed> $profile */
    protected static function ensembleOf(User $director, array $profile = ['level' => 'second-year']): Ensemble
    {
        return School::query()->firstOrCreate(['name' => 'A School'])->openEnsemble($director, 'Strings', $profile);
    }

    protected static function musicXml(string $tune = '2# | D4q E4 F#4 G4 | A4h D4', string $name = 'Violin'): string
    {
        return Writer::write(Tune::score($tune, $name)->with(title: 'Tune', composer: 'Nobody'));
    }

    protected static function twoPartsXml(): string
    {
        $score = Tune::score('2# | D4q E4 F#4 G4 | A4h D4', 'Violin')->with(title: 'Tune');

        return Writer::write($score->with(parts: [$score->parts[0]->with(id: 'P1'), Tune::score('2# | D3q E3 F#3 G3 | A3h D3', 'Cello')->parts[0]->with(id: 'P2')]));
    }

    protected static function pieceOf(User $director, Rights $rights = Rights::Own, ?string $musicXml = null): Piece
    {
        return PieceImport::keep(self::ensembleOf($director), $musicXml ?? self::musicXml(), 'Tune', $rights, [], Str::uuid()->toString());
    }

    protected static function partOf(User $director, Rights $rights = Rights::Own, ?string $musicXml = null): Part
    {
        return self::pieceOf($director, $rights, $musicXml)->parts()->firstOrFail();
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    protected static function entry(array $decisions = [['note' => 'n1', 'direction' => 'up']], ?string $key = null, array $more = []): array
    {
        return ['kind' => 'decide', 'key' => $key ?? Str::uuid()->toString(), 'decisions' => $decisions, ...$more];
    }

    /**
     * @param  string  $kind  undo or redo
     * @param  string  $takes  the key of the entry that it is about
     * @return array<string, mixed>
     */
    protected static function entryAbout(string $kind, string $takes): array
    {
        return ['kind' => $kind, 'key' => Str::uuid()->toString(), 'takes' => $takes];
    }
}
