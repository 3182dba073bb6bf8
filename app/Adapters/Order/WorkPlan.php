<?php

declare(strict_types=1);

namespace App\Adapters\Order;

use App\Adapters\Finish\LayerDraft;
use App\Http\Props\Finish\AreaFinishProps;
use App\Models\Brief\Area;
use App\Models\Brief\Boundary;
use App\Models\Brief\Figure;
use App\Models\Brief\Joint;
use App\Models\Brief\Part;
use App\Models\Order\OwnRule;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Technique;
use Hyalin\Order\InvalidOrder;
use Hyalin\Order\Plan\Approach;
use Hyalin\Order\Plan\AreaPlan;
use Hyalin\Order\Plan\BoundaryPlan;
use Hyalin\Order\Plan\FigurePlan;
use Hyalin\Order\Plan\JointPlan;
use Hyalin\Order\Plan\LayerPlan;
use Hyalin\Order\Plan\LayerTone;
use Hyalin\Order\Plan\PartPlan;
use Hyalin\Order\Rules\Constraint;
use Hyalin\Order\Steps\StepKind;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\PotKind;

/**
 * A figure as the order of work sees it: its colours become plain words, its techniques kinds of work.
 */
final class WorkPlan
{
    /** Square centimetres of an area that nobody measured: own estimate for a figure of 90 mm. */
    public const USUAL_CM2 = 5.0;

    /** @var list<Technique> sprayed on the whole figure before anything is masked */
    private const PRIMING = [Technique::SprayCan, Technique::ZenithalSpray, Technique::SlantedSpray, Technique::SprayFromBelow];

    /** @throws InvalidOrder when it cannot be built so */
    public static function of(Figure $figure): FigurePlan
    {
        $parts = array_values($figure->parts()->get()->map(static fn (Part $p): PartPlan => new PartPlan((string) $p->id, $p->name, $p->process, $p->is_base, $p->is_fiddly, $p->attachments))->all());
        $areas = $figure->areas()->with(['layers.paints.paint'])->get();
        $painter = $figure->painter()->firstOrFail();

        return FigurePlan::of(
            $parts,
            array_values($areas->map(static fn (Area $a): AreaPlan => self::area($a))->all()),
            array_values($figure->joints()->get()->map(static fn (Joint $j): JointPlan => new JointPlan((string) $j->part_id, (string) $j->other_id, array_map(strval(...), $j->hides ?? []), $j->seam))->all()),
            array_values($figure->boundaries()->get()->map(static fn (Boundary $b): BoundaryPlan => new BoundaryPlan((string) $b->area_id, (string) $b->other_id, $b->mm, $b->is_curved))->all()),
            array_values(array_filter(array_map(static fn (string $s): ?Approach => Approach::tryFrom($s), $painter->schools ?? []))),
            array_values($figure->ownRules()->get()->map(static fn (OwnRule $r): Constraint => $r->weight === null
                ? Constraint::must($r->before, $r->after, 'own rule', $r->reason)
                : Constraint::should($r->before, $r->after, $r->weight, 'own rule', $r->reason))->all()),
            $painter->paints()->where('kind', PotKind::Varnish)->where('level_percent', '>', 0)->exists(),
        );
    }

    private static function area(Area $area): AreaPlan
    {
        $layers = [];
        $path = '';
        $priming = true;
        foreach (AreaFinishProps::drafts($area) as $draft) {
            $path .= $draft->signature();
            // A colour from a can is a spray like any other, and masked; primer and the light sprayed on it are not.
            $priming = $priming && in_array($draft->technique, self::PRIMING, true) && ($draft->mainPot()->kind === PotKind::Primer || $draft->technique !== Technique::SprayCan);
            $layers[] = self::layer($draft, $priming ? $path : null);
        }

        return new AreaPlan((string) $area->id, $area->name, (string) $area->part_id, $area->depth, $area->square_cm ?? self::USUAL_CM2, $layers, $area->lies_on_id === null ? null : (string) $area->lies_on_id, $area->is_hidden, $area->reach);
    }

    /** @param  string|null  $shared  the same for one prime of several areas */
    private static function layer(LayerDraft $draft, ?string $shared): LayerPlan
    {
        $pots = array_column($draft->mix, 0);
        $pot = $draft->mainPot();

        return new LayerPlan(
            $draft->key,
            self::kind($draft->technique, $shared !== null),
            "{$draft->technique->value}, ".implode(' + ', array_map(static fn (array $e): string => "{$e[1]} {$e[0]->name}", $draft->mix)),
            self::chemistry($pot->kind),
            $draft->coats * $draft->technique->handsOnMinutes(),
            max($draft->technique->dryingMinutes(), $pot->kind->usual()->dryingMinutes),
            $shared,
            array_filter($pots, static fn (Paint $p): bool => $p->kind->isFlake()) !== [],
            $pot->kind === PotKind::Chrome,
            $draft->technique === Technique::Varnish ? $pot->sheen->value : null,
            count($draft->zones) === 5 && ($draft->technique === Technique::BaseCoat || $draft->technique === Technique::SprayCan || $draft->technique === Technique::Airbrush && $draft->coats > 1),
            $draft->technique === Technique::Chipping,
            self::tone($draft->technique),
            Srgb::hex($pot->thick_hex)->toXyz()->toLab()->lightness,
        );
    }

    private static function tone(Technique $technique): ?LayerTone
    {
        return match ($technique) {
            Technique::Wash, Technique::OneCoat, Technique::RecessShade => LayerTone::Shade,
            Technique::DryBrush, Technique::Overbrush, Technique::EdgeHighlight => LayerTone::Light,
            default => null,
        };
    }

    private static function kind(Technique $technique, bool $priming): StepKind
    {
        return match (true) {
            $priming => StepKind::Prime,
            $technique->isSprayed() => StepKind::Spray,
            default => match ($technique) {
                Technique::Wash, Technique::OneCoat, Technique::RecessShade, Technique::Glaze, Technique::Filter => StepKind::Wash,
                Technique::DryBrush, Technique::Overbrush, Technique::Stipple, Technique::Sponge, Technique::Spatter => StepKind::DryBrush,
                Technique::Decal => StepKind::Decal,
                Technique::Powder => StepKind::Powder,
                Technique::Varnish => StepKind::Varnish,
                default => StepKind::Brush,
            },
        };
    }

    private static function chemistry(PotKind $kind): Chemistry
    {
        return match ($kind) {
            PotKind::Chrome => Chemistry::Lacquer,
            PotKind::Enamel => Chemistry::Enamel,
            PotKind::Oil => Chemistry::Oil,
            PotKind::Powder => Chemistry::Powder,
            default => Chemistry::Acrylic,
        };
    }
}
