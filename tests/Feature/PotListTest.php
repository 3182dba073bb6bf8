<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Shelf\Paint;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Pot\ColourWords;
use Hyalin\Pot\PotKind;
use Illuminate\Http\UploadedFile;
use Inertia\Testing\AssertableInertia;
use Tests\Support\Node;

/**
 * Forty pots in ten minutes: a list of names as one writes it, and the colours of the caps.
 */
final class PotListTest extends TestCase
{
    private const LIST = <<<'TEXT'
        Osmerby Colour Works:
        - Dark Sea Green
        2) Bog Moss
        Chalk White
        Pell & Rook - Peat Wash #3a2c1e
        Saltgate Inks: Deep Indigo Ink
        Herring Thing (metal flake)
        TEXT;

    public function test_a_list_is_read_guessed_looked_at_and_added_in_one_piece(): void
    {
        $known = $this->pot('Chalk White', '#f4f3ee');
        $known->update(['maker' => 'Osmerby Colour Works']);
        $pots = $this->postJson('/shelf/list/look', ['text' => self::LIST])->assertOk()->json('pots');
        self::assertIsArray($pots);
        self::assertSame(
            [
                ['Osmerby Colour Works', 'Dark Sea Green', 'acrylic', '#8fbc8f', true, false], ['Osmerby Colour Works', 'Bog Moss', 'acrylic', '#6a7438', true, false],
                ['Osmerby Colour Works', 'Chalk White', 'acrylic', '#f6f6f6', true, true], ['Pell & Rook', 'Peat Wash', 'wash', '#3a2c1e', false, false],
                ['Saltgate Inks', 'Deep Indigo Ink', 'ink', '#2f0068', true, false], ['Osmerby Colour Works', 'Herring Thing', 'metal flake', null, false, false],
            ],
            array_map(static fn (mixed $p): array => is_array($p) ? [$p['maker'], $p['name'], $p['kind'], $p['hex'], $p['isGuessed'], $p['isKnown']] : [], $pots),
        );
        self::assertSame(1, Paint::query()->count());

        $add = array_map(static fn (int $n): array => ['maker' => 'Pell & Rook', 'name' => "Pot {$n}", 'kind' => 'acrylic', 'hex' => sprintf('#%02x5040', 5 * $n)], range(1, 40));
        $id = $this->postJson('/shelf/list', ['pots' => $add])->assertAccepted()->json('id');
        self::assertIsInt($id);
        self::assertSame(41, Paint::query()->count());
        $pot = Paint::query()->where('name', 'Pot 40')->sole();
        self::assertSame(['#c85040', OpticsQuality::Estimated], [$pot->thick_hex, $pot->quality]);
        $this->get('/sheets')->assertOk();
        $this->deleteJson("/shelf/imports/{$id}")->assertOk();
        self::assertSame(1, Paint::query()->count());
    }

    public function test_the_demos_shelf_is_borrowed_to_try_and_returned_in_one_press(): void
    {
        $mine = $this->pot('Mine', '#705040');
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->where('page.borrowed', null));
        $id = $this->postJson('/shelf/borrowed')->assertAccepted()->json('id');
        self::assertIsInt($id);
        self::assertSame(101, Paint::query()->count());
        self::assertSame([PotKind::Acrylic, '#e4e3da'], [Paint::query()->where('name', 'Gull')->sole()->kind, Paint::query()->where('name', 'Gull')->sole()->thick_hex]);
        $this->painter->unsetRelations();
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->where('page.borrowed', $id)->count('page.paints', 101));
        $this->deleteJson("/shelf/imports/{$id}")->assertOk();
        self::assertSame([$mine->id], Paint::query()->pluck('id')->all());
        $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->where('page.borrowed', null));
    }

    public function test_a_list_that_cannot_be_added_says_why_and_adds_nothing(): void
    {
        $pot = ['maker' => 'Pell & Rook', 'name' => 'Wren', 'kind' => 'acrylic', 'hex' => '#705040'];
        foreach ([[$pot, $pot], [[...$pot, 'maker' => '']], [[...$pot, 'hex' => 'red']], [[...$pot, 'kind' => 'soup']], [], ['x'], [[...$pot, 'name' => ['list']]]] as $pots) {
            $this->postJson('/shelf/list', ['pots' => $pots])->assertUnprocessable();
        }
        $this->postJson('/shelf/list/look', ['text' => ['a']])->assertUnprocessable();
        // What is no list at all is many pots without a colour, and more than fit are counted.
        $this->postJson('/shelf/list/look', ['text' => implode("\n", array_map(static fn (int $n): string => "Zzz {$n} \u{4E2D}", range(1, 420)))])->assertOk()->assertJsonPath('leftOut', 20)->assertJsonPath('pots.0.hex', null);
        self::assertSame(0, Paint::query()->count());
    }

    public function test_colours_come_from_a_photo_of_the_caps_with_the_lamp_taken_out(): void
    {
        // Caps under a warm lamp beside a white paper.
        $image = imagecreatetruecolor(300, 100);
        foreach ([0xFFE2B0, 0x8C2A18, 0x2C5058] as $n => $code) {
            imagefilledrectangle($image, 100 * $n, 0, 100 * $n + 99, 99, $n === 0 ? 0xE0C8A0 : $code);
        }
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $ask = fn (array $more) => $this->post('/shelf/list/caps', ['photo' => UploadedFile::fake()->createWithContent('caps.png', $png), 'spots' => [[0.5, 0.5, 0.05], [0.83, 0.5, 0.05]], ...$more], ['Accept' => 'application/json']);
        self::assertSame(['#8c2a18', '#2c5058'], $ask([])->assertOk()->json('hexes'));
        $white = $ask(['grey' => [0.16, 0.5, 0.05]])->assertOk()->json('hexes');
        self::assertIsArray($white);
        // Bluer than they looked: what is grey there was yellow.
        $blue = static fn (mixed $hex): int => is_string($hex) ? (int) hexdec(substr($hex, 5)) : 0;
        self::assertGreaterThan(0x18, $blue($white[0]));
        self::assertGreaterThan(0x58, $blue($white[1]));
        $ask(['spots' => [[2, 0, 0]]])->assertUnprocessable();
        $this->post('/shelf/list/caps', ['photo' => 'x', 'spots' => [[0.5, 0.5, 0.1]]], ['Accept' => 'application/json'])->assertUnprocessable();
    }

    public function test_named_colours_are_those_of_css(): void
    {
        // By the table of culori, a general colour library of the npm registry.
        $names = Node::ask("import { colorsNamed } from 'culori'; console.log(JSON.stringify(colorsNamed));", null);
        self::assertIsArray($names);
        self::assertGreaterThan(140, count($names));
        foreach ($names as $name => $code) {
            self::assertSame(sprintf('#%06x', is_int($code) ? $code : 0), ColourWords::colour((string) $name), (string) $name);
        }
    }
}
