<?php

declare(strict_types=1);

namespace App\Actions\References;

use App\Adapters\References\PictureColours;
use App\Models\Compare\Finding;
use App\Models\References\Picture;
use App\Models\References\Sample;
use Hyalin\InvalidInput;
use Illuminate\Support\Facades\DB;

/**
 * When a picture is neutralised anew, or its light is judged otherwise, every colour taken from it is taken again where
 * it was taken. Colours and picture change together or not at all.
 */
final class RetakeColours
{
    /**
     * @param  callable(Picture): void  $change  made to the picture, not yet saved
     * @return int colours taken again
     *
     * @throws InvalidInput when the picture cannot be neutralised so
     */
    public function __invoke(Picture $picture, callable $change): int
    {
        return DB::transaction(static function () use ($picture, $change): int {
            $change($picture);
            $colours = PictureColours::of($picture);
            $picture->save();
            $taken = 0;
            foreach ([$picture->samples()->get(), $picture->findings()->get()] as $records) {
                foreach ($records as $record) {
                    $record->update(self::again($colours, $record));
                    $taken++;
                }
            }

            return $taken;
        });
    }

    /** @return array<string, mixed> */
    private static function again(PictureColours $colours, Sample|Finding $record): array
    {
        try {
            return $colours->taken($record->method, $record->outline, $record->zone);
        } catch (InvalidInput $e) {
            // A stroke whose bands moved may leave a zone without pixels: the colour stays, and says so.
            return ['doubts' => ['it could not be sampled again with the new white balance: '.$e->getMessage()]];
        }
    }
}
