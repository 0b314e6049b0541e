<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** An interval has no such name. The message is one sentence. */
final class UnknownInterval extends \RuntimeException {}
