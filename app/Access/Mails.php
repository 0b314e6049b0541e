<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Mail;

/** Letters with an address in them. They go out where a mail server is configured; elsewhere the address is handed over by hand. */
final class Mails
{
    public static function areSent(): bool
    {
        return config('mail.default') !== 'log';
    }

    /** A letter that fails is reported, and nobody waits for it: call this after the answer (`defer`). */
    public static function send(string $to, string $subject, string $words, string $address): void
    {
        self::areSent() && rescue(static fn () => Mail::raw("{$words}\n\n{$address}\n", static fn (Message $message) => $message->to($to)->subject($subject)));
    }
}
