<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

final readonly class GuideActProps
{
    /** @param  bool  $isPost  it does something, instead of going somewhere */
    public function __construct(public string $label, public string $url, public bool $isPost = false)
    {
    }
}
