<?php

declare(strict_types=1);

namespace App\Http\Props\Bench;

final readonly class StepPhotoProps
{
    public function __construct(public int $id, public string $url, public string $title)
    {
    }
}
