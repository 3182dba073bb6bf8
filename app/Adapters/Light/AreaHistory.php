<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Models\Brief\Area;

/**
 * What the painter gave to areas on a mesh, act by act, so that each can be taken back and done again. It lasts as long as the
 * lighting it was done on.
 */
final readonly class AreaHistory
{
    private const MOST = 20;

    /**
     * @param  list<int>  $back  numbers of what is kept, the last act last
     * @param  list<int>  $forth  alike, of what was taken back
     * @param  array<int, list<int>>  $made  areas of the brief that an act made, by its number
     * @param  int  $highest  number that an act ever had: none has it again
     */
    private function __construct(private StoredStudy $study, private array $back, private array $forth, private array $made, private int $highest)
    {
    }

    public static function of(StoredStudy $study): self
    {
        if (! MeshStore::has("{$study->path}.acts")) {
            return new self($study, [], [], [], 0);
        }
        /** @var array{0: list<int>, 1: list<int>, 2?: array<int, list<int>>, 3?: int} $kept written by us */
        $kept = json_decode(MeshStore::get("{$study->path}.acts"), true, 8, JSON_THROW_ON_ERROR);

        return new self($study, $kept[0], $kept[1], $kept[2] ?? [], max([$kept[3] ?? 0, ...$kept[0], ...$kept[1]]));
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
        $this->write(array_slice($back, -self::MOST), [], $made === [] ? $this->made : $this->made + [$number => $made]);
    }

    /** @return bool whether there was an act to take back */
    public function back(): bool
    {
        $last = $this->last();
        if ($last === null) {
            return false;
        }
        $made = $this->made[$last] ?? [];
        $now = $made === [] ? [$this->put()] : [];
        $this->take($last);
        // Areas that the act made go with it, unless something was planned for them since; it is not done again then, but proposed.
        Area::query()->whereKey($made)->whereDoesntHave('layers')->whereDoesntHave('samples')->delete();
        $this->write(array_slice($this->back, 0, -1), $made === [] ? [...$this->forth, ...$now] : [], array_diff_key($this->made, [$last => true]));

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
        $this->take($last);
        $this->write([...$this->back, $now], array_slice($this->forth, 0, -1), $this->made);

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
     * @param  array<int, list<int>>  $made
     */
    private function write(array $back, array $forth, array $made): void
    {
        MeshStore::put("{$this->study->path}.acts", json_encode([$back, $forth, (object) $made, max([$this->highest, ...$back, ...$forth])], JSON_THROW_ON_ERROR));
    }
}
