<?php

declare(strict_types=1);

namespace App\Actions\Finish;

use App\Adapters\Finish\AreaProposals;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\FigureProposal;
use App\Adapters\Finish\Hands;
use App\Adapters\Finish\OneMorePot;
use App\Adapters\Finish\ProposalShelf;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Hyalin\Colour\GamutMapping;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\Zone;
use Hyalin\Matching\Proposals\FigureProposals;
use Hyalin\Matching\Proposals\PotRole;
use Hyalin\Matching\Proposals\ProposalSearch;
use Hyalin\Matching\Proposals\RampReach;
use Hyalin\Matching\Proposals\ShelfPot;
use Hyalin\Mixing\ShelfReach;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\PaintEstimate;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Optics\TintingStrength;
use Hyalin\Progress;
use Illuminate\Validation\ValidationException;

/**
 * Complete finishes for an area, or for all areas of a figure at once, from what was sampled and what is on the shelf.
 */
final readonly class ProposeFinishes
{
    public function __construct(private Hands $hands)
    {
    }

    /**
     * @param  list<int>|null  $only  ids of the pots to use
     *
     * @throws ValidationException when there is nothing to propose from
     */
    public function forArea(Figure $figure, Area $area, Painter $painter, bool $brushOnly, ?array $only): AreaProposals
    {
        $shelf = ProposalShelf::of($painter, $only);
        $targets = self::targets($area);
        $proposals = $this->search($figure, $area, $painter, $shelf->shelf, $targets)->find(ProposalShelf::kinds($brushOnly));
        if ($proposals === []) {
            throw ValidationException::withMessages(['shelf' => $area->form === AreaForm::Metal
                ? "{$area->name} is to be true metal: that needs a pot of metal flakes and a primer."
                : 'These pots are not enough for a finish: it needs a light or dark primer and at least one paint to mix.']);
        }

        return new AreaProposals($shelf, $proposals, $targets, self::reach($figure, $area, $shelf, $targets));
    }

    /** @throws ValidationException */
    public function oneMorePot(Figure $figure, Area $area, Painter $painter, bool $brushOnly): OneMorePot
    {
        $shelf = ProposalShelf::of($painter);
        $targets = self::targets($area);
        $best = $this->search($figure, $area, $painter, $shelf->shelf, $targets)->find(ProposalShelf::kinds($brushOnly))[0]
            ?? throw ValidationException::withMessages(['shelf' => 'No finish can be proposed from this shelf.']);
        $missed = $best->differences;
        arsort($missed);
        $zone = (string) array_key_first($missed);
        $colour = $targets[$zone] ?? Lab::of(50, 0, 0);
        $pot = new ShelfPot(PaintEstimate::fromColour(GamutMapping::displayed($colour)->shown, Opacity::TwoCoats, TintingStrength::Usual), PotRole::Covering);
        $after = $this->search($figure, $area, $painter, [...$shelf->shelf, $pot], $targets)->find(ProposalShelf::kinds($brushOnly))[0] ?? $best;

        return new OneMorePot($colour, Zone::from($zone), $best->total, min($best->total, $after->total));
    }

    /**
     * @param  list<int>|null  $only  ids of the pots to use
     *
     * @throws ValidationException when no area has a sample
     */
    public function forFigure(Figure $figure, Painter $painter, bool $brushOnly, ?int $mostPots, ?array $only, ?Progress $progress): FigureProposal
    {
        $shelf = ProposalShelf::of($painter, $only);
        $areas = $figure->areas()->with(['samples', 'layers.paints.paint', 'part'])->get()->filter(static fn (Area $a): bool => $a->samples->isNotEmpty())->keyBy('id');
        $asked = [];
        $prediction = null;
        foreach ($areas as $id => $area) {
            $optics = FigureOptics::of($figure, $area, Illuminant::D65);
            $prediction ??= $optics->prediction;
            $asked["a{$id}"] = [$optics->start, self::targets($area), $this->hands->practice($painter->id, $area)];
        }
        if ($prediction === null) {
            throw ValidationException::withMessages(['figure' => 'No area of this figure has a colour to match yet: take some from a reference first.']);
        }
        $found = FigureProposals::find($prediction, $shelf->shelf, $asked, ProposalShelf::kinds($brushOnly), $mostPots, $progress);
        $proposed = $names = [];
        foreach ($areas as $id => $area) {
            $proposal = $found["a{$id}"] ?? null;
            if ($proposal !== null) {
                $proposed[] = [$area, $proposal];
                foreach ($proposal->pots() as $place) {
                    $names[$place] = $shelf->pots[$place]->name;
                }
            }
        }
        ksort($names);

        return new FigureProposal($figure, $shelf, $proposed, array_values($names));
    }

    /**
     * @param  list<ShelfPot>  $shelf
     * @param  non-empty-array<string, Lab>  $targets
     */
    private function search(Figure $figure, Area $area, Painter $painter, array $shelf, array $targets): ProposalSearch
    {
        $optics = FigureOptics::of($figure, $area, Illuminant::D65);

        return new ProposalSearch($optics->prediction, $optics->start, $shelf, $targets, $this->hands->practice($painter->id, $area));
    }

    /**
     * @return non-empty-array<string, Lab> by zone, recess to edge
     *
     * @throws ValidationException
     */
    private static function targets(Area $area): array
    {
        $targets = [];
        foreach (Zone::cases() as $zone) {
            $sample = $area->samples->firstWhere('zone', $zone);
            if ($sample !== null) {
                $targets[$zone->value] = $sample->lab();
            }
        }

        return $targets ?: throw ValidationException::withMessages(['area' => "{$area->name} has no colour to match yet: take one from a reference first."]);
    }

    /** @param  non-empty-array<string, Lab>  $targets */
    private static function reach(Figure $figure, Area $area, ProposalShelf $shelf, array $targets): RampReach
    {
        $paints = array_map(static fn (ShelfPot $p): PaintOptics => $p->optics, $shelf->shelf);

        return RampReach::of(ShelfReach::of($paints, Placement::masstone(), Surface::of(FigureOptics::sheen($figure, $area))), $targets);
    }
}
