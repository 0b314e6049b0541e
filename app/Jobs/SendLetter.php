<?php

declare(strict_types=1);

namespace App\Jobs;

use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\Mail;

/** A letter with an address that lets somebody in: while it waits to be sent, nobody can read it. */
final class SendLetter implements ShouldBeEncrypted, ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    /** Seconds before it is tried again: a school's mail server may be away for a while.
     * @var list<int> */
    public array $backoff = [30, 120, 600, 1800];

    public function __construct(private readonly string $to, private readonly string $subject, private readonly string $words) {}

    public function handle(): void
    {
        Mail::raw($this->words, fn (Message $message) => $message->to($this->to)->subject($this->subject));
    }
}
