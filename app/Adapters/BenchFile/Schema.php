<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use Hyalin\Bench\DryingAid;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Hyalin\Limit;
use Illuminate\Support\Str;

/**
 * The JSON Schema (draft 7) of a bench file, written from the catalogue; the importer judges by it.
 */
final class Schema
{
    private const MOST_RECORDS = 200_000;

    private const CLOCK = ['type' => 'string', 'pattern' => '^([01][0-9]|2[0-3]):[0-5][0-9]$'];

    /** @return array<string, mixed> */
    public static function of(): array
    {
        $records = [];
        foreach (Catalogue::all() as $type) {
            $records[Str::camel($type->table)] = ['type' => 'array', 'maxItems' => self::MOST_RECORDS, 'items' => self::record($type)];
        }

        return [
            '$schema' => 'http://json-schema.org/draft-07/schema#',
            '$id' => 'https://hyalin.example/schema/bench-'.Catalogue::VERSION.'.json',
            'title' => 'Hyalin bench, version '.Catalogue::VERSION,
            'description' => 'Shelf, figures, recipes, runs and pictures of one painter. References are the numbers of records within the file, from 1. Lab values are D65, 2 degrees; spectra are 36 bands, 380 to 730 nm by 10 nm; volumes mL; lengths mm; areas cm2; times minutes; moments UTC. Print files are binary STL in their own unit.',
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['format', 'version', 'records'],
            'properties' => [
                'format' => ['const' => Catalogue::FORMAT],
                'version' => ['const' => Catalogue::VERSION],
                'painter' => [
                    'type' => 'object',
                    'additionalProperties' => false,
                    'properties' => [
                        'schools' => ['type' => 'array', 'items' => ['type' => 'string']],
                        'timeZone' => ['type' => 'string', 'maxLength' => 60],
                        'dryingAid' => ['enum' => array_column(DryingAid::cases(), 'value')],
                        'exceptions' => [
                            'type' => 'object',
                            'propertyNames' => ['pattern' => '^[0-9]{4}-[0-9]{2}-[0-9]{2}$'],
                            'additionalProperties' => [
                                'type' => ['object', 'null'],
                                'required' => ['start', 'minutes'],
                                'properties' => ['start' => self::CLOCK, 'minutes' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 1440]],
                            ],
                        ],
                        'hours' => [
                            'type' => 'array',
                            'items' => [
                                'type' => 'object',
                                'required' => ['day', 'start', 'minutes'],
                                'properties' => [
                                    'day' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 7],
                                    'start' => self::CLOCK,
                                    'minutes' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 1440],
                                ],
                            ],
                        ],
                    ],
                ],
                'records' => ['type' => 'object', 'additionalProperties' => false, 'properties' => $records],
            ],
        ];
    }

    /** @return string schema of a version that was published; the present one for a version that never was */
    public static function version(int $version): string
    {
        $path = base_path("docs/schema/bench-{$version}.schema.json");

        return $version > 0 && $version < Catalogue::VERSION && is_file($path) ? (string) file_get_contents($path) : self::json();
    }

    public static function json(): string
    {
        return json_encode(self::of(), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, mixed> */
    private static function record(RecordType $type): array
    {
        $properties = ['id' => ['type' => 'integer', 'minimum' => 1]];
        $required = ['id'];
        foreach ($type->fields as $field) {
            $properties[$field->name()] = self::field($field);
            if (! $field->isOptional) {
                $required[] = $field->name();
            }
        }

        return ['type' => 'object', 'additionalProperties' => false, 'required' => $required, 'properties' => $properties];
    }

    /** @return array<string, mixed> */
    private static function field(Field $field): array
    {
        $number = ['type' => 'integer', 'minimum' => 1];

        return match ($field->kind) {
            FieldKind::Text => ['type' => 'string', 'maxLength' => (int) $field->most],
            FieldKind::Integer => ['type' => 'integer', 'minimum' => (int) $field->least, 'maximum' => (int) $field->most],
            FieldKind::Number => ['type' => 'number', 'minimum' => $field->least, 'maximum' => $field->most],
            FieldKind::Flag => ['type' => 'boolean'],
            FieldKind::Moment => ['type' => 'string', 'pattern' => '^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}:[0-9]{2}Z$'],
            FieldKind::Day => ['type' => 'string', 'pattern' => '^[0-9]{4}-[0-9]{2}-[0-9]{2}$'],
            FieldKind::Choice => ['enum' => $field->choices],
            FieldKind::Json => $field->shape ?? [],
            FieldKind::Reference => [...$number, 'description' => 'number of one of '.Str::camel((string) $field->to)],
            FieldKind::References => ['type' => 'array', 'items' => $number, 'description' => 'numbers of '.Str::camel((string) $field->to)],
            FieldKind::Mix => [
                'type' => 'array',
                'maxItems' => 20,
                'items' => [
                    'type' => 'object',
                    'additionalProperties' => false,
                    'required' => ['paintId', 'name', 'maker', 'hex', 'drops'],
                    'properties' => [
                        'paintId' => $number,
                        'name' => ['type' => 'string'],
                        'maker' => ['type' => 'string'],
                        'hex' => ['type' => 'string', 'pattern' => '^#[0-9a-f]{6}$'],
                        'drops' => self::within(Limit::RecordedParts),
                    ],
                ],
            ],
            FieldKind::Levels => ['type' => 'object', 'propertyNames' => ['pattern' => '^[1-9][0-9]*$'], 'additionalProperties' => ['type' => 'number', 'minimum' => 0]],
            FieldKind::Readings => ['type' => 'object', 'properties' => ['whiteId' => ['type' => ['integer', 'null']]]],
            FieldKind::StepName => ['type' => 'string', 'maxLength' => 80],
            FieldKind::StepNames => ['type' => 'array', 'maxItems' => 1000, 'items' => ['type' => 'string', 'maxLength' => 80]],
            FieldKind::Finishes => [
                'type' => 'array',
                'items' => [
                    'type' => 'object',
                    'required' => ['areaId', 'area', 'layers'],
                    'properties' => [
                        'areaId' => $number,
                        'area' => ['type' => 'string'],
                        'layers' => [
                            'type' => 'array',
                            'items' => [
                                'type' => 'object',
                                'required' => ['key', 'technique', 'zones', 'thinner', 'coats', 'note', 'mix'],
                                'properties' => [
                                    'technique' => ['enum' => array_column(Technique::cases(), 'value')],
                                    'zones' => ['type' => 'array', 'items' => ['enum' => array_column(Zone::cases(), 'value')]],
                                    'thinner' => self::within(Limit::Thinner),
                                    'coats' => self::within(Limit::Coats),
                                    'note' => ['type' => ['string', 'null']],
                                    'mix' => [
                                        'type' => 'array',
                                        'items' => ['type' => 'object', 'required' => ['paintId', 'drops'], 'properties' => ['paintId' => $number, 'drops' => self::within(Limit::RecordedParts)]],
                                    ],
                                ],
                            ],
                        ],
                    ],
                ],
            ],
            FieldKind::Pieces => ['type' => 'array', 'maxItems' => 100_000, 'items' => ['type' => 'integer', 'minimum' => 0], 'description' => 'numbers of areas, 0 for none'],
            FieldKind::Sessions => Catalogue::sessions(),
            FieldKind::File => ['type' => 'string', 'pattern' => "^{$field->to}/[0-9]{1,6}\\.png$"],
            FieldKind::Print => ['type' => 'string', 'pattern' => '^meshes/[0-9]{1,6}\\.stl$'],
        };
    }

    /** @return array<string, mixed> */
    private static function within(Limit $limit): array
    {
        return ['type' => $limit->isWhole() ? 'integer' : 'number', 'minimum' => $limit->least(), 'maximum' => $limit->most()];
    }
}
