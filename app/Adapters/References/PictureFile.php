<?php

declare(strict_types=1);

namespace App\Adapters\References;

use App\Models\References\Picture;
use GdImage;
use Hyalin\Colour\Srgb;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\ChartCorners;
use Hyalin\Matching\Neutral\ChartFit;
use Hyalin\Matching\Neutral\ChartPatches;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Neutral\LightField;
use Hyalin\Matching\Sampling\ColourCorrection;
use Hyalin\Matching\Sampling\SampleStatistics;
use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * The pixels of a stored picture, and the colours they stand for once it is neutralised.
 */
final readonly class PictureFile
{
    /** Pixels that a doubt about a sample is judged by. */
    private const JUDGED = 8_000;

    private function __construct(private GdImage $image, private ?LightField $field = null)
    {
    }

    /** The same picture as if its light were even. */
    public function evened(?LightField $field): self
    {
        return new self($this->image, $field);
    }

    public static function of(Picture $picture): self
    {
        return self::decode((string) Storage::disk('local')->get($picture->path)) ?? throw new RuntimeException("the stored picture {$picture->path} cannot be decoded");
    }

    public static function decode(string $bytes): ?self
    {
        $image = imagecreatefromstring($bytes);
        if ($image === false) {
            return null;
        }
        if (! imageistruecolor($image)) {
            imagepalettetotruecolor($image);
        }

        return new self($image);
    }

    /**
     * @param  list<array{float, float}>  $points  see PictureRegion
     * @return list<int> packed 8-bit sRGB
     */
    public function pixels(string $method, array $points): array
    {
        return array_map(
            fn (array $at): int => $this->at($this->image, $at[0], $at[1]),
            PictureRegion::of($method, $points, imagesx($this->image), imagesy($this->image))->pixels,
        );
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{int, int, int}> x, y and packed colour; of a large region only its middle rows
     */
    public function located(string $method, array $points): array
    {
        $places = PictureRegion::of($method, $points, imagesx($this->image), imagesy($this->image))->pixels;
        $from = max(0, intdiv(count($places) - self::JUDGED, 2));

        return array_map(
            fn (array $at): array => [$at[0], $at[1], $this->at($this->image, $at[0], $at[1])],
            array_slice($places, $from, self::JUDGED),
        );
    }

    /**
     * @param  array{method: string, points: list<array{float, float}>, reflectance: float|null, others?: list<list<array{float, float}>>}  $neutral
     *
     * @throws InvalidInput saying why nothing can be neutralised on this
     */
    public function whiteBalance(array $neutral): WhiteBalance
    {
        if ($neutral['method'] === 'chart') {
            return $this->chart($neutral['points']);
        }
        $seen = SampleStatistics::of($this->pixels('lasso', $neutral['points']));
        $grey = GreyPatch::of($seen, $neutral['method'] === 'grey' ? ($neutral['reflectance'] ?? 0.18) : null);
        $at = [self::middle($neutral['points'])];
        $light = [self::lightOf($seen)];
        foreach ($neutral['others'] ?? [] as $outline) {
            $other = SampleStatistics::of($this->pixels('lasso', $outline));
            // Judged like the first: a second patch that is no grey would bend the light of the whole picture.
            GreyPatch::of($other, null);
            $at[] = self::middle($outline);
            $light[] = self::lightOf($other);
        }
        [$typical, $most] = $grey->expected();

        return new WhiteBalance($grey, count($at) > 1 ? LightField::through($at, $light) : null, $typical, $most);
    }

    /**
     * @param  list<array{float, float}>  $points  middles of the corner patches
     *
     * @throws InvalidInput
     */
    private function chart(array $points): WhiteBalance
    {
        $width = imagesx($this->image);
        $height = imagesy($this->image);
        $at = array_map(static fn (array $p): array => [$p[0] * $width, $p[1] * $height], $points);
        $corners = ChartCorners::of([$at[0], $at[1], $at[2], $at[3]]);
        $patches = $middles = [];
        for ($i = 0; $i < ChartPatches::COLUMNS * ChartPatches::ROWS; $i++) {
            $outline = array_map(static fn (array $p): array => [$p[0] / $width, $p[1] / $height], $corners->patch($i));
            $patches[] = self::lightOf(SampleStatistics::of($this->pixels('lasso', $outline)));
            $middles[] = self::middle($outline);
        }
        $fit = ChartFit::of($patches, $middles);

        return new WhiteBalance($fit, $fit->field, ...$fit->leftOut($patches, $middles));
    }

    /** @return array{float, float, float} linear-light sRGB */
    private static function lightOf(SampleStatistics $patch): array
    {
        return array_map(static fn (float $v): float => max(1e-4, $v), $patch->colour->toXyz()->toSrgb()->linear());
    }

    /**
     * @param  list<array{float, float}>  $outline
     * @return array{float, float}
     */
    private static function middle(array $outline): array
    {
        $n = max(1, count($outline));

        return [array_sum(array_column($outline, 0)) / $n, array_sum(array_column($outline, 1)) / $n];
    }

    /**
     * Every pixel corrected.
     *
     * @param  int  $side  longer side of what is drawn, in pixels
     * @return string PNG
     */
    public function drawn(ColourCorrection $correction, int $side): string
    {
        $image = $this->scaled($side);
        $decoded = array_map(static fn (int $code): float => Srgb::decode($code / 255), range(0, 255));
        // Photos hold far fewer colours than pixels: each is corrected once.
        $known = [];
        for ($y = 0, $height = imagesy($image); $y < $height; $y++) {
            for ($x = 0, $width = imagesx($image); $x < $width; $x++) {
                $p = $this->at($image, $x, $y);
                imagesetpixel($image, $x, $y, $known[$p] ??= self::code($correction->corrected([$decoded[$p >> 16], $decoded[($p >> 8) & 255], $decoded[$p & 255]])));
            }
        }
        ob_start();
        imagepng($image, null, 3);

        return (string) ob_get_clean();
    }

    /**
     * @param  array{float, float, float, float}|null  $crop
     * @return list<int> packed pixels of a smaller copy
     */
    public function overview(?array $crop, int $side): array
    {
        return array_merge(...$this->rows($crop, $side));
    }

    /**
     * @param  array{float, float, float, float}|null  $crop
     * @return list<list<int>> packed pixels of a smaller copy, by row
     */
    public function rows(?array $crop, int $side): array
    {
        $image = $this->scaled($side);
        [$left, $top, $width, $height] = $crop ?? [0.0, 0.0, 1.0, 1.0];
        $rows = [];
        for ($y = (int) floor($top * imagesy($image)), $bottom = (int) ceil(($top + $height) * imagesy($image)); $y < min($bottom, imagesy($image)); $y++) {
            $row = [];
            for ($x = (int) floor($left * imagesx($image)), $right = (int) ceil(($left + $width) * imagesx($image)); $x < min($right, imagesx($image)); $x++) {
                $row[] = $this->at($image, $x, $y);
            }
            $rows[] = $row;
        }

        return $rows;
    }

    /**
     * The picture in little squares.
     *
     * @param  array{float, float, float, float}|null  $crop
     * @param  int  $side  longer side of the copy that is cut up
     * @return list<array{float, float, int, int}> centre 0..1, packed mean, largest difference of codes within
     */
    public function squares(?array $crop, int $side, int $pixels): array
    {
        $image = $this->scaled($side);
        [$left, $top, $width, $height] = $crop ?? [0.0, 0.0, 1.0, 1.0];
        $squares = [];
        for ($y = (int) ceil($top * imagesy($image)); $y + $pixels <= ($top + $height) * imagesy($image); $y += $pixels) {
            for ($x = (int) ceil($left * imagesx($image)); $x + $pixels <= ($left + $width) * imagesx($image); $x += $pixels) {
                $sums = [0, 0, 0];
                $least = [255, 255, 255];
                $most = [0, 0, 0];
                for ($i = 0; $i < $pixels * $pixels; $i++) {
                    $p = $this->at($image, $x + $i % $pixels, $y + intdiv($i, $pixels));
                    foreach ([$p >> 16 & 255, $p >> 8 & 255, $p & 255] as $c => $v) {
                        $sums[$c] += $v;
                        $least[$c] = min($least[$c], $v);
                        $most[$c] = max($most[$c], $v);
                    }
                }
                $mean = array_map(static fn (int $sum): int => (int) round($sum / ($pixels * $pixels)), $sums);
                $squares[] = [
                    ($x + $pixels / 2) / imagesx($image),
                    ($y + $pixels / 2) / imagesy($image),
                    $mean[0] << 16 | $mean[1] << 8 | $mean[2],
                    max($most[0] - $least[0], $most[1] - $least[1], $most[2] - $least[2]),
                ];
            }
        }

        return $squares;
    }

    /** @return int packed colour of a pixel of the picture or a smaller copy, in even light */
    private function at(GdImage $image, int $x, int $y): int
    {
        $packed = (int) imagecolorat($image, $x, $y) & 0xFFFFFF;
        if ($this->field === null) {
            return $packed;
        }

        return self::code($this->field->evened(
            [Srgb::decode(($packed >> 16) / 255), Srgb::decode(($packed >> 8 & 255) / 255), Srgb::decode(($packed & 255) / 255)],
            ($x + 0.5) / imagesx($image),
            ($y + 0.5) / imagesy($image),
        ));
    }

    private function scaled(int $side): GdImage
    {
        $scale = min(1.0, $side / max(imagesx($this->image), imagesy($this->image)));
        $small = imagescale($this->image, max(1, (int) round(imagesx($this->image) * $scale)), max(1, (int) round(imagesy($this->image) * $scale)), IMG_BILINEAR_FIXED);

        return $small ?: throw new RuntimeException('a picture could not be scaled');
    }

    /** @param  array{float, float, float}  $linear */
    private static function code(array $linear): int
    {
        $code = 0;
        foreach ($linear as $v) {
            $code = $code << 8 | (int) round(255 * Srgb::encode(max(0.0, min(1.0, $v))));
        }

        return $code;
    }
}
