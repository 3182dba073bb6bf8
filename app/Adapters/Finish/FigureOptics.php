<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use App\Models\Shelf\Paint;
use Closure;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralRecovery;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Doubt\DoubtfulLayer;
use Hyalin\Finish\Doubt\FinishDoubt;
use Hyalin\Finish\Doubt\Ingredient;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Layer;
use Hyalin\Finish\Section;
use Hyalin\Finish\SectionPrediction;
use Hyalin\Finish\SectionRow;
use Hyalin\Finish\Technique;
use Hyalin\Optics\BarePrint;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;

/**
 * What the core needs to know of a figure, or of one area of it: what a finish starts from, its sheen, the light it is
 * looked at in.
 */
final readonly class FigureOptics
{
    /** Areas may lie on areas that lie on others, so deep. */
    private const DEEPEST = 8;

    /** Surface through which the typed colour of a print is seen: a gloss one adds nothing to it. */
    private const TYPED = Sheen::Gloss;

    /** @param  array<string, list<float|null>>  $exposures  of the zones to directed sprays, as the mesh has them */
    private function __construct(
        public Reflectance $bare,
        public Surface $surface,
        public SectionPrediction $prediction,
        public SectionRow $start,
        private array $exposures,
        private AreaForm $form,
    ) {
    }

    /**
     * @param  Area|null  $area  null for the bare print; an area that lies on another starts from that one's finish
     * @param  Illuminant|null  $light  that of the figure by default
     * @param  array<string, list<float|null>>|null  $exposures  of the area; as the brief has them by default
     */
    public static function of(Figure $figure, ?Area $area = null, ?Illuminant $light = null, ?array $exposures = null): self
    {
        // What is left bare is seen as its colour was typed, whatever sheen its neighbours are painted in.
        $surface = Surface::of($area !== null && $area->is_left_bare ? self::TYPED : self::sheen($figure, $area));
        $bare = self::print($figure, $area?->loadMissing('part')->part);
        $prediction = SectionPrediction::under($light ?? $figure->light, $surface);

        return new self($bare, $surface, $prediction, self::beneath($figure, $prediction, $prediction->start($bare), $area, self::DEEPEST), self::exposures($area->zone_exposures ?? [], $exposures), $area->form ?? AreaForm::Shaped);
    }

    /**
     * What a mesh says of sprays is asked for here and there; the glow of a lamp is known to the brief alone.
     *
     * @param  array<string, list<float|null>>  $known  of the brief
     * @param  array<string, list<float|null>>|null  $own  null for those of the brief
     * @return array<string, list<float|null>>
     */
    private static function exposures(array $known, ?array $own): array
    {
        return $own === null ? $known : [...array_intersect_key($known, [Technique::Glow->value => true]), ...$own];
    }

    /**
     * What a finish starts from: the print. Of a clear one the light that goes through comes back only from what lies behind.
     */
    private static function print(Figure $figure, ?Part $part): Reflectance
    {
        $seen = SpectralRecovery::of(Srgb::hex($part->bare_hex ?? $figure->bare_hex)->toXyz());

        return BarePrint::of(Surface::of(self::TYPED)->insideOrBlack($seen), $part->translucency ?? 0.0);
    }

    /** @return Sheen of a finish that no varnish gives another: the area's own, or that of the figure */
    public static function sheen(Figure $figure, ?Area $area): Sheen
    {
        return $area->sheen ?? $figure->sheen;
    }

    /** @param  list<LayerDraft>  $drafts */
    public function section(array $drafts): Section
    {
        return $this->prediction->onTop($this->start, $this->layers($drafts));
    }

    /**
     * How sure the finished zones are.
     *
     * @param  list<LayerDraft>  $drafts
     */
    public function doubt(array $drafts): FinishDoubt
    {
        return FinishDoubt::of($this->prediction, $this->start, array_map(
            static fn (LayerDraft $draft, Layer $layer): DoubtfulLayer => new DoubtfulLayer($layer, array_map(
                static fn (array $entry): Ingredient => new Ingredient((string) $entry[0]->id, $entry[0]->optics(), $entry[1], $entry[0]->spread()),
                $draft->mix,
            )),
            $drafts,
            $this->layers($drafts),
        ));
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @param  (Closure(Paint): PaintOptics)|null  $optics  of a pot; as it is on the shelf by default
     * @param  Hand|null  $hand  that of the painter by default
     * @return list<Layer>
     */
    public function layers(array $drafts, ?Closure $optics = null, ?Hand $hand = null): array
    {
        return self::sprayed($drafts, $this->exposures, $this->form, $optics, $hand);
    }

    /**
     * @param  list<LayerDraft>  $drafts
     * @param  array<string, list<float|null>>  $exposures
     * @param  (Closure(Paint): PaintOptics)|null  $optics
     * @return list<Layer>
     */
    private static function sprayed(array $drafts, array $exposures, AreaForm $form, ?Closure $optics = null, ?Hand $hand = null): array
    {
        $layers = [];
        foreach ($drafts as $i => $draft) {
            $layer = $draft->toLayer($optics, $hand)->sprayedAs($exposures)->onForm($form);
            $before = $layers[$i - 1] ?? null;
            $layers[] = $draft->technique->spec()->blendsWet && $before !== null ? $layer->blendedInto($before->mix) : $layer;
        }

        return $layers;
    }

    private static function beneath(Figure $figure, SectionPrediction $prediction, SectionRow $bare, ?Area $area, int $deepest): SectionRow
    {
        if ($area?->lies_on_id === null || $deepest === 0) {
            return $bare;
        }
        $carrier = $figure->areasWithFinishes()->find($area->lies_on_id);
        if ($carrier === null) {
            return $bare;
        }
        $drafts = LayerDraft::stackOf($carrier);

        return $prediction->onTop(self::beneath($figure, $prediction, $bare, $carrier, $deepest - 1), self::sprayed($drafts, $carrier->zone_exposures ?? [], $carrier->form))->top();
    }
}
