<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

/** A part has no such voice or staff. The message is one sentence. */
final class NoSuchVoice extends \RuntimeException {}
