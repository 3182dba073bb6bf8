<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\RecordedMix;
use App\Casts\ZoneColours;
use App\Casts\Zones;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * One step of a run: as it was planned when the run began, and as it was really done.
 *
 * @phpstan-type MixEntry array{paintId: int, name: string, maker: string, hex: string, drops: int}
 *
 * @property int $id
 * @property int $run_id
 * @property int $position
 * @property string $layer_key
 * @property string|null $part_name
 * @property string $area_name
 * @property Technique $technique
 * @property list<Zone> $zones
 * @property float $thinner
 * @property int $coats
 * @property list<MixEntry> $planned_mix
 * @property array<string, string> $planned_colours hex by zone
 * @property int $drying_minutes
 * @property RunStepState $state
 * @property list<MixEntry>|null $used_mix
 * @property int|null $used_coats
 * @property string|null $note
 * @property Carbon|null $done_at
 * @property int $version
 * @property Run $run
 */
final class RunStep extends Model
{
    protected $guarded = ['id', 'run_id'];

    protected $attributes = ['version' => 1, 'state' => 'open'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'technique' => Technique::class,
            'zones' => Zones::class,
            'thinner' => 'float',
            'planned_mix' => RecordedMix::class,
            'planned_colours' => ZoneColours::class,
            'state' => RunStepState::class,
            'used_mix' => RecordedMix::class,
            'done_at' => 'datetime',
        ];
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }
}
