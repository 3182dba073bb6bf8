<?php

declare(strict_types=1);

namespace Tests\Core\Formats;

use Closure;
use Eris\Generators;
use Eris\TestTrait;
use Hyalin\Formats\Meshes\MeshHead;
use Hyalin\Formats\Meshes\ObjReader;
use Hyalin\Formats\Meshes\ReadMesh;
use Hyalin\Formats\Meshes\StlReader;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Formats\Meshes\ThreeMfReader;
use Hyalin\Formats\Meshes\UnreadableMesh;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;
use Tests\Support\TextSource;

/**
 * Print files as the formats' own documents describe them: Wavefront OBJ, appendix B1 of the Advanced Visualizer manual; the
 * 3MF Core Specification 1.3 (units, items, components, transforms as twelve numbers row by row); STL as Burns 1993 has it.
 */
final class MeshReadersTest extends TestCase
{
    use TestTrait;

    private const TETRAHEDRON = "v 0 0 0\nv 6 0 0\nv 0 4 0\nv 0 0 2\nf 1 3 2\nf 1 2 4\nf 1 4 3\nf 2 3 4\n";

    public function test_a_file_that_has_every_facet_twice_is_read_once_and_says_so(): void
    {
        $once = StlWriter::write(Shapes::box(10.0, 20.0, 30.0, 3));
        $facets = substr($once, 84);
        $count = intdiv(strlen($facets), 50);
        // Once more with its corners in another order, which is the same facet.
        $turned = implode('', array_map(static fn (string $f): string => substr($f, 0, 12).substr($f, 24, 24).substr($f, 12, 12).substr($f, 48), str_split($facets, 50)));
        $read = StlReader::read(new TextSource(substr($once, 0, 80).pack('V', 2 * $count).$facets.$turned));
        self::assertSame($count, $read->mesh->triangles());
        self::assertEqualsWithDelta(2200.0, MeshMeasures::of($read->mesh)->areaMm2, 1e-3);
        self::assertSame(["{$count} triangles stood in the file twice; each was taken once"], $read->remarks);
        // The other side of a sheet is no double.
        $other = implode('', array_map(static fn (string $f): string => substr($f, 0, 12).substr($f, 24, 12).substr($f, 12, 12).substr($f, 36), str_split($facets, 50)));
        self::assertSame(2 * $count, StlReader::read(new TextSource(substr($once, 0, 80).pack('V', 2 * $count).$facets.$other))->mesh->triangles());
    }

    /** The count stands in the first 84 bytes. */
    public function test_too_many_facets_are_told_from_the_first_piece(): void
    {
        $this->expectException(UnreadableMesh::class);
        $this->expectExceptionMessage('2100000 triangles; at most 2000000');
        MeshHead::check(str_pad('fine', 80, "\x01").pack('V', 2_100_000), 84 + 50 * 2_100_000, 'fine.stl');
    }

    /** Law: a closed body of known measures has them, whichever way it is written down. */
    #[DataProvider('sameBody')]
    public function test_one_body_in_many_spellings_is_one_body(Closure $read, float $scale): void
    {
        $mesh = $read();
        self::assertInstanceOf(ReadMesh::class, $mesh);
        self::assertSame([4, 4, 0], [$mesh->mesh->vertices(), $mesh->mesh->triangles(), $mesh->degenerate]);
        // A corner tetrahedron: a sixth of its edges' product.
        self::assertEqualsWithDelta(6.0 * 4.0 * 2.0 / 6.0 * $scale ** 3, self::volume($mesh->mesh), 1e-4 * $scale ** 3);
    }

    /** @return iterable<string, array{Closure(): ReadMesh, float}> */
    public static function sameBody(): iterable
    {
        $obj = static fn (string $text): Closure => static fn (): ReadMesh => ObjReader::read(new TextSource($text));
        yield 'OBJ, plain' => [$obj(self::TETRAHEDRON), 1.0];
        yield 'OBJ, line ends of another system' => [$obj(str_replace("\n", "\r\n", self::TETRAHEDRON)), 1.0];
        yield 'OBJ, counted back from the last vertex' => [$obj("v 0 0 0\nv 6 0 0\nv 0 4 0\nv 0 0 2\nf -4 -2 -3\nf -4 -3 -1\nf -4 -1 -2\nf -3 -2 -1\n"), 1.0];
        yield 'OBJ, with textures, normals, groups and comments' => [
            $obj("# a comment\nmtllib x.mtl\no Thing\nvt 0 0\nvn 0 0 1\n".str_replace(['f 1 3 2', 'f 1 2 4'], ['f 1/1/1 3/1/1 2/1/1', 'f 1//1 2//1 4//1'], self::TETRAHEDRON)),
            1.0,
        ];
        yield 'OBJ, a line that goes on' => [$obj(str_replace('f 1 3 2', "f 1 3 \\\n2", self::TETRAHEDRON)), 1.0];
        yield 'OBJ, with weights' => [$obj(str_replace("v 6 0 0\n", "v 12 0 0 2\n", self::TETRAHEDRON)), 1.0];
        yield 'OBJ, with colours after the point' => [$obj(str_replace("v 6 0 0\n", "v 6 0 0 0.5 0.5 0.5\n", self::TETRAHEDRON)), 1.0];
        foreach (['micron' => 0.001, 'millimeter' => 1.0, 'centimeter' => 10.0, 'inch' => 25.4, 'foot' => 304.8, 'meter' => 1000.0] as $unit => $millimetres) {
            yield "3MF in {$unit}" => [static fn (): ReadMesh => ThreeMfReader::read(new TextSource(self::model('<build><item objectid="1"/></build>', $unit))), $millimetres];
        }
        // Twice as long each way, turned a quarter about z, moved: eight times the volume.
        yield '3MF, placed by a transform' => [
            static fn (): ReadMesh => ThreeMfReader::read(new TextSource(self::model('<build><item objectid="1" transform="0 2 0 -2 0 0 0 0 2 50 60 70"/></build>'))),
            2.0,
        ];
        yield '3MF, as a component of another object' => [
            static fn (): ReadMesh => ThreeMfReader::read(new TextSource(self::model(
                '<build><item objectid="2" transform="3 0 0 0 3 0 0 0 3 0 0 0"/></build>',
                more: '<object id="2"><components><component objectid="1" transform="0.5 0 0 0 0.5 0 0 0 0.5 9 9 9"/></components></object>',
            ))),
            1.5,
        ];
    }

    public function test_a_polygon_is_a_fan_and_what_has_no_area_is_counted(): void
    {
        $square = ObjReader::read(new TextSource("v 0 0 0\nv 2 0 0\nv 2 2 0\nv 0 2 0\nv 1 3 0\nf 1 2 3 5 4\nf 1 1 2\n"));
        self::assertSame([3, 1], [$square->mesh->triangles(), $square->degenerate]);
        // Two placed objects are two bodies.
        $two = ThreeMfReader::read(new TextSource(self::model('<build><item objectid="1"/><item objectid="1" transform="1 0 0 0 1 0 0 0 1 100 0 0"/></build>')));
        self::assertSame([8, 8], [$two->mesh->vertices(), $two->mesh->triangles()]);
        self::assertSame(1.0, $two->unitMm);
    }

    /** @param  Closure(): ReadMesh  $read */
    #[DataProvider('unreadable')]
    public function test_what_cannot_be_read_says_where_and_why(Closure $read, string $words): void
    {
        try {
            $read();
            self::fail('it was read');
        } catch (UnreadableMesh $e) {
            self::assertStringContainsString($words, $e->getMessage());
        }
    }

    /** @return iterable<string, array{Closure(): ReadMesh, string}> */
    public static function unreadable(): iterable
    {
        $obj = static fn (string $text): Closure => static fn (): ReadMesh => ObjReader::read(new TextSource($text));
        $model = static fn (string $build, string $more = ''): Closure => static fn (): ReadMesh => ThreeMfReader::read(new TextSource(self::model($build, more: $more)));
        yield 'OBJ without a face' => [$obj("v 0 0 0\nv 1 0 0\n"), 'OBJ'];
        yield 'OBJ: a vertex of words' => [$obj("v 0 0 0\nv one two three\n"), 'line 2'];
        yield 'OBJ: two numbers' => [$obj("v 0 0\n"), 'line 1'];
        yield 'OBJ: a corner that is none' => [$obj("v 0 0 0\nf 1 2.5 1\n"), 'line 2'];
        yield 'OBJ: a vertex that does not exist' => [$obj("v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 4\n"), 'there is no vertex 4'];
        yield 'OBJ: vertex nought' => [$obj("v 0 0 0\nv 1 0 0\nv 0 1 0\nf 0 1 2\n"), 'line 4'];
        yield 'OBJ: a line for a face' => [$obj("v 0 0 0\nv 1 0 0\nf 1 2\n"), '2 corners'];
        yield '3MF: an object that is nowhere' => [$model('<build><item objectid="9"/></build>'), '9'];
        yield '3MF: an object inside itself' => [$model('<build><item objectid="2"/></build>', '<object id="2"><components><component objectid="2"/></components></object>'), 'within themselves'];
        yield '3MF: eleven numbers' => [$model('<build><item objectid="1" transform="1 0 0 0 1 0 0 0 1 0 0"/></build>'), 'line'];
        yield '3MF: cut off' => [static fn (): ReadMesh => ThreeMfReader::read(new TextSource(substr(self::model('<build><item objectid="1"/></build>'), 0, 400))), 'line'];
        // A small file whose components multiply: 15 levels of ten each would be placed ten to the fifteenth times.
        $levels = implode('', array_map(static fn (int $n): string => "<object id=\"{$n}\"><components>".str_repeat('<component objectid="'.($n - 1).'"/>', 10).'</components></object>', range(2, 16)));
        yield '3MF: components that multiply' => [$model('<build><item objectid="16"/></build>', $levels), 'are placed'];
        yield '3MF: 300,000 attributes' => [$model('<build><item objectid="1"'.implode('', array_map(static fn (int $n): string => " a{$n}=\"1\"", range(1, 300_000))).'/></build>'), 'longer than 64 kB'];
        yield 'OBJ: a line without end' => [$obj(str_repeat("v 0 0 0\\\n", 150_000)), 'a million letters'];
        yield 'OBJ: groups without end' => [$obj(str_repeat("g a\n", 60_000)), 'objects and groups'];
        yield '3MF: nothing to print' => [$model('<build/>'), '3MF'];
    }

    /** Law: what was written is read again, corner by corner, in the same order. */
    public function test_a_body_survives_being_written_as_stl(): void
    {
        $this->limitTo(40)->forAll(Generators::vector(12, Generators::choose(-1000, 1000)))->when(
            static fn (array $numbers): bool => abs(self::tetrahedron($numbers)) > 1.0,
        )->then(static function (array $numbers): void {
            $points = array_chunk(array_map(static fn (mixed $n): float => is_int($n) ? $n / 8.0 : 0.0, array_values($numbers)), 3);
            $text = implode('', array_map(static fn (array $p): string => 'v '.implode(' ', $p)."\n", $points))."f 1 3 2\nf 1 2 4\nf 1 4 3\nf 2 3 4\n";
            $first = ObjReader::read(new TextSource($text))->mesh;
            $again = StlReader::read(new TextSource(StlWriter::write($first)))->mesh;
            self::assertSame([$first->vertices(), $first->triangles()], [$again->vertices(), $again->triangles()]);
            // Eighths are exact in the 32-bit numbers of a binary STL.
            self::assertEqualsWithDelta(self::volume($first), self::volume($again), 1e-6 * abs(self::volume($first)));
        });
    }

    /** @param  array<array-key, mixed>  $numbers */
    private static function tetrahedron(array $numbers): float
    {
        $n = array_map(static fn (mixed $v): float => is_int($v) ? $v / 8.0 : 0.0, array_values($numbers));
        [$a, $b, $c] = [[$n[3] - $n[0], $n[4] - $n[1], $n[5] - $n[2]], [$n[6] - $n[0], $n[7] - $n[1], $n[8] - $n[2]], [$n[9] - $n[0], $n[10] - $n[1], $n[11] - $n[2]]];

        return ($a[0] * ($b[1] * $c[2] - $b[2] * $c[1]) - $a[1] * ($b[0] * $c[2] - $b[2] * $c[0]) + $a[2] * ($b[0] * $c[1] - $b[1] * $c[0])) / 6.0;
    }

    /** Volume by the divergence theorem, in cubic mm: computed here, not by the reader's own mesh. */
    private static function volume(TriangleMesh $mesh): float
    {
        [$x, $y, $z] = $mesh->coordinates();
        $six = 0.0;
        foreach (array_chunk($mesh->corners(), 3) as $triangle) {
            [$a, $b, $c] = [$triangle[0], $triangle[1] ?? 0, $triangle[2] ?? 0];
            $six += $x[$a] * ($y[$b] * $z[$c] - $z[$b] * $y[$c]) - $y[$a] * ($x[$b] * $z[$c] - $z[$b] * $x[$c]) + $z[$a] * ($x[$b] * $y[$c] - $y[$b] * $x[$c]);
        }

        return $six / 6.0;
    }

    private static function model(string $build, string $unit = 'millimeter', string $more = ''): string
    {
        return <<<XML
            <?xml version="1.0" encoding="UTF-8"?>
            <model unit="{$unit}" xmlns="http://schemas.microsoft.com/3dmanufacturing/core/2015/02">
              <resources>
                <object id="1" type="model"><mesh>
                  <vertices><vertex x="0" y="0" z="0"/><vertex x="6" y="0" z="0"/><vertex x="0" y="4" z="0"/><vertex x="0" y="0" z="2"/></vertices>
                  <triangles><triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="0" v2="3" v3="2"/><triangle v1="1" v2="2" v3="3"/></triangles>
                </mesh></object>{$more}
              </resources>
              {$build}
            </model>
            XML;
    }
}
