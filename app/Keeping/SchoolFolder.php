<?php

declare(strict_types=1);

namespace App\Keeping;

use Illuminate\Support\Facades\File;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\UnreadableMusic;

/** A folder that `SchoolExport` wrote, opened whole before anything of it is kept. */
final readonly class SchoolFolder
{
    /**
     * @param  array<string, array<mixed>>  $data  file => what it says
     * @param  array<string, string>  $texts  file => as it is
     * @param  array<string, int>  $measures  printed part => how many it has
     * @param  list<string>  $folders
     */
    private function __construct(private array $data, private array $texts, private array $measures, private array $folders) {}

    /** @throws UnreadableMusic|\UnexpectedValueException|\JsonException when something in it cannot be read */
    public static function open(string $root): self
    {
        $data = $texts = $measures = $folders = [];
        foreach (File::isDirectory($root) ? File::allFiles($root) : [] as $file) {
            $name = str_replace('\\', '/', $file->getRelativePathname());
            $folders[$file->getRelativePath()] = true;
            $texts[$name] = $file->getContents();
            if (str_ends_with($name, '-print.musicxml')) {
                $measures[$name] = count(Reader::read($texts[$name])->score->parts[0]->measures);
            } elseif (str_ends_with($name, '.json') && ! str_contains($name, '-handouts/')) {
                $told = json_decode($texts[$name], true, flags: JSON_THROW_ON_ERROR);
                $data[$name] = is_array($told) ? $told : throw new \UnexpectedValueException("“{$name}” is not what a school’s folder has there.");
            }
        }

        return new self($data, $texts, $measures, array_map(strval(...), array_keys($folders)));
    }

    /** @return list<string> the folders right in one, by their paths from the root */
    public function folders(string $in = ''): array
    {
        $depth = $in === '' ? 0 : 1 + substr_count($in, '/');
        $inside = array_filter($this->folders, static fn (string $folder): bool => $folder !== '' && ($in === '' || str_starts_with($folder, "{$in}/")));
        $names = array_unique(array_map(static fn (string $folder): string => implode('/', array_slice(explode('/', $folder), 0, $depth + 1)), $inside));
        sort($names);

        return $names;
    }

    public function has(string $file): bool
    {
        return isset($this->texts[$file]);
    }

    /**
     * @return array<mixed>
     *
     * @throws \UnexpectedValueException when it is missing
     */
    public function json(string $file): array
    {
        return $this->data[$file] ?? throw new \UnexpectedValueException("“{$file}” is missing.");
    }

    /** @throws \UnexpectedValueException when it is missing */
    public function text(string $file): string
    {
        return $this->texts[$file] ?? throw new \UnexpectedValueException("“{$file}” is missing.");
    }

    /** Of a printed part. */
    public function measures(string $file): int
    {
        return $this->measures[$file] ?? throw new \UnexpectedValueException("“{$file}” is missing.");
    }
}
