<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Area;
use App\Models\Light\LightRecord;
use Hyalin\Finish\AreaForm;
use Hyalin\Light\Gradient;
use Hyalin\Progress;
use Hyalin\ProgressShare;
use Hyalin\Stopped;
use Illuminate\Validation\ValidationException;

/**
 * Makes an area a gradient from root to tip, or one of light and shade again; its zones and what they measure follow.
 */
final readonly class SetGradient
{
    public function __construct(private SettleAreas $settle)
    {
    }

    /**
     * @param  array{from: array{float, float, float}, to: array{float, float, float}}|null  $points  mm on the figure
     * @param  'up'|'side'|'front'|null  $along  where there are no points; null for no gradient
     *
     * @throws ValidationException when the area has no extent in that direction, or nothing of the mesh
     * @throws Stopped the area is as before then
     */
    public function __invoke(LightRecord $light, Area $area, ?array $points, ?string $along, ?Progress $progress = null): void
    {
        $isGradient = $points !== null || $along !== null;
        if ($points === null && $along !== null) {
            $found = self::along($light, $area, match ($along) {
                'front' => $light->frontAxis(), 'side' => $light->sideAxis(), 'up' => $light->axis()
            });
            // Upwards follows the area wherever it will be; the others are kept as they are now.
            $points = $along === 'up' ? null : $found ?? throw ValidationException::withMessages(['along' => 'This area has none of the mesh yet. Fill or brush it first.']);
        }
        Stopped::unless($progress, 0.3);
        $before = $area->only(['form', 'gradient']);
        $area->update([
            'form' => $isGradient ? AreaForm::Gradient : ($area->form === AreaForm::Gradient ? AreaForm::Shaped : $area->form),
            'gradient' => $isGradient ? $points : null,
            'version' => $area->version + 1,
        ]);
        try {
            ($this->settle)($light, ProgressShare::of($progress, 0.3, 1.0));
        } catch (Stopped $e) {
            $area->refresh()->update([...$before, 'version' => $area->version + 1]);
            throw $e;
        }
    }

    /**
     * From end to end of an area as the mesh has it.
     *
     * @param  array{float, float, float}  $axis  of length 1
     * @return array{from: array{float, float, float}, to: array{float, float, float}}|null mm; null when the mesh shows none of it
     *
     * @throws ValidationException when it lies level: nothing of it is farther along than the rest
     */
    private static function along(LightRecord $light, Area $area, array $axis): ?array
    {
        $study = StoredStudy::of($light);
        if ($study === null) {
            return null;
        }
        $mesh = $study->working();
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        $points = [];
        foreach ($study->workingAreas() as $t => $id) {
            for ($k = 0; $k < 3 && $id === $area->id; $k++) {
                $v = $corners[3 * $t + $k];
                $points[] = [$x[$v], $y[$v], $z[$v]];
            }
        }
        if ($points === []) {
            return null;
        }
        $gradient = Gradient::along($points, $axis) ?? throw ValidationException::withMessages(['along' => 'This area has no extent in that direction. Choose another, or two points.']);

        return ['from' => $gradient->from, 'to' => $gradient->to];
    }
}
