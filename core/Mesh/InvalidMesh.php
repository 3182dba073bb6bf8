<?php

declare(strict_types=1);

namespace Hyalin\Mesh;

use Hyalin\InvalidInput;

final class InvalidMesh extends InvalidInput
{
    public static function empty(): self
    {
        return new self('the mesh has no triangle');
    }

    public static function cutOff(): self
    {
        return new self('the mesh is cut off in the middle of a vertex or triangle');
    }

    /**
     * @param  int  $triangle  counted from 0
     * @param  int  $vertex  the index it names
     */
    public static function noVertex(int $triangle, int $vertex): self
    {
        return new self("triangle {$triangle} names vertex {$vertex}, and there is none");
    }

    /**
     * @param  int  $found  triangles
     * @param  int  $most  triangles that are read
     */
    public static function tooMany(int $found, int $most): self
    {
        return new self("the mesh has {$found} triangles; at most {$most} are read: make it coarser in the program it was made with");
    }

    /**
     * @param  int  $dropped  triangles that cannot be used
     * @param  int  $of  triangles of the file
     */
    public static function noNumbers(int $dropped, int $of): self
    {
        return new self("{$dropped} of {$of} triangles have corners that are no numbers, or lie a kilometre away");
    }

    public static function flat(): self
    {
        return new self('all points of the mesh lie in one place');
    }

    /** @param  int  $triangle  counted from 0 */
    public static function noFace(int $triangle): self
    {
        return new self("around triangle {$triangle} there is no face to join: click where the part is flat");
    }

    /**
     * @param  int  $vertex  counted from 0
     * @param  int  $count  vertices of the mesh
     */
    public static function unknownVertex(int $vertex, int $count): self
    {
        return new self("vertex {$vertex} was named; the mesh has {$count}");
    }
}
