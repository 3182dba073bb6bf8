<?php

declare(strict_types=1);

namespace App\Http\Requests\Shelf;

use App\Devices\ColourReader;
use Hyalin\Colour\Reflectance;
use Hyalin\InvalidInput;
use Hyalin\Measuring\Swatch;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

final class MeasureRequest extends FormRequest
{
    /** Repeatability, as a standard deviation of reflectance, where no device states its own: own estimates. */
    private const NOISE = ['file' => 0.001, 'typed' => 0.01, 'photo' => 0.012];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'readings' => ['required', 'array'],
            'source' => ['required', 'in:reader,file,typed,photo'],
            'whiteId' => ['nullable', 'integer'],
            'keep' => ['sometimes', 'boolean'],
            'noise' => ['nullable', 'numeric', 'between:0.0001,0.05'],
            'coatSpread' => ['nullable', 'numeric', 'between:0,0.5'],
            'version' => ['required_if:keep,true', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'noise.*' => 'The noise of a reading is a number from 0.01 to 5 %.',
            'coatSpread.*' => 'One coat differs from the next by a number from 0 to 50 %.',
        ];
    }

    /** @return float standard deviation of reflectance */
    public function noise(ColourReader $reader): float
    {
        if ($this->filled('noise')) {
            return $this->float('noise');
        }

        return $this->string('source')->value() === 'reader'
            ? $reader->noise()
            : self::NOISE[$this->string('source')->value()] ?? self::NOISE['typed'];
    }

    /**
     * @return array<string, Reflectance> by Hyalin\Measuring\Swatch
     *
     * @throws ValidationException naming the swatch
     */
    public function readings(): array
    {
        $readings = [];
        foreach ($this->array('readings') as $key => $values) {
            $swatch = Swatch::tryFrom((string) $key) ?? throw ValidationException::withMessages(['readings' => "A swatch \"{$key}\" is not known."]);
            if ($values === null) {
                continue;
            }
            try {
                $readings[$swatch->value] = Reflectance::parse($values, 'the reading');
            } catch (InvalidInput $e) {
                throw ValidationException::withMessages(["readings.{$swatch->value}" => ucfirst($e->getMessage()).'.']);
            }
        }

        return $readings;
    }
}
