<?php

declare(strict_types=1);

namespace App\Views\Account;

/** A browser in which somebody is signed in. */
final readonly class DeviceView
{
    /**
     * @param  bool  $here  it is the one that asks
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $since,
        public string $seen,
        public bool $here,
    ) {}
}
