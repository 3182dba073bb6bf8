<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

/**
 * Where everything is on a swatch sheet, in mm from the upper left corner of a frame of 186 by 258 mm that fits on A4 and on
 * Letter: seven marks, a field for each pot, a place for the grey card or the chart, printed black, and paper between all of it.
 */
final readonly class SheetLayout
{
    public const WIDTH = 186.0;

    public const HEIGHT = 258.0;

    /** A mark: a ring of one module around six by six of them. */
    public const MARK = 14.0;

    public const MODULE = self::MARK / (MarkCode::SIDE + 2);

    private const FIELDS_TOP = 24.0;

    private const FIELDS_HEIGHT = 162.0;

    private const GAP = 4.0;

    /** Columns and rows by how many fields they hold. */
    private const GRIDS = [12 => [3, 4], 18 => [3, 6], 24 => [4, 6]];

    private function __construct(public int $columns, public int $rows)
    {
    }

    /**
     * @param  int  $fields  1..24
     *
     * @throws InvalidSheet for none or more
     */
    public static function of(int $fields): self
    {
        foreach (self::GRIDS as $most => [$columns, $rows]) {
            if ($fields >= 1 && $fields <= $most) {
                return new self($columns, $rows);
            }
        }
        throw InvalidSheet::fields($fields, array_key_last(self::GRIDS));
    }

    public static function mostFields(): int
    {
        return array_key_last(self::GRIDS);
    }

    /** @return list<Box> by number of the mark: corners clockwise, then left and right above the lower ones, then the middle of the upper edge */
    public static function marks(): array
    {
        $right = self::WIDTH - self::MARK;
        $bottom = self::HEIGHT - self::MARK;

        return array_map(static fn (array $at): Box => new Box($at[0], $at[1], self::MARK, self::MARK), [
            [0.0, 0.0], [$right, 0.0], [$right, $bottom], [0.0, $bottom], [0.0, 188.0], [$right, 188.0], [$right / 2, 0.0],
        ]);
    }

    /** @return Box for the grey card or the chart */
    public static function card(): Box
    {
        return new Box(37.0, 189.0, 112.0, 68.0);
    }

    /** @return list<Box> printed black and left bare */
    public static function blacks(): array
    {
        return [new Box(0.0, 206.0, self::MARK, 34.0), new Box(self::WIDTH - self::MARK, 206.0, self::MARK, 34.0)];
    }

    public function cell(int $field): Box
    {
        $width = self::WIDTH / $this->columns;
        $height = self::FIELDS_HEIGHT / $this->rows;

        return new Box($field % $this->columns * $width, self::FIELDS_TOP + intdiv($field, $this->columns) * $height, $width, $height);
    }

    /** @return string like B3: row and column, as it is printed beside the name */
    public function code(int $field): string
    {
        return chr(ord('A') + intdiv($field, $this->columns)).($field % $this->columns + 1);
    }

    public function place(int $field, Place $place): Box
    {
        $cell = $this->cell($field);
        [$top, $height] = [$cell->y + 5.5, $cell->height - 5.5 - self::GAP];
        $coat = 0.27 * $cell->width;
        $spots = $cell->x + 2.0 + 2 * $coat + self::GAP;
        $spot = ($height - 2.0) / 2;
        $width = $cell->x + $cell->width - 2.0 - $spots;

        return match ($place) {
            Place::OverBlack => new Box($cell->x + 2.0, $top, $coat, $height),
            Place::OverWhite => new Box($cell->x + 2.0 + $coat, $top, $coat, $height),
            Place::Thick => new Box($spots, $top, $width, $spot),
            Place::Tint => new Box($spots, $top + $spot + 2.0, $width, $spot),
        };
    }

    /** @return list<array{float, float}> middles of places that are bare paper, 1.5 mm across or more */
    public function paper(): array
    {
        $at = [];
        foreach (range(0, $this->columns * $this->rows - 1) as $field) {
            $cell = $this->cell($field);
            $bottom = $cell->y + $cell->height - self::GAP / 2 - 0.3;
            foreach ([0.1, 0.3, 0.5, 0.7, 0.9] as $share) {
                $at[] = [$cell->x + $share * $cell->width, $bottom];
            }
            $coat = $this->place($field, Place::OverWhite);
            $gap = $coat->x + $coat->width + self::GAP / 2;
            foreach ([0.05, 0.35, 0.65, 0.95] as $share) {
                $at[] = [$gap, $coat->y + $share * $coat->height];
            }
        }
        foreach ([20.0, 60.0, 126.0, 166.0] as $x) {
            $at[] = [$x, 21.5];
        }
        // Around the card, under which there is none, as densely as the edge of a shadow asks for.
        foreach (range(18, 168, 6) as $x) {
            $at[] = [(float) $x, 186.6];
            $at[] = [(float) $x, self::HEIGHT + 1.8];
        }
        foreach (range(192, 252, 6) as $y) {
            foreach ([18.0, 26.0, 34.0, 152.0, 160.0, 168.0] as $x) {
                $at[] = [$x, (float) $y];
            }
        }

        return $at;
    }
}
