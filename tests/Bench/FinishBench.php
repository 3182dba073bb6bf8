<?php

declare(strict_types=1);

namespace Tests\Bench;

use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Tests\Support\InventedShelf;

/**
 * What a page asks for with every change.
 */
final class FinishBench
{
    public function run(): void
    {
        $paints = (new InventedShelf(2027))->paints(12);
        $layers = array_map(
            static fn (int $i): Layer => Layer::of(Technique::cases()[$i % 9], $paints[$i], 0.5, 1 + $i % 2, Technique::cases()[$i % 9]->spec()->usualZones),
            range(0, 11),
        );
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Satin));
        $section = new Sample;
        $one = new Sample;
        for ($i = 0; $i < 200; $i++) {
            $section->time(static fn () => $prediction->of(Reflectance::flat(0.3), $layers));
            $one->time(static fn () => $prediction->of(Reflectance::flat(0.3), array_slice($layers, 0, 1)));
        }
        printf("section, 12 layers x 5 zones: median %.2f ms, %.1f times one layer\n", $section->median(), $section->median() / $one->median());
        $recovery = new Sample;
        for ($i = 0; $i < 500; $i++) {
            $colour = Srgb::hex(sprintf('#%06x', ($i * 7_654_321) & 0xFFFFFF))->toXyz();
            $recovery->time(static fn () => SpectralRecovery::of($colour));
        }
        printf("spectrum from sRGB: median %.2f ms, 95th percentile %.2f ms\n", $recovery->median(), $recovery->quantile(0.95));
    }
}
