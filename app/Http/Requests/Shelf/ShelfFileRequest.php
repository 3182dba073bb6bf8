<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

final class ShelfFileRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['file' => ['required', 'file', 'max:8192']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['file.max' => 'The file is larger than 8 MB.', 'file.uploaded' => 'The file did not arrive; it may be larger than 8 MB.'];
    }

    /** @throws ValidationException when it cannot be read */
    public function text(): string
    {
        $file = $this->file('file');
        $text = $file instanceof UploadedFile ? $file->get() : false;

        return $text === false ? throw ValidationException::withMessages(['file' => 'The file cannot be read.']) : $text;
    }

    public function fileName(): string
    {
        $file = $this->file('file');

        return $file instanceof UploadedFile ? mb_substr($file->getClientOriginalName(), 0, 120) : 'file';
    }
}
