<?php

declare(strict_types=1);

namespace App\Http\Props\Help;

use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Layer;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;

/**
 * One part of the model, in pictures that the model itself computes.
 */
final readonly class ModelPartProps
{
    /** @param  list<ModelRowProps>  $rows */
    public function __construct(public string $title, public string $words, public array $rows, public string $source)
    {
    }

    /** @return list<self> */
    public static function all(): array
    {
        $yellow = self::paint('#e2b021');
        $blue = self::paint('#1f4fa0', Opacity::FiveCoats);
        $dark = self::paint('#2a2420', Opacity::Wash);
        $ochre = self::paint('#c98f1f');

        return [self::mixing($yellow, $blue), self::films($ochre), self::zones($ochre, $dark), self::sheens(self::paint('#24407a')), self::lamps($yellow, $blue)];
    }

    private static function mixing(PaintOptics $yellow, PaintOptics $blue): self
    {
        $parts = range(0, 6);
        $mixed = array_map(static fn (int $n): string => self::thick(match ($n) {
            0 => $yellow,
            6 => $blue,
            default => PaintOptics::mixed([[$yellow, 6.0 - $n], [$blue, (float) $n]]),
        }), $parts);
        [$from, $to] = [Srgb::hex($mixed[0])->toArray(), Srgb::hex($mixed[6])->toArray()];
        $averaged = array_map(static fn (int $n): string => Srgb::of(...array_map(static fn (float $p, float $q): float => $p + ($q - $p) * $n / 6, $from, $to))->toHex(), $parts);

        return new self('Mixing', 'A paint absorbs and scatters each wavelength by an amount of its own. In a mix these amounts add up by volume, for 36 bands from 380 to 730 nm. So yellow and blue make green: the bands that both leave. Averaging their screen colours would make a grey.', [
            new ModelRowProps('as paint mixes', $mixed, array_map(static fn (int $n): string => (6 - $n)." : {$n}", $parts)),
            new ModelRowProps('screen colours averaged, which no paint does', $averaged),
        ], 'P. Kubelka, F. Munk, Ein Beitrag zur Optik der Farbanstriche, 1931; D. R. Duncan, The colour of pigment mixtures, 1940');
    }

    private static function films(PaintOptics $ochre): self
    {
        $coats = [0.5, 1.0, 2.0, 3.0, 5.0];
        $over = static fn (float $card): array => array_map(static fn (float $n): string => self::hex(Surface::of(Sheen::Matt)->seen($ochre->filmOver(Reflectance::flat($card), FilmThickness::coats($n)))), $coats);
        $labels = array_map(static fn (float $n): string => $n === 1.0 ? '1 coat' : "{$n} coats", $coats);

        return new self('Coats', 'A coat is a film: some of the light goes through it, comes back from what lies below, and goes through it again. That is why an undercoat matters, and why three thin coats are not one thick one over black.', [
            new ModelRowProps('over black', $over(0.03), $labels), new ModelRowProps('over white', $over(0.9)),
        ], 'P. Kubelka, New contributions to the optics of intensely light-scattering materials, 1948');
    }

    private static function zones(PaintOptics $ochre, PaintOptics $dark): self
    {
        $prediction = SectionPrediction::under(Illuminant::D65, Surface::of(Sheen::Matt));
        $layer = static fn (Technique $t, PaintOptics $p, int $coats = 1): Layer => Layer::of($t, $p, $t->spec()->usualThinner, $coats, Zone::cases());
        $stack = [$layer(Technique::BaseCoat, $ochre, 2), $layer(Technique::Wash, $dark), $layer(Technique::DryBrush, self::paint('#f4e2b0'), 2)];
        $rows = [];
        foreach (['base coat', 'then a wash', 'then dry brush'] as $n => $words) {
            $top = $prediction->of(Reflectance::flat(0.2), array_slice($stack, 0, $n + 1))->top();
            $rows[] = new ModelRowProps($words, array_map(static fn (Zone $z): string => self::shown($top->cell($z)->seen), Zone::cases()), $n === 0 ? array_column(Zone::cases(), 'value') : []);
        }

        return new self('Zones', 'What is painted on a relief does not lie alike everywhere. Each technique leaves its own amount in the recess, the shade, the mid tone, the light and on the edge: a wash stands in the recess, a dry brush catches the edge. Every layer is computed over what lies there already.', $rows, 'Own estimates of each technique, which your test chips replace');
    }

    private static function sheens(PaintOptics $blue): self
    {
        $sheens = [Sheen::Matt, Sheen::Satin, Sheen::Gloss];

        return new self('Sheen', 'A matt surface scatters some white light of its own over the colour. The same paint is deeper under gloss: dark colours change most.', [
            new ModelRowProps('one paint', array_map(static fn (Sheen $s): string => self::hex(Surface::of($s)->seen($blue->masstone())), $sheens), array_column($sheens, 'value')),
        ], 'J. L. Saunderson, Calculation of the color of pigmented plastics, 1942');
    }

    private static function lamps(PaintOptics $yellow, PaintOptics $blue): self
    {
        $green = Surface::of(Sheen::Matt)->seen(PaintOptics::mixed([[$yellow, 2.0], [$blue, 1.0]])->masstone());
        $lights = [Illuminant::D65, Illuminant::D50, Illuminant::Led, Illuminant::A];

        return new self('Light', 'Spectra are kept, not screen colours: so the same finish can be shown in another light, and two mixes that agree by day and part under a lamp are found before they are painted.', [
            new ModelRowProps('one mix', array_map(static fn (Illuminant $i): string => SpectralSum::under($i)->xyz($green)->toSrgb()->toHex(), $lights), array_map(static fn (Illuminant $i): string => $i->label(), $lights)),
        ], 'CIE 015:2018, Colorimetry');
    }

    private static function paint(string $hex, Opacity $opacity = Opacity::TwoCoats): PaintOptics
    {
        return PaintEstimate::fromColour(Srgb::hex($hex), $opacity, TintingStrength::Usual);
    }

    private static function thick(PaintOptics $paint): string
    {
        return self::hex(Surface::of(Sheen::Matt)->seen($paint->masstone()));
    }

    private static function hex(Reflectance $seen): string
    {
        return self::shown(SpectralSum::under(Illuminant::D65)->xyz($seen)->toLab());
    }

    private static function shown(Lab $lab): string
    {
        return GamutMapping::displayed($lab)->shown->toHex();
    }
}
