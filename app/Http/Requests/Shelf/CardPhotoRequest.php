<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use App\Http\Requests\ArrivedPicture;
use Hyalin\Colour\Lab;
use Hyalin\InvalidInput;
use Hyalin\Matching\Neutral\GreyPatch;
use Hyalin\Matching\Sampling\SampleStatistics;
use Hyalin\Measuring\Swatch;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/**
 * A photo of a test card with a spot on its grey patch and one on each swatch: `spots[grey]`, `spots[overBlack]` and
 * so on, each as x, y, radius; x of width, y of height, radius of width.
 */
final class CardPhotoRequest extends FormRequest
{
    use ReadsPhoto;

    private const GREY = 'grey';

    /** Share of the pixels with a channel at 0 or 255 above which a swatch counts as clipped. */
    private const CLIPPED = 0.1;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...ArrivedPicture::rules('photo'),
            'reflectance' => ['required', 'numeric', 'between:0.02,1'],
            'spots' => ['required', 'array:'.implode(',', [self::GREY, ...array_column(Swatch::cases(), 'value')])],
            'spots.grey' => ['required'],
            'spots.*' => ['array', 'list', 'size:3'],
            'spots.*.*' => ['numeric', 'between:0,1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['spots.grey.required' => 'Mark the grey patch: without it, lamp and exposure are unknown.'];
    }

    /**
     * @return array<string, Lab> by Hyalin\Measuring\Swatch
     *
     * @throws ValidationException when the photo cannot be read
     * @throws InvalidInput when the grey is none
     */
    public function colours(): array
    {
        $file = $this->photo();
        $spots = $this->spots();
        $correction = GreyPatch::of(SampleStatistics::of($file->pixels('spot', $spots[self::GREY] ?? [])), $this->float('reflectance'));
        unset($spots[self::GREY]);

        $colours = [];
        foreach ($spots as $swatch => $spot) {
            $read = SampleStatistics::of($file->pixels('spot', $spot), $correction);
            if ($read->clipped > self::CLIPPED) {
                throw ValidationException::withMessages(["spots.{$swatch}" => "A channel of the swatch \"{$swatch}\" is clipped: its colour is outside what this photo can record. Use whiter light or another exposure."]);
            }
            $colours[$swatch] = $read->colour;
        }

        return $colours;
    }

    /** @return array<string, list<array{float, float}>> */
    private function spots(): array
    {
        $spots = [];
        foreach ($this->array('spots') as $key => $spot) {
            if (is_array($spot) && is_numeric($spot[0] ?? null) && is_numeric($spot[1] ?? null) && is_numeric($spot[2] ?? null)) {
                $spots[(string) $key] = [[(float) $spot[0], (float) $spot[1]], [(float) $spot[2], 0.0]];
            }
        }

        return $spots;
    }
}
