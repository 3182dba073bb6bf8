<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * Which region of a sculpt an area of the brief is likely to be: by what it is called and how large it was said to be. A
 * guess to be looked at, nothing more.
 */
final class AreaNames
{
    /** Height on a standing figure, 0 at its foot, of what is usually called so: common practice. */
    private const HEIGHTS = [
        'hair' => 0.95, 'helmet' => 0.95, 'hat' => 0.97, 'crest' => 0.97, 'horn' => 0.96, 'hood' => 0.92, 'head' => 0.92, 'face' => 0.9, 'eye' => 0.91, 'beard' => 0.84,
        'collar' => 0.82, 'shoulder' => 0.78, 'wing' => 0.75, 'chest' => 0.68, 'torso' => 0.62, 'arm' => 0.62, 'shirt' => 0.62, 'coat' => 0.5, 'cloak' => 0.5, 'body' => 0.5,
        'hand' => 0.48, 'glove' => 0.48, 'belt' => 0.47, 'skirt' => 0.35, 'leg' => 0.28, 'trouser' => 0.28, 'tail' => 0.25, 'boot' => 0.1, 'shoe' => 0.06, 'foot' => 0.06, 'feet' => 0.06,
        'claw' => 0.06, 'rock' => 0.05, 'ground' => 0.02, 'plinth' => 0.02, 'base' => 0.02,
    ];

    /** What a difference of the whole height, or of size by a factor of e, counts; and beyond what a name is no guess. */
    private const HEIGHT = 2.5;

    private const SIZE = 0.5;

    private const UNLIKELY = 1.2;

    /** What not knowing counts. */
    private const UNKNOWN = 0.45;

    /**
     * @param  array<int, array{mm2: float, height: float, part: int|null}>  $regions  height from 0 to 1, the part it is of
     * @param  array<int, array{name: string, mm2: float|null, part: int|null}>  $areas  of the brief that the mesh does not show yet
     * @return array<int, int> area by region, each once
     */
    public static function guessed(array $regions, array $areas): array
    {
        $pairs = [];
        foreach ($regions as $r => $region) {
            foreach ($areas as $a => $area) {
                if ($area['part'] !== null && $region['part'] !== null && $area['part'] !== $region['part']) {
                    continue;
                }
                $height = self::height($area['name']);
                // A name that says nothing of where, and nothing known of its size, is no reason.
                if ($height === null && ($area['mm2'] ?? 0.0) <= 0.0) {
                    continue;
                }
                $cost = ($height === null ? self::UNKNOWN : self::HEIGHT * abs($height - $region['height']))
                    + ($area['mm2'] === null || $area['mm2'] <= 0.0 ? self::UNKNOWN : self::SIZE * abs(log($area['mm2'] / max(1e-6, $region['mm2']))));
                if ($cost <= self::UNLIKELY) {
                    $pairs[] = [$cost, $r, $a];
                }
            }
        }
        sort($pairs);
        $guessed = [];
        foreach ($pairs as [, $r, $a]) {
            if (! isset($guessed[$r]) && ! in_array($a, $guessed, true)) {
                $guessed[$r] = $a;
            }
        }

        return $guessed;
    }

    private static function height(string $name): ?float
    {
        foreach (self::HEIGHTS as $word => $height) {
            if (preg_match('/\b'.$word.'(s|es)?\b/iu', $name) === 1) {
                return $height;
            }
        }

        return null;
    }
}
