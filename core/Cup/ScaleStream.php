<?php

declare(strict_types=1);

namespace Hyalin\Cup;

/**
 * Grams in a cup from the readings of a drop scale, one at a time. A step is counted when the readings after it agree;
 * what is larger than a painter pours at once is a jump and is not counted; a slow creep while nothing is poured is
 * drift and is taken off; a missing reading changes nothing.
 *
 * Immutable: each reading gives the stream after it.
 */
final readonly class ScaleStream
{
    /** Readings that differ by less than this agree: a few thousandths of a gram for a small scale (own estimate). */
    private const AGREE = 0.008;

    /** Half a drop: less than this in one step is not paint. */
    private const LEAST = 0.02;

    /** More than this between two readings is no drop. */
    private const JUMP = 0.6;

    /** Readings that have to agree before a step counts. */
    private const SETTLED = 3;

    /**
     * @param  float  $counted  grams that count
     * @param  float  $drift  grams taken off as drift so far
     * @param  int  $missing  readings missed so far
     * @param  int  $jumps  jumps seen so far
     * @param  float  $base  reading that the counted weight stands for
     * @param  list<float>  $recent  the latest readings that agree with each other
     */
    private function __construct(
        public float $counted,
        public float $drift,
        public int $missing,
        public int $jumps,
        public ScaleState $state,
        private float $base,
        private array $recent,
    ) {
    }

    /** @param  float  $tare  reading of the empty or known cup */
    public static function from(float $tare): self
    {
        return new self(0.0, 0.0, 0, 0, ScaleState::Steady, $tare, [$tare]);
    }

    /** @param  float|null  $grams  null where a reading is missing */
    public function read(?float $grams): self
    {
        if ($grams === null || ! is_finite($grams)) {
            return new self($this->counted, $this->drift, $this->missing + 1, $this->jumps, ScaleState::Missing, $this->base, $this->recent);
        }
        $last = $this->recent[count($this->recent) - 1] ?? $this->base;
        if (abs($grams - $this->base) > self::JUMP && abs($grams - $last) > self::JUMP) {
            // Somebody leans on it. The stream waits where it was.
            $again = $this->state === ScaleState::Jumped;

            return new self($this->counted, $this->drift, $this->missing, $this->jumps + ($again ? 0 : 1), ScaleState::Jumped, $this->base, $this->recent);
        }
        $recent = abs($grams - $last) <= self::AGREE ? [...array_slice($this->recent, 1 - self::SETTLED), $grams] : [$grams];
        if (count($recent) < self::SETTLED) {
            return new self($this->counted, $this->drift, $this->missing, $this->jumps, ScaleState::Filling, $this->base, $recent);
        }
        $mean = array_sum($recent) / count($recent);
        $step = $mean - $this->base;
        if (abs($step) < self::LEAST) {
            // Too little for a drop: the scale creeps.
            return new self($this->counted, $this->drift + $step, $this->missing, $this->jumps, ScaleState::Steady, $mean, $recent);
        }

        return new self($this->counted + $step, $this->drift, $this->missing, $this->jumps, ScaleState::Steady, $mean, $recent);
    }
}
