<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Models\Painter;
use App\Models\Shelf\Paint;

final readonly class ShelfPageProps
{
    /** @param  list<PaintProps>  $paints in shelf order */
    public function __construct(public array $paints)
    {
    }

    public static function of(Painter $painter): self
    {
        return new self(array_values($painter->paints->map(static fn (Paint $p) => PaintProps::of($p))->all()));
    }
}
