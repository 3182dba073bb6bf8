<?php

declare(strict_types=1);

namespace App\Adapters;

use App\Models\Picture;
use GdImage;
use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * The pixels of a stored reference.
 */
final readonly class PictureFile
{
    private function __construct(private GdImage $image)
    {
    }

    public static function of(Picture $picture): self
    {
        $image = imagecreatefromstring((string) Storage::disk('local')->get($picture->path));
        if ($image === false) {
            throw new RuntimeException("the stored picture {$picture->path} cannot be decoded");
        }
        if (! imageistruecolor($image)) {
            imagepalettetotruecolor($image);
        }

        return new self($image);
    }

    /**
     * @param  array{float, float}  $centre  0..1 of width and height
     * @param  float  $radius  0..1 of the width
     * @return list<int> packed 8-bit sRGB
     */
    public function spot(array $centre, float $radius): array
    {
        $width = imagesx($this->image);
        $cx = $centre[0] * $width;
        $cy = $centre[1] * imagesy($this->image);
        $r = max(0.5, $radius * $width);

        return $this->within(
            $cx - $r, $cy - $r, $cx + $r, $cy + $r,
            static fn (float $x, float $y): bool => ($x - $cx) ** 2 + ($y - $cy) ** 2 <= $r * $r,
        );
    }

    /**
     * @param  list<array{float, float}>  $outline  0..1 of width and height
     * @return list<int> packed 8-bit sRGB
     */
    public function lasso(array $outline): array
    {
        $width = imagesx($this->image);
        $height = imagesy($this->image);
        $xs = array_map(static fn (array $p): float => $p[0] * $width, $outline);
        $ys = array_map(static fn (array $p): float => $p[1] * $height, $outline);
        $n = count($outline);

        return $this->within(
            min($xs ?: [0]), min($ys ?: [0]), max($xs ?: [0]), max($ys ?: [0]),
            // Even-odd rule: a ray to the right crosses the outline an odd number of times.
            static function (float $x, float $y) use ($xs, $ys, $n): bool {
                $inside = false;
                for ($i = 0, $j = $n - 1; $i < $n; $j = $i++) {
                    if (($ys[$i] > $y) !== ($ys[$j] > $y)
                        && $x < ($xs[$j] - $xs[$i]) * ($y - $ys[$i]) / ($ys[$j] - $ys[$i]) + $xs[$i]) {
                        $inside = ! $inside;
                    }
                }

                return $inside;
            },
        );
    }

    /**
     * @param  callable(float, float): bool  $holds  asked for pixel centres
     * @return list<int>
     */
    private function within(float $left, float $top, float $right, float $bottom, callable $holds): array
    {
        $pixels = [];
        $lastX = min(imagesx($this->image) - 1, (int) $right);
        $lastY = min(imagesy($this->image) - 1, (int) $bottom);
        for ($y = max(0, (int) $top); $y <= $lastY; $y++) {
            for ($x = max(0, (int) $left); $x <= $lastX; $x++) {
                if ($holds($x + 0.5, $y + 0.5)) {
                    $pixels[] = (int) imagecolorat($this->image, $x, $y) & 0xFFFFFF;
                }
            }
        }

        return $pixels;
    }
}
