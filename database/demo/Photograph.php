<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\References\AddPicture;
use App\Adapters\References\PictureColours;
use App\Adapters\References\PictureIntake;
use App\Devices\Booth;
use App\Devices\Camera;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use RuntimeException;

/**
 * A piece photographed beside a grey card, from the side of its reference, and its zones found where the reference has them.
 */
final readonly class Photograph
{
    public function __construct(private Camera $camera, private AddPicture $hang)
    {
    }

    /** @param  RunStep|null  $after  as the run stands after that step; as planned without one */
    public function __invoke(Figure $figure, string $title, ?RunStep $after = null): Picture
    {
        $photo = ($this->hang)($figure, PictureIntake::of($this->taken($figure, $after)), $title, PictureKind::OwnPiece);
        [$left, $top, $right, $bottom] = [16 / $photo->width, ($photo->height - 72) / $photo->height, 64 / $photo->width, ($photo->height - 16) / $photo->height];
        $photo->neutral = ['method' => 'grey', 'points' => [[$left, $top], [$right, $top], [$right, $bottom], [$left, $bottom]], 'reflectance' => 0.18];
        $photo->run_step_id = $after?->id;
        $photo->save();
        $colours = PictureColours::of($photo);
        foreach ($figure->areas()->with('samples')->get() as $area) {
            foreach ($area->samples as $sample) {
                $photo->findings()->create([...$colours->taken($sample->method, $sample->outline, $sample->zone), 'area_id' => $area->id]);
            }
        }

        return $photo;
    }

    private function taken(Figure $figure, ?RunStep $after): string
    {
        $run = $after === null ? null : Run::query()->findOrFail($after->run_id);
        $run?->setRelation('steps', $run->steps()->with(['areas', 'parts'])->where('position', '<=', $after?->position)->get());

        return $this->camera->piece($figure, new Booth, $run) ?? throw new RuntimeException("no such piece: {$figure->name}");
    }
}
