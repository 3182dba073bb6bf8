<?php

declare(strict_types=1);

namespace App\Adapters\Finish;

use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Finish\Application;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Layers as a browser sends them, with the pots they name.
 */
final class AskedLayers
{
    /**
     * @param  array<array-key, mixed>  $layers  judged by FinishRequest
     * @return list<LayerDraft>
     *
     * @throws ValidationException when a pot is not one of the painter's
     */
    public static function of(array $layers, Painter $painter): array
    {
        $pots = self::pots($painter, $layers);
        $drafts = [];
        foreach ($layers as $i => $layer) {
            if (is_array($layer)) {
                $drafts[] = self::draft($layer, $pots, "layers.{$i}");
            }
        }

        return $drafts;
    }

    /**
     * @param  array<array-key, mixed>  $layer
     * @param  Collection<int, Paint>  $pots
     *
     * @throws ValidationException
     */
    private static function draft(array $layer, Collection $pots, string $where): LayerDraft
    {
        $technique = Technique::from(self::text($layer['technique'] ?? ''));
        $mix = [];
        foreach (is_array($layer['mix'] ?? null) ? $layer['mix'] : [] as $entry) {
            $id = is_array($entry) && is_numeric($entry['paintId'] ?? null) ? (int) $entry['paintId'] : 0;
            $drops = is_array($entry) && is_numeric($entry['drops'] ?? null) ? (int) $entry['drops'] : 0;
            if (isset($mix[$id])) {
                throw ValidationException::withMessages(["{$where}.mix" => 'A pot is in this mix twice: add its drops together.']);
            }
            if ($drops < 1) {
                throw ValidationException::withMessages(["{$where}.mix" => 'A pot in a mix has at least one drop.']);
            }
            $pot = $pots->get($id) ?? throw ValidationException::withMessages(["{$where}.mix" => 'This pot is not on your shelf.']);
            $mix[$id] = [$pot, $drops];
        }
        $zones = array_values(array_filter(Zone::cases(), static fn (Zone $zone): bool => is_array($layer['zones'] ?? null)
            && in_array($zone->value, $layer['zones'], true)));
        if ($technique->spec()->application === Application::SprayCan) {
            self::refuseStirring($where, count($mix), is_numeric($layer['thinner'] ?? null) ? (float) $layer['thinner'] : 0.0);
        }
        $key = self::text($layer['key'] ?? '');
        $note = self::text($layer['note'] ?? '');

        return new LayerDraft(
            $key !== '' ? $key : Str::ulid()->toBase32(),
            $technique,
            $zones ?: $technique->spec()->usualZones,
            is_numeric($layer['thinner'] ?? null) ? (float) $layer['thinner'] : 0.0,
            is_numeric($layer['coats'] ?? null) ? (int) $layer['coats'] : 1,
            array_values($mix) ?: throw ValidationException::withMessages(["{$where}.mix" => 'A layer needs at least one paint.']),
            $note !== '' ? $note : null,
        );
    }

    /** @throws ValidationException when something is to be stirred into a can */
    private static function refuseStirring(string $where, int $pots, float $thinner): void
    {
        if ($pots > 1) {
            throw ValidationException::withMessages(["{$where}.mix" => 'A can is sprayed as it is: choose one pot for it.']);
        }
        if ($thinner > 0.0) {
            throw ValidationException::withMessages(["{$where}.thinner" => 'A can is sprayed as it is: it takes no thinner.']);
        }
    }

    /**
     * @param  array<array-key, mixed>  $layers
     * @return Collection<int, Paint> by id, also pots taken off the shelf: a recipe keeps them
     */
    private static function pots(Painter $painter, array $layers): Collection
    {
        $ids = [];
        foreach ($layers as $layer) {
            foreach (is_array($layer) && is_array($layer['mix'] ?? null) ? $layer['mix'] : [] as $entry) {
                $ids[] = is_array($entry) ? ($entry['paintId'] ?? null) : null;
            }
        }

        return Paint::withTrashed()
            ->where('painter_id', $painter->id)
            ->whereIn('id', array_filter($ids, is_numeric(...)))
            ->get()
            ->keyBy('id');
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
