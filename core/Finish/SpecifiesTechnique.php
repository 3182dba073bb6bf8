<?php

declare(strict_types=1);

namespace Hyalin\Finish;

/**
 * The source of one technique's specification; its class is named like the case of Technique, with "Spec".
 */
interface SpecifiesTechnique
{
    public static function spec(): TechniqueSpec;
}
