<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Models\Bench\RunStepState;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\References\PictureKind;
use Hyalin\Colour\Illuminant;
use Hyalin\Optics\Sheen;
use Illuminate\Database\Eloquent\Builder;

/**
 * The open figure, as every stage shows it.
 */
final readonly class FigureProps
{
    /** @param  list<StageProps>  $stages */
    public function __construct(
        public int $id,
        public string $name,
        public ?string $sculptor,
        public ?int $heightMm,
        public int $copies,
        public ?string $about,
        public string $bareHex,
        public Illuminant $light,
        public Sheen $sheen,
        public int $version,
        public array $stages,
    ) {
    }

    public static function of(Figure $figure, string $stage): self
    {
        return new self(
            $figure->id,
            $figure->name,
            $figure->sculptor,
            $figure->height_mm,
            $figure->copies,
            $figure->about,
            $figure->bare_hex,
            $figure->light,
            $figure->sheen,
            $figure->version,
            self::stages($figure, $stage),
        );
    }

    /** @return list<StageProps> */
    private static function stages(Figure $figure, string $current): array
    {
        $areas = $figure->areas()->withCount(['layers', 'samples'])->get();
        $count = $areas->count();
        $sampled = $areas->filter(static fn (Area $a): bool => $a->samples_count > 0)->count();
        $planned = $areas->filter(static fn (Area $a): bool => $a->layers_count > 0)->count();
        $run = $figure->runs()->reorder('number', 'desc')
            ->withCount(['steps as open_count' => static fn (Builder $q) => $q->where('state', RunStepState::Open)])
            ->first();
        $stage = static fn (string $name, ?string $route, string $state): StageProps => new StageProps(
            $name,
            $route === null ? null : route($route, $figure, false),
            $state,
            $name === $current,
        );

        return [
            $stage('Brief', 'figures.brief', $count === 0 ? 'no areas yet' : self::many($count, 'area')),
            $stage('References', 'figures.references', "{$sampled} of {$count} sampled"),
            $stage('Finishes', 'figures.finishes', "{$planned} of {$count} planned"),
            $stage('Light', 'figures.light', self::light($figure)),
            $stage('Order', 'figures.order', $figure->own_order === null ? 'as planned' : 'your own'),
            $stage('Bench', 'figures.bench', match (true) {
                $run === null => 'not started',
                (int) $run->open_count === 0 => "run {$run->number} done",
                default => "run {$run->number}: ".self::many((int) $run->open_count, 'step').' left',
            }),
            $stage('Compare', 'figures.compare', self::many($figure->pictures()->where('kind', PictureKind::OwnPiece)->count(), 'photo')),
        ];
    }

    private static function light(Figure $figure): string
    {
        return match ($figure->lightStudy()->first()?->state) {
            'done' => 'computed',
            'waiting', 'running' => 'calculating',
            default => self::many($figure->meshes()->count(), 'mesh', 'meshes'),
        };
    }

    private static function many(int $count, string $what, ?string $plural = null): string
    {
        return $count === 1 ? "1 {$what}" : "{$count} ".($plural ?? "{$what}s");
    }
}
