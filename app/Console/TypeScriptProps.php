<?php

declare(strict_types=1);

namespace App\Console;

use BackedEnum;
use LogicException;
use PHPStan\PhpDocParser\Ast\PhpDoc\ParamTagValueNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeItemNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\NullableTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;
use ReflectionClass;
use ReflectionEnum;
use ReflectionNamedType;
use ReflectionParameter;
use Symfony\Component\Finder\Finder;

/**
 * The props of app/Http/Props as TypeScript: what the server sends is what the browser's compiler checks.
 */
final class TypeScriptProps
{
    /** @var array<string, string> declarations by name */
    private array $enums = [];

    private readonly Lexer $lexer;

    private readonly PhpDocParser $parser;

    public function __construct()
    {
        $config = new ParserConfig([]);
        $constants = new ConstExprParser($config);
        $this->lexer = new Lexer($config);
        $this->parser = new PhpDocParser($config, new TypeParser($config, $constants), $constants);
    }

    public function generate(): string
    {
        $interfaces = [];
        foreach (Finder::create()->files()->in(app_path('Http/Props'))->name('*.php')->sortByName() as $file) {
            $class = 'App\\Http\\Props\\'.str_replace('/', '\\', substr($file->getRelativePathname(), 0, -strlen('.php')));
            if (class_exists($class)) {
                $interfaces[class_basename($class)] = $this->interface(new ReflectionClass($class));
            }
        }
        ksort($interfaces);
        ksort($this->enums);

        return "// Written by `php artisan hyalin:types` from app/Http/Props. Do not edit.\n\n"
            .implode("\n", $this->enums)."\n\n".implode("\n\n", $interfaces)."\n";
    }

    /** @param  ReflectionClass<object>  $class */
    private function interface(ReflectionClass $class): string
    {
        $constructor = $class->getConstructor() ?? throw new LogicException("{$class->getName()} has no constructor");
        $documented = $this->documented((string) $constructor->getDocComment());
        $lines = array_map(
            fn (ReflectionParameter $p): string => "    {$p->getName()}: ".$this->typeOf($class, $p, $documented[$p->getName()] ?? null).';',
            $constructor->getParameters(),
        );

        return "export interface {$class->getShortName()} {\n".implode("\n", $lines)."\n}";
    }

    /** @return array<string, TypeNode> by parameter name */
    private function documented(string $comment): array
    {
        if ($comment === '') {
            return [];
        }
        $types = [];
        foreach ($this->parser->parse(new TokenIterator($this->lexer->tokenize($comment)))->getParamTagValues() as $tag) {
            if ($tag instanceof ParamTagValueNode) {
                $types[ltrim($tag->parameterName, '$')] = $tag->type;
            }
        }

        return $types;
    }

    /** @param  ReflectionClass<object>  $class */
    private function typeOf(ReflectionClass $class, ReflectionParameter $parameter, ?TypeNode $documented): string
    {
        $type = $parameter->getType();
        if (! $type instanceof ReflectionNamedType) {
            throw new LogicException("{$parameter->getName()} needs one named type");
        }
        if ($type->getName() === 'array' && $documented !== null) {
            return $this->written($class, $documented);
        }

        return $this->named($type->getName()).($type->allowsNull() ? ' | null' : '');
    }

    /** @param  ReflectionClass<object>  $class */
    private function written(ReflectionClass $class, TypeNode $type): string
    {
        return match (true) {
            $type instanceof NullableTypeNode => $this->written($class, $type->type).' | null',
            $type instanceof UnionTypeNode => implode(' | ', array_map(fn (TypeNode $t): string => $this->written($class, $t), $type->types)),
            $type instanceof GenericTypeNode && $type->type->name === 'list' => 'Array<'.$this->written($class, $type->genericTypes[0]).'>',
            $type instanceof GenericTypeNode && $type->type->name === 'array' => 'Record<string, '.$this->written($class, $type->genericTypes[1]).'>',
            $type instanceof ArrayShapeNode => '{ '.implode('; ', array_map(fn (ArrayShapeItemNode $i): string => "{$i->keyName}: ".$this->written($class, $i->valueType), $type->items)).' }',
            $type instanceof IdentifierTypeNode => $this->named($this->resolve($class, $type->name)),
            default => throw new LogicException("no TypeScript for {$type}"),
        };
    }

    /**
     * Names in docblocks are short: they are imported by the file, or of its own folder.
     *
     * @param  ReflectionClass<object>  $class
     */
    private function resolve(ReflectionClass $class, string $name): string
    {
        $imported = preg_match('/^use ([\\w\\\\]+\\\\'.$name.');$/m', (string) file_get_contents((string) $class->getFileName()), $use) === 1
            ? $use[1]
            : "{$class->getNamespaceName()}\\{$name}";

        return class_exists($imported) || enum_exists($imported) ? $imported : $name;
    }

    private function named(string $name): string
    {
        if (enum_exists($name)) {
            $this->declareEnum($name);
        }

        return match ($name) {
            'int', 'float' => 'number',
            'string' => 'string',
            'bool' => 'boolean',
            'null' => 'null',
            'mixed' => 'unknown',
            'self' => throw new LogicException('props do not refer to themselves'),
            default => substr((string) strrchr('\\'.$name, '\\'), 1),
        };
    }

    /** @param  class-string<\UnitEnum>  $enum */
    private function declareEnum(string $enum): void
    {
        $name = (new ReflectionEnum($enum))->getShortName();
        $values = array_map(
            static fn (\UnitEnum $case): string => $case instanceof BackedEnum ? "'{$case->value}'" : "'{$case->name}'",
            $enum::cases(),
        );
        $this->enums[$name] = "export type {$name} = ".implode(' | ', $values).';';
    }
}
