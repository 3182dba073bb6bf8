<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Chip;
use App\Models\Correction;
use App\Models\Cup;
use App\Models\Figure;
use App\Models\MixSearch;
use App\Models\Paint;
use App\Models\Painter;
use App\Models\ProposalSearch;
use App\Models\Run;
use App\Models\SetAsideEdit;
use App\Models\ShelfImport;
use App\Models\Timer;
use Illuminate\Auth\Access\Response;

/**
 * The one rule of ownership, for every model that belongs to a painter directly; what hangs on such a record is
 * reached through it. Another's record is answered as if there were none.
 */
final class OwnerPolicy
{
    public function own(Painter $painter, Chip|Correction|Cup|Figure|MixSearch|Paint|ProposalSearch|Run|SetAsideEdit|ShelfImport|Timer $record): Response
    {
        return $record->painter_id === $painter->id ? Response::allow() : Response::denyAsNotFound();
    }
}
