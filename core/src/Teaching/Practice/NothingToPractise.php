<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

/** There is nothing of this kind in the measures named. The message is one sentence. */
final class NothingToPractise extends \RuntimeException {}
