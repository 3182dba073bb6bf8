<?php

declare(strict_types=1);

namespace Tests\Siege;

use App\Devices\SheetScene;
use App\Devices\SimulatedSheetCamera;
use App\Models\Brief\Figure;
use App\Models\Light\MeshUpload;
use App\Models\Shelf\SwatchSheet;
use Hyalin\Formats\Meshes\StlWriter;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Tests\Support\Shapes;
use ZipArchive;

/**
 * Shelf files, pictures and print files with other bytes in them.
 */
final class FilesTest extends Siege
{
    public function test_no_shelf_file_is_a_fault(): void
    {
        $this->pot('Reed Green', '#5c7434');
        $this->pot('Chalk White', '#f4f3ee');
        foreach (['csv', 'gpl', 'cgats'] as $format) {
            $whole = (string) $this->get("/shelf/file.{$format}")->assertOk()->getContent();
            for ($n = $this->times(10); $n > 0; $n--) {
                $this->sent('/shelf/imports', 'file', "shelf.{$format}", $this->mutated($whole), fn () => $this->get('/shelf')->assertOk());
            }
        }
    }

    public function test_no_picture_is_a_fault(): void
    {
        $figure = $this->figure();
        $image = imagecreatetruecolor(90, 60);
        for ($i = 0; $i < 5400; $i++) {
            imagesetpixel($image, $i % 90, intdiv($i, 90), ($i * 7919) & 0xFFFFFF);
        }
        foreach (['jpg' => imagejpeg(...), 'png' => imagepng(...), 'webp' => imagewebp(...)] as $type => $encode) {
            ob_start();
            $encode($image);
            $whole = (string) ob_get_clean();
            for ($n = $this->times(10); $n > 0; $n--) {
                $this->sent("/figures/{$figure->id}/pictures", 'picture', "photo.{$type}", $this->mutated($whole), fn () => $this->get("/figures/{$figure->id}/references")->assertOk());
                $this->sent('/incoming/pictures', 'picture', "photo.{$type}", $this->mutated($whole), static fn () => null);
            }
        }
    }

    public function test_no_photo_of_a_sheet_is_a_fault(): void
    {
        $pot = $this->pot('Reed Green', '#5c7434');
        $id = $this->postJson('/sheets', ['paper' => 'a4', 'fields' => [['paintId' => $pot->id]]])->assertCreated()->json('id');
        $sheet = SwatchSheet::query()->with(['fields.paint', 'white'])->whereKey($id)->sole();
        $whole = (new SimulatedSheetCamera)->photo($sheet, new SheetScene(1200, 900, card: 'grey'));
        for ($n = $this->times(20); $n > 0; $n--) {
            $this->sent("/sheets/{$sheet->id}/photos", 'photo', 'photo.jpg', $this->mutated($whole), fn () => $this->get("/sheets/{$sheet->id}")->assertOk());
        }
    }

    public function test_no_print_file_is_a_fault(): void
    {
        $figure = $this->figure();
        foreach ($this->prints() as $name => $whole) {
            for ($n = $this->times(10); $n > 0; $n--) {
                $this->printed($figure, $name, $this->mutated($whole));
            }
        }
    }

    /** @return array<string, string> */
    private function prints(): array
    {
        $ball = Shapes::ball(8.0, 8);
        $stl = StlWriter::write($ball);
        [$x, $y, $z] = $ball->coordinates();
        $obj = "o Ball\n";
        $vertices = $triangles = '';
        foreach ($x as $v => $vx) {
            $obj .= "v {$vx} {$y[$v]} {$z[$v]}\n";
            $vertices .= "<vertex x=\"{$vx}\" y=\"{$y[$v]}\" z=\"{$z[$v]}\"/>";
        }
        foreach (array_chunk($ball->corners(), 3) as [$a, $b, $c]) {
            $obj .= 'f '.($a + 1).' '.($b + 1).' '.($c + 1)."\n";
            $triangles .= "<triangle v1=\"{$a}\" v2=\"{$b}\" v3=\"{$c}\"/>";
        }
        $model = "<?xml version=\"1.0\"?><model unit=\"millimeter\" xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\"><resources><object id=\"1\"><mesh><vertices>{$vertices}</vertices><triangles>{$triangles}</triangles></mesh></object></resources><build><item objectid=\"1\"/></build></model>";
        $path = (string) tempnam(sys_get_temp_dir(), 'siege');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $zip->addFromString('3D/3dmodel.model', $model);
        $zip->setCompressionName('3D/3dmodel.model', $this->pick([ZipArchive::CM_STORE, ZipArchive::CM_DEFLATE]));
        $zip->close();
        $package = (string) file_get_contents($path);
        unlink($path);

        return ['ball.stl' => $stl, 'ball.obj' => $obj, 'ball.3mf' => $package];
    }

    private function printed(Figure $figure, string $name, string $bytes): void
    {
        $this->survives(
            "{$name}, ".sha1($bytes),
            function () use ($figure, $name, $bytes) {
                $begun = $this->postJson("/figures/{$figure->id}/mesh-uploads", ['name' => $name, 'bytes' => strlen($bytes), 'fingerprint' => uniqid()]);
                $id = $begun->json('id');
                if (! is_int($id)) {
                    return $begun;
                }
                $server = ['CONTENT_TYPE' => 'application/octet-stream', 'HTTP_ACCEPT' => 'application/json'];

                return $this->call('POST', "/figures/{$figure->id}/mesh-uploads/{$id}/pieces?at=0", server: $server, content: $bytes);
            },
            function () use ($figure): void {
                // Read or refused with a reason: never for ever on its way.
                self::assertContains(MeshUpload::query()->latest('id')->firstOrFail()->state->value, ['done', 'failed', 'known']);
                $this->get("/figures/{$figure->id}/light")->assertOk();
            },
        );
    }

    private function sent(string $url, string $field, string $name, string $bytes, callable $then): void
    {
        $this->survives(
            "{$name}, ".sha1($bytes),
            fn () => $this->post($url, [$field => UploadedFile::fake()->createWithContent($name, $bytes)], ['Accept' => 'application/json']),
            static function () use ($then): void {
                $then();
            },
        );
        Storage::fake('local');
    }
}
