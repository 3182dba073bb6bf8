<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Shelf\EstimatePaint;
use App\Devices\ColourReader;
use App\Devices\SimulatedColourReader;
use App\Models\Brief\Area;
use App\Models\Brief\Figure;
use App\Models\Light\MeshUpload;
use App\Models\Light\UploadState;
use App\Models\Painter;
use App\Models\References\Picture;
use App\Models\References\Sample;
use App\Models\Shelf\Paint;
use Hyalin\Colour\Srgb;
use Hyalin\Optics\Opacity;
use Hyalin\Optics\Sheen;
use Hyalin\Optics\TintingStrength;
use Hyalin\Pot\PotKind;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\LazilyRefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\SeededDemo;

abstract class TestCase extends LaravelTestCase
{
    use LazilyRefreshDatabase;

    protected Painter $painter;

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        Storage::fake('local');
        // Counts of tries outlive a test where they are kept in Redis.
        Cache::flush();
        // The stand-in reads with the same noise in every run: a test that fails, fails again.
        $this->app?->instance(ColourReader::class, new SimulatedColourReader(new Randomizer(new Mt19937(2026))));
        $this->painter = Painter::factory()->create()->refresh();
        $this->actingAs($this->painter);
    }

    /** The demo, and a painter beside its own. */
    protected function openDemo(): void
    {
        if (DB::connection()->getDriverName() !== 'sqlite') {
            $this->seed();

            return;
        }
        SeededDemo::open();
        $this->painter = Painter::factory()->create()->refresh();
        $this->actingAs($this->painter);
    }

    /** Another painter at the same browser: what the session knows of the last one's password is not theirs. */
    public function actingAs(Authenticatable $user, $guard = null): static
    {
        session()->forget('password_hash_web');

        return parent::actingAs($user, $guard);
    }

    protected function pot(string $name, string $hex, PotKind $kind = PotKind::Acrylic, ?Painter $owner = null): Paint
    {
        $paint = new Paint([
            'maker' => 'Osmerby Colour Works', 'name' => $name, 'kind' => $kind, 'sheen' => Sheen::Matt, 'thick_hex' => $hex,
            'opacity' => Opacity::TwoCoats, 'strength' => TintingStrength::Usual,
        ]);
        $optics = (new EstimatePaint)($paint);
        $paint->fill(['absorption' => $optics->k, 'scattering' => $optics->s, 'quality' => $optics->quality]);
        $paint->painter_id = ($owner ?? $this->painter)->id;
        $paint->save();

        return $paint;
    }

    /**
     * A print file through the door, in one piece; its answer is that of the file on its part.
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function printFile(Figure $figure, string $bytes, ?int $partId = null, string $name = 'part.stl'): TestResponse
    {
        $id = $this->postJson("/figures/{$figure->id}/mesh-uploads", ['name' => $name, 'bytes' => strlen($bytes), 'fingerprint' => uniqid()])->assertCreated()->json('id');
        self::assertIsInt($id);
        $server = ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'];
        $this->call('POST', "/figures/{$figure->id}/mesh-uploads/{$id}/pieces?at=0", server: $server, content: $bytes)->assertOk();
        $upload = MeshUpload::query()->findOrFail($id);
        if ($upload->state === UploadState::Known) {
            $this->postJson("/figures/{$figure->id}/mesh-uploads/{$id}/again")->assertOk();
        }
        self::assertSame(UploadState::Done, $upload->refresh()->state);

        return $this->patchJson("/figures/{$figure->id}/meshes/{$upload->mesh_id}", ['partId' => $partId])->assertOk();
    }

    protected function figure(?Painter $owner = null): Figure
    {
        $figure = new Figure(['name' => 'Reed sentry']);
        $figure->painter_id = ($owner ?? $this->painter)->id;
        $figure->save();

        return $figure;
    }

    protected function area(Figure $figure, string $name = 'Cloak'): Area
    {
        $area = new Area(['name' => $name, 'position' => $figure->areas()->count()]);
        $figure->areas()->save($area);

        return $area;
    }

    /** @return array<string, mixed> a layer as the browser sends it */
    protected function layer(Paint $pot, string $technique = 'base coat', int|float $drops = 1): array
    {
        return [
            'key' => strtoupper(substr(md5($technique.$pot->id), 0, 26)),
            'technique' => $technique,
            'zones' => ['recess', 'shade', 'mid', 'light', 'edge'],
            'thinner' => 0,
            'coats' => 2,
            'note' => null,
            'mix' => [['paintId' => $pot->id, 'drops' => $drops]],
        ];
    }

    /** A colour taken from a picture for one zone of an area. */
    protected function sample(Area $area, string $zone, string $hex): Sample
    {
        $picture = new Picture;
        $picture->forceFill(['figure_id' => $area->figure_id, 'title' => 'Reference', 'path' => 'none', 'width' => 100, 'height' => 100])->save();
        [$lightness, $a, $b] = Srgb::hex($hex)->toXyz()->toLab()->toArray();
        $sample = new Sample;
        $sample->forceFill([
            'area_id' => $area->id, 'picture_id' => $picture->id, 'zone' => $zone, 'method' => 'spot', 'outline' => [[0.5, 0.5]],
            'lightness' => $lightness, 'a' => $a, 'b' => $b, 'spread' => 0.0, 'pixels' => 9, 'clipped' => 0.0,
        ])->save();

        return $sample;
    }

    /** @return array{Figure, Picture} a figure with one area and a photo: ochre left, slate right, grey below, all too warm */
    protected function photographed(): array
    {
        $figure = $this->figure();
        $this->area($figure);
        $image = imagecreatetruecolor(200, 200);
        imagefilledrectangle($image, 0, 0, 99, 149, 0xA07840);
        imagefilledrectangle($image, 100, 0, 199, 149, 0x5A6068);
        imagefilledrectangle($image, 0, 150, 199, 199, 0x807660);
        ob_start();
        imagepng($image);
        $id = $this->post("/figures/{$figure->id}/pictures", [
            'picture' => UploadedFile::fake()->createWithContent('painted.png', (string) ob_get_clean()), 'kind' => 'photo of my painted piece',
        ], ['Accept' => 'application/json'])->assertCreated()->json('id');

        return [$figure, Picture::query()->where('id', $id)->sole()];
    }
}
