<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Record\Finished;
use App\Record\Turn;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Storage;
use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Stmt\Class_;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;

/**
 * Reads what is done in a turn to write: from the closure that a turn is given through the methods of ours that it calls, as far
 * as they can be told from the text (static calls, `$this`, objects just made, typed parameters and properties).
 */
final class TurnReader
{
    /** Of the core, what is a value and costs nothing. */
    private const VALUES = ['Decision', 'OrderOfPerformance', 'Player', 'Vocabulary'];

    private const FACADES = [File::class, Http::class, Process::class, Storage::class];

    private const FUNCTIONS = '/^(file|fopen|fread|fwrite|copy|unlink|rename|glob|exec|shell_exec|passthru|proc_|popen|stream_|curl_|sleep|usleep|gz|password_)/';

    /** @var array<string, true> methods that were looked at */
    private array $seen = [];

    /** @var list<string> */
    private array $slow = [];

    /** @param list<Node> $roots */
    private function __construct(private readonly array $roots, private readonly ?Class_ $class) {}

    /** @return array<string, self> file:line => what is done there */
    public static function all(string $folder): array
    {
        $all = [];
        foreach (File::allFiles($folder) as $file) {
            $text = $file->getContents();
            foreach (str_contains($text, 'Turn::') || str_contains($text, 'new Finished(') ? self::in($text) : [] as $turn) {
                $all["{$file->getRelativePathname()}:{$turn->roots[0]->getStartLine()}"] = $turn;
            }
        }

        return $all;
    }

    /** @return list<self> */
    public static function in(string $code): array
    {
        $find = new NodeFinder;
        $turns = [];
        foreach ($find->findInstanceOf($tree = self::tree($code), Class_::class) as $class) {
            foreach ($find->find($class, self::begins(...)) as $call) {
                /** @var Expr\StaticCall|Expr\New_ $call */
                $turns[] = new self(array_values(array_map(static fn (Node\Arg $arg): Node => $arg->value, $call->getArgs())), $class);
            }
        }
        assert($tree !== []);

        return $turns;
    }

    private static function begins(Node $node): bool
    {
        return match (true) {
            $node instanceof Expr\StaticCall => self::name($node->class) === Turn::class && self::name($node->name) === 'take' && ! $node->isFirstClassCallable(),
            $node instanceof Expr\New_ => self::name($node->class) === Finished::class,
            default => false,
        };
    }

    /** @return list<Node> */
    private static function tree(string $code): array
    {
        $traverser = new NodeTraverser(new NameResolver);

        return array_values($traverser->traverse((new ParserFactory)->createForHostVersion()->parse($code) ?? []));
    }

    private static function name(Node $node): string
    {
        return $node instanceof Node\Name || $node instanceof Node\Identifier ? $node->toString() : '';
    }

    /** @return list<string> what takes longer than writing */
    public function slow(): array
    {
        if ($this->seen === []) {
            foreach ($this->roots as $root) {
                $this->look($root, $this->class, []);
            }
        }

        return array_values(array_unique($this->slow));
    }

    /** @param array<string, string> $types variable => class */
    private function look(Node $node, ?Class_ $class, array $types): void
    {
        $later = self::afterCommit($node);
        foreach ((new NodeFinder)->findInstanceOf($node, Node\Param::class) as $param) {
            if ($param->type !== null && $param->var instanceof Expr\Variable && is_string($param->var->name)) {
                $types[$param->var->name] = self::name($param->type instanceof Node\NullableType ? $param->type->type : $param->type);
            }
        }
        foreach ((new NodeFinder)->find($node, static fn (Node $one): bool => $one instanceof Expr) as $call) {
            if (in_array($call, $later, true)) {
                continue;
            }
            match (true) {
                $call instanceof Expr\StaticCall => $this->call($this->resolved(self::name($call->class), $class), self::name($call->name), $class),
                $call instanceof Expr\New_ => $this->call(self::name($call->class), '__construct', $class),
                $call instanceof Expr\MethodCall, $call instanceof Expr\NullsafeMethodCall => $this->call($this->type($call->var, $class, $types), self::name($call->name), $class),
                $call instanceof Expr\FuncCall => preg_match(self::FUNCTIONS, self::name($call->name)) !== 1 || $this->slow[] = self::name($call->name),
                default => null,
            };
        }
    }

    /** @return list<Node> what is done when the turn is over */
    private static function afterCommit(Node $node): array
    {
        $find = new NodeFinder;
        $calls = $find->find($node, static fn (Node $one): bool => $one instanceof Expr\StaticCall && self::name($one->name) === 'afterCommit');

        return array_merge([], ...array_map(static fn (Node $call): array => array_values($find->find($call, static fn (): bool => true)), $calls));
    }

    /** @param class-string $class */
    public static function of(string $class, string $method): self
    {
        $read = self::tree((string) file_get_contents((string) (new \ReflectionClass($class))->getFileName()));
        $found = (new NodeFinder)->findFirstInstanceOf($read, Class_::class);

        return new self(array_filter([$found?->getMethod($method)]), $found);
    }

    private function resolved(string $name, ?Class_ $class): string
    {
        return in_array($name, ['self', 'static'], true) ? (string) $class?->namespacedName?->toString() : $name;
    }

    /** @param array<string, string> $types */
    private function type(Expr $on, ?Class_ $class, array $types): string
    {
        return match (true) {
            $on instanceof Expr\New_ => self::name($on->class),
            $on instanceof Expr\Variable && $on->name === 'this' => $this->resolved('self', $class),
            $on instanceof Expr\Variable && is_string($on->name) => $types[$on->name] ?? '',
            $on instanceof Expr\PropertyFetch && $on->var instanceof Expr\Variable && $on->var->name === 'this' => $this->property($this->resolved('self', $class), self::name($on->name)),
            default => '',
        };
    }

    private function property(string $class, string $name): string
    {
        $type = class_exists($class) && property_exists($class, $name) ? (new \ReflectionProperty($class, $name))->getType() : null;

        return $type instanceof \ReflectionNamedType ? $type->getName() : '';
    }

    private function call(string $class, string $method, ?Class_ $from): void
    {
        $short = substr((string) strrchr($class, '\\'), 1);
        if (in_array($class, self::FACADES, true) || (str_starts_with($class, 'UprightPencil\\Core\\') && ! enum_exists($class) && ! in_array($short, self::VALUES, true))) {
            $this->slow[] = $class;
        }
        if (! str_starts_with($class, 'App\\') || isset($this->seen["{$class}::{$method}"])) {
            return;
        }
        $this->seen["{$class}::{$method}"] = true;
        $own = $from?->namespacedName?->toString() === $class ? $from : $this->read($class);
        $found = $own?->getMethod($method);
        $found === null || $this->look($found, $own, []);
    }

    private function read(string $class): ?Class_
    {
        $file = class_exists($class) ? (new \ReflectionClass($class))->getFileName() : false;

        return $file === false ? null : (new NodeFinder)->findFirstInstanceOf(self::tree((string) file_get_contents($file)), Class_::class);
    }
}
