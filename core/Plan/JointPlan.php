<?php

declare(strict_types=1);

namespace Hyalin\Plan;

/**
 * Where two parts meet in the finished figure.
 */
final readonly class JointPlan
{
    /**
     * @param  list<string>  $hides  ids of areas that cannot be reached any more once it is glued
     * @param  bool  $isLast  glued when both parts are finished, whatever it hides
     */
    public function __construct(public string $a, public string $b, public array $hides = [], public Seam $seam = Seam::Clean, public bool $isLast = false)
    {
    }
}
