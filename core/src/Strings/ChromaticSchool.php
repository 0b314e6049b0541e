<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** How a class plays half steps that follow each other. */
enum ChromaticSchool: string
{
    /** Whatever is easier in the passage. */
    case Either = 'either';
    /** One finger slides. */
    case Slide = 'slide';
    /** Neighbouring fingers, a finger to each half step as far as they go. */
    case Neighbours = 'neighbours';
}
