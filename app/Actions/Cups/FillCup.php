<?php

declare(strict_types=1);

namespace App\Actions\Cups;

use App\Adapters\Cups\CupContents;
use App\Models\Cups\CupAct;
use App\Models\Cups\CupRecord;
use App\Models\Shelf\Paint;
use Hyalin\Pot\Volume;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Does one thing to a cup. The same key twice is done once: a browser that never heard the answer may ask again.
 */
final class FillCup
{
    /** @throws ValidationException when more is used than there is, or it was washed out */
    public function __invoke(CupRecord $cup, string $key, CupAct $act, ?Paint $paint, float $millilitres): void
    {
        DB::transaction(function () use ($cup, $key, $act, $paint, $millilitres): void {
            if ($cup->entries()->where('key', $key)->exists()) {
                return;
            }
            if ($cup->emptied_at !== null) {
                throw ValidationException::withMessages(['act' => 'This cup was emptied. Remix it as a new one.']);
            }
            $held = CupContents::of($cup->load('entries.paint'))->cup->total();
            if ($act === CupAct::Use && $millilitres > $held + 1e-9) {
                throw ValidationException::withMessages(['millilitres' => sprintf('This cup holds only %.2f mL.', $held)]);
            }
            $cup->entries()->create(['key' => $key, 'act' => $act, 'paint_id' => $paint?->id, 'millilitres' => $millilitres]);
            $paint?->takeOut($millilitres);
        });
    }

    /** @return float mL in so many drops from the dropper of a pot, or of a usual one */
    public static function drops(int $drops, ?Paint $paint = null): float
    {
        return Volume::drops($drops, $paint?->pot())->millilitres;
    }

    /** @return float mL that weigh so much, by the density of the pot's kind where the painter gave none */
    public static function grams(float $grams, ?Paint $paint): float
    {
        return $grams / ($paint?->pot()->density() ?? 1.0);
    }
}
