<?php

declare(strict_types=1);

namespace App\Adapters\BenchFile;

use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Models\Brief\Figure;
use App\Models\Light\LightRecord;
use App\Models\Painter;
use DateTimeImmutable;
use DateTimeZone;
use Generator;
use Hyalin\Formats\Meshes\StlWriter;
use Illuminate\Database\Query\Builder;
use Illuminate\Filesystem\LocalFilesystemAdapter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use League\Flysystem\UnableToReadFile;
use RuntimeException;
use ZipArchive;

/**
 * A bench, or one figure of it with the pots it uses, as a zip of one JSON document and its pictures. Records are read and
 * written one after the other, pictures copied from disk: the memory it takes does not grow with the bench.
 */
final class BenchWriter
{
    private const CHUNK = 200;

    /** @var list<string> files that the zip is made of */
    private array $scratch = [];

    private function __construct(private readonly Painter $painter, private readonly ?Figure $figure, private readonly Numbers $numbers)
    {
    }

    /**
     * @param  string  $path  of the zip to be written
     * @param  Figure|null  $figure  null for the whole bench
     */
    public static function write(string $path, Painter $painter, ?Figure $figure = null): void
    {
        (new self($painter, $figure, new Numbers))->into($path);
    }

    private function into(string $path): void
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("{$path} cannot be written");
        }
        $document = "{$path}.json";
        try {
            $this->document($document, $zip);
            $zip->addFile($document, 'bench.json');
            $zip->close();
        } finally {
            array_map(unlink(...), array_filter([$document, ...$this->scratch], is_file(...)));
        }
    }

    private function document(string $path, ZipArchive $zip): void
    {
        LightRecord::query()->where('painter_id', $this->painter->id)->whereNotNull('result')->get()->each(StoredStudy::settleFiles(...));
        $out = fopen($path, 'w') ?: throw new RuntimeException("{$path} cannot be written");
        fwrite($out, '{"format":'.self::json(Catalogue::FORMAT).',"version":'.Catalogue::VERSION.',"painter":'.self::json($this->habits()).",\n\"records\":{");
        foreach (Catalogue::all() as $n => $type) {
            fwrite($out, ($n > 0 ? ",\n" : "\n").self::json(Str::camel($type->table)).':[');
            $first = true;
            foreach ($this->records($type, $zip) as $record) {
                fwrite($out, ($first ? "\n" : ",\n").self::json($record));
                $first = false;
            }
            fwrite($out, ']');
        }
        fwrite($out, "}}\n");
        fclose($out);
    }

    /** @return object what is the painter's own way, whatever the figure */
    private function habits(): object
    {
        return (object) ($this->figure !== null ? [] : array_filter([
            'schools' => $this->painter->schools, 'hours' => $this->painter->bench_hours,
            'exceptions' => $this->painter->bench_exceptions === null ? null : (object) $this->painter->bench_exceptions,
            'timeZone' => $this->painter->time_zone, 'dryingAid' => $this->painter->drying_aid->value,
        ], static fn (mixed $habit): bool => $habit !== null));
    }

    /** @return Generator<array<string, mixed>> */
    private function records(RecordType $type, ZipArchive $zip): Generator
    {
        // All are numbered before the first is written: a record may refer to a later one of its own kind.
        foreach ($this->query($type)->orderBy('id')->pluck('id') as $n => $id) {
            $this->numbers->add($type->table, is_int($id) ? $id : 0, $n + 1);
        }
        $lists = [];
        foreach ($type->fields as $field) {
            if ($field->link !== null) {
                $lists[$field->column] = $this->lists($type, $field->link);
            }
        }
        foreach ($this->query($type)->lazyById(self::CHUNK) as $row) {
            $row = (array) $row;
            $number = $this->numbers->of($type->table, is_int($row['id']) ? $row['id'] : 0) ?? 0;
            $record = ['id' => $number];
            foreach ($type->fields as $field) {
                $value = match (true) {
                    $field->link !== null => $this->numbers->turned($field, $lists[$field->column][is_int($row['id']) ? $row['id'] : 0] ?? null),
                    $field->kind === FieldKind::File => $row[$field->column] === null ? null : self::picture($zip, $row[$field->column], "{$field->to}/{$number}.png"),
                    $field->kind === FieldKind::Print => $this->print($zip, is_string($row[$field->column]) ? $row[$field->column] : '', $number),
                    default => $this->numbers->turned($field, self::value($field, $row[$field->column])),
                };
                if ($value !== null || ! $field->isOptional) {
                    $record[$field->name()] = $value;
                }
            }
            yield $record;
        }
    }

    /** @return array<int, array<int, int|float>> by record */
    private function lists(RecordType $type, Link $link): array
    {
        $rows = DB::table($link->table)->whereIn($link->own, $this->query($type)->select('id'))->orderBy($link->own)->orderBy($link->place ?? 'id')->get();

        return $link->lists($rows->map(static fn (object $row): array => (array) $row));
    }

    private function query(RecordType $type): Builder
    {
        $query = DB::table($type->table)->select(['id', ...$type->columns()]);
        if ($type->parent !== null) {
            $to = (string) $type->parentField()?->to;

            // A layer that no paint is of paints nothing; an earlier version took such in, and none takes them in again.
            return $query->whereIn($type->parent, $this->numbers->all($to))
                ->when($type->table === 'layers', static fn (Builder $layers) => $layers->whereExists(static fn (Builder $of) => $of->from('layer_paints')->whereColumn('layer_paints.layer_id', 'layers.id')));
        }
        $query->where('painter_id', $this->painter->id);
        if ($this->figure === null) {
            return $query;
        }

        return match ($type->table) {
            'figures' => $query->where('id', $this->figure->id),
            'paints' => $query->whereIn('id', $this->pots($this->figure)),
            // Of one figure only what is its own.
            default => $query->whereRaw('1 = 0'),
        };
    }

    /** @return list<int> all that its recipes and runs name */
    private function pots(Figure $figure): array
    {
        $ids = DB::table('layer_paints')->join('layers', 'layers.id', '=', 'layer_paints.layer_id')->join('areas', 'areas.id', '=', 'layers.area_id')->where('areas.figure_id', $figure->id)->pluck('paint_id')->all();
        foreach ($figure->runs()->with('steps')->get() as $run) {
            foreach ($run->steps as $step) {
                $ids = [...$ids, ...array_column($step->planned_mix, 'paintId'), ...array_column($step->used_mix ?? [], 'paintId')];
            }
        }
        foreach ($figure->versions as $version) {
            foreach ($version->finishes as $finish) {
                foreach ($finish['layers'] as $layer) {
                    $ids = [...$ids, ...array_column($layer['mix'], 'paintId')];
                }
            }
        }

        return array_values(array_unique(array_filter($ids, is_int(...))));
    }

    /** A print file as STL in its own unit, and what the painter chose on it, as runs of triangles with the same areas. */
    private function print(ZipArchive $zip, string $path, int $number): string
    {
        $name = "meshes/{$number}.stl";
        $this->scratch[] = $file = (string) tempnam(sys_get_temp_dir(), 'mesh');
        $out = fopen($file, 'w') ?: throw new RuntimeException("{$file} cannot be written");
        foreach (StlWriter::parts(MeshStore::mesh($path)) as $part) {
            fwrite($out, $part);
        }
        fclose($out);
        $zip->addFile($file, $name);
        $runs = [];
        [$count, $last] = [0, []];
        foreach (StoredStudy::chosenOf($path) as $areas) {
            // 0 takes it away from every area, null leaves it as the pieces have it.
            $areas = array_map(fn (?int $id): ?int => $id === null ? null : $this->numbers->of('areas', $id) ?? 0, $areas);
            if ($count > 0 && $areas !== $last) {
                $runs[] = [$count, $last];
                $count = 0;
            }
            [$count, $last] = [$count + 1, $areas];
        }
        $runs = $count > 0 ? [...$runs, [$count, $last]] : $runs;
        if ($runs !== []) {
            $zip->addFromString("meshes/{$number}.areas.json", json_encode($runs, JSON_THROW_ON_ERROR));
        }

        return $name;
    }

    private static function picture(ZipArchive $zip, mixed $path, string $name): string
    {
        $path = is_string($path) ? $path : '';
        $disk = Storage::disk('local');
        if (! $disk->exists($path)) {
            throw UnableToReadFile::fromLocation($path);
        }
        // Read while the archive is written, where the disk is a folder; elsewhere there is no name to read it by.
        $disk instanceof LocalFilesystemAdapter ? $zip->addFile($disk->path($path), $name) : $zip->addFromString($name, (string) $disk->get($path));
        // A PNG is compressed already.
        $zip->setCompressionName($name, ZipArchive::CM_STORE);

        return $name;
    }

    private static function value(Field $field, mixed $stored): mixed
    {
        if ($stored === null) {
            return null;
        }

        return match ($field->kind) {
            FieldKind::Flag => (bool) $stored,
            FieldKind::Number => is_numeric($stored) ? (float) $stored : null,
            FieldKind::Moment => is_string($stored) ? (new DateTimeImmutable($stored, new DateTimeZone('UTC')))->format('Y-m-d\TH:i:s\Z') : null,
            FieldKind::Json, FieldKind::References, FieldKind::Mix, FieldKind::Levels, FieldKind::Readings, FieldKind::StepNames, FieldKind::Finishes, FieldKind::Pieces, FieldKind::Sessions => is_string($stored) && ($field->shape['type'] ?? '') !== 'string' ? self::decoded($field, $stored) : $stored,
            default => $stored,
        };
    }

    private static function decoded(Field $field, string $stored): mixed
    {
        $value = json_decode($stored, true, flags: JSON_THROW_ON_ERROR);

        // An empty object and an empty list look alike in PHP.
        return $value === [] && ($field->shape['type'] ?? '') === 'object' ? (object) [] : $value;
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
