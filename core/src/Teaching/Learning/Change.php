<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Terms\BowTerms;
use UprightPencil\Core\Fingering\Terms\Terms;

/** One thing in a class profile that would be otherwise. */
final readonly class Change
{
    /** Kinds of weights: of all music, or otherwise in slow and in fast music. */
    private const WHERE = ['weights' => '', 'slowWeights' => ' in slow music', 'fastWeights' => ' in fast music'];

    /** “open”, “weights.shift”: where it stands in the profile. */
    public string $what;

    /**
     * @param  string  $place  the setting, or which weights
     * @param  string  $term  whose weight; else empty
     * @param  string|float  $from  as it was worked with
     */
    private function __construct(
        public string $place,
        public string $term,
        public string|float $from,
        public string|float $to,
        public string $sentence,
        public Aspect $aspect,
    ) {
        $this->what = $term === '' ? $place : "{$place}.{$term}";
    }

    public static function ofSetting(Setting $setting, string $from, string $to): self
    {
        return new self($setting->value, '', $from, $to, $setting->sentence($to), $setting->aspect());
    }

    /** @param string $where weights, slowWeights or fastWeights */
    public static function ofWeight(string $where, string $term, float $from, float $to): self
    {
        $ofTheHand = Terms::sentences()[$term] ?? null;
        $about = rtrim(lcfirst($ofTheHand ?? BowTerms::sentences()[$term] ?? $term), '.');
        $how = $to > $from ? 'You avoid more than we do' : 'You mind less than we do';

        return new self($where, $term, $from, $to, $how.self::WHERE[$where].": {$about}.", $ofTheHand === null ? Aspect::Bow : Aspect::Hand);
    }

    /**
     * @param  array<mixed>  $profile  as a file has it
     * @return array<mixed>
     */
    public function on(array $profile): array
    {
        if ($this->term === '') {
            return [$this->place => $this->to] + $profile;
        }

        return [$this->place => [$this->term => $this->to] + (is_array($profile[$this->place] ?? null) ? $profile[$this->place] : [])] + $profile;
    }

    /** Another change of the same thing. */
    public function isInsteadOf(self $other): bool
    {
        return $this->what === $other->what;
    }

    public function name(): string
    {
        return "{$this->what}={$this->to}";
    }
}
