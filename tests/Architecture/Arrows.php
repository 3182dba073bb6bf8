<?php

declare(strict_types=1);

namespace Tests\Architecture;

/**
 * Which part of the code uses which, as it is written.
 */
final class Arrows
{
    /**
     * @param  string  $top  folder of the project
     * @param  string  $namespace  of it, with a backslash at the end
     * @param  callable(string): string  $part  of a path below $top, without .php
     * @return array<string, array<string, string>> by part and the part it uses: one place where it does
     */
    public static function between(string $top, string $namespace, callable $part): array
    {
        $arrows = [];
        foreach (SourceFiles::in($top) as $path) {
            $from = $part(substr($path, strlen($top) + 1, -strlen('.php')));
            $arrows[$from] ??= [];
            foreach (SourceFiles::names($path) as $name) {
                if (! str_starts_with($name, $namespace)) {
                    continue;
                }
                $used = str_replace('\\', '/', substr($name, strlen($namespace)));
                if (is_file(SourceFiles::root()."/{$top}/{$used}.php") && $part($used) !== $from) {
                    $arrows[$from][$part($used)] ??= "{$path} uses {$name}";
                }
            }
        }

        return $arrows;
    }

    /**
     * @param  array<string, list<string>>  $map  the parts that a part may use
     * @param  array<string, array<string, string>>  $arrows
     * @return list<string> arrows of the map that nothing takes
     */
    public static function unused(array $map, array $arrows): array
    {
        $unused = [];
        foreach ($map as $part => $uses) {
            foreach (array_diff($uses, array_keys($arrows[$part] ?? [])) as $used) {
                $unused[] = "{$part} does not use {$used}";
            }
        }

        return $unused;
    }

    /**
     * @param  array<string, array<string, string>>  $arrows
     * @return list<string>|null parts that use one another in a circle, each the next; null without one
     */
    public static function circle(array $arrows): ?array
    {
        $done = [];
        $search = static function (string $part, array $way) use (&$search, &$done, $arrows): ?array {
            if (in_array($part, $way, true)) {
                return array_slice($way, (int) array_search($part, $way, true));
            }
            if (isset($done[$part])) {
                return null;
            }
            foreach (array_keys($arrows[$part] ?? []) as $next) {
                $found = $search($next, [...$way, $part]);
                if ($found !== null) {
                    return $found;
                }
            }
            $done[$part] = true;

            return null;
        };
        foreach (array_keys($arrows) as $start) {
            /** @var list<string>|null $found */
            $found = $search($start, []);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
}
