<?php

declare(strict_types=1);

namespace Tests\Architecture;

/**
 * Rooms as boxes in storeys, each room above all that it calls, as SVG. An arrow is left out where a
 * longer way says the same. An arrow that passes a storey has a place of its own there: no line runs behind a box.
 */
final class HousePicture
{
    private const BOX = [118, 34];

    private const PASSAGE = 20;

    private const GAP = [22, 58];

    private const MARGIN = 24;

    /**
     * Draws the picture into its file.
     *
     * @param  array<string, list<string>>  $calls
     * @return bool whether it was there already
     */
    public static function isKept(string $path, array $calls, string $title): bool
    {
        $file = SourceFiles::root()."/{$path}";
        $kept = is_file($file) ? file_get_contents($file) : '';
        $drawn = self::of($calls, $title);
        file_put_contents($file, $drawn);

        return $drawn === $kept;
    }

    /** @param  array<string, list<string>>  $calls  the rooms that a room calls, by room, without circles */
    public static function of(array $calls, string $title): string
    {
        $ways = [];
        $storeys = [];
        foreach (array_keys($calls) as $room) {
            $storeys[self::storey($calls, $room)][] = $room;
        }
        foreach (self::reduced($calls) as $room => $called) {
            foreach ($called as $other) {
                $way = [$room];
                for ($n = self::storey($calls, $room) - 1; $n > self::storey($calls, $other); $n--) {
                    $way[] = $storeys[$n][] = "{$room} > {$other} {$n}";
                }
                $ways[] = [...$way, $other];
            }
        }
        ksort($storeys);
        [$at, $width] = self::placed($storeys, $ways, $calls);
        $height = 2 * self::MARGIN + count($storeys) * self::BOX[1] + (count($storeys) - 1) * self::GAP[1];
        $lines = $boxes = '';
        foreach ($ways as $way) {
            $points = [];
            foreach ($way as $n => $stop) {
                [$x, $y] = $at[$stop];
                if ($n > 0) {
                    $points[] = sprintf('%g %g', $x, $n === count($way) - 1 ? $y - 2 : $y);
                }
                if ($n < count($way) - 1) {
                    $points[] = sprintf('%g %g', $x, $y + self::BOX[1]);
                }
            }
            $lines .= '<path d="M'.implode('L', $points)."\"/>\n";
        }
        foreach (array_intersect_key($at, $calls) as $room => [$x, $y]) {
            $boxes .= sprintf("<rect x=\"%g\" y=\"%g\" width=\"%d\" height=\"%d\" rx=\"3\"/><text x=\"%g\" y=\"%g\">%s</text>\n", $x - self::BOX[0] / 2, $y, self::BOX[0], self::BOX[1], $x, $y + self::BOX[1] / 2 + 5, $room);
        }

        return <<<SVG
            <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {$width} {$height}" role="img" aria-label="{$title}">
            <title>{$title}</title>
            <style>path{stroke:#777;fill:none;marker-end:url(#a)}rect{fill:#fff;stroke:#333}text{font:14px sans-serif;text-anchor:middle;fill:#111}</style>
            <defs><marker id="a" viewBox="0 0 8 8" refX="8" refY="4" markerWidth="7" markerHeight="7" orient="auto"><path d="M0 0L8 4L0 8z" style="fill:#777;stroke:none;marker-end:none"/></marker></defs>
            <rect width="{$width}" height="{$height}" style="fill:#fff;stroke:none"/>
            {$lines}{$boxes}</svg>

            SVG;
    }

    /**
     * Storeys one after the other, each ordered by the mean place of what it is joined to in the one before, there and back a few times.
     *
     * @param  array<int, list<string>>  $storeys  from the lowest up: rooms, and arrows that pass
     * @param  list<list<string>>  $ways  of the arrows, through every storey
     * @param  array<string, list<string>>  $calls
     * @return array{array<string, array{float, float}>, float} the middle of the upper edge of each, and the width of all
     */
    private static function placed(array $storeys, array $ways, array $calls): array
    {
        $joined = [];
        foreach ($ways as $way) {
            for ($n = 1; $n < count($way); $n++) {
                $joined[$way[$n]][] = $way[$n - 1];
                $joined[$way[$n - 1]][] = $way[$n];
            }
        }
        $wide = static fn (string $stop): int => isset($calls[$stop]) ? self::BOX[0] : self::PASSAGE;
        // A room or passage with the gap after it; the last one has none.
        $taken = array_map(static fn (array $stops): int => array_sum(array_map($wide, $stops)) + (count($stops) - 1) * self::GAP[0], $storeys);
        $width = 2 * self::MARGIN + max(0, ...$taken);
        $x = [];
        for ($round = 0; $round < 8; $round++) {
            foreach ($round % 2 === 0 ? $storeys : array_reverse($storeys, true) as $n => $stops) {
                $mean = [];
                foreach ($stops as $place => $stop) {
                    $near = array_intersect_key($x, array_flip($joined[$stop] ?? []));
                    $mean[$stop] = $near === [] ? $x[$stop] ?? $place : array_sum($near) / count($near);
                }
                asort($mean);
                $storeys[$n] = array_keys($mean);
                $left = ($width - $taken[$n]) / 2;
                foreach ($storeys[$n] as $stop) {
                    $x[$stop] = $left + $wide($stop) / 2;
                    $left += $wide($stop) + self::GAP[0];
                }
            }
        }
        $at = [];
        foreach ($storeys as $n => $stops) {
            foreach ($stops as $stop) {
                $at[$stop] = [$x[$stop], (float) (self::MARGIN + (count($storeys) - 1 - $n) * (self::BOX[1] + self::GAP[1]))];
            }
        }

        return [$at, (float) $width];
    }

    /** @param  array<string, list<string>>  $calls */
    private static function storey(array $calls, string $room): int
    {
        return $calls[$room] === [] ? 0 : 1 + max(array_map(static fn (string $below): int => self::storey($calls, $below), $calls[$room]));
    }

    /**
     * @param  array<string, list<string>>  $calls
     * @return array<string, list<string>> without what is called by what is called
     */
    private static function reduced(array $calls): array
    {
        return array_map(static fn (array $called): array => array_values(array_filter(
            $called,
            static fn (string $room): bool => array_filter($called, static fn (string $other): bool => $other !== $room && in_array($room, self::reached($calls, $other), true)) === [],
        )), $calls);
    }

    /**
     * @param  array<string, list<string>>  $calls
     * @return list<string>
     */
    private static function reached(array $calls, string $room): array
    {
        $open = $calls[$room];
        for ($n = 0; $n < count($open); $n++) {
            array_push($open, ...array_diff($calls[$open[$n]], $open));
        }

        return $open;
    }
}
