<?php

declare(strict_types=1);

namespace Tests\Core\Formats;

use Hyalin\Colour\Srgb;
use Hyalin\Formats\Meshes\PlyWriter;
use Hyalin\Formats\Meshes\StlReader;
use Hyalin\Formats\Meshes\StlWriter;
use Hyalin\Light\Pose;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\TriangleMesh;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Shapes;
use Tests\Support\TextSource;

/**
 * Meshes out: what is written is what a reader of the published layouts finds.
 */
final class MeshWritersTest extends TestCase
{
    /** @return iterable<string, array{TriangleMesh}> */
    public static function meshes(): iterable
    {
        yield 'a triangle' => [TriangleMesh::build([[0.0, 0.0, 0.0], [3.0, 0.0, 0.0], [0.0, 4.0, 0.0]], [[0, 1, 2]])];
        yield 'a ball' => [Shapes::ball(7.5, 18, atX: 3.0)];
        yield 'more than one piece of work' => [Shapes::both(Shapes::ball(5.0, 40), Shapes::box(4.0, 4.0, 4.0, 12))];
        yield 'a mirrored box' => [Pose::of([1.0, 2.0, 3.0], mirrored: true)->applied(Shapes::box(1.0, 2.0, 3.0, 2))];
    }

    /** Binary STL as 3D Systems published it in 1989: 80 bytes, a count, then 50 bytes a triangle. */
    #[DataProvider('meshes')]
    public function test_stl_comes_back_triangle_by_triangle(TriangleMesh $mesh): void
    {
        $bytes = StlWriter::write($mesh);
        self::assertSame(84 + 50 * $mesh->triangles(), strlen($bytes));
        self::assertSame($bytes, implode('', [...StlWriter::parts($mesh)]));
        self::assertStringStartsNotWith('solid', $bytes);
        $back = StlReader::read(new TextSource($bytes))->mesh;
        self::assertSame($mesh->triangles(), $back->triangles());
        self::assertSame(self::soup($mesh), self::soup($back));
        [$one, $two] = [MeshMeasures::of($mesh), MeshMeasures::of($back)];
        self::assertEqualsWithDelta([$one->areaMm2, $one->volumeMm3, $one->openEdges, $one->shells], [$two->areaMm2, $two->volumeMm3, $two->openEdges, $two->shells], 1e-9);
        // Each normal has length 1 and stands on its triangle.
        for ($t = 0; $t < $mesh->triangles(); $t++) {
            /** @var array<int, float> $f */
            $f = unpack('g12', substr($bytes, 84 + 50 * $t, 48));
            self::assertEqualsWithDelta(1.0, $f[1] ** 2 + $f[2] ** 2 + $f[3] ** 2, 1e-5);
            self::assertEqualsWithDelta(0.0, ($f[7] - $f[4]) * $f[1] + ($f[8] - $f[5]) * $f[2] + ($f[9] - $f[6]) * $f[3], 1e-4);
        }
    }

    /** PLY (G. Turk, 1994): a header in words, vertices and faces after it in the order it says. */
    #[DataProvider('meshes')]
    public function test_ply_holds_a_number_and_a_colour_of_every_vertex(TriangleMesh $mesh): void
    {
        $values = $colours = [];
        for ($v = 0; $v < $mesh->vertices(); $v++) {
            $values[] = $v / max(1, $mesh->vertices());
            $colours[] = Srgb::of($v % 7 / 6, $v % 5 / 4, $v % 3 / 2);
        }
        foreach ([[16, null], [19, $colours]] as [$stride, $paint]) {
            $writer = PlyWriter::plain()->withFloats('exposure', $values);
            $ply = ($paint === null ? $writer : $writer->withColours($paint))->write($mesh);
            [$head, $body] = explode("end_header\n", $ply, 2);
            self::assertStringStartsWith("ply\nformat binary_little_endian 1.0\n", $head);
            self::assertStringContainsString("element vertex {$mesh->vertices()}\n", $head);
            self::assertStringContainsString("element face {$mesh->triangles()}\nproperty list uchar int vertex_indices\n", $head);
            self::assertSame($paint !== null, str_contains($head, "property uchar red\nproperty uchar green\nproperty uchar blue\n"));
            self::assertSame($stride * $mesh->vertices() + 13 * $mesh->triangles(), strlen($body));
            foreach ($values as $v => $value) {
                $own = substr($body, $stride * $v, $stride);
                self::assertSame(substr($mesh->positions, 12 * $v, 12), substr($own, 0, 12));
                /** @var array{e: float} $e */
                $e = unpack('ge', substr($own, 12, 4));
                self::assertEqualsWithDelta($value, $e['e'], 1e-6);
                if ($paint !== null) {
                    self::assertSame($paint[$v]->toBytes(), array_map(ord(...), str_split(substr($own, 16))));
                }
            }
            $faces = substr($body, $stride * $mesh->vertices());
            $indices = '';
            for ($t = 0; $t < $mesh->triangles(); $t++) {
                self::assertSame("\x03", $faces[13 * $t]);
                $indices .= substr($faces, 13 * $t + 1, 12);
            }
            self::assertSame($mesh->indices, $indices);
        }
    }

    /** @return string corners of every triangle, as bytes, whatever number they have */
    private static function soup(TriangleMesh $mesh): string
    {
        return implode('', array_map(static fn (int $v): string => substr($mesh->positions, 12 * $v, 12), $mesh->corners()));
    }
}
