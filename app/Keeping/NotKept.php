<?php

declare(strict_types=1);

namespace App\Keeping;

/** A backup could not be made or put back; the message says why. */
final class NotKept extends \RuntimeException {}
