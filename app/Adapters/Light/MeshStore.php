<?php

declare(strict_types=1);

namespace App\Adapters\Light;

use App\Adapters\StoredFile;
use Hyalin\Mesh\TriangleMesh;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * Meshes and lists of numbers on disk, packed.
 */
final class MeshStore
{
    /** Numbers packed at a time. */
    private const CHUNK = 8192;

    /** Bytes unpacked at a time. */
    private const PART = 65_536;

    /** How hard it is packed: what is read with every act is kept as it is, which is read ten times as fast. */
    public const PLAIN = 0;

    private const USUAL = 1;

    public static function put(string $path, string $bytes, int $level = self::USUAL): void
    {
        StoredFile::put($level === self::PLAIN ? "{$path}.raw" : "{$path}.gz", $level === self::PLAIN ? $bytes : (string) gzencode($bytes, $level));
    }

    /** @throws RuntimeException when it is gone */
    public static function get(string $path): string
    {
        if (self::disk()->exists("{$path}.raw")) {
            return (string) self::disk()->get("{$path}.raw");
        }
        $bytes = gzdecode((string) self::disk()->get("{$path}.gz"));

        return $bytes === false ? throw new RuntimeException("{$path} no longer exists") : $bytes;
    }

    /** @return string|null changes with what is in it; null when it is not there */
    public static function stamp(string $path): ?string
    {
        foreach (['lists', 'gz'] as $ending) {
            if (self::disk()->exists("{$path}.{$ending}")) {
                return hash('xxh3', (string) self::disk()->get("{$path}.{$ending}"));
            }
        }

        return null;
    }

    public static function has(string $path): bool
    {
        return self::disk()->exists("{$path}.raw") || self::disk()->exists("{$path}.gz");
    }

    public static function putMesh(string $path, TriangleMesh $mesh, int $level = self::USUAL): void
    {
        self::put("{$path}.pos", $mesh->positions, $level);
        self::put("{$path}.idx", $mesh->indices, $level);
    }

    public static function mesh(string $path): TriangleMesh
    {
        return TriangleMesh::of(self::get("{$path}.pos"), self::get("{$path}.idx"));
    }

    /** @param  array<int, int>  $values  32 bits each */
    public static function putInts(string $path, array $values, int $level = self::USUAL): void
    {
        self::put($path, self::packed('V*', $values), $level);
    }

    /** @return list<int> */
    public static function ints(string $path): array
    {
        /** @var list<int> $values */
        $values = self::unpacked('V*', self::get($path));

        return $values;
    }

    /** @return iterable<array<int, int>> as ints(), some thousands at a time: a list of all is slower to build than to read */
    public static function someInts(string $path): iterable
    {
        return self::parts(self::get($path));
    }

    /**
     * @param  string  $bytes  32 bits a number
     * @return iterable<array<int, int>>
     */
    public static function parts(string $bytes): iterable
    {
        for ($at = 0, $end = strlen($bytes); $at < $end; $at += self::PART) {
            /** @var array<int, int> $part written by us */
            $part = unpack('V*', substr($bytes, $at, self::PART));
            yield $part;
        }
    }

    /** @param  array<int, int>  $values  64 bits each */
    public static function putLongs(string $path, array $values): void
    {
        self::put($path, self::packed('P*', $values));
    }

    /** @return list<int> */
    public static function longs(string $path): array
    {
        /** @var list<int> $values */
        $values = self::unpacked('P*', self::get($path));

        return $values;
    }

    /** @param  array<int, float>  $values  32 bits each */
    public static function putFloats(string $path, array $values, int $level = self::USUAL): void
    {
        self::put($path, self::packed('g*', $values), $level);
    }

    /** @return list<float> */
    public static function floats(string $path): array
    {
        /** @var list<float> $values */
        $values = self::unpacked('g*', self::get($path));

        return $values;
    }

    /** @param  array<int, float>  $values  0..1, a byte each */
    public static function bytes(array $values): string
    {
        $bytes = '';
        for ($at = 0, $count = count($values); $at < $count; $at += self::CHUNK) {
            $bytes .= pack('C*', ...array_map(static fn (float $v): int => (int) (255 * max(0.0, min(1.0, $v)) + 0.5), array_slice($values, $at, self::CHUNK)));
        }

        return $bytes;
    }

    /** @param  array<int, int|float>  $values */
    private static function packed(string $format, array $values): string
    {
        $bytes = '';
        // Slice by slice: all chunks at once would hold a long list twice.
        for ($at = 0, $count = count($values); $at < $count; $at += self::CHUNK) {
            $bytes .= pack($format, ...array_slice($values, $at, self::CHUNK));
        }

        return $bytes;
    }

    /** @return list<int|float> */
    private static function unpacked(string $format, string $bytes): array
    {
        $all = [];
        for ($at = 0, $end = strlen($bytes); $at < $end; $at += self::PART) {
            /** @var array<int, int|float> $part written by us */
            $part = unpack($format, substr($bytes, $at, self::PART));
            array_push($all, ...array_values($part));
        }

        return $all;
    }

    /** @param  list<array<int, int|float|array<int, array{float, float}>>>  $lists  that acts read whole: they are there three times as fast as numbers are unpacked */
    public static function putLists(string $path, array $lists): void
    {
        StoredFile::put("{$path}.lists", (string) igbinary_serialize($lists));
    }

    /** @return list<array<int, mixed>>|null as they were put; null when there are none */
    public static function lists(string $path): ?array
    {
        /** @var list<array<int, mixed>>|null $lists written by us */
        $lists = self::disk()->exists("{$path}.lists") ? igbinary_unserialize((string) self::disk()->get("{$path}.lists")) : null;

        return $lists;
    }

    /** @return bool whether there were any */
    public static function copyLists(string $from, string $to): bool
    {
        $kept = self::disk()->exists("{$from}.lists") ? self::disk()->get("{$from}.lists") : null;
        if ($kept !== null) {
            StoredFile::put("{$to}.lists", $kept);
        }

        return $kept !== null;
    }

    public static function forget(string $path): void
    {
        self::disk()->delete(["{$path}.gz", "{$path}.raw", "{$path}.lists"]);
    }

    private static function disk(): Filesystem
    {
        return Storage::disk('local');
    }
}
