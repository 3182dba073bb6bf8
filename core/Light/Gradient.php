<?php

declare(strict_types=1);

namespace Hyalin\Light;

/**
 * Where along a gradient a point of the surface lies: its zones are places from root to tip, not depths of the relief.
 */
final readonly class Gradient
{
    private const ZONES = 5;

    /** mm; own choice: nobody paints from root to tip over less. */
    private const LEAST = 0.1;

    /**
     * @param  array{float, float, float}  $from  root, mm
     * @param  array{float, float, float}  $to  tip, mm
     */
    private function __construct(public array $from, public array $to)
    {
    }

    /**
     * @param  array{float, float, float}  $from  mm
     * @param  array{float, float, float}  $to  mm
     *
     * @throws InvalidLight when both are one point
     */
    public static function between(array $from, array $to): self
    {
        if (! (($to[0] - $from[0]) ** 2 + ($to[1] - $from[1]) ** 2 + ($to[2] - $from[2]) ** 2 > 1e-12)) {
            throw InvalidLight::axis();
        }

        return new self($from, $to);
    }

    /**
     * From end to end of some points along an axis.
     *
     * @param  iterable<array{float, float, float}>  $points  mm
     * @param  array{float, float, float}  $axis  of length 1
     * @return self|null null when they have hardly any extent along it
     */
    public static function along(iterable $points, array $axis): ?self
    {
        [$low, $high] = [INF, -INF];
        foreach ($points as $p) {
            $at = $p[0] * $axis[0] + $p[1] * $axis[1] + $p[2] * $axis[2];
            [$low, $high] = [min($low, $at), max($high, $at)];
        }

        return $high - $low > self::LEAST ? new self([$low * $axis[0], $low * $axis[1], $low * $axis[2]], [$high * $axis[0], $high * $axis[1], $high * $axis[2]]) : null;
    }

    /** @return float 0 at the root and before it, 1 at the tip and beyond */
    public function place(float $x, float $y, float $z): float
    {
        [$dx, $dy, $dz] = [$this->to[0] - $this->from[0], $this->to[1] - $this->from[1], $this->to[2] - $this->from[2]];
        $along = ($x - $this->from[0]) * $dx + ($y - $this->from[1]) * $dy + ($z - $this->from[2]) * $dz;

        return max(0.0, min(1.0, $along / ($dx * $dx + $dy * $dy + $dz * $dz)));
    }

    /** @return int 0 at the root to 4 at the tip, each as long */
    public function zone(float $x, float $y, float $z): int
    {
        return min(self::ZONES - 1, (int) (self::ZONES * $this->place($x, $y, $z)));
    }
}
