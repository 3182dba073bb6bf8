<?php

declare(strict_types=1);

namespace App\Http\Props\Shelf;

use App\Adapters\Shelf\ShelfFormat;
use App\Adapters\Shelf\ShelfFormats;

final readonly class ShelfFormatProps
{
    /**
     * @param  string  $ending  of its files: it names the format in the address of the export
     * @param  string  $holds  in a painter's words
     * @param  string  $about  what it is for
     */
    public function __construct(public string $ending, public string $holds, public string $about)
    {
    }

    /** @return list<self> the table first: it holds most */
    public static function all(): array
    {
        return array_map(static fn (ShelfFormat $format): self => new self($format->ending(), $format->holds(), $format->about()), array_reverse(ShelfFormats::all()));
    }
}
