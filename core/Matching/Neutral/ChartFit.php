<?php

declare(strict_types=1);

namespace Hyalin\Matching\Neutral;

use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;
use Hyalin\Matching\Sampling\ColourCorrection;
use Hyalin\Numeric\LeastSquares;
use Hyalin\Numeric\SingularMatrix;

/**
 * Correction of a camera from the 24 patches, by a root polynomial of degree 2: unlike a polynomial it does not change
 * when the exposure does.
 *
 * G. D. Finlayson, M. Mackiewicz, A. Hurlbert, Color correction using root-polynomial regression, IEEE Transactions on
 * Image Processing 24 (2015) 1460. Rows are weighted by Y^(-2/3), the slope of L*, so that an error counts as it is
 * seen. Where the greys show that the camera has a tone curve, that is undone first; where the light falls off across the
 * chart, that is evened first.
 */
final readonly class ChartFit implements ColourCorrection
{
    /** Mean CIEDE2000 above which the patches are not those of the chart. */
    private const NO_CHART = 9.0;

    /** A curve or a slope of the light must leave this share of the difference, or less, to be believed. */
    private const WORTH_IT = 0.8;

    private const ROUNDS = 4;

    /** Where the greys begin in reading order. */
    private const GREYS = 18;

    /**
     * @param  array{list<float>, list<float>, list<float>}  $weights  of the six terms for red, green, blue
     * @param  list<float>  $residuals  CIEDE2000 of each patch after correction, in reading order
     * @param  ToneCurve|null  $curve  of the camera, undone first
     * @param  LightField|null  $field  the light across the picture; even by then in the patches that were fitted
     */
    private function __construct(private array $weights, public array $residuals, public ?ToneCurve $curve, public ?LightField $field)
    {
    }

    /**
     * @param  list<array{float, float, float}>  $patches  24 means of linear-light sRGB, in reading order
     * @param  list<array{float, float}>  $at  their middles in the picture, 0..1; none: the light is taken to be even
     *
     * @throws InvalidNeutral when they are not those of the chart, or lie turned or mirrored
     */
    public static function of(array $patches, array $at = []): self
    {
        $fit = self::curved($patches);
        $even = $fit;
        for ($round = 0; $round < self::ROUNDS && $at !== []; $round++) {
            // Light and colours are told apart better by a fit that the light did not bend.
            $field = self::fallOff($even, $patches, $at);
            $even = self::curved(self::evened($field, $patches, $at))->lit($field);
        }
        $fit = $even->mean() < self::WORTH_IT * $fit->mean() ? $even : $fit;
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

    private function lit(LightField $field): self
    {
        return new self($this->weights, $this->residuals, $this->curve, $field);
    }

    /** @return float mean CIEDE2000 of the patches */
    public function mean(): float
    {
        return array_sum($this->residuals) / count($this->residuals);
    }

    /**
     * How well colours that are not on the chart are told: each coloured patch by a fit to all others.
     *
     * @param  list<array{float, float, float}>  $patches  that this was fitted to
     * @param  list<array{float, float}>  $at  where they lie
     * @return array{float, float} CIEDE2000 that half of them stay within, and nineteen of twenty
     */
    public function leftOut(array $patches, array $at = []): array
    {
        $misses = [];
        $even = $this->field === null ? $patches : self::evened($this->field, $patches, $at);
        foreach (array_slice(ChartPatches::underD65(), 0, self::GREYS) as $i => $lab) {
            $others = self::fit($even, $this->curve, $i);
            $misses[] = DifferenceFormula::Ciede2000->between($lab, Srgb::fromLinear($others->corrected($even[$i]))->toXyz()->toLab());
        }
        sort($misses);

        return [$misses[intdiv(self::GREYS, 2)], $misses[self::GREYS - 1]];
    }

    public function corrected(array $linear): array
    {
        $terms = self::terms($this->curve?->linearised($linear) ?? $linear);
        $out = [0.0, 0.0, 0.0];
        foreach ($this->weights as $channel => $weights) {
            foreach ($terms as $n => $term) {
                $out[$channel] += $weights[$n] * $term;
            }
        }

        return [$out[0], $out[1], $out[2]];
    }

    /**
     * @param  list<array{float, float, float}>  $patches
     * @param  list<array{float, float}>  $at
     * @return list<array{float, float, float}>
     */
    private static function evened(LightField $field, array $patches, array $at): array
    {
        $even = [];
        foreach ($patches as $i => $patch) {
            $even[] = isset($at[$i]) ? $field->evened($patch, $at[$i][0], $at[$i][1]) : $patch;
        }

        return $even;
    }

    /** @param  list<array{float, float, float}>  $patches */
    private static function curved(array $patches): self
    {
        $plain = self::fit($patches);
        $greys = array_map(static fn (Lab $lab): float => $lab->toXyz()->y / 100, array_slice(ChartPatches::underD65(), self::GREYS));
        $curve = ToneCurve::through(array_slice($patches, self::GREYS), $greys);
        $curved = $curve === null ? $plain : self::fit($patches, $curve);
        // The greys come out right by the curve alone: the coloured patches decide.
        $colours = static fn (self $fit): float => array_sum(array_slice($fit->residuals, 0, self::GREYS));

        return $colours($curved) < self::WORTH_IT * $colours($plain) ? $curved : $plain;
    }

    /**
     * How the light falls off across the chart: what each patch is brighter or darker than the fit expects, over where it lies.
     *
     * @param  list<array{float, float, float}>  $patches
     * @param  non-empty-list<array{float, float}>  $at
     */
    private static function fallOff(self $fit, array $patches, array $at): LightField
    {
        $light = [];
        foreach (ChartPatches::underD65() as $i => $lab) {
            $ratio = max(0.05, Srgb::fromLinear($fit->corrected($patches[$i]))->toXyz()->y) / max(0.05, $lab->toXyz()->y);
            $light[] = [$ratio, $ratio, $ratio];
        }

        return LightField::through($at, $light ?: [[1.0, 1.0, 1.0]]);
    }

    /**
     * @param  list<array{float, float, float}>  $patches
     * @param  int|null  $without  a patch that is left out of the fit
     */
    private static function fit(array $patches, ?ToneCurve $curve = null, ?int $without = null): self
    {
        $wanted = ChartPatches::underD65();
        $rows = [];
        $sides = [[], [], []];
        foreach ($patches as $i => $patch) {
            if ($i === $without) {
                continue;
            }
            $xyz = $wanted[$i]->toXyz();
            $weight = (max(1.0, $xyz->y) / 100) ** (-2 / 3);
            $rows[] = array_map(static fn (float $term): float => $weight * $term, self::terms($curve?->linearised($patch) ?? $patch));
            foreach ($xyz->toSrgb()->linear() as $channel => $v) {
                $sides[$channel][] = $weight * $v;
            }
        }
        try {
            $fit = new self([
                LeastSquares::solve($rows, $sides[0]), LeastSquares::solve($rows, $sides[1]), LeastSquares::solve($rows, $sides[2]),
            ], [], $curve, null);
        } catch (SingularMatrix) {
            throw InvalidNeutral::dependent();
        }

        return new self($fit->weights, array_map(
            static fn (array $patch, Lab $lab): float => DifferenceFormula::Ciede2000->between($lab, Srgb::fromLinear($fit->corrected($patch))->toXyz()->toLab()),
            $patches,
            $wanted,
        ), $curve, null);
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
