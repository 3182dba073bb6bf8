<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\Light\MeshFile;
use Hyalin\Light\InvalidLight;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\NearWeld;
use Hyalin\Mesh\TriangleMesh;

/**
 * What the commands about a mesh file share: FILE, --up, --out, and how long and with how much memory they worked.
 */
abstract class MeshCommand extends CoreCommand
{
    private const UP = ['x' => [1.0, 0.0, 0.0], 'y' => [0.0, 1.0, 0.0], 'z' => [0.0, 0.0, 1.0], '-x' => [-1.0, 0.0, 0.0], '-y' => [0.0, -1.0, 0.0], '-z' => [0.0, 0.0, -1.0]];

    private int|float $began = 0;

    protected function begin(): void
    {
        // A mesh of two million triangles takes half a gigabyte.
        ini_set('memory_limit', '1G');
        $this->began = hrtime(true);
        memory_reset_peak_usage();
    }

    /**
     * @return array{TriangleMesh, MeshMeasures} welded where it has open edges
     *
     * @throws BadInput when there is no such file
     */
    protected function mesh(): array
    {
        $path = $this->argument('file');
        $path = is_string($path) ? $path : '';
        if (! is_file($path) || ! is_readable($path)) {
            throw BadInput::at('FILE', "{$path} cannot be read");
        }

        return NearWeld::measured(MeshFile::read($path, $path)->mesh);
    }

    /**
     * @return array{float, float, float} of length 1
     *
     * @throws InvalidLight when it is none of the six
     */
    protected function up(): array
    {
        $up = $this->option('up');

        return self::UP[is_string($up) ? $up : ''] ?? throw InvalidLight::up(is_string($up) ? $up : '');
    }

    /** @return string|null path of --out; null where nothing is to be written */
    protected function out(): ?string
    {
        $out = $this->option('out');

        return is_string($out) && $out !== '' ? $out : null;
    }

    /** @throws BadInput when it cannot be written */
    protected function write(string $out, string $bytes): void
    {
        if (@file_put_contents($out, $bytes) === false) {
            throw BadInput::at('--out', "{$out} cannot be written");
        }
    }

    /** @return array{milliseconds: float, peakBytes: int} since it began */
    protected function spent(): array
    {
        return ['milliseconds' => (hrtime(true) - $this->began) / 1e6, 'peakBytes' => memory_get_peak_usage()];
    }
}
