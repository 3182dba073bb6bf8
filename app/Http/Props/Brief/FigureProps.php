<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Models\Brief\Figure;
use App\Models\References\PictureKind;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\Colour\Illuminant;
use Hyalin\Optics\Sheen;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;

/**
 * The open figure, as every stage shows it.
 *
 * @phpstan-type Counts array{areas: int, sculpting: int, painted: int, sampled: int, planned: int, meshes: int, pictures: int, photos: int, open: int, run: int, pots: int, lighting: int, lit: int}
 */
final readonly class FigureProps
{
    /**
     * @param  list<string>  $uses  what its finish has to stand
     * @param  list<StageProps>  $stages
     */
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
        public array $uses,
        public int $version,
        public array $stages,
        public bool $isBegun,
        public bool $isGuided,
        public ?GuideProps $guide,
    ) {
    }

    public static function of(Figure $figure, string $stage): self
    {
        $has = self::counted($figure);

        return new self(
            $figure->id,
            $figure->name,
            $figure->sculptor,
            heightMm: $figure->height_mm,
            copies: $figure->copies,
            about: $figure->about,
            bareHex: $figure->bare_hex,
            light: $figure->light,
            sheen: $figure->sheen,
            uses: $figure->uses ?? [],
            version: $figure->version,
            stages: self::stages($figure, $stage, $has),
            isBegun: $has['run'] > 0,
            isGuided: $figure->is_guided,
            guide: GuideProps::of($figure, $has),
        );
    }

    /**
     * The state of each stage, or what is missing there.
     *
     * @param  Counts  $has
     * @return list<StageProps>
     */
    private static function stages(Figure $figure, string $current, array $has): array
    {
        $stage = static fn (string $name, ?string $route, string $state): StageProps => new StageProps(
            $name,
            $route === null ? null : route($route, $figure, false),
            $state,
            $name === $current,
        );

        return [
            $stage('Brief', 'figures.brief', $has['areas'] === 0 ? 'no areas yet' : self::many($has['areas'], 'area')),
            $stage('References', 'figures.references', match (true) {
                $has['areas'] === 0 => self::many($has['pictures'], 'picture'),
                $has['sampled'] < $has['painted'] => self::many($has['painted'] - $has['sampled'], 'area').' without a colour',
                default => self::many($has['sampled'], 'area').' sampled',
            }),
            $stage('Finishes', 'figures.finishes', match (true) {
                $has['areas'] === 0 => 'no areas yet',
                $has['planned'] < $has['painted'] => self::many($has['painted'] - $has['planned'], 'area').' without a finish',
                default => self::many($has['planned'], 'area').' planned',
            }),
            $stage('Light', 'figures.light', $has['sculpting'] > 0 ? 'sculpting' : self::light($has)),
            $stage('Order', 'figures.order', match (true) {
                $has['planned'] === 0 => 'nothing to order',
                $figure->is_stopped => 'stopped',
                $figure->own_order === null => 'as planned',
                default => 'your own',
            }),
            $stage('Bench', 'figures.bench', match (true) {
                $has['run'] === 0 => 'not started',
                $has['open'] === 0 => "run {$has['run']} done",
                default => "run {$has['run']}: ".self::many($has['open'], 'step').' left',
            }),
            $stage('Compare', 'figures.compare', self::many($has['photos'], 'photo')),
        ];
    }

    /** @return Counts in one query */
    private static function counted(Figure $figure): array
    {
        $row = Figure::query()->whereKey($figure->id)
            ->withCount([
                'areas', 'meshes', 'openSteps as open',
                'areas as painted' => self::painted(...),
                'areas as sampled' => static fn (Builder $q) => self::painted($q)->has('samples'),
                'areas as planned' => static fn (Builder $q) => self::painted($q)->has('layers'),
                'pictures' => static fn (Builder $q) => $q->where('kind', '!=', PictureKind::OwnPiece),
                'pots', 'tasks as sculpting' => static fn (Builder $q) => $q->where('kind', TaskKind::Sculpt)->whereIn('state', TaskState::OPEN),
                'tasks as lighting' => static fn (Builder $q) => $q->where('kind', TaskKind::Light)->whereIn('state', TaskState::OPEN),
                'lightStudy as lit' => static fn (Builder $q) => $q->whereNotNull('result'),
                'pictures as photos' => static fn (Builder $q) => $q->where('kind', PictureKind::OwnPiece),
            ])
            ->withMax('runs as run', 'number')
            ->toBase()->sole();
        $number = static fn (mixed $value): int => is_numeric($value) ? (int) $value : 0;

        return [
            'areas' => $number($row->areas_count ?? 0), 'sculpting' => $number($row->sculpting ?? 0), 'painted' => $number($row->painted ?? 0), 'sampled' => $number($row->sampled ?? 0), 'planned' => $number($row->planned ?? 0),
            'meshes' => $number($row->meshes_count ?? 0), 'pictures' => $number($row->pictures_count ?? 0), 'pots' => $number($row->pots_count ?? 0), 'photos' => $number($row->photos ?? 0), 'open' => $number($row->open ?? 0), 'run' => $number($row->run ?? 0),
            'lighting' => $number($row->lighting ?? 0), 'lit' => $number($row->lit ?? 0),
        ];
    }

    /**
     * What is hidden or left bare needs neither a colour nor a finish.
     *
     * @param  Builder<covariant Model>  $areas
     * @return Builder<covariant Model>
     */
    private static function painted(Builder $areas): Builder
    {
        return $areas->where('is_hidden', false)->where('is_left_bare', false);
    }

    /** @param  Counts  $has */
    private static function light(array $has): string
    {
        return match (true) {
            $has['lighting'] > 0 => 'calculating',
            $has['lit'] > 0 => 'calculated',
            default => $has['meshes'] === 0 ? 'no print file' : 'not calculated',
        };
    }

    private static function many(int $count, string $what, ?string $plural = null): string
    {
        return $count === 1 ? "1 {$what}" : "{$count} ".($plural ?? "{$what}s");
    }
}
