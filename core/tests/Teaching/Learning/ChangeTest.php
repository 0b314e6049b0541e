<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching\Learning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Teaching\Learning\Aspect;
use UprightPencil\Core\Teaching\Learning\Change;
use UprightPencil\Core\Teaching\Learning\Setting;

/** A change of a profile: put in, told, and taken out again. */
final class ChangeTest extends TestCase
{
    /** @return iterable<string, array{Setting}> */
    public static function settings(): iterable
    {
        foreach (Setting::cases() as $setting) {
            yield $setting->value => [$setting];
        }
    }

    #[DataProvider('settings')]
    public function test_every_value_of_every_setting_can_be_put_into_a_profile_and_is_told_in_its_own_words(Setting $setting): void
    {
        $sentences = [];
        $profile = ['level' => 'third-year'];
        foreach ($setting->values() as $value) {
            $change = Change::ofSetting($setting, 'before', $value);
            $profile = $change->on($profile);
            self::assertSame($value, $setting->in(ClassProfile::fromArray($profile)));
            self::assertSame($value, Change::valueIn($profile, $change->what));
            self::assertSame("{$setting->value}={$value}", $change->name());
            self::assertStringStartsWith('You ', $change->sentence);
            $sentences[] = $change->sentence;
        }
        self::assertSame($sentences, array_unique($sentences));
        self::assertSame(['level' => 'third-year'], Change::put($profile, $setting->value, null));
    }

    public function test_a_weight_is_put_beside_the_others_and_told_by_what_it_is_about(): void
    {
        $change = Change::ofWeight('weights', 'shift', 1.0, 0.3);
        $profile = ['level' => 'advanced', 'weights' => ['position' => 2]];
        self::assertSame(['shift' => 0.3, 'position' => 2], $change->on($profile)['weights']);
        self::assertSame([0.3, 2.0, null], [Change::valueIn($change->on($profile), 'weights.shift'), Change::valueIn($profile, 'weights.position'), Change::valueIn($profile, 'weights.shift')]);
        self::assertSame(['position' => 2], Change::put($change->on($profile), 'weights.shift', null)['weights']);
        self::assertSame(['weights.shift', 'You mind shifts less than we do.', Aspect::Hand], [$change->what, $change->sentence, $change->aspect]);
        self::assertSame('You avoid hooks more than we do.', Change::ofWeight('weights', 'hook', 1.0, 3.0)->sentence);
        self::assertSame('You keep to one way with open strings and 4 more strictly than we do.', Change::ofWeight('weights', 'open-or-four', 1.0, 2.0)->sentence);
        self::assertSame('You avoid shifts more than we do in fast music.', Change::ofWeight('fastWeights', 'shift', 1.0, 3.0)->sentence);
        self::assertSame('You keep to one way with open strings and 4 less strictly than we do in slow music.', Change::ofWeight('slowWeights', 'open-or-four', 1.0, 0.5)->sentence);
        self::assertTrue($change->isInsteadOf(Change::ofWeight('weights', 'shift', 1.0, 3.0)));
        self::assertFalse($change->isInsteadOf(Change::ofWeight('fastWeights', 'shift', 1.0, 3.0)));
    }

    /** A class is not proposed what it was not taught, and nobody's print or decision is weighed away. */
    public function test_only_terms_of_taste_are_learned(): void
    {
        self::assertSame([], array_diff(array_keys(Change::HAND), Terms::names()));
        self::assertSame([], array_diff(array_keys(Change::BOW), BowTerms::names()));
        self::assertEqualsCanonicalizing(['untaught', 'printed', 'linked'], array_values(array_diff(Terms::names(), array_keys(Change::HAND))));
    }
}
