<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Models\Finish\RecipeVersion;

final readonly class RecipeVersionProps
{
    /** @param  string  $keptAt  ISO 8601 */
    public function __construct(public int $id, public int $number, public string $why, public string $keptAt)
    {
    }

    public static function of(RecipeVersion $version): self
    {
        return new self($version->id, $version->number, $version->why, $version->created_at->toIso8601String());
    }
}
