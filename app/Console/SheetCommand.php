<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\Shelf\PlaceRemark;
use App\Adapters\Shelf\PrintedLayout;
use App\Adapters\Shelf\SheetColours;
use App\Adapters\Shelf\SheetPhotoFile;
use Hyalin\Matching\Neutral\InvalidNeutral;
use Hyalin\Sheet\InvalidSheet;
use Hyalin\Sheet\SheetReading;
use Hyalin\Sheet\SheetSearch;

/**
 * The colours of a painted swatch sheet in a photo.
 */
final class SheetCommand extends CoreCommand
{
    protected $signature = 'hyalin:sheet {file : photo, JPEG, PNG or WebP} {--layout= : what was printed, as /sheets/N/layout.json has it} {--grey=0.18 : reflectance of the grey card} {--chart : take nothing but a chart of 24 patches}';

    protected $description = 'Reads the colours of a painted swatch sheet from a photo';

    protected function answer(): void
    {
        $started = hrtime(true);
        // 24 million pixels, twice.
        ini_set('memory_limit', '1G');
        $printed = PrintedLayout::parse(self::decode($this->file($this->option('layout'), '--layout')));
        $grey = filter_var($this->option('grey'), FILTER_VALIDATE_FLOAT);
        if ($grey === false || $grey < 0.02 || $grey > 1.0) {
            throw BadInput::at('--grey', 'must be a reflectance from 0.02 to 1');
        }
        $bytes = $this->file($this->argument('file'), 'PHOTO');
        try {
            [$photo, $small] = SheetPhotoFile::photos(SheetPhotoFile::decode($bytes));
        } catch (UnreadablePicture $e) {
            throw BadInput::at('PHOTO', $e->getMessage(), $e);
        }
        try {
            $found = SheetSearch::in($photo, $small);
            if ($printed->sheet !== 0 && $found->number !== $printed->sheet) {
                throw InvalidSheet::otherLayout($found->number, $printed->sheet);
            }
            $reading = SheetReading::of($photo, $found, $printed->layout, $printed->asked, $grey, static fn (float $share): null => null);
            if ($this->option('chart') === true && ! $reading->card->isChart) {
                throw InvalidSheet::noChart();
            }
            $answer = ['found' => true, 'fields' => self::fields(SheetColours::of($reading), $printed->pots)];
        } catch (InvalidSheet|InvalidNeutral $e) {
            $answer = ['found' => false, 'why' => $e->getMessage()];
        }
        $this->put([...$answer, 'milliseconds' => (hrtime(true) - $started) / 1e6]);
    }

    /**
     * @param  array<int, int|string|null>  $pots
     * @return list<array{pot: int|string|null, swatch: string, lab: array{float, float, float}, deviation: float, usedShare: float, remarks: list<string>}>
     */
    private static function fields(SheetColours $colours, array $pots): array
    {
        $fields = [];
        foreach ($colours->fields as $position => $places) {
            foreach ($places as $place => $read) {
                $remark = PlaceRemark::of($place, $read, $read['background'] > PlaceRemark::UNPAINTED);
                $fields[] = ['pot' => $pots[$position] ?? null, 'swatch' => $place, 'lab' => $read['lab'], 'deviation' => $read['radius'], 'usedShare' => $read['taken'], 'remarks' => $remark === null ? [] : [$remark]];
            }
        }

        return $fields;
    }

    /** @throws BadInput when it cannot be read */
    private function file(mixed $path, string $what): string
    {
        if (! is_string($path) || $path === '') {
            throw BadInput::at($what, 'is missing');
        }

        return is_file($path) && ($bytes = @file_get_contents($path)) !== false ? $bytes : throw BadInput::at($what, "{$path} cannot be read");
    }
}
