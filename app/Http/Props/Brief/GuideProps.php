<?php

declare(strict_types=1);

namespace App\Http\Props\Brief;

use App\Models\Brief\Figure;

/**
 * The next act on the way from a picture to the first session. It follows from what the figure has: a painter who left the guide or
 * did a step by hand meets it at the right act.
 */
final readonly class GuideProps
{
    /** @param  list<GuideActProps>  $acts  the usual one first */
    public function __construct(public int $step, public int $steps, public string $title, public string $words, public array $acts)
    {
    }

    /** @param  array{areas: int, painted: int, sampled: int, planned: int, meshes: int, pictures: int, run: int, pots: int}  $has */
    public static function of(Figure $figure, array $has): ?self
    {
        $to = static fn (string $label, string $route, array $more = []): GuideActProps => new GuideActProps($label, route($route, ['figure' => $figure->id, ...$more], false));
        $without = $has['painted'] - $has['sampled'];
        $unplanned = $has['painted'] - $has['planned'];

        return match (true) {
            ! $figure->is_guided || $has['run'] > 0 => null,
            $has['areas'] === 0 && $has['pictures'] === 0 && $has['meshes'] === 0 => self::at(1, 'Start', 'Begin with what you have: a picture of how it is to look, its print file, or neither.', [
                $to('Add a picture', 'figures.references', ['add' => 1]), $to('Add the print file', 'figures.light'), $to('Name the areas yourself', 'figures.brief'),
            ]),
            $has['areas'] === 0 => self::at(2, 'Areas', $has['pictures'] > 0 ? 'Hyalin proposes the main areas from the colours of the picture, each with its colours from recess to edge.' : 'Divide the mesh into the areas that you paint, or name them.', [
                ...($has['pictures'] > 0 ? [$to('Propose areas', 'figures.references', ['areas' => 1])] : [$to('Divide the mesh', 'figures.light')]), $to('Name the areas yourself', 'figures.brief'),
            ]),
            $without > 0 && $has['planned'] === 0 => self::at(3, 'Colours', self::many($without, 'area has', 'areas have').' no colour yet.', [
                $to('Choose colours', 'figures.references', $has['pictures'] > 0 ? ['areas' => 1] : []),
                ...($has['sampled'] > 0 ? [$to('Go on with the others', 'figures.proposals')] : []),
            ]),
            $unplanned > 0 && $has['pots'] === 0 => self::at(4, 'Finishes', 'Your shelf is empty: finishes are made of the pots that you have.', [
                new GuideActProps('Fill the shelf', route('shelf', [], false)),
            ]),
            $unplanned > 0 && $has['planned'] === 0 => self::at(4, 'Finishes', 'Hyalin looks for finishes of all areas from your pots. Adopt them all, or one by one.', [
                $to('Propose finishes', 'figures.proposals', ['now' => 1]),
            ]),
            default => self::at(5, 'Order', 'The order of work is planned: look it over, then start to paint.'.($unplanned > 0 ? ' '.self::many($unplanned, 'area has', 'areas have').' no finish yet.' : ''), [
                new GuideActProps('Start to paint', route('runs.store', ['figure' => $figure->id], false), true), $to('See the order', 'figures.order'),
            ]),
        };
    }

    /** @param  list<GuideActProps>  $acts */
    private static function at(int $step, string $title, string $words, array $acts): self
    {
        return new self($step, 5, $title, $words, $acts);
    }

    private static function many(int $count, string $one, string $more): string
    {
        return $count === 1 ? "1 {$one}" : "{$count} {$more}";
    }
}
