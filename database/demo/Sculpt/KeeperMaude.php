<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

/**
 * Keeper Maude of Skerrow Ness, 90 mm: an oilskin over a jersey, a sou'wester, a lantern, a heron, wet rock.
 */
final class KeeperMaude implements Sculpt
{
    /** How much flatter than wide the coat is. */
    private const FLAT = 0.8;

    /** Wrists, where the sleeves end. */
    private const LEFT = [15.4, -8.4, 46.6];

    private const RIGHT = [-12.6, -7.2, 41.0];

    /** Where the lantern hangs, and where the heron stands and which way it looks. */
    private const LANTERN = [15.8, -12.0];

    private const HERON = [-18.0, -6.5];

    private const LOOKS = 3.45;

    public function cell(): float
    {
        return 0.4;
    }

    public function ramps(): array
    {
        return [
            'Oilskin' => ['#4d2f12', '#8e5a17', '#c98f1f', '#e5b534', '#f4d678'],
            'Jersey' => ['#141d2a', '#213650', '#355473', '#557897', '#8aa5b9'],
            'Boots' => ['#161310', '#241d18', '#3a2f27', '#55483c', '#75685a'],
            'Face and hands' => ['#5a2f22', '#8f5439', '#bd8360', '#d8a684', '#ecccb0'],
            'Hair' => ['#2e2f33', '#55575c', '#85868a', '#acadae', '#cfcfcc'],
            'Hat' => ['#3f260f', '#754a16', '#a87420', '#c99a38', '#e0bf74'],
            'Brass' => ['#2f2110', '#5f461c', '#957536', '#c3a560', '#ead9a4'],
            'Glass' => ['#b5711c', '#d9982f', '#efbd55', '#fadb8c', '#fff0c6'],
            'Heron breast' => ['#7e8488', '#abb0b1', '#d3d5d2', '#e8e8e3', '#f4f3ee'],
            'Heron wings' => ['#38444d', '#56666f', '#7c8c94', '#a3b0b5', '#c8d0d1'],
            'Beak and legs' => ['#4e2f14', '#86541e', '#bd7e2a', '#d89f4c', '#ecc688'],
            'Rock' => ['#1d2124', '#34393c', '#565b5c', '#7d8180', '#a6a8a3'],
        ];
    }

    public function parts(): array
    {
        return ['Rock base' => self::rock(), 'Body' => self::body(), 'Oilskin coat' => self::coat(), 'Head' => self::head(), 'Hat' => self::hat(), 'Lantern' => self::lantern(), 'Heron' => self::heron()];
    }

    private static function rock(): Body
    {
        $boulders = Boulders::of([
            [0, 0, -4, 12], [-7, -6, -2, 9.5], [8, -4, -2.5, 10], [-16, -5, -1.5, 9], [15, 2, -2, 8], [-10, 6, -1, 9], [4, 8, -2, 10], [-19, -8, 0, 5.5], [18, -7, -1, 6], [1, -12, -1.5, 7], [-9, -13, -1, 5.5], [9, -12, -1, 5.5],
        ], 11);
        $limpets = [[6.5, -13.5, 4.0, 1.0], [8.6, -13.8, 3.2, 0.8], [17.5, -7.5, 4.6, 1.1], [-3, -15.5, 3.4, 0.9], [19.5, -4.4, 3.4, 0.8]];

        return Body::of('Rock', [-28.0, -21.0, 0.0], [27.0, 21.0, 11.0], static function (float $x, float $y, float $z) use ($boulders, $limpets): float {
            $d = Solid::blend($boulders->distance($x, $y, $z), Solid::ellipsoid($x, $y, $z, 23.0, 15.5, 4.5), 1.2);
            foreach ($limpets as [$lx, $ly, $lz, $r]) {
                $d = Solid::blend($d, Solid::ellipsoid($x - $lx, $y - $ly, $z - $lz, $r * 1.3, $r * 1.3, $r * 0.7), 0.25);
            }

            return \max($d, -$z);
        });
    }

    private static function body(): Body
    {
        return new Body([-11.0, -10.5, 6.0], [11.0, 9.0, 69.5], ['Jersey', 'Boots'], static function (float $x, float $y, float $z): array {
            $turn = \atan2($y, $x);
            $knit = $z > 48 ? 0.17 * \sin(26 * $turn) * (0.4 + 0.6 * \abs(\sin(1.9 * $z + ($x > 0 ? 0.6 : -0.6) * $x))) : 0.0;
            $jersey = Solid::capsule($x, $y / 0.82, $z, 0, 0, 27, 0, 0, 56, 7.4, 7.0) * 0.85 - $knit;
            $jersey = Solid::blend($jersey, Solid::ring($x, $y + 0.6, $z - 64.6, 3.3, 1.9) - 0.14 * \sin(30 * $turn), 0.8);
            $jersey = Solid::blend($jersey, Solid::ring($x, $y + 0.8, $z - 66.8, 3.2, 1.3) - 0.14 * \sin(30 * $turn), 0.3);
            $boots = 1e9;
            foreach ([[-4.5, -0.24], [4.7, 0.3]] as [$at, $out]) {
                $wrinkle = 0.18 * \sin(2.3 * $z + 0.8 * $y) * Solid::step(16, 11, $z);
                $shaft = Solid::capsule($x, $y, $z, $at, 0.8, 27, $at, 0.2, 11, 3.7, 3.1) - $wrinkle;
                $foot = Solid::capsule($x, $y, $z, $at, 0.4, 9.6, $at + 5 * $out, -5.6, 9.3, 2.9, 2.4);
                $boot = Solid::blend($shaft, $foot, 1.6);
                $boot = \max($boot, 7.6 - $z);
                // Sole and heel, and the turned-down top.
                $sole = Solid::capsule($x, $y, 0.0, $at, 1.2, 0.0, $at + 5.2 * $out, -5.9, 0.0, 3.2, 2.7);
                $sole = \max($sole, \abs($z - 7.6 - ($y > -1 ? -0.1 : 0.0)) - 0.75);
                $boots = \min($boots, $boot, $sole, Solid::ring($x - $at, $y - 0.7, $z - 24.2, 3.5, 0.7));
            }

            return $jersey < $boots ? [$jersey, 0] : [$boots, 1];
        });
    }

    /** Radius of the coat where it has no folds. */
    private static function radius(float $z): float
    {
        return 15.2 - 5.6 * Solid::step(10, 46, $z) + 0.5 * Solid::step(44, 54, $z) - 5.4 * Solid::step(55, 68, $z);
    }

    private static function coat(): Body
    {
        $buttons = [];
        foreach ([25.0, 32.5, 40.0, 47.5] as $z) {
            $buttons[] = [1.0, -self::FLAT * (self::radius($z) + 1.15), $z];
        }

        return Body::of('Oilskin', [-19.0, -17.0, 13.0], [20.0, 15.0, 71.0], static function (float $x, float $y, float $z) use ($buttons): float {
            $turn = \atan2($y / self::FLAT, $x);
            $falls = Solid::step(54, 16, $z);
            $folds = $falls * (2.3 * (0.55 - \abs(\sin(4 * $turn + 0.5 + 0.012 * $z))) + 0.9 * \sin(9 * $turn - 0.05 * $z) * (0.4 + 0.6 * \sin(2 * $turn))) + 0.25 * \sin(0.5 * $z + 3 * $turn) * Solid::step(40, 50, $z);
            $front = $y < 0 ? 1.0 : 0.0;
            // The front closes over itself; pockets with flaps.
            $flat = $front * (0.75 * Solid::step(2.6, 2.2, \abs($x - 1.0)) + self::pocket(\abs($x) - 7.2, $z));
            $folds *= 1 - 0.75 * $front * Solid::step(5, 2.4, \abs($x - 1.0));
            $across = \sqrt($x * $x + ($y / self::FLAT) ** 2);
            $wall = ($across - self::radius($z) - $folds - $flat) * 0.72;
            $coat = \max($wall, $z - 66.0);
            $hem = 14.6 + 0.6 * \sin(4 * $turn + 1) * 0.5;
            $coat = Solid::cut($coat, $z - $hem, 0.5);
            // Hollow below, as cloth is.
            $coat = Solid::cut($coat, \max($wall + 1.25, $z - 25.0), 0.4);
            foreach ([[1.0, 13.3, -1.2, 51.5, self::LEFT], [-1.0, -12.9, 0.6, 51.0, self::RIGHT]] as [$side, $ex, $ey, $ez, [$wx, $wy, $wz]]) {
                $wrinkles = 0.32 * \sin(1.5 * ($z - 0.5 * $y) + $side) * \sin(0.8 * $x + 1);
                $arm = Solid::blend(
                    Solid::capsule($x, $y, $z, 7.2 * $side, 0.4, 60.2, $ex, $ey, $ez, 4.5, 3.7),
                    Solid::capsule($x, $y, $z, $ex, $ey, $ez, $wx, $wy, $wz, 3.6, 3.7),
                    1.4,
                ) - $wrinkles * Solid::step(9, 5, Solid::sphere($x, $y, $z, $ex, $ey, $ez, 0));
                // A cuff, open towards the hand.
                $cuff = Solid::capsule($x, $y, $z, $wx + 0.1 * ($ex - $wx), $wy + 0.1 * ($ey - $wy), $wz + 0.1 * ($ez - $wz), $wx, $wy, $wz, 3.9, 4.0);
                $arm = \min($arm, $cuff);
                $along = (($x - $wx) * ($wx - $ex) + ($y - $wy) * ($wy - $ey) + ($z - $wz) * ($wz - $ez)) / 9.0;
                $arm = Solid::cut($arm, -$along + 0.0, 0.5);
                $arm = Solid::cut($arm, Solid::sphere($x, $y, $z, $wx, $wy, $wz, 2.7), 0.4);
                $coat = Solid::blend($coat, $arm, 1.6);
            }
            foreach ($buttons as [$bx, $by, $bz]) {
                $coat = Solid::blend($coat, Solid::ellipsoid($x - $bx, $y - $by, $z - $bz, 0.95, 0.6, 0.95), 0.15);
            }
            // The neck is open, the collar stands.
            $open = \max(\abs($x + 0.4) - 0.34 * ($z - 51.0), $y + 3.5);
            $coat = Solid::cut($coat, $open * 0.9, 0.8);
            $collar = \abs(\sqrt($x * $x + ($y + 0.3) ** 2) - 5.6 - 0.42 * ($z - 62)) * 0.9 - 0.75;
            $collar = \max($collar, \abs($z - 64.6) - 4.4 - 0.05 * $y);
            $collar = Solid::cut($collar, \max(\abs($x + 0.4) - 2.4 - 0.45 * ($z - 61), $y + 2), 0.6);
            $coat = Solid::blend($coat, $collar, 0.9);

            return Solid::cut($coat, Solid::capsule($x, $y, $z, 0, -0.5, 60, 0, -0.5, 75, 4.6, 5.4), 0.4);
        });
    }

    private static function pocket(float $x, float $z): float
    {
        $pocket = 0.55 * Solid::step(0.25, -0.25, \max(\abs($x) - 3.0, \abs($z - 30.0) - 3.8));

        return $pocket + 0.6 * Solid::step(0.2, -0.2, \max(\abs($x) - 3.4, \abs($z - 34.0) - 1.3 + 0.12 * $x * $x * 0.2));
    }

    private static function head(): Body
    {
        return new Body([-17.5, -19.0, 36.0], [20.5, 9.0, 80.5], ['Face and hands', 'Hair'], static function (float $x, float $y, float $z): array {
            $skin = \min(self::face($x, $y, $z), self::hands($x, $y, $z));
            $hair = self::hair($x, $y, $z);

            return $hair < $skin ? [$hair, 1] : [$skin, 0];
        });
    }

    private static function face(float $x, float $y, float $z): float
    {
        $u = \abs($x);
        $d = Solid::ellipsoid($x, $y - 0.6, $z - 73.0, 5.5, 6.1, 6.4);
        $d = Solid::blend($d, Solid::ellipsoid($x, $y + 1.6, $z - 68.6, 4.1, 3.9, 4.0), 2.0);
        $d = Solid::blend($d, Solid::capsule($x, $y, $z, 0, 0.6, 69, 0, 0.5, 65.5, 3.4, 2.6), 1.5);
        // Sockets, brows, cheeks, nose, lips, chin.
        $d = Solid::cut($d, Solid::ellipsoid($u - 2.15, $y + 5.9, $z - 71.9, 1.55, 1.5, 1.05), 0.9);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 0.9, -5.55, 73.0, 3.5, -4.5, 73.2, 0.55, 0.4), 0.7);
        $d = Solid::blend($d, Solid::sphere($u, $y, $z, 2.9, -3.9, 69.6, 1.55), 1.2);
        $d = Solid::blend($d, Solid::capsule($x, $y, $z, 0, -5.5, 72.4, 0, -7.0, 69.9, 0.6, 0.95), 0.8);
        $d = Solid::blend($d, Solid::sphere($u, $y, $z, 0.85, -6.1, 69.7, 0.6), 0.5);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 0, -5.55, 67.65, 1.25, -5.05, 67.5, 0.55, 0.25), 0.35);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 0, -5.4, 66.7, 1.1, -4.95, 66.9, 0.6, 0.25), 0.3);
        $d = Solid::cut($d, Solid::capsule($u, $y, $z, 0, -6.0, 67.2, 1.6, -5.1, 67.25, 0.16, 0.1), 0.2);
        $d = Solid::blend($d, Solid::sphere($x, $y, $z, 0, -4.6, 65.2, 1.2), 0.9);
        // Eyes under their lids; the line from nose to mouth.
        $d = \min($d, Solid::sphere($u, $y, $z, 2.1, -4.55, 71.85, 0.95));
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 1.35, -5.35, 72.3, 2.9, -5.0, 72.25, 0.3, 0.22), 0.15);
        $d = Solid::blend($d, Solid::capsule($u, $y, $z, 1.4, -5.3, 71.25, 2.85, -4.95, 71.3, 0.26, 0.2), 0.15);
        $d = Solid::cut($d, Solid::capsule($u, $y, $z, 1.3, -6.0, 69.4, 2.1, -5.2, 67.6, 0.22, 0.15), 0.4);

        // Ears and weather.
        return Solid::blend($d, Solid::ellipsoid($u - 5.4, $y - 0.2, $z - 70.9, 0.7, 1.3, 1.8), 0.4) - 0.07 * \sin(3.4 * $z + 0.5 * $u) * Solid::step(-4.0, -5.0, $y);
    }

    private static function hands(float $x, float $y, float $z): float
    {
        [$lx, $ly, $lz] = self::LEFT;
        $d = Solid::blend(Solid::capsule($x, $y, $z, $lx, $ly + 1.5, $lz + 0.6, $lx + 0.3, $ly - 2.4, $lz + 0.2, 2.0, 2.2), Solid::ellipsoid($x - $lx - 0.3, $y - $ly + 3.0, $z - $lz, 2.6, 1.7, 2.1), 0.8);
        foreach ([-1.8, -0.6, 0.6, 1.8] as $n => $at) {
            // Fingers round the ring of the lantern.
            $d = Solid::blend($d, Solid::capsule($x, $y, $z, $lx + 0.3 + $at, $ly - 3.6, $lz + 0.9, $lx + 0.3 + $at, $ly - 4.5, $lz - 1.1, 0.78, 0.72), 0.22);
            $d = Solid::blend($d, Solid::capsule($x, $y, $z, $lx + 0.3 + $at, $ly - 4.5, $lz - 1.1, $lx + 0.3 + $at, $ly - 3.1, $lz - 1.8, 0.72, 0.6), 0.22);
        }
        $d = Solid::blend($d, Solid::capsule($x, $y, $z, $lx - 2.0, $ly - 1.8, $lz + 0.8, $lx - 1.6, $ly - 4.4, $lz + 1.2, 0.85, 0.65), 0.4);
        [$rx, $ry, $rz] = self::RIGHT;
        $d = \min($d, Solid::blend(Solid::capsule($x, $y, $z, $rx, $ry + 1.2, $rz + 0.8, $rx + 0.1, $ry - 1.6, $rz - 0.9, 1.9, 1.9), Solid::ellipsoid($x - $rx, $y - $ry + 2.0, $z - $rz + 1.3, 2.4, 1.6, 1.9), 0.8));
        foreach ([-1.65, -0.55, 0.55, 1.65] as $n => $at) {
            $reach = $n === 0 || $n === 3 ? 0.6 : 0.0;
            $d = Solid::blend($d, Solid::capsule($x, $y, $z, $rx + $at, $ry - 2.8, $rz - 1.7, $rx + 1.15 * $at, $ry - 4.1 + 0.4 * $reach, $rz - 4.1 + $reach, 0.74, 0.55), 0.22);
        }

        return Solid::blend($d, Solid::capsule($x, $y, $z, $rx + 1.9, $ry - 1.4, $rz - 0.8, $rx + 2.9, $ry - 3.0, $rz - 2.4, 0.8, 0.6), 0.4);
    }

    private static function hair(float $x, float $y, float $z): float
    {
        $turn = \atan2($y - 0.8, $x);
        $strands = 0.13 * \sin(34 * $turn + 0.8 * $z) + 0.1 * \sin(17 * $turn - 0.5 * $z);
        $cap = Solid::ellipsoid($x, $y - 1.0, $z - 72.4, 6.1, 6.5, 7.0) - $strands;
        // Off the face and the ears, down to the neck.
        $cap = Solid::cut($cap, 0.9 * ($y + 2.6 - 0.25 * ($z - 72)), 0.5);
        $cap = Solid::cut($cap, $z - 66.0, 0.6);
        $u = \abs($x);
        // Two plaits over the collar, each of three strands that change places.
        $d = $cap;
        foreach ([[5.3, -1.8, 69.0, 6.6, -7.4, 62.5], [6.6, -7.4, 62.5, 5.6, -9.6, 53.0]] as [$ax, $ay, $az, $bx, $by, $bz]) {
            $d = Solid::blend($d, self::plait($u, $y, $z, $ax, $ay, $az, $bx, $by, $bz), 0.3);
        }
        $d = Solid::blend($d, Solid::ring($u - 5.6, $y + 9.6, $z - 52.4, 0.9, 0.45), 0.1);

        return \min($d, Solid::capsule($u, $y, $z, 5.6, -9.6, 52.2, 5.4, -9.7, 49.2, 1.1, 0.35) - 0.1 * \sin(12 * \atan2($y + 9.6, $u - 5.6)));
    }

    private static function plait(float $x, float $y, float $z, float $ax, float $ay, float $az, float $bx, float $by, float $bz): float
    {
        $h = ($z - $az) / ($bz - $az);
        $h = $h < 0.0 ? 0.0 : ($h > 1.0 ? 1.0 : $h);
        $round = \atan2($y - $ay - $h * ($by - $ay), $x - $ax - $h * ($bx - $ax));
        $strands = 0.34 * \abs(\sin(1.15 * $z + 0.5 * $round)) + 0.05 * \sin(14 * $round + 4 * $z) - 0.17;

        return (Solid::capsule($x, $y, $z, $ax, $ay, $az, $bx, $by, $bz, 1.5, 1.35) - $strands) * 0.85;
    }

    private static function hat(): Body
    {
        return Body::of('Hat', [-15.5, -13.5, 69.0], [15.5, 18.5, 91.0], static function (float $x, float $y, float $z): float {
            $turn = \atan2($y, $x);
            $across = \sqrt($x * $x + $y * $y);
            $back = Solid::step(-2, 10, $y);
            $edge = 10.9 + 4.2 * $back + 0.25 * \sin(5 * $turn);
            $height = 77.4 - 0.012 * $across * $across * (1 + 0.9 * $back) + 0.3 * \sin(3 * $turn + 1) + 0.045 * \max(0.0, -$y - 6) ** 2;
            $stitches = 0.09 * \sin(5.2 * $across) * Solid::step(7, 8, $across);
            $brim = \max(\abs($z - $height) * 0.9 - 0.55 - $stitches, ($across - $edge) * 0.9);
            $brim = Solid::blend($brim, \sqrt(($across - $edge) ** 2 + ($z - $height) ** 2) - 0.72, 0.3);
            $seam = 0.42 * Solid::step(0.14, 0.03, \abs(\sin(3 * $turn + 0.4)));
            $crown = Solid::ellipsoid($x, $y - 0.5, $z - 78.5, 6.9, 7.5, 9.0) - $seam * Solid::step(0, 2, $across);
            $crown = \max($crown, 76.6 - $z);
            $band = Solid::ring($x, ($y - 0.5) * 0.93, ($z - 78.6) * 0.55, 7.0, 0.55);
            $hat = Solid::blend(Solid::blend($brim, $crown, 1.0), $band, 0.3);
            $hat = Solid::blend($hat, Solid::ellipsoid($x, $y - 0.5, $z - 87.8, 1.2, 1.2, 0.7), 0.3);

            return Solid::cut($hat, Solid::ellipsoid($x, $y - 0.6, $z - 73.5, 5.8, 6.4, 6.2), 0.4);
        });
    }

    private static function lantern(): Body
    {
        [$atX, $atY] = self::LANTERN;

        return new Body([$atX - 5.0, $atY - 5.0, 26.5], [$atX + 5.0, $atY + 5.0, 48.5], ['Brass', 'Glass'], static function (float $x, float $y, float $z) use ($atX, $atY): array {
            $x -= $atX;
            $y -= $atY;
            $across = \sqrt($x * $x + $y * $y);
            $turn = \atan2($y, $x);
            $brass = Solid::cylinder($x, $y, $z - 28.6, 4.2, 1.1, 0.35);
            $brass = Solid::blend($brass, Solid::cylinder($x, $y, $z - 30.2, 3.4, 0.8, 0.2), 0.3);
            $cap = \max(($across - 4.3 + 0.62 * ($z - 39.0)) * 0.85, 39.0 - $z, $z - 43.2);
            $brass = \min($brass, $cap, Solid::ring($x, $y, $z - 39.0, 4.0, 0.5), Solid::cylinder($x, $y, $z - 43.4, 1.5, 0.9, 0.3));
            $brass = \min($brass, \sqrt(($across - 3.05 + 0.62 * ($z - 41.0)) ** 2 + (2.6 * \sin(4 * $turn) / 4) ** 2 + ($z - 41.0) ** 2) - 0.5);
            foreach ([0.5, 2.07, 3.64, 5.21] as $a) {
                $brass = \min($brass, Solid::capsule($x, $y, $z, 3.5 * \cos($a), 3.5 * \sin($a), 30.5, 3.5 * \cos($a), 3.5 * \sin($a), 39.0, 0.45, 0.45));
            }
            $brass = \min($brass, Solid::ring($x, $y, $z - 34.8, 3.5, 0.36));
            // The ring that it is held by stands across the hand.
            $brass = \min($brass, \sqrt((\sqrt($y * $y + ($z - 45.6) ** 2) - 1.9) ** 2 + $x * $x) - 0.42);
            $glass = Solid::blend(Solid::ellipsoid($x, $y, $z - 34.4, 2.9, 2.9, 4.4), Solid::cylinder($x, $y, $z - 34.8, 2.3, 4.6), 0.8);

            return $glass < $brass ? [$glass, 1] : [$brass, 0];
        });
    }

    private static function heron(): Body
    {
        [$atX, $atY] = self::HERON;
        [$cos, $sin] = [cos(self::LOOKS), sin(self::LOOKS)];

        return new Body([-35.0, -15.0, 5.0], [-7.0, 3.0, 46.5], ['Heron breast', 'Heron wings', 'Beak and legs'], static function (float $x, float $y, float $z) use ($atX, $atY, $cos, $sin): array {
            // Forwards and to the side, as the bird has them.
            [$f, $s] = [($x - $atX) * $cos + ($y - $atY) * $sin, -($x - $atX) * $sin + ($y - $atY) * $cos];
            $u = \abs($s);
            $down = 0.1 * \sin(2.4 * $z + 1.2 * \sin(1.7 * $s)) * \sin(2.1 * $f);
            $body = Solid::blend(Solid::capsule($f, $s, $z, 3.2, 0, 26.0, -2.0, 0, 22.6, 3.1, 3.3), Solid::capsule($f, $s, $z, -2, 0, 22.4, -7.2, 0, 19.0, 2.9, 0.9), 1.5) - $down;
            $neck = Solid::blend(Solid::capsule($f, $s, $z, 4.2, 0, 27.6, 6.4, 0, 31.6, 2.1, 1.5), Solid::capsule($f, $s, $z, 6.4, 0, 31.6, 3.6, 0, 36.6, 1.45, 1.05), 0.8);
            $neck = Solid::blend($neck, Solid::capsule($f, $s, $z, 3.6, 0, 36.6, 4.4, 0, 41.0, 1.05, 1.0), 0.8);
            $head = Solid::blend(Solid::capsule($f, $s, $z, 4.4, 0, 41.4, 6.6, 0, 41.8, 1.45, 1.0), Solid::capsule($f, $s, $z, 3.9, 0, 42.0, -0.6, 0, 40.9, 0.8, 0.2), 0.5);
            $head = \min(Solid::cut($head, Solid::sphere($f, $u, $z, 5.9, 1.15, 42.0, 0.42), 0.15), Solid::sphere($f, $u, $z, 5.8, 0.92, 42.0, 0.34));
            $breast = Solid::blend($body, Solid::blend($neck, $head, 0.6), 1.4);
            for ($n = 0; $n < 3; $n++) {
                $breast = Solid::blend($breast, Solid::capsule($f, $s, $z, 5.6 - 0.3 * $n, 0.5 * ($n - 1), 29.5, 5.4 + 0.2 * $n, 0.8 * ($n - 1), 24.6 - 0.6 * $n, 0.6, 0.12), 0.3);
            }
            // Coverts in rows, long feathers behind.
            $row = 1.35 * $f + 0.75 * $z;
            $scale = 0.3 * \abs(\sin($row)) - 0.15 + 0.12 * \abs(\sin(0.9 * $z - 0.7 * $f));
            $wings = (Solid::ellipsoid($f + 0.9, $u - 2.75, $z - 24.4 - 0.36 * ($f + 0.9), 5.2, 1.25, 3.0) - $scale) * 0.8;
            foreach ([0.0, 1.0, 2.0, 3.0] as $n) {
                $wings = Solid::blend($wings, Solid::capsule($f, $u, $z, -3.0, 2.9, 24.2 - 0.9 * $n, -9.2 + 0.7 * $n, 1.5, 19.8 - 0.75 * $n, 0.95, 0.35), 0.12);
            }
            $beak = \min(Solid::capsule($f, $s, $z, 6.9, 0, 41.9, 12.6, 0, 41.2, 0.72, 0.14), Solid::capsule($f, $s, $z, 6.9, 0, 41.2, 12.2, 0, 40.9, 0.6, 0.12));
            $legs = 1e9;
            foreach ([[1.35, 0.4], [-1.35, -1.2]] as [$side, $back]) {
                $legs = \min($legs, Solid::capsule($f, $s, $z, -1.0, $side, 20.6, -2.0 + $back, $side, 14.2, 0.85, 0.5), Solid::capsule($f, $s, $z, -2.0 + $back, $side, 14.2, -0.8 + $back, $side, 7.0, 0.55, 0.5));
                foreach ([-0.7, 0.0, 0.7, 3.14] as $toe) {
                    $legs = Solid::blend($legs, Solid::capsule($f, $s, $z, -0.8 + $back, $side, 7.0, -0.8 + $back + 2.2 * \cos($toe), $side + 2.2 * \sin($toe), 6.5, 0.45, 0.25), 0.2);
                }
            }
            $ochre = \min($beak, $legs);

            return $ochre < $breast && $ochre < $wings ? [$ochre, 2] : ($wings < $breast ? [$wings, 1] : [$breast, 0]);
        });
    }
}
