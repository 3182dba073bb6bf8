<?php

declare(strict_types=1);

namespace App\Actions\References;

use App\Adapters\References\PictureColours;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\NextNumber;
use App\Models\References\Picture;
use Hyalin\Finish\Zone;
use Hyalin\InvalidInput;
use Illuminate\Support\Facades\DB;

/**
 * Areas that were proposed from the colours of a picture, with those colours. One that is there already by name gets the
 * colours that it does not have yet.
 */
final class AreasFromPicture
{
    /**
     * @param  list<array{name: string, places: non-empty-list<int>}>  $wanted  of what PictureColours::areas() found, some of them together
     * @return int areas that are new
     *
     * @throws InvalidInput when the picture shows no such area; nothing is kept then
     */
    public function __invoke(Figure $figure, Picture $picture, array $wanted): int
    {
        $taken = PictureColours::of($picture)->samplesOf(array_column($wanted, 'places'));

        return DB::transaction(static function () use ($figure, $wanted, $taken): int {
            $known = $figure->areas()->with('samples')->get()->keyBy(static fn (Area $a): string => mb_strtolower($a->name));
            $new = 0;
            foreach ($taken as $n => $samples) {
                $name = $wanted[$n]['name'];
                $area = $known->get(mb_strtolower($name));
                if (! $area instanceof Area) {
                    $area = new Area(['name' => $name]);
                    $area->position = NextNumber::of($figure->areas(), 'position');
                    $figure->areas()->save($area);
                    $known->put(mb_strtolower($name), $area);
                    $new++;
                }
                $has = $area->samples()->pluck('zone')->all();
                foreach ($samples as $zone => $sample) {
                    if (! in_array(Zone::from($zone), $has, true)) {
                        $area->samples()->create($sample);
                    }
                }
            }

            return $new;
        });
    }
}
