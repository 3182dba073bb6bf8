<?php

declare(strict_types=1);

namespace Hyalin\Mixing\Quick;

/**
 * Paints in the linear model of LocalModel: a point around the target and a weight for each. Flat lists: the search goes
 * through thousands of triangles of them.
 */
final readonly class PaintPoints
{
    /**
     * @param  list<float>  $x  by paint, in the space of ColourMetric, the target at the origin
     * @param  list<float>  $y
     * @param  list<float>  $z
     * @param  list<float>  $t  weights > 0: scattering beside that of the base
     */
    public function __construct(public array $x, public array $y, public array $z, public array $t)
    {
    }

    /** @return int number of paints */
    public function count(): int
    {
        return \count($this->t);
    }

    /**
     * @param  list<int>  $paints  two or three places
     * @return self those points alone, in that order
     */
    public function only(array $paints): self
    {
        [$i, $j] = $paints;
        $m = $paints[2] ?? null;
        if ($m === null) {
            return new self([$this->x[$i], $this->x[$j]], [$this->y[$i], $this->y[$j]], [$this->z[$i], $this->z[$j]], [$this->t[$i], $this->t[$j]]);
        }

        return new self(
            [$this->x[$i], $this->x[$j], $this->x[$m]],
            [$this->y[$i], $this->y[$j], $this->y[$m]],
            [$this->z[$i], $this->z[$j], $this->z[$m]],
            [$this->t[$i], $this->t[$j], $this->t[$m]],
        );
    }

    /** All points moved alike. */
    public function moved(float $dx, float $dy, float $dz): self
    {
        $x = $y = $z = [];
        foreach ($this->x as $i => $value) {
            $x[] = $value + $dx;
            $y[] = $this->y[$i] + $dy;
            $z[] = $this->z[$i] + $dz;
        }

        return new self($x, $y, $z, $this->t);
    }
}
