<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Shelf\CoatOverGrey;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Optics\OpticsQuality;
use Illuminate\Support\Facades\DB;

/**
 * A pot that could be put on a swatch sheet, with what measuring it would bring.
 */
final readonly class SheetPotProps
{
    /**
     * @param  float  $sure  CIEDE2000 within which one coat over grey lies two out of three times; an estimate
     * @param  int  $uses  layers of finishes that it is in
     */
    public function __construct(
        public int $id,
        public string $maker,
        public string $name,
        public string $hex,
        public OpticsQuality $quality,
        public float $sure,
        public int $uses,
        public bool $isWhite,
    ) {
    }

    /** @return list<self> the most worth measuring first: what is least sure, and used most */
    public static function allOf(Painter $painter): array
    {
        $uses = DB::table('layer_paints')->join('paints', 'paints.id', '=', 'layer_paints.paint_id')->where('paints.painter_id', $painter->id)
            ->groupBy('paint_id')->selectRaw('paint_id, count(*) as uses')->pluck('uses', 'paint_id');
        $pots = [];
        foreach ($painter->paints as $paint) {
            $pot = $paint->pot();
            if ($pot->isMixed()) {
                $found = $uses[$paint->id] ?? 0;
                $pots[] = self::of($paint, is_numeric($found) ? (int) $found : 0, $pot->isWhite());
            }
        }
        usort($pots, static fn (self $p, self $q): int => [$q->worth(), $p->id] <=> [$p->worth(), $q->id]);

        return $pots;
    }

    private static function of(Paint $paint, int $uses, bool $isWhite): self
    {
        $sure = CoatOverGrey::of($paint->optics(), $paint->spread(), $paint->sheen)->radius;

        return new self($paint->id, $paint->maker, $paint->name, $paint->thick_hex, $paint->quality, round($sure, 1), $uses, $isWhite);
    }

    private function worth(): float
    {
        return $this->sure * (1 + $this->uses);
    }
}
