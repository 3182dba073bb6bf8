<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

/**
 * One of the six reed sentries, 32 mm: a hooded cloak, a spear, mud and reeds.
 */
final class ReedSentry implements Sculpt
{
    private const SPEAR = [6.6, -3.2];

    public function cell(): float
    {
        return 0.18;
    }

    public function ramps(): array
    {
        return [
            'Cloak' => ['#1c2415', '#35472a', '#566b3e', '#7d915a', '#b3bd86'],
            'Spear shaft' => ['#2a1b10', '#4c331f', '#775637', '#a28156', '#c9ad83'],
            'Skin' => ['#4f2a20', '#864f38', '#b57c5c', '#d19f80', '#e8c8ad'],
            'Mud' => ['#17120d', '#2b221a', '#463a2d', '#655644', '#8b7b66'],
        ];
    }

    public function parts(): array
    {
        return ['Sentry' => self::sentry(), 'Base' => self::base()];
    }

    private static function sentry(): Body
    {
        return new Body([-8.5, -8.0, 1.4], [9.5, 8.0, 37.5], ['Cloak', 'Spear shaft', 'Skin'], static function (float $x, float $y, float $z): array {
            $turn = \atan2($y / 0.85, $x);
            $falls = Solid::step(22, 6, $z);
            $folds = $falls * (0.9 * (0.5 - \abs(\sin(3.5 * $turn + 0.04 * $z))) + 0.3 * \sin(9 * $turn + 0.2 * $z)) + 0.1 * \sin(1.1 * $z + 4 * $turn);
            $radius = 6.4 - 2.6 * Solid::step(2, 18, $z) + 0.5 * Solid::step(18, 21, $z) - 2.6 * Solid::step(21, 26, $z);
            $wall = (\sqrt($x * $x + ($y / 0.85) ** 2) - $radius - $folds) * 0.7;
            $cloak = \max($wall, 2.2 + 0.3 * \sin(4 * $turn) - $z, $z - 25.0);
            // A patch, and the strap of a bag.
            $cloak -= 0.16 * Solid::step(0.1, -0.1, \max(\abs($x + 2.2) - 1.1, \abs($z - 10.0) - 1.3)) * ($y < 0 ? 1 : 0);
            $cloak = Solid::blend($cloak, Solid::capsule($x, $y, $z, 1.8, -0.2, 22.6, 5.4, -2.6, 18.6, 2.0, 1.6) - 0.12 * \sin(2.4 * $z), 0.7);
            $cloak = Solid::blend($cloak, Solid::capsule($x, $y, $z, 5.4, -2.6, 18.6, 6.2, -3.1, 19.2, 1.5, 1.55), 0.3);
            $hood = Solid::blend(Solid::ellipsoid($x, $y - 0.3, $z - 27.0, 3.1, 3.4, 3.5), Solid::capsule($x, $y, $z, 0, 1.6, 29.0, 0, 4.2, 28.2, 1.6, 0.5), 1.0);
            $hood -= 0.1 * \sin(2.6 * $z + 1.4 * $y) * Solid::step(-1.5, 1, $y);
            $hood = Solid::cut($hood, Solid::ellipsoid($x, $y + 3.4, $z - 26.6, 2.1, 2.7, 2.5), 0.35);
            $cloak = Solid::blend($cloak, $hood, 0.8);
            $cloak = Solid::blend($cloak, Solid::ring($x, $y + 0.2, $z - 24.0, 3.1, 0.75) - 0.1 * \sin(7 * $turn), 0.5);
            // Bag at the hip.
            $cloak = Solid::blend($cloak, Solid::box($x + 5.0, $y + 1.2, $z - 13.2, 1.4, 1.9, 1.9, 0.5), 0.15);
            [$sx, $sy] = self::SPEAR;
            $spear = Solid::capsule($x, $y, $z, $sx, $sy, 2.0, $sx, $sy, 32.0, 0.48, 0.44) - 0.04 * \sin(1.9 * $z + 3 * \atan2($y - $sy, $x - $sx));
            $spear = \min($spear, Solid::ring($x - $sx, $y - $sy, $z - 31.6, 0.5, 0.3), Solid::ring($x - $sx, $y - $sy, $z - 30.7, 0.5, 0.28));
            $blade = (\abs($x - $sx) / (1.15 * Solid::step(37.0, 32.6, $z) + 0.02) + \abs($y - $sy) / 0.42 - 1.0) * 0.3;
            $spear = \min($spear, \max($blade, 31.6 - $z, $z - 36.9));
            $skin = Solid::ellipsoid($x, $y + 0.9, $z - 26.5, 1.9, 2.0, 2.4);
            $u = \abs($x);
            $skin = Solid::cut($skin, Solid::ellipsoid($u - 0.8, $y + 2.9, $z - 26.9, 0.55, 0.6, 0.36), 0.25);
            $skin = Solid::blend($skin, Solid::capsule($x, $y, $z, 0, -2.7, 27.1, 0, -3.3, 26.2, 0.26, 0.36), 0.25);
            $skin = Solid::cut($skin, Solid::capsule($u, $y, $z, 0, -2.8, 25.2, 0.65, -2.6, 25.2, 0.12, 0.08), 0.1);
            $skin = Solid::blend($skin, Solid::sphere($x, $y, $z, 0, -2.3, 24.5, 0.5), 0.4);
            $skin = \min($skin, Solid::sphere($u, $y, $z, 0.78, -2.45, 26.9, 0.34));
            $hand = Solid::ellipsoid($x - $sx + 0.3, $y - $sy, $z - 19.4, 0.85, 0.95, 1.15);
            foreach ([-0.75, -0.25, 0.25, 0.75] as $at) {
                $hand = Solid::blend($hand, Solid::capsule($x, $y, $z, $sx - 0.7, $sy - 0.9, 19.5 + $at, $sx + 0.55, $sy - 0.7, 19.5 + $at, 0.3, 0.27), 0.1);
            }
            $skin = \min($skin, $hand);

            return $skin < $cloak && $skin < $spear ? [$skin, 2] : ($spear < $cloak ? [$spear, 1] : [$cloak, 0]);
        });
    }

    private static function base(): Body
    {
        $stones = Boulders::of([[-6, -5, 1.2, 2.2], [5, 5, 1.2, 2.4], [-7.5, 3, 1.2, 1.6], [3, -7.5, 1.3, 1.5]], 5);

        return Body::of('Mud', [-13.0, -13.0, 0.0], [13.0, 13.0, 12.5], static function (float $x, float $y, float $z) use ($stones): float {
            $disc = \max(Solid::cylinder($x, $y, $z - 0.8, 12.0 - 0.35 * $z, 0.8, 0.2), -$z);
            $mud = Solid::ellipsoid($x, $y, $z - 1.2, 10.6, 10.6, 1.5) - 0.22 * \sin(1.1 * $x + \sin(0.9 * $y)) * \sin(1.3 * $y + 0.7 * $x) - 0.08 * \sin(3.1 * $x) * \sin(2.7 * $y);
            $d = Solid::blend(Solid::blend($disc, $mud, 0.5), $stones->distance($x, $y, $z), 0.4);
            foreach ([[-8.2, -2.0, 10.5, -9.2], [-7.6, -1.2, 8.6, -6.4], [-8.6, -0.8, 11.4, -8.8], [7.6, 3.6, 7.5, 9.0]] as [$rx, $ry, $top, $lean]) {
                $d = Solid::blend($d, Solid::capsule($x, $y, $z, $rx, $ry, 1.0, $lean, $ry - 0.6, $top, 0.42, 0.34), 0.2);
                $d = \min($d, Solid::capsule($x, $y, $z, $lean, $ry - 0.6, $top - 2.4, $lean + 0.1, $ry - 0.6, $top - 0.4, 0.62, 0.55));
            }

            return \max($d, -$z);
        });
    }
}
