<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Adapters\Shelf\SheetPhotoFile;
use App\Devices\SheetPrint;
use App\Devices\SheetRender;
use App\Devices\SheetScene;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\SpectralSum;
use Hyalin\Sheet\Photo;
use Hyalin\Sheet\SheetLayout;
use RuntimeException;

/**
 * Painted sheets, their photos, and what their colours really are.
 */
final class SheetPhotos
{
    /** Twelve colours all over the room, L*, a*, b*. */
    public const COLOURS = [
        [30, 5, 4], [45, 48, 30], [62, 35, 60], [78, -2, 70], [52, -38, 30], [40, -10, -12], [35, 10, -42], [38, 30, -30], [66, 20, 18], [80, 0, 2], [60, 0, 0], [88, -4, 12],
    ];

    /** @return array<int, array<string, list<Reflectance>>> thick in each of the colours, thinner over paper and black */
    public static function painted(): array
    {
        $fields = [];
        foreach (self::COLOURS as $lab) {
            $thick = SpectralRecovery::of(Lab::of(...$lab)->toXyz());
            $over = static fn (Reflectance $under, float $share): Reflectance => Reflectance::of(array_map(static fn (float $p, float $q): float => $share * $p + (1 - $share) * $q, $thick->values, $under->values));
            $fields[] = [
                'overBlack' => [$over(SheetPrint::ink(), 0.7)], 'overWhite' => [$over(SheetPrint::paper(), 0.7)], 'thick' => [$thick], 'tint' => [$over(Reflectance::flat(0.85), 0.3)],
            ];
        }

        return $fields;
    }

    /** @param  array<int, array<string, list<Reflectance>>>  $fields */
    public static function jpeg(int $number, SheetScene $scene, array $fields): string
    {
        return SheetRender::jpeg(new SheetPrint($number, SheetLayout::of(12), $fields, $scene->card, $scene->seed), $scene);
    }

    /** @return array{Photo, Photo} the picture and its small copy */
    public static function photos(string $jpeg): array
    {
        return SheetPhotoFile::photos(imagecreatefromstring($jpeg) ?: throw new RuntimeException('no picture'));
    }

    public static function lab(Reflectance $surface): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz($surface)->toLab();
    }
}
