<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Actions\Brief\DeleteFigure;
use App\Models\Painter;

/**
 * A painter leaves, with figures, shelf and records, and the files of all of them.
 */
final readonly class DeleteAccount
{
    public function __construct(private DeleteFigure $deleteFigure)
    {
    }

    public function __invoke(Painter $painter): void
    {
        foreach ($painter->figures()->get() as $figure) {
            ($this->deleteFigure)($figure);
        }
        $painter->delete();
    }
}
