<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Bench\Run;
use App\Models\Bench\Timer;
use App\Models\Brief\Figure;
use App\Models\Compare\Correction;
use App\Models\Compare\LessonRecord;
use App\Models\Cups\CupRecord;
use App\Models\Painter;
use App\Models\Practice\PracticeRound;
use App\Models\SetAsideEdit;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\Paint;
use App\Models\Shelf\ShelfImport;
use App\Models\Shelf\SwatchSheet;
use App\Models\Task;
use Illuminate\Auth\Access\Response;

/**
 * The one rule of ownership, for every model that belongs to a painter directly; what hangs on such a record is
 * reached through it. Another's record is answered as if there were none.
 */
final class OwnerPolicy
{
    public function own(Painter $painter, ChipRecord|Correction|LessonRecord|CupRecord|Figure|Paint|PracticeRound|Run|SetAsideEdit|ShelfImport|SwatchSheet|Task|Timer $record): Response
    {
        return $record->painter_id === $painter->id ? Response::allow() : Response::denyAsNotFound();
    }
}
