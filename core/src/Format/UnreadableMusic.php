<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

/** A file cannot be read as music. The message is one sentence for the director. */
final class UnreadableMusic extends \RuntimeException {}
