<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use App\Models\Bench\RunStepState;
use App\Models\Bench\StepVerdict;
use App\Models\Cups\CupAct;
use App\Models\Light\LightRecord;
use App\Models\References\PictureKind;
use Hyalin\Bench\BatchMode;
use Hyalin\Colour\Bands;
use Hyalin\Colour\Illuminant;
use Hyalin\Finish\AreaForm;
use Hyalin\Finish\BalanceKind;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Light\SprayFrom;
use Hyalin\Limit;
use Hyalin\Matching\Neutral\Shading;
use Hyalin\Mesh\FindingKind;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\Sheen;
use Hyalin\Plan\PieceUse;
use Hyalin\Plan\PrintProcess;
use Hyalin\Plan\Reach;
use Hyalin\Plan\Seam;
use Hyalin\Plan\StepKind;
use Hyalin\Pot\FieldType;
use Hyalin\Pot\PotField;
use Hyalin\Pot\PotFields;
use LogicException;

/**
 * Everything a bench file holds, in an order in which what is referred to comes first. What is only of the moment - searches
 * under way, sessions, timers, answers - is left out: it is computed again. Adding a column: a field here, the schema
 * written anew by `php artisan hyalin:schema`, and a new version of the format if older files lack it and cannot.
 */
final class Catalogue
{
    public const FORMAT = 'hyalin-bench';

    public const VERSION = 2;

    /** @return non-empty-list<RecordType> */
    public static function all(): array
    {
        return [
            self::paints(),
            new RecordType('figures', null, [
                Field::text('name'), Field::text('sculptor')->optional(), Field::within('height_mm', Limit::FigureHeightMm)->optional(), Field::within('copies', Limit::FigureCopies),
                Field::text('about', 4000)->optional(), self::hex('bare_hex'), Field::choice('light', Illuminant::class), Field::choice('sheen', Sheen::class),
                Field::of('own_order', FieldKind::StepNames)->optional(),
                Field::json('uses', ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string', 'enum' => array_column(PieceUse::cases(), 'value')]])->optional(),
            ]),
            new RecordType('parts', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::text('name'), Field::integer('position'), Field::choice('process', PrintProcess::class),
                Field::flag('is_base'), Field::flag('is_fiddly'), Field::text('attachments', 120)->optional(),
                self::hex('bare_hex')->optional(), Field::within('translucency', Limit::Translucency)->optional(),
                Field::within('grit_from', Limit::Grit)->optional(), Field::within('grit_to', Limit::Grit)->optional(), Field::within('sanding_rounds', Limit::SandingRounds)->optional(),
            ]),
            new RecordType('areas', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::reference('part_id', 'parts')->optional(), Field::text('name'), Field::text('wish', 4000)->optional(),
                Field::integer('position'), Field::within('tolerance', Limit::Tolerance)->optional(), Field::choice('sheen', Sheen::class)->optional(), Field::choice('form', AreaForm::class)->optional(), Field::reference('lies_on_id', 'areas')->optional(), Field::within('depth', Limit::Depth),
                Field::within('square_cm', Limit::AreaSquareCm)->optional(), Field::flag('is_hidden'), Field::flag('is_left_bare')->optional(), Field::choice('reach', Reach::class),
                Field::json('zone_shares', ['type' => 'array', 'minItems' => 5, 'maxItems' => 5, 'items' => ['type' => 'number', 'minimum' => 0, 'maximum' => 1]])->optional(),
                Field::json(
                    'zone_exposures',
                    ['type' => 'object', 'additionalProperties' => ['type' => 'array', 'items' => ['type' => ['number', 'null'], 'minimum' => 0, 'maximum' => 1]]],
                )->optional(),
                Field::json('gradient', ['type' => 'object', 'required' => ['from', 'to'], 'properties' => ['from' => self::POINT, 'to' => self::POINT]])->optional(),
            ]),
            new RecordType('layers', 'area_id', [
                Field::reference('area_id', 'areas'), Field::text('key', 26), Field::integer('position'), Field::choice('technique', Technique::class), self::zones(),
                Field::within('thinner', Limit::Thinner), Field::within('coats', Limit::Coats), Field::text('note', 4000)->optional(),
            ]),
            new RecordType(
                'layer_paints',
                'layer_id',
                [Field::reference('layer_id', 'layers'), Field::reference('paint_id', 'paints'), Field::within('drops', Limit::Parts), Field::integer('position', 0, 255)],
            ),
            ...self::build(),
            ...self::runs(),
            ...self::pictures(),
            ...self::prints(),
            ...self::painter(),
        ];
    }

    private static function paints(): RecordType
    {
        return new RecordType('paints', null, [
            Field::integer('position'), ...array_map(self::stated(...), PotFields::all()), Field::number('used_ml', -100_000, 100_000),
            self::spectrum('absorption'), self::spectrum('scattering'), Field::choice('quality', OpticsQuality::class),
            Field::of('readings', FieldKind::Readings)->optional(), self::spread(), Field::moment('deleted_at')->optional(),
        ]);
    }

    /** Directions in ln K and ln S, as Hyalin\Optics\OpticsSpread writes them. */
    private static function spread(): Field
    {
        $bands = ['type' => 'array', 'minItems' => Bands::COUNT, 'maxItems' => Bands::COUNT, 'items' => ['type' => 'number', 'minimum' => -20, 'maximum' => 20]];

        return Field::json('spread', [
            'type' => 'array',
            'maxItems' => 12,
            'items' => ['type' => 'object', 'properties' => ['k' => $bands, 's' => $bands], 'required' => ['k', 's'], 'additionalProperties' => false],
        ])->optional();
    }

    private static function stated(PotField $pot): Field
    {
        [$least, $most] = [(float) $pot->least, (float) $pot->most];
        $field = match ($pot->type) {
            FieldType::Text, FieldType::Note => Field::text($pot->column(), (int) $most),
            FieldType::Choice => Field::choice($pot->column(), $pot->choices ?? throw new LogicException("{$pot->key} has no choices")),
            FieldType::Whole => Field::integer($pot->column(), (int) $least, (int) $most),
            FieldType::Number => Field::number($pot->column(), $least, $most),
            FieldType::Colour => self::hex($pot->column()),
            FieldType::YesNo => Field::flag($pot->column()),
            FieldType::Day => Field::day($pot->column()),
        };

        return $pot->isRequired ? $field : $field->optional();
    }

    /** @return list<RecordType> */
    private static function build(): array
    {
        return [
            new RecordType(
                'joints',
                'figure_id',
                [
                    Field::reference('figure_id', 'figures'),
                    Field::reference('part_id', 'parts'),
                    Field::reference('other_id', 'parts'),
                    Field::references('hides', 'areas', new Link('joint_hidden_areas', 'joint_id', 'area_id'))->optional(),
                    Field::choice('seam', Seam::class),
                    Field::flag('is_last')->optional(),
                ],
            ),
            new RecordType(
                'boundaries',
                'figure_id',
                [Field::reference('figure_id', 'figures'), Field::reference('area_id', 'areas'), Field::reference('other_id', 'areas'), Field::within('mm', Limit::BoundaryMm), Field::flag('is_curved')],
            ),
            new RecordType('own_steps', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::reference('part_id', 'parts')->optional(), Field::text('key', 26), Field::text('words', 300), Field::text('tool', 60)->optional(),
                Field::within('minutes', Limit::OwnStepMinutes), Field::within('dry_minutes', Limit::OwnStepDryMinutes), Field::text('caution', 300)->optional(),
                Field::of('after', FieldKind::StepName)->optional(), Field::of('before', FieldKind::StepName)->optional(),
            ]),
            new RecordType(
                'own_rules',
                'figure_id',
                [
                    Field::reference('figure_id', 'figures'),
                    Field::of('before', FieldKind::StepName),
                    Field::of('after', FieldKind::StepName),
                    Field::within('weight', Limit::RuleWeight)->optional(),
                    Field::text('reason'),
                ],
            ),
            new RecordType(
                'balances',
                'figure_id',
                [
                    Field::reference('figure_id', 'figures'),
                    Field::choice('kind', BalanceKind::class),
                    Field::reference('area_id', 'areas'),
                    Field::reference('other_id', 'areas')->optional(),
                    Field::within('limit', Limit::BalanceLimit),
                ],
            ),
        ];
    }

    /** @return list<RecordType> */
    private static function runs(): array
    {
        return [
            new RecordType('runs', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::reference('repeats_id', 'runs')->optional(), Field::integer('number', 1), Field::within('copies', Limit::FigureCopies), Field::choice('batch_mode', BatchMode::class),
                Field::moment('finished_at')->optional(), Field::moment('created_at'),
            ]),
            new RecordType('run_steps', 'run_id', [
                Field::reference('run_id', 'runs'), Field::integer('position', 1), Field::choice('kind', StepKind::class), Field::of('step_key', FieldKind::StepName)->optional(), Field::text('layer_key', 26)->optional(),
                Field::text('part_name')->optional(), Field::text('area_name', 2000), Field::json('area_names', ['type' => ['array', 'null'], 'items' => ['type' => 'string']])->optional(), Field::references(
                    'part_ids',
                    'parts',
                    new Link('run_step_parts', 'run_step_id', 'part_id'),
                )->optional(), Field::references('area_ids', 'areas', new Link('run_step_areas', 'run_step_id', 'area_id'))->optional(),
                Field::choice('technique', Technique::class)->optional(), Field::text('words', 4000)->optional(), Field::text('tool')->optional(), Field::json(
                    'cautions',
                    ['type' => 'array', 'items' => ['type' => 'string']],
                )->optional(),
                self::zones(least: 0), Field::within('thinner', Limit::Thinner), Field::within('coats', Limit::Coats), Field::of('planned_mix', FieldKind::Mix), Field::json(
                    'planned_colours',
                    ['type' => 'object', 'additionalProperties' => self::HEX],
                ),
                Field::integer('minutes', 0, 65_535), Field::integer('drying_minutes', 0, 65_535), Field::integer('aided_minutes', 0, 65_535)->optional(), Field::integer('most_minutes', 0, 65_535)->optional(), Field::within('square_cm', Limit::AreaSquareCm)->optional(), Field::within('copy', Limit::FigureCopies)->optional(),
                Field::choice('state', RunStepState::class), Field::of('used_mix', FieldKind::Mix)->optional(), Field::within('used_coats', Limit::UsedCoats)->optional(), Field::within('used_minutes', Limit::UsedMinutes)->optional(), Field::integer('usual_minutes', 0, 65_535)->optional(), Field::choice('verdict', StepVerdict::class)->optional(), Field::flag('went_on_wet')->optional(), Field::within('used_drops', Limit::UsedDrops)->optional(),
                Field::levels('taken_ml', new Link('run_step_paints', 'run_step_id', 'paint_id', amount: 'millilitres'))->optional(), Field::text('note', 4000)->optional(), Field::text('skip_reason')->optional(), Field::flag('is_inserted'), Field::moment('done_at')->optional(), Field::reference('repeats_step_id', 'run_steps')->optional(),
            ]),
            new RecordType(
                'piece_readings',
                'run_id',
                [Field::reference('run_id', 'runs'), Field::reference('area_id', 'areas'), Field::within('copy', Limit::FigureCopies), ...self::lab(), Field::text('method', 20)],
            ),
            new RecordType(
                'recipe_versions',
                'figure_id',
                [
                    Field::reference('figure_id', 'figures'),
                    Field::reference('run_id', 'runs')->optional(),
                    Field::integer('number', 1),
                    Field::text('why'),
                    Field::of('finishes', FieldKind::Finishes),
                    Field::moment('created_at'),
                ],
            ),
        ];
    }

    /** @return list<RecordType> */
    private static function pictures(): array
    {
        $taken = [
            Field::choice('zone', Zone::class), Field::text('method', 20), Field::json('outline', self::POINTS), ...self::lab(), Field::number('spread', 0), Field::integer('pixels'), Field::number('clipped', 0, 1),
            Field::json('doubts', ['type' => 'array'])->optional(),
        ];

        return [
            new RecordType('pictures', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::reference('run_step_id', 'run_steps')->optional(), Field::text('title'), Field::file('path', 'pictures'), Field::integer('width', 1, 100_000), Field::integer('height', 1, 100_000),
                Field::choice('kind', PictureKind::class), Field::choice('shading', Shading::class)->optional(), Field::json('crop', ['type' => 'array', 'items' => ['type' => 'number']])->optional(),
                Field::json(
                    'neutral',
                    [
                        'type' => 'object',
                        'required' => ['method', 'points'],
                        'properties' => ['method' => ['type' => 'string'], 'points' => self::POINTS, 'reflectance' => ['type' => ['number', 'null']], 'others' => ['type' => 'array', 'items' => self::POINTS]],
                    ],
                )->optional(),
                Field::flag('block_grid'), Field::json('remarks', ['type' => 'array', 'items' => ['type' => 'string']])->optional(),
                Field::json('camera', self::CAMERA)->optional(),
            ]),
            new RecordType('samples', 'area_id', [Field::reference('area_id', 'areas'), Field::reference('picture_id', 'pictures')->optional(), Field::text('source')->optional(), ...$taken]),
            new RecordType('findings', 'picture_id', [Field::reference('picture_id', 'pictures'), Field::reference('area_id', 'areas'), ...$taken]),
        ];
    }

    /** @return list<RecordType> */
    private static function prints(): array
    {
        $numbers = ['type' => 'array', 'items' => ['type' => 'number']];
        $count = ['type' => 'integer', 'minimum' => 0];

        return [
            new RecordType('meshes', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::reference('part_id', 'parts')->optional(), Field::text('title'), Field::of('path', FieldKind::Print), Field::integer('triangles', 1, 2_000_000), Field::number('unit_mm', 1e-6, 1e6),
                Field::json(
                    'measures',
                    [
                        'type' => 'object',
                        'required' => ['areaMm2', 'volumeMm3', 'boundsMm', 'shells', 'openEdges', 'inconsistentEdges', 'degenerate', 'remarks'],
                        'properties' => [
                            'areaMm2' => ['type' => 'number'],
                            'volumeMm3' => ['type' => 'number'],
                            'boundsMm' => ['type' => 'array', 'minItems' => 2, 'maxItems' => 2, 'items' => self::POINT],
                            'shells' => $count,
                            'openEdges' => $count,
                            'inconsistentEdges' => $count,
                            'degenerate' => $count,
                            'remarks' => ['type' => 'array', 'items' => ['type' => 'string']],
                            'findings' => [
                                'type' => 'array',
                                'items' => [
                                    'type' => 'object',
                                    'required' => ['kind', 'count', 'area'],
                                    'properties' => ['kind' => ['type' => 'string', 'enum' => array_column(FindingKind::cases(), 'value')], 'count' => $count, 'area' => ['type' => 'number']],
                                ],
                            ],
                        ],
                    ],
                ),
                Field::json(
                    'pose',
                    [
                        'type' => 'object',
                        'required' => ['move', 'turn', 'mirror'],
                        'properties' => [
                            'move' => self::POINT,
                            'turn' => ['type' => 'number'],
                            'mirror' => ['type' => 'boolean'],
                            'rotation' => [...$numbers, 'minItems' => 4, 'maxItems' => 4],
                            'joint' => ['type' => 'object', 'required' => ['at', 'axis'], 'properties' => ['at' => self::POINT, 'axis' => self::POINT]],
                        ],
                    ],
                )->optional(),
                Field::reference('onto_id', 'meshes')->optional(),
                Field::pieces('shell_areas', new Link('mesh_shells', 'mesh_id', 'area_id', 'shell'))->optional(),
            ]),
            new RecordType('light_studies', 'figure_id', [
                Field::reference('figure_id', 'figures'), Field::json('up', ['type' => 'string', 'enum' => LightRecord::sideNames()]), Field::json(
                    'front',
                    ['type' => 'string', 'enum' => LightRecord::sideNames()],
                )->optional(), Field::within('height_mm', Limit::LightHeightMm)->optional(), Field::within('spread', Limit::SpraySpread), Field::within('passes', Limit::SprayPasses), Field::within('edges', Limit::EdgeStrength)->optional(), Field::within('grooves', Limit::EdgeStrength)->optional(),
                Field::json(
                    'sprays',
                    [
                        'type' => 'object',
                        'additionalProperties' => [
                            'type' => 'object',
                            'additionalProperties' => false,
                            'properties' => [
                                'elevation' => ['type' => 'number', 'minimum' => Limit::SprayElevation->least(), 'maximum' => Limit::SprayElevation->most()],
                                'side' => ['type' => 'number', 'minimum' => Limit::SpraySide->least(), 'maximum' => Limit::SpraySide->most()],
                                'spread' => ['type' => 'number', 'minimum' => Limit::SpraySpread->least(), 'maximum' => Limit::SpraySpread->most()],
                                'passes' => ['type' => 'integer', 'minimum' => Limit::SprayPasses->least(), 'maximum' => Limit::SprayPasses->most()],
                                'distance' => ['type' => 'number', 'minimum' => SprayFrom::NEAREST, 'maximum' => SprayFrom::FARTHEST],
                                'aim' => self::POINT,
                            ],
                        ],
                    ],
                )->optional(),
                Field::json('camera', self::CAMERA)->optional(), Field::file('still', 'stills')->optional(),
            ]),
        ];
    }

    /** @return list<RecordType> */
    private static function painter(): array
    {
        return [
            new RecordType(
                'chips',
                null,
                [
                    Field::choice('technique', Technique::class),
                    Field::reference('paint_id', 'paints'),
                    Field::within('thinner', Limit::Thinner),
                    Field::within('coats', Limit::Coats),
                    Field::number('card', 0, 1),
                    self::spectrum('read'),
                ],
            ),
            new RecordType(
                'technique_hands',
                null,
                [
                    Field::choice('technique', Technique::class),
                    Field::number('coverage', 0),
                    Field::number('coverage_deviation', 0),
                    Field::number('thickness', 0),
                    Field::number('thickness_deviation', 0),
                    Field::number('scatter', 0, 5)->optional(),
                    Field::integer('chips'),
                ],
            ),
            new RecordType(
                'corrections',
                null,
                [
                    Field::reference('paint_id', 'paints'),
                    Field::choice('technique', Technique::class),
                    self::spectrum('factors'),
                    Field::integer('seen'),
                    Field::number('difference', 0),
                    Field::moment('taken_at')->optional(),
                ],
            ),
            new RecordType('cups', null, [
                Field::reference('area_id', 'areas')->optional(), Field::reference('run_step_id', 'run_steps')->optional(), Field::text('name'), Field::number('target_l')->optional(), Field::number('target_a')->optional(), Field::number('target_b')->optional(),
                Field::integer('pot_life_minutes', 0, 65_535), Field::moment('emptied_at')->optional(), Field::moment('created_at'),
            ]),
            new RecordType(
                'cup_entries',
                'cup_id',
                [
                    Field::reference('cup_id', 'cups'),
                    Field::text('key', 26),
                    Field::choice('act', CupAct::class),
                    Field::reference('paint_id', 'paints')->optional(),
                    Field::number('millilitres', 0, 100_000),
                    Field::moment('undone_at')->optional(),
                    Field::moment('created_at'),
                ],
            ),
            new RecordType('timers', null, [
                Field::reference('run_id', 'runs')->optional(), Field::text('key', 26), Field::text('what'), Field::moment('ends_at'), Field::moment('stopped_at')->optional(),
            ]),
            new RecordType('schedules', null, [
                Field::integer('laid'), Field::references('figure_ids', 'figures', new Link('schedule_figures', 'schedule_id', 'figure_id')), Field::of('sessions', FieldKind::Sessions),
                self::listOf('chain', ['what' => self::WORDS, 'figure' => self::WORDS, 'hold' => self::WORDS]),
                self::listOf('moved', ['what' => self::WORDS, 'figure' => self::WORDS, 'from' => self::SECOND, 'to' => self::SECOND, 'why' => self::WORDS])->optional(),
                Field::moment('finish'), Field::moment('bound'),
            ]),
        ];
    }

    private const WORDS = ['type' => 'string'];

    /** Since 1970, until 2200. */
    private const SECOND = ['type' => 'integer', 'minimum' => 0, 'maximum' => 7_258_118_400];

    /** @return array<string, mixed> the schema of sessions as they were laid */
    public static function sessions(): array
    {
        $step = ['id' => ['type' => 'string', 'maxLength' => 120], 'figureId' => ['type' => 'integer'], 'figure' => self::WORDS, 'runStepId' => ['type' => ['integer', 'null']], 'what' => self::WORDS, 'where' => self::WORDS, 'start' => self::SECOND, 'end' => self::SECOND];

        return self::list(['start' => self::SECOND, 'end' => self::SECOND, 'steps' => self::list($step, ['hex' => ['type' => ['string', 'null'], 'pattern' => self::HEX['pattern']]])]);
    }

    /** @param  array<string, array<string, mixed>>  $properties */
    private static function listOf(string $column, array $properties): Field
    {
        return Field::json($column, self::list($properties));
    }

    /**
     * @param  array<string, array<string, mixed>>  $required
     * @param  array<string, array<string, mixed>>  $others
     * @return array<string, mixed>
     */
    private static function list(array $required, array $others = []): array
    {
        return ['type' => 'array', 'maxItems' => 5000, 'items' => ['type' => 'object', 'additionalProperties' => false, 'required' => array_keys($required), 'properties' => [...$required, ...$others]]];
    }

    private const HEX = ['type' => 'string', 'pattern' => '^#[0-9a-f]{6}$'];

    private const POINTS = ['type' => 'array', 'maxItems' => 10_000, 'items' => ['type' => 'array', 'minItems' => 2, 'maxItems' => 2, 'items' => ['type' => 'number']]];

    private const POINT = ['type' => 'array', 'minItems' => 3, 'maxItems' => 3, 'items' => ['type' => 'number']];

    private const CAMERA = [
        'type' => 'object',
        'required' => ['from', 'to', 'size'],
        'properties' => ['from' => self::POINT, 'to' => self::POINT, 'size' => ['type' => 'number', 'exclusiveMinimum' => 0]],
    ];

    private static function hex(string $column): Field
    {
        return Field::json($column, self::HEX);
    }

    private static function zones(int $least = 1): Field
    {
        return Field::json('zones', ['type' => 'array', 'minItems' => $least, 'maxItems' => 5, 'uniqueItems' => true, 'items' => ['enum' => array_column(Zone::cases(), 'value')]]);
    }

    private static function spectrum(string $column): Field
    {
        return Field::json($column, ['type' => 'array', 'minItems' => Bands::COUNT, 'maxItems' => Bands::COUNT, 'items' => ['type' => 'number', 'minimum' => 0]]);
    }

    /** @return array{Field, Field, Field} */
    private static function lab(): array
    {
        return [Field::number('lightness', -50, 200), Field::number('a', -300, 300), Field::number('b', -300, 300)];
    }
}
