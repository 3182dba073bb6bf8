<?php

declare(strict_types=1);

namespace App\Http\Props\Cups;

use App\Adapters\Cups\CupContents;
use App\Http\Props\ColourProps;
use App\Http\Props\PotProps;
use App\Http\Props\Shelf\PaintProps;
use App\Models\Cups\CupEntry;
use App\Models\Cups\CupRecord;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Likeness;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * A cup as it stands: what is in it, what it looks like wet and dry, the recipe to write down, how far from its target.
 */
final readonly class CupProps
{
    /**
     * @param  string|null  $stepUrl  of the step it was mixed for
     * @param  list<CupPartProps>  $parts  largest first
     * @param  int  $recipeDrops  drops of the nearest whole-drop recipe
     * @param  float  $recipeError  largest share the recipe is off by, 0..1
     * @param  string  $openedAt ISO 8601
     * @param  list<CupEntryProps>  $entries  newest first
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?string $place,
        public ?string $stepUrl,
        public float $millilitres,
        public array $parts,
        public int $recipeDrops,
        public float $recipeError,
        public ?ColourProps $wet,
        public ?ColourProps $dry,
        public ?ColourProps $overBlack,
        public ?ColourProps $overWhite,
        public ?OpticsQuality $quality,
        public ?ColourProps $target,
        public ?float $difference,
        public ?Likeness $likeness,
        public string $openedAt,
        public int $potLifeMinutes,
        public bool $emptied,
        public array $entries,
    ) {
    }

    public static function of(CupRecord $cup): self
    {
        $contents = CupContents::of($cup);
        $filled = $contents->cup->total() > 0;
        $optics = $filled ? $contents->cup->optics($contents->optics()) : null;
        $recipe = $filled ? $contents->cup->nearestRecipe() : null;
        $shares = $filled ? $contents->cup->shares() : [];
        arsort($shares);
        $parts = [];
        foreach ($shares as $key => $share) {
            $pot = $contents->pots[$key] ?? null;
            $parts[] = new CupPartProps($pot === null ? null : PotProps::of($pot), $contents->cup->volumes[$key], $share, $recipe->drops[$key] ?? 0);
        }
        $target = $cup->target();
        $dry = $optics === null ? null : self::thick($optics, Sheen::Matt);
        $difference = $target !== null && $dry !== null ? DifferenceFormula::Ciede2000->between($target, $dry) : null;

        return new self(
            $cup->id,
            $cup->name,
            $cup->area === null ? null : "{$cup->area->figure?->name}, {$cup->area->name}",
            stepUrl: $cup->runStep === null ? null : route('runs.show', ['run' => $cup->runStep->run_id, 'step' => $cup->runStep->position], false),
            millilitres: round($contents->cup->total(), 6),
            parts: $parts,
            recipeDrops: $recipe?->total() ?? 0,
            recipeError: $recipe->error ?? 0.0,
            wet: $optics === null ? null : ColourProps::of(self::thick($optics, Sheen::Gloss)),
            dry: $dry === null ? null : ColourProps::of($dry),
            overBlack: $optics === null ? null : PaintProps::coatOver($optics, 0.0),
            overWhite: $optics === null ? null : PaintProps::coatOver($optics, 1.0),
            quality: $optics?->quality,
            target: $target === null ? null : ColourProps::of($target),
            difference: $difference,
            likeness: $difference === null ? null : Likeness::of($difference),
            openedAt: (string) $cup->created_at->toIso8601String(),
            potLifeMinutes: $cup->pot_life_minutes,
            emptied: $cup->emptied_at !== null,
            entries: array_values($cup->entries->reverse()->map(static fn (CupEntry $e): CupEntryProps => CupEntryProps::of($e))->all()),
        );
    }

    /** Wet paint is gloss; what it dries to is taken as matt. */
    public static function thick(PaintOptics $optics, Sheen $sheen): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz(Surface::of($sheen)->seen($optics->masstone()))->toLab();
    }
}
