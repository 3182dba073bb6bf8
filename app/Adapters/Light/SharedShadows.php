<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Adapters\StoredFile;
use Hyalin\Light\CastsShadows;
use Hyalin\Light\Visibility;
use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;

/**
 * Shadows shared among processes, one for each processor: directions do not depend on each other. What a helper does not
 * bring is done here.
 */
final class SharedShadows implements CastsShadows
{
    /** Triangles from which a helper is worth its start. */
    private const FROM = 30_000;

    private const MOST = 4;

    public function seen(TriangleMesh $mesh, array $directions, bool $isClosed, ?Progress $progress): Visibility
    {
        $count = count($directions);
        $shares = $mesh->triangles() < self::FROM ? 1 : min(self::MOST, self::processors());
        // Helpers begin later: this one takes a little more.
        $own = $shares === 1 ? $count : (int) ceil($count / $shares * 1.08);
        $path = 'light/'.Str::ulid()->toBase32();
        $helpers = [];
        try {
            if ($shares > 1) {
                MeshStore::putMesh("{$path}.work", $mesh);
                MeshStore::put("{$path}.directions", json_encode($directions, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
                $each = ($count - $own) / ($shares - 1);
                for ($n = 1; $n < $shares; $n++) {
                    [$from, $before] = [$own + (int) round(($n - 1) * $each), $own + (int) round($n * $each)];
                    $helpers[] = [$from, $before, $helper = self::helper($path, $from, $before, $isClosed)];
                    $helper->start();
                }
            }
            $seen = Visibility::of($mesh, $directions, $progress, isClosed: $isClosed, before: $own);
            foreach ($helpers as [$from, $before, $helper]) {
                $helper->wait();
                $seen = $seen->with($helper->isSuccessful() ? self::found($path, $from, $count) : Visibility::of($mesh, $directions, isClosed: $isClosed, from: $from, before: $before)->bits);
            }

            return $seen;
        } finally {
            // Stopped or failed, none goes on by itself.
            array_map(static fn (array $helper): ?int => $helper[2]->stop(0.0), $helpers);
            StoredFile::forget($path);
        }
    }

    /** @return int of this machine, one where it does not say */
    private static function processors(): int
    {
        return max(1, substr_count((string) @file_get_contents('/proc/cpuinfo'), "\nprocessor") + 1);
    }

    private static function helper(string $path, int $from, int $before, bool $isClosed): Process
    {
        return new Process([PHP_BINARY, '-d', 'memory_limit='.ini_get('memory_limit'), base_path('artisan'), 'hyalin:shadows', $path, (string) $from, (string) $before, ...$isClosed ? ['--closed'] : []], base_path(), timeout: 1800);
    }

    /** @return list<array<int, int>> */
    private static function found(string $path, int $from, int $count): array
    {
        $bits = [];
        for ($word = 0, $words = intdiv($count + 63, 64); $word < $words; $word++) {
            $bits[] = MeshStore::longs("{$path}.bits{$from} {$word}");
        }

        return $bits;
    }
}
