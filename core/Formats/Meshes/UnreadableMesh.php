<?php

declare(strict_types=1);

namespace Hyalin\Formats\Meshes;

use Hyalin\InvalidInput;

final class UnreadableMesh extends InvalidInput
{
    public static function unknown(): self
    {
        return new self('this is not a mesh file that can be read: STL, OBJ, 3MF');
    }

    /**
     * @param  int  $bytes  of the file
     * @param  int  $most  bytes that are read
     */
    public static function tooLarge(int $bytes, int $most): self
    {
        return new self(sprintf('the file has %d MB; at most %d MB are read', (int) ceil($bytes / 1e6), intdiv($most, 1_000_000)));
    }

    public static function tooMany(int $found, int $most): self
    {
        return new self("the mesh has {$found} triangles; at most {$most} are read: make it coarser in the program it was made with");
    }

    public static function damaged(): self
    {
        return new self('the file is damaged: it cannot be unpacked to its end');
    }

    /**
     * @param  int  $stated  triangles
     * @param  int  $found  triangles
     */
    public static function cutOff(int $stated, int $found): self
    {
        return new self("the file states {$stated} triangles but ends after {$found}: it is incomplete");
    }

    /**
     * @param  string  $format  STL or OBJ
     * @param  int  $line  counted from 1
     */
    public static function badLine(string $format, int $line, string $why): self
    {
        return new self("{$format}, line {$line}: {$why}");
    }

    public static function noTriangles(string $format): self
    {
        return new self("the {$format} file holds no triangle");
    }

    /**
     * @param  int  $line  counted from 1
     */
    public static function badXml(int $line, string $why): self
    {
        return new self("3MF, line {$line}: {$why}");
    }
}
