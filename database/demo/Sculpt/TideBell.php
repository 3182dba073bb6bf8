<?php

declare(strict_types=1);

namespace Database\Demo\Sculpt;

/**
 * The Tide Bell, a prop of 300 mm: a bell of chipped enamel with a steel rim, a yoke with straps, a clapper on a rope.
 */
final class TideBell implements Sculpt
{
    /** Height and radius of the outside of the bell, from its lip upwards. */
    private const PROFILE = [[24.0, 92.0], [34.0, 86.0], [60.0, 74.0], [110.0, 62.0], [160.0, 55.0], [185.0, 47.0], [200.0, 32.0], [208.0, 12.0]];

    private const WALL = 8.0;

    public function cell(): float
    {
        return 1.35;
    }

    public function ramps(): array
    {
        return [
            'Enamel' => ['#0f2a2e', '#1c4d52', '#2f7a7d', '#5aa5a2', '#9ccfc7'],
            'Steel rim' => ['#1f2124', '#3d4145', '#6b7074', '#9ea2a5', '#d2d5d6'],
            'Yoke' => ['#2a1b10', '#4c331f', '#775637', '#a28156', '#c9ad83'],
            'Clapper' => ['#26282b', '#55595d', '#8d9296', '#c3c7c9', '#eceeee'],
        ];
    }

    public function parts(): array
    {
        return ['Bell' => self::bell(), 'Yoke' => self::yoke(), 'Clapper' => self::clapper()];
    }

    private static function radius(float $z): float
    {
        [$from, $q] = self::PROFILE[0];
        foreach (self::PROFILE as [$to, $r]) {
            if ($z <= $to) {
                return $q + ($r - $q) * Solid::step($from - 0.2 * ($to - $from), $to + 0.2 * ($to - $from) + 1e-9, $z);
            }
            [$from, $q] = [$to, $r];
        }

        return 4.0;
    }

    private static function bell(): Body
    {
        return new Body([-104.0, -104.0, 12.0], [104.0, 104.0, 236.0], ['Enamel', 'Steel rim'], static function (float $x, float $y, float $z): array {
            $turn = \atan2($y, $x);
            $across = \sqrt($x * $x + $y * $y);
            $radius = self::radius($z);
            $dents = 0.9 * \sin(3 * $turn + 0.02 * $z) * \sin(0.05 * $z) + 0.35 * \sin(11 * $turn) * \sin(0.13 * $z + 2 * $turn);
            // Chips of the old enamel, a step down, most of them near the lip.
            $chips = \sin(5.3 * $turn + 2 * \sin(0.11 * $z)) * \sin(0.17 * $z + 1.9 * $turn) + 0.5 * \sin(13 * $turn + 0.3 * $z);
            $dents -= 1.1 * Solid::step(0.62, 0.75, $chips - 0.006 * ($z - 40)) * Solid::step(130, 90, $z);
            $outside = ($across - $radius - $dents) * 0.72;
            $bell = \max($outside, $z - 208.0, 24.0 - $z);
            $bell = Solid::cut($bell, \max(($across - $radius + self::WALL) * 0.72, $z - 196.0), 2.0);
            foreach ([[58.0, 2.6], [66.0, 1.8], [150.0, 2.2], [157.0, 1.6]] as [$at, $tube]) {
                $bell = Solid::blend($bell, Solid::ring($x, $y, $z - $at, self::radius($at) + 0.4, $tube), 2.0);
            }
            // The loop that it hangs by.
            $loop = \sqrt((\sqrt($x * $x + ($z - 216.0) ** 2) - 12.0) ** 2 + $y * $y) - 4.2;
            $bell = Solid::blend($bell, $loop, 4.0);
            $rim = Solid::ring($x, $y, $z - 24.0, 89.0, 7.0) - 0.4 * \abs(\sin(24 * $turn));

            return $rim < $bell ? [$rim, 1] : [$bell, 0];
        });
    }

    private static function yoke(): Body
    {
        return Body::of('Yoke', [-96.0, -28.0, 218.0], [96.0, 28.0, 304.0], static function (float $x, float $y, float $z): float {
            $grain = 0.7 * \sin(0.9 * ($z + 3 * \sin(0.03 * $x)) + 0.4 * \sin(0.11 * $x)) + 0.4 * \sin(1.9 * $y + 0.05 * $x);
            $u = \abs($x);
            $beam = Solid::box($x, $y, $z - 246.0 - 0.0016 * $x * $x, 88.0, 15.0, 14.0, 3.0) - $grain;
            $beam = Solid::blend($beam, Solid::box($x, $y, $z - 266.0, 34.0 - 0.4 * ($z - 258), 14.0, 16.0, 4.0) - $grain, 4.0);
            // Cracks that weather opens.
            $beam = Solid::cut($beam, Solid::capsule($x, $y, $z, 30, -16.5, 252, 74, -15.5, 256, 0.9, 1.6), 0.6);
            $beam = Solid::cut($beam, Solid::capsule($x, $y, $z, -80, -15.5, 250, -42, -16.0, 246, 1.6, 0.8), 0.6);
            foreach ([22.0, 66.0] as $at) {
                $tall = 246.0 + 0.0016 * $at * $at;
                $beam = \min($beam, Solid::box($u - $at, $y, $z - $tall, 5.0, 17.6, 16.8, 1.2));
                foreach ([-9.0, 0.0, 9.0] as $up) {
                    $beam = Solid::blend($beam, Solid::ellipsoid($u - $at, $y + 17.8, $z - $tall - $up, 2.2, 1.6, 2.2), 0.4);
                }
            }
            // An eye above, and a hole for the loop below.
            $beam = \min($beam, \sqrt((\sqrt($x * $x + ($z - 288.0) ** 2) - 9.0) ** 2 + $y * $y) - 3.6);

            return Solid::cut($beam, Solid::capsule($x, $y, $z, 0, -8, 226, 0, 8, 226, 13.0, 13.0), 1.5);
        });
    }

    private static function clapper(): Body
    {
        return Body::of('Clapper', [-26.0, -26.0, 0.0], [26.0, 26.0, 200.0], static function (float $x, float $y, float $z): float {
            $ball = Solid::blend(Solid::sphere($x, $y, $z, 0, 0, 30, 20.0), Solid::capsule($x, $y, $z, 0, 0, 48, 0, 0, 198, 5.5, 4.0), 5.0);
            $ball = \min($ball, Solid::ring($x, $y, $z - 30.0, 20.0, 2.2), Solid::ring($x, $y, $z - 52.0, 6.0, 2.0));
            $turn = \atan2($y, $x);
            // Three strands twisted, a knot at the end.
            $rope = (\sqrt($x * $x + $y * $y) - 3.8 - 1.0 * \abs(\sin(1.5 * $turn + 0.42 * $z))) * 0.75;
            $rope = \max($rope, $z - 16.0, 1.0 - $z);
            $knot = Solid::ellipsoid($x, $y, $z - 6.5, 6.5, 6.5, 5.0) - 1.2 * \abs(\sin(2 * $turn + 0.5 * $z));

            return Solid::blend($ball, Solid::blend($rope, $knot, 1.5), 1.5);
        });
    }
}
