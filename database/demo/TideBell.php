<?php

declare(strict_types=1);

namespace Database\Demo;

/**
 * The Tide Bell, roughly: a bell of chipped enamel with a steel rim, a yoke, a clapper.
 */
final class TideBell implements Scene
{
    public function window(): array
    {
        return [-2.6, 2.6, -0.6, 6.2];
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

    public function distance(float $x, float $y, float $z): array
    {
        $r = \sqrt($x * $x + $z * $z);
        $height = \max(0.0, \min(1.0, ($y - 0.7) / 3.3));
        // The wall of the bell: wide at the lip, drawn in, domed above.
        $wall = 1.95 - 1.15 * \sqrt($height) - 0.25 * $height * $height;
        $solids = [
            'Enamel' => \max(\abs($r - $wall) * 0.75 - 0.12, \abs($y - 2.4) - 1.75),
            'Steel rim' => \sqrt(($r - 1.95) ** 2 + ($y - 0.62) ** 2) - 0.2,
            'Yoke' => \min(
                Vector::capsule($x, $y, $z, -1.5, 4.75, 0.0, 1.5, 4.75, 0.0, 0.3, 0.3),
                Vector::capsule($x, $y, $z, 0.0, 4.1, 0.0, 0.0, 5.4, 0.0, 0.4, 0.3),
            ),
            'Clapper' => \min(
                Vector::sphere($x, $y, $z, 0.0, 0.15, 0.0, 0.42),
                Vector::capsule($x, $y, $z, 0.0, 0.3, 0.0, 0.0, 2.5, 0.0, 0.1, 0.1),
            ),
        ];
        $area = (string) array_search(min($solids), $solids, true);

        return [min($solids), $area];
    }
}
