<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Bench\AdoptRun;
use App\Actions\Compare\LearnTogether;
use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Casts\RecordedMix;
use App\Devices\ColourReader;
use App\Models\Bench\Run;
use App\Models\Bench\RunStep;
use App\Models\Brief\Figure;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\SpectralSum;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use RuntimeException;

/**
 * What happened to the first batch of the sentries: a mix that came out otherwise, photos after some steps, one figure whose wash
 * was forgotten, what the last photo taught, and a recipe that has been what was really done ever since.
 */
final readonly class SentriesHistory
{
    /** Figure of the batch whose cloak was not washed. */
    private const FORGOTTEN = 4;

    /** Shares of the steps after which a photo was taken. */
    private const PHOTOS = [0.2, 0.6, 1.0];

    public function __construct(private Photograph $photograph, private LearnTogether $learn, private AdoptRun $adopt, private ColourReader $reader)
    {
    }

    public function __invoke(Figure $figure): void
    {
        $run = $figure->runs()->orderBy('number')->firstOrFail();
        $this->mixedOtherwise($run);
        $steps = $run->steps()->whereNotNull('layer_key')->get();
        foreach (self::PHOTOS as $share) {
            $step = $steps[max(0, (int) ceil($share * $steps->count()) - 1)] ?? throw new RuntimeException('a finished run has steps');
            $photo = ($this->photograph)($figure, "Run {$run->number}, step {$step->position}: {$step->area_name}", $step);
        }
        $this->forgotten($figure, $run);
        ($this->learn)($figure, $photo, $figure->painter()->firstOrFail());
        ($this->adopt)($run);
    }

    /** One drop more of what stood first in the mix of the cloak, and a second coat of the dry brush. */
    private function mixedOtherwise(Run $run): void
    {
        $of = static fn (Technique $technique): RunStep => $run->steps()->where('technique', $technique)->whereRelation('areas', 'name', 'Cloak')->firstOrFail();
        $base = $of(Technique::BaseCoat);
        $mix = $base->planned_mix;
        $main = RecordedMix::main($mix ?: throw new RuntimeException('a base coat has a mix'));
        $base->update(['used_mix' => array_map(static fn (array $e): array => [...$e, 'drops' => $e['drops'] + ($e === $main ? 1 : 0)], $mix), 'note' => 'The green ran out at the fourth cloak: mixed anew with one drop more.']);
        $of(Technique::DryBrush)->update(['used_coats' => 2, 'note' => 'Twice: once it hardly caught the folds.']);
    }

    private function forgotten(Figure $figure, Run $run): void
    {
        $area = $figure->areas()->where('name', 'Cloak')->with('layers.paints.paint')->firstOrFail();
        $drafts = array_values(array_filter(RunFinish::of($area, $run->load(['steps.areas', 'steps.parts'])), static fn (LayerDraft $d): bool => $d->technique !== Technique::Wash));
        $lab = SpectralSum::under(Illuminant::D65)->xyz($this->reader->readPiece($drafts, FigureOptics::of($figure, $area, Illuminant::D65), Zone::Mid, "{$run->id} {$area->id} forgotten"))->toLab();
        $run->readings()->updateOrCreate(['area_id' => $area->id, 'copy' => self::FORGOTTEN], ['lightness' => $lab->lightness, 'a' => $lab->a, 'b' => $lab->b, 'method' => 'reader']);
    }
}
