<?php

declare(strict_types=1);

namespace App\Http\Props\Cups;

use App\Adapters\Cups\CupContents;
use App\Http\Props\ColourProps;
use App\Models\Cups\CupRecord;
use App\Models\Painter;
use Hyalin\Optics\Sheen;

/**
 * An open cup as it stands on the sill.
 */
final readonly class OpenCupProps
{
    /** @param  string  $goodUntil ISO 8601 */
    public function __construct(public int $id, public string $name, public ?string $hex, public float $millilitres, public string $goodUntil, public string $url)
    {
    }

    /** @return list<self> */
    public static function of(Painter $painter): array
    {
        $cups = $painter->cups()->whereNull('emptied_at')->with('entries.paint')->get();

        return array_values($cups->map(static function (CupRecord $cup): self {
            $contents = CupContents::of($cup);
            $filled = $contents->cup->total() > 0;

            return new self(
                $cup->id,
                $cup->name,
                $filled ? ColourProps::of(CupProps::thick($contents->cup->optics($contents->optics()), Sheen::Matt))->hex : null,
                $contents->cup->total(),
                (string) $cup->created_at->addMinutes($cup->pot_life_minutes)->toIso8601String(),
                route('cups.show', $cup->id, false),
            );
        })->all());
    }
}
