<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Actions\Shelf\EstimatePaint;
use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\Catalogue;
use App\Adapters\BenchFile\Field;
use App\Adapters\BenchFile\FieldKind;
use App\Adapters\BenchFile\Numbers;
use App\Adapters\BenchFile\RecordType;
use App\Adapters\BenchFile\UnreadableBench;
use App\Adapters\Light\MeshFile;
use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\StoredFile;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use Closure;
use DateTimeZone;
use Hyalin\Bench\DryingAid;
use Hyalin\InvalidInput;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Pot\PotField;
use Hyalin\Progress;
use Hyalin\Stopped;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use stdClass;
use Throwable;

/**
 * Takes a bench file in, wholly or not at all. Pots that are on the shelf already, alike in every number, are those; a pot
 * or figure of the same name that differs comes in under a name of its own, never over the one that is there.
 */
final class ImportBench
{
    /** Columns by which a record is known that a painter may have already. */
    private const ALIKE = [
        'paints' => ['maker', 'name', 'kind', 'sheen', 'thick_hex', 'absorption', 'scattering'],
        'chips' => ['technique', 'paint_id', 'thinner', 'coats', 'card', 'read'],
        'technique_hands' => ['technique'],
        'corrections' => ['paint_id', 'technique'],
        'cups' => ['name', 'created_at', 'pot_life_minutes'],
        'cup_entries' => ['cup_id', 'key'],
        'timers' => ['key'],
        'schedules' => [],
    ];

    private Numbers $numbers;

    /** @var array<string, array<int, true>> what came in so far, by table and id */
    private array $own;

    /** @var list<string> pictures stored so far */
    private array $stored;

    /** @var array<string, string> where what is in the file is stored, by its name there */
    private array $files;

    /** @var array<string, list<list<int|null>>> what was chosen on print files, areas as the file numbers them, by path */
    private array $choices;

    /** @var list<string> print files stored so far */
    private array $prints;

    /**
     * @param  (Closure(array<string, int>): mixed)|null  $done  told what came in, in the same transaction: it is not done twice
     * @return array<string, int> how many records of each kind came in
     *
     * @throws UnreadableBench
     * @throws Stopped nothing is added then
     */
    public function __invoke(Painter $painter, BenchReader $file, ?Progress $progress = null, ?Closure $done = null): array
    {
        $this->numbers = new Numbers;
        $this->stored = $this->prints = $this->own = $this->files = $this->choices = [];
        try {
            // Decoded first: others write while it takes its time, and the database is held only for what is short.
            $this->decode($file, $progress);

            return DB::transaction(function () use ($painter, $file, $done): array {
                $counts = [];
                foreach (Catalogue::all() as $type) {
                    $counts[$type->table] = $this->bringIn($painter, $file, $type);
                }
                foreach ($this->choices as $path => $chosen) {
                    StoredStudy::putChosen($path, array_map(fn (array $areas): array => array_map(fn (?int $area): ?int => $area === null ? null : $this->numbers->of('areas', $area) ?? 0, $areas), $chosen));
                }
                $this->adoptHabits($painter, $file);
                if ($done !== null) {
                    $done($counts);
                }

                return $counts;
            });
        } catch (Throwable $e) {
            Storage::disk('local')->delete($this->stored);
            array_map(StoredFile::forget(...), $this->prints);
            throw $e;
        }
    }

    /** @return list<string> names of figures of the file that the painter has already */
    public static function clashes(Painter $painter, BenchReader $file): array
    {
        $names = array_filter(array_column($file->records('figures'), 'name'), is_string(...));

        return array_values(array_unique(array_intersect($names, $painter->figures()->get()->map(static fn (Figure $f): string => $f->name)->all())));
    }

    /**
     * @throws UnreadableBench when a picture or print file in it is none
     * @throws Stopped
     */
    private function decode(BenchReader $file, ?Progress $progress): void
    {
        $all = max(1, array_sum(array_map(static fn (string $of): int => count($file->records($of)), ['pictures', 'meshes'])));
        foreach (Catalogue::all() as $type) {
            foreach ($type->fields as $field) {
                foreach ($field->kind === FieldKind::File || $field->kind === FieldKind::Print ? $file->records(Str::camel($type->table)) : [] as $record) {
                    $name = $record[$field->name()] ?? null;
                    if (is_string($name) && isset($this->files[$name])) {
                        throw UnreadableBench::contradicts($name);
                    }
                    if (is_string($name)) {
                        Stopped::unless($progress, min(0.9, count($this->files) / $all));
                        $this->files[$name] = $field->kind === FieldKind::File ? $this->picture($file, $name) : $this->print($file, $name, $record['triangles'] ?? null);
                    }
                }
            }
        }
    }

    private function bringIn(Painter $painter, BenchReader $file, RecordType $type): int
    {
        $name = Str::camel($type->table);
        $later = $tinted = [];
        foreach ($file->records($name) as $n => $record) {
            $where = "bench.json, {$name} ".($n + 1);
            $number = is_int($record['id']) ? $record['id'] : 0;
            if ($this->numbers->of($type->table, $number) !== null) {
                throw UnreadableBench::contradicts($where);
            }
            $row = $this->row($file, $type, $record, $where, $later);
            $row = $type->table === 'paints' ? self::estimatedAnew($row) : $row;
            $known = $this->known($painter, $type, $row);
            $this->numbers->add($type->table, $number, $known ?? $this->insert($painter, $type, $row, $where));
            if ($known === null) {
                $this->insertLists($type, $record, $this->numbers->of($type->table, $number) ?? 0);
            }
            $readings = $known === null ? $record['readings'] ?? null : null;
            if ($readings !== null) {
                $tinted[$number] = $readings;
            }
        }
        // The white of a tint may be a later pot.
        foreach ($tinted as $number => $readings) {
            DB::table($type->table)->where('id', $this->numbers->of($type->table, $number))->update(['readings' => json_encode(
                $this->numbers->turned(Field::of('readings', FieldKind::Readings), $readings),
                JSON_THROW_ON_ERROR,
            )]);
        }
        foreach ($later as [$number, $field, $to, $where]) {
            $id = $this->numbers->of($type->table, $to) ?? throw UnreadableBench::pointsNowhere($where, $to, $name);
            DB::table($type->table)->where('id', $this->numbers->of($type->table, $number))->update([$field => $id]);
        }

        return count($file->records($name));
    }

    /**
     * @param  array<string, mixed>  $record
     * @param  list<array{int, string, int, string}>  $later  references to a record of the same kind, which may come later
     * @return array<string, mixed> by column
     */
    private function row(BenchReader $file, RecordType $type, array $record, string $where, array &$later): array
    {
        $row = [];
        foreach ($type->fields as $field) {
            $value = $record[$field->name()] ?? null;
            if ($field->to === $type->table && is_int($value)) {
                $later[] = [is_int($record['id']) ? $record['id'] : 0, $field->column, $value, "{$where}, {$field->name()}"];
                $value = null;
            } elseif ($field->kind === FieldKind::Reference && is_int($value) && $this->numbers->of((string) $field->to, $value) === null) {
                throw UnreadableBench::pointsNowhere("{$where}, {$field->name()}", $value, Str::camel((string) $field->to));
            }
            if ($field->link !== null || ($value === null && $field->isOptional)) {
                // What an earlier version did not write gets what the database gives by itself.
                continue;
            }
            $row[$field->column] = match (true) {
                $field->kind === FieldKind::File && is_string($value) => $this->files[$value],
                $field->kind === FieldKind::Moment && is_string($value) && ! self::isMoment($value) => throw UnreadableBench::invalid("{$where}, {$field->name()}", "there is no such moment: {$value}."),
                $field->kind === FieldKind::Day && is_string($value) && ! PotField::isDay($value) => throw UnreadableBench::invalid("{$where}, {$field->name()}", "there is no such day from 1900 to 2199: {$value}."),
                $field->kind === FieldKind::Print && is_string($value) => $this->files[$value],
                default => self::stored($field, $this->numbers->turned($field, $value)),
            };
        }

        return $row;
    }

    /** Whether a moment that matches the schema's pattern exists and lies between 1970 and 2200. */
    private static function isMoment(string $value): bool
    {
        [$year, $month, $day, $hour, $minute, $second] = array_map(intval(...), preg_split('/\D/', $value) ?: []) + array_fill(0, 6, 0);

        return checkdate($month, $day, $year) && $year >= 1970 && $year <= 2200 && $hour < 24 && $minute < 60 && $second < 60;
    }

    private static function stored(Field $field, mixed $value): mixed
    {
        return match (true) {
            $value === null => null,
            $field->kind === FieldKind::Moment && is_string($value) => str_replace(['T', 'Z'], [' ', ''], $value),
            is_array($value) => json_encode($value === [] && ($field->shape['type'] ?? '') === 'object' ? (object) [] : $value, JSON_THROW_ON_ERROR),
            default => $value,
        };
    }

    /** @param  array<string, mixed>  $record */
    private function insertLists(RecordType $type, array $record, int $id): void
    {
        foreach ($type->fields as $field) {
            $list = $field->link === null ? null : $this->numbers->turned($field, $record[$field->name()] ?? null);
            if ($field->link !== null && is_array($list)) {
                DB::table($field->link->table)->insertOrIgnore($field->link->rows($id, $list));
            }
        }
    }

    /** @param  array<string, mixed>  $row */
    private function insert(Painter $painter, RecordType $type, array $row, string $where): int
    {
        $row += ['created_at' => now(), 'updated_at' => now()];
        if ($type->parent === null || in_array($type->table, ['runs', 'light_studies'], true)) {
            $row['painter_id'] = $painter->id;
        }
        if ($type->table === 'layer_paints') {
            unset($row['created_at'], $row['updated_at']);
        }
        if ($type->table === 'figures' || $type->table === 'paints') {
            $row['name'] = self::free($painter, $type->table, $row);
        }
        try {
            $id = DB::table($type->table)->insertGetId($row);
            $this->own[$type->table][$id] = true;

            return $id;
        } catch (UniqueConstraintViolationException) {
            throw UnreadableBench::contradicts($where);
        }
    }

    /**
     * What an earlier version estimated of a pot is estimated again: it took clear pots for white paint.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private static function estimatedAnew(array $row): array
    {
        $paint = (new Paint)->setRawAttributes($row);
        // What photos have taught of an estimated pot is not estimated away.
        if ($paint->quality !== OpticsQuality::Estimated || isset($row['spread'])) {
            return $row;
        }
        try {
            $optics = (new EstimatePaint)($paint);
        } catch (ValidationException) {
            // A colour that no paint can have was let in once: what is stored of it stays.
            return $row;
        }
        $paint->fill(['absorption' => $optics->k, 'scattering' => $optics->s]);

        return [...$row, ...array_intersect_key($paint->getAttributes(), array_flip(['absorption', 'scattering']))];
    }

    /**
     * What the painter has already, alike in all that tells it from others: a pot in all that makes its colour; the hand for a
     * technique, of which there is one, and it is never written over.
     *
     * @param  array<string, mixed>  $row
     */
    private function known(Painter $painter, RecordType $type, array $row): ?int
    {
        $alike = self::ALIKE[$type->table] ?? null;
        if ($alike === null) {
            return null;
        }
        // Spectra are compared as numbers: not every database compares JSON, and none as it was written.
        $spectra = array_values(array_intersect($alike, array_map(static fn (Field $f): string => $f->kind === FieldKind::Json && ($f->shape['type'] ?? '') === 'array' ? $f->column : '', $type->fields)));
        $query = DB::table($type->table)->where(array_intersect_key($row, array_flip(array_diff($alike, $spectra))));
        if ($type->parent === null) {
            $query->where('painter_id', $painter->id);
        }
        $like = $query->when($type->table === 'paints', static fn ($q) => $q->whereNull('deleted_at'))->orderBy('id')->get(['id', ...$spectra])
            ->first(static fn (stdClass $known): bool => array_filter($spectra, static fn (string $column): bool => self::numbers($known->{$column}) !== self::numbers($row[$column] ?? null)) === []);
        $id = $like->id ?? null;

        // What came with this file is another record of it: that is for the unique keys to judge; pots alike are one.
        return is_int($id) && ($type->table === 'paints' || ! isset($this->own[$type->table][$id])) ? $id : null;
    }

    private static function numbers(mixed $json): mixed
    {
        return is_string($json) ? json_decode($json) : null;
    }

    /** @param  array<string, mixed>  $row */
    private static function free(Painter $painter, string $table, array $row): string
    {
        $name = is_string($row['name']) ? $row['name'] : '';
        $taken = static fn (string $name): bool => DB::table($table)->where('painter_id', $painter->id)->where('name', $name)
            ->when($table === 'paints', static fn ($q) => $q->where('maker', $row['maker'])->whereNull('deleted_at'))->exists();
        $free = $name;
        for ($n = 2; $taken($free); $n++) {
            $free = Str::limit($name, 240, '')." ({$n})";
        }

        return $free;
    }

    /** @throws UnreadableBench when it is no picture, too large or damaged */
    private function picture(BenchReader $file, string $name): string
    {
        try {
            $intake = PictureIntake::of($file->picture($name), times: 2);
        } catch (UnreadablePicture $e) {
            throw UnreadableBench::badPicture($name, $e->getMessage());
        }
        $path = 'pictures/'.Str::ulid()->toBase32().'.png';
        StoredFile::put($path, $intake->png);
        $this->stored[] = $path;

        return $path;
    }

    /** @throws UnreadableBench when it is no print file, or another one than was said */
    private function print(BenchReader $file, string $name, mixed $triangles): string
    {
        $scratch = (string) tempnam(sys_get_temp_dir(), 'mesh');
        try {
            $file->print($name, $scratch);
            $mesh = MeshFile::read($scratch, $name)->mesh;
        } catch (InvalidInput $e) {
            throw UnreadableBench::badPrint($name, $e->getMessage());
        } finally {
            unlink($scratch);
        }
        if ($mesh->triangles() !== $triangles) {
            throw UnreadableBench::badPrint($name, 'its number of triangles differs from bench.json');
        }
        $this->prints[] = $path = 'meshes/'.Str::ulid()->toBase32();
        MeshStore::putMesh($path, $mesh);
        $chosen = $this->choices[$path] = [];
        $choice = str_replace('.stl', '.areas.json', $name);
        foreach ($file->chosen($choice) as [$count, $areas]) {
            if (count($chosen) + $count > $mesh->triangles()) {
                throw UnreadableBench::noChoice($choice);
            }
            array_push($chosen, ...array_fill(0, $count, $areas));
        }
        $this->choices[$path] = $chosen;

        return $path;
    }

    /** A painter's own ways are never written over. */
    private function adoptHabits(Painter $painter, BenchReader $file): void
    {
        $habits = is_array($file->document['painter'] ?? null) ? $file->document['painter'] : [];
        /** @var list<string>|null $schools judged by the schema */
        $schools = $habits['schools'] ?? null;
        /** @var list<array{day: int, start: string, minutes: int}>|null $hours judged by the schema */
        $hours = $habits['hours'] ?? null;
        /** @var array<string, array{start: string, minutes: int}|null>|null $exceptions judged by the schema */
        $exceptions = $habits['exceptions'] ?? null;
        $zone = is_string($habits['timeZone'] ?? null) && in_array($habits['timeZone'], DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC), true) ? $habits['timeZone'] : null;
        if ($painter->bench_hours === null && is_string($habits['dryingAid'] ?? null)) {
            $painter->drying_aid = DryingAid::from($habits['dryingAid']);
        }
        $painter->schools ??= $schools;
        $painter->bench_hours ??= $hours;
        $painter->bench_exceptions ??= $exceptions;
        $painter->time_zone ??= $zone;
        $painter->save();
    }
}
