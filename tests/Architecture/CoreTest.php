<?php

declare(strict_types=1);

namespace Tests\Architecture;

use Hyalin\Order\Rules\Rule;
use Hyalin\Order\Rules\RuleBook;
use PhpParser\Node;
use PhpParser\Node\Expr\FuncCall;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\Name;
use PhpParser\NodeFinder;
use PHPUnit\Framework\TestCase;

/**
 * Who may call whom in the core. Adding an arrow means changing this map, with a reason.
 */
final class CoreTest extends TestCase
{
    /** A room of the core and the rooms it may call besides itself. */
    private const ROOMS = [
        'Numeric' => [],
        'Colour' => ['Numeric'],
        'Optics' => ['Colour'],
        'Pot' => ['Colour', 'Optics'],
        // What is to be done, before anyone says how it looks or in which order it goes. A pot dries and reacts as its kind does.
        'Plan' => ['Pot'],
        'Order' => ['Pot', 'Plan'],
        // A technique says what kind of step it is.
        'Finish' => ['Numeric', 'Colour', 'Optics', 'Pot', 'Plan'],
        'Mixing' => ['Colour', 'Optics', 'Finish'],
        // What is measured of a hand is how it differs from what is usual of a technique.
        'Measuring' => ['Numeric', 'Colour', 'Optics', 'Finish'],
        'Cup' => ['Colour', 'Optics', 'Pot'],
        'Mesh' => [],
        'Light' => ['Mesh'],
        // A mesh file becomes a mesh.
        'Formats' => ['Colour', 'Mesh'],
        'Cautions' => ['Plan', 'Pot'],
        'Bench' => ['Plan', 'Order', 'Pot'],
        'Matching' => ['Numeric', 'Colour', 'Optics', 'Pot', 'Finish', 'Mixing'],
        // The card on a sheet is the grey or the chart of any picture.
        'Sheet' => ['Numeric', 'Colour', 'Matching'],
        // Exercises use what plans are computed with, and count in drops.
        'Training' => ['Colour', 'Optics', 'Pot', 'Finish', 'Cup', 'Mesh', 'Light'],
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
        foreach (SourceFiles::in('core') as $path) {
            $files++;
            $room = self::room($path);
            foreach (SourceFiles::names($path) as $name) {
                if (! str_contains($name, '\\')) {
                    continue;
                }
                $parts = explode('\\', $name);
                // The shared exception stands above the rooms; chance is handed in, with its seed.
                $allowed = $parts[0] === 'Random' || $parts[0] === 'Hyalin'
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
            static fn (string $room): bool => is_dir(SourceFiles::root()."/core/{$room}"),
        )));
        // An arrow that nothing takes any more leaves the map.
        $arrows = Arrows::between('core', 'Hyalin\\', static fn (string $path): string => explode('/', $path)[0]);
        self::assertSame([], Arrows::unused(self::ROOMS, $arrows));
    }

    public function test_no_rooms_nor_folders_of_a_room_run_in_a_circle(): void
    {
        self::assertNull(Arrows::circle(array_map(static fn (array $calls): array => array_fill_keys($calls, ''), self::ROOMS)));
        self::assertNull(Arrows::circle(Arrows::between('core', 'Hyalin\\', dirname(...))));
        // It can find one.
        self::assertSame(['b', 'c'], Arrows::circle(['a' => ['b' => ''], 'b' => ['c' => ''], 'c' => ['b' => '']]));
    }

    /** The picture in docs/architecture.md is drawn here and nowhere else: where the map has changed it is drawn anew, and wants to be committed. */
    public function test_the_picture_of_the_core_is_its_map(): void
    {
        self::assertTrue(HousePicture::isKept('docs/core.svg', self::ROOMS, 'Rooms of the core, each above what it calls'), 'docs/core.svg was drawn anew: look at it and commit it');
    }

    public function test_every_rule_is_in_the_book(): void
    {
        $rules = [];
        foreach (glob(SourceFiles::root().'/core/Order/Rules/*.php') ?: [] as $file) {
            $class = 'Hyalin\\Order\\Rules\\'.basename($file, '.php');
            if (is_subclass_of($class, Rule::class)) {
                $rules[] = $class;
            }
        }
        self::assertEqualsCanonicalizing($rules, array_map(get_class(...), RuleBook::rules()));
        self::assertGreaterThan(7, count($rules));
    }

    public function test_the_core_has_no_clock_no_files_and_no_chance(): void
    {
        $wrong = [];
        foreach (SourceFiles::in('core') as $path) {
            foreach ((new NodeFinder)->find(SourceFiles::tree($path), static fn (Node $n): bool => $n instanceof FuncCall || $n instanceof New_) as $node) {
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

    /** A room is entered by its front door; what else is public, its README names. */
    public function test_what_is_used_from_outside_a_room_is_named_in_its_readme(): void
    {
        $used = [];
        foreach ([...SourceFiles::in('core'), ...SourceFiles::in('app')] as $path) {
            $room = str_starts_with($path, 'core/') ? self::room($path) : '';
            foreach (SourceFiles::names($path) as $name) {
                $parts = explode('\\', $name);
                if ($parts[0] === 'Hyalin' && count($parts) > 2 && $parts[1] !== $room) {
                    $used[$parts[1]][end($parts)] = true;
                }
            }
        }
        $unnamed = [];
        foreach ($used as $room => $classes) {
            $public = self::publicOf($room);
            foreach (array_keys($classes) as $class) {
                if (! in_array($class, $public, true)) {
                    $unnamed[] = "core/{$room}/README.md does not name {$class} as public";
                }
            }
            foreach (array_diff($public, array_keys($classes)) as $class) {
                $unnamed[] = "core/{$room}/README.md names {$class}, which nobody uses from outside";
            }
        }
        sort($unnamed);
        self::assertSame([], $unnamed);
    }

    /** @return list<string> classes that the README names as front door or as public */
    private static function publicOf(string $room): array
    {
        $readme = (string) file_get_contents(SourceFiles::root()."/core/{$room}/README.md");
        $names = [];
        foreach (['/\*\*Front doors?:\*\*(.*?)(?=\*\*|\n\n)/s', '/\*\*Also public:\*\*(.*?)(?=\*\*|\n\n|\z)/s'] as $section) {
            if (preg_match($section, $readme, $found) === 1) {
                preg_match_all('/`(\w+)`/', $found[1], $classes);
                array_push($names, ...$classes[1]);
            }
        }

        return $names;
    }

    private static function room(string $path): string
    {
        return explode('/', $path)[1];
    }
}
