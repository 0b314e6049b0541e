<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use UprightPencil\Core\Format\Gathering;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;

/** The music files of a request, read as one piece. */
final class MusicFiles
{
    /** One a part of a large score. */
    private const MOST = 60;

    private const MOST_TUNES = 100_000;

    /**
     * Of a book of tunes the one that is asked for, else the first: the page offers the others.
     *
     * @throws UnreadableMusic when there is none, one is too large, or one cannot be read: then it is said which
     */
    public static function reading(Request $request): Reading
    {
        $files = array_merge(array_values((array) $request->file('files')), array_filter([$request->file('file')]));
        if ($files === []) {
            throw new UnreadableMusic('Choose a MusicXML file (.musicxml, .xml or .mxl) or an ABC file (.abc).');
        }
        if (count($files) > self::MOST) {
            throw new UnreadableMusic('These are more than '.self::MOST.' files; import them in two pieces.');
        }
        /** @var array{tune?: int|null, count?: int} $asked */
        $asked = $request->validate(['count' => ['sometimes', 'integer'], 'tune' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:'.self::MOST_TUNES]]);
        if (($asked['count'] ?? 0) > count($files)) {
            // The server takes fewer at a time than were sent; a part that is silently missing is noticed in the concert.
            throw new UnreadableMusic('Of the '.$asked['count'].' files only '.count($files).' arrived; send fewer at a time.');
        }
        $readings = [];
        foreach ($files as $file) {
            $name = $file instanceof UploadedFile ? $file->getClientOriginalName() : '';
            try {
                $readings[] = [$name, Music::read(self::bytes($file), (int) ($asked['tune'] ?? 1))];
            } catch (UnreadableMusic $fault) {
                throw count($files) === 1 ? $fault : new UnreadableMusic("“{$name}”: {$fault->getMessage()}");
            }
        }

        return Gathering::of($readings);
    }

    /** The name of the file, or of the first of them. */
    public static function name(Request $request): string
    {
        $file = $request->file('file') ?? array_values((array) $request->file('files'))[0] ?? null;

        return $file instanceof UploadedFile ? mb_substr($file->getClientOriginalName(), 0, 200) : '';
    }

    private static function bytes(mixed $file): string
    {
        if (! $file instanceof UploadedFile) {
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
