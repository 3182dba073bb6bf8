<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use App\Adapters\CommandLine\Document;
use App\Adapters\CommandLine\PaintDocuments;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Mixing\Found\FoundMix;
use Hyalin\Mixing\Found\SearchEnding;
use Hyalin\Mixing\MixSearch;
use Hyalin\Mixing\Task\MixTask;
use Hyalin\Mixing\Task\Placement;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\PaintOptics;

final class MixCommand extends CoreCommand
{
    protected $signature = 'hyalin:mix {file?}';

    protected $description = 'The best whole-drop mixes for a target colour from a shelf';

    /** Searched to the end: 20 paints have 232 010 mixes of up to 12 drops, about a second of work. */
    private const PROVE_UP_TO = 240_000;

    protected function answer(): void
    {
        $started = hrtime(true);
        $document = Document::of($this->document(), 'the input');
        [$names, $paints] = self::shelf($document->list('paints'));
        $target = $document->parsed('target', static fn (mixed $v): Lab => Lab::parse($v));
        $undercoat = $document->valueOr('undercoat', null);
        $thickness = $document->number('thickness', 1.0);
        $maxPaints = $document->integer('maxPaints', 3);
        $maxDrops = $document->integer('maxDrops', 12);
        $top = $document->integer('top', 5);
        $then = $document->has('then') ? $document->parsed('then', PaintDocuments::layers(...)) : [];
        $document->refuseUnknown();
        $placement = $undercoat === null
            ? Placement::masstone()
            : Placement::over(
                $document->parsed('undercoat', static fn (mixed $v): Reflectance => Reflectance::parse($v)),
                FilmThickness::coats($thickness),
            );
        $task = MixTask::of($target, $placement, $then, null, $maxPaints, $maxDrops, $top);
        $answer = MixSearch::provingUpTo(self::PROVE_UP_TO)->find($paints, $task);
        $this->put([
            'mixes' => array_map(static fn (FoundMix $mix): array => [
                'drops' => self::named($mix, $names),
                'lab' => $mix->lab->toArray(),
                'difference' => $mix->difference,
                'score' => $mix->score,
            ], $answer->mixes),
            'optimal' => $answer->ending === SearchEnding::Proven,
            'milliseconds' => (hrtime(true) - $started) / 1e6,
        ]);
    }

    /**
     * @param  list<mixed>  $entries
     * @return array{list<string>, list<PaintOptics>}
     *
     * @throws BadInput naming the paint
     */
    private static function shelf(array $entries): array
    {
        $names = $paints = [];
        foreach ($entries as $i => $entry) {
            try {
                $paint = Document::of($entry, 'a paint');
                $name = $paint->text('name');
                $paints[] = PaintDocuments::optics($paint);
                $paint->refuseUnknown();
                if (in_array($name, $names, true)) {
                    throw BadInput::at('name', "\"{$name}\" is used twice: the answer names paints");
                }
                $names[] = $name;
            } catch (BadInput $e) {
                throw $e->within('paint '.($i + 1));
            }
        }

        return [$names, $paints];
    }

    /**
     * @param  list<string>  $names
     * @return array<string, int>
     */
    private static function named(FoundMix $mix, array $names): array
    {
        $drops = [];
        foreach ($mix->drops as $place => $count) {
            $drops[$names[$place]] = $count;
        }

        return $drops;
    }
}
