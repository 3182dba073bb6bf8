<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use App\Adapters\References\PictureFile;
use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/**
 * A request with a photo that is looked at and not kept.
 *
 * @phpstan-require-extends FormRequest
 */
trait ReadsPhoto
{
    /** @throws ValidationException when it cannot be read */
    private function photo(): PictureFile
    {
        $photo = $this->file('photo');
        try {
            $png = PictureIntake::of(
                $photo instanceof UploadedFile ? (string) $photo->get() : '',
                config()->integer('hyalin.uploads.max_bytes'),
                config()->integer('hyalin.uploads.max_pixels'),
                config()->integer('hyalin.uploads.kept_side'),
            )->png;
        } catch (UnreadablePicture $e) {
            throw ValidationException::withMessages(['photo' => $e->getMessage()]);
        }

        return PictureFile::decode($png) ?? throw ValidationException::withMessages(['photo' => 'This photo cannot be decoded.']);
    }
}
