<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\LayerDraft;
use Hyalin\Finish\Doubt\WouldHelp;

/**
 * The one thing that would make a finish surest.
 */
final readonly class HelpProps
{
    /**
     * @param  int|null  $potId  the pot to measure; null for chips to paint
     * @param  float  $before  mean CIEDE2000 within which the zones lie two out of three times
     * @param  float  $after  the same when it is done, an estimate
     */
    public function __construct(public string $words, public ?int $potId, public float $before, public float $after)
    {
    }

    /** @param  list<LayerDraft>  $drafts */
    public static function of(?WouldHelp $help, array $drafts): ?self
    {
        if ($help === null) {
            return null;
        }
        $potId = $help->cause->pot === null ? null : (int) $help->cause->pot;
        foreach ($drafts as $draft) {
            foreach ($draft->mix as [$pot]) {
                if ($pot->id === $potId) {
                    return new self("Measure {$pot->name}", $potId, $help->before, $help->after);
                }
            }
        }

        return new self('Paint test chips: '.($help->cause->technique->value ?? ''), null, $help->before, $help->after);
    }
}
