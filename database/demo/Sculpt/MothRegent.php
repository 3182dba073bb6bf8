<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

/**
 * The Moth Regent, a bust of 160 mm: a pale face with feathered antennae, a high collar, four wings printed apart.
 */
final class MothRegent implements Sculpt
{
    /** Where the wings are rooted: to the side, behind, up. */
    private const ROOT = [9.0, 14.0, 82.0];

    /** Fore wing: angle above the horizon in radians, length, width; hind wing alike. */
    private const FORE = [0.62, 82.0, 25.0];

    private const HIND = [-0.42, 62.0, 26.0];

    public function cell(): float
    {
        return 0.85;
    }

    public function ramps(): array
    {
        return [
            'Wing dust' => ['#6c5a72', '#9c8a9c', '#c6b8c2', '#ddd3d6', '#f2ece8'],
            'Wing eyes' => ['#2a0a12', '#52121f', '#7a1f2e', '#a8404a', '#d98a86'],
            'Hind wing dust' => ['#43384f', '#6a5c76', '#9a8aa6', '#b9acc0', '#d8cfda'],
            'Collar' => ['#3d2d10', '#7a5c22', '#c8a24a', '#dfc07a', '#f5e6bd'],
            'Face' => ['#8d8076', '#b8ab9f', '#e6ddd0', '#efe9df', '#faf7f1'],
        ];
    }

    public function parts(): array
    {
        return ['Fore wings' => self::fore(), 'Hind wings' => self::hind(), 'Bust' => self::bust()];
    }

    /**
     * One wing of a pair, both being mirrored: scalloped, veined, cupped a little.
     *
     * @param  array{float, float, float}  $shape  angle, length, width
     * @param  float  $behind  mm behind the root
     * @return array{float, float, float} distance; along and across the wing, mm
     */
    private static function wing(float $x, float $y, float $z, array $shape, float $behind): array
    {
        [$turn, $length, $width] = $shape;
        [$px, $pz] = [\abs($x) - self::ROOT[0], $z - self::ROOT[2]];
        [$along, $across] = [$px * \cos($turn) + $pz * \sin($turn), -$px * \sin($turn) + $pz * \cos($turn)];
        $t = $along / $length;
        $t = $t < 0.0 ? 0.0 : ($t > 1.0 ? 1.0 : $t);
        $half = $width * (0.16 + 1.0 * \sin(1.9 * $t) * $t ** 0.35);
        $round = \atan2($across, $along + 6);
        $scallop = 1.1 * \abs(\sin(9 * $round)) - 0.5;
        // Straight on the leading side, wide on the other.
        $outline = \max(\abs($across) - $half, $along - $length - 4.0 + 0.010 * $across * $across, -$along - 3.0) * 0.8 - 0.6 * $scallop * Solid::step(0.3, 0.8, $t);
        $veins = 0.55 * Solid::step(0.13, 0.03, \abs(\sin(7.5 * $round + 0.012 * $along))) * Solid::step(1.0, 0.7, $t);
        $dust = 0.16 * \sin(0.9 * $along + 2.0 * \sin(0.23 * $across)) * Solid::step(0.25, 0.6, $t);
        $sheet = \abs($y - self::ROOT[1] - $behind - 0.0035 * $along * $along * (0.6 + 0.4 * \sin(0.05 * $across)) - 0.006 * $across * $across) - 0.95 - $veins - $dust;

        return [\max($sheet * 0.85, $outline), $along, $across];
    }

    private static function fore(): Body
    {
        return new Body([-92.0, 8.0, 55.0], [92.0, 50.0, 166.0], ['Wing dust', 'Wing eyes'], static function (float $x, float $y, float $z): array {
            [$wing, $along, $across] = self::wing($x, $y, $z, self::FORE, 0.0);
            $eye = \sqrt(($along - 56) ** 2 + ($across - 1) ** 2);
            // A raised ring with a pupil, in front only.
            $raised = $y < self::ROOT[1] + 0.0035 * $along * $along + 0.006 * $across * $across + 3 ? 1.0 : 0.0;
            $wing -= $raised * (0.9 * Solid::step(1.6, 0.9, \abs($eye - 8.4)) + 0.9 * Solid::step(4.2, 3.4, $eye));

            return [$wing, $eye < 9.9 && $raised > 0 ? 1 : 0];
        });
    }

    private static function hind(): Body
    {
        return Body::of('Hind wing dust', [-80.0, 8.0, 18.0], [80.0, 50.0, 112.0], static fn (float $x, float $y, float $z): float => self::wing($x, $y, $z, self::HIND, 5.5)[0]);
    }

    private static function bust(): Body
    {
        return new Body([-47.0, -38.0, 0.0], [47.0, 38.0, 158.0], ['Collar', 'Face'], static function (float $x, float $y, float $z): array {
            $face = self::face($x, $y, $z);
            $collar = self::collar($x, $y, $z);

            return $face < $collar ? [$face, 1] : [$collar, 0];
        });
    }

    private static function face(float $x, float $y, float $z): float
    {
        $u = \abs($x);
        $d = Solid::ellipsoid($x, $y, $z - 111.0, 15.5, 18.0, 20.0);
        $d = Solid::blend($d, Solid::ellipsoid($x, $y + 5.5, $z - 96.5, 10.0, 10.5, 11.0), 7.0);
        $d = Solid::blend($d, Solid::capsule($x, $y, $z, 0, 3, 96, 0, 2, 74, 8.5, 10.0), 4.0);
        // Great eyes under a smooth brow, of many small facets.
        $d = Solid::cut($d, Solid::ellipsoid($u - 7.2, $y + 15.6, $z - 107.5, 6.0, 4.6, 4.8), 2.2);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 2.2, -16.8, 113.0, 13.0, -9.8, 114.6, 1.7, 1.0), 2.0);
        $eye = Solid::ellipsoid($u - 7.2, $y + 12.6, $z - 107.4, 5.2, 4.4, 4.2) - 0.22 * \sin(2.2 * $x) * \sin(2.2 * $z);
        $d = Solid::blend($d, $eye, 0.25);
        $d = Solid::blend($d, Solid::capsule($x, $y, $z, 0, -16.8, 110.5, 0, -20.6, 101.8, 1.7, 2.2), 2.2);
        $d = Solid::blend($d, Solid::sphere($u, $y, $z, 2.1, -18.3, 101.2, 1.4), 1.2);
        $d = Solid::blend($d, Solid::sphere($u, $y, $z, 8.2, -11.4, 100.2, 3.6), 4.0);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 0, -16.7, 95.6, 3.6, -14.9, 95.3, 1.35, 0.6), 0.8);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 0, -16.2, 93.0, 3.0, -14.6, 93.5, 1.55, 0.6), 0.8);
        $d = Solid::cut($d, Solid::capsule($u, $y, $z, 0, -18.0, 94.4, 4.4, -15.2, 94.6, 0.4, 0.25), 0.5);
        $d = Solid::blend($d, Solid::sphere($x, $y, $z, 0, -13.6, 88.6, 2.6), 2.2);
        // A crown of down, and antennae like feathers.
        $down = Solid::ellipsoid($x, $y - 3.5, $z - 119.0, 15.0, 15.0, 14.5) - 0.9 * \abs(\sin(9 * \atan2($y - 3, $x) + 0.1 * $z)) * \abs(\sin(0.45 * $z));
        $d = Solid::blend($d, \max($down, -0.8 * ($z - 117 - 0.35 * ($y + 14))), 0.8);
        [$ax, $ay, $az, $bx, $by, $bz] = [6.5, -9.0, 126.0, 17.5, -17.0, 150.0];
        $h = (($u - $ax) * ($bx - $ax) + ($y - $ay) * ($by - $ay) + ($z - $az) * ($bz - $az)) / (($bx - $ax) ** 2 + ($by - $ay) ** 2 + ($bz - $az) ** 2);
        $h = $h < 0.0 ? 0.0 : ($h > 1.0 ? 1.0 : $h);
        $side = ($u - $ax - $h * ($bx - $ax)) * 0.91 - ($z - $az - $h * ($bz - $az)) * 0.42;
        $depth = $y - $ay - $h * ($by - $ay);
        $barbs = \max(\abs($side) - 6.6 * \sin(0.35 + 2.6 * $h), \abs($depth + 0.04 * $side * $side) - 0.75 - 0.45 * \sin(27 * $h - 0.5 * \abs($side)), ($h <= 0.0 || $h >= 1.0 ? 1.0 : -9.0)) * 0.45;

        return Solid::blend($d, \min($barbs, Solid::capsule($u, $y, $z, 5.5, -8.0, 122.0, $bx, $by, $bz, 1.7, 0.7)), 0.8);
    }

    private static function collar(float $x, float $y, float $z): float
    {
        $turn = \atan2($y, $x);
        $across = \sqrt($x * $x + $y * $y);
        // Shoulders cut off as busts are, on a turned socle.
        $d = Solid::blend(Solid::ellipsoid($x, $y - 3, $z - 52.0, 42.0, 21.0, 21.0), Solid::ellipsoid($x, $y - 1, $z - 40.0, 29.0, 20.0, 22.0), 7.0);
        $d -= 0.55 * \abs(\sin(0.42 * $z + 0.06 * $x * \sin(0.1 * $x))) * Solid::step(60, 48, $z);
        $d = Solid::cut($d, $z - 30.0, 1.0);
        $socle = Solid::blend(Solid::cylinder($x, $y, $z - 4.0, 27.0, 4.0, 1.2), Solid::cylinder($x, $y, $z - 17.0, 13.5 + 0.036 * ($z - 18) ** 2, 17.0, 1.0), 2.0);
        $socle = \min($socle, Solid::ring($x, $y, $z - 10.0, 20.0, 2.2), Solid::ring($x, $y, $z - 22.0, 13.6, 1.6));
        $d = Solid::blend($d, $socle, 2.0);
        // Two rows of polished petals that stand around the neck, open in front.
        foreach ([[23.0, 56.0, 84.0, 6.0, 0.0], [17.5, 62.0, 92.0, 5.0, 0.31]] as [$radius, $from, $to, $petals, $shift]) {
            $petal = \abs(\sin($petals * ($turn + $shift)));
            $t = ($z - $from) / ($to - $from);
            $flare = $radius + 10.0 * $t * $t + 1.4 * $petal;
            $wall = \abs($across - $flare) * 0.75 - 1.1 - 0.5 * Solid::step(0.12, 0.02, 1 - $petal);
            $top = $z - ($from + ($to - $from) * (0.45 + 0.55 * $petal ** 0.5));
            $sheet = \max($wall, $top * 0.6, $from - $z);
            $sheet = Solid::cut($sheet, $y < -3.0 ? \abs($x) - 5.0 - 0.28 * ($z - 55) : 5.0, 1.2);
            $d = Solid::blend($d, $sheet, 1.0);
        }
        // A clasp, and studs along the hem.
        $d = Solid::blend($d, Solid::ellipsoid($x, $y + 19.5, $z - 59.5, 5.2, 3.4, 6.2) - 0.4 * \abs(\sin(5 * \atan2($z - 59.5, $x))), 0.6);
        $stud = \sqrt((4.2 * \sin(14 * $turn) / 2.2) ** 2 + ($z - 33.8) ** 2 + ($across - 534.0 / \sqrt((19.2 * \cos($turn)) ** 2 + (27.8 * \sin($turn)) ** 2) + 1.0 - \sin($turn)) ** 2) - 1.7;

        return Solid::blend($d, $stud, 0.5);
    }
}
