<?php

declare(strict_types=1);

namespace Database\Demo;

use Database\Demo\Sculpt\KeeperMaude;
use Database\Demo\Sculpt\MothRegent;
use Database\Demo\Sculpt\ReedSentry;
use Database\Demo\Sculpt\Sculpt;
use Database\Demo\Sculpt\TideBell;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;

/**
 * The figures of the demo as their painter planned them. A layer either names its mix in drops or says for which zone
 * the mix finder shall find it.
 *
 * @phpstan-type PlannedLayer array{technique: Technique, mix: array<string, int>, find?: Zone, zones?: non-empty-list<Zone>, thinner?: float, coats?: int, note?: string}
 * @phpstan-type PlannedArea array{part: string, name: string, wish: string, layers: list<PlannedLayer>, liesOn?: string, depth?: int, cm2?: float}
 * @phpstan-type Plan array{name: string, heightMm: int, copies: int, about: string, bare: string, picture: string, sculpt: class-string<Sculpt>, run: int, areas: list<PlannedArea>, base?: string, process?: string, joints?: list<array{string, string, list<string>}>, boundaries?: list<array{string, string, float, bool}>}
 */
final class FigurePlans
{
    /** How far outside an area lies and its square centimetres. */
    private const MAUDE = [
        'Oilskin' => [2, 26.0], 'Jersey' => [1, 4.0], 'Boots' => [1, 5.0], 'Face and hands' => [0, 3.0], 'Hair' => [1, 3.5], 'Hat' => [2, 6.0],
        'Brass' => [1, 3.0], 'Glass' => [0, 2.0], 'Heron breast' => [0, 3.0], 'Heron wings' => [1, 2.5], 'Beak and legs' => [1, 0.8], 'Rock' => [0, 22.0],
    ];

    /** @return list<Plan> */
    public static function all(): array
    {
        return [self::keeperMaude(), self::reedSentries(), self::mothRegent(), self::tideBell()];
    }

    /** @return Plan */
    private static function keeperMaude(): array
    {
        return [
            'name' => 'Keeper Maude of Skerrow Ness',
            'heightMm' => 90,
            'copies' => 1,
            'about' => 'She has kept the lamp for thirty winters. The oilskin is the focal point; the heron\'s two whites must stay apart.',
            'bare' => '#8c8f92',
            'picture' => 'keeper-maude',
            'sculpt' => KeeperMaude::class,
            'run' => 19,
            'base' => 'Rock base',
            'joints' => [['Body', 'Oilskin coat', ['Jersey']], ['Body', 'Head', []], ['Head', 'Hat', []], ['Oilskin coat', 'Lantern', []], ['Body', 'Rock base', []], ['Heron', 'Rock base', []]],
            'boundaries' => [
                ['Jersey', 'Oilskin', 85.0, true], ['Oilskin', 'Boots', 40.0, true], ['Face and hands', 'Hair', 28.0, true], ['Hair', 'Hat', 45.0, true],
                ['Face and hands', 'Hat', 30.0, true], ['Brass', 'Glass', 60.0, false], ['Heron breast', 'Heron wings', 38.0, true], ['Heron breast', 'Beak and legs', 9.0, true],
                ['Boots', 'Rock', 26.0, true],
            ],
            'areas' => [
                self::area('Oilskin coat', 'Oilskin', 'Focal point. Bright ochre yellow, warm in the shade.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::found(Technique::Layer, Zone::Shade, [Zone::Recess, Zone::Shade], 2),
                    self::found(Technique::Wash, Zone::Recess, [Zone::Recess]),
                    self::found(Technique::Layer, Zone::Light, [Zone::Light, Zone::Edge], 2),
                    self::found(Technique::EdgeHighlight, Zone::Edge, coats: 2),
                ]),
                self::area('Body', 'Jersey', 'Knitted wool, quiet beside the coat.', [
                    self::found(Technique::BaseCoat, Zone::Shade, coats: 2),
                    self::found(Technique::Wash, Zone::Recess, [Zone::Recess, Zone::Shade]),
                    self::found(Technique::Layer, Zone::Mid, [Zone::Mid, Zone::Light, Zone::Edge]),
                    self::found(Technique::DryBrush, Zone::Light, coats: 2),
                    self::found(Technique::DryBrush, Zone::Edge),
                ]),
                self::area('Body', 'Boots', 'Tarred leather, dark against the rock.', [
                    self::found(Technique::BaseCoat, Zone::Mid),
                    self::given(Technique::Wash, ['Lamp Soot' => 1], thinner: 1.0),
                    self::found(Technique::EdgeHighlight, Zone::Edge),
                ]),
                self::area('Head', 'Face and hands', 'Weathered skin.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::found(Technique::Layer, Zone::Shade, [Zone::Recess, Zone::Shade]),
                    self::given(Technique::Wash, ['Flesh Shade' => 1], thinner: 2.0),
                    self::found(Technique::Layer, Zone::Light, [Zone::Light, Zone::Edge]),
                    self::found(Technique::EdgeHighlight, Zone::Edge),
                ]),
                self::area('Head', 'Hair', 'Grey plaits.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::given(Technique::Wash, ['Lamp Soot' => 1], thinner: 1.5),
                    self::found(Technique::Layer, Zone::Light, [Zone::Light, Zone::Edge]),
                    self::found(Technique::DryBrush, Zone::Edge, coats: 2),
                ]),
                self::area('Hat', 'Hat', 'Older than the coat: duller, browner.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::found(Technique::Wash, Zone::Shade, [Zone::Recess, Zone::Shade]),
                    self::found(Technique::Layer, Zone::Light, [Zone::Light, Zone::Edge]),
                    self::found(Technique::EdgeHighlight, Zone::Edge),
                ]),
                self::area('Lantern', 'Brass', 'Painted brass, highlights towards silver.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::found(Technique::Wash, Zone::Shade, [Zone::Recess, Zone::Shade]),
                    self::found(Technique::Layer, Zone::Light, [Zone::Light, Zone::Edge]),
                    self::found(Technique::EdgeHighlight, Zone::Edge),
                ]),
                self::area('Lantern', 'Glass', 'Warm glow, lightest in the middle.', [
                    self::found(Technique::BaseCoat, Zone::Light, coats: 3),
                    self::found(Technique::Glaze, Zone::Mid, [Zone::Recess, Zone::Shade, Zone::Mid], 2),
                    self::found(Technique::Glaze, Zone::Shade, [Zone::Recess, Zone::Shade], 3),
                ]),
                self::area('Heron', 'Heron breast', 'The pure white. Must stand apart from the wings.', [
                    self::found(Technique::BaseCoat, Zone::Light, coats: 3),
                    self::found(Technique::Wash, Zone::Shade, [Zone::Recess, Zone::Shade]),
                    self::found(Technique::Layer, Zone::Edge, [Zone::Light, Zone::Edge]),
                ]),
                self::area('Heron', 'Heron wings', 'The blue-grey white.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::found(Technique::Wash, Zone::Shade, [Zone::Recess, Zone::Shade]),
                    self::found(Technique::DryBrush, Zone::Edge, coats: 2),
                ]),
                self::area('Heron', 'Beak and legs', 'Ochre, darker at the feet.', [
                    self::found(Technique::BaseCoat, Zone::Mid, coats: 2),
                    self::found(Technique::Glaze, Zone::Shade, [Zone::Recess, Zone::Shade], 2),
                ]),
                self::area('Rock base', 'Rock', 'Wet rock, a step darker than the boots.', [
                    self::found(Technique::BaseCoat, Zone::Shade),
                    self::found(Technique::DryBrush, Zone::Light, coats: 2),
                    self::found(Technique::DryBrush, Zone::Edge),
                ]),
            ],
        ];
    }

    /** @return Plan */
    private static function reedSentries(): array
    {
        return [
            'name' => 'Six reed sentries',
            'heightMm' => 32,
            'copies' => 6,
            'about' => 'One finish, six times, in two batches a season apart.',
            'bare' => '#7c7f80',
            'picture' => 'reed-sentry',
            'sculpt' => ReedSentry::class,
            'run' => 0,
            'areas' => [
                ['part' => 'Sentry', 'name' => 'Cloak', 'wish' => 'Reed green, all six alike.', 'layers' => [
                    ...self::zenithal(),
                    self::given(Technique::BaseCoat, ['Reed Green' => 3, 'Moss Stone' => 1]),
                    self::given(Technique::Wash, ['Eel Green' => 1]),
                    self::given(Technique::DryBrush, ['Samphire' => 2, 'Bone Lane' => 1]),
                ]],
                self::area('Sentry', 'Spear shaft', 'Weathered wood.', [
                    self::found(Technique::BaseCoat, Zone::Mid),
                    self::given(Technique::Wash, ['Lamp Soot' => 1], thinner: 1.5),
                    self::found(Technique::EdgeHighlight, Zone::Edge),
                ]),
                self::area('Sentry', 'Skin', 'Quick, but not flat.', [
                    self::found(Technique::BaseCoat, Zone::Mid),
                    self::given(Technique::Wash, ['Flesh Shade' => 1], thinner: 1.0),
                    self::found(Technique::Layer, Zone::Light, [Zone::Light, Zone::Edge]),
                ]),
                self::area('Base', 'Mud', 'Dark, so that the cloaks carry.', [
                    self::found(Technique::BaseCoat, Zone::Shade),
                    self::found(Technique::DryBrush, Zone::Light),
                ]),
            ],
        ];
    }

    /** @return Plan */
    private static function mothRegent(): array
    {
        return [
            'name' => 'The Moth Regent',
            'heightMm' => 160,
            'copies' => 1,
            'about' => 'A bust with four wings printed apart.',
            'bare' => '#b9b4a8',
            'picture' => 'moth-regent',
            'sculpt' => MothRegent::class,
            'run' => 0,
            'areas' => [
                ['part' => 'Fore wings', 'name' => 'Wing dust', 'wish' => 'Pale, glazed in violet towards the root.', 'layers' => [
                    self::given(Technique::SprayCan, ['Primer White' => 1]),
                    self::given(Technique::Airbrush, ['Oyster' => 3, 'Blush Glass' => 1]),
                    self::given(Technique::Glaze, ['Ink Violet' => 1], [Zone::Recess, Zone::Shade], 2),
                ]],
                ['part' => 'Fore wings', 'name' => 'Wing eyes', 'wish' => 'Masked, sharp.', 'layers' => []],
                ['part' => 'Hind wings', 'name' => 'Hind wing dust', 'wish' => 'A step darker than the fore wings.', 'layers' => []],
                ['part' => 'Bust', 'name' => 'Collar', 'wish' => 'Polished.', 'layers' => []],
                ['part' => 'Bust', 'name' => 'Face', 'wish' => 'Chalk pale.', 'layers' => []],
            ],
        ];
    }

    /** @return Plan */
    private static function tideBell(): array
    {
        return [
            'name' => 'The Tide Bell',
            'heightMm' => 300,
            'copies' => 1,
            'about' => 'A prop in melted plastic: enamel chipped over steel, a polished clapper.',
            'bare' => '#3b3d40',
            'picture' => 'tide-bell',
            'sculpt' => TideBell::class,
            'run' => 0,
            'process' => 'melted plastic',
            'joints' => [['Bell', 'Yoke', []], ['Bell', 'Clapper', []]],
            'boundaries' => [['Enamel', 'Steel rim', 560.0, false]],
            'areas' => [
                ['part' => 'Bell', 'name' => 'Enamel', 'wish' => 'Sea green, chipped at the lip.', 'depth' => 1, 'cm2' => 420.0, 'layers' => [
                    self::given(Technique::SprayCan, ['Primer Grey' => 1]),
                    self::found(Technique::SprayCan, Zone::Mid, coats: 2),
                ]],
                ['part' => 'Bell', 'name' => 'Steel rim', 'wish' => 'Worn steel.', 'cm2' => 40.0, 'layers' => [
                    self::given(Technique::SprayCan, ['Primer Grey' => 1]),
                    self::given(Technique::Airbrush, ['Chain Steel' => 1], coats: 3),
                    self::given(Technique::Wash, ['Lamp Soot' => 1], [Zone::Recess, Zone::Shade]),
                ]],
                ['part' => 'Yoke', 'name' => 'Yoke', 'wish' => 'Salt-bleached wood.', 'layers' => []],
                ['part' => 'Clapper', 'name' => 'Clapper', 'wish' => 'Bright, uncovered.', 'layers' => [
                    self::given(Technique::SprayCan, ['Primer Black' => 1]),
                    self::given(Technique::Airbrush, ['Mirror Chrome' => 1], coats: 3),
                ]],
                ['part' => 'Bell', 'name' => 'Number', 'wish' => 'White figures, a decal on the enamel.', 'liesOn' => 'Enamel', 'layers' => [
                    self::given(Technique::Decal, ['Chalk White' => 1]),
                ]],
            ],
        ];
    }

    /**
     * An area over the zenithal prime.
     *
     * @param  list<PlannedLayer>  $layers
     * @return PlannedArea
     */
    private static function area(string $part, string $name, string $wish, array $layers): array
    {
        [$depth, $cm2] = self::MAUDE[$name] ?? [0, 5.0];

        return ['part' => $part, 'name' => $name, 'wish' => $wish, 'layers' => [...self::zenithal(), ...$layers], 'depth' => $depth, 'cm2' => $cm2];
    }

    /** @return list<PlannedLayer> */
    private static function zenithal(): array
    {
        return [
            self::given(Technique::SprayCan, ['Primer Black' => 1]),
            self::given(Technique::ZenithalSpray, ['Primer White' => 1], coats: 2),
        ];
    }

    /**
     * @param  array<string, int>  $mix
     * @param  non-empty-list<Zone>|null  $zones
     * @return PlannedLayer
     */
    private static function given(
        Technique $technique,
        array $mix,
        ?array $zones = null,
        int $coats = 1,
        ?float $thinner = null,
    ): array {
        return [
            'technique' => $technique,
            'mix' => $mix,
            'zones' => $zones ?? $technique->spec()->usualZones,
            'coats' => $coats,
            'thinner' => $thinner ?? $technique->spec()->usualThinner,
        ];
    }

    /**
     * @param  non-empty-list<Zone>|null  $zones
     * @return PlannedLayer
     */
    private static function found(Technique $technique, Zone $find, ?array $zones = null, int $coats = 1): array
    {
        return [...self::given($technique, [], $zones, $coats), 'find' => $find];
    }
}
