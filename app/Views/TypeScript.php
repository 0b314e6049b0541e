<?php

declare(strict_types=1);

namespace App\Views;

use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;

/** Writes the types of the client from the views, so that page and server cannot disagree unnoticed. */
final class TypeScript
{
    /** @var array<string, string> name => declaration */
    private array $written = [];

    /** @var array<string, class-string> short name => view, of all rooms */
    private readonly array $views;

    private function __construct()
    {
        $views = [];
        foreach (glob(__DIR__.'/*/*.php') ?: [] as $file) {
            $name = basename($file, '.php');
            $view = __NAMESPACE__.'\\'.basename(dirname($file)).'\\'.$name;
            if (isset($views[$name]) || ! class_exists($view) && ! enum_exists($view)) {
                throw new \LogicException("There are two views {$name}, or none.");
            }
            $views[$name] = $view;
        }
        $this->views = $views;
    }

    public static function types(): string
    {
        $writer = new self;
        foreach ($writer->views as $view) {
            $writer->name($view);
        }
        ksort($writer->written);

        return "/** What the server says. Written by `php artisan client:types`; a test fails when it is stale. */\n\n".self::kinds().implode("\n", $writer->written);
    }

    private static function kinds(): string
    {
        $names = array_map(static fn (Kind $kind): string => $kind->name(), Kinds::all());
        $fields = array_values(array_unique(array_map(static fn (Kind $kind): string => $kind->field(), Kinds::all())));
        $of = implode('', array_map(static fn (Kind $kind): string => "    '{$kind->name()}': '{$kind->field()}',\n", Kinds::all()));

        return "/** Every kind of pencil mark, in the server's order. */\nexport type KindName = ".self::union($names)."\n\n"
            ."/** The fields of a decision. */\nexport type FieldName = ".self::union($fields)."\n\n"
            ."/** The field under which a kind is decided. */\nexport const FIELD_OF: Record<KindName, FieldName> = {\n{$of}}\n\n"
            ."/** null takes back. */\nexport type DecisionFields = Partial<Record<Exclude<FieldName, 'know' | 'rewrite'>, string | number | boolean | null>> & { know?: { text: string; of: string } | null; rewrite?: readonly object[] | null }\n\n"
            ."export type Decision = ({ note: string; to?: string } | { measures: string }) & DecisionFields & Remarks\n\n"
            ."/** What is said of a decision: its state, whether for this once, why, and of what is open its question. */\nexport interface Remarks {\n    state?: 'decided' | 'suggested' | 'to-settle' | 'your-choice'\n    once?: boolean\n    reason?: string\n    question?: string\n    version?: string\n    listen?: string\n}\n\n";
    }

    /** @param  list<string>  $values  */
    private static function union(array $values): string
    {
        return implode(' | ', array_map(static fn (string $value): string => "'{$value}'", $values));
    }

    /** @param  class-string  $class  */
    private function name(string $class): string
    {
        $name = (string) preg_replace('/View$/', '', class_basename($class));
        if (! isset($this->written[$name])) {
            $this->written[$name] = '';
            $this->written[$name] = enum_exists($class) ? $this->enum($class, $name) : $this->interface($class, $name);
        }

        return $name;
    }

    /** @param  class-string  $class  */
    private function enum(string $class, string $name): string
    {
        /** @var list<string> $values */
        $values = array_column($class::cases(), 'value');

        return "export type {$name} = ".self::union($values)."\n";
    }

    /** @param  class-string  $class  */
    private function interface(string $class, string $name): string
    {
        $reflected = new \ReflectionClass($class);
        $constructor = $reflected->getConstructor() ?? throw new \LogicException("{$class} has no constructor.");
        $docs = self::docs((string) $constructor->getDocComment());
        $sparse = $reflected->implementsInterface(\JsonSerializable::class);
        $lines = '';
        foreach ($constructor->getParameters() as $parameter) {
            [$type, $text] = $docs[$parameter->getName()] ?? ['', ''];
            $typed = $parameter->getAttributes(Typed::class)[0] ?? null;
            $client = $typed === null ? $this->type($parameter, $type) : $typed->newInstance()->type;
            $optional = $sparse && $parameter->isOptional();
            $lines .= ($text === '' ? '' : "    /** {$text} */\n").'    '.$parameter->getName().($optional ? '?' : '').': '.($optional ? str_replace(' | null', '', $client) : $client)."\n";
        }
        $about = preg_match('~/\*\* (.+) \*/~', (string) $reflected->getDocComment(), $found) === 1 ? "/** {$found[1]} */\n" : '';

        return "{$about}export interface {$name} {\n{$lines}}\n";
    }

    /** @return array<string, array{string, string}> parameter => its documented type and text */
    private static function docs(string $comment): array
    {
        preg_match_all('/@param  (\S.*?)  ?\$(\w+)(?:  (.*))?$/m', $comment, $found, PREG_SET_ORDER);
        $docs = [];
        foreach ($found as $one) {
            $docs[$one[2]] = [$one[1], $one[3] ?? ''];
        }

        return $docs;
    }

    private function type(\ReflectionParameter $parameter, string $documented): string
    {
        $type = $parameter->getType();
        if (! $type instanceof \ReflectionNamedType) {
            throw new \LogicException("{$parameter->getName()} has no plain type.");
        }
        $client = $type->getName() === 'array' ? $this->listed($documented, $parameter) : $this->named($type->getName());

        return $client.($type->allowsNull() ? ' | null' : '');
    }

    private function named(string $type): string
    {
        return match ($type) {
            'string' => 'string',
            'int', 'float' => 'number',
            'bool' => 'boolean',
            default => class_exists($type) || enum_exists($type) ? $this->name($type) : throw new \LogicException("The client has no type {$type}."),
        };
    }

    private function listed(string $documented, \ReflectionParameter $parameter): string
    {
        if (preg_match('/^list<(.+)>$/', $documented, $found) !== 1) {
            throw new \LogicException("{$parameter->getName()} is a list of what? It says “{$documented}”.");
        }

        $isNested = str_starts_with($found[1], 'list<');

        return ($isNested ? $this->listed($found[1], $parameter) : $this->named($this->views[$found[1]] ?? $found[1])).'[]';
    }
}
