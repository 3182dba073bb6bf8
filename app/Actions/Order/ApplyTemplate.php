<?php

declare(strict_types=1);

namespace App\Actions\Order;

use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Brief\Part;
use App\Models\NextNumber;
use Hyalin\Plan\PrintProcess;
use Illuminate\Support\Facades\DB;

/**
 * A usual build as a start: parts, areas with their depth and size, joints, boundaries. What is there already stays.
 */
final class ApplyTemplate
{
    /** Part => [is base, areas as name => [depth, cm2]]; joints; boundaries as two areas, mm, curved. */
    private const TEMPLATES = [
        'figure on a base' => [
            'process' => 'resin',
            'parts' => [
                'Body' => [false, ['Undergarment' => [1, 6.0], 'Coat' => [2, 14.0], 'Boots' => [1, 4.0], 'Belt and straps' => [3, 3.0]]],
                'Head' => [false, ['Face' => [0, 2.0], 'Eyes' => [0, 0.2], 'Hair' => [1, 3.0]]],
                'Hands' => [false, ['Skin of the hands' => [0, 1.0]]],
                'Equipment' => [false, ['Metal' => [2, 3.0], 'Wood' => [1, 2.0]]],
                'Base' => [true, ['Ground' => [0, 12.0], 'Rim' => [1, 4.0]]],
            ],
            'joints' => [['Body', 'Head'], ['Body', 'Hands'], ['Hands', 'Equipment'], ['Body', 'Base']],
            'boundaries' => [
                ['Undergarment', 'Coat', 60.0, true],
                ['Coat', 'Belt and straps', 50.0, false],
                ['Coat', 'Boots', 30.0, true],
                ['Face', 'Hair', 25.0, true],
                ['Face', 'Eyes', 8.0, true],
                ['Metal', 'Wood', 15.0, false],
                ['Ground', 'Rim', 100.0, false],
            ],
        ],
        'bust' => [
            'process' => 'resin',
            'parts' => [
                'Bust' => [false, ['Face' => [0, 20.0], 'Eyes' => [0, 1.0], 'Hair' => [1, 18.0], 'Collar' => [2, 12.0], 'Garment' => [2, 40.0]]],
                'Plinth' => [true, ['Plinth' => [0, 30.0]]],
            ],
            'joints' => [['Bust', 'Plinth']],
            'boundaries' => [['Face', 'Eyes', 20.0, true], ['Face', 'Hair', 90.0, true], ['Face', 'Collar', 60.0, true], ['Collar', 'Garment', 110.0, false]],
        ],
        'prop' => [
            'process' => 'melted plastic',
            'parts' => [
                'Shell' => [false, ['Colour' => [1, 300.0], 'Trim' => [2, 60.0]]],
                'Fittings' => [false, ['Metal fittings' => [2, 40.0]]],
            ],
            'joints' => [['Shell', 'Fittings']],
            'boundaries' => [['Colour', 'Trim', 420.0, false]],
        ],
        'set of equal figures' => [
            'process' => 'resin',
            'parts' => [
                'Figure' => [false, ['Cloth' => [1, 5.0], 'Skin' => [0, 1.0], 'Metal' => [2, 1.0]]],
                'Base' => [true, ['Ground' => [0, 5.0]]],
            ],
            'joints' => [['Figure', 'Base']],
            'boundaries' => [['Cloth', 'Skin', 12.0, true], ['Cloth', 'Metal', 10.0, true]],
        ],
    ];

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::TEMPLATES);
    }

    /** @return array{parts: array<string, array{bool, array<string, array{int, float}>}>, joints: list<array{string, string}>, boundaries: list<array{string, string, float, bool}>, process: string} */
    private static function template(string $name): array
    {
        return self::TEMPLATES[$name] ?? throw new \LogicException("no template {$name}");
    }

    public function __invoke(Figure $figure, string $template): void
    {
        $built = self::template($template);
        DB::transaction(static function () use ($figure, $built): void {
            $parts = $areas = [];
            foreach ($built['parts'] as $name => [$isBase, $own]) {
                $part = new Part(['name' => $name, 'process' => PrintProcess::from($built['process']), 'is_base' => $isBase]);
                $part->position = NextNumber::of($figure->parts(), 'position');
                $figure->parts()->save($part);
                $parts[$name] = $part->id;
                foreach ($own as $areaName => [$depth, $squareCm]) {
                    $area = new Area(['name' => $areaName, 'part_id' => $part->id, 'depth' => $depth, 'square_cm' => $squareCm]);
                    $area->position = NextNumber::of($figure->areas(), 'position');
                    $figure->areas()->save($area);
                    $areas[$areaName] = $area->id;
                }
            }
            foreach ($built['joints'] as [$a, $b]) {
                $figure->joints()->create(['part_id' => $parts[$a], 'other_id' => $parts[$b]]);
            }
            foreach ($built['boundaries'] as [$a, $b, $mm, $curved]) {
                $figure->boundaries()->create(['area_id' => $areas[$a], 'other_id' => $areas[$b], 'mm' => $mm, 'is_curved' => $curved]);
            }
        });
    }
}
