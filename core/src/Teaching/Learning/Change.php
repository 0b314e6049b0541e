<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** One thing in a class profile that would be otherwise. */
final readonly class Change
{
    /** Kinds of weights: of all music, or otherwise in slow and in fast music. */
    private const WHERE = ['weights' => '', 'slowWeights' => ' in slow music', 'fastWeights' => ' in fast music'];

    /** Cost terms that somebody may mind more or less; a school that may be followed more or less strictly has no words of its own. What was not taught and what is printed or decided is not among them. */
    public const HAND = [
        'shift' => 'shifts', 'position' => 'higher positions', 'string-crossing' => 'string crossings', 'open-string' => 'open strings',
        'open-or-four' => '', 'fourth-finger' => 'the fourth finger', 'placement' => 'low, high and extended fingers',
        'same-finger' => 'the same finger twice in a row', 'leaving-hand' => 'leaving a hand that is needed again', 'holding' => 'lifting a finger that could stay',
        'finger-spacing' => 'unusual distances between fingers',
    ];

    public const BOW = ['hook' => 'hooks', 'retake' => 'retakes', 'split' => 'split slurs', 'strong-beat' => 'up-bows on strong beats', 'change' => 'bow changes on held notes'];

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
        $about = (self::HAND + self::BOW)[$term];
        $how = match (true) {
            $about === '' => 'You keep to one way with open strings and 4 '.($to > $from ? 'more' : 'less').' strictly than we do%2$s.',
            $to > $from => 'You avoid %s more than we do%s.',
            default => 'You mind %s less than we do%s.',
        };

        return new self($where, $term, $from, $to, sprintf($how, $about, self::WHERE[$where]), isset(self::HAND[$term]) ? Aspect::Hand : Aspect::Bow);
    }

    /**
     * @param  array<mixed>  $profile  as a file has it
     * @return array<mixed>
     */
    public function on(array $profile): array
    {
        return self::put($profile, $this->what, $this->to);
    }

    /**
     * @param  array<mixed>  $profile  as a file has it
     * @param  string  $what  where it stands: “open”, “weights.shift”
     * @param  string|float|null  $to  null: the profile says nothing of it
     * @return array<mixed>
     */
    public static function put(array $profile, string $what, string|float|null $to): array
    {
        [$place, $term] = explode('.', $what) + [1 => null];
        if ($term === null) {
            return $to === null ? array_diff_key($profile, [$place => 1]) : [$place => $to] + $profile;
        }
        $weights = is_array($profile[$place] ?? null) ? $profile[$place] : [];

        return [$place => $to === null ? array_diff_key($weights, [$term => 1]) : [$term => $to] + $weights] + $profile;
    }

    /**
     * @param  array<mixed>  $profile  as a file has it
     * @param  string  $what  where it stands
     * @return string|float|null null where the profile says nothing of it
     */
    public static function valueIn(array $profile, string $what): string|float|null
    {
        [$place, $term] = explode('.', $what) + [1 => null];
        $value = $profile[$place] ?? null;
        $value = $term === null ? $value : (is_array($value) ? $value[$term] ?? null : null);

        return is_int($value) ? (float) $value : (is_string($value) || is_float($value) ? $value : null);
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
