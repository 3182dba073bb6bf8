<?php

declare(strict_types=1);

namespace App\Http\Requests\Brief;

use App\Models\Brief\Figure;
use Illuminate\Validation\ValidationException;

/**
 * Areas written one a line: name, then part, size in cm2, depth and borders where they are known, between commas.
 */
final class ManyAreas
{
    private const MOST = 200;

    /**
     * @return list<array{name: string, part: string|null, squareCm: float|null, depth: int, borders: array<string, float>}>  borders in mm by the name of the other area, which is there or in the lines
     *
     * @throws ValidationException naming the line that is not understood; nothing is taken in then
     */
    public static function of(string $text, Figure $figure): array
    {
        $found = [];
        $known = [];
        foreach ($figure->areas()->get() as $area) {
            $known[mb_strtolower($area->name)] = true;
        }
        foreach (preg_split('/\\R/u', $text) ?: [] as $n => $line) {
            $cells = array_map(trim(...), explode(',', $line));
            if ($cells[0] === '') {
                continue;
            }
            [$name, $part, $size, $depth] = [...$cells, '', '', ''];
            $where = 'Line '.($n + 1);
            $borders = self::borders(array_slice($cells, 4), $where);
            match (true) {
                mb_strlen($name) > 120 || mb_strlen($part) > 120 => self::refuse("{$where}: a name has at most 120 letters."),
                isset($known[mb_strtolower($name)]) => self::refuse("{$where}: {$name} is there already."),
                $size !== '' && (! is_numeric($size) || (float) $size <= 0.0 || (float) $size > 10_000) => self::refuse("{$where}: \"{$size}\" is no size in cm2."),
                $depth !== '' && preg_match('/^\\d\\z/', $depth) !== 1 => self::refuse("{$where}: the depth is a number from 0 to 9."),
                default => null,
            };
            $known[mb_strtolower($name)] = true;
            $found[] = ['name' => $name, 'part' => $part === '' ? null : $part, 'squareCm' => $size === '' ? null : (float) $size, 'depth' => (int) $depth, 'borders' => $borders];
        }
        foreach ($found as $area) {
            foreach (array_keys($area['borders']) as $other) {
                if (! isset($known[mb_strtolower((string) $other)]) || mb_strtolower((string) $other) === mb_strtolower($area['name'])) {
                    self::refuse("{$area['name']} is to meet {$other}: there is no such other area.");
                }
            }
        }
        if ($found === [] || count($found) > self::MOST) {
            self::refuse($found === [] ? 'Enter one area a line.' : 'At most '.self::MOST.' areas at once.');
        }

        return $found;
    }

    /**
     * @param  list<string>  $cells  each the name of another area and how many mm they meet
     * @return array<string, float>
     */
    private static function borders(array $cells, string $where): array
    {
        $borders = [];
        foreach (array_filter($cells, static fn (string $c): bool => $c !== '') as $cell) {
            if (preg_match('/^(.+?)\s+(\d+(?:\.\d+)?)(?:\s*mm)?\z/u', $cell, $of) !== 1 || (float) $of[2] > 10_000) {
                self::refuse("{$where}: \"{$cell}\" is no border: write the other area and its mm, as in Face 25.");
            }
            $borders[$of[1]] = (float) $of[2];
        }

        return $borders;
    }

    private static function refuse(string $words): never
    {
        throw ValidationException::withMessages(['lines' => $words]);
    }
}
