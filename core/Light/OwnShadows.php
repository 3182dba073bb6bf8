<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;

/**
 * Shadows found in this process, one direction after the other.
 */
final class OwnShadows implements CastsShadows
{
    public function seen(TriangleMesh $mesh, array $directions, bool $isClosed, ?Progress $progress): Visibility
    {
        return Visibility::of($mesh, $directions, $progress, isClosed: $isClosed);
    }
}
