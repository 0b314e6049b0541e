<?php

declare(strict_types=1);

namespace App\Views\Importing;

use App\Models\GoneDecision;
use App\Views\Typed;

/** What was decided about a note that is not there any more. */
final readonly class GoneView
{
    /**
     * @param  int|null  $id  null where nothing is kept yet
     * @param  float  $beat  where it stood
     * @param  array<string, mixed>  $decision  as it was, without its note
     */
    public function __construct(
        public ?int $id,
        public string $measure,
        public float $beat,
        public string $pitch,
        #[Typed('DecisionFields & { players?: string }')]
        public array $decision,
    ) {}

    public static function of(GoneDecision $gone): self
    {
        return new self($gone->id, $gone->measure, $gone->beat, $gone->pitch, self::decision($gone->fields, $gone->players));
    }

    /** @param array{note: string, players: string|null, fields: array<string, mixed>, measure: string, beat: float, pitch: string} $gone */
    public static function tried(array $gone): self
    {
        return new self(null, $gone['measure'], $gone['beat'], $gone['pitch'], self::decision($gone['fields'], $gone['players']));
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private static function decision(array $fields, ?string $players): array
    {
        return $players === null ? $fields : $fields + ['players' => $players];
    }
}
