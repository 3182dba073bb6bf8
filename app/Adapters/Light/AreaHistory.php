<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Brief\Area;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The acts by which the painter gave triangles to areas: each can be undone and redone. It lasts as long as the
 * lighting it was done on. Areas that an act made are taken back with it, and come again with it, unless the painter has
 * touched them: those stay.
 *
 * @phpstan-type Made list<array<string, mixed>>
 */
final readonly class AreaHistory
{
    private const MOST = 20;

    /** Columns of an area that change without its painter. */
    private const MEASURED = ['square_cm', 'zone_shares', 'zone_exposures', 'position', 'updated_at'];

    /** Records by which a painter has planned, sampled or done something for an area. */
    private const HANGS_ON = [
        ['layers', 'area_id'], ['samples', 'area_id'], ['findings', 'area_id'], ['balances', 'area_id'], ['balances', 'other_id'], ['cups', 'area_id'],
        ['run_step_areas', 'area_id'], ['joint_hidden_areas', 'area_id'], ['piece_readings', 'area_id'], ['areas', 'lies_on_id'],
    ];

    /**
     * @param  list<int>  $back  numbers of what is kept, the last act last
     * @param  list<int>  $forth  alike, of what was taken back
     * @param  array<int, Made>  $made  areas of the brief that an act made, as it made them, by its number
     * @param  int  $highest  number that an act ever had: none has it again
     * @param  array<int, Made>  $gone  areas that were taken back with an act, by the number of what is done again
     */
    private function __construct(private StoredStudy $study, private array $back, private array $forth, private array $made, private int $highest, private array $gone = [])
    {
    }

    public static function of(StoredStudy $study): self
    {
        if (! MeshStore::has("{$study->path}.acts")) {
            return new self($study, [], [], [], 0);
        }
        /** @var array{0: list<int>, 1: list<int>, 2?: array<int, list<int|array<string, mixed>>>, 3?: int, 4?: array<int, Made>} $kept written by us */
        $kept = json_decode(MeshStore::get("{$study->path}.acts"), true, 8, JSON_THROW_ON_ERROR);
        // An earlier version kept no more than their numbers: they count as touched.
        $made = array_map(static fn (array $areas): array => array_values(array_filter($areas, is_array(...))), $kept[2] ?? []);

        return new self($study, $kept[0], $kept[1], $made, max([$kept[3] ?? 0, ...$kept[0], ...$kept[1]]), $kept[4] ?? []);
    }

    public function canGoBack(): bool
    {
        return $this->back !== [];
    }

    public function canGoForth(): bool
    {
        return $this->forth !== [];
    }

    /** @return int|null number of the last act; null when there is none to take back */
    public function last(): ?int
    {
        return $this->back[count($this->back) - 1] ?? null;
    }

    /** Takes the last act back for another in its place: it is not done again. */
    public function replace(): void
    {
        $last = $this->last();
        if ($last !== null) {
            $this->take($last);
            $this->write(array_slice($this->back, 0, -1), $this->forth, array_diff_key($this->made, [$last => true]));
        }
    }

    /**
     * Keeps what is about to be changed.
     *
     * @param  list<int>  $made  areas of the brief that are made with it
     */
    public function keep(array $made = []): void
    {
        $number = $this->put();
        $back = [...$this->back, $number];
        foreach ([...$this->forth, ...array_slice($back, 0, -self::MOST)] as $old) {
            $this->study->forgetCopy("act{$old}");
        }
        $this->write(array_slice($back, -self::MOST), [], $made === [] ? $this->made : $this->made + [$number => self::rows($made)]);
    }

    /** @return bool whether there was an act to take back */
    public function back(): bool
    {
        $last = $this->last();
        if ($last === null) {
            return false;
        }
        $now = $this->put();
        $this->take($last);
        $gone = array_values(array_filter($this->made[$last] ?? [], self::isUntouched(...)));
        Area::query()->whereKey(array_column($gone, 'id'))->delete();
        $this->write(array_slice($this->back, 0, -1), [...$this->forth, $now], array_diff_key($this->made, [$last => true]), $this->gone + [$now => $this->made[$last] ?? []]);

        return true;
    }

    /** @return bool whether there was one to do again */
    public function forth(): bool
    {
        $last = $this->forth[count($this->forth) - 1] ?? null;
        if ($last === null) {
            return false;
        }
        $now = $this->put();
        $again = $this->gone[$last] ?? [];
        foreach ($again as $row) {
            if (! Area::query()->whereKey($row['id'])->exists()) {
                DB::table('areas')->insert($row);
            }
        }
        $this->take($last);
        $this->write([...$this->back, $now], array_slice($this->forth, 0, -1), $again === [] ? $this->made : $this->made + [$now => $again], array_diff_key($this->gone, [$last => true]));

        return true;
    }

    /**
     * @param  list<int>  $ids
     * @return Made as the database has them
     */
    private static function rows(array $ids): array
    {
        /** @var Made $rows columns by their names */
        $rows = array_values(DB::table('areas')->whereIn('id', $ids)->orderBy('id')->get()->map(static fn (stdClass $row): array => (array) $row)->all());

        return $rows;
    }

    /**
     * @param  array<string, mixed>  $made
     * @return bool whether an area is as an act made it, but for what is measured of it, and nothing hangs on it
     */
    private static function isUntouched(array $made): bool
    {
        $id = $made['id'];
        $now = self::rows(is_int($id) ? [$id] : [])[0] ?? null;
        $measured = array_flip(self::MEASURED);
        if ($now === null || array_diff_key($now, $measured) !== array_diff_key($made, $measured)) {
            return false;
        }
        foreach (self::HANGS_ON as [$table, $column]) {
            if (DB::table($table)->where($column, $id)->exists()) {
                return false;
            }
        }

        return true;
    }

    /** @return int its number */
    private function put(): int
    {
        $number = 1 + $this->highest;
        $this->study->copyAreas("act{$number}");

        return $number;
    }

    private function take(int $number): void
    {
        $earlier = "{$this->study->path}.act{$number}";
        if (MeshStore::has($earlier)) {
            // Kept by a version that put both into one file.
            $this->study->putAreasAsKept((string) gzuncompress(MeshStore::get($earlier)));
        } else {
            $this->study->takeAreas("act{$number}");
        }
        $this->study->forgetCopy("act{$number}");
    }

    /**
     * @param  list<int>  $back
     * @param  list<int>  $forth
     * @param  array<int, Made>  $made
     * @param  array<int, Made>  $gone
     */
    private function write(array $back, array $forth, array $made, array $gone = []): void
    {
        MeshStore::put("{$this->study->path}.acts", json_encode([$back, $forth, (object) $made, max([$this->highest, ...$back, ...$forth]), (object) $gone], JSON_THROW_ON_ERROR));
    }
}
