<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Adapters\Light\MeshFile;
use Hyalin\Formats\Meshes\ReadMesh;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\InvalidInput;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\NearWeld;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;
use Tests\Support\ArtisanProcess;
use Tests\Support\Shapes;
use ZipArchive;

/**
 * Mesh files as they come: read like other programs read them, and refused in plain words.
 */
#[Group('sculpted')]
final class MeshFileTest extends TestCase
{
    /** The test models of Debian's assimp-testmodels; what admesh of Debian says of the same file is compared. */
    #[DataProvider('models')]
    public function test_real_files_have_the_triangles_and_open_edges_that_admesh_counts(string $model): void
    {
        $path = "/usr/share/assimp/models/{$model}";
        self::assertFileExists($path);
        $read = MeshFile::read($path, $path);
        $admesh = new Process(['admesh', '--exact', $path]);
        $admesh->mustRun();
        $output = $admesh->getOutput();
        $said = static fn (string $label): array => preg_match("/{$label}\s*:\s*(\d+)\s+(\d+)/", $output, $m) === 1 ? [(int) $m[1], (int) $m[2]] : self::fail("{$label} in {$output}");
        // Its first count has the degenerate facets, its second is without them.
        self::assertSame($said('Number of facets'), [$read->mesh->triangles() + $read->degenerate, $read->mesh->triangles()]);
        $measures = MeshMeasures::of($read->mesh);
        $open = $said('Facets with 1 disconnected edge')[0] + 2 * $said('Facets with 2 disconnected edges')[0] + 3 * $said('Facets with 3 disconnected edges')[0];
        self::assertSame($open, $measures->openEdges);
        foreach (['X', 'Y', 'Z'] as $axis => $name) {
            self::assertSame(1, preg_match("/Min {$name}\s*=\s*(-?[\d.]+), Max {$name}\s*=\s*(-?[\d.]+)/", $output, $m));
            self::assertEqualsWithDelta((float) ($m[1] ?? NAN), $measures->boundsMm[0][$axis], 1e-4);
            self::assertEqualsWithDelta((float) ($m[2] ?? NAN), $measures->boundsMm[1][$axis], 1e-4);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function models(): iterable
    {
        foreach (['Spider_ascii.stl', 'Spider_binary.stl', 'Wuson.stl', 'sphereWithHole.stl', '3DSMaxExport.STL'] as $name) {
            yield $name => ["STL/{$name}"];
        }
    }

    /** Counts of a tried reading of these models (assimp says the same before it cuts faces into triangles). */
    public function test_other_formats_hold_what_they_are_known_to_hold(): void
    {
        foreach ([
            'OBJ/WusonOBJ.obj' => 3732,
            'OBJ/spider.obj' => 1312,
            'OBJ/box.obj' => 12,
            'OBJ/concave_polygon.obj' => 64,
            '3MF/box.3mf' => 12,
            'STL/triangle.stl' => 1,
            'STL/triangle_with_two_solids.stl' => 2,
        ] as $name => $triangles) {
            $path = "/usr/share/assimp/models/{$name}";
            self::assertFileExists($path);
            self::assertSame($triangles, MeshFile::read($path, $path)->mesh->triangles(), $name);
        }
    }

    public function test_one_shape_in_every_format_is_one_shape(): void
    {
        $box = Shapes::box(2.0, 3.0, 4.0);
        [$x, $y, $z] = $box->coordinates();
        $corners = $box->corners();
        $obj = "# a box\n";
        $xml = '<?xml version="1.0"?><model unit="centimeter" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02"><resources><object id="1" type="model"><mesh><vertices>';
        foreach ($x as $v => $_) {
            $obj .= "v {$x[$v]} {$y[$v]} {$z[$v]}\n";
            $xml .= '<vertex x="'.($x[$v] / 10).'" y="'.($y[$v] / 10).'" z="'.($z[$v] / 10).'"/>';
        }
        $xml .= '</vertices><triangles>';
        $stl = "solid box\n";
        foreach (array_chunk($corners, 3) as $n => [$a, $b, $c]) {
            $obj .= $n % 2 === 0 ? 'f '.($a + 1).'/1 '.($b + 1).'/2/3 '.($c + 1)."\n" : 'f '.($a - count($x)).' '.($b - count($x)).' '.($c - count($x))."\r\n";
            $xml .= "<triangle v1=\"{$a}\" v2=\"{$b}\" v3=\"{$c}\"/>";
            $stl .= "facet normal 0 0 0\nouter loop\n".implode('', array_map(static fn (int $v): string => "vertex {$x[$v]} {$y[$v]} {$z[$v]}\n", [$a, $b, $c]))."endloop\nendfacet\n";
        }
        $xml .= '</triangles></mesh></object><object id="2" type="model"><components><component objectid="1"/></components></object></resources><build><item objectid="2" transform="-1 0 0 0 1 0 0 0 1 5 0 0"/></build></model>';
        $package = (string) tempnam(sys_get_temp_dir(), '3mf');
        $zip = new ZipArchive;
        $zip->open($package, ZipArchive::OVERWRITE);
        $zip->addFromString('3D/3dmodel.model', $xml);
        $zip->close();
        $files = [
            'box.obj' => $obj,
            'box.stl' => $stl."endsolid\n",
            'mac.stl' => str_replace("\n", "\r", $stl),
            'binary.stl' => StlWriter::write($box),
            'solid.stl' => 'solid '.substr(StlWriter::write($box), 6),
            'box.3mf' => (string) file_get_contents($package),
        ];
        unlink($package);
        foreach ($files as $name => $bytes) {
            $measures = MeshMeasures::of(self::read($bytes, $name)->mesh);
            self::assertEqualsWithDelta([52.0, 24.0], [$measures->areaMm2, $measures->volumeMm3], 1e-4, $name);
            self::assertSame([1, 0], [$measures->shells, $measures->openEdges], $name);
        }
        // In mm by its unit, mirrored and moved, and not inside out.
        self::assertEqualsWithDelta(-2.0 + 50.0, MeshMeasures::of(self::read($files['box.3mf'], 'box.3mf')->mesh)->boundsMm[0][0], 1e-4);
    }

    /** @param  callable(): string  $bytes */
    #[DataProvider('bad')]
    public function test_what_is_no_mesh_says_why(callable $bytes, string $name, string $words): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches("/{$words}/");
        self::read($bytes(), $name);
    }

    /** @return iterable<string, array{callable(): string, string, string}> */
    public static function bad(): iterable
    {
        $binary = static fn (): string => StlWriter::write(Shapes::ball(5.0, 20));
        yield 'empty' => [static fn (): string => '', 'x.stl', 'not a mesh file that can be read'];
        yield 'a page' => [static fn (): string => '<!DOCTYPE html><html><body>'.str_repeat('not found ', 40), 'x.stl', 'not a mesh file that can be read'];
        yield 'cut off' => [static fn (): string => substr($binary(), 0, 40_000), 'x.stl', 'states 1520 triangles but ends after'];
        yield 'no triangle' => [static fn (): string => str_pad('x', 80, "\0")."\0\0\0\0", 'x.stl', 'no triangle'];
        yield 'a comma' => [static fn (): string => "solid x\nfacet normal 0 0 1\nouter loop\nvertex 0,5 0 0\n", 'x.stl', 'line 4.*with a point and no comma'];
        yield 'text cut off' => [static fn (): string => "solid x\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\n", 'x.stl', 'ends within a facet'];
        yield 'no numbers' => [static fn (): string => str_pad('x', 80).pack('V', 3).str_repeat(pack('g12', 0, 0, 0, NAN, 0, 0, 1, 0, 0, 0, 1, 0)."\0\0", 3), 'x.stl', '3 of 3 triangles'];
        yield 'a face of two' => [static fn (): string => "v 0 0 0\nv 1 0 0\nf 1 2\n", 'x.obj', 'line 3: a face has 2 corners'];
        yield 'a vertex that is not there' => [static fn (): string => "v 0 0 0\nv 1 0 0\nf 1 2 3\n", 'x.obj', 'there is no vertex 3'];
        yield 'no face' => [static fn (): string => "v 0 0 0\nv 1 0 0\n", 'x.obj', 'OBJ file holds no triangle'];
        $package = static function (string $xml): callable {
            return static function () use ($xml): string {
                $path = (string) tempnam(sys_get_temp_dir(), '3mf');
                $zip = new ZipArchive;
                $zip->open($path, ZipArchive::OVERWRITE);
                $zip->addFromString('3D/3dmodel.model', $xml);
                $zip->close();
                $bytes = (string) file_get_contents($path);
                unlink($path);

                return $bytes;
            };
        };
        yield 'a document type' => [$package('<?xml version="1.0"?><!DOCTYPE model [<!ENTITY a "x">]><model/>'), 'x.3mf', 'document type'];
        yield 'no xml' => [$package('<model><resources>'), 'x.3mf', '3MF, line 1'];
        yield 'within itself' => [
            $package('<model><resources><object id="1"><components><component objectid="1"/></components></object></resources><build><item objectid="1"/></build></model>'),
            'x.3mf',
            'within themselves',
        ];
        yield 'a unit nobody knows' => [$package('<model unit="furlong"/>'), 'x.3mf', 'furlong'];
        yield 'another zip' => [static fn (): string => "PK\x03\x04".str_repeat('x', 100), 'x.3mf', 'not a mesh file that can be read'];
    }

    /** A thousand files with some bytes changed, cut or doubled: a mesh or words, never a crash, never much memory. */
    public function test_a_thousand_spoilt_files_are_read_or_refused(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $ball = StlWriter::write(Shapes::ball(5.0, 6));
        $files = [
            ['x.stl', $ball],
            ['x.stl', (string) file_get_contents('/usr/share/assimp/models/STL/triangle.stl')],
            ['x.obj', (string) file_get_contents('/usr/share/assimp/models/OBJ/box.obj')],
            ['x.3mf', (string) file_get_contents('/usr/share/assimp/models/3MF/box.3mf')],
        ];
        $read = $refused = 0;
        for ($n = 0; $n < 1000; $n++) {
            [$name, $bytes] = $files[$n % count($files)];
            for ($k = $random->getInt(1, 6); $k > 0; $k--) {
                $at = $random->getInt(0, max(0, strlen($bytes) - 1));
                $bytes = match ($random->getInt(0, 3)) {
                    0 => substr_replace($bytes, chr($random->getInt(0, 255)), $at, 1),
                    1 => substr($bytes, 0, max(1, $at)),
                    2 => substr_replace($bytes, $random->getBytes($random->getInt(1, 8)), $at, 0),
                    default => $bytes.substr($bytes, $at),
                };
            }
            memory_reset_peak_usage();
            $before = memory_get_usage();
            try {
                $mesh = self::read($bytes, $name)->mesh;
                MeshMeasures::of(NearWeld::of($mesh, MeshMeasures::of($mesh)));
                $read++;
            } catch (InvalidInput $e) {
                self::assertNotSame('', $e->getMessage());
                $refused++;
            }
            self::assertLessThan(64 * 1024 * 1024, memory_get_peak_usage() - $before);
        }
        self::assertSame(1000, $read + $refused);
        self::assertGreaterThan(100, $read);
        self::assertGreaterThan(100, $refused);
    }

    public function test_the_command_divides_a_sculpt_and_writes_what_another_program_reads(): void
    {
        [$stl, $ply] = [(string) tempnam(sys_get_temp_dir(), 'two'), tempnam(sys_get_temp_dir(), 'two').'.ply'];
        // Two balls of 8 mm side by side, 12 mm apart: no seed on the one leaves it to nobody.
        file_put_contents($stl, StlWriter::write(Shapes::both(Shapes::ball(8.0, 40), Shapes::ball(8.0, 40, 28.0))));
        $run = static fn (string ...$arguments): array => ArtisanProcess::run(['hyalin:regions', $stl, ...array_values($arguments)]);
        $seeds = '[{"at":[0,0,8],"area":3},{"at":[0,0,-8],"area":5}]';
        /** @var array{areas: list<array{area: int, areaMm2: float, seeds: int}>, borders: non-empty-list<array{a: int, b: int, mm: float, concaveShare: float}>, milliseconds: float, peakBytes: int} $said */
        $said = json_decode($run("--seeds={$seeds}", "--out={$ply}")[1], true);
        self::assertSame(['areas', 'borders', 'milliseconds', 'peakBytes'], array_keys($said));
        self::assertSame([[-1, 0], [3, 1], [5, 1]], array_map(static fn (array $a): array => [$a['area'], $a['seeds']], $said['areas']));
        self::assertEqualsWithDelta([4 * M_PI * 64, 4 * M_PI * 64], [$said['areas'][0]['areaMm2'], $said['areas'][1]['areaMm2'] + $said['areas'][2]['areaMm2']], 4.0);
        self::assertSame([3, 5], [$said['borders'][0]['a'], $said['borders'][0]['b']]);
        self::assertEqualsWithDelta(2 * M_PI * 8, $said['borders'][0]['mm'], 0.3 * 2 * M_PI * 8);
        self::assertSame(0, (int) $said['borders'][0]['concaveShare'], 'a ball has no crease');
        // Read back by plain Python: an area for every face.
        $python = new Process(['/usr/bin/python3', '-c', 'import sys,struct,json,collections
b=open(sys.argv[1],"rb").read(); h,d=b.split(b"end_header\n",1); lines=h.decode().split("\n")
n=int([l for l in lines if l.startswith("element vertex")][0].split()[2]); f=int([l for l in lines if l.startswith("element face")][0].split()[2])
assert len(d)==12*n+17*f; print(json.dumps(collections.Counter(struct.unpack_from("<B4i",d,12*n+17*i)[4] for i in range(f))))', $ply]);
        $python->mustRun();
        $back = json_decode($python->getOutput(), true);
        self::assertIsArray($back);
        self::assertEqualsCanonicalizing([-1, 3, 5], array_keys($back));
        self::assertStringContainsString('"where":"seed 1', $run('--seeds=[{"at":[1,2],"area":1}]')[2]);
        self::assertSame(2, $run('--seeds={')[0]);
        unlink($stl);
        unlink($ply);
    }

    public function test_the_command_measures_a_mesh_and_writes_what_another_program_reads(): void
    {
        $stl = (string) tempnam(sys_get_temp_dir(), 'ball');
        $ply = "{$stl}.ply";
        file_put_contents($stl, StlWriter::write(Shapes::ball(10.0, 40)));
        $run = static fn (string ...$arguments): array => ArtisanProcess::run(['hyalin:light', ...array_values($arguments)]);
        [$code, $out, $error] = $run($stl, '--spread=30', '--directions=32', "--out={$ply}");
        self::assertSame(0, $code, $error);
        /** @var array{triangles: int, vertices: int, areaMm2: float, volumeMm3: float, boundsMm: list<list<float>>, shells: int, openEdges: int, exposure: array{mean: float, deciles: list<float>}, milliseconds: float, peakBytes: int} $said */
        $said = json_decode($out, true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['triangles', 'vertices', 'areaMm2', 'volumeMm3', 'boundsMm', 'shells', 'openEdges', 'exposure', 'milliseconds', 'peakBytes'], array_keys($said));
        self::assertSame([2 * 80 * 39, 80 * 39 + 2, 1, 0], [$said['triangles'], $said['vertices'], $said['shells'], $said['openEdges']]);
        self::assertEqualsWithDelta(4 * M_PI * 100, $said['areaMm2'], 3.0);
        self::assertCount(11, $said['exposure']['deciles']);
        // A ball under a narrow cone: half of it gets the mean of the cosine, one half; so a quarter over all, and a little by the cone.
        self::assertEqualsWithDelta(0.25, $said['exposure']['mean'], 0.02);
        // Read back by plain Python: header, vertices and faces as the PLY format has them.
        $python = new Process(['/usr/bin/python3', '-c', 'import sys,struct,json
b=open(sys.argv[1],"rb").read(); h,d=b.split(b"end_header\n",1); lines=h.decode().split("\n")
n=int([l for l in lines if l.startswith("element vertex")][0].split()[2]); f=int([l for l in lines if l.startswith("element face")][0].split()[2])
v=[struct.unpack_from("<4fB",d,17*i) for i in range(n)]; o=17*n; top=0
for i in range(f):
  k,a,b2,c=struct.unpack_from("<B3i",d,o); o+=13; assert k==3 and max(a,b2,c)<n
assert o==len(d); print(json.dumps([n,f,min(x[3] for x in v),max(x[3] for x in v),max(v,key=lambda x:x[2])[3],min(v,key=lambda x:x[2])[3],sorted(set(x[4] for x in v)),max(v,key=lambda x:x[2])[4]]))', $ply]);
        $python->mustRun();
        /** @var array{int, int, float, float, float, float, list<int>, int} $back */
        $back = json_decode($python->getOutput(), true);
        self::assertGreaterThanOrEqual($said['vertices'], $back[0]);
        self::assertGreaterThanOrEqual(0.0, $back[2]);
        self::assertLessThanOrEqual(1.0, $back[3]);
        self::assertEqualsWithDelta([1.0, 0.0], [$back[4], $back[5]], 0.02);
        // A ball as large as that has no edge and no groove: it is light on top and in shade below.
        self::assertSame([[1, 2, 3], 3], [$back[6], $back[7]]);
        // And by a general library of mesh formats (Debian package assimp-utils).
        $assimp = new Process(['assimp', 'info', $ply, '--raw']);
        $assimp->mustRun();
        self::assertMatchesRegularExpression("/^Vertices:\s+{$back[0]}$/m", $assimp->getOutput());
        self::assertMatchesRegularExpression("/^Faces:\s+{$back[1]}$/m", $assimp->getOutput());
        self::assertMatchesRegularExpression('/^Minimum point\s+\(-10\.0000\d\d -10\.0000\d\d -10\.0000\d\d\)$/m', $assimp->getOutput());
        // Another up: the same ball is lit from the side, by as much.
        $side = json_decode($run($stl, '--up=-x', '--directions=32')[1], true);
        self::assertIsArray($side);
        foreach ([
            [['/nowhere.stl'], 'FILE', 'cannot be read'],
            [[$stl, '--up=w'], '', 'one of x, y, z'],
            [[$stl, '--spread=120'], '', 'half angle of 120'],
            [[$stl, '--directions=0'], '', '0 directions'],
            [[$stl, '--directions=many'], '--directions', 'no whole number'],
            [[__FILE__], '', 'not a mesh file that can be read'],
        ] as [$arguments, $where, $words]) {
            [$code, $out, $refusal] = $run(...$arguments);
            self::assertSame([2, ''], [$code, $out]);
            /** @var array{error: array{where: string, message: string}} $error */
            $error = json_decode($refusal, true, flags: JSON_THROW_ON_ERROR);
            self::assertSame($where, $error['error']['where']);
            self::assertStringContainsString($words, $error['error']['message']);
        }
        unlink($stl);
        unlink($ply);
    }

    private static function read(string $bytes, string $name): ReadMesh
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'mesh');
        file_put_contents($path, $bytes);
        try {
            return MeshFile::read($path, $name);
        } finally {
            unlink($path);
        }
    }
}
