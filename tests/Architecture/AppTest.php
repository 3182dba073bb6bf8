<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Arg;
use PhpParser\Node\Expr;
use PhpParser\NodeFinder;
use PHPUnit\Framework\TestCase;

/**
 * Who may call whom in the application. Props are leaves: only what answers a request makes them. Actions return results of
 * the core; adapters know nothing of requests and answers. Adding an arrow means changing this map, with a reason.
 */
final class AppTest extends TestCase
{
    /** A room of the application and the rooms it may call besides itself. */
    private const ROOMS = [
        'Casts' => [],
        'Database' => [],
        'Models' => ['Casts'],
        'Policies' => ['Models'],
        'Adapters' => ['Casts', 'Models'],
        'Devices' => ['Models', 'Adapters'],
        'Actions' => ['Models', 'Adapters', 'Devices'],
        'Http/Props' => ['Casts', 'Models', 'Adapters'],
        'Http/Requests' => ['Models', 'Adapters', 'Devices'],
        'Http/Pdf' => ['Models', 'Http/Props'],
        'Http/Middleware' => ['Models', 'Http/Props'],
        'Http' => [],
        // A job answers a request, only later: it keeps what the page will be given.
        'Jobs' => ['Models', 'Adapters', 'Actions', 'Http/Props'],
        'Http/Controllers' => ['Models', 'Adapters', 'Devices', 'Actions', 'Jobs', 'Http/Props', 'Http/Requests', 'Http/Pdf', 'Http/Middleware', 'Http'],
        'Console' => ['Models', 'Adapters', 'Actions'],
        'Providers' => ['Models', 'Adapters', 'Devices', 'Policies', 'Database'],
    ];

    public function test_rooms_of_the_application_call_only_the_rooms_of_the_map(): void
    {
        $wrong = [];
        $files = 0;
        foreach (SourceFiles::in('app') as $path) {
            $files++;
            $room = self::room(substr($path, strlen('app/')));
            foreach (SourceFiles::names($path) as $name) {
                if (! str_starts_with($name, 'App\\')) {
                    continue;
                }
                $called = self::room(str_replace('\\', '/', substr($name, strlen('App\\'))));
                if ($called !== $room && ! in_array($called, self::ROOMS[$room] ?? [], true)) {
                    $wrong[] = "{$path} uses {$name}";
                }
            }
        }
        self::assertSame([], $wrong);
        self::assertGreaterThan(200, $files);
    }

    public function test_no_rooms_nor_folders_run_in_a_circle(): void
    {
        $arrows = Arrows::between('app', 'App\\', self::room(...));
        self::assertSame([], Arrows::unused(self::ROOMS, $arrows));
        self::assertNull(Arrows::circle($arrows));
        // Models know each other both ways, a figure its runs and a run its figure: Eloquent's relations ask for it.
        $folders = Arrows::between('app', 'App\\', static fn (string $path): string => str_starts_with($path, 'Models/') ? 'Models' : dirname($path));
        self::assertNull(Arrows::circle($folders));
    }

    /** Drawn like the picture of the core. */
    public function test_the_picture_of_the_application_is_its_map(): void
    {
        self::assertTrue(HousePicture::isKept('docs/app.svg', self::ROOMS, 'Rooms of the application, each above what it calls'), 'docs/app.svg was drawn anew: look at it and commit it');
    }

    /** Pages receive exactly the props they need, never a model and never a model's own array. */
    public function test_controllers_hand_props_to_pages_and_not_models(): void
    {
        $wrong = [];
        foreach (SourceFiles::in('app/Http/Controllers') as $path) {
            $tree = SourceFiles::tree($path);
            foreach ((new NodeFinder)->findInstanceOf($tree, Expr\MethodCall::class) as $call) {
                if ($call->name instanceof Node\Identifier && in_array($call->name->name, ['toArray', 'attributesToArray', 'jsonSerialize'], true)) {
                    $wrong[] = "{$path}:{$call->getStartLine()} hands over an array of its own making";
                }
            }
            foreach (self::models($tree) as $variable => $line) {
                $wrong[] = "{$path}:{$line} hands over the model \${$variable}";
            }
        }
        self::assertSame([], $wrong);
    }

    /**
     * Variables that are declared as models and are handed to a page or an answer as they are.
     *
     * @param  array<Node>  $tree
     * @return array<string, int> line by variable
     */
    private static function models(array $tree): array
    {
        $found = [];
        foreach ((new NodeFinder)->findInstanceOf($tree, Node\Stmt\ClassMethod::class) as $method) {
            $models = [];
            foreach ($method->params as $param) {
                if ($param->type instanceof Node\Name && str_starts_with($param->type->toString(), 'App\\Models\\') && $param->var instanceof Expr\Variable && is_string($param->var->name)) {
                    $models[$param->var->name] = true;
                }
            }
            foreach (self::handedOver($method) as $value) {
                if ($value instanceof Expr\Variable && is_string($value->name) && isset($models[$value->name])) {
                    $found[$value->name] = $value->getStartLine();
                }
            }
        }

        return $found;
    }

    /** @return list<Expr> what goes into a JSON answer or a page, by itself or in an array */
    private static function handedOver(Node\Stmt\ClassMethod $method): array
    {
        $given = [];
        foreach ((new NodeFinder)->find([$method], static fn (Node $n): bool => $n instanceof Expr\New_ || $n instanceof Expr\StaticCall) as $call) {
            if (! $call instanceof Expr\New_ && ! $call instanceof Expr\StaticCall) {
                continue;
            }
            $class = $call->class instanceof Node\Name ? $call->class->getLast() : '';
            $isPage = $call instanceof Expr\StaticCall && $class === 'Inertia';
            $arg = $call->args[$isPage ? 1 : 0] ?? null;
            if (($class !== 'JsonResponse' && ! $isPage) || ! $arg instanceof Arg) {
                continue;
            }
            $given[] = $arg->value;
            foreach ($arg->value instanceof Expr\Array_ ? $arg->value->items : [] as $item) {
                $given[] = $item->value;
            }
        }

        return $given;
    }

    /** @param  string  $path  below app/ */
    private static function room(string $path): string
    {
        $parts = explode('/', $path);

        return $parts[0] === 'Http' && count($parts) > 2 ? "Http/{$parts[1]}" : $parts[0];
    }
}
