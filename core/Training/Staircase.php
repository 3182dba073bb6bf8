<?php

declare(strict_types=1);

namespace Hyalin\Training;

/**
 * How hard the next question is: harder after two right answers in a row, easier after a wrong one, so that it stays where
 * seven of ten are right (two down, one up: H. Levitt, Transformed up-down methods in psychoacoustics, Journal of the
 * Acoustical Society of America 49, 1971).
 */
final readonly class Staircase
{
    private const RIGHT_IN_A_ROW = 2;

    /** @param  float  $by  factor of a step down, 0..1 */
    public function __construct(private float $from, private float $least, private float $most, private float $by = 0.75)
    {
    }

    /**
     * @param  list<bool>  $answers  right or wrong, the oldest first
     * @return float between the least and the most; smaller is harder
     */
    public function next(array $answers): float
    {
        $level = $this->from;
        $row = 0;
        foreach ($answers as $isRight) {
            $row = $isRight ? $row + 1 : 0;
            if (! $isRight) {
                $level /= $this->by;
            } elseif ($row === self::RIGHT_IN_A_ROW) {
                $level *= $this->by;
                $row = 0;
            }
            $level = max($this->least, min($this->most, $level));
        }

        return $level;
    }
}
