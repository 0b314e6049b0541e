<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Foundation\Testing\RefreshDatabase;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What a class can, as its director sets it. */
final class ProfileTest extends TestCase
{
    use RefreshDatabase;

    /** A scale down through the open A: open or four by the school. */
    private const DOWN = '2# | D5q C#5 B4 A4 | G4 F#4 E4 D4';

    public function test_a_profile_is_shown_with_what_each_level_brings(): void
    {
        $part = self::partOf($director = self::director());

        $profile = $this->actingAs($director)->getJson("/api/ensembles/{$part->piece->ensemble_id}/profile")->assertOk();
        $profile->assertJsonPath('settings', ['level' => 'second-year'])->assertJsonPath('levels.0.level', 'first-year')->assertJsonPath('levels.0.taught.0.positions', [1])->assertJsonPath('sample.part', 'Violin')->assertJsonPath('versions.0.by', 'Director One');
        self::assertContains('low 1', $profile->json('instruments.0.placements'));
    }

    public function test_what_would_change_is_told_before_it_is_kept(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml(self::DOWN));
        $this->actingAs($director)->postJson("/api/parts/{$part->id}/log", self::entry([['note' => 'n1', 'finger' => 3]]))->assertOk();
        $path = "/api/ensembles/{$part->piece->ensemble_id}/profile";

        $this->postJson("{$path}/trial", ['settings' => ['level' => 'second-year']])->assertOk()->assertJsonPath('changes', [])->assertJsonPath('looked', 1);
        $trial = $this->postJson("{$path}/trial", ['settings' => ['level' => 'second-year', 'open' => 'open']])->assertOk();
        self::assertGreaterThan(0, $trial->json('changes.0.fingers'));
        self::assertNotSame([], $trial->json('layer'));
        $this->getJson("/api/parts/{$part->id}")->assertJsonPath('ensemble.level', 'second-year');
    }

    public function test_each_change_is_a_version_and_any_of_them_is_brought_back(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml(self::DOWN));
        $path = "/api/ensembles/{$part->piece->ensemble_id}/profile";
        $fingers = fn (): array => array_column((array) $this->actingAs($director)->getJson("/api/parts/{$part->id}/log")->json('notes'), 'finger');
        $before = $fingers();

        $this->putJson($path, ['settings' => ['level' => 'second-year', 'open' => 'open', 'violin' => ['positions' => [1]]]])->assertNoContent();
        self::assertNotSame($before, $fingers(), 'what is proposed follows the profile');
        $this->getJson($path)->assertJsonCount(2, 'versions');
        $this->putJson($path, ['settings' => $this->getJson($path)->json('versions.1.settings')])->assertNoContent();
        self::assertSame($before, $fingers());
        $this->getJson($path)->assertJsonCount(3, 'versions');
    }

    public function test_the_house_style_writes_otherwise_and_decides_nothing(): void
    {
        $part = self::partOf($director = self::director(), musicXml: self::musicXml('1b | A4q Bb4 C5 D5 | A4h D4'));
        $path = "/api/ensembles/{$part->piece->ensemble_id}/profile";
        $written = fn (): array => array_values(array_filter(array_column(array_merge(...array_column((array) $this->actingAs($director)->getJson("/api/parts/{$part->id}/log")->json('notes'), 'marks')), 'text')));
        self::assertContains('L1', $written());

        $trial = $this->postJson("{$path}/trial", ['settings' => ['level' => 'second-year'], 'style' => ['lowHigh' => 'arrow-before']])->assertOk()->assertJsonPath('changes', []);
        self::assertContains('↓1', array_column((array) $trial->json('layer'), 'text'));
        $this->putJson($path, ['settings' => ['level' => 'second-year'], 'style' => ['lowHigh' => 'arrow-after']])->assertNoContent();
        self::assertContains('1↓', $written());
        $this->getJson($path)->assertJsonPath('style', ['lowHigh' => 'arrow-after'])->assertJsonPath('versions.0.style', ['lowHigh' => 'arrow-after']);
        $this->putJson($path, ['settings' => ['level' => 'second-year'], 'style' => ['lowHigh' => 'green']])->assertUnprocessable();
    }

    /** @param array<string, mixed> $settings */
    #[DataProvider('wrong')]
    public function test_a_wrong_setting_gets_a_sentence_and_changes_nothing(array $settings, string $sentence): void
    {
        $ensemble = self::ensembleOf($director = self::director());

        $this->actingAs($director)->putJson("/api/ensembles/{$ensemble->id}/profile", ['settings' => $settings])->assertUnprocessable()->assertJsonPath('message', "The class profile of this ensemble cannot be used. {$sentence}");
        self::assertSame(['level' => 'second-year'], $ensemble->refresh()->settings());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'an unknown name' => [['level' => 'second-year', 'colour' => 'red'], 'A class profile has no “colour”.'];
        yield 'an unknown level' => [['level' => 'tenth-year'], 'A class profile\'s “level” is one of first-year, second-year, third-year, advanced.'];
    }
}
