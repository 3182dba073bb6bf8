<?php

declare(strict_types=1);

namespace Database\Demo;

use Hyalin\Mesh\TriangleMesh;

/**
 * The print files of the demo's keeper, made of turned bodies: each part is a list of closed pieces, each piece one area.
 * Millimetres, z up; the figure looks towards -y.
 */
final class MeshMaker
{
    private const AROUND = 40;

    /** @return array<string, list<array{string, TriangleMesh}>> pieces of each part, with their areas */
    public static function keeperMaude(): array
    {
        return [
            'Rock base' => [[
                'Rock',
                self::turned([[0, 0], [17, 0], [19, 1.5], [16.5, 5], [9, 7], [0, 7.4]], static fn (float $a, float $z): float => 1 + 0.09 * sin(3 * $a + $z) + 0.05 * sin(7 * $a - $z)),
            ]],
            'Body' => [
                ['Jersey', self::turned([[0, 22], [7, 22], [7.6, 40], [8.2, 56], [6, 63], [0, 64]], static fn (float $a, float $z): float => 1 + 0.012 * sin(24 * $a) + 0.012 * sin(3 * $z))],
                ['Boots', self::ball(4.2, 5.6, 8.5, -4.2, -1.0, 14.0)],
                ['Boots', self::ball(4.2, 5.6, 8.5, 4.2, -1.0, 14.0)],
            ],
            'Oilskin coat' => [[
                'Oilskin',
                self::turned(
                    [[9.6, 20], [14.5, 17], [15.2, 17.4], [12.6, 38], [11.6, 56], [8.6, 64.5], [6.6, 66], [6.2, 64.8], [9.4, 55], [10.6, 38], [12.9, 19]],
                    static fn (float $a, float $z): float => 1 + (0.075 * sin(7 * $a + 0.06 * $z) + 0.03 * sin(16 * $a)) * max(0.0, (66 - $z) / 46),
                ),
            ]],
            'Head' => [
                ['Face and hands', self::ball(6.0, 6.4, 7.2, 0.0, 0.0, 72.0)],
                ['Face and hands', self::ball(2.4, 2.6, 3.0, -15.0, -5.5, 44.0)],
                ['Face and hands', self::ball(2.4, 2.6, 3.0, 14.0, -7.5, 47.0)],
                ['Hair', self::ball(6.7, 5.2, 7.6, 0.0, 2.6, 70.6)],
            ],
            'Hat' => [[
                'Hat',
                self::turned(
                    [[0, 75.6], [7.2, 75.6], [12.5, 74.4], [13.2, 75.2], [8.2, 77.6], [7.2, 83], [4.2, 86.4], [0, 87.2]],
                    static fn (float $a, float $z): float => 1 + ($z < 76 ? 0.06 * sin(2 * $a + 1) : 0.01 * sin(5 * $a)),
                ),
            ]],
            'Lantern' => [
                ['Brass', self::turned([[0, 30], [3.6, 30], [3.8, 32], [0, 32.2]], null, 15.0, -9.0)],
                ['Glass', self::turned([[0, 32.6], [2.9, 32.6], [3.1, 36], [2.7, 39.4], [0, 39.4]], null, 15.0, -9.0)],
                ['Brass', self::turned([[0, 39.8], [3.8, 39.8], [3.0, 41.6], [1.1, 43.6], [0, 43.8]], null, 15.0, -9.0)],
                ['Brass', self::turned([[0, 31], [0.5, 31], [0.5, 41], [0, 41]], null, 18.2, -9.0, 10)],
                ['Brass', self::turned([[0, 31], [0.5, 31], [0.5, 41], [0, 41]], null, 11.8, -9.0, 10)],
            ],
            'Heron' => [
                ['Heron breast', self::ball(3.1, 4.4, 5.0, -15.5, -7.0, 24.0)],
                ['Heron breast', self::ball(1.2, 1.2, 4.6, -15.5, -10.2, 32.0)],
                ['Heron wings', self::ball(0.9, 4.8, 4.0, -18.9, -6.0, 24.8)],
                ['Heron wings', self::ball(0.9, 4.8, 4.0, -12.1, -6.0, 24.8)],
                ['Beak and legs', self::ball(0.6, 4.2, 0.7, -15.5, -15.0, 36.4)],
                ['Beak and legs', self::turned([[0, 6], [0.5, 6], [0.5, 19.5], [0, 19.5]], null, -16.6, -6.6, 10)],
                ['Beak and legs', self::turned([[0, 6], [0.5, 6], [0.5, 19.5], [0, 19.5]], null, -14.4, -6.6, 10)],
            ],
        ];
    }

    /**
     * A profile turned about an upright axis; closed where it begins and ends, on the axis or in itself.
     *
     * @param  non-empty-list<array{float|int, float|int}>  $profile  radius and height, going up the outside
     * @param  (callable(float, float): float)|null  $shape  factor on the radius by angle and height
     */
    private static function turned(array $profile, ?callable $shape = null, float $atX = 0.0, float $atY = 0.0, int $around = self::AROUND): TriangleMesh
    {
        $profile = self::dense($profile);
        $isRing = $profile[0][0] > 0.0;
        $vertices = $triangles = $rows = [];
        foreach ($profile as [$r, $z]) {
            $row = [];
            for ($j = 0; $j < ($r > 0.0 ? $around : 1); $j++) {
                $a = 2 * M_PI * $j / $around;
                $by = $r * ($shape === null ? 1.0 : $shape($a, $z));
                $row[] = count($vertices);
                $vertices[] = [$atX + $by * cos($a), $atY + $by * sin($a), $z];
            }
            $rows[] = $row;
        }
        for ($i = 0, $n = count($rows); $i < ($isRing ? $n : $n - 1); $i++) {
            [$low, $high] = [$rows[$i], $rows[($i + 1) % $n]];
            for ($j = 0; $j < $around; $j++) {
                $next = $j + 1;
                [$a, $b] = [$low[$j % count($low)], $low[$next % count($low)]];
                [$c, $d] = [$high[$next % count($high)], $high[$j % count($high)]];
                if ($a !== $b) {
                    $triangles[] = [$a, $b, $c];
                }
                if ($c !== $d) {
                    $triangles[] = [$a, $c, $d];
                }
            }
        }

        return TriangleMesh::build($vertices, $triangles);
    }

    private static function ball(float $rx, float $ry, float $rz, float $x, float $y, float $z): TriangleMesh
    {
        $profile = [];
        for ($i = 0; $i <= 16; $i++) {
            $t = M_PI * $i / 16;
            $profile[] = [$i === 0 || $i === 16 ? 0.0 : sin($t), -cos($t)];
        }
        $ball = self::turned($profile, null, 0.0, 0.0, 28);
        [$px, $py, $pz] = $ball->coordinates();
        $out = '';
        foreach ($px as $v => $_) {
            $out .= pack('g3', $x + $rx * $px[$v], $y + $ry * $py[$v], $z + $rz * $pz[$v]);
        }

        return TriangleMesh::of($out, $ball->indices);
    }

    /**
     * Points between those of a profile, so that its shape can waver.
     *
     * @param  non-empty-list<array{float|int, float|int}>  $profile
     * @return non-empty-list<array{float, float}>
     */
    private static function dense(array $profile): array
    {
        $dense = [];
        foreach ($profile as $i => [$r, $z]) {
            $next = $profile[$i + 1] ?? null;
            $dense[] = [(float) $r, (float) $z];
            if ($next !== null) {
                $steps = (int) floor(hypot($next[0] - $r, $next[1] - $z) / 2.5);
                for ($k = 1; $k < $steps; $k++) {
                    $dense[] = [$r + ($next[0] - $r) * $k / $steps, $z + ($next[1] - $z) * $k / $steps];
                }
            }
        }

        return $dense;
    }
}
