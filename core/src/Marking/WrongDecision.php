<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** A decision names something that does not exist, or says something that means nothing. */
final class WrongDecision extends \InvalidArgumentException {}
