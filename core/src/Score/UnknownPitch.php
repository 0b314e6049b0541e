<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A pitch was named that does not exist. */
final class UnknownPitch extends \InvalidArgumentException {}
