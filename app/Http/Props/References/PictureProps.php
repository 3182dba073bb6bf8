<?php

declare(strict_types=1);

namespace App\Http\Props\References;

use App\Http\Props\Light\CameraProps;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use Hyalin\Matching\Neutral\Shading;

final readonly class PictureProps
{
    /**
     * @param  string|null  $neutralUrl  of the picture as it is neutralised
     * @param  list<float>|null  $crop  left, top, width, height, 0..1
     * @param  Shading|null  $shading  null until the painter was asked
     * @param  list<string>  $remarks  what was found out when it came in
     * @param  CameraProps|null  $camera  from where the mesh looks as this photo does
     */
    public function __construct(
        public int $id,
        public string $title,
        public string $url,
        public ?string $neutralUrl,
        public int $width,
        public int $height,
        public PictureKind $kind,
        public ?Shading $shading,
        public ?array $crop,
        public ?NeutralProps $neutral,
        public array $remarks,
        public ?CameraProps $camera,
    ) {
    }

    public static function of(Figure $figure, Picture $picture): self
    {
        return new self(
            $picture->id,
            $picture->title,
            route('pictures.image', [$figure, $picture], false),
            neutralUrl: $picture->neutral === null ? null : route('pictures.image', [$figure, $picture, 'neutral' => self::mark($picture)], false),
            width: $picture->width,
            height: $picture->height,
            kind: $picture->kind,
            shading: $picture->shading,
            crop: $picture->crop,
            neutral: NeutralProps::of($picture),
            remarks: $picture->remarks ?? [],
            camera: CameraProps::of($picture->camera),
        );
    }

    /** @return string short, and another one for every other way of neutralising */
    public static function mark(Picture $picture): string
    {
        return substr(hash('sha256', (string) json_encode($picture->neutral)), 0, 12);
    }

    /** @return list<self> references only */
    public static function allOf(Figure $figure): array
    {
        return array_values($figure->pictures->filter(static fn (Picture $p): bool => $p->kind !== PictureKind::OwnPiece)->map(static fn (Picture $p) => self::of($figure, $p))->all());
    }
}
