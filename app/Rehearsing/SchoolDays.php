<?php

declare(strict_types=1);

namespace App\Rehearsing;

use App\Models\School;
use App\Models\User;
use Carbon\CarbonImmutable;

/** The days of a school: what is kept is kept in UTC, what is a day is reckoned where the school is. */
final readonly class SchoolDays
{
    private function __construct(private \DateTimeZone $zone) {}

    public static function of(?School $school): self
    {
        return new self(new \DateTimeZone($school->time_zone ?? self::ofServer()));
    }

    /** Of the first school that somebody is at. */
    public static function ofPerson(User $user): self
    {
        return self::of($user->schools()->orderBy('schools.id')->first());
    }

    /** The zone of the server, for a school that has not said its own. */
    public static function ofServer(): string
    {
        $zone = config('serving.time_zone');

        return is_string($zone) && in_array($zone, \DateTimeZone::listIdentifiers(\DateTimeZone::ALL_WITH_BC), true) ? $zone : 'UTC';
    }

    public function zone(): string
    {
        return $this->zone->getName();
    }

    /** The date, as 2026-12-02. */
    public function today(): string
    {
        return $this->dateOf(CarbonImmutable::now());
    }

    public function dateOf(\DateTimeInterface $moment): string
    {
        return CarbonImmutable::instance($moment)->setTimezone($this->zone)->toDateString();
    }

    /** When a date begins there, in UTC. */
    public function beginning(string $date): CarbonImmutable
    {
        return CarbonImmutable::parse("{$date} 00:00:00", $this->zone)->utc();
    }

    /** When it is over, in UTC: where the clock is changed a day has 23 or 25 hours. */
    public function end(string $date): CarbonImmutable
    {
        return $this->beginning(CarbonImmutable::parse($date)->addDay()->toDateString());
    }
}
