<?php

declare(strict_types=1);

namespace Hyalin\Sheet;

use Hyalin\Numeric\Homography;

/**
 * A photo of a sheet, asked by places in mm and answered as if all of it lay in the light of one place: that of the card.
 */
final readonly class EvenedPhoto
{
    /** @param  array{float, float, float}  $reference  light of bare paper there */
    private function __construct(private Photo $photo, public Homography $map, public PaperLight $light, public array $reference)
    {
    }

    public static function of(Photo $photo, Homography $map, PaperLight $light): self
    {
        return new self($photo, $map, $light, $light->light(...SheetLayout::card()->middle()));
    }

    /** @return float pixels in a millimetre */
    public function scale(Box $box): float
    {
        return $this->map->scaleAt(...$box->middle());
    }

    /**
     * Places of a box in rows; the light is followed from the corners inwards.
     *
     * @param  float  $step  mm from one to the next, never less than a pixel
     * @return list<array{float, float, float, bool}> linear light in the light of the card, and whether a channel is at its end; none
     *                                                 outside of the picture
     */
    public function pixels(Box $box, float $step = 0.2): array
    {
        $linear = Photo::decoded();
        $step = max($step, 1 / $this->scale($box));
        // A box of whole steps has all of them, whatever the last digit says.
        $columns = max(2, (int) ($box->width / $step + 1e-6));
        $rows = max(2, (int) ($box->height / $step + 1e-6));
        $corners = array_map(fn (array $p): array => $this->light->light(...$p), $box->corners());
        $middle = $this->light->light(...$box->middle());
        $pixels = [];
        for ($row = 0; $row < $rows; $row++) {
            $v = ($row + 0.5) / $rows;
            for ($column = 0; $column < $columns; $column++) {
                $u = ($column + 0.5) / $columns;
                $packed = $this->photo->packed(...$this->map->at($box->x + $u * $box->width, $box->y + $v * $box->height));
                if ($packed < 0) {
                    continue;
                }
                // Bilinear from the corners, and what the middle differs from that, which is 1 there and 0 on the rim.
                $bulge = 16 * $u * (1 - $u) * $v * (1 - $v);
                $pixel = [0.0, 0.0, 0.0];
                foreach ([$packed >> 16, $packed >> 8 & 255, $packed & 255] as $c => $code) {
                    $mean = ($corners[0][$c] + $corners[1][$c] + $corners[2][$c] + $corners[3][$c]) / 4;
                    $light = (1 - $v) * ((1 - $u) * $corners[0][$c] + $u * $corners[1][$c]) + $v * ((1 - $u) * $corners[3][$c] + $u * $corners[2][$c])
                        + $bulge * ($middle[$c] - $mean);
                    $pixel[$c] = $linear[$code] * $this->reference[$c] / $light;
                }
                $pixels[] = [$pixel[0], $pixel[1], $pixel[2], min($packed >> 16, $packed >> 8 & 255, $packed & 255) === 0 || max($packed >> 16, $packed >> 8 & 255, $packed & 255) === 255];
            }
        }

        return $pixels;
    }
}
