<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * How one painter's hand differs from the usual profile of a technique, as factors of it, and how sure that is.
 */
final readonly class Hand
{
    /** How far hands differ from the usual profile, as standard deviations of the logarithm: own estimates. */
    public const THICKNESS_DEVIATION = 0.3;

    public const COVERAGE_DEVIATION = 0.25;

    /** How much one coat differs from the next, in the same way: own estimate. */
    public const SCATTER = 0.15;

    /**
     * @param  float  $coverage  > 0; what it makes of a zone stays at most 1
     * @param  float  $thickness  > 0
     * @param  float  $coverageDeviation  standard deviation of the logarithm of the coverage
     * @param  float  $thicknessDeviation  standard deviation of the logarithm of the thickness
     * @param  float  $scatter  of one coat and the next, as standard deviation of the logarithm
     */
    public function __construct(
        public float $coverage,
        public float $thickness,
        public float $coverageDeviation = self::COVERAGE_DEVIATION,
        public float $thicknessDeviation = self::THICKNESS_DEVIATION,
        public float $scatter = self::SCATTER,
    ) {
    }

    /** One of which nothing is known. */
    public static function usual(): self
    {
        return new self(1.0, 1.0);
    }

    /** The same, this much thicker and covering this much more. */
    public function moved(float $coverage, float $thickness): self
    {
        return new self($this->coverage * $coverage, $this->thickness * $thickness, $this->coverageDeviation, $this->thicknessDeviation, $this->scatter);
    }
}
