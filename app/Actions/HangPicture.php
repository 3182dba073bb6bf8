<?php

declare(strict_types=1);

namespace App\Actions;

use App\Adapters\PictureIntake;
use App\Adapters\UnreadablePicture;
use App\Models\Figure;
use App\Models\Picture;
use App\Models\PictureKind;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * A picture from outside onto the board of a figure.
 */
final class HangPicture
{
    /** @throws ValidationException when it is no picture, too large or damaged; nothing is added then */
    public function __invoke(Figure $figure, string $bytes, string $title, PictureKind $kind): Picture
    {
        try {
            $intake = PictureIntake::of(
                $bytes,
                config()->integer('hyalin.uploads.max_bytes'),
                config()->integer('hyalin.uploads.max_pixels'),
                config()->integer('hyalin.uploads.kept_side'),
            );
        } catch (UnreadablePicture $e) {
            throw ValidationException::withMessages(['picture' => $e->getMessage()]);
        }
        $path = 'pictures/'.Str::ulid()->toBase32().'.png';
        Storage::disk('local')->put($path, $intake->png);

        return $figure->pictures()->create([
            'title' => Str::limit($title, 80, '') ?: 'Picture',
            'path' => $path,
            'width' => $intake->width,
            'height' => $intake->height,
            'kind' => $kind,
            'block_grid' => $intake->blockGrid,
            'remarks' => $intake->remarks ?: null,
        ]);
    }
}
