<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PhpParser\Node;
use PhpParser\Node\Name;
use PhpParser\NodeFinder;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\ParserFactory;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/**
 * The code as its syntax trees.
 */
final class SourceFiles
{
    /** @var array<string, list<string>> by path: several tests ask for them */
    private static array $names = [];

    /** @return list<string> paths of PHP files, from the root of the project */
    public static function in(string $folder): array
    {
        $paths = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(self::root().'/'.$folder, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof SplFileInfo && $file->getExtension() === 'php') {
                $paths[] = substr($file->getPathname(), strlen(self::root()) + 1);
            }
        }
        sort($paths);

        return $paths;
    }

    /** @return list<string> fully qualified names of classes, functions and constants in use */
    public static function names(string $path): array
    {
        return self::$names[$path] ??= array_values(array_unique(array_map(
            static fn (Name $name): string => $name->toString(),
            (new NodeFinder)->findInstanceOf(self::tree($path), Name\FullyQualified::class),
        )));
    }

    /** @return array<Node> with resolved names */
    public static function tree(string $path): array
    {
        $tree = (new ParserFactory)->createForHostVersion()->parse((string) file_get_contents(self::root().'/'.$path)) ?? [];

        return (new NodeTraverser(new NameResolver))->traverse($tree);
    }

    public static function root(): string
    {
        return dirname(__DIR__, 2);
    }
}
