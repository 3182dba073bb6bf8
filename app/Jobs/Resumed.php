<?php

declare(strict_types=1);

namespace App\Jobs;

/**
 * A job whose worker was killed is begun once more by another; what fails by itself is not.
 */
trait Resumed
{
    public int $tries = 2;

    public int $maxExceptions = 1;
}
