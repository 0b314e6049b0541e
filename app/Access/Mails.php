<?php

declare(strict_types=1);

namespace App\Access;

use App\Jobs\SendLetter;

/** Letters with an address in them. They go out where a mail server is configured; elsewhere the address is handed over by hand. */
final class Mails
{
    public static function areSent(): bool
    {
        return config('mail.default') !== 'log';
    }

    /** Behind the answer: nobody waits for it. */
    public static function send(string $to, string $subject, string $words, string $address): void
    {
        self::areSent() && SendLetter::dispatch($to, $subject, "{$words}\n\n{$address}\n");
    }
}
