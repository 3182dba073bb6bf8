<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\References\Picture;
use Hyalin\Colour\Srgb;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;

final class ReferenceTest extends TestCase
{
    public function test_a_picture_is_encoded_anew_upright_and_without_metadata(): void
    {
        // Left half red, right half blue, marked as to be turned by 90 degrees clockwise (EXIF orientation 6).
        $image = imagecreatetruecolor(40, 20);
        imagefilledrectangle($image, 0, 0, 19, 19, 0xC02020);
        imagefilledrectangle($image, 20, 0, 39, 19, 0x2020C0);
        ob_start();
        imagejpeg($image, null, 95);
        $jpeg = (string) ob_get_clean();
        $tiff = "II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0\x06\0\0\0\0\0\0\0SECRETPLACE";
        $exif = "Exif\0\0".$tiff;
        $jpeg = substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);

        $this->upload('photo.jpg', $jpeg)->assertCreated()->assertJson(['width' => 20, 'height' => 40, 'title' => 'photo']);
        $stored = (string) Storage::disk('local')->get(Picture::query()->sole()->path);
        self::assertStringStartsWith("\x89PNG", $stored);
        self::assertStringNotContainsString('SECRETPLACE', $stored);
        $upright = imagecreatefromstring($stored);
        self::assertNotFalse($upright);
        self::assertGreaterThan(100, imagecolorat($upright, 10, 5) >> 16 & 255);
        self::assertGreaterThan(100, imagecolorat($upright, 10, 35) & 255);
        // A phone appends the film around the moment.
        $this->upload('moment.jpg', $jpeg.str_repeat("\0\0\0\x18ftypmp42", 5000))->assertCreated()->assertJson(['width' => 20, 'height' => 40]);
        Picture::query()->where('title', 'moment')->sole()->delete();
        $this->get(route('pictures.image', [Picture::query()->sole()->figure_id, Picture::query()->sole()]))
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png');
    }

    public function test_what_is_no_good_picture_is_refused_with_a_reason_and_nothing_is_kept(): void
    {
        $image = imagecreatetruecolor(300, 300);
        for ($i = 0; $i < 90_000; $i++) {
            imagesetpixel($image, $i % 300, intdiv($i, 300), ($i * 7919) & 0xFFFFFF);
        }
        $files = [];
        foreach (['jpg' => imagejpeg(...), 'png' => imagepng(...), 'webp' => imagewebp(...)] as $type => $encode) {
            ob_start();
            $encode($image);
            $files[$type] = (string) ob_get_clean();
        }
        foreach ($files as $type => $bytes) {
            $this->upload("cut.{$type}", substr($bytes, 0, intdiv(strlen($bytes), 2)))->assertUnprocessable()
                ->assertJsonPath('errors.picture.0', fn (string $words): bool => str_contains($words, 'is incomplete'));
        }
        $this->upload('script.png', '<?php echo 1;')->assertUnprocessable()
            ->assertJsonPath('errors.picture.0', 'This file is not a JPEG, PNG or WebP picture. Nothing was added.');
        // A progressive one whose last pass is drawn over and over: each costs as much as the first.
        $flat = imagecreatetruecolor(2000, 2000);
        imageinterlace($flat, true);
        ob_start();
        imagejpeg($flat);
        $drawn = (string) ob_get_clean();
        $last = (int) strrpos($drawn, "\xFF\xDA");
        $this->upload('passes.jpg', substr($drawn, 0, -2).str_repeat(substr($drawn, $last, -2), 3000)."\xFF\xD9")->assertUnprocessable()
            ->assertJsonPath('errors.picture.0', fn (string $words): bool => str_contains($words, 'passes'));
        // Damage inside a file that is whole at both ends.
        $png = $files['png'];
        $this->upload('damaged.png', substr($png, 0, 400).str_repeat("\xAA", 5000).substr($png, 5400))->assertUnprocessable();
        // A small file that claims to be huge: refused before it is decoded.
        $huge = substr_replace($png, pack('NN', 50_000, 50_000), 16, 8);
        $this->upload('huge.png', $huge)->assertUnprocessable()
            ->assertJsonPath('errors.picture.0', fn (string $words): bool => str_contains($words, '50000 x 50000 pixels'));
        config(['hyalin.uploads.max_bytes' => 1000]);
        $this->upload('heavy.png', $png)->assertUnprocessable()
            ->assertJsonPath('errors.picture.0', fn (string $words): bool => str_contains($words, 'Save it smaller'));
        $this->postJson("/figures/{$this->figure()->id}/pictures")->assertUnprocessable();
        self::assertSame(0, Picture::query()->count());
        self::assertSame([], Storage::disk('local')->allFiles());
    }

    public function test_inks_films_and_deep_colours_are_told_apart(): void
    {
        // Four components in the frame header of a JPEG: amounts of ink.
        $cmyk = "\xFF\xD8\xFF\xC0".pack('nCnnC', 20, 8, 40, 60, 4).str_repeat("\x01\x11\x00", 4)."\xFF\xD9";
        $this->upload('inks.jpg', $cmyk)->assertUnprocessable()->assertJsonPath('errors.picture.0', fn (string $words): bool => str_contains($words, 'CMYK'));
        $image = imagecreatetruecolor(40, 40);
        imagefilledrectangle($image, 0, 0, 39, 19, 0xFFF0D0);
        imagefilledrectangle($image, 0, 20, 39, 39, 0x405060);
        ob_start();
        imagepng($image);
        $png = (string) ob_get_clean();
        $frames = pack('N', 8).'acTL'.pack('NN', 3, 0);
        $moving = substr($png, 0, 33).$frames.pack('N', crc32(substr($frames, 4))).substr($png, 33);
        $this->upload('moving.png', $moving)->assertUnprocessable()->assertJsonPath('errors.picture.0', fn (string $words): bool => str_contains($words, 'several frames'));
        self::assertSame(0, Picture::query()->count());
        // Half of this one is clipped: it is kept, and says so.
        $this->upload('bright.png', $png)->assertCreated()->assertJsonPath('remarks.0', '50 % of its pixels are clipped: the colours there are brighter than the picture could record.');
    }

    public function test_a_stroke_gives_the_ramp_and_what_a_picture_is_moves_its_colours(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $image = imagecreatetruecolor(100, 40);
        for ($x = 0; $x < 100; $x++) {
            imagefilledrectangle($image, $x, 0, $x, 39, (60 + $x) << 16 | (40 + (int) ($x * 0.8)) << 8 | 30 + intdiv($x, 2));
        }
        ob_start();
        imagepng($image);
        $this->upload('ramp.png', (string) ob_get_clean(), $figure->id)->assertCreated()->assertJson(['kind' => 'artwork', 'shading' => null, 'crop' => null]);
        $picture = Picture::query()->sole();
        $url = "/figures/{$figure->id}/pictures/{$picture->id}";
        $this->postJson("/figures/{$figure->id}/areas/{$area->id}/samples", ['pictureId' => $picture->id, 'zone' => 'mid', 'method' => 'stroke', 'points' => [[0.05, 0.5], [0.95, 0.5], [0.05, 0]]])
            ->assertCreated()->assertJsonCount(5);
        $before = $area->samples()->where('zone', 'shade')->sole()->lightness;
        // Real light will fall on the figure again: the shade is to be painted lighter than it looks.
        $this->patchJson($url, ['shading' => 'real light', 'kind' => 'photo of a real thing'])->assertOk()->assertJson(['shading' => 'real light']);
        self::assertGreaterThan($before + 3, $area->samples()->where('zone', 'shade')->sole()->lightness);
        $this->patchJson($url, ['shading' => 'painted on'])->assertOk();
        self::assertEqualsWithDelta($before, $area->samples()->where('zone', 'shade')->sole()->lightness, 1e-9);
        // Its main colours, in a crop of its light end only.
        $whole = $this->getJson("{$url}/palette?most=4")->assertOk()->json();
        $this->patchJson($url, ['crop' => [0.8, 0.0, 0.2, 1.0]])->assertOk();
        $light = $this->getJson("{$url}/palette?most=4")->assertOk()->json('0.colour.lab.0');
        self::assertIsArray($whole);
        self::assertGreaterThan(45, $light);
        $this->patchJson($url, ['crop' => [0.8, 0.0, 0.5, 1.0]])->assertUnprocessable();
        $this->putJson("{$url}/neutral", ['method' => 'hand', 'points' => [[0.1, 0.1]]])->assertUnprocessable();
        $this->putJson("{$url}/neutral", ['method' => 'hand', 'points' => [[0.0, 0.0], [1.0, 0.0], [1.0, 1.0], [0.0, 1.0]]])->assertUnprocessable()
            ->assertJsonPath('errors.points.0', fn (string $words): bool => str_contains($words, 'not one colour'));
        self::assertNull($picture->refresh()->neutral);
    }

    public function test_a_second_grey_evens_the_light_and_what_was_taken_follows(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $image = imagecreatetruecolor(200, 60);
        for ($x = 0; $x < 200; $x++) {
            // One grey all over; the lamp stands to the left.
            $code = (int) round(255 * Srgb::encode(0.5 * exp(-1.2 * $x / 200)));
            imageline($image, $x, 0, $x, 59, $code << 16 | $code << 8 | (int) round(0.9 * $code));
        }
        ob_start();
        imagepng($image);
        $this->upload('fall.png', (string) ob_get_clean(), $figure->id)->assertCreated();
        $picture = Picture::query()->sole();
        $url = "/figures/{$figure->id}/pictures/{$picture->id}";
        foreach (['mid' => 0.08, 'shade' => 0.92] as $zone => $x) {
            $this->postJson("/figures/{$figure->id}/areas/{$area->id}/samples", ['pictureId' => $picture->id, 'zone' => $zone, 'method' => 'spot', 'points' => [[$x, 0.5], [0.02, 0]]])->assertCreated();
        }
        $apart = static fn (): float => abs($area->samples()->where('zone', 'mid')->sole()->lightness - $area->samples()->where('zone', 'shade')->sole()->lightness);
        $box = static fn (float $x): array => [[$x - 0.02, 0.3], [$x + 0.02, 0.3], [$x + 0.02, 0.7], [$x - 0.02, 0.7]];
        $first = ['method' => 'grey', 'points' => $box(0.08), 'reflectance' => 0.4];
        $this->putJson("{$url}/neutral", $first)->assertOk()->assertJsonPath('picture.neutral.others', []);
        self::assertGreaterThan(15, $apart());
        $words = $this->putJson("{$url}/neutral", [...$first, 'others' => [$box(0.92)]])->assertOk()->assertJsonPath('taken', 2)->json('picture.neutral.words');
        self::assertIsString($words);
        self::assertMatchesRegularExpression('/falls off by a factor of 3\.\d across the picture; evened\. Colours are off by ΔE \d\.\d as a rule/', $words);
        self::assertLessThan(1.0, $apart());
        // The picture that is shown is even, too.
        $shown = imagecreatefromstring((string) $this->get("{$url}/image?neutral=1")->assertOk()->getContent());
        self::assertNotFalse($shown);
        self::assertEqualsWithDelta(imagecolorat($shown, 20, 30) & 255, imagecolorat($shown, 180, 30) & 255, 4);
        $this->putJson("{$url}/neutral", [...$first, 'others' => [[[0.1, 0.1]]]])->assertUnprocessable()->assertJsonStructure(['errors' => ['others.0']]);
    }

    public function test_a_colour_is_wanted_without_any_picture(): void
    {
        $figure = $this->figure();
        $area = $this->area($figure);
        $other = $this->area($figure, 'Belt');
        $pot = $this->pot('Kelp Brown', '#5a4630');
        $name = fn (array $asked) => $this->postJson("/figures/{$figure->id}/areas/{$area->id}/samples/named", ['zone' => 'mid', ...$asked]);
        $name(['from' => 'hex', 'hex' => '#6B1C2A'])->assertCreated()->assertJsonPath('0.colour.hex', '#6b1c2a')->assertJsonPath('0.source', '#6b1c2a')->assertJsonPath('0.pictureId', null)->assertJsonPath('0.doubt', null);
        $name(['from' => 'lab', 'lab' => [40, 12.5, -7]])->assertCreated()->assertJsonPath('0.colour.lab', [40, 12.5, -7]);
        // A pot as it dries: of a matt one that is the colour typed for it.
        $name(['from' => 'pot', 'paintId' => $pot->id])->assertCreated()->assertJsonPath('0.source', 'Kelp Brown')->assertJsonPath('0.colour.hex', '#5a4630');
        $this->sample($other, 'mid', '#808080');
        // L* of #808080 is 53.585 (IEC 61966-2-1, ISO 11664-4).
        $lighter = $name(['from' => 'area', 'areaId' => $other->id, 'shift' => 'lighter', 'amount' => 10])->assertCreated()->assertJsonPath('0.source', 'lighter by 10 than Belt, mid')->json('0.colour.lab.0');
        self::assertEqualsWithDelta(63.585, $lighter, 0.01);
        self::assertSame(1, $area->samples()->count());
        $warmer = $name(['from' => 'area', 'areaId' => $other->id, 'shift' => 'warmer', 'amount' => 6])->json('0.colour.lab');
        self::assertIsArray($warmer);
        self::assertEqualsWithDelta([53.585, 3.0, 5.196], $warmer, 0.02);
        foreach ([
            ['from' => 'hex', 'hex' => 'red'], ['from' => 'lab', 'lab' => [40, 12]], ['from' => 'lab', 'lab' => ['a', 1, 2]], ['from' => 'pot', 'paintId' => 999], ['from' => 'area', 'areaId' => $area->id, 'areaZone' => 'edge'],
            ['from' => 'hex', 'hex' => '#ff0000', 'shift' => 'more saturated', 'amount' => 60], ['from' => 'hex', 'hex' => '#808080', 'shift' => 'bluer', 'amount' => 3], ['from' => 'hex', 'hex' => '#808080', 'shift' => 'warmer'],
        ] as $wrong) {
            $name($wrong)->assertUnprocessable();
        }
        self::assertEqualsWithDelta(53.585, $area->samples()->sole()->lightness, 0.01);
        $this->get("/figures/{$figure->id}/finishes/{$area->id}")->assertOk();
        $this->get("/figures/{$figure->id}/references")->assertOk();
        $this->get("/figures/{$figure->id}/compare")->assertOk();
    }

    public function test_spots_and_lassos_take_the_colour_that_is_there(): void
    {
        $image = imagecreatetruecolor(100, 100);
        imagefilledrectangle($image, 0, 0, 49, 99, 0xD79A1E);
        imagefilledrectangle($image, 50, 0, 99, 99, 0x1D2B4A);
        ob_start();
        imagepng($image);
        $figure = $this->figure();
        $area = $this->area($figure);
        $this->upload('two.png', (string) ob_get_clean(), $figure->id)->assertCreated();
        $pictureId = Picture::query()->sole()->id;
        $sample = fn (string $method, array $points, string $zone): TestResponse => $this->postJson(
            "/figures/{$figure->id}/areas/{$area->id}/samples",
            ['pictureId' => $pictureId, 'zone' => $zone, 'method' => $method, 'points' => $points],
        );
        $sample('spot', [[0.25, 0.5], [0.1, 0]], 'mid')->assertCreated()->assertJsonPath('0.colour.hex', '#d79a1e');
        $sample('lasso', [[0.6, 0.1], [0.9, 0.1], [0.9, 0.9], [0.6, 0.9]], 'shade')->assertCreated()
            ->assertJsonPath('0.colour.hex', '#1d2b4a')
            ->assertJsonPath('0.doubt', null);
        // Over the border: it says that it holds very different colours.
        $sample('spot', [[0.5, 0.5], [0.2, 0]], 'light')->assertCreated()
            ->assertJsonPath('0.doubt', fn (?string $words): bool => str_contains((string) $words, 'more than one colour'));
        $sample('spot', [[1.8, 1.8], [0.01, 0]], 'edge')->assertUnprocessable();
        $sample('spot', [[0.25, 0.5]], 'edge')->assertUnprocessable();
        // Taken again, a zone has the new colour and only that.
        $sample('spot', [[0.75, 0.5], [0.1, 0]], 'mid')->assertCreated();
        self::assertSame(3, $area->samples()->count());
        $mid = $area->samples()->where('zone', 'mid')->sole();
        self::assertEqualsWithDelta(Srgb::hex('#1d2b4a')->toXyz()->toLab()->toArray(), $mid->lab()->toArray(), 1e-6);
        $this->deleteJson("/figures/{$figure->id}/areas/{$area->id}/samples/mid")->assertOk();
        self::assertSame(2, $area->samples()->count());
        $this->deleteJson("/figures/{$figure->id}/pictures/{$pictureId}")->assertOk();
        self::assertSame(0, $area->samples()->count());
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function upload(string $name, string $bytes, ?int $figureId = null): TestResponse
    {
        $figureId ??= $this->figure()->id;

        return $this->post(
            "/figures/{$figureId}/pictures",
            ['picture' => UploadedFile::fake()->createWithContent($name, $bytes)],
            ['Accept' => 'application/json'],
        );
    }
}
