<?php

declare(strict_types=1);

namespace App\Actions\Shelf;

use App\Adapters\Finish\Hands;
use App\Models\Painter;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Colour\Reflectance;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Hyalin\Measuring\Chip as CoreChip;
use Hyalin\Measuring\HandFit;
use Hyalin\Optics\Surface;
use Illuminate\Validation\ValidationException;

/**
 * Fits a painter's hand at a technique to all chips of it. A chip is flat: it is judged by the profile of the mid zone,
 * and what is learnt there is taken to hold for the others. What a pot is
 * unsure of is not learnt as the hand's.
 */
final readonly class FitHand
{
    /** A chip may read this much darker than its surface reflects. */
    private const SLACK = 0.01;

    /** No hand is steadier. */
    private const LEAST_SCATTER = 0.03;

    public function __construct(private Hands $hands)
    {
    }

    /** @throws ValidationException when the chips tell nothing */
    public function __invoke(Painter $painter, Technique $technique): ?TechniqueHand
    {
        $chips = ChipRecord::query()->where('painter_id', $painter->id)->where('technique', $technique)->with('paint')->get();
        $this->hands->forget();
        if ($chips->isEmpty()) {
            TechniqueHand::query()->where('painter_id', $painter->id)->where('technique', $technique)->delete();

            return null;
        }
        $profile = $technique->profile();
        $usual = [$profile->coverage(Zone::Mid), $profile->thickness(Zone::Mid)];
        try {
            $fit = HandFit::of(
                array_values($chips->map(static fn (ChipRecord $c): CoreChip => new CoreChip(
                    $c->paint->optics()->thinnedTo(1 / (1 + $c->thinner))->withScattering($profile->scattering(Zone::Mid)),
                    Reflectance::flat($c->card),
                    $c->coats,
                    Surface::of($c->paint->sheen)->inside(Reflectance::of($c->read), self::SLACK),
                    (string) $c->paint_id,
                    $c->paint->spread(),
                ))->all()),
                $usual[0] >= 1.0,
                max(0.05, $usual[0]),
                $usual[1],
                max(self::LEAST_SCATTER, $painter->coat_spread),
            );
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['chips' => ucfirst($e->getMessage()).'.']);
        }
        $hand = TechniqueHand::query()->where('painter_id', $painter->id)->where('technique', $technique)->first() ?? new TechniqueHand(['technique' => $technique]);
        $hand->painter_id = $painter->id;
        $hand->fill([
            'coverage' => $fit->coverage / $usual[0],
            'coverage_deviation' => $fit->coverageDeviation / $usual[0],
            'thickness' => $fit->thickness / $usual[1],
            'thickness_deviation' => $fit->thicknessDeviation / $usual[1],
            'scatter' => $fit->scatter,
            'chips' => $chips->count(),
        ])->save();

        return $hand;
    }
}
