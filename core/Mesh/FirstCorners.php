<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

/**
 * Triangles by the first of their corners: finds those whose other two have both another label, without a look at the rest.
 */
final readonly class FirstCorners
{
    /**
     * Flat lists, as every act on areas runs over them.
     *
     * @param  list<int>  $count  of triangles by first corner
     * @param  list<int>  $second  second corner, in that order
     * @param  string  $rest  third corner and number of each, 32 bits each: few are looked at
     */
    private function __construct(public array $count, public array $second, public string $rest)
    {
    }

    /** @param  list<int>  $number  by triangle */
    public static function of(TriangleMesh $mesh, array $number): self
    {
        $by = \array_fill(0, $mesh->vertices(), []);
        $t = 0;
        foreach ($mesh->chunks() as $corners) {
            for ($i = 1, $n = \count($corners); $i < $n; $i += 3) {
                \array_push($by[$corners[$i]], $corners[$i + 1], $corners[$i + 2], $number[$t++]);
            }
        }
        $count = $second = [];
        $rest = '';
        foreach ($by as $own) {
            $count[] = \intdiv(\count($own), 3);
            for ($i = 0, $n = \count($own); $i < $n; $i += 3) {
                $second[] = $own[$i];
                $rest .= \pack('V2', $own[$i + 1], $own[$i + 2]);
            }
        }

        return new self($count, $second, $rest);
    }

    /**
     * As they were found before.
     *
     * @param  list<int>  $count
     * @param  list<int>  $second
     */
    public static function known(array $count, array $second, string $rest): self
    {
        return new self($count, $second, $rest);
    }

    /**
     * @param  list<int|null>  $labels  by vertex
     * @return array<int, int|null> by number of each triangle whose first corner has another label than both others: theirs
     */
    public function outvoted(array $labels): array
    {
        [$second, $rest] = [$this->second, $this->rest];
        $theirs = [];
        $k = 0;
        foreach ($this->count as $v => $triangles) {
            $own = $labels[$v];
            for ($end = $k + $triangles; $k < $end; $k++) {
                $other = $labels[$second[$k]];
                if ($other !== $own) {
                    /** @var array{third: int, number: int} $one written by us */
                    $one = \unpack('Vthird/Vnumber', $rest, 8 * $k);
                    if ($labels[$one['third']] === $other) {
                        $theirs[$one['number']] = $other;
                    }
                }
            }
        }

        return $theirs;
    }
}
