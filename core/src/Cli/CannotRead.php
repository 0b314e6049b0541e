<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

/** A file named on the command line cannot be used. */
final class CannotRead extends \RuntimeException {}
