<?php

declare(strict_types=1);

namespace App\Actions\References;

use App\Adapters\References\PictureFile;
use App\Adapters\References\PictureIntake;
use App\Adapters\StoredFile;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use App\Models\References\PictureKind;
use Illuminate\Support\Str;

/**
 * A picture from outside onto the board of a figure.
 */
final class AddPicture
{
    /** A small copy tells how much of a picture is clipped. */
    private const JUDGED_SIDE = 240;

    private const CLIPPED = 0.02;

    public function __invoke(Figure $figure, PictureIntake $intake, string $title, PictureKind $kind): Picture
    {
        $path = 'pictures/'.Str::ulid()->toBase32().'.png';
        StoredFile::put($path, $intake->png);

        return $figure->pictures()->create([
            'title' => Str::limit($title, 80, '') ?: 'Picture',
            'path' => $path,
            'width' => $intake->width,
            'height' => $intake->height,
            'kind' => $kind,
            'block_grid' => $intake->blockGrid,
            'remarks' => [...$intake->remarks, ...self::clipped($intake->png)] ?: null,
        ]);
    }

    /** @return list<string> */
    private static function clipped(string $png): array
    {
        $pixels = PictureFile::decode($png)?->overview(null, self::JUDGED_SIDE) ?? [];
        $clipped = count(array_filter($pixels, static fn (int $p): bool => ($p >> 16) === 255 || ($p >> 8 & 255) === 255 || ($p & 255) === 255));
        $share = $clipped / max(1, count($pixels));

        return $share < self::CLIPPED ? [] : [sprintf('%.0f %% of its pixels are clipped: the colours there are brighter than the picture could record.', ceil(100 * $share))];
    }
}
