<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Colour\Bands;

/**
 * S as a smooth function of wavelength, S0 (l / 550 nm)^-p: the form that scattering by particles takes between the
 * limits of small and large ones. Fitted to the bands that can be trusted, it stands in for the others.
 */
final readonly class ScatteringCurve
{
    private function __construct(private float $logLevel, private float $power)
    {
    }

    /** @param  float  $level  S at all wavelengths alike */
    public static function flat(float $level): self
    {
        return new self(log($level), 0.0);
    }

    /**
     * Weighted least squares in the logarithm; a weak pull towards p = 0 keeps few bands from tilting the whole curve.
     *
     * @param  array<int, float>  $scattering  by band, > 0
     * @param  array<int, float>  $weights  by the same bands, > 0
     * @return self|null null without bands
     */
    public static function through(array $scattering, array $weights): ?self
    {
        if ($scattering === []) {
            return null;
        }
        $n = $x = $y = $xx = $xy = 0.0;
        foreach ($scattering as $band => $s) {
            $w = $weights[$band];
            $u = -log(Bands::nanometres($band) / 550);
            $v = log($s);
            $n += $w;
            $x += $w * $u;
            $y += $w * $v;
            $xx += $w * $u * $u;
            $xy += $w * $u * $v;
        }
        $spread = $xx - $x * $x / $n + 0.02;
        $power = ($xy - $x * $y / $n) / $spread;
        $power = max(-1.0, min(4.0, $power));

        return new self(($y - $power * $x) / $n, $power);
    }

    /**
     * @param  int  $band  0..35, 380 to 730 nm
     * @return float scattering of one reference coat
     */
    public function at(int $band): float
    {
        return exp($this->logLevel - $this->power * log(Bands::nanometres($band) / 550));
    }
}
