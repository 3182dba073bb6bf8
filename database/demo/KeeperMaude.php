<?php

declare(strict_types=1);

namespace Database\Demo;

/**
 * Keeper Maude of Skerrow Ness, roughly: coat, jersey, sou'wester, lantern, heron, rock.
 */
final class KeeperMaude implements Scene
{
    public function window(): array
    {
        return [-3.5, 3.5, -0.7, 8.5];
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

    public function distance(float $x, float $y, float $z): array
    {
        $best = 1e9;
        $area = 'Rock';
        $near = static function (float $d, string $name) use (&$best, &$area): void {
            if ($d < $best) {
                $best = $d;
                $area = $name;
            }
        };
        $ripple = 0.10 * \sin(3.1 * $x + 1.3) * \sin(2.7 * $z) + 0.05 * \sin(7 * $x - 2 * $y) * \sin(6 * $z + $y);
        $near(Vector::ellipsoid($x, $y - 0.1, $z, 3.0, 0.85, 1.9) + $ripple, 'Rock');
        $near(Vector::ellipsoid($x + 1.9, $y - 0.5, $z - 0.3, 0.9, 0.75, 0.8) + $ripple, 'Rock');

        $near(Vector::capsule($x, $y, $z, -0.55, 1.0, 0.35, -0.5, 2.0, 0.2, 0.42, 0.36), 'Boots');
        $near(Vector::capsule($x, $y, $z, 0.6, 1.0, 0.35, 0.5, 2.0, 0.2, 0.42, 0.36), 'Boots');
        $near(Vector::capsule($x, $y, $z, -0.6, 0.95, 0.35, -0.65, 0.9, 0.85, 0.3, 0.24), 'Boots');
        $near(Vector::capsule($x, $y, $z, 0.65, 0.95, 0.35, 0.7, 0.9, 0.85, 0.3, 0.24), 'Boots');

        $fold = 0.07 * \sin(8 * \atan2($x, $z + 0.2)) * \max(0.0, \min(1.0, (5.2 - $y) / 3));
        $near(Vector::capsule($x, $y, $z, 0.0, 2.3, 0.0, 0.0, 5.3, 0.0, 1.35, 0.85) + $fold, 'Oilskin');
        $near(Vector::capsule($x, $y, $z, 0.75, 5.35, 0.0, 1.7, 4.4, 0.55, 0.46, 0.36) + 0.03 * \sin(9 * $y), 'Oilskin');
        $near(Vector::capsule($x, $y, $z, -0.75, 5.35, 0.0, -1.25, 3.9, 0.5, 0.46, 0.38) + 0.03 * \sin(9 * $y), 'Oilskin');
        $near(Vector::ellipsoid($x, $y - 4.75, $z - 0.55, 0.48, 1.05, 0.6) + 0.022 * \sin(26 * $y) * \sin(26 * $x), 'Jersey');
        $near(Vector::capsule($x, $y, $z, -0.3, 5.95, 0.15, 0.3, 5.95, 0.15, 0.36, 0.36) + 0.02 * \sin(28 * $x), 'Jersey');

        $near(Vector::ellipsoid($x, $y - 6.65, $z - 0.15, 0.55, 0.66, 0.56), 'Face and hands');
        $near(Vector::capsule($x, $y, $z, 0.0, 6.75, 0.68, 0.0, 6.55, 0.85, 0.08, 0.12), 'Face and hands');
        $near(Vector::sphere($x, $y, $z, 1.85, 4.2, 0.7, 0.27), 'Face and hands');
        $near(Vector::sphere($x, $y, $z, -1.3, 3.65, 0.6, 0.27), 'Face and hands');
        $near(Vector::capsule($x, $y, $z, -0.48, 6.7, -0.05, -0.62, 5.5, 0.45, 0.26, 0.17) + 0.025 * \sin(16 * $y), 'Hair');
        $near(Vector::capsule($x, $y, $z, 0.48, 6.7, -0.05, 0.62, 5.5, 0.45, 0.26, 0.17) + 0.025 * \sin(16 * $y), 'Hair');
        $near(Vector::ellipsoid($x, $y - 7.15, $z + 0.05, 1.12, 0.13, 1.05), 'Hat');
        $near(Vector::ellipsoid($x, $y - 7.3, $z + 0.02, 0.68, 0.62, 0.68), 'Hat');

        $lx = $x - 1.95;
        $lz = $z - 0.8;
        $near(Vector::cylinder($lx, $y - 2.5, $lz, 0.5, 0.09), 'Brass');
        $near(Vector::cylinder($lx, $y - 3.55, $lz, 0.5, 0.09), 'Brass');
        $near(Vector::capsule($x, $y, $z, 1.95, 3.68, 0.8, 1.95, 4.0, 0.8, 0.4, 0.08), 'Brass');
        foreach ([[0.42, 0.12], [-0.42, 0.12], [0.05, 0.44], [0.0, -0.43]] as [$dx, $dz]) {
            $near(Vector::cylinder($lx - $dx, $y - 3.0, $lz - $dz, 0.045, 0.55), 'Brass');
        }
        $near(Vector::ellipsoid($lx, $y - 3.02, $lz, 0.37, 0.5, 0.37), 'Glass');

        $near(Vector::ellipsoid($x + 2.3, $y - 2.75, $z - 0.35, 0.46, 0.85, 0.42), 'Heron breast');
        $near(Vector::capsule($x, $y, $z, -2.25, 3.4, 0.4, -2.6, 4.2, 0.45, 0.2, 0.14), 'Heron breast');
        $near(Vector::capsule($x, $y, $z, -2.6, 4.2, 0.45, -2.3, 4.95, 0.5, 0.14, 0.12), 'Heron breast');
        $near(Vector::ellipsoid($x + 2.25, $y - 5.0, $z - 0.55, 0.22, 0.19, 0.28), 'Heron breast');
        $near(Vector::ellipsoid($x + 2.62, $y - 2.65, $z - 0.3, 0.3, 0.95, 0.5) + 0.03 * \sin(13 * $y), 'Heron wings');
        $near(Vector::capsule($x, $y, $z, -2.2, 5.0, 0.75, -1.75, 4.9, 1.2, 0.08, 0.025), 'Beak and legs');
        $near(Vector::capsule($x, $y, $z, -2.2, 2.0, 0.4, -2.1, 0.9, 0.4, 0.065, 0.06), 'Beak and legs');
        $near(Vector::capsule($x, $y, $z, -2.45, 2.0, 0.35, -2.5, 0.9, 0.3, 0.065, 0.06), 'Beak and legs');

        return [$best, $area];
    }
}
