<?php

declare(strict_types=1);

namespace Tests\Mutants;

use PhpParser\Node;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\Node\Expr\BooleanNot;
use PhpParser\Node\Expr\ConstFetch;
use PhpParser\Node\Expr\FuncCall;
use PhpParser\Node\Expr\MethodCall;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\Expr\StaticCall;
use PhpParser\Node\Scalar\Float_;
use PhpParser\Node\Scalar\Int_;
use PhpParser\Node\Stmt\Expression;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

/**
 * Small faults that could be put into a file: signs, comparisons, bounds, constants, dropped calls, swapped arguments.
 *
 * @phpstan-type Mutation array{file: string, line: int, from: int, to: int, was: string, is: string}
 */
final class Mutations
{
    private const OPERATORS = [
        BinaryOp\Plus::class => '-', BinaryOp\Minus::class => '+', BinaryOp\Mul::class => '/', BinaryOp\Div::class => '*',
        BinaryOp\Identical::class => '!==', BinaryOp\NotIdentical::class => '===', BinaryOp\BooleanAnd::class => '||', BinaryOp\BooleanOr::class => '&&',
    ];

    /** A comparison of whole numbers gets its bound moved by one. Any other is reversed: two measures are hardly ever equal, so that a moved bound would change nothing. */
    private const COMPARISONS = [
        BinaryOp\Smaller::class => ['<=', '>='], BinaryOp\SmallerOrEqual::class => ['<', '>'], BinaryOp\Greater::class => ['>=', '<='], BinaryOp\GreaterOrEqual::class => ['>', '<'],
    ];

    /** @return list<Mutation> in the order of the file */
    public static function of(string $file): array
    {
        $code = (string) file_get_contents($file);
        $tree = (new ParserFactory)->createForHostVersion()->parse($code) ?? [];
        $found = [];
        foreach ((new NodeFinder)->find($tree, static fn (Node $n): bool => $n->getStartFilePos() >= 0) as $node) {
            foreach (self::ofNode($node, $code) as $is) {
                $was = self::text($node, $code);
                $found[] = ['file' => $file, 'line' => $node->getStartLine(), 'from' => $node->getStartFilePos(), 'to' => $node->getEndFilePos() + 1, 'was' => $was, 'is' => $is];
            }
        }

        return $found;
    }

    /** @return list<string> what could stand in its place */
    private static function ofNode(Node $node, string $code): array
    {
        if ($node instanceof BinaryOp && isset(self::COMPARISONS[$node::class])) {
            $isWhole = self::isWhole($node->left) || self::isWhole($node->right);

            return ['('.self::text($node->left, $code).' '.self::COMPARISONS[$node::class][$isWhole ? 0 : 1].' '.self::text($node->right, $code).')'];
        }
        if ($node instanceof BinaryOp && isset(self::OPERATORS[$node::class])) {
            return ['('.self::text($node->left, $code).' '.self::OPERATORS[$node::class].' '.self::text($node->right, $code).')'];
        }
        if ($node instanceof Int_ || $node instanceof Float_) {
            return [$node instanceof Int_ ? (string) ($node->value + 1) : (string) ($node->value === 0.0 ? '1.0' : '('.self::text($node, $code).' * 1.5)')];
        }
        if ($node instanceof ConstFetch && in_array($node->name->toLowerString(), ['true', 'false'], true)) {
            return [$node->name->toLowerString() === 'true' ? 'false' : 'true'];
        }
        if ($node instanceof BooleanNot) {
            return [self::text($node->expr, $code)];
        }
        if ($node instanceof FuncCall && $node->name instanceof Node\Name && in_array($node->name->getLast(), ['min', 'max', 'floor', 'ceil'], true)) {
            $other = ['min' => '\max', 'max' => '\min', 'floor' => '\ceil', 'ceil' => '\floor'][$node->name->getLast()];

            return [$other.substr(self::text($node, $code), $node->name->getEndFilePos() + 1 - $node->getStartFilePos())];
        }
        if ($node instanceof Expression && ($node->expr instanceof MethodCall || $node->expr instanceof StaticCall || $node->expr instanceof FuncCall)) {
            return [';'];
        }
        if (($node instanceof MethodCall || $node instanceof StaticCall || $node instanceof New_) && count($node->args) === 2 && $node->args[0] instanceof Node\Arg && $node->args[1] instanceof Node\Arg && $node->args[0]->name === null && $node->args[1]->name === null) {
            [$one, $two] = [$node->args[0], $node->args[1]];
            $start = $node->getStartFilePos();
            $text = self::text($node, $code);

            return [substr($text, 0, $one->getStartFilePos() - $start).self::text($two, $code).', '.self::text($one, $code).substr($text, $two->getEndFilePos() + 1 - $start)];
        }

        return [];
    }

    private static function isWhole(Node $node): bool
    {
        return $node instanceof Int_ || ($node instanceof FuncCall && $node->name instanceof Node\Name && in_array($node->name->getLast(), ['count', 'strlen', 'intdiv'], true));
    }

    private static function text(Node $node, string $code): string
    {
        return substr($code, $node->getStartFilePos(), $node->getEndFilePos() + 1 - $node->getStartFilePos());
    }
}
