<?php

declare(strict_types=1);

namespace App\Actions\Compare;

use App\Adapters\Bench\RunFinish;
use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\Hands;
use App\Adapters\Finish\LayerDraft;
use App\Adapters\References\PictureFile;
use App\Models\Brief\Figure;
use App\Models\Compare\LessonRecord;
use App\Models\Painter;
use App\Models\References\Picture;
use App\Models\Shelf\Paint;
use App\Models\Shelf\TechniqueHand;
use Hyalin\Colour\Illuminant;
use Hyalin\Finish\Doubt\CauseKind;
use Hyalin\Finish\Doubt\Learnt;
use Hyalin\Finish\Doubt\Lesson;
use Hyalin\Finish\Hand;
use Hyalin\Finish\Technique;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/**
 * Moves pots and hands towards what a photo of the painted piece shows, each by how unsure it was, and notes what they were:
 * one press undoes it.
 */
final readonly class LearnTogether
{
    /** A photo without any white balance tells colours to this CIEDE2000, as a rule: own estimate. */
    private const UNBALANCED = 6.0;

    /** CIEDE2000 that half stay within is so many standard deviations in three directions. */
    private const HALF_WITHIN = 1.54;

    public function __construct(private Hands $hands, private PaintedRun $painted)
    {
    }

    /**
     * A photo that has taught already teaches anew, and not twice.
     *
     * @throws ValidationException when nothing found on the photo tells anything; then all is as it was
     */
    public function __invoke(Figure $figure, Picture $photo, Painter $painter): LessonRecord
    {
        return DB::transaction(function () use ($figure, $photo, $painter): LessonRecord {
            foreach (LessonRecord::query()->where('picture_id', $photo->id)->whereNull('undone_at')->orderByDesc('id')->get() as $earlier) {
                $this->undo($earlier);
            }

            return $this->kept($figure, $photo, $painter, $this->learnt($figure, $photo));
        });
    }

    /**
     * @return non-empty-list<Learnt>
     *
     * @throws ValidationException
     */
    private function learnt(Figure $figure, Picture $photo): array
    {
        $areas = [];
        $findings = $photo->findings()->get()->groupBy('area_id');
        $run = $this->painted->of($figure, $photo);
        foreach ($figure->areas()->with(['layers.paints.paint', 'part'])->get() as $area) {
            $drafts = ($run === null ? [] : RunFinish::of($area, $run)) ?: LayerDraft::stackOf($area);
            $found = [];
            foreach ($findings->get($area->id)?->all() ?? [] as $finding) {
                if ($finding->doubts === null) {
                    $found[$finding->zone->value] = $finding->lab();
                }
            }
            if ($drafts !== [] && $found !== []) {
                $areas[] = [FigureOptics::of($figure, $area, Illuminant::D65)->doubt($drafts), $found];
            }
        }
        $typical = $photo->neutral === null ? self::UNBALANCED : PictureFile::of($photo)->whiteBalance($photo->neutral)->typical;
        $learnt = Lesson::of($areas, max(0.5, $typical / self::HALF_WITHIN));
        if ($learnt === []) {
            throw ValidationException::withMessages(['photo' => 'Nothing found on this photo tells more than is known already. Find the zones of an area first.']);
        }

        return $learnt;
    }

    public function undo(LessonRecord $lesson): void
    {
        DB::transaction(function () use ($lesson): void {
            foreach ($lesson->before['pots'] as $id => $was) {
                $pot = Paint::withTrashed()->where('painter_id', $lesson->painter_id)->find($id);
                // What was measured or typed since is newer than what this lesson knew.
                if ($pot !== null && $pot->absorption === $was['after']) {
                    $pot->fill(['absorption' => $was['k'], 'scattering' => $was['s'], 'spread' => $was['spread'], 'version' => $pot->version + 1])->save();
                }
            }
            foreach ($lesson->before['hands'] as $technique => $was) {
                $hand = TechniqueHand::query()->where('painter_id', $lesson->painter_id)->where('technique', $technique);
                $was === null ? $hand->delete() : $hand->first()?->fill($was)->save();
            }
            $lesson->update(['undone_at' => now()]);
        });
        $this->hands->forget();
    }

    /** @param  non-empty-list<Learnt>  $learnt */
    private function kept(Figure $figure, Picture $photo, Painter $painter, array $learnt): LessonRecord
    {
        $pots = $hands = [];
        foreach ($learnt as $each) {
            if ($each->cause->kind === CauseKind::Pot) {
                $pots[(int) $each->cause->pot][(int) $each->way] = $each;
            } elseif ($each->cause->technique !== null) {
                $hands[$each->cause->technique->value][$each->way] = $each;
            }
        }
        $before = ['pots' => [], 'hands' => []];
        $words = [];
        foreach (Paint::withTrashed()->where('painter_id', $painter->id)->whereKey(array_keys($pots))->get() as $pot) {
            $was = ['k' => $pot->absorption, 's' => $pot->scattering, 'spread' => $pot->spread];
            $words[] = $this->move($pot, $pots[$pot->id]);
            $before['pots'][$pot->id] = [...$was, 'after' => $pot->absorption];
        }
        foreach ($hands as $technique => $ways) {
            [$was, $said] = $this->moveHand($painter, Technique::from($technique), $ways);
            $before['hands'][$technique] = $was;
            $words[] = $said;
        }
        $lesson = new LessonRecord(['figure_id' => $figure->id, 'picture_id' => $photo->id, 'before' => $before, 'words' => $words]);
        $lesson->painter_id = $painter->id;
        $lesson->save();
        $this->hands->forget();

        return $lesson;
    }

    /**
     * @param  array<int, Learnt>  $ways  by direction of its spread
     * @return string what was learnt, in words
     */
    private function move(Paint $pot, array $ways): string
    {
        $spread = $pot->spread();
        $optics = $pot->optics();
        $shifts = $left = [];
        foreach (array_keys($spread->modes) as $n) {
            $shifts[] = isset($ways[$n]) ? $ways[$n]->shift : 0.0;
            $left[] = isset($ways[$n]) ? $ways[$n]->left : 1.0;
        }
        $moved = $spread->moved($optics, $shifts);
        $strength = array_sum($moved->k) / max(1e-9, array_sum($optics->k));
        $pot->hold($moved, $spread->narrowed($left));
        $pot->version++;
        $pot->save();

        return sprintf('%s: %s, known %d %% better.', $pot->name, self::more($strength, 'stronger', 'weaker'), (int) round(100 * (1 - min([1.0, ...$left]))));
    }

    /**
     * @param  array<string, Learnt>  $ways
     * @return array{array{coverage: float, coverage_deviation: float, thickness: float, thickness_deviation: float, scatter: float, chips: int}|null, string}
     */
    private function moveHand(Painter $painter, Technique $technique, array $ways): array
    {
        $hand = TechniqueHand::query()->where('painter_id', $painter->id)->where('technique', $technique)->first();
        $was = $hand === null ? null : [
            'coverage' => $hand->coverage, 'coverage_deviation' => $hand->coverage_deviation, 'thickness' => $hand->thickness,
            'thickness_deviation' => $hand->thickness_deviation, 'scatter' => $hand->scatter, 'chips' => $hand->chips,
        ];
        if ($hand === null) {
            $hand = new TechniqueHand(['technique' => $technique, 'coverage' => 1.0, 'coverage_deviation' => Hand::COVERAGE_DEVIATION, 'thickness' => 1.0, 'thickness_deviation' => Hand::THICKNESS_DEVIATION, 'chips' => 0]);
            $hand->painter_id = $painter->id;
        }
        if (isset($ways['thickness'])) {
            [$hand->thickness, $hand->thickness_deviation] = self::moved($hand->thickness, $hand->thickness_deviation, $ways['thickness']);
        }
        if (isset($ways['coverage'])) {
            [$hand->coverage, $hand->coverage_deviation] = self::moved($hand->coverage, $hand->coverage_deviation, $ways['coverage']);
        }
        $hand->save();
        $told = [];
        if (isset($ways['thickness'])) {
            $told[] = 'film '.self::more($hand->thickness / ($was['thickness'] ?? 1.0), 'thicker', 'thinner');
        }
        if (isset($ways['coverage'])) {
            $told[] = 'covers '.self::more($hand->coverage / ($was['coverage'] ?? 1.0), 'more', 'less');
        }

        return [$was, ucfirst($technique->value).': '.implode(', ', $told).'.'];
    }

    /** @return array{float, float} factor and its deviation */
    private static function moved(float $factor, float $deviation, Learnt $learnt): array
    {
        $relative = $deviation / $factor;
        $there = $factor * exp($learnt->shift * $relative);

        return [$there, $there * $relative * $learnt->left];
    }

    private static function more(float $factor, string $above, string $below): string
    {
        $percent = (int) round(100 * abs($factor - 1));

        return $percent === 0 ? 'as it was' : "{$percent} % ".($factor > 1 ? $above : $below);
    }
}
