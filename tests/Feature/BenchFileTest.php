<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\BenchWriter;
use App\Adapters\BenchFile\Catalogue;
use App\Adapters\BenchFile\Schema;
use App\Adapters\BenchFile\UnreadableBench;
use App\Adapters\Light\StoredStudy;
use App\Console\SchemaCommand;
use App\Models\Brief\Figure;
use App\Models\Order\OwnStep;
use App\Models\Painter;
use App\Models\References\Picture;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Pot\Chemistry;
use Hyalin\Pot\PotKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use stdClass;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Process\Process;
use Tests\Support\Shapes;
use ZipArchive;

/**
 * The open file of a bench: what goes out comes in again as it was; what is not one is refused and leaves nothing behind.
 */
final class BenchFileTest extends TestCase
{
    public function test_the_published_schema_is_the_one_the_importer_judges_by(): void
    {
        self::assertStringEqualsFile(SchemaCommand::path(), Schema::json(), 'Run php artisan hyalin:schema and look at what changed.');
    }

    /** The schema and a file are judged by another validator: python3-jsonschema of Debian. */
    public function test_an_independent_validator_agrees(): void
    {
        $this->bench();
        $check = new Process(['/usr/bin/python3', '-c', 'import sys,json,jsonschema
schema=json.load(open(sys.argv[1])); jsonschema.Draft7Validator.check_schema(schema)
print(len(list(jsonschema.Draft7Validator(schema).iter_errors(json.load(sys.stdin)))))', SchemaCommand::path()]);
        $check->setInput(self::document($this->written($this->painter)))->mustRun();
        self::assertSame('0', trim($check->getOutput()));
        $check->setInput(str_replace('"technique":"wash"', '"technique":"rain"', self::document($this->written($this->painter))))->mustRun();
        self::assertGreaterThan(0, (int) $check->getOutput());
    }

    public function test_a_bench_comes_back_field_by_field(): void
    {
        $this->bench();
        $first = $this->written($this->painter);
        $other = Painter::factory()->create()->refresh();
        $this->actingAs($other);
        $this->send($first)->assertCreated()->assertJsonPath('result.message', 'Imported: 1 figure, 4 pots, 5 layers, 2 runs, 1 picture.');
        $second = $this->written($other);
        // Records are numbered within a file: alike in every field means alike in every letter.
        self::assertSame(self::document($first), self::document($second));
        self::assertSame(self::pixels($first), self::pixels($second));
        foreach (['meshes/1.stl', 'meshes/1.areas.json', 'stills/1.png'] as $name) {
            self::assertSame(self::entry($first, $name), self::entry($second, $name));
        }
        $taken = $other->figures()->firstOrFail();
        // The painter's areas are on it, under the numbers they have here; its light waits to be computed.
        $areas = $taken->areas()->pluck('id')->all();
        self::assertSame([[$areas[1]], [$areas[0], 0, null], [null]], array_values(array_unique(StoredStudy::chosenOf($taken->meshes()->sole()->path), SORT_REGULAR)));
        $this->getJson("/figures/{$taken->id}/light/shown")->assertOk()->assertJsonPath('lighting', null)->assertJsonPath('front', 'x')->assertJsonPath('sprays.1.side', 30)->assertJsonPath('dataUrl', null);
        $this->get("/figures/{$taken->id}/order")->assertOk();
        $this->get('/runs/'.$taken->runs()->firstOrFail()->id)->assertOk();
        // What the other painter has is untouched by a third import of the same.
        $this->send($second)->assertAccepted()->assertJsonPath('state', 'asks');
        self::assertSame(1, $other->figures()->count());
        $this->send($second, ['both' => 1])->assertCreated();
        self::assertSame(['Reed sentry', 'Reed sentry (2)'], $other->figures()->pluck('name')->all());
        // Pots that are alike in every number are not there twice, but for the one off the shelf.
        self::assertSame(3, $other->paints()->count());
    }

    public function test_a_bench_of_the_first_version_is_read_with_all_it_says(): void
    {
        $this->bench();
        $path = (string) tempnam(sys_get_temp_dir(), 'first');
        file_put_contents($path, $this->written($this->painter));
        $zip = new ZipArchive;
        $zip->open($path);
        $document = json_decode((string) $zip->getFromName('bench.json'));
        assert($document instanceof stdClass && $document->records instanceof stdClass);
        /** @var list<object{name: string}> $paints */
        $paints = $document->records->paints;
        $document->version = 1;
        // As the first version wrote them: what is stated of a pot in one object, the chemistry in the painter's own words.
        $said = [
            'Reed Green' => ['chemistry' => 'nitro lacquer', 'dryingMinutes' => 480, 'density' => 1.1, 'sizeMl' => 17, 'price' => 4.5, 'pressurePsi' => 20, 'thinner' => 1.5, 'cleaner' => 'acetone'],
            'Chalk White' => ['chemistry' => 'beeswax'],
        ];
        foreach ($paints as $n => $paint) {
            $fields = array_diff_key(
                (array) $paint,
                array_flip(['chemistry', 'density', 'sizeMl', 'price', 'dryingMinutes', 'curingMinutes', 'pressurePsi', 'thinner', 'thinnedWith', 'cleaner', 'dropMl', 'isMixed']),
            );
            $paints[$n] = (object) [...$fields, ...(isset($said[$paint->name]) ? ['facts' => (object) $said[$paint->name]] : [])];
        }
        $document->records->paints = $paints;
        // Areas had no form then, and steps no usual minutes.
        assert(is_array($document->records->techniqueHands) && is_array($document->records->areas));
        foreach ($document->records->techniqueHands as $hand) {
            assert($hand instanceof stdClass);
            unset($hand->scatter);
        }
        foreach ($document->records->areas as $area) {
            assert($area instanceof stdClass);
            unset($area->form, $area->isLeftBare);
        }
        unset($document->records->ownSteps, $document->records->timers, $document->records->schedules);
        assert($document->painter instanceof stdClass);
        unset($document->painter->exceptions, $document->painter->timeZone, $document->painter->dryingAid);
        assert(is_array($document->records->joints));
        foreach ($document->records->joints as $joint) {
            assert($joint instanceof stdClass);
            unset($joint->isLast);
        }
        assert(is_array($document->records->lightStudies));
        foreach ($document->records->lightStudies as $light) {
            assert($light instanceof stdClass);
            unset($light->edges, $light->grooves);
        }
        assert(is_array($document->records->runSteps));
        foreach ($document->records->runSteps as $step) {
            assert($step instanceof stdClass);
            unset($step->usualMinutes, $step->wentOnWet, $step->aidedMinutes, $step->areaNames);
        }
        $zip->addFromString('bench.json', (string) json_encode($document, JSON_PRESERVE_ZERO_FRACTION));
        $zip->close();
        $other = Painter::factory()->create()->refresh();
        $this->actingAs($other);
        $this->send((string) file_get_contents($path))->assertCreated();
        unlink($path);
        $green = $other->paints()->where('name', 'Reed Green')->sole();
        self::assertEquals(
            [Chemistry::Lacquer, 480, 1.1, 17.0, 4.5, 20.0, 1.5, 'acetone'],
            [$green->chemistry, $green->drying_minutes, $green->density, $green->size_ml, $green->price, $green->pressure_psi, $green->thinner, $green->cleaner],
        );
        // Nothing is lost: words that name no chemistry any more are in the note.
        $white = $other->paints()->where('name', 'Chalk White')->sole();
        self::assertSame(null, $white->chemistry);
        self::assertStringContainsString('beeswax', (string) $white->note);
        $figure = $other->figures()->sole();
        self::assertCount(1, $figure->joints()->sole()->hiddenAreas);
        $this->get("/figures/{$figure->id}/order")->assertOk();
    }

    public function test_one_figure_goes_out_with_the_pots_it_uses(): void
    {
        $figure = $this->bench();
        $this->pot('Not used', '#123456');
        $path = (string) tempnam(sys_get_temp_dir(), 'one');
        BenchWriter::write($path, $this->painter, $figure);
        /** @var array{records: array<string, list<array<string, mixed>>>} $document */
        $document = json_decode(self::document((string) file_get_contents($path)), true);
        unlink($path);
        self::assertNotContains('Not used', array_column($document['records']['paints'], 'name'));
        self::assertContains('Reed Green', array_column($document['records']['paints'], 'name'));
        $this->get("/figures/{$figure->id}/figure.zip")->assertOk()->assertDownload('reed-sentry.hyalin.zip');
        // Own steps are named by keys of their figure: it comes in beside itself, and with another painter.
        $this->postJson("/figures/{$figure->id}/own-steps", ['words' => 'Grout the base', 'minutes' => 20])->assertCreated();
        BenchWriter::write($path, $this->painter, $figure->refresh());
        $alone = (string) file_get_contents($path);
        unlink($path);
        $this->send($alone, ['both' => 1])->assertCreated();
        self::assertSame(2, OwnStep::query()->where('words', 'Grout the base')->count());
        $this->get('/figures/'.$this->painter->figures()->orderByDesc('id')->firstOrFail()->id.'/order')->assertOk();
        $mine = $this->painter;
        $this->actingAs(Painter::factory()->create()->refresh());
        $this->send($alone)->assertCreated();
        self::assertSame(3, OwnStep::query()->where('words', 'Grout the base')->count());
        $this->actingAs($mine);
        $this->get('/bench.zip')->assertOk()->assertDownload('bench.hyalin.zip');
    }

    /** @param  callable(ZipArchive, string): mixed  $spoil */
    #[DataProvider('spoilt')]
    public function test_a_file_that_is_none_says_why_and_leaves_nothing_behind(callable $spoil, string $words): void
    {
        $this->bench();
        $path = (string) tempnam(sys_get_temp_dir(), 'bad');
        file_put_contents($path, $this->written($this->painter));
        $zip = new ZipArchive;
        $zip->open($path);
        $spoil($zip, (string) $zip->getFromName('bench.json'));
        $zip->close();
        $other = Painter::factory()->create()->refresh();
        $this->actingAs($other);
        $files = count(Storage::disk('local')->allFiles());
        $answer = $this->send((string) file_get_contents($path))->assertUnprocessable();
        unlink($path);
        $said = $answer->json('errors.bench.0');
        self::assertIsString($said);
        self::assertStringContainsString($words, $said);
        self::assertStringEndsWith('Nothing was added.', $said);
        self::assertSame([0, 0], [$other->figures()->count(), $other->paints()->count()]);
        self::assertCount($files, Storage::disk('local')->allFiles());
    }

    /** @return iterable<string, array{callable(ZipArchive, string): mixed, string}> */
    public static function spoilt(): iterable
    {
        $with = static fn (string $pattern, string $to): callable => static function (ZipArchive $zip, string $json) use ($pattern, $to): void {
            $zip->addFromString('bench.json', (string) preg_replace($pattern, $to, $json, 1));
        };
        yield 'a layer without paint' => [$with('/("layerPaints":\[\s*\{"id":1,"layer":)\d+/', '${1}9999'), 'it has no paint: a layer needs at least one'];
        yield 'no layer with paint' => [$with('/"layerPaints":\[.*?\]/s', '"layerPaints":[]'), 'bench.json, layers 1: it has no paint'];
        yield 'a number that no computer can hold' => [$with('/"drops":\d+/', '"drops":1e999'), 'bench.json, /records/layerPaints/0/drops: this number is too large to be kept'];
        yield 'no document' => [static fn (ZipArchive $zip) => $zip->deleteName('bench.json'), 'no bench.json'];
        yield 'a folder around it' => [static fn (ZipArchive $zip) => $zip->addFromString('bench/bench.json', '{}'), '"bench/bench.json"'];
        yield 'a way out of the folder' => [static fn (ZipArchive $zip) => $zip->addFromString('pictures/../../x.png', 'x'), 'only bench.json'];
        yield 'cut off' => [static fn (ZipArchive $zip, string $json) => $zip->addFromString('bench.json', substr($json, 0, 900)), 'is not JSON'];
        yield 'something else' => [static fn (ZipArchive $zip) => $zip->addFromString('bench.json', '{"format":"table","version":1,"records":{}}'), 'does not say that it is a Hyalin bench'];
        yield 'from a newer version' => [$with('/"version":2/', '"version":7'), 'newer Hyalin (format version 7'];
        yield 'an unknown technique' => [$with('/"technique":"wash"/', '"technique":"rain"'), '/records/layers/'];
        yield 'a wrong unit: thinner in percent' => [$with('/"thinner":0\.0/', '"thinner":250.0'), '/thinner'];
        yield 'a field nobody knows' => [$with('/"isBase":/', '"isRound":true,"isBase":'), 'bench.json, /records/parts/'];
        yield 'a spectrum of 35 bands' => [$with('/"absorption":\[[^,]+,/', '"absorption":['), '/absorption'];
        yield 'a reference to nowhere' => [$with('/"area":1,"key"/', '"area":99,"key"'), 'points to number 99 of areas'];
        yield 'two records of one number' => [$with('/(\{"id":)2(,"figure":1,"part")/', '${1}1${2}'), 'contradicts another record'];
        yield 'two layers of one key' => [
            static fn (ZipArchive $zip, string $json) => $zip->addFromString(
                'bench.json',
                (string) preg_replace_callback('/"area":1,"key":"[0-9A-Z]{26}"/', static fn (): string => '"area":1,"key":"'.str_repeat('A', 26).'"', $json),
            ),
            'contradicts another record',
        ];
        yield 'a picture that is missing' => [static fn (ZipArchive $zip) => $zip->deleteName('pictures/1.png'), 'pictures/1.png is named'];
        yield 'a picture that is none' => [static fn (ZipArchive $zip) => $zip->addFromString('pictures/1.png', 'no picture'), 'pictures/1.png: '];
        yield 'a print file that is missing' => [static fn (ZipArchive $zip) => $zip->deleteName('meshes/1.stl'), 'meshes/1.stl is named'];
        yield 'a print file that is none' => [static fn (ZipArchive $zip) => $zip->addFromString('meshes/1.stl', 'no mesh'), 'meshes/1.stl: '];
        yield 'another print file' => [static fn (ZipArchive $zip) => $zip->addFromString('meshes/1.stl', StlWriter::write(Shapes::ball(10.0, 5))), 'number of triangles differs'];
        yield 'areas of more triangles than there are' => [static fn (ZipArchive $zip) => $zip->addFromString('meshes/1.areas.json', '[[121,[1]]]'), 'meshes/1.areas.json does not hold'];
        yield 'areas in words' => [static fn (ZipArchive $zip) => $zip->addFromString('meshes/1.areas.json', '[[1,["cloak"]]]'), 'meshes/1.areas.json does not hold'];
        yield 'no areas at all' => [static fn (ZipArchive $zip) => $zip->addFromString('meshes/1.areas.json', '7'), 'meshes/1.areas.json does not hold'];
        yield 'a spray from nowhere' => [$with('/"side":30(\.0)?/', '"side":300'), '/records/lightStudies/'];
        yield 'a bomb' => [static fn (ZipArchive $zip) => $zip->addFromString('bench.json', '{"format":"'.str_repeat(' ', 70_000_000).'"}'), 'larger than 48 MB'];
    }

    public function test_no_zip_at_all_is_refused(): void
    {
        $this->send('no zip')->assertUnprocessable()->assertJsonPath('errors.bench.0', 'This is not a zip file, or it is damaged. Nothing was added.');
        $this->postJson('/bench')->assertUnprocessable();
    }

    /** As an earlier version took some in: every page stands, and what is sent on is taken in. */
    public function test_a_layer_without_paint_paints_nothing(): void
    {
        $figure = $this->bench();
        $hand = $figure->areas()->where('name', 'Skin')->sole();
        DB::table('layer_paints')->whereIn('layer_id', DB::table('layers')->where('area_id', $hand->id)->select('id'))->delete();
        foreach (['/', '/recipes', "/figures/{$figure->id}/finishes", "/figures/{$figure->id}/finishes/{$hand->id}", "/figures/{$figure->id}/order", "/figures/{$figure->id}/card", "/figures/{$figure->id}/quantities", "/figures/{$figure->id}/compare", '/schedule'] as $page) {
            $this->get($page)->assertOk();
        }
        $this->getJson("/figures/{$figure->id}/areas/{$hand->id}/layers")->assertOk()->assertExactJson([]);
        $file = $this->written($this->painter);
        $this->actingAs($other = Painter::factory()->create()->refresh());
        $this->send($file)->assertCreated();
        self::assertSame(['Cloak' => 3, 'Skin' => 0], $other->figures()->firstOrFail()->areas()->withCount('layers')->pluck('layers_count', 'name')->all());
    }

    /** A file of the version before holds varnish as if it were white paint: what was estimated is estimated again. */
    public function test_clear_pots_of_an_earlier_file_come_in_clear_and_measured_ones_as_they_were_read(): void
    {
        $this->bench();
        $this->pot('Flat Coat', '#f5f5f2', PotKind::Varnish);
        $read = $this->pot('Read Coat', '#f5f5f2', PotKind::Varnish);
        $whitish = ['absorption' => json_encode(array_fill(0, 36, 0.01)), 'scattering' => json_encode(array_fill(0, 36, 0.46))];
        DB::table('paints')->where('kind', 'varnish')->update($whitish);
        DB::table('paints')->where('id', $read->id)->update(['quality' => 'measured']);
        $file = $this->written($this->painter);
        $this->actingAs($other = Painter::factory()->create()->refresh());
        $this->send($file)->assertCreated();
        $scattering = static fn (string $name): array => array_values(array_unique($other->paints()->where('name', $name)->sole()->scattering));
        self::assertSame([0.0], $scattering('Flat Coat'));
        self::assertSame([0.46], $scattering('Read Coat'));
        // The same file again finds the same pots, and doubles none.
        $pots = $other->paints()->count();
        $this->send($file, ['twice' => true]);
        self::assertSame($pots, $other->paints()->count());
    }

    /** Everything the file can hold, at least once. */
    /** At every declared limit a file comes in and all its pages are there; one step beyond it is refused by name, with nothing of it kept. */
    public function test_every_declared_limit_is_kept(): void
    {
        $this->bench();
        $bytes = $this->written($this->painter);
        $there = json_decode(self::document($bytes), true);
        assert(is_array($there) && is_array($there['records']));
        $fields = [];
        foreach (Catalogue::all() as $type) {
            foreach ($type->fields as $field) {
                if ($field->limit !== null && ($there['records'][Str::camel($type->table)] ?? []) !== []) {
                    $fields[] = [Str::camel($type->table), $field->name(), $field->limit];
                }
            }
        }
        self::assertGreaterThan(20, count($fields));
        foreach ($fields as [$type, $name, $limit]) {
            foreach ([$limit->least() - ($limit->isWhole() ? 1 : 0.01), $limit->most() + ($limit->isWhole() ? 1 : 0.01)] as $beyond) {
                try {
                    self::opened(self::with($bytes, [[$type, $name, $beyond]]));
                    self::fail("{$type} {$name} takes {$beyond}");
                } catch (UnreadableBench $e) {
                    self::assertStringContainsString($name, $e->getMessage());
                }
            }
        }
        foreach (['least', 'most'] as $end) {
            $other = Painter::factory()->create()->refresh();
            $this->actingAs($other);
            $this->send(self::with($bytes, array_map(static fn (array $f): array => [$f[0], $f[1], $f[2]->{$end}()], $fields)))->assertCreated();
            $figure = $other->figures()->firstOrFail();
            foreach (['/', "/figures/{$figure->id}/finishes", "/figures/{$figure->id}/order", "/figures/{$figure->id}/card", "/figures/{$figure->id}/quantities", "/figures/{$figure->id}/brief", '/runs/'.$other->runs()->firstOrFail()->id] as $page) {
                $this->get($page)->assertOk();
            }
        }
    }

    /** @param  list<array{string, string, int|float}>  $values  record type, field and its value, in every record that there is */
    private static function with(string $bytes, array $values): string
    {
        $document = json_decode(self::document($bytes));
        assert($document instanceof stdClass && $document->records instanceof stdClass);
        foreach ($values as [$type, $name, $value]) {
            $records = $document->records->{$type} ?? [];
            foreach (is_array($records) ? $records : [] as $record) {
                assert($record instanceof stdClass);
                $record->{$name} = $value;
            }
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'with');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive;
        $zip->open($path);
        $zip->addFromString('bench.json', json_encode($document, JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR));
        $zip->close();
        $changed = (string) file_get_contents($path);
        unlink($path);

        return $changed;
    }

    private static function opened(string $bytes): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'open');
        file_put_contents($path, $bytes);
        try {
            BenchReader::open($path);
        } finally {
            unlink($path);
        }
    }

    private function bench(): Figure
    {
        $figure = $this->figure();
        $figure->update(['own_order' => ['prepare 1', 'glue 1 2'], 'about' => 'Six of them']);
        $body = $figure->parts()->create(['name' => 'Body', 'position' => 1]);
        $base = $figure->parts()->create(['name' => 'Base', 'position' => 2, 'is_base' => true]);
        $figure->update(['own_order' => ["prepare {$body->id}", "glue {$body->id} {$base->id}"]]);
        $primer = $this->pot('Primer Black', '#1a1a1a', PotKind::Primer);
        $green = $this->pot('Reed Green', '#5c7434');
        $skin = $this->pot('Cheek', '#d79a7c');
        $white = $this->pot('Chalk White', '#f4f3ee');
        $green->update(['price' => 4.5, 'readings' => ['source' => 'reader', 'whiteId' => $white->id, 'values' => []]]);
        foreach ([
            'Cloak' => [$this->layer($primer, 'spray can'), $this->layer($green, drops: 3), $this->layer($green, 'wash')],
            'Skin' => [$this->layer($primer, 'spray can'), $this->layer($skin)],
        ] as $name => $layers) {
            $area = $this->area($figure, $name);
            $area->update(['part_id' => $body->id, 'square_cm' => 4.2, 'zone_shares' => [0.1, 0.2, 0.4, 0.2, 0.1]]);
            foreach ($layers as $n => $_) {
                $layers[$n]['key'] = strtoupper(substr(md5("{$name} {$n}"), 0, 26));
            }
            $this->putJson("/figures/{$figure->id}/areas/{$area->id}/finish", ['layers' => $layers, 'version' => 1])->assertOk();
        }
        [$cloak, $hand] = $figure->areas()->get()->all();
        // Lies on an area that comes after it: a reference forward.
        $cloak->update(['lies_on_id' => $hand->id]);
        $this->postJson("/figures/{$figure->id}/joints", ['partId' => $body->id, 'otherId' => $base->id, 'hides' => [$hand->id], 'seam' => 'filled'])->assertCreated();
        $this->postJson("/figures/{$figure->id}/boundaries", ['areaId' => $cloak->id, 'otherId' => $hand->id, 'mm' => 12.5])->assertCreated();
        $this->postJson("/figures/{$figure->id}/own-rules", ['before' => "prepare {$base->id}", 'after' => "prepare {$body->id}", 'reason' => 'my way'])->assertCreated();
        // Its own order glues before the hidden area is painted: begun knowingly.
        $this->post("/figures/{$figure->id}/runs", ['knowingly' => true]);
        $run = $figure->runs()->firstOrFail();
        $wash = $run->steps()->where('technique', 'wash')->firstOrFail();
        $this->patchJson(
            "/runs/{$run->id}/steps/{$wash->id}",
            ['version' => 1, 'state' => 'done', 'note' => 'Drew off the pools.', 'usedMix' => [['paintId' => $white->id, 'drops' => 2]], 'usedMinutes' => 7],
        )->assertOk();
        $this->postJson("/runs/{$run->id}/adopt")->assertOk();
        $this->postJson("/runs/{$run->id}/pieces", ['areaId' => $cloak->id, 'copy' => 1, 'method' => 'typed', 'hex' => '#5c7434'])->assertOk();
        $this->post("/runs/{$run->id}/repeat");
        $this->post("/runs/{$run->id}/steps/{$wash->id}/photos", ['picture' => UploadedFile::fake()->image('x.png', 40, 30)], ['Accept' => 'application/json'])->assertCreated();
        $picture = Picture::query()->sole();
        $sample = ['zone' => 'mid', 'method' => 'spot', 'outline' => [[0.5, 0.5], [0.1, 0.0]], 'lightness' => 50.5, 'a' => 1.25, 'b' => -3.0, 'spread' => 0.5, 'pixels' => 40, 'clipped' => 0.0];
        $cloak->samples()->forceCreate([...$sample, 'area_id' => $cloak->id, 'picture_id' => $picture->id]);
        $picture->findings()->forceCreate([...$sample, 'area_id' => $cloak->id, 'picture_id' => $picture->id]);
        $this->postJson('/cups', ['name' => 'Cloak', 'runStepId' => $wash->id, 'mix' => [['paintId' => $green->id, 'drops' => 10]]])->assertCreated();
        $this->postJson('/timers', ['key' => str_repeat('T', 26), 'what' => 'Cloak dry', 'minutes' => 30, 'runId' => $run->id])->assertCreated();
        foreach (['wash', 'glaze'] as $technique) {
            DB::table('technique_hands')->insert(['painter_id' => $this->painter->id, 'technique' => $technique, 'coverage' => 0.5, 'coverage_deviation' => 0.1, 'thickness' => 1.0, 'thickness_deviation' => 0.2, 'chips' => 1]);
        }
        DB::table('corrections')->insert(['painter_id' => $this->painter->id, 'paint_id' => $green->id, 'technique' => 'wash', 'factors' => json_encode(array_fill(0, 36, 1.1)), 'seen' => 2, 'difference' => 3.0]);
        DB::table('chips')->insert(['painter_id' => $this->painter->id, 'paint_id' => $green->id, 'technique' => 'wash', 'thinner' => 1, 'coats' => 1, 'card' => 0.5, 'read' => json_encode(array_fill(0, 36, 0.4))]);
        $skin->delete();
        $this->printed($figure, $body->id, $cloak->id, $hand->id);
        $this->putJson('/schedule/hours', ['hours' => [['day' => 5, 'start' => '20:00', 'minutes' => 90]], 'timeZone' => 'Europe/Lisbon', 'aid' => 'moving air', 'exceptions' => [['date' => '2027-01-08', 'start' => null, 'minutes' => null]]])->assertOk();
        $this->postJson('/schedule', ['figureIds' => [$figure->id]])->assertOk();

        return $figure->refresh();
    }

    /** One's own bench, with what was taught since, comes home: nothing of one's own is doubled or written over. */
    public function test_ones_own_bench_comes_home_twice(): void
    {
        $this->bench();
        $counts = fn (): array => array_map(fn (string $table): int => DB::table($table)->where('painter_id', $this->painter->id)->count(), ['technique_hands', 'corrections', 'chips', 'cups', 'timers', 'schedules']);
        $before = $counts();
        self::assertSame([2, 1, 1, 1, 1, 1], $before);
        DB::table('technique_hands')->where('technique', 'wash')->update(['coverage' => 0.7]);
        $file = $this->written($this->painter);
        DB::table('technique_hands')->where('technique', 'wash')->update(['coverage' => 0.9]);
        foreach ([1, 2] as $_) {
            $this->send($file, ['both' => 1])->assertCreated();
            self::assertSame($before, $counts());
        }
        self::assertSame(3, $this->painter->figures()->count());
        self::assertEqualsWithDelta(0.9, DB::table('technique_hands')->where('technique', 'wash')->value('coverage'), 1e-9);
        $this->get('/schedule')->assertOk();
        $this->get('/cups')->assertOk();
    }

    /** A print file that stands turned, with areas chosen on it, sprays and a look. */
    private function printed(Figure $figure, int $partId, int $cloakId, int $handId): void
    {
        $mesh = $this->printFile($figure, StlWriter::write(Shapes::ball(10.0, 6)), $partId)->json('id');
        self::assertIsInt($mesh);
        $this->patchJson("/figures/{$figure->id}/meshes/{$mesh}", ['turnBy' => ['axis' => 'z', 'degrees' => 30], 'move' => [1, 2, 3]])->assertOk();
        $figure->meshes()->sole()->shells()->create(['shell' => 0, 'area_id' => $cloakId]);
        // The top of it is another area, a piece of one triangle none at all.
        StoredStudy::putChosen($figure->meshes()->sole()->path, [...array_fill(0, 12, [$handId]), [$cloakId, 0, null], ...array_fill(0, 120 - 13, [null])]);
        $this->putJson("/figures/{$figure->id}/light", ['spray' => 'spray from 45 degrees', 'passes' => 1, 'side' => 30])->assertOk();
        $this->putJson("/figures/{$figure->id}/light", ['front' => 'x', 'heightMm' => 32])->assertOk();
        $this->post(
            "/figures/{$figure->id}/light/look",
            ['camera' => ['from' => [1, 2, 3], 'to' => [0, 0, 0.5], 'size' => 32], 'still' => UploadedFile::fake()->image('still.png', 30, 40)],
            ['Accept' => 'application/json'],
        )->assertOk();
    }

    private function written(Painter $painter): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'out');
        BenchWriter::write($path, $painter->refresh());
        // What is written can be opened by what reads.
        BenchReader::open($path);
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<Response>
     */
    private function send(string $bytes, array $with = []): TestResponse
    {
        return $this->post('/bench', ['bench' => UploadedFile::fake()->createWithContent('bench.zip', $bytes), ...$with], ['Accept' => 'application/json']);
    }

    private static function document(string $bytes): string
    {
        return self::entry($bytes, 'bench.json');
    }

    /** @return string the colours of the first picture, without the way they are packed */
    private static function pixels(string $bytes): string
    {
        $image = imagecreatefromstring(self::entry($bytes, 'pictures/1.png'));
        self::assertNotFalse($image);
        $seen = '';
        for ($y = 0; $y < imagesy($image); $y++) {
            for ($x = 0; $x < imagesx($image); $x++) {
                $seen .= dechex((int) imagecolorat($image, $x, $y)).' ';
            }
        }

        return $seen;
    }

    private static function entry(string $bytes, string $name): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive;
        $zip->open($path);
        $entry = (string) $zip->getFromName($name);
        $zip->close();
        unlink($path);

        return $entry;
    }
}
