<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\Light\Pose;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Stands parts otherwise. What is set on a part goes with it, and every act can be taken back and done again.
 *
 * @phpstan-import-type Stands from FigureMesh
 */
final class PoseParts
{
    private const MOST = 50;

    /**
     * @param  array<int, array{Pose, array{at: array{float, float, float}, axis: array{float, float, float}}|null, int|null}>  $poses  by mesh, with the
     *                                                                                                                                  joint it is set on by and the mesh it stands on, null for none
     */
    public function __invoke(Figure $figure, array $poses): void
    {
        DB::transaction(function () use ($figure, $poses): void {
            $light = LightRecord::ofFigure($figure);
            $meshes = $figure->meshes()->get()->keyBy(static fn (FigureMesh $m): int => $m->id);
            $light->update(['poses_back' => array_slice([...$light->poses_back ?? [], self::now($figure)], -self::MOST), 'poses_forth' => []]);
            foreach ($poses as $id => [$pose, $joint, $onto]) {
                $mesh = $meshes->get($id);
                if ($mesh === null) {
                    continue;
                }
                $before = $mesh->stands($light->axis());
                $mesh->onto_id = $onto;
                self::put($mesh, $pose, $joint);
                foreach (self::on($meshes, $id) as $child) {
                    // Those that are told where to stand do not follow.
                    if (! isset($poses[$child->id])) {
                        self::put($child, $child->stands($light->axis())->following($before, $pose), self::jointFollowing($child, $before, $pose));
                    }
                }
            }
        });
    }

    /** Moved by hand a part keeps its joint, which goes with it, and what it stands on, unless it is taken off. */
    public function byHand(Figure $figure, FigureMesh $mesh, Pose $pose, bool $isTakenOff): void
    {
        $before = $mesh->stands(LightRecord::ofFigure($figure)->axis());
        $this($figure, [$mesh->id => [$pose, $isTakenOff ? null : self::jointFollowing($mesh, $before, $pose), $isTakenOff ? null : $mesh->onto_id]]);
    }

    /** @return bool whether there was an act to take back */
    public function undo(Figure $figure): bool
    {
        return $this->swap($figure, 'poses_back', 'poses_forth');
    }

    /** @return bool whether there was one to do again */
    public function redo(Figure $figure): bool
    {
        return $this->swap($figure, 'poses_forth', 'poses_back');
    }

    private function swap(Figure $figure, string $from, string $to): bool
    {
        return DB::transaction(static function () use ($figure, $from, $to): bool {
            $light = LightRecord::ofFigure($figure);
            /** @var list<array<int, array{pose: Stands|null, onto: int|null}>> $acts */
            $acts = $light->{$from} ?? [];
            $last = array_pop($acts);
            if ($last === null) {
                return false;
            }
            /** @var list<array<int, array{pose: Stands|null, onto: int|null}>> $other */
            $other = $light->{$to} ?? [];
            $light->update([$from => $acts, $to => [...$other, self::now($figure)]]);
            foreach ($figure->meshes()->get() as $mesh) {
                if (isset($last[$mesh->id])) {
                    // What it stood on may have been removed since.
                    $onto = $figure->meshes()->whereKey($last[$mesh->id]['onto'] ?? 0)->exists() ? $last[$mesh->id]['onto'] : null;
                    $mesh->update(['pose' => $last[$mesh->id]['pose'], 'onto_id' => $onto]);
                }
            }

            return true;
        });
    }

    /** @return array<int, array{pose: Stands|null, onto: int|null}> */
    private static function now(Figure $figure): array
    {
        $now = [];
        foreach ($figure->meshes()->get() as $mesh) {
            $now[$mesh->id] = ['pose' => $mesh->pose, 'onto' => $mesh->onto_id];
        }

        return $now;
    }

    /** @param  array{at: array{float, float, float}, axis: array{float, float, float}}|null  $joint */
    private static function put(FigureMesh $mesh, Pose $pose, ?array $joint): void
    {
        // Its turn about up is in the rotation now.
        $mesh->pose = ['move' => $pose->move, 'turn' => 0.0, 'mirror' => $pose->mirrored, 'rotation' => $pose->rotation, ...$joint === null ? [] : ['joint' => $joint]];
        $mesh->save();
    }

    /**
     * The parts that stand on a part, directly or on one another.
     *
     * @param  Collection<int, FigureMesh>  $meshes  by id
     * @return list<FigureMesh>
     */
    private static function on(Collection $meshes, int $id): array
    {
        $found = [$id => true];
        do {
            $before = count($found);
            foreach ($meshes as $mesh) {
                if ($mesh->onto_id !== null && isset($found[$mesh->onto_id])) {
                    $found[$mesh->id] = true;
                }
            }
        } while (count($found) > $before);
        unset($found[$id]);

        return array_values($meshes->filter(static fn (FigureMesh $m): bool => isset($found[$m->id]))->all());
    }

    /** @return array{at: array{float, float, float}, axis: array{float, float, float}}|null */
    private static function jointFollowing(FigureMesh $child, Pose $before, Pose $after): ?array
    {
        $joint = $child->pose['joint'] ?? null;
        if ($joint === null) {
            return null;
        }
        $end = [$joint['at'][0] + $joint['axis'][0], $joint['at'][1] + $joint['axis'][1], $joint['at'][2] + $joint['axis'][2]];
        $at = Pose::of($joint['at'])->following($before, $after)->move;
        $tip = Pose::of($end)->following($before, $after)->move;

        return [...$joint, 'at' => $at, 'axis' => [$tip[0] - $at[0], $tip[1] - $at[1], $tip[2] - $at[2]]];
    }
}
