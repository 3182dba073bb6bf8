<?php

declare(strict_types=1);

namespace App\Http\Props\Home;

use App\Adapters\Finish\FigureOptics;
use App\Adapters\Finish\LayerDraft;
use App\Http\Props\ColourProps;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use Hyalin\Finish\Zone;

/**
 * A figure on the bench door: how far it is and what comes next.
 */
final readonly class FigureInProgressProps
{
    /**
     * @param  string  $next  in a painter's words
     * @param  list<list<ColourProps>>  $ramps  the predicted zones of each planned area, recess to edge
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $heightMm,
        public int $copies,
        public int $areas,
        public int $planned,
        public string $next,
        public string $nextUrl,
        public array $ramps,
        public ?string $pictureUrl,
    ) {
    }

    public static function of(Figure $figure): self
    {
        $areas = $figure->areasWithFinishes();
        $planned = $areas->filter(static fn (Area $a): bool => $a->layers->isNotEmpty());
        [$next, $url] = self::next($figure, $areas->count(), $areas->loadMissing('samples')->sum(static fn (Area $a): int => $a->samples->count()), $planned->count());
        $ramps = [];
        foreach ($planned as $area) {
            $top = FigureOptics::of($figure, $area)->section(LayerDraft::stackOf($area))->top();
            $ramps[] = array_map(static fn (Zone $z): ColourProps => ColourProps::of($top->cell($z)->seen), Zone::cases());
        }
        $picture = $figure->pictures->first(static fn (Picture $p): bool => $p->kind !== PictureKind::OwnPiece);

        return new self(
            $figure->id,
            $figure->name,
            $figure->height_mm,
            copies: $figure->copies,
            areas: $areas->count(),
            planned: $planned->count(),
            next: $next,
            nextUrl: $url,
            ramps: $ramps,
            pictureUrl: $picture === null ? null : route('pictures.image', [$figure, $picture], false),
        );
    }

    /** @return array{string, string} */
    private static function next(Figure $figure, int $areas, int $samples, int $planned): array
    {
        $run = $figure->runs->last();
        $step = $figure->openSteps->first();
        if ($run !== null && $step !== null) {
            return ["{$step->title()}: {$step->area_name}", route('runs.show', $run, false)];
        }

        return match (true) {
            $run !== null => ['Painted. Repeat it or open its record', route('figures.bench', $figure, false)],
            $areas === 0 => ['Name its parts and areas', route('figures.brief', $figure, false)],
            $samples === 0 => ['Take colours from a reference', route('figures.references', $figure, false)],
            $planned < $areas => [
                $planned === 0 ? 'Build the first finish' : 'Build the other finishes ('.($areas - $planned).' to go)',
                route('figures.finishes', $figure, false),
            ],
            default => ['Start painting', route('figures.bench', $figure, false)],
        };
    }
}
