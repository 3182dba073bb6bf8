<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Arg;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\FunctionLike;
use PhpParser\Node\Name;
use PhpParser\Node\Stmt\ClassLike;
use PhpParser\Node\Stmt\ClassMethod;
use PhpParser\NodeFinder;
use PHPUnit\Framework\TestCase;
use ReflectionClass;

/**
 * What a function is given can be told at its call: by few places, or by name.
 */
final class SignaturesTest extends TestCase
{
    private const MOST = 8;

    /** Arguments that are told by their place when there are more. */
    private const BY_PLACE = 3;

    public function test_no_function_takes_more_than_eight_values(): void
    {
        $long = [];
        $functions = 0;
        foreach (self::files() as $path) {
            foreach ((new NodeFinder)->findInstanceOf(SourceFiles::tree($path), FunctionLike::class) as $function) {
                $functions++;
                $name = $function instanceof ClassMethod ? $function->name->toString() : 'a function';
                if (count($function->getParams()) > self::MOST && $name !== '__construct') {
                    $long[] = "{$path}:{$function->getStartLine()} {$name}";
                }
            }
        }
        self::assertSame([], $long);
        self::assertGreaterThan(3000, $functions);
    }

    /** A value of many parts is made by their names. */
    public function test_constructors_of_more_are_called_by_name(): void
    {
        $byPlace = [];
        $calls = 0;
        foreach (self::files() as $path) {
            $tree = SourceFiles::tree($path);
            $own = (new NodeFinder)->findFirstInstanceOf($tree, ClassLike::class)?->namespacedName?->toString();
            foreach ((new NodeFinder)->find($tree, static fn (Node $n): bool => $n instanceof New_ && $n->class instanceof Name) as $call) {
                if (! $call instanceof New_ || ! $call->class instanceof Name) {
                    continue;
                }
                $class = $call->class->toString() === 'self' ? (string) $own : $call->class->toString();
                if (! preg_match('/^(Hyalin|App)\\\\/', $class) || ! class_exists($class) || (int) (new ReflectionClass($class))->getConstructor()?->getNumberOfParameters() <= self::MOST) {
                    continue;
                }
                $calls++;
                if (count(array_filter($call->args, static fn (Node $a): bool => $a instanceof Arg && $a->name === null)) > self::BY_PLACE) {
                    $byPlace[] = "{$path}:{$call->getStartLine()} {$class}";
                }
            }
        }
        self::assertSame([], $byPlace);
        self::assertGreaterThan(50, $calls);
    }

    /** @return list<string> */
    private static function files(): array
    {
        return [...SourceFiles::in('core'), ...SourceFiles::in('app')];
    }
}
