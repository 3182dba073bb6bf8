<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Account\DeleteAccount;
use App\Devices\SheetCamera;
use App\Devices\SheetScene;
use App\Devices\SimulatedPot;
use App\Devices\SimulatedSheetCamera;
use App\Jobs\ReadSheetPhoto;
use App\Models\Painter;
use App\Models\Shelf\ChipRecord;
use App\Models\Shelf\Paint;
use App\Models\Shelf\SheetPhoto;
use App\Models\Shelf\SwatchField;
use App\Models\Shelf\SwatchSheet;
use App\Models\Shelf\TechniqueHand;
use App\Models\Task;
use App\Models\TaskKind;
use App\Models\TaskState;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Illuminant;
use Hyalin\Colour\Lab;
use Hyalin\Colour\SpectralSum;
use Hyalin\Optics\OpticsQuality;
use Hyalin\Optics\PaintOptics;
use Hyalin\Optics\Surface;
use Hyalin\Sheet\SheetSearch;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Inertia\Testing\AssertableInertia;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\Support\ArtisanProcess;
use Tests\Support\SheetPhotos;

/**
 * A sheet from its making to pots that are measured by a photo of it; the photo is that of the simulated camera, and goes in as any
 * file of a phone does.
 */
final class SheetTest extends TestCase
{
    public function test_what_is_printed_is_where_the_reader_looks_for_it(): void
    {
        foreach (['a4' => [210.0, 297.0], 'letter' => [215.9, 279.4]] as $paper => [$width, $height]) {
            $sheet = $this->sheet($this->pots(14), $paper);
            $file = (string) tempnam(sys_get_temp_dir(), 'sheet');
            file_put_contents($file, $this->get("/sheets/{$sheet->id}/print.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent());
            (new Process(['pdftoppm', '-r', '150', '-png', '-singlefile', $file, $file]))->mustRun();
            $image = (string) file_get_contents("{$file}.png");
            [$photo, $small] = SheetPhotos::photos($image);
            $found = SheetSearch::in($photo, $small);
            self::assertSame($sheet->id, $found->number);
            self::assertCount(7, $found->marks);
            self::assertLessThan(0.1, $found->residual);
            // At its own size and in the middle of the paper.
            [$x, $y] = $found->map->at(0.0, 0.0);
            self::assertEqualsWithDelta(($width - 186) / 2 * 150 / 25.4, $x, 1.0);
            self::assertEqualsWithDelta(($height - 258) / 2 * 150 / 25.4, $y, 1.0);
            self::assertEqualsWithDelta(186 * 150 / 25.4, $found->map->at(186.0, 0.0)[0] - $x, 1.0);
            // The QR code, by a reader of Debian (ZBar), is the page of the sheet.
            $zbar = new Process(['zbarimg', '-q', '--raw', "{$file}.png"]);
            $zbar->mustRun();
            self::assertSame(route('sheets.show', ['sheet' => $sheet->id]), trim($zbar->getOutput()));
            $words = new Process(['pdftotext', '-layout', $file, '-']);
            $words->mustRun();
            self::assertStringContainsString('Pot 13', $words->getOutput());
            self::assertStringContainsString('1 drop in 5 of Chalk', $words->getOutput());
            array_map(unlink(...), [$file, "{$file}.png"]);
        }
    }

    public function test_a_photo_measures_the_pots_and_nothing_is_used_before_the_painter_says_so(): void
    {
        $pots = $this->pots(6);
        $sheet = $this->sheet($pots);
        $was = Paint::query()->get()->all();
        $before = Paint::query()->orderBy('id')->get()->map(static fn (Paint $p): string => json_encode($p->getAttributes(), JSON_THROW_ON_ERROR))->all();
        $photo = $this->photo($sheet, self::turned($this->jpeg($sheet, 1)));
        self::assertSame([TaskState::Done, null], [$photo->task?->state, $photo->task?->problem]);
        self::assertSame($before, Paint::query()->orderBy('id')->get()->map(static fn (Paint $p): string => json_encode($p->getAttributes(), JSON_THROW_ON_ERROR))->all());
        $this->get("/sheets/{$sheet->id}/photos/{$photo->id}/flat.jpg")->assertOk()->assertHeader('Content-Type', 'image/jpeg');
        $this->get("/sheets/{$sheet->id}")->assertOk()->assertInertia(fn (AssertableInertia $page) => $page->component('sheets/show')
            ->where('review.isChart', true)->where('review.marks', 7)->where('review.together', 1)->count('review.fields', 7)
            // The white is on the sheet, and is not tinted with itself.
            ->count('review.fields.0.places', 3)->count('review.fields.1.places', 4)->where('review.fields.1.problem', null));

        $this->postJson("/sheets/{$sheet->id}/photos/{$photo->id}/keep", ['positions' => [0, 1, 2]])->assertOk()->assertJsonPath('message', '3 fields are used now.');
        self::assertNotNull($photo->refresh()->kept_at);
        $measured = Paint::query()->where('quality', '!=', OpticsQuality::Estimated)->orderBy('id')->get();
        self::assertEqualsCanonicalizing([$sheet->white_id, $pots[0]->id, $pots[1]->id], $measured->modelKeys());
        foreach ($measured as $pot) {
            self::assertSame(2, $pot->version);
            self::assertSame('sheet', $pot->readings['source'] ?? null);
            self::assertLessThan(3.0, self::far($pot, array_values(array_filter($was, static fn (Paint $p): bool => $p->id === $pot->id))[0]), "{$pot->name} against what is in the pot");
        }
        // It comes along in the bench file, and home again.
        $this->get('/bench.zip')->assertOk();
    }

    public function test_photos_of_one_day_are_averaged_and_a_later_one_tells_what_has_changed(): void
    {
        $sheet = $this->sheet($this->pots(2));
        $first = $this->photo($sheet, $this->jpeg($sheet, 1));
        $second = $this->photo($sheet, $this->jpeg($sheet, 2));
        $this->get("/sheets/{$sheet->id}")->assertInertia(fn (AssertableInertia $page) => $page->where('review.photoId', $second->id)->where('review.together', 2)->where('review.fields.1.changed', null));
        $this->postJson("/sheets/{$sheet->id}/photos/{$second->id}/keep", ['positions' => [1]])->assertOk();
        $this->travel(40)->days();
        // The second pot has gone dark meanwhile; the third is as it was.
        $pot = $sheet->fields->firstOrFail(fn (SwatchField $f): bool => $f->position === 1)->paint;
        $pot->forceFill(['absorption' => array_map(static fn (float $k): float => 2.5 * $k, $pot->optics()->k)]);
        $later = $this->photo($sheet, $this->jpeg($sheet->setRelation('fields', $sheet->fields->each(fn (SwatchField $f): SwatchField => $f->position === 1 ? $f->setRelation('paint', $pot) : $f)), 3));
        $this->get("/sheets/{$sheet->id}?photo={$later->id}")->assertInertia(fn (AssertableInertia $page) => $page->where('review.together', 1)
            ->where('review.fields.1.changed', fn (mixed $v): bool => is_numeric($v) && $v > 3)->where('review.fields.2.changed', null));
        $this->deleteJson("/sheets/{$sheet->id}/photos/{$first->id}")->assertOk();
        self::assertSame([$second->id, $later->id], SheetPhoto::query()->orderBy('id')->pluck('id')->all());
        self::assertCount(4, Storage::disk('local')->files('pictures'));
    }

    public function test_strips_become_chips_of_ones_own_hand(): void
    {
        $pot = $this->pots(1)[0];
        $this->postJson('/sheets', ['paper' => 'a4', 'fields' => [['paintId' => $pot->id, 'technique' => 'dry brush']]])->assertCreated();
        $this->postJson('/sheets', ['paper' => 'a4', 'fields' => [['paintId' => $pot->id, 'technique' => 'edge highlight']]])->assertUnprocessable()->assertJsonValidationErrors('fields.0.technique');
        $this->postJson('/sheets', ['paper' => 'a4', 'fields' => array_map(static fn (int $n): array => ['paintId' => $pot->id, 'technique' => 'base coat', 'coats' => 1 + $n % 2], range(0, 3))])->assertCreated();
        $sheet = SwatchSheet::query()->with(['fields.paint', 'white'])->orderByDesc('id')->firstOrFail();
        $photo = $this->photo($sheet, $this->jpeg($sheet, 1));
        $this->postJson("/sheets/{$sheet->id}/photos/{$photo->id}/keep", ['positions' => [0, 1, 2, 3]])->assertOk();
        // Used again it is the same paint, and no more chips.
        $this->postJson("/sheets/{$sheet->id}/photos/{$photo->id}/keep", ['positions' => [0, 1, 2, 3]])->assertOk();
        self::assertSame(8, ChipRecord::query()->where('technique', 'base coat')->count());
        // The hand behind the camera paints a quarter thicker than is usual.
        $hand = TechniqueHand::query()->where('technique', 'base coat')->sole();
        self::assertEqualsWithDelta(1.25, $hand->thickness, 3 * $hand->thickness_deviation);
        self::assertSame(OpticsQuality::Estimated, $pot->refresh()->quality);
    }

    public function test_what_is_not_this_sheet_is_refused_with_the_reason_and_changes_nothing(): void
    {
        [$sheet, $other] = [$this->sheet($this->pots(2)), $this->sheet($this->pots(2, 'Other'))];
        $refused = function (string $bytes) use ($sheet): string {
            $photo = $this->photo($sheet, $bytes);
            self::assertSame(TaskState::Failed, $photo->task?->state);

            return (string) $photo->task->problem;
        };
        self::assertStringContainsString("This is sheet {$other->id}, not sheet {$sheet->id}: open that one", $refused($this->jpeg($other, 1)));
        $stranger = $this->sheet([$this->pot('Theirs', '#334455')]);
        $stranger->forceFill(['painter_id' => Painter::factory()->create()->id])->save();
        self::assertStringContainsString('it is not one of your sheets', $refused($this->jpeg($stranger, 1)));
        $blank = imagecreatetruecolor(400, 300);
        ob_start();
        imagejpeg($blank);
        self::assertStringContainsString('No swatch sheet is in this picture', $refused((string) ob_get_clean()));
        $this->post("/sheets/{$sheet->id}/photos", ['photo' => UploadedFile::fake()->createWithContent('x.jpg', 'no picture')], ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonValidationErrors('photo');
        $this->postJson("/sheets/{$sheet->id}/photos", ['photo' => ['list']])->assertUnprocessable();
        self::assertSame(0, Paint::query()->where('quality', '!=', OpticsQuality::Estimated)->count());
        $photo = $sheet->photos()->firstOrFail();
        $this->postJson("/sheets/{$sheet->id}/photos/{$photo->id}/keep", ['positions' => [0]])->assertUnprocessable()->assertJsonValidationErrors('positions');
        foreach ([['paper' => 'a5', 'fields' => [['paintId' => 1]]], ['paper' => 'a4', 'fields' => []], ['paper' => 'a4', 'fields' => array_fill(0, 25, ['paintId' => 1])], ['paper' => 'a4', 'fields' => [['paintId' => $this->pot('Not mine', '#123456', owner: Painter::factory()->create())->id]]]] as $wrong) {
            $this->postJson('/sheets', $wrong)->assertUnprocessable();
        }
        // Photos of another sheet are not under this one.
        $this->getJson("/sheets/{$other->id}/photos/{$photo->id}/flat.jpg")->assertNotFound();
        $this->delete("/sheets/{$sheet->id}")->assertRedirect('/sheets');
        app(DeleteAccount::class)($this->painter);
        self::assertSame([], Storage::disk('local')->files('pictures'));
    }

    public function test_a_photo_that_ends_its_worker_is_told_and_the_camera_before_the_sheet_takes_one(): void
    {
        $sheet = $this->sheet($this->pots(1));
        $this->app?->instance(SheetCamera::class, new class($this->jpeg($sheet, 5)) implements SheetCamera
        {
            public function __construct(private readonly string $jpeg)
            {
            }

            public function sheet(SwatchSheet $sheet, int $shot): string
            {
                return $this->jpeg;
            }
        });
        $this->postJson("/sheets/{$sheet->id}/photos/simulated")->assertAccepted();
        self::assertNotNull($sheet->photos()->sole()->result);
        $task = Task::ask(TaskKind::Sheet, $this->painter->id);
        $sheet->photos()->create(['path' => 'pictures/gone.jpg', 'task_id' => $task->id]);
        (new ReadSheetPhoto($task))->failed(null);
        $this->getJson("/tasks/{$task->id}")->assertJsonPath('state', 'failed');
        self::assertStringContainsString('nothing was changed', (string) $task->refresh()->problem);
    }

    /** hyalin:sheet reads what the page reads, or says why nothing is found. */
    #[Group('sculpted')]
    public function test_the_command_line_reads_a_photo_by_the_layout_that_was_printed(): void
    {
        $pots = $this->pots(2);
        $sheet = $this->sheet($pots);
        $jpeg = $this->jpeg($sheet, 3);
        $read = $this->photo($sheet, $jpeg)->result['fields'] ?? [];
        $folder = sys_get_temp_dir().'/hyalin-sheet-'.uniqid();
        mkdir($folder);
        $layout = (string) $this->get("/sheets/{$sheet->id}/layout.json")->assertOk()->getContent();
        foreach (['photo.jpg' => $jpeg, 'layout.json' => $layout, 'other.json' => str_replace("\"sheet\":{$sheet->id}", '"sheet":4711', $layout), 'bad.json' => str_replace('"tint"', '"tinge"', $layout), 'many.json' => '{"fields":['.implode(',', array_fill(0, 25, '{"pot":1}')).']}', 'bare.png' => $this->png()] as $name => $bytes) {
            file_put_contents("{$folder}/{$name}", $bytes);
        }
        $run = static function (string $photo, string $of, string ...$with) use ($folder): array {
            [$code, $out, $error] = ArtisanProcess::run(['hyalin:sheet', "{$folder}/{$photo}", "--layout={$folder}/{$of}", ...array_values($with)]);

            return [$code, $code === 0 ? $out : $error];
        };
        [$code, $out] = $run('photo.jpg', 'layout.json', '--chart');
        $answer = json_decode($out, true);
        self::assertIsArray($answer);
        self::assertSame([0, true], [$code, $answer['found']]);
        self::assertIsArray($answer['fields']);
        // White paint on paper may be none.
        self::assertSame([['Thick: not painted, or of the colour of the print.']], array_values(array_filter(array_column($answer['fields'], 'remarks'))));
        $wanted = [];
        foreach (is_array($read) ? $read : [] as $position => $places) {
            foreach (is_array($places) ? $places : [] as $place => $p) {
                self::assertIsArray($p);
                $wanted[] = ['pot' => [$sheet->white_id, ...array_column($pots, 'id')][$position], 'swatch' => $place, 'lab' => $p['lab'], 'deviation' => $p['radius'], 'usedShare' => $p['taken']];
            }
        }
        self::assertCount(3 + 4 + 4, $wanted);
        self::assertEqualsWithDelta($wanted, array_map(static fn (mixed $field): array => array_diff_key((array) $field, ['remarks' => 0]), $answer['fields']), 1e-9);
        foreach ([
            ['photo.jpg', 'other.json', 0, '{"found":false,"why":"this is sheet', 'the layout is that of sheet 4711'], ['bare.png', 'layout.json', 0, '{"found":false,"why":"', 'no swatch sheet is in this picture'],
            ['layout.json', 'layout.json', 2, '"where":"PHOTO"', 'not a JPEG'], ['photo.jpg', 'bad.json', 2, '"where":"field 2, places"', 'known are overBlack'], ['photo.jpg', 'many.json', 2, '"where":"fields"', 'a sheet has 1 to 24 fields'], ['photo.jpg', 'none.json', 2, '"where":"--layout"', 'cannot be read'],
        ] as [$photo, $of, $ends, $says, $why]) {
            [$code, $out] = $run($photo, $of);
            self::assertSame($ends, $code);
            self::assertStringContainsString($says, $out);
            self::assertStringContainsString($why, $out);
        }
        (new Process(['rm', '-r', $folder]))->mustRun();
    }

    private function png(): string
    {
        ob_start();
        imagepng(imagecreatetruecolor(640, 480));

        return (string) ob_get_clean();
    }

    /** @return list<Paint> */
    private function pots(int $count, string $name = 'Pot'): array
    {
        $hexes = ['#b03a2e', '#2e5fb0', '#4f7a3a', '#d9a441', '#7a4f8c', '#8c5a3a', '#c9b79a', '#334d4d'];

        return array_map(fn (int $n): Paint => $this->pot("{$name} {$n}", $hexes[$n % 8]), range(0, $count - 1));
    }

    /** @param  list<Paint>  $pots */
    private function sheet(array $pots, string $paper = 'a4'): SwatchSheet
    {
        $white = $this->painter->paints()->where('name', 'Chalk')->first() ?? $this->pot('Chalk', '#f4f4f0');
        $this->postJson('/sheets', ['paper' => $paper, 'whiteId' => $white->id, 'fields' => array_map(static fn (Paint $p): array => ['paintId' => $p->id], [$white, ...$pots])])->assertCreated();

        return SwatchSheet::query()->with(['fields.paint', 'white'])->orderByDesc('id')->firstOrFail();
    }

    private function jpeg(SwatchSheet $sheet, int $shot): string
    {
        return (new SimulatedSheetCamera)->photo($sheet, new SheetScene(1600, 1200, turn: 0.4 * $shot, blur: 0.7, card: 'chart', seed: $shot));
    }

    private function photo(SwatchSheet $sheet, string $bytes): SheetPhoto
    {
        $this->post("/sheets/{$sheet->id}/photos", ['photo' => UploadedFile::fake()->createWithContent('IMG_0001.jpg', $bytes)], ['Accept' => 'application/json'])->assertAccepted();

        return $sheet->photos()->reorder('id', 'desc')->firstOrFail();
    }

    /** As a phone held upright writes it: lying down, with the turn in its EXIF (orientation 6), a film behind it. */
    private static function turned(string $jpeg): string
    {
        $image = imagecreatefromstring($jpeg);
        self::assertNotFalse($image);
        $lying = imagerotate($image, 90, 0);
        self::assertNotFalse($lying);
        ob_start();
        imagejpeg($lying, null, 92);
        $bytes = (string) ob_get_clean();
        $exif = "Exif\0\0II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0\x06\0\0\0\0\0\0\0";

        return substr($bytes, 0, 2)."\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($bytes, 2).str_repeat("\0\0\0\x18ftypmp42", 500);
    }

    /** @return float CIEDE2000 between the thick colour that is held and what was in the pot when the photo was taken */
    private static function far(Paint $pot, Paint $before): float
    {
        $lab = static fn (PaintOptics $o): Lab => SpectralSum::under(Illuminant::D65)->xyz(Surface::of($pot->sheen)->seen($o->masstone()))->toLab();

        return DifferenceFormula::Ciede2000->between($lab(SimulatedPot::optics($before)), $lab($pot->optics()));
    }
}
