<?php

declare(strict_types=1);

namespace App\Views\Account;

final readonly class DevicesView
{
    /**
     * @param  list<DeviceView>  $devices  the one seen last first
     */
    public function __construct(public array $devices) {}
}
