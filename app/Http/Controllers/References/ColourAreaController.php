<?php

declare(strict_types=1);

namespace App\Http\Controllers\References;

use App\Actions\References\AreasFromPicture;
use App\Adapters\References\PictureColours;
use App\Http\Props\References\ColourAreaProps;
use App\Models\Brief\Figure;
use App\Models\References\Picture;
use Hyalin\Colour\HueName;
use Hyalin\InvalidInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/**
 * Areas of a figure from the colours of a picture.
 */
final class ColourAreaController
{
    private const MOST = 24;

    /** @throws ValidationException when nothing but a backdrop is seen */
    public function show(Figure $figure, Picture $picture): JsonResponse
    {
        $found = [];
        $names = [];
        try {
            $areas = PictureColours::of($picture)->areas();
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['picture' => ucfirst($e->getMessage()).'.']);
        }
        foreach ($areas as $place => [$area, $spot]) {
            $called = ucfirst(HueName::describe($area->mid()));
            $names[$called] = ($names[$called] ?? 0) + 1;
            $found[] = ColourAreaProps::of($place, $names[$called] === 1 ? $called : "{$called} {$names[$called]}", $area, $spot);
        }
        if ($found === []) {
            throw ValidationException::withMessages(['picture' => 'No area stands out by its colours. Name the areas, then take their colours one by one.']);
        }

        return new JsonResponse($found);
    }

    /** @throws ValidationException naming what is wrong; nothing is kept then */
    public function store(Request $request, Figure $figure, Picture $picture, AreasFromPicture $make): JsonResponse
    {
        $request->validate([
            'areas' => ['required', 'array', 'list', 'between:1,'.self::MOST],
            'areas.*.name' => ['required', 'string', 'max:120'],
            'areas.*.places' => ['required', 'array', 'list', 'between:1,'.self::MOST],
            'areas.*.places.*' => ['required', 'integer', 'between:0,'.self::MOST, 'distinct'],
        ], ['areas.*.name.required' => 'Every area needs a name.', 'areas.required' => 'Choose an area at least.']);
        $wanted = $known = [];
        foreach ($request->array('areas') as $n => $area) {
            /** @var array{name: string, places: non-empty-list<int|numeric-string>} $area validated above */
            $name = mb_strtolower(trim($area['name']));
            // Not by the framework's rule: it takes every name for text, also one that another rule has refused.
            if (isset($known[$name])) {
                throw ValidationException::withMessages(["areas.{$n}.name" => 'Two areas have the same name: merge them, or rename one.']);
            }
            $known[$name] = true;
            $wanted[] = ['name' => trim($area['name']), 'places' => array_map(static fn (int|string $p): int => (int) $p, $area['places'])];
        }
        try {
            $new = $make($figure, $picture, $wanted);
        } catch (InvalidInput $e) {
            throw ValidationException::withMessages(['areas' => 'The picture has changed meanwhile: propose again.']);
        }

        return new JsonResponse(['new' => $new], JsonResponse::HTTP_CREATED);
    }
}
