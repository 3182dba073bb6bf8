<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * A part of an evened photo, looked at once and asked often.
 */
final readonly class EvenedGrid
{
    private const TILE = 12.0;

    /** @param  array<int, array{float, float, float}>  $lights  linear light by row * columns + column; none outside of the picture */
    private function __construct(public Box $box, public float $step, public int $columns, public int $rows, public array $lights)
    {
    }

    /** @param  float  $step  mm */
    public static function of(EvenedPhoto $photo, Box $box, float $step): self
    {
        $columns = (int) ($box->width / $step);
        $rows = (int) ($box->height / $step);
        $side = max(2, (int) round(self::TILE / $step));
        $lights = [];
        for ($row = 0; $row < $rows; $row += $side) {
            for ($column = 0; $column < $columns; $column += $side) {
                [$wide, $tall] = [min($side, $columns - $column), min($side, $rows - $row)];
                $tile = $photo->pixels(new Box($box->x + $column * $step, $box->y + $row * $step, $wide * $step, $tall * $step), $step);
                if (count($tile) !== $wide * $tall) {
                    continue;
                }
                foreach ($tile as $n => $pixel) {
                    $lights[($row + intdiv($n, $wide)) * $columns + $column + $n % $wide] = [$pixel[0], $pixel[1], $pixel[2]];
                }
            }
        }

        return new self($box, $step, $columns, $rows, $lights);
    }

    /** @return array{float, float, float}|null null outside of it */
    public function at(float $x, float $y): ?array
    {
        $column = (int) floor(($x - $this->box->x) / $this->step);
        $row = (int) floor(($y - $this->box->y) / $this->step);

        return $column >= 0 && $column < $this->columns ? $this->lights[$row * $this->columns + $column] ?? null : null;
    }

    /** @return array{float, float} mm of the middle of a place of the grid */
    public function place(int $at): array
    {
        return [$this->box->x + ($at % $this->columns + 0.5) * $this->step, $this->box->y + (intdiv($at, $this->columns) + 0.5) * $this->step];
    }
}
