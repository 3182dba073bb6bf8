<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Shelf\ShelfImport;
use Hyalin\Pot\PotKind;

final readonly class ShelfPageProps
{
    /**
     * @param  list<PaintProps>  $paints in shelf order
     * @param  list<PotFieldProps>  $fields that describe a pot, in the order of its form
     * @param  list<string>  $flakes  kinds with a second face
     * @param  list<string>  $clear  kinds that are no paint: they may have a tint
     * @param  list<ShelfFormatProps>  $formats  in which the shelf can be exported
     * @param  int|null  $borrowed  the import that the demo's shelf came by; null where it is not lent
     */
    public function __construct(public array $paints, public array $fields, public array $flakes, public array $clear, public array $formats, public ?int $borrowed)
    {
    }

    public static function of(Painter $painter): self
    {
        return new self(
            array_values($painter->paints->map(static fn (Paint $p) => PaintProps::of($p))->all()),
            PotFieldProps::all(),
            array_column(array_filter(PotKind::cases(), static fn (PotKind $k): bool => $k->usual()->isFlake), 'value'),
            array_column(array_filter(PotKind::cases(), static fn (PotKind $k): bool => $k->isClear()), 'value'),
            ShelfFormatProps::all(),
            ShelfImport::query()->where('painter_id', $painter->id)->where('file_name', ShelfImport::BORROWED)->whereNull('undone_at')->whereHas('paints')->latest('id')->first()?->id,
        );
    }
}
