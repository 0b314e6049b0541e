<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** An order of performance names something that the piece does not have. */
final class WrongOrder extends \RuntimeException {}
