<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\Light\MeshStore;
use App\Adapters\Light\StoredStudy;
use App\Adapters\Light\TriangleRuns;
use App\Models\Light\LightRecord;
use Hyalin\Formats\Meshes\StlWriter;
use Tests\Support\Shapes;

/**
 * What is which area is kept as runs of triangles: it says the same as a list of all of them, which an earlier version wrote.
 */
final class AreaRunsTest extends TestCase
{
    public function test_runs_say_what_lists_of_all_triangles_say(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 300; $round++) {
            $n = mt_rand(1, 40);
            $all = array_map(static fn (): int => mt_rand(0, 2), range(1, $n));
            $some = array_map(static fn (): int => mt_rand(5, 6), array_filter(array_fill(0, $n, 0), static fn (): bool => mt_rand(0, 2) === 0));
            [$base, $given] = [TriangleRuns::of($all), TriangleRuns::of($some)];
            self::assertSame(array_replace($all, $some), $given->over($base)->byTriangle());
            self::assertSame(array_filter($some, static fn (int $t): bool => $all[$t] !== 1, ARRAY_FILTER_USE_KEY), $given->free($base, [0 => true, 2 => true])->byTriangle());
            $others = array_map(static fn (int $area): ?int => $area === 5 ? null : $area, array_filter(array_map(static fn (): int => mt_rand(5, 7), range(1, $n)), static fn (): bool => mt_rand(0, 2) === 0));
            $corrected = array_filter(array_replace($some, $others), is_int(...));
            ksort($corrected);
            self::assertSame($corrected, $given->corrected($others)->byTriangle());
            self::assertSame($all, TriangleRuns::unpacked($base->packed())->byTriangle());
            self::assertSame(2 * (1 + count(array_filter($all, static fn (int $own, int $t): bool => $t > 0 && $own !== $all[$t - 1], ARRAY_FILTER_USE_BOTH))), count($base->packed()));
            self::assertSame([pack('V*', ...$all), $all], [$base->bytes(), TriangleRuns::ofBytes($base->bytes())->byTriangle()]);
        }
    }

    public function test_what_an_earlier_version_kept_is_read_given_on_and_taken_back(): void
    {
        $figure = $this->figure();
        $this->printFile($figure, StlWriter::write(Shapes::box(10.0, 10.0, 20.0, 6)), $figure->parts()->create(['name' => 'Block', 'position' => 1])->id);
        $this->postJson("/figures/{$figure->id}/light")->assertAccepted();
        [$low, $high] = [$this->area($figure, 'Low'), $this->area($figure, 'High')];
        $give = fn (int $area) => $this->postJson("/figures/{$figure->id}/light/areas", ['at' => [5, 5, 20], 'tool' => 'piece', 'size' => 1, 'areaId' => $area])->assertOk();
        $give($low->id);
        $study = StoredStudy::of(LightRecord::query()->sole());
        self::assertNotNull($study);
        $triangles = $study->measured()->triangles();
        $all = static fn (int $area): array => array_fill(0, $triangles, $area);
        // All the block is Low; before that act it was nobody's.
        self::assertSame($all($low->id), $study->areas());
        MeshStore::forget("{$study->path}.runs");
        MeshStore::forget("{$study->path}.act1.runs");
        foreach (['' => [$low->id, $low->id], '.act1' => [0xFFFFFFFF, 0]] as $of => [$chosen, $area]) {
            MeshStore::putInts("{$study->path}{$of}.chosen", $all($chosen));
            MeshStore::putInts("{$study->path}{$of}.areas", $all($area));
        }

        $stamp = $study->stampOfAreas();
        self::assertSame([$all($low->id), $all($low->id), pack('V*', ...$all($low->id))], [$study->chosen(), $study->areas(), $study->areasForView()]);
        $give($high->id);
        self::assertSame($all($high->id), $study->areas());
        self::assertNotSame($stamp, $study->stampOfAreas());
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        self::assertSame($all($low->id), $study->areas());
        $stamp = $study->stampOfAreas();
        $this->postJson("/figures/{$figure->id}/light/areas/undo")->assertOk();
        self::assertSame([$all(0), array_fill(0, $triangles, null)], [$study->areas(), $study->chosen()]);
        $this->postJson("/figures/{$figure->id}/light/areas/redo")->assertOk();
        // Where it was is the same as it was.
        self::assertSame([$all($low->id), $stamp], [$study->areas(), $study->stampOfAreas()]);
    }
}
