<?php

declare(strict_types=1);

namespace App\Models\Light;

use App\Models\Brief\Figure;
use App\Models\OwnedByPainter;
use App\Models\Task;
use Hyalin\Finish\Technique;
use Hyalin\Light\SprayFrom;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\UniqueConstraintViolationException;
use LogicException;

/**
 * The light on a figure: how it is sprayed, and what was computed of it.
 *
 * @phpstan-type LitArea array{areaId: int, cm2: float, exposure: float, hidden: float, shares: list<float>, byZone: array<string, list<float|null>>, gradient?: array{from: array{float, float, float}, to: array{float, float, float}}}
 * @phpstan-type LitBorder array{areaId: int, otherId: int, mm: float, isCurved: bool}
 * @phpstan-type Spray array{elevation?: float, side?: float, spread?: float, passes?: int, distance?: float, aim?: array{float, float, float}}
 * @phpstan-type Camera array{from: array{float, float, float}, to: array{float, float, float}, size: float}
 *
 * @property int $id
 * @property int $painter_id
 * @property int $figure_id
 * @property string $up x, y, z, -x, -y or -z
 * @property string|null $front the same, across from up; null for the usual
 * @property float|null $height_mm of the assembled figure; null for as it is in its files
 * @property float $spread half angle of the spray from above, degrees
 * @property int $passes of white from above
 * @property float $edges strength with which edges are found, 1 for the usual
 * @property float $grooves alike
 * @property array<string, Spray>|null $sprays what differs from the usual, by technique
 * @property Camera|null $camera from where to where it is looked, and how large the figure was then; mm
 * @property list<array<int, array{pose: array<string, mixed>|null, onto: int|null}>>|null $poses_back how the parts stood before each act, the last at the end
 * @property list<array<int, array{pose: array<string, mixed>|null, onto: int|null}>>|null $poses_forth what was taken back of that
 * @property string|null $still picture of the figure from there
 * @property int|null $task_id that is to compute it, or did
 * @property string|null $of what it was computed from
 * @property string|null $path folder of its lists
 * @property string|null $measured_of stamp of the areas that the result was measured of
 * @property-read Task|null $task
 * @property array{areas: list<LitArea>, borders: list<LitBorder>, triangles: int, sizeMm: float, noAreaCm2: float, insideCm2?: float, apart: array<int, array{share: float, up: array{float, float, float}}>}|null $result
 */
final class LightRecord extends Model
{
    use OwnedByPainter;

    private const SIDES = ['x' => [1.0, 0.0, 0.0], 'y' => [0.0, 1.0, 0.0], 'z' => [0.0, 0.0, 1.0], '-x' => [-1.0, 0.0, 0.0], '-y' => [0.0, -1.0, 0.0], '-z' => [0.0, 0.0, -1.0]];

    protected $table = 'light_studies';

    protected $guarded = ['id', 'painter_id'];

    protected $attributes = [
        'up' => 'z',
        'spread' => 30.0,
        'passes' => 2,
        'edges' => 1.0,
        'grooves' => 1.0,
        'of' => null,
        'path' => null,
        'result' => null,
        'height_mm' => null,
        'front' => null,
        'sprays' => null,
        'camera' => null,
        'still' => null,
        'poses_back' => null,
        'poses_forth' => null,
        'measured_of' => null,
        'task_id' => null,
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['result' => 'array', 'spread' => 'float', 'edges' => 'float', 'grooves' => 'float', 'height_mm' => 'float', 'sprays' => 'array', 'camera' => 'array', 'poses_back' => 'array', 'poses_forth' => 'array'];
    }

    /** @return BelongsTo<Task, $this> */
    public function task(): BelongsTo
    {
        return $this->belongsTo(Task::class);
    }

    /** @return list<string> */
    public static function sideNames(): array
    {
        return array_keys(self::SIDES);
    }

    /** Of a figure; made when it has none yet. */
    public static function ofFigure(Figure $figure): self
    {
        $light = $figure->lightStudy()->first();
        if ($light === null) {
            $light = new self(['figure_id' => $figure->id]);
            $light->painter_id = $figure->painter_id;
            try {
                // Within a transaction PostgreSQL needs a savepoint to go on after the refusal.
                self::query()->withSavepointIfNeeded(static fn (): bool => $light->save());
            } catch (UniqueConstraintViolationException) {
                // A page and a job created it at once.
                return $figure->lightStudy()->firstOrFail();
            }
        }

        return $light;
    }

    /** @return array{float, float, float} */
    public function axis(): array
    {
        return self::SIDES[$this->up];
    }

    /** @return string one of the six, across from up: as slicers stand a print unless the painter said otherwise */
    public function frontName(): string
    {
        $usual = str_ends_with($this->up, 'z') ? '-y' : 'z';

        return $this->front === null || ltrim($this->front, '-') === ltrim($this->up, '-') ? $usual : $this->front;
    }

    /** @return array{float, float, float} */
    public function frontAxis(): array
    {
        return self::SIDES[$this->frontName()];
    }

    /** @return array{float, float, float} from one side of the figure to the other, of length 1 */
    public function sideAxis(): array
    {
        [$u, $f] = [$this->axis(), $this->frontAxis()];

        return [$u[1] * $f[2] - $u[2] * $f[1], $u[2] * $f[0] - $u[0] * $f[2], $u[0] * $f[1] - $u[1] * $f[0]];
    }

    /**
     * The directed sprays, those that are not used with no pass.
     *
     * @return array<string, SprayFrom> by technique
     */
    public function directedSprays(): array
    {
        $sprays = [];
        foreach (Technique::directed() as $technique) {
            $usual = $technique->spec()->direction ?? throw new LogicException("{$technique->value} has no direction");
            $own = $this->sprays[$technique->value] ?? [];
            // The first release kept the spray from above in columns of its own.
            [$spread, $passes] = $technique === Technique::ZenithalSpray ? [$this->spread, $this->passes] : [$usual->spread, $usual->passes];
            $sprays[$technique->value] = SprayFrom::of($own['elevation'] ?? $usual->elevation, $own['side'] ?? $usual->side, $own['spread'] ?? $spread, $own['passes'] ?? $passes, $own['distance'] ?? null);
        }

        return $sprays;
    }
}
