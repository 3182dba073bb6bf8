<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use Hyalin\Plan\PrintProcess;

final readonly class PartProps
{
    /**
     * @param  string|null  $bareHex  colour of its print, before white; null for that of the figure
     * @param  float  $translucency  share of the light that goes through the bare print, 0..1
     */
    public function __construct(public int $id, public string $name, public ?string $bareHex, public float $translucency, public PrintProcess $process)
    {
    }

    /** @return list<self> */
    public static function allOf(Figure $figure): array
    {
        return array_values($figure->parts->map(static fn (Part $p) => new self($p->id, $p->name, $p->bare_hex, $p->translucency ?? 0.0, $p->process))->all());
    }
}
