<?php

declare(strict_types=1);

namespace Hyalin\Pot;

use Hyalin\Colour\Lab;
use Hyalin\Colour\Srgb;

/**
 * The colour that words of a pot's name stand for: the named colours of CSS (W3C, CSS Color Module Level 4, section 6.1), and the
 * things that painters name paints after (own estimates). The longest name in it counts; words such as dark and pale change it.
 */
final class ColourWords
{
    private const NAMED = [
        'aliceblue' => '#f0f8ff', 'antiquewhite' => '#faebd7', 'aqua' => '#00ffff', 'aquamarine' => '#7fffd4', 'azure' => '#f0ffff', 'beige' => '#f5f5dc',
        'bisque' => '#ffe4c4', 'black' => '#000000', 'blanchedalmond' => '#ffebcd', 'blue' => '#0000ff', 'blueviolet' => '#8a2be2', 'brown' => '#a52a2a',
        'burlywood' => '#deb887', 'cadetblue' => '#5f9ea0', 'chartreuse' => '#7fff00', 'chocolate' => '#d2691e', 'coral' => '#ff7f50', 'cornflowerblue' => '#6495ed',
        'cornsilk' => '#fff8dc', 'crimson' => '#dc143c', 'cyan' => '#00ffff', 'darkblue' => '#00008b', 'darkcyan' => '#008b8b', 'darkgoldenrod' => '#b8860b',
        'darkgray' => '#a9a9a9', 'darkgreen' => '#006400', 'darkkhaki' => '#bdb76b', 'darkmagenta' => '#8b008b', 'darkolivegreen' => '#556b2f', 'darkorange' => '#ff8c00',
        'darkorchid' => '#9932cc', 'darkred' => '#8b0000', 'darksalmon' => '#e9967a', 'darkseagreen' => '#8fbc8f', 'darkslateblue' => '#483d8b', 'darkslategray' => '#2f4f4f',
        'darkturquoise' => '#00ced1', 'darkviolet' => '#9400d3', 'deeppink' => '#ff1493', 'deepskyblue' => '#00bfff', 'dimgray' => '#696969', 'dodgerblue' => '#1e90ff',
        'firebrick' => '#b22222', 'floralwhite' => '#fffaf0', 'forestgreen' => '#228b22', 'fuchsia' => '#ff00ff', 'gainsboro' => '#dcdcdc', 'ghostwhite' => '#f8f8ff',
        'gold' => '#ffd700', 'goldenrod' => '#daa520', 'gray' => '#808080', 'green' => '#008000', 'greenyellow' => '#adff2f', 'honeydew' => '#f0fff0',
        'hotpink' => '#ff69b4', 'indianred' => '#cd5c5c', 'indigo' => '#4b0082', 'ivory' => '#fffff0', 'khaki' => '#f0e68c', 'lavender' => '#e6e6fa',
        'lavenderblush' => '#fff0f5', 'lawngreen' => '#7cfc00', 'lemonchiffon' => '#fffacd', 'lightblue' => '#add8e6', 'lightcoral' => '#f08080', 'lightcyan' => '#e0ffff',
        'lightgoldenrodyellow' => '#fafad2', 'lightgray' => '#d3d3d3', 'lightgreen' => '#90ee90', 'lightpink' => '#ffb6c1', 'lightsalmon' => '#ffa07a', 'lightseagreen' => '#20b2aa',
        'lightskyblue' => '#87cefa', 'lightslategray' => '#778899', 'lightsteelblue' => '#b0c4de', 'lightyellow' => '#ffffe0', 'lime' => '#00ff00', 'limegreen' => '#32cd32',
        'linen' => '#faf0e6', 'magenta' => '#ff00ff', 'maroon' => '#800000', 'mediumaquamarine' => '#66cdaa', 'mediumblue' => '#0000cd', 'mediumorchid' => '#ba55d3',
        'mediumpurple' => '#9370db', 'mediumseagreen' => '#3cb371', 'mediumslateblue' => '#7b68ee', 'mediumspringgreen' => '#00fa9a', 'mediumturquoise' => '#48d1cc', 'mediumvioletred' => '#c71585',
        'midnightblue' => '#191970', 'mintcream' => '#f5fffa', 'mistyrose' => '#ffe4e1', 'moccasin' => '#ffe4b5', 'navajowhite' => '#ffdead', 'navy' => '#000080',
        'oldlace' => '#fdf5e6', 'olive' => '#808000', 'olivedrab' => '#6b8e23', 'orange' => '#ffa500', 'orangered' => '#ff4500', 'orchid' => '#da70d6',
        'palegoldenrod' => '#eee8aa', 'palegreen' => '#98fb98', 'paleturquoise' => '#afeeee', 'palevioletred' => '#db7093', 'papayawhip' => '#ffefd5', 'peachpuff' => '#ffdab9',
        'peru' => '#cd853f', 'pink' => '#ffc0cb', 'plum' => '#dda0dd', 'powderblue' => '#b0e0e6', 'purple' => '#800080', 'rebeccapurple' => '#663399',
        'red' => '#ff0000', 'rosybrown' => '#bc8f8f', 'royalblue' => '#4169e1', 'saddlebrown' => '#8b4513', 'salmon' => '#fa8072', 'sandybrown' => '#f4a460',
        'seagreen' => '#2e8b57', 'seashell' => '#fff5ee', 'sienna' => '#a0522d', 'silver' => '#c0c0c0', 'skyblue' => '#87ceeb', 'slateblue' => '#6a5acd',
        'slategray' => '#708090', 'snow' => '#fffafa', 'springgreen' => '#00ff7f', 'steelblue' => '#4682b4', 'tan' => '#d2b48c', 'teal' => '#008080',
        'thistle' => '#d8bfd8', 'tomato' => '#ff6347', 'turquoise' => '#40e0d0', 'violet' => '#ee82ee', 'wheat' => '#f5deb3', 'white' => '#ffffff',
        'whitesmoke' => '#f5f5f5', 'yellow' => '#ffff00', 'yellowgreen' => '#9acd32',
    ];

    private const THINGS = [
        'amber' => '#c8862a', 'ash' => '#a8a69e', 'bark' => '#5a4632', 'blood' => '#7a1518', 'bone' => '#dccfae', 'brass' => '#b08d3e', 'brick' => '#9c4a38', 'bronze' => '#8c6a3a',
        'buff' => '#c9b48a', 'camel' => '#b08a58', 'charcoal' => '#36383a', 'cherry' => '#8e1f2c', 'clay' => '#a5714f', 'coal' => '#26282a', 'copper' => '#b06a44', 'cream' => '#f0e6c8',
        'denim' => '#40587c', 'dust' => '#b9a888', 'earth' => '#6b5138', 'emerald' => '#2a8a5a', 'flesh' => '#d8a688', 'grass' => '#5c8a3a', 'gun' => '#55585c', 'ice' => '#d5e5ec',
        'ink' => '#20243a', 'iron' => '#6a6c70', 'jade' => '#4a9a7a', 'leaf' => '#5a8a3c', 'leather' => '#7a5234', 'lemon' => '#f0e050', 'linen' => '#e5dcc4', 'mahogany' => '#6a3226',
        'moss' => '#6a7438', 'mud' => '#5c4a34', 'mustard' => '#c29a2e', 'night' => '#1c2438', 'oak' => '#a07c4c', 'ochre' => '#b8862f', 'olive' => '#6a6a30', 'peat' => '#3a2c20',
        'pine' => '#2e5a3e', 'plum' => '#5e2e52', 'rose' => '#c8647c', 'ruby' => '#981c3c', 'rust' => '#8c4420', 'sand' => '#cdb88c', 'sapphire' => '#24448c', 'sea' => '#2e7a8a',
        'sepia' => '#5c4028', 'skin' => '#d8a688', 'sky' => '#86b4dc', 'slate' => '#5c6870', 'smoke' => '#8a8c8e', 'soot' => '#2a2a2a', 'steel' => '#8a9098', 'stone' => '#9a948a',
        'storm' => '#5a6470', 'straw' => '#d8c070', 'sun' => '#f0c030', 'teal' => '#1f7a7a', 'umber' => '#5a4330', 'walnut' => '#5e4230', 'wine' => '#6a1c34', 'wood' => '#8a6440',
    ];

    /** Effect of a word on L* and, as a factor, on chroma: own estimates. */
    private const CHANGES = [
        'dark' => [-14.0, 0.9], 'deep' => [-10.0, 1.0], 'light' => [14.0, 0.85], 'pale' => [20.0, 0.6], 'bright' => [6.0, 1.2], 'dull' => [-3.0, 0.6], 'dusty' => [4.0, 0.6], 'faded' => [10.0, 0.6],
    ];

    /** @return string|null #rrggbb; null where no word of it is a colour */
    public static function colour(string $name): ?string
    {
        preg_match_all('/[a-z]+/', str_replace('grey', 'gray', mb_strtolower($name)), $found);
        $words = $found[0];
        [$hex, $used] = self::longest($words) ?? [null, []];
        if ($hex === null) {
            return null;
        }
        $lab = Srgb::hex($hex)->toXyz()->toLab();
        foreach (array_diff($words, $used) as $word) {
            [$lighter, $factor] = self::CHANGES[$word] ?? [0.0, 1.0];
            $lab = Lab::of(max(5.0, min(97.0, $lab->lightness + $lighter)), $factor * $lab->a, $factor * $lab->b);
        }
        [$red, $green, $blue] = $lab->toXyz()->toSrgb()->toArray();
        $within = static fn (float $v): float => max(0.0, min(1.0, $v));

        return Srgb::of($within($red), $within($green), $within($blue))->toHex();
    }

    /**
     * @param  list<string>  $words
     * @return array{string, list<string>}|null colour and the words that say it: of as many words as possible, a CSS name before a thing, the
     *                                          last of the name before others, as in blue grey
     */
    private static function longest(array $words): ?array
    {
        for ($length = min(3, count($words)); $length >= 1; $length--) {
            for ($from = count($words) - $length; $from >= 0; $from--) {
                $run = array_slice($words, $from, $length);
                $hex = self::NAMED[implode('', $run)] ?? null;
                if ($hex !== null) {
                    return [$hex, $run];
                }
            }
        }
        foreach (array_reverse($words) as $word) {
            $hex = self::THINGS[$word] ?? self::THINGS[rtrim($word, 's')] ?? self::THINGS[preg_replace('/(en|y)\z/', '', $word)] ?? null;
            if ($hex !== null) {
                return [$hex, [$word]];
            }
        }

        return null;
    }
}
