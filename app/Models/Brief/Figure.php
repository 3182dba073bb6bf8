<?php

declare(strict_types=1);

namespace App\Models\Brief;

use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Bench\RunStepState;
use App\Models\Finish\RecipeVersion;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use App\Models\Light\MeshUpload;
use App\Models\Order\OwnRule;
use App\Models\Order\OwnStep;
use App\Models\OwnedByPainter;
use App\Models\References\Picture;
use App\Models\Shelf\Paint;
use App\Models\Task;
use Hyalin\Colour\Illuminant;
use Hyalin\Optics\Sheen;
use Hyalin\Pot\PotKind;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasManyThrough;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * @property bool|null $has_varnish where it was asked for
 * @property int $id
 * @property int $painter_id
 * @property string $name
 * @property string|null $sculptor
 * @property int|null $height_mm
 * @property int $copies
 * @property string|null $about
 * @property string $bare_hex
 * @property Illuminant $light
 * @property Sheen $sheen
 * @property int $version
 * @property bool $is_stopped its plan could not be painted when it was last looked at
 * @property bool $is_guided whether it is shown the way to its first session
 * @property list<string>|null $uses what its finish has to stand
 * @property list<string>|null $own_order steps in the painter's own order
 */
final class Figure extends Model
{
    use OwnedByPainter {
        resolveRouteBindingQuery as private ownedQuery;
    }

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = [
        'version' => 1, 'copies' => 1, 'bare_hex' => '#8c8c8c', 'light' => 'D65', 'sheen' => 'matt', 'is_stopped' => false, 'is_guided' => false,
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['light' => Illuminant::class, 'sheen' => Sheen::class, 'own_order' => 'array', 'uses' => 'array', 'is_stopped' => 'boolean', 'is_guided' => 'boolean'];
    }

    /** @return HasMany<Part, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(Part::class)->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Area, $this> */
    public function areas(): HasMany
    {
        return $this->hasMany(Area::class)->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Picture, $this> */
    public function pictures(): HasMany
    {
        return $this->hasMany(Picture::class)->orderBy('id');
    }

    /** @return HasMany<Task, $this> */
    public function tasks(): HasMany
    {
        return $this->hasMany(Task::class);
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class)->orderBy('number')->chaperone('figure');
    }

    /** @return HasMany<Joint, $this> */
    public function joints(): HasMany
    {
        return $this->hasMany(Joint::class)->orderBy('id');
    }

    /** @return HasMany<Boundary, $this> */
    public function boundaries(): HasMany
    {
        return $this->hasMany(Boundary::class)->orderBy('id');
    }

    /** @return HasMany<OwnRule, $this> */
    public function ownRules(): HasMany
    {
        return $this->hasMany(OwnRule::class)->orderBy('id');
    }

    /** @return HasMany<OwnStep, $this> */
    public function ownSteps(): HasMany
    {
        return $this->hasMany(OwnStep::class)->orderBy('id');
    }

    /** @return HasMany<BalanceRecord, $this> */
    public function balances(): HasMany
    {
        return $this->hasMany(BalanceRecord::class)->orderBy('id');
    }

    /** @return HasMany<RecipeVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(RecipeVersion::class)->orderBy('number');
    }

    /** @return HasMany<MeshUpload, $this> */
    public function meshUploads(): HasMany
    {
        return $this->hasMany(MeshUpload::class)->orderBy('id');
    }

    /** @return HasMany<FigureMesh, $this> */
    public function meshes(): HasMany
    {
        return $this->hasMany(FigureMesh::class)->orderBy('id');
    }

    /** @return HasOne<Run, $this> */
    public function latestRun(): HasOne
    {
        return $this->hasOne(Run::class)->ofMany('number', 'max')->chaperone('figure');
    }

    /**
     * Most of its pages plan its order, which asks for a varnish.
     *
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    public function resolveRouteBindingQuery($query, $value, $field = null): Builder
    {
        return $this->ownedQuery($query, $value, $field)->withExists('varnishes as has_varnish');
    }

    /** All that its order of work is made of; read once, however many ask. */
    public function loadForOrder(): static
    {
        $this->areasWithFinishes();
        if (! $this->hasAttribute('has_varnish')) {
            $this->loadExists(['varnishes as has_varnish']);
        }

        return $this->loadMissing(['painter', 'joints.hiddenAreas', 'boundaries', 'ownRules', 'ownSteps']);
    }

    /** @return HasMany<Paint, $this> on its painter's shelf */
    public function pots(): HasMany
    {
        return $this->hasMany(Paint::class, 'painter_id', 'painter_id');
    }

    /** @return HasMany<Paint, $this> that are on its painter's shelf and not empty */
    public function varnishes(): HasMany
    {
        return $this->hasMany(Paint::class, 'painter_id', 'painter_id')->where('kind', PotKind::Varnish)->where('level_percent', '>', 0);
    }

    /** @return HasManyThrough<RunStep, Run, $this> of the latest run */
    public function openSteps(): HasManyThrough
    {
        return $this->hasManyThrough(RunStep::class, Run::class)
            ->where('run_steps.state', RunStepState::Open)
            ->whereRaw('runs.number = (select max(latest.number) from runs as latest where latest.figure_id = runs.figure_id)')
            ->orderBy('run_steps.position');
    }

    /** @return Collection<int, Area> its areas with all that a finish needs: read once, however many ask */
    public function areasWithFinishes(): Collection
    {
        $this->loadMissing(['parts', 'areas.layers.paints.paint']);
        foreach ($this->areas as $area) {
            $area->setRelation('part', $this->parts->find($area->part_id));
        }

        return $this->areas;
    }

    /** @return HasOne<LightRecord, $this> */
    public function lightStudy(): HasOne
    {
        return $this->hasOne(LightRecord::class);
    }
}
