<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Numeric\LeastSquares;
use Hyalin\Numeric\SingularMatrix;

/**
 * What a camera made of the 24 patches, undone by a root polynomial of degree 2: unlike a polynomial it does not change
 * when the exposure does.
 *
 * G. D. Finlayson, M. Mackiewicz, A. Hurlbert, Color correction using root-polynomial regression, IEEE Transactions on
 * Image Processing 24 (2015) 1460. Rows are weighted by Y^(-2/3), the slope of L*, so that an error counts as it is
 * seen.
 */
final readonly class ChartFit implements ColourCorrection
{
    /** Mean CIEDE2000 above which the patches are not those of the chart. */
    private const NO_CHART = 9.0;

    /**
     * @param  array{list<float>, list<float>, list<float>}  $weights  of the six terms for red, green, blue
     * @param  list<float>  $residuals  CIEDE2000 of each patch after correction, in reading order
     */
    private function __construct(private array $weights, public array $residuals)
    {
    }

    /**
     * @param  list<array{float, float, float}>  $patches  24 means of linear-light sRGB, in reading order
     *
     * @throws InvalidNeutral when they are not those of the chart, or lie turned or mirrored
     */
    public static function of(array $patches): self
    {
        $fit = self::fit($patches);
        if ($fit->mean() <= self::NO_CHART) {
            return $fit;
        }
        foreach (self::readings($patches) as $how => $turned) {
            if (self::fit($turned)->mean() < min(self::NO_CHART, $fit->mean() / 2)) {
                throw InvalidNeutral::turned($how);
            }
        }
        throw InvalidNeutral::noChart($fit->mean());
    }

    /** @return float mean CIEDE2000 of the patches */
    public function mean(): float
    {
        return array_sum($this->residuals) / count($this->residuals);
    }

    public function corrected(array $linear): array
    {
        $terms = self::terms($linear);
        $out = [0.0, 0.0, 0.0];
        foreach ($this->weights as $channel => $weights) {
            foreach ($terms as $n => $term) {
                $out[$channel] += $weights[$n] * $term;
            }
        }

        return [$out[0], $out[1], $out[2]];
    }

    /** @param  list<array{float, float, float}>  $patches */
    private static function fit(array $patches): self
    {
        $wanted = ChartPatches::underD65();
        $rows = [];
        $sides = [[], [], []];
        foreach ($patches as $i => $patch) {
            $xyz = $wanted[$i]->toXyz();
            $weight = (max(1.0, $xyz->y) / 100) ** (-2 / 3);
            $rows[] = array_map(static fn (float $term): float => $weight * $term, self::terms($patch));
            foreach ($xyz->toSrgb()->linear() as $channel => $v) {
                $sides[$channel][] = $weight * $v;
            }
        }
        try {
            $fit = new self([
                LeastSquares::solve($rows, $sides[0]), LeastSquares::solve($rows, $sides[1]), LeastSquares::solve($rows, $sides[2]),
            ], []);
        } catch (SingularMatrix) {
            throw InvalidNeutral::dependent();
        }

        return new self($fit->weights, array_map(
            static fn (array $patch, Lab $lab): float => DifferenceFormula::Ciede2000->between($lab, Srgb::fromLinear($fit->corrected($patch))->toXyz()->toLab()),
            $patches,
            $wanted,
        ));
    }

    /**
     * The ways a chart is taken by its wrong corners.
     *
     * @param  list<array{float, float, float}>  $patches
     * @return array<string, list<array{float, float, float}>>
     */
    private static function readings(array $patches): array
    {
        $rows = array_chunk($patches, ChartPatches::COLUMNS);
        $mirrored = array_map(array_reverse(...), $rows);

        return [
            'turned by half' => array_reverse($patches),
            'from right to left' => array_merge(...$mirrored),
            'from bottom to top' => array_merge(...array_reverse($rows)),
        ];
    }

    /**
     * @param  array{float, float, float}  $linear
     * @return list<float> red, green, blue and the roots of their products; darker than black counts as black there
     */
    private static function terms(array $linear): array
    {
        [$r, $g, $b] = $linear;

        return [$r, $g, $b, sqrt(max(0.0, $r * $g)), sqrt(max(0.0, $g * $b)), sqrt(max(0.0, $r * $b))];
    }
}
