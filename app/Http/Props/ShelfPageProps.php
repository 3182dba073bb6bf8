<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Paint;
use App\Models\Painter;

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
