<?php

declare(strict_types=1);

namespace Hyalin\Measuring;

use Hyalin\Finish\Hand;
use Hyalin\Numeric\LevenbergMarquardt;
use Hyalin\Numeric\SingularMatrix;

/**
 * How a painter really puts a technique on: the coverage and the film thickness that explain test chips best, and how much one
 * chip differs from the next.
 *
 * The most probable hand, in the logarithm: every chip has a thickness and a coverage of its own about those of the hand, and
 * every pot may be off as far as its spread says, so that what a pot is unsure of is shared and not learnt as the hand's.
 * The scatter from chip to chip is estimated together with them, beginning with what is usual (expectation and
 * maximisation: A. P. Dempster, N. M. Laird, D. B. Rubin, J. R. Stat. Soc. B 39, 1 (1977)).
 */
final readonly class HandFit
{
    /** The usual scatter from chip to chip weighs as much as so many chips. */
    private const USUAL_CHIPS = 2.0;

    /** A film is not of one thickness, nor a reading of one spot: own estimate, as reflectance. */
    private const READING = 0.003;

    private const ROUNDS = 6;

    private const RANGE = 4.0;

    /** Chips that leave the hand as unsure as this share of what is usual have told nothing. */
    private const NOTHING_LEARNT = 0.97;

    /**
     * @param  float  $coverage  area one coat covers, 0..1
     * @param  float  $coverageDeviation  standard deviation of it
     * @param  float  $thickness  reference coats where it covers
     * @param  float  $thicknessDeviation  standard deviation of it
     * @param  float  $scatter  from one chip to the next, as standard deviation of the logarithm
     * @param  float  $residual  root mean square of reflectance left unexplained
     */
    private function __construct(
        public float $coverage,
        public float $coverageDeviation,
        public float $thickness,
        public float $thicknessDeviation,
        public float $scatter,
        public float $residual,
    ) {
    }

    /**
     * @param  list<Chip>  $chips  at least one
     * @param  bool  $covers  the technique is one that covers everything: only the thickness is fitted
     * @param  float  $coverage  of the usual profile, 0..1
     * @param  float  $thickness  of the usual profile, reference coats, > 0
     * @param  float  $usualScatter  from chip to chip, as standard deviation of the logarithm, > 0
     *
     * @throws InvalidReadings without chips, or when they tell nothing (the paint is opaque, the card its own colour)
     */
    public static function of(array $chips, bool $covers, float $coverage = 0.5, float $thickness = 1.0, float $usualScatter = Hand::SCATTER): self
    {
        if ($chips === []) {
            throw InvalidReadings::noChips();
        }
        $problem = HandProblem::of($chips, $covers, $coverage, $thickness);
        $scatter = $usualScatter;
        $at = $problem->start();
        $least = null;
        $covariance = [];
        try {
            for ($round = 0; $round < self::ROUNDS; $round++) {
                $deviations = $problem->deviations(Hand::THICKNESS_DEVIATION, Hand::COVERAGE_DEVIATION, $scatter);
                $least = LevenbergMarquardt::least(static fn (array $at): array => $problem->linearised(array_values($at), $deviations, self::READING), $at, -self::RANGE, self::RANGE);
                $at = $least->at;
                $covariance = $least->normal->inverse();
                $squares = self::USUAL_CHIPS * $usualScatter ** 2;
                foreach ($problem->ownThicknesses() as $i) {
                    $squares += $at[$i] ** 2 + $covariance[$i * count($at) + $i];
                }
                $scatter = sqrt($squares / (self::USUAL_CHIPS + count($chips)));
            }
        } catch (SingularMatrix) {
            throw InvalidReadings::chipsTellNothing();
        }
        $deviation = static fn (int $i): float => sqrt($covariance[$i * count($at) + $i]);
        if ($deviation(HandProblem::THICKNESS) > self::NOTHING_LEARNT * Hand::THICKNESS_DEVIATION && ($covers || $deviation(HandProblem::COVERAGE) > self::NOTHING_LEARNT * Hand::COVERAGE_DEVIATION)) {
            throw InvalidReadings::chipsTellNothing();
        }
        [$found, $thick] = $problem->hand($at);

        return new self(
            $found,
            $covers ? 0.0 : $found * $deviation(HandProblem::COVERAGE),
            $thick,
            $thick * $deviation(HandProblem::THICKNESS),
            $scatter,
            $problem->residual($at),
        );
    }
}
