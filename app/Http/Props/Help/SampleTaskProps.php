<?php

declare(strict_types=1);

namespace App\Http\Props\Help;

use App\Models\Brief\Figure;
use App\Models\Painter;

/**
 * Something to try on the bench of the demo: where to begin, and what to look for.
 */
final readonly class SampleTaskProps
{
    public function __construct(public string $title, public string $words, public string $url)
    {
    }

    /** @return list<self> for the figures of the demo that are still there */
    public static function allOf(Painter $painter): array
    {
        $figures = $painter->figures()->with('areas')->get()->keyBy('name');
        [$maude, $sentries, $regent, $bell] = [$figures['Keeper Maude of Skerrow Ness'] ?? null, $figures['Six reed sentries'] ?? null, $figures['The Moth Regent'] ?? null, $figures['The Tide Bell'] ?? null];
        $tasks = [];
        $add = static function (?Figure $figure, string $title, string $words, string $route, array $more = []) use (&$tasks): void {
            if ($figure !== null) {
                $tasks[] = new self($title, $words, route($route, ['figure' => $figure->id, ...$more], false));
            }
        };
        $add($maude, 'Make the coat read as darker', 'Add a wash on top of the oilskin and see in the section what it does to every zone; take it back, and try a darker mid tone instead.', 'figures.finishes', ['area' => $maude?->areas->firstWhere('name', 'Oilskin')?->id]);
        $add($maude, 'Turn the keeper in the light', 'Lower the spray, and see which folds it reaches then. Choose Zones to see recess and edge.', 'figures.light');
        $add($regent, 'Adopt finishes for the Regent', 'They were searched for over all areas at once. Adopt one, then see it in the order of work.', 'figures.proposals');
        $read = $sentries?->runs()->whereHas('readings')->first();
        if ($read !== null) {
            $tasks[] = new self('Find the sentry that came out differently', 'Six cloaks were read. One stands out: see by how much, and what mends it.', route('runs.pieces', ['run' => $read->id], false));
        }
        $add($bell, 'Free the stopped plan of the bell', 'Its order says what attacks what. Put the varnish between the two that it asks for.', 'figures.order');

        return $tasks;
    }
}
