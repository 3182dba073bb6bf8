<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Expr\FuncCall;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\Name;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/**
 * Who may call whom. Adding an arrow means changing this map, with a reason.
 */
final class ImportsTest extends TestCase
{
    /** A room of the core and the rooms it may call besides itself. */
    private const ROOMS = [
        'Numeric' => [],
        'Colour' => ['Numeric'],
        'Optics' => ['Numeric', 'Colour'],
        'Finish' => ['Numeric', 'Colour', 'Optics'],
        'Mixing' => ['Numeric', 'Colour', 'Optics', 'Finish'],
        'Measuring' => ['Numeric', 'Colour', 'Optics'],
        'Cup' => ['Colour', 'Optics'],
        'Mesh' => ['Numeric'],
        'Light' => ['Numeric', 'Mesh'],
        // A mesh file becomes a mesh.
        'Formats' => ['Colour', 'Mesh'],
        'Order' => [],
        'Bench' => ['Order'],
        'Matching' => ['Numeric', 'Colour', 'Optics', 'Finish', 'Mixing'],
    ];

    /** The core computes: no clock, files, network, output, environment, nor randomness without a seed. */
    private const FORBIDDEN_FUNCTIONS = [
        'time', 'microtime', 'hrtime', 'date', 'file_get_contents', 'file_put_contents', 'fopen', 'fwrite', 'curl_init',
        'getenv', 'putenv', 'rand', 'mt_rand', 'random_int', 'random_bytes', 'shuffle', 'array_rand', 'uniqid', 'printf',
        'var_dump', 'error_log', 'exec', 'shell_exec', 'proc_open', 'session_start', 'header', 'sleep', 'usleep',
    ];

    public function test_rooms_of_the_core_call_only_the_rooms_below_them(): void
    {
        $wrong = [];
        $files = 0;
        foreach (self::files('core') as $path => $room) {
            $files++;
            foreach (self::names($path) as $name) {
                if (! str_contains($name, '\\')) {
                    continue;
                }
                $parts = explode('\\', $name);
                // The shared exception stands above the rooms.
                $allowed = $parts[0] === 'Hyalin'
                    && (count($parts) === 2 || $parts[1] === $room || in_array($parts[1], self::ROOMS[$room] ?? [], true));
                if (! $allowed) {
                    $wrong[] = "{$path} uses {$name}";
                }
            }
        }
        self::assertSame([], $wrong);
        self::assertGreaterThan(50, $files);
        self::assertSame(array_keys(self::ROOMS), array_values(array_filter(
            array_keys(self::ROOMS),
            static fn (string $room): bool => is_dir(self::root()."/core/{$room}"),
        )));
    }

    public function test_the_core_has_no_clock_no_files_and_no_chance(): void
    {
        $wrong = [];
        foreach (self::files('core') as $path => $_) {
            foreach ((new NodeFinder)->find(self::tree($path), static fn (Node $n): bool => $n instanceof FuncCall || $n instanceof New_) as $node) {
                $name = match (true) {
                    $node instanceof FuncCall && $node->name instanceof Name => $node->name->toLowerString(),
                    $node instanceof New_ && $node->class instanceof Name => $node->class->toString(),
                    default => '',
                };
                if (in_array($name, self::FORBIDDEN_FUNCTIONS, true) || in_array($name, ['DateTime', 'DateTimeImmutable', 'PDO'], true)) {
                    $wrong[] = "{$path}:{$node->getStartLine()} calls {$name}";
                }
            }
        }
        self::assertSame([], $wrong);
    }

    /** Pages receive exactly the props they need, never a model. */
    public function test_controllers_hand_props_to_pages_and_not_models(): void
    {
        $wrong = [];
        foreach (self::files('app/Http/Controllers') as $path => $_) {
            $source = (string) file_get_contents(self::root().'/'.$path);
            if (preg_match('/->toArray\(\)|JsonResponse\(\$(painter|figure|paint|run|step|area)\)/', $source) === 1) {
                $wrong[] = $path;
            }
        }
        self::assertSame([], $wrong);
    }

    /** @return iterable<string, string> path => first folder below */
    private static function files(string $folder): iterable
    {
        $all = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(self::root().'/'.$folder, RecursiveDirectoryIterator::SKIP_DOTS));
        foreach ($all as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $path = substr($file->getPathname(), strlen(self::root()) + 1);
                yield $path => explode('/', $path)[1];
            }
        }
    }

    /** @return list<string> fully qualified names of classes, functions and constants in use */
    private static function names(string $path): array
    {
        $names = (new NodeFinder)->findInstanceOf(self::tree($path), Name\FullyQualified::class);

        return array_values(array_unique(array_map(static fn (Name $name): string => $name->toString(), $names)));
    }

    /** @return array<Node> */
    private static function tree(string $path): array
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse((string) file_get_contents(self::root().'/'.$path)) ?? [];

        return (new NodeTraverser(new NameResolver))->traverse($tree);
    }

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
