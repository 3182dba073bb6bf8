<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Http\Props\ColourProps;
use App\Models\Shelf\Paint;
use BackedEnum;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\Hiding;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotFields;
use Hyalin\Pot\PotKind;

/**
 * A pot with its three swatches: thick, one coat over black, one coat over white.
 */
final readonly class PaintProps
{
    /**
     * @param  int|null  $coatsToHide null when 40 coats do not hide
     * @param  array<string, string|int|null>  $described  what its form shows, by key of Hyalin\Pot\PotFields
     * @param  string|null  $flopHex second face of flakes, seen from the side; null for other pots
     */
    public function __construct(
        public int $id,
        public string $maker,
        public string $name,
        public PotKind $kind,
        public Sheen $sheen,
        public int $levelPercent,
        public string $thickHex,
        public ColourProps $thick,
        public ColourProps $overBlack,
        public ColourProps $overWhite,
        public Opacity $opacity,
        public TintingStrength $strength,
        public OpticsQuality $quality,
        public ?int $coatsToHide,
        public ?string $note,
        public bool $isMixed,
        public bool $isFlake,
        public ?string $flopHex,
        public array $described,
        public int $version,
    ) {
    }

    public static function of(Paint $paint): self
    {
        $pot = $paint->pot();
        $optics = $pot->optics;

        return new self(
            $paint->id,
            $paint->maker,
            $paint->name,
            kind: $paint->kind,
            sheen: $paint->sheen,
            levelPercent: $paint->level_percent,
            thickHex: $paint->thick_hex,
            thick: ColourProps::of(Srgb::hex($paint->thick_hex)->toXyz()->toLab()),
            overBlack: self::coatOver($optics, 0.0),
            overWhite: self::coatOver($optics, 1.0),
            opacity: $paint->opacity,
            strength: $paint->strength,
            quality: $paint->quality,
            coatsToHide: Hiding::coatsToHide($optics),
            note: $paint->note,
            isMixed: $pot->isMixed(),
            isFlake: $pot->isFlake(),
            flopHex: $pot->flop()?->toHex(),
            described: self::described($paint),
            version: $paint->version,
        );
    }

    /** @return array<string, string|int|null> every field that describes a pot, so that a form gives back what it was given */
    private static function described(Paint $paint): array
    {
        $described = [];
        foreach (PotFields::described() as $field) {
            $value = $paint->getAttribute($field->column());
            $described[$field->key] = $value instanceof BackedEnum ? $value->value : (is_string($value) || is_int($value) ? $value : null);
        }

        return $described;
    }

    /** One reference coat, off its highlight. */
    public static function coatOver(PaintOptics $optics, float $card): ColourProps
    {
        $film = $optics->filmOver(Reflectance::flat($card), FilmThickness::coats(1.0));

        return ColourProps::of(
            SpectralSum::under(Illuminant::D65)->xyz(Surface::of(Sheen::Gloss)->seen($film))->toLab(),
        );
    }
}
