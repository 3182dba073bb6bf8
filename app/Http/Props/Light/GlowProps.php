<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Models\Brief\Figure;
use Hyalin\Light\Glow;

/**
 * The light of a lamp on the areas around it.
 */
final readonly class GlowProps
{
    /**
     * @param  list<array{name: string, shares: list<float|null>}>  $areas  that it reaches, the brightest first; 0..1 of full light
     *                                                                       on recess to edge, null for a zone that it has not
     * @param  float  $fullMm  within which a surface that faces it is fully lit
     * @param  float  $halfMm  within which it is half lit: the light thins with the square of the way
     * @param  float  $tenthMm  a tenth
     */
    public function __construct(public array $areas, public float $fullMm, public float $halfMm, public float $tenthMm)
    {
    }

    /** @param  array{areas: array<int, list<float|null>>, fullMm: float}  $shares */
    public static function of(Figure $figure, array $shares): self
    {
        $most = static fn (array $byZone): float => max(0.0, ...array_filter($byZone, is_float(...)));
        $names = $figure->areas()->pluck('name', 'id');
        $areas = [];
        foreach ($shares['areas'] as $id => $byZone) {
            if ($most($byZone) >= Glow::SEEN && is_string($names[$id] ?? null)) {
                $areas[] = ['name' => $names[$id], 'shares' => $byZone];
            }
        }
        usort($areas, static fn (array $a, array $b): int => $most($b['shares']) <=> $most($a['shares']));

        return new self($areas, $shares['fullMm'], $shares['fullMm'] * sqrt(2), $shares['fullMm'] * sqrt(10));
    }
}
