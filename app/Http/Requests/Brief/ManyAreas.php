<?php

declare(strict_types=1);

namespace App\Http\Requests\Brief;

use App\Models\Brief\Figure;
use Illuminate\Validation\ValidationException;

/**
 * Areas written one a line: name, then part, size in cm2 and depth where they are known, between commas.
 */
final class ManyAreas
{
    private const MOST = 200;

    /**
     * @return list<array{name: string, part: string|null, squareCm: float|null, depth: int}>
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
            match (true) {
                mb_strlen($name) > 120 || mb_strlen($part) > 120 => self::refuse("{$where}: a name has at most 120 letters."),
                isset($known[mb_strtolower($name)]) => self::refuse("{$where}: {$name} is there already."),
                $size !== '' && (! is_numeric($size) || (float) $size <= 0.0 || (float) $size > 10_000) => self::refuse("{$where}: \"{$size}\" is no size in cm2."),
                $depth !== '' && preg_match('/^\\d\\z/', $depth) !== 1 => self::refuse("{$where}: the depth is a number from 0 to 9."),
                count($cells) > 4 => self::refuse("{$where}: name, part, cm2 and depth are all there is."),
                default => null,
            };
            $known[mb_strtolower($name)] = true;
            $found[] = ['name' => $name, 'part' => $part === '' ? null : $part, 'squareCm' => $size === '' ? null : (float) $size, 'depth' => (int) $depth];
        }
        if ($found === [] || count($found) > self::MOST) {
            self::refuse($found === [] ? 'Enter one area a line.' : 'At most '.self::MOST.' areas at once.');
        }

        return $found;
    }

    private static function refuse(string $words): never
    {
        throw ValidationException::withMessages(['lines' => $words]);
    }
}
