<?php

declare(strict_types=1);

namespace Hyalin\Finish;

use Hyalin\Optics\AreaCoverage;

/**
 * What one coat of a technique leaves on each zone: the fraction of the surface it covers (0..1), the thickness of the
 * film there in reference coats, and how much of that film's scattering is there, all in the order recess, shade, mid,
 * light, edge.
 */
final readonly class DepositProfile
{
    /** Hits at full exposure in one pass of a directed spray: own estimate. */
    public const HITS = 1.2;

    /** Reference coats of a glaze that light is painted with: own estimate. */
    private const GLAZE = 0.5;

    /**
     * @param  array{float, float, float, float, float}  $coverage
     * @param  array{float, float, float, float, float}  $thickness
     * @param  array{float, float, float, float, float}  $scattering
     */
    private function __construct(private array $coverage, private array $thickness, private array $scattering = [1.0, 1.0, 1.0, 1.0, 1.0])
    {
    }

    /**
     * @param  array{float, float, float, float, float}  $coverage
     * @param  array{float, float, float, float, float}  $thickness
     */
    public static function of(array $coverage, array $thickness): self
    {
        return new self($coverage, $thickness);
    }

    /**
     * A film that is drawn into the depths: colour gathers there, while the white of the pigment, its scattering, is everywhere
     * what it is where the film is thinnest. Over an undercoat that rises with the light such a film keeps the order of the
     * light whatever the paint: reflectance rises with that of the undercoat and falls with absorption (Kubelka 1948).
     *
     * @param  array{float, float, float, float, float}  $thickness  in reference coats, more than 0
     */
    public static function pooled(array $thickness): self
    {
        $least = min($thickness);

        return new self([1.0, 1.0, 1.0, 1.0, 1.0], $thickness, array_map(static fn (float $t): float => $least / $t, $thickness));
    }

    /**
     * One reference coat on part of each zone.
     *
     * @param  array{float, float, float, float, float}  $coverage
     */
    public static function covering(array $coverage): self
    {
        return new self($coverage, [1.0, 1.0, 1.0, 1.0, 1.0]);
    }

    /** @param  float  $thickness  of every zone, in reference coats, 0 or more */
    public static function everywhere(float $thickness): self
    {
        return new self([1.0, 1.0, 1.0, 1.0, 1.0], [$thickness, $thickness, $thickness, $thickness, $thickness]);
    }

    /**
     * A thin film where a lamp shines, drawn out to nothing where it does not.
     *
     * @param  array{float, float, float, float, float}  $light  0..1 of the zones
     */
    public static function glowing(array $light): self
    {
        return new self($light, [self::GLAZE, self::GLAZE, self::GLAZE, self::GLAZE, self::GLAZE]);
    }

    /**
     * One pass of spray from a direction: random drops, so that a zone of exposure e is covered to 1 - exp(-k e).
     *
     * @param  array{float, float, float, float, float}  $exposure  0..1
     */
    public static function sprayed(float $hitsAtFullExposure, array $exposure): self
    {
        $covered = static fn (float $e): float => AreaCoverage::ofRandomHits($hitsAtFullExposure * $e)->fraction;

        return new self(
            [
                $covered($exposure[0]),
                $covered($exposure[1]),
                $covered($exposure[2]),
                $covered($exposure[3]),
                $covered($exposure[4]),
            ],
            [1.0, 1.0, 1.0, 1.0, 1.0],
        );
    }

    /** The same paint where the zones do not differ in depth: of each the mean, by the usual share of the zones. */
    public function evened(): self
    {
        return new self($this->mean($this->coverage), $this->mean($this->thickness), $this->mean($this->scattering));
    }

    /** @return float fraction of the zone that one coat covers, 0..1 */
    public function coverage(Zone $zone): float
    {
        return $this->coverage[$zone->index()];
    }

    /** @return float reference coats where it covers */
    public function thickness(Zone $zone): float
    {
        return $this->thickness[$zone->index()];
    }

    /** @return float share of the scattering of a film of that thickness, 0..1 */
    public function scattering(Zone $zone): float
    {
        return $this->scattering[$zone->index()];
    }

    /**
     * @param  array{float, float, float, float, float}  $values
     * @return array{float, float, float, float, float}
     */
    private function mean(array $values): array
    {
        $sum = $shares = 0.0;
        foreach (Zone::cases() as $zone) {
            $sum += $zone->usualShare() * $values[$zone->index()];
            $shares += $zone->usualShare();
        }
        $mean = $sum / $shares;

        return [$mean, $mean, $mean, $mean, $mean];
    }
}
