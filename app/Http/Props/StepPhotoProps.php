<?php

declare(strict_types=1);

namespace App\Http\Props;

final readonly class StepPhotoProps
{
    public function __construct(public int $id, public string $url, public string $title)
    {
    }
}
