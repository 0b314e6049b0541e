<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use UprightPencil\Core\Marking\Record;

/** The parts that this process has open, the newest last. A request of the web opens one and ends; the workbench goes on. */
final class OpenParts
{
    /** A director has one part on the desk and looks into its neighbours. */
    private const MOST = 12;

    /** @var array<string, OpenPart> */
    private array $open = [];

    /** @var array<int, array{int, string, Record}> part => newest entry of its record that was read, its key, and what is in the record */
    private array $records = [];

    /** @return array{int, string, Record}|null */
    public function record(Part $part): ?array
    {
        return $this->records[$part->id] ?? null;
    }

    /** @param array{int, string, Record} $record */
    public function remember(Part $part, array $record): void
    {
        unset($this->records[$part->id]);
        $this->records[$part->id] = $record;
        $this->records = array_slice($this->records, -self::MOST, preserve_keys: true);
    }

    /** @param Players|null $players for some of its players */
    public function of(Part $part, ?Players $players = null): OpenPart
    {
        $recipe = PartRecipe::of($part, $players?->group);
        $name = OpenPart::name($part, $recipe);
        $open = $this->open[$name] ?? new OpenPart($part, $name, $recipe);
        unset($this->open[$name]);
        $this->open = array_slice([...$this->open, $name => $open], -self::MOST);

        return $open;
    }

    public function putAway(): void
    {
        $this->open = $this->records = [];
    }
}
