<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Numeric\Homography;
use Hyalin\Numeric\SingularMatrix;

/**
 * Finds a swatch sheet in a picture, however it is turned or tilted, by its marks; three of the seven will do.
 *
 * Dark quadrangles are looked for in a small copy of the picture and read in the picture itself. Marks of one sheet must agree
 * on its number and lie where the sheet has them; then the edges of all of them are found to a fraction of a pixel.
 */
final readonly class SheetSearch
{
    public const NEEDED = 3;

    /** A corner of a mark that is as far from its place as this, in mm, is of another thing. */
    private const ASTRAY = 4.0;

    private const MOST_RESIDUAL = 0.7;

    private const LEAST_SCALE = 2.2;

    /** Of 255: a ring must be darker than the paper around it by so much. */
    private const CONTRAST = 18.0;

    /** Places along an edge of a mark, as shares of its length: away from the corners. */
    private const ALONG = [0.12, 0.2, 0.28, 0.36, 0.44, 0.5, 0.56, 0.64, 0.72, 0.8, 0.88];

    /**
     * @param  Photo  $small  the same picture, smaller
     *
     * @throws InvalidSheet naming what is missing
     */
    public static function in(Photo $photo, Photo $small): FoundSheet
    {
        $scale = $photo->width / $small->width;
        $sheets = [];
        foreach (DarkShapes::in($small) as $quad) {
            $quad = array_map(static fn (array $p): array => [$scale * $p[0], $scale * $p[1]], $quad);
            foreach (self::marks($photo, $quad) as [$code, $corners]) {
                $sheets[$code->sheet][$code->mark] = $corners;
            }
        }
        $whole = array_filter($sheets, static fn (array $marks): bool => count($marks) >= self::NEEDED);
        if (count($whole) > 1) {
            throw InvalidSheet::several(array_keys($whole));
        }
        if ($whole === []) {
            $most = $sheets === [] ? 0 : max(array_map(count(...), $sheets));
            throw $most === 0 ? InvalidSheet::none() : InvalidSheet::tooFew($most, self::NEEDED);
        }
        $number = array_key_first($whole);

        return self::placed($photo, $number, $whole[$number]);
    }

    /**
     * @param  array<int, array{float, float}>  $quad  corners as seen, clockwise
     * @return list<array{MarkCode, list<array{float, float}>}> codes it may have, and its corners beginning with the upper left one of the sheet
     */
    private static function marks(Photo $photo, array $quad): array
    {
        $quad = self::sharpened($photo, array_values($quad));
        $n = MarkCode::SIDE + 2;
        try {
            $map = Homography::through([[0.0, 0.0], [$n, 0.0], [$n, $n], [0.0, $n]], $quad);
        } catch (SingularMatrix) {
            return [];
        }
        $ring = $around = [];
        for ($i = 0; $i < $n; $i++) {
            foreach ([[$i + 0.5, 0.5], [$i + 0.5, $n - 0.5], [0.5, $i + 0.5], [$n - 0.5, $i + 0.5]] as [$x, $y]) {
                $ring[] = self::light($photo, $map, $x, $y);
            }
            foreach ([[$i + 0.5, -0.8], [$i + 0.5, $n + 0.8], [-0.8, $i + 0.5], [$n + 0.8, $i + 0.5]] as [$x, $y]) {
                $around[] = self::light($photo, $map, $x, $y);
            }
        }
        sort($ring);
        sort($around);
        [$black, $white] = [$ring[intdiv(count($ring), 2)], $around[intdiv(count($around), 2)]];
        // A ring is dark all round, and what is around it light: anything else is another thing.
        if ($white - $black < self::CONTRAST || $ring[(int) (0.9 * count($ring))] > ($black + $white) / 2) {
            return [];
        }
        $modules = [];
        for ($row = 1; $row <= MarkCode::SIDE; $row++) {
            for ($column = 1; $column <= MarkCode::SIDE; $column++) {
                $modules[] = self::light($photo, $map, $column + 0.5, $row + 0.5) < ($black + $white) / 2;
            }
        }
        $marks = [];
        foreach (MarkCode::read($modules) as [$code, $turns]) {
            if (isset(SheetLayout::marks()[$code->mark])) {
                $marks[] = [$code, [...array_slice($quad, $turns), ...array_slice($quad, 0, $turns)]];
            }
        }

        return $marks;
    }

    /** The light of the middle of a module: of five places in it. */
    private static function light(Photo $photo, Homography $map, float $x, float $y): float
    {
        $sum = 0.0;
        foreach ([[0.0, 0.0], [0.2, 0.2], [-0.2, 0.2], [0.2, -0.2], [-0.2, -0.2]] as [$dx, $dy]) {
            $sum += $photo->grey(...$map->at($x + $dx, $y + $dy));
        }

        return $sum / 5;
    }

    /**
     * A mark whose edges are where the light crosses half between black and paper.
     *
     * @param  list<array{float, float}>  $quad
     * @return list<array{float, float}> as many
     */
    private static function sharpened(Photo $photo, array $quad): array
    {
        $lines = [];
        foreach ($quad as $i => $from) {
            $to = $quad[($i + 1) % 4];
            $lines[] = self::edge($photo, $from, $to);
        }
        $corners = [];
        foreach ($quad as $i => $corner) {
            $crossing = self::crossing($lines[($i + 3) % 4], $lines[$i]);
            // An edge that was covered by something leads astray.
            $corners[] = $crossing !== null && hypot($crossing[0] - $corner[0], $crossing[1] - $corner[1]) < 0.25 * hypot($quad[0][0] - $quad[2][0], $quad[0][1] - $quad[2][1]) ? $crossing : $corner;
        }

        return $corners;
    }

    /**
     * @param  array{float, float}  $from  about where the edge is, the mark to the right of it
     * @param  array{float, float}  $to
     * @return array{float, float, float, float}|null a point of the edge and its direction
     */
    private static function edge(Photo $photo, array $from, array $to): ?array
    {
        $length = hypot($to[0] - $from[0], $to[1] - $from[1]);
        if ($length < 4) {
            return null;
        }
        [$dx, $dy] = [($to[0] - $from[0]) / $length, ($to[1] - $from[1]) / $length];
        // Outwards: to the left of the way, as the corners run clockwise in a picture whose y points down.
        [$nx, $ny] = [$dy, -$dx];
        $reach = 0.9 * $length / (MarkCode::SIDE + 2);
        $points = [];
        foreach (self::ALONG as $share) {
            [$x, $y] = [$from[0] + $share * $length * $dx, $from[1] + $share * $length * $dy];
            $at = self::step($photo, $x, $y, $nx, $ny, $reach);
            if ($at !== null) {
                $points[] = [$x + $at * $nx, $y + $at * $ny];
            }
        }

        return count($points) < 4 ? null : self::line($points);
    }

    /**
     * How far outwards the light crosses half between the darkest inside and the lightest outside.
     *
     * @return float|null null where there is no step
     */
    private static function step(Photo $photo, float $x, float $y, float $nx, float $ny, float $reach): ?float
    {
        $steps = max(4, (int) ceil(4 * $reach));
        $profile = $lights = [];
        [$black, $white] = [255.0, 0.0];
        for ($i = -$steps; $i <= $steps; $i++) {
            $at = $reach * $i / $steps;
            $lights[] = $light = $photo->grey($x + $at * $nx, $y + $at * $ny);
            $profile[] = [$at, $light];
            $black = $i <= 0 ? min($black, $light) : $black;
            $white = $i >= 0 ? max($white, $light) : $white;
        }
        if ($white - $black < self::CONTRAST) {
            return null;
        }
        $half = ($black + $white) / 2;
        // From the darkest place outwards: beyond the ring inside is white again.
        $start = (int) array_search($black, $lights, true);
        for ($i = $start; $i < count($profile) - 1; $i++) {
            [[$at, $light], [$next, $more]] = [$profile[$i], $profile[$i + 1]];
            if ($light <= $half && $more > $half) {
                return $at + ($next - $at) * ($half - $light) / ($more - $light);
            }
        }

        return null;
    }

    /**
     * The line that is nearest to all points but those that are farthest from the first such line.
     *
     * @param  non-empty-list<array{float, float}>  $points
     * @return array{float, float, float, float}
     */
    private static function line(array $points): array
    {
        for ($round = 0; ; $round++) {
            $n = count($points);
            $x = array_sum(array_column($points, 0)) / $n;
            $y = array_sum(array_column($points, 1)) / $n;
            $xx = $xy = $yy = 0.0;
            foreach ($points as [$px, $py]) {
                $xx += ($px - $x) ** 2;
                $xy += ($px - $x) * ($py - $y);
                $yy += ($py - $y) ** 2;
            }
            $angle = atan2(2 * $xy, $xx - $yy) / 2;
            [$dx, $dy] = [cos($angle), sin($angle)];
            if ($round === 2 || $n < 6) {
                return [$x, $y, $dx, $dy];
            }
            usort($points, static fn (array $p, array $q): int => abs(($p[0] - $x) * $dy - ($p[1] - $y) * $dx) <=> abs(($q[0] - $x) * $dy - ($q[1] - $y) * $dx));
            $points = array_slice($points, 0, max(4, $n - 2));
        }
    }

    /**
     * @param  array{float, float, float, float}|null  $p
     * @param  array{float, float, float, float}|null  $q
     * @return array{float, float}|null
     */
    private static function crossing(?array $p, ?array $q): ?array
    {
        if ($p === null || $q === null) {
            return null;
        }
        $cross = $p[2] * $q[3] - $p[3] * $q[2];
        if (abs($cross) < 0.05) {
            return null;
        }
        $t = (($q[0] - $p[0]) * $q[3] - ($q[1] - $p[1]) * $q[2]) / $cross;

        return [$p[0] + $t * $p[2], $p[1] + $t * $p[3]];
    }

    /**
     * @param  array<int, list<array{float, float}>>  $marks  corners in the picture, by number of the mark
     *
     * @throws InvalidSheet when they are not where a flat sheet has them
     */
    private static function placed(Photo $photo, int $number, array $marks): FoundSheet
    {
        while (true) {
            $map = self::through($marks);
            $astray = self::misses($map, $marks);
            arsort($astray);
            $worst = array_key_first($astray);
            if ($worst === null || $astray[$worst] <= self::ASTRAY) {
                break;
            }
            if (count($marks) <= self::NEEDED) {
                throw InvalidSheet::bent($astray[$worst]);
            }
            unset($marks[$worst]);
        }
        $squares = array_map(static fn (float $m): float => $m * $m, self::misses($map, $marks));
        $residual = sqrt(array_sum($squares) / max(1, count($squares)));
        if ($residual > self::MOST_RESIDUAL) {
            throw InvalidSheet::bent(sqrt(max([0.0, ...$squares])));
        }
        $scale = INF;
        foreach (SheetLayout::marks() as $mark) {
            $scale = min($scale, $map->scaleAt(...$mark->middle()));
        }
        if ($scale < self::LEAST_SCALE) {
            throw InvalidSheet::tooSmall($scale);
        }

        return new FoundSheet($number, $map, array_keys($marks), $residual);
    }

    /** @param  array<int, list<array{float, float}>>  $marks */
    private static function through(array $marks): Homography
    {
        $from = $to = [];
        foreach ($marks as $mark => $corners) {
            array_push($from, ...SheetLayout::marks()[$mark]->corners());
            array_push($to, ...$corners);
        }
        try {
            return Homography::through($from, $to);
        } catch (SingularMatrix) {
            throw InvalidSheet::tooFew(count($marks), self::NEEDED + 1);
        }
    }

    /**
     * @param  array<int, list<array{float, float}>>  $marks
     * @return array<int, float> mm between where each mark is and where it belongs
     */
    private static function misses(Homography $map, array $marks): array
    {
        $back = $map->inverse();
        $misses = [];
        foreach ($marks as $mark => $corners) {
            $squares = 0.0;
            foreach (SheetLayout::marks()[$mark]->corners() as $i => [$x, $y]) {
                [$u, $v] = $back->at(...$corners[$i]);
                $squares += ($u - $x) ** 2 + ($v - $y) ** 2;
            }
            $misses[$mark] = sqrt($squares / 4);
        }

        return $misses;
    }
}
