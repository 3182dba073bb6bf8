<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use App\Adapters\References\PictureFile;
use App\Http\Requests\ArrivedPicture;
use Illuminate\Foundation\Http\FormRequest;
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
        $png = ArrivedPicture::of($this, 'photo')->png;

        return PictureFile::decode($png) ?? throw ValidationException::withMessages(['photo' => 'This photo cannot be decoded.']);
    }
}
