<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

/** The command was called with options that mean nothing. */
final class WrongUsage extends \InvalidArgumentException {}
