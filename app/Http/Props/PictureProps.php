<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\Figure;
use App\Models\Picture;

final readonly class PictureProps
{
    public function __construct(
        public int $id,
        public string $title,
        public string $url,
        public int $width,
        public int $height,
    ) {
    }

    public static function of(Figure $figure, Picture $picture): self
    {
        return new self(
            $picture->id,
            $picture->title,
            route('pictures.image', [$figure, $picture], false),
            $picture->width,
            $picture->height,
        );
    }

    /** @return list<self> */
    public static function allOf(Figure $figure): array
    {
        return array_values($figure->pictures->map(static fn (Picture $p) => self::of($figure, $p))->all());
    }
}
