<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\AssembledFigure;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Light\Pose;
use Hyalin\Mesh\Adjacency;
use Hyalin\Mesh\FlatFace;
use Hyalin\Mesh\Nearest;
use Illuminate\Validation\ValidationException;

/**
 * Sets a part onto another, face on face: the joint of the finished figure.
 */
final class AttachPart
{
    /**
     * @param  array{float, float, float}  $at  point on the part that is moved, mm, as the figure stands
     * @param  array{float, float, float}  $onto  point on the part that stays
     *
     * @throws ValidationException when both are the same part, or there is no face
     */
    public function __invoke(Figure $figure, LightRecord $light, array $at, array $onto): FigureMesh
    {
        $assembly = AssembledFigure::of($figure, $light);
        if ($assembly === null) {
            throw ValidationException::withMessages(['at' => 'Import the print files first.']);
        }
        [$own, $record, $ownFace] = self::face($assembly, $at);
        [$other, , $otherFace] = self::face($assembly, $onto);
        if ($own === $other) {
            throw ValidationException::withMessages(['onto' => "Both points are on \"{$record->title}\": click the part it is glued to."]);
        }
        $pose = $record->stands($light->axis())->joined($ownFace, $otherFace);
        $record->pose = self::kept($pose, ['at' => $otherFace->centre, 'axis' => $otherFace->normal]);
        $record->save();

        return $record;
    }

    /**
     * Turns a part further about the joint it was set on by.
     *
     * @param  float  $degrees  right-handed about the outward normal of the face it stands on
     *
     * @throws ValidationException when it is set on no other part
     */
    public function turn(FigureMesh $mesh, LightRecord $light, float $degrees): void
    {
        $joint = $mesh->pose['joint'] ?? throw ValidationException::withMessages(['degrees' => "\"{$mesh->title}\" is not attached to another part: attach it first, face to face."]);
        $mesh->pose = self::kept($mesh->stands($light->axis())->turnedAt($joint['at'], $joint['axis'], $degrees), $joint);
        $mesh->save();
    }

    /**
     * @param  array{at: array{float, float, float}, axis: array{float, float, float}}  $joint
     * @return array{move: array{float, float, float}, turn: float, mirror: bool, rotation: array{float, float, float, float}, joint: array{at: array{float, float, float}, axis: array{float, float, float}}}
     */
    private static function kept(Pose $pose, array $joint): array
    {
        // Its turn about up is in the rotation now.
        return ['move' => $pose->move, 'turn' => 0.0, 'mirror' => $pose->mirrored, 'rotation' => $pose->rotation, 'joint' => $joint];
    }

    /**
     * @param  array{float, float, float}  $point
     * @return array{int, FigureMesh, FlatFace} which part it is, and the face there
     */
    private static function face(AssembledFigure $assembly, array $point): array
    {
        $point = [$point[0] / $assembly->scale, $point[1] / $assembly->scale, $point[2] / $assembly->scale];
        $least = INF;
        $found = $assembly->parts[0];
        $which = $triangle = 0;
        foreach ($assembly->parts as $n => $part) {
            [$t, $far] = Nearest::to($part[1], $point);
            if ($far < $least) {
                [$least, $which, $triangle, $found] = [$far, $n, $t, $part];
            }
        }
        try {
            return [$which, $found[0], FlatFace::around($found[1], Adjacency::of($found[1]), $triangle)];
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['at' => ucfirst($e->getMessage()).'.']);
        }
    }
}
