<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\Request;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\UnreadableMusic;

/** The uploaded file of a request. */
final class MusicFile
{
    /** @throws UnreadableMusic when there is none, or it is too large */
    public static function bytes(Request $request): string
    {
        $file = $request->file('file');
        if (is_array($file) || $file === null) {
            throw new UnreadableMusic('Choose a MusicXML file (.musicxml, .xml or .mxl) or an ABC file (.abc).');
        }
        $tooLarge = in_array($file->getError(), [UPLOAD_ERR_INI_SIZE, UPLOAD_ERR_FORM_SIZE], true) || $file->getSize() > Archive::MOST_BYTES;
        if ($tooLarge) {
            throw new UnreadableMusic('This file is over 20 MB; a score this large is refused.');
        }
        if (! $file->isValid()) {
            throw new UnreadableMusic('The file did not arrive whole; send it again.');
        }

        return (string) $file->getContent();
    }
}
