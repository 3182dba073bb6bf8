<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Painter;
use App\Models\Shelf\Paint;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\Reflectance;
use Hyalin\Colour\SpectralSum;
use Hyalin\Formats\Cgats;
use Hyalin\Optics\FilmThickness;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\Surface;
use Illuminate\Http\UploadedFile;
use Inertia\Testing\AssertableInertia;

final class PotTest extends TestCase
{
    private const NEEDED = ['black', 'white', 'overBlack', 'overWhite'];

    public function test_a_pot_is_read_solved_and_kept(): void
    {
        $pot = $this->pot('Gull', '#c9b48a');
        $before = $pot->absorption;
        $readings = [];
        foreach ([...self::NEEDED, 'thick'] as $swatch) {
            $readings[$swatch] = $this->postJson("/shelf/paints/{$pot->id}/swatches/{$swatch}/read")->assertOk()->assertJson(['swatch' => $swatch])->json('values');
        }
        $this->postJson("/shelf/paints/{$pot->id}/measure", ['readings' => $readings, 'source' => 'reader'])
            ->assertOk()
            ->assertJsonPath('pot.quality', 'estimated');
        self::assertSame($before, $pot->refresh()->absorption);
        $kept = ['readings' => $readings, 'source' => 'reader', 'keep' => true, 'version' => 1];
        $this->postJson("/shelf/paints/{$pot->id}/measure", $kept)->assertOk()->assertJsonPath('pot.version', 2);
        $pot->refresh();
        self::assertNotSame(OpticsQuality::Estimated, $pot->quality);
        // Read again, now that it is known: the same film comes out, through the sheen of the pot.
        $film = Surface::of($pot->sheen)->seen($pot->optics()->filmOver(Reflectance::flat(0.035), FilmThickness::coats(1.0)));
        self::assertEqualsWithDelta($readings['overBlack'], $film->values, 0.02);
        self::assertIsArray($pot->readings);
        self::assertSame('reader', $pot->readings['source']);
        // A second table with the old version is told so.
        $this->postJson("/shelf/paints/{$pot->id}/measure", $kept)->assertConflict();
    }

    public function test_an_opaque_pot_asks_for_a_tint_and_learns_from_it(): void
    {
        $white = $this->pot('Chalk White', '#f4f3ee');
        // Opaque and not dark: the noise of the reader is no difference of colour there.
        $black = $this->pot('Brick', '#8a4a3c');
        $black->update(['scattering' => array_map(static fn (float $s): float => 9 * $s, $black->scattering), 'absorption' => array_map(static fn (float $k): float => 9 * $k, $black->absorption)]);
        $this->postJson("/shelf/paints/{$black->id}/swatches/tint/read")->assertUnprocessable()->assertJsonPath('errors.whiteId.0', 'Choose the white that the tint is mixed with.');
        $readings = [];
        foreach (self::NEEDED as $swatch) {
            $readings[$swatch] = $this->postJson("/shelf/paints/{$black->id}/swatches/{$swatch}/read")->json('values');
        }
        $body = ['readings' => $readings, 'source' => 'reader'];
        $this->postJson("/shelf/paints/{$black->id}/measure", $body)->assertOk()->assertJsonPath('measurement.needsTint', true)->assertJsonPath('measurement.quality', 'partly measured');
        $body['readings']['tint'] = $this->postJson("/shelf/paints/{$black->id}/swatches/tint/read", ['whiteId' => $white->id])->assertOk()->json('values');
        $body['whiteId'] = $white->id;
        // A tint is as good as what is known of its white.
        $this->postJson("/shelf/paints/{$black->id}/measure", $body)->assertOk()->assertJsonPath('measurement.needsTint', false)->assertJsonPath('measurement.quality', 'partly measured');
        $white->update(['quality' => OpticsQuality::Measured]);
        $this->postJson("/shelf/paints/{$black->id}/measure", [...$body, 'noise' => 0.002, 'coatSpread' => 0.2])->assertOk()->assertJsonPath('measurement.quality', 'measured');
        // One's own reader and coats are kept for the next pot, and what is no number is refused.
        $painter = Painter::query()->findOrFail($black->painter_id);
        self::assertSame([0.002, 0.2], [$painter->reader_noise, $painter->coat_spread]);
        $this->postJson("/shelf/paints/{$black->id}/measure", [...$body, 'noise' => 'a little'])->assertUnprocessable()->assertJsonStructure(['errors' => ['noise']]);
    }

    public function test_what_cannot_be_read_is_said_and_changes_nothing(): void
    {
        $pot = $this->pot('Gull', '#c9b48a');
        $flat = static fn (float $v): array => array_fill(0, 36, $v);
        $measure = fn (array $readings) => $this->postJson("/shelf/paints/{$pot->id}/measure", ['readings' => $readings, 'source' => 'typed', 'keep' => true, 'version' => 1]);
        $measure(['black' => $flat(0.04)])->assertUnprocessable()->assertJsonPath('errors', ['readings.white' => ['Not read yet: the bare white card.']]);
        $sound = ['black' => $flat(0.04), 'white' => $flat(0.9), 'overBlack' => $flat(0.5), 'overWhite' => $flat(0.6)];
        $errors = $measure([...$sound, 'overWhite' => $flat(0.2)])->assertUnprocessable()->json('errors.readings.0');
        self::assertIsString($errors);
        self::assertStringContainsString('is darker than the coat over black', $errors);
        self::assertStringContainsString('380 nm', $errors);
        $measure([...$sound, 'thick' => $flat(1.2)])->assertUnprocessable()->assertJsonStructure(['errors' => ['readings.thick']]);
        $measure([...$sound, 'moon' => $flat(0.2)])->assertUnprocessable();
        $this->postJson("/shelf/paints/{$pot->id}/swatches/thick/typed", ['hex' => 'ochre'])->assertUnprocessable();
        $this->postJson("/shelf/paints/{$pot->id}/swatches/moon/read")->assertNotFound();
        self::assertSame(1, $pot->refresh()->version);
        $this->actingAs(Painter::factory()->create())->get("/shelf/paints/{$pot->id}")->assertNotFound();
    }

    public function test_readings_come_from_a_file_and_from_typed_colours(): void
    {
        $pot = $this->pot('Gull', '#c9b48a');
        $pot->update(['sheen' => Sheen::Gloss]);
        $true = PaintOptics::of(array_fill(0, 36, 0.3), array_fill(0, 36, 0.9), OpticsQuality::Measured);
        $surface = Surface::of(Sheen::Gloss);
        $coat = FilmThickness::coats(1.0);
        $text = Cgats::write([
            ['Gull black card', $surface->seen(Reflectance::flat(0.05))],
            ['Gull white card', $surface->seen(Reflectance::flat(0.85))],
            ['Gull, one coat OVER BLACK', $surface->seen($true->filmOver(Reflectance::flat(0.05), $coat))],
            ['Gull, one coat over white', $surface->seen($true->filmOver(Reflectance::flat(0.85), $coat))],
            ['something else', Reflectance::flat(0.5)],
        ], 'A card');
        $found = $this->postJson("/shelf/paints/{$pot->id}/swatches-file", ['file' => UploadedFile::fake()->createWithContent('card.txt', $text)])->assertOk()->assertJsonCount(4)->json();
        self::assertIsArray($found);
        $readings = array_column($found, 'values', 'swatch');
        $this->postJson("/shelf/paints/{$pot->id}/measure", ['readings' => $readings, 'source' => 'file', 'keep' => true, 'version' => 1])->assertOk();
        $pot = Paint::query()->findOrFail($pot->id);
        self::assertEqualsWithDelta($true->s, $pot->scattering, 0.01);
        self::assertEqualsWithDelta($true->k, $pot->absorption, 0.01);
        self::assertNotSame([], $pot->spread()->modes);
        $this->postJson("/shelf/paints/{$pot->id}/swatches-file", ['file' => UploadedFile::fake()->createWithContent('card.txt', "CGATS.17\n")])->assertUnprocessable();
        $typed = $this->postJson("/shelf/paints/{$pot->id}/swatches/thick/typed", ['hex' => '#c9b48a'])->assertOk()->assertJsonPath('colour.hex', '#c9b48a')->json('values');
        self::assertIsArray($typed);
        self::assertCount(36, $typed);
    }

    public function test_facts_are_defaults_of_the_kind_until_the_painter_says_otherwise(): void
    {
        $pot = $this->pot('Gull', '#c9b48a');
        $this->get("/shelf/paints/{$pot->id}")->assertInertia(fn (AssertableInertia $page) => $page
            ->component('pots/show')
            ->where('facts.1', ['key' => 'density', 'label' => 'Density, g/mL', 'type' => 'number', 'choices' => [], 'value' => '1.25', 'isDefault' => true])
            ->count('curves.thick', 36));
        $this->patchJson("/shelf/paints/{$pot->id}/facts", ['density' => 1.4])->assertOk()->assertJsonPath('1.value', '1.4')->assertJsonPath('1.isDefault', false);
        $this->patchJson("/shelf/paints/{$pot->id}/facts", ['density' => 40])->assertUnprocessable();
        $this->patchJson("/shelf/paints/{$pot->id}/facts", ['density' => null])->assertOk()->assertJsonPath('1.isDefault', true);
    }

    public function test_a_pot_is_measured_from_a_photo_of_its_card(): void
    {
        $pot = $this->pot('Gull', '#c9b48a');
        $photo = $this->get("/shelf/paints/{$pot->id}/card-photo")->assertOk()->assertHeader('Content-Type', 'image/png')->getContent();
        $spots = [
            'grey' => [0.167, 0.25, 0.04],
            'black' => [0.5, 0.25, 0.04],
            'white' => [0.833, 0.25, 0.04],
            'overBlack' => [0.167, 0.75, 0.04],
            'overWhite' => [0.5, 0.75, 0.04],
            'thick' => [0.833, 0.75, 0.04],
        ];
        $send = fn (array $spots, string $bytes) => $this->post("/shelf/paints/{$pot->id}/swatches-photo", [
            'photo' => UploadedFile::fake()->createWithContent('card.png', $bytes), 'reflectance' => 0.18, 'spots' => $spots,
        ], ['Accept' => 'application/json']);
        $found = $send($spots, (string) $photo)->assertOk()->json();
        self::assertIsArray($found);
        $readings = array_column($found, 'values', 'swatch');
        self::assertCount(5, $readings);
        // The reader sees the same swatches under the same lamp-free light: near, for three numbers of a warm lamp.
        foreach ($readings as $swatch => $values) {
            $read = $this->postJson("/shelf/paints/{$pot->id}/swatches/{$swatch}/read")->json('values');
            self::assertIsArray($read);
            self::assertIsArray($values);
            self::assertLessThan(9.0, DifferenceFormula::Ciede2000->between(self::seen($read), self::seen($values)), (string) $swatch);
        }
        $this->postJson("/shelf/paints/{$pot->id}/measure", ['readings' => $readings, 'source' => 'photo', 'keep' => true, 'version' => 1])->assertOk()->assertJsonPath('pot.version', 2);
        // No grey, a grey that is none, no picture.
        $send(array_diff_key($spots, ['grey' => 1]), (string) $photo)->assertUnprocessable()->assertJsonPath(
            'errors',
            fn (array $e): bool => str_contains((string) json_encode($e), 'Mark the grey patch'),
        );
        $send([...$spots, 'grey' => $spots['black']], (string) $photo)->assertUnprocessable();
        $send($spots, 'no picture')->assertUnprocessable()->assertJsonPath('errors.photo.0', 'This file is not a JPEG, PNG or WebP picture. Nothing was added.');
    }

    /** @param  array<mixed>  $values */
    private static function seen(array $values): Lab
    {
        return SpectralSum::under(Illuminant::D65)->xyz(Reflectance::parse($values))->toLab();
    }
}
