<?php

declare(strict_types=1);

namespace App\Adapters\Shelf;

use Hyalin\Pot\ColourWords;
use Hyalin\Pot\KindWords;
use Hyalin\Pot\PotKind;

/**
 * A list of pots as people write one: a name a line, its maker before it or above it, a colour or a kind where they know it. What a
 * line does not say is guessed from its words, and shown as guessed before anything is added.
 *
 *     Osmerby Colour Works:
 *     - Bog Moss
 *     Pell & Rook - Peat Wash (wash) #3a2c1e
 */
final class NameList
{
    public const MOST = 400;

    private const LETTERS = 80;

    /** @param  list<NamedPot>  $pots */
    private function __construct(public readonly array $pots, public readonly int $leftOut)
    {
    }

    /**
     * @param  list<string>  $makers  that the painter has pots of: a line may begin with one
     * @param  string  $maker  of lines that name none
     */
    public static function read(string $text, array $makers, string $maker): self
    {
        $pots = [];
        $heading = null;
        $leftOut = 0;
        foreach (preg_split('/\R/u', $text) ?: [] as $n => $line) {
            $line = self::plain($line);
            if ($line === '') {
                continue;
            }
            if (preg_match('/^([^:]+):\z/u', $line, $found) === 1) {
                $heading = trim($found[1]);

                continue;
            }
            if (count($pots) === self::MOST) {
                $leftOut++;

                continue;
            }
            $pots[] = self::pot($n + 1, $line, $makers, $heading ?? $maker);
        }

        return new self($pots, $leftOut);
    }

    /** @param  list<string>  $makers */
    private static function pot(int $number, string $line, array $makers, string $maker): NamedPot
    {
        $hex = null;
        if (preg_match('/#?\b([0-9a-f]{6})\b/i', $line, $found) === 1) {
            $hex = '#'.strtolower($found[1]);
            $line = str_replace($found[0], '', $line);
        }
        $kind = null;
        if (preg_match('/\(([^()]+)\)\s*\z/u', trim($line), $found) === 1) {
            $kind = PotKind::tryFrom(mb_strtolower(trim($found[1]))) ?? KindWords::kind($found[1]);
            $line = $kind === null ? $line : str_replace($found[0], '', trim($line));
        }
        [$maker, $name] = self::parted(trim($line, " \t,;-"), $makers, $maker);
        $guessed = $hex ?? ColourWords::colour($name);

        return new NamedPot(
            $number, mb_substr($maker, 0, self::LETTERS), mb_substr($name, 0, self::LETTERS), $kind ?? KindWords::kind($name) ?? PotKind::Acrylic, $guessed, $hex === null && $guessed !== null,
        );
    }

    /**
     * @param  list<string>  $makers
     * @return array{string, string} maker and name
     */
    private static function parted(string $line, array $makers, string $maker): array
    {
        foreach ($makers as $known) {
            if ($known !== '' && mb_stripos($line, $known) === 0 && mb_strlen($line) > mb_strlen($known)) {
                $rest = ltrim(mb_substr($line, mb_strlen($known)), " \t:,;-\u{2013}|");
                if ($rest !== '') {
                    return [$known, $rest];
                }
            }
        }
        if (preg_match('/^([^:;\t|]+?)\s*(?::|;|\t|\||\s[-\x{2013}]\s)\s*(.+)\z/u', $line, $found) === 1) {
            return [trim($found[1]), trim($found[2])];
        }

        return [$maker, $line];
    }

    /** Without numbering and bullets. */
    private static function plain(string $line): string
    {
        $line = mb_check_encoding($line, 'UTF-8') ? $line : mb_convert_encoding($line, 'UTF-8', 'ISO-8859-1');

        return trim((string) preg_replace('/^\s*(?:[-*\x{2022}]|\d{1,3}[.)])\s+/u', '', $line), " \t\u{FEFF}\u{A0}");
    }
}
