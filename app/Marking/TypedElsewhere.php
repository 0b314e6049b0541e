<?php

declare(strict_types=1);

namespace App\Marking;

/** What somebody typed was typed on in another window, or its part was changed by somebody else. The message is for the director. */
final class TypedElsewhere extends \RuntimeException {}
