<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

/** What stood on the command line. */
final readonly class Arguments
{
    private const OPTIONS = ['part', 'instrument', 'level', 'profile', 'decisions', 'bowing', 'open', 'tempo', 'only', 'format', 'alternatives', 'printed', 'style', 'order', 'players', 'tonic', 'mode', 'octaves', 'figure', 'tune', 'as', 'interval', 'voice', 'staff', 'name', 'since', 'lines', 'proposals', 'for', 'measures', 'kind', 'minutes', 'after'];

    /**
     * @param  array<string, string>  $options
     * @param  list<string>  $files  all of them, where a command takes several
     */
    private function __construct(
        public string $command,
        public string $file,
        public ?string $out,
        private array $options,
        public array $files = [],
    ) {}

    /**
     * @param  list<string>  $words  without the program's name
     *
     * @throws WrongUsage
     */
    public static function parse(array $words): self
    {
        $plain = $options = [];
        $out = null;
        while ($words !== []) {
            $word = array_shift($words);
            if ($word === '-o') {
                $out = array_shift($words) ?? throw new WrongUsage('-o needs a file name.');
            } elseif (preg_match('/^--([a-z]+)=(.+)$/s', $word, $found) === 1 && in_array($found[1], self::OPTIONS, true)) {
                $options[$found[1]] = $found[2];
            } elseif (str_starts_with($word, '-') && $word !== '-') {
                throw new WrongUsage("There is no option {$word}.");
            } else {
                $plain[] = $word;
            }
        }
        if (($plain[0] ?? '') === 'scale' && count($plain) === 1) {
            return new self('scale', '', $out, $options);
        }
        if (($plain[0] ?? '') === 'learn' && count($plain) > 1) {
            return new self('learn', $plain[1], $out, $options, array_slice($plain, 1));
        }
        if (! in_array($plain[0] ?? '', ['learn', 'read', 'mark', 'check', 'lineup', 'sheet', 'convert', 'derive', 'unison', 'practice', 'ready'], true)) {
            throw new WrongUsage(isset($plain[0]) ? "There is no command “{$plain[0]}”." : 'Say what to do.');
        }
        if (count($plain) !== 2) {
            throw new WrongUsage(count($plain) < 2 ? 'Name a file.' : 'Name one file only.');
        }

        return new self($plain[0], $plain[1], $out, $options);
    }

    public function text(string $name): ?string
    {
        return $this->options[$name] ?? null;
    }

    /** @return list<string> what stands between commas */
    public function listed(string $name): array
    {
        return array_values(array_filter(array_map(trim(...), explode(',', $this->options[$name] ?? '')), static fn (string $one): bool => $one !== ''));
    }

    /**
     * @param  list<string>  $allowed
     *
     * @throws WrongUsage
     */
    public function oneOf(string $name, array $allowed, string $default): string
    {
        $value = $this->options[$name] ?? $default;
        if (! in_array($value, $allowed, true)) {
            throw new WrongUsage("--{$name} is one of ".implode(', ', $allowed).", not “{$value}”.");
        }

        return $value;
    }

    /**
     * @template E of \BackedEnum
     *
     * @param  class-string<E>  $enum
     * @return E|null
     *
     * @throws WrongUsage
     */
    public function choice(string $name, string $enum): ?\BackedEnum
    {
        $value = $this->options[$name] ?? null;

        return $value === null ? null : $enum::from($this->oneOf($name, array_map(strval(...), array_column($enum::cases(), 'value')), ''));
    }

    /** @throws WrongUsage */
    public function number(string $name, float $least, float $most): ?float
    {
        $value = $this->options[$name] ?? null;
        if ($value !== null && (! is_numeric($value) || (float) $value < $least || (float) $value > $most)) {
            throw new WrongUsage("--{$name} is a number from {$least} to {$most}, not “{$value}”.");
        }

        return $value === null ? null : (float) $value;
    }
}
