<?php

declare(strict_types=1);

namespace Hyalin\Light;

use Hyalin\Mesh\TriangleMesh;
use Hyalin\Progress;
use Hyalin\Stopped;

/**
 * The port through which shadows are found: here, or shared among several processes.
 */
interface CastsShadows
{
    /**
     * @param  list<array{float, float, float}>  $directions  to the light, of length 1
     * @param  bool  $isClosed  as Visibility has it
     *
     * @throws Stopped
     */
    public function seen(TriangleMesh $mesh, array $directions, bool $isClosed, ?Progress $progress): Visibility;
}
