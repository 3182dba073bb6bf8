<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\Shelf\ShelfFormat;
use App\Adapters\Shelf\ShelfFormats;
use App\Models\Painter;
use App\Models\Shelf\Paint;
use App\Models\Task;
use App\Models\TaskState;
use Hyalin\Formats\Cgats;
use Hyalin\Formats\GimpPalette;
use Hyalin\Optics\OpticsQuality;
use Illuminate\Http\UploadedFile;
use Inertia\Testing\AssertableInertia;

final class ShelfFileTest extends TestCase
{
    private const CSV = "name,maker,colour,opacity,level\r\nLamp Ochre,Osmerby Colour Works,#d79a1e,2,70\r\nPeat,Osmerby Colour Works,#33251b,,\r\n";

    public function test_a_file_says_what_it_will_do_before_it_does(): void
    {
        $this->pot('Peat', '#33251b');
        Paint::query()->update(['maker' => 'OSMERBY colour works']);
        $this->postJson('/shelf/imports/preview', ['file' => $this->file(self::CSV)])
            ->assertOk()
            ->assertJson(['format' => 'CSV', 'new' => 1, 'known' => 1, 'faults' => [], 'shown' => [['name' => 'Lamp Ochre', 'kind' => 'acrylic', 'hex' => '#d79a1e']]]);
        self::assertSame(1, $this->painter->paints()->count());
        $id = $this->postJson('/shelf/imports', ['file' => $this->file(self::CSV)])->assertAccepted()->json('id');
        self::assertIsInt($id);
        $this->getJson("/shelf/imports/{$id}")->assertOk()->assertJson(['task' => ['state' => 'done', 'progress' => 1], 'pots' => 1, 'isUndone' => false]);
        $pot = Paint::query()->where('name', 'Lamp Ochre')->sole();
        self::assertSame([70, '2', 'estimated'], [$pot->level_percent, $pot->opacity->value, $pot->quality->value]);
        // And undoes it.
        $this->deleteJson("/shelf/imports/{$id}")->assertOk()->assertJson(['isUndone' => true]);
        self::assertSame(['Peat'], $this->painter->paints()->pluck('name')->all());
    }

    public function test_all_faults_are_told_with_line_and_column_and_nothing_is_taken_in(): void
    {
        $text = "maker,name,colour,kind,level\nA,One,#123456,acrylic,20\nA,,blue,acrylik,20\nA,Two,#123457,wash,101\nA,one,#000000,wash,0\n";
        $faults = $this->postJson('/shelf/imports/preview', ['file' => $this->file($text)])->assertOk()->json('faults');
        self::assertIsArray($faults);
        self::assertSame(
            [[3, 2], [3, 3], [3, 4], [4, 5], [5, 1]],
            array_map(static fn (mixed $f): array => is_array($f) ? [$f['line'], $f['column']] : [], $faults),
        );
        $this->postJson('/shelf/imports', ['file' => $this->file($text)])
            ->assertUnprocessable()
            ->assertJsonPath('errors.file.0', 'Line 3, column 2: The name is missing.');
        $this->postJson('/shelf/imports/preview', ['file' => $this->file("maker,name,glitter\n")])
            ->assertJsonPath('faults.1.message', 'The column "glitter" is not known; known are '.implode(', ', \App\Adapters\Shelf\TableFormat::columns()).'.')
            ->assertJsonPath('faults.0.message', 'The column "colour" is missing.');
        $this->postJson('/shelf/imports', ['file' => $this->file("\x89PNG\0\0")])->assertUnprocessable();
        $this->postJson('/shelf/imports', [])->assertUnprocessable();
        self::assertSame(0, $this->painter->paints()->count());
    }

    public function test_the_whole_shelf_goes_out_and_comes_back_the_same(): void
    {
        foreach (['Gull' => '#e4e3da', 'Reed "Green", dark' => '#3f5a35', 'Peat' => '#33251b'] as $name => $hex) {
            $this->pot($name, $hex);
        }
        Paint::query()->where('name', 'Peat')->sole()->update(['quality' => OpticsQuality::Measured, 'note' => "two\nlines"]);
        $fields = ['maker', 'name', 'kind', 'sheen', 'thick_hex', 'opacity', 'strength', 'level_percent', 'note', 'quality', 'absorption', 'scattering'];
        $before = $this->painter->paints()->get()->map->only($fields)->all();
        $csv = $this->get('/shelf/file.csv')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8')->getContent();
        Paint::query()->forceDelete();
        $this->postJson('/shelf/imports', ['file' => $this->file((string) $csv)])->assertAccepted();
        self::assertEquals($before, $this->painter->paints()->get()->map->only($fields)->all());
    }

    public function test_palettes_and_spectra_are_read_by_their_own_readers(): void
    {
        $pot = $this->pot('Gull', '#e4e3da');
        $palette = GimpPalette::read((string) $this->get('/shelf/file.gpl')->assertOk()->getContent());
        self::assertSame([[5, '#e4e3da', "{$pot->maker} Gull"]], $palette->colours);
        $spectra = Cgats::read((string) $this->get('/shelf/file.cgats')->assertOk()->getContent())->spectra();
        self::assertCount(3, $spectra);
        self::assertSame("{$pot->maker} Gull thick", $spectra[0][1]);
        self::assertEqualsWithDelta($pot->optics()->masstone()->values, $spectra[0][2]->values, 1e-6);
        $this->get('/shelf/file.exe')->assertNotFound();
        // Whatever is read can be written, and the page offers it.
        $offered = array_map(static fn (ShelfFormat $format): string => $format->ending(), array_reverse(ShelfFormats::all()));
        foreach ($offered as $n => $ending) {
            $this->get("/shelf/file.{$ending}")->assertOk();
            $this->get('/shelf')->assertInertia(fn (AssertableInertia $page) => $page->count('page.formats', count($offered))->where("page.formats.{$n}.ending", $ending));
        }
        $text = "GIMP Palette\nName: Storm\n#\n 12  34  56\tDeep\n";
        $this->postJson('/shelf/imports', ['file' => $this->file($text)])->assertAccepted();
        self::assertSame('#0c2238', Paint::query()->where('maker', 'Storm')->where('name', 'Deep')->sole()->thick_hex);
    }

    public function test_five_thousand_pots_come_in_with_progress_or_not_at_all(): void
    {
        $text = "maker,name,colour\n";
        for ($i = 0; $i < 5000; $i++) {
            $text .= sprintf("Storm,Pot %d,#%06x\n", $i, ($i * 2_654_435_761) % 0xFFFFFF);
        }
        $id = $this->postJson('/shelf/imports', ['file' => $this->file($text)])->assertAccepted()->json('id');
        self::assertIsInt($id);
        self::assertSame(5000, $this->painter->paints()->count());
        // Another painter sees nothing of it.
        $this->actingAs(Painter::factory()->create())->getJson("/shelf/imports/{$id}")->assertNotFound();
        self::assertSame(TaskState::Done, Task::query()->sole()->state);
    }

    private function file(string $text): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('shelf.csv', $text);
    }
}
