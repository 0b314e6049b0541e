<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** A class profile holds something that does not exist. The message says what. */
final class WrongProfile extends \InvalidArgumentException {}
