<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use App\Http\Requests\ArrivedPicture;
use Hyalin\Colour\GamutMapping;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Sampling\SampleStatistics;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/**
 * A photo of caps or labels with a spot on each, `spots[]` as x, y, radius; x of width, y of height, radius of width. With a spot on
 * something grey or white, `grey`, the lamp is taken out. A first estimate: a cap is not the paint.
 */
final class CapsPhotoRequest extends FormRequest
{
    use ReadsPhoto;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...ArrivedPicture::rules('photo'),
            'spots' => ['required', 'array', 'list', 'min:1', 'max:400'],
            'spots.*' => ['array', 'list', 'size:3'],
            'spots.*.*' => ['numeric', 'between:0,1'],
            'grey' => ['sometimes', 'array', 'list', 'size:3'],
            'grey.*' => ['numeric', 'between:0,1'],
        ];
    }

    /**
     * @return list<string> #rrggbb
     *
     * @throws ValidationException when the photo cannot be read, or what is said to be grey is not
     */
    public function colours(): array
    {
        $file = $this->photo();
        try {
            $correction = $this->has('grey') ? GreyPatch::of(SampleStatistics::of($file->pixels('spot', self::spot($this->array('grey')))), null) : null;

            return array_values(array_map(
                static fn (mixed $spot): string => GamutMapping::displayed(SampleStatistics::of($file->pixels('spot', self::spot(is_array($spot) ? $spot : [])), $correction)->colour)->shown->toHex(),
                $this->array('spots'),
            ));
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['grey' => ucfirst($e->getMessage()).'.']);
        }
    }

    /**
     * @param  array<mixed>  $spot
     * @return list<array{float, float}>
     */
    private static function spot(array $spot): array
    {
        $number = static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0;

        return [[$number($spot[0] ?? null), $number($spot[1] ?? null)], [$number($spot[2] ?? null), 0.0]];
    }
}
