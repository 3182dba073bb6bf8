<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\Light\MeshStore;
use App\Models\Brief\Figure;
use App\Models\Light\FigureMesh;
use App\Models\Light\LightRecord;
use Hyalin\InvalidInput;
use Hyalin\Light\Pose;
use Hyalin\Mesh\FlatFace;
use Illuminate\Validation\ValidationException;

/**
 * Sets a part onto another, face on face: the joint of the finished figure.
 */
final readonly class AttachPart
{
    public function __construct(private PoseParts $poseParts)
    {
    }

    /**
     * @param  array{float, float, float}  $at  point on the part that is moved, in units of its file
     * @param  array{float, float, float}  $ontoAt  point on the part that stays, in units of that file
     *
     * @throws ValidationException when both are the same part, or there is no face
     */
    public function __invoke(Figure $figure, FigureMesh $part, array $at, FigureMesh $onto, array $ontoAt): void
    {
        if ($part->is($onto)) {
            throw ValidationException::withMessages(['onto' => "Both points are on \"{$part->title}\": click the part it is glued to."]);
        }
        $up = LightRecord::ofFigure($figure)->axis();
        $own = self::face($part, $part->stands($up), $at);
        $other = self::face($onto, $onto->stands($up), $ontoAt);
        ($this->poseParts)($figure, [$part->id => [
            $part->stands($up)->joined($own, $other),
            ['at' => $other->centre, 'axis' => $other->normal],
            self::standsOn($onto, $part) ? null : $onto->id,
        ]]);
    }

    /**
     * Turns a part further about the joint it was set on by.
     *
     * @param  float  $degrees  right-handed about the outward normal of the face it stands on
     *
     * @throws ValidationException when it is set on no other part
     */
    public function turn(Figure $figure, FigureMesh $mesh, float $degrees): void
    {
        $joint = $mesh->pose['joint'] ?? throw ValidationException::withMessages(['degrees' => "\"{$mesh->title}\" is not attached to another part: attach it first, face to face."]);
        ($this->poseParts)($figure, [$mesh->id => [$mesh->stands(LightRecord::ofFigure($figure)->axis())->turnedAt($joint['at'], $joint['axis'], $degrees), $joint, $mesh->onto_id]]);
    }

    /** @return bool whether a part stands on another already, however many are between: nothing stands on itself */
    private static function standsOn(FigureMesh $part, FigureMesh $other): bool
    {
        $seen = [];
        while (($onto = $part->onto_id) !== null && ! isset($seen[$onto])) {
            if ($onto === $other->id) {
                return true;
            }
            $seen[$onto] = true;
            $next = FigureMesh::query()->find($onto);
            if ($next === null) {
                break;
            }
            $part = $next;
        }

        return false;
    }

    /** @param  array{float, float, float}  $at */
    private static function face(FigureMesh $record, Pose $pose, array $at): FlatFace
    {
        try {
            $face = FlatFace::at(MeshStore::mesh($record->path), $at);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['at' => ucfirst($e->getMessage()).'.']);
        }

        return new FlatFace($pose->place($face->centre), $pose->onFigure($face->normal), $face->mm2);
    }
}
