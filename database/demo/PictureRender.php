<?php

declare(strict_types=1);

namespace Database\Demo;

use Database\Demo\Sculpt\Sculpt;
use Database\Demo\Sculpt\Solid;
use GdImage;
use Hyalin\Colour\Srgb;
use Hyalin\Finish\Zone;
use Hyalin\Light\LightStudy;
use Hyalin\Light\Sky;
use Hyalin\Light\ZoneMap;
use Hyalin\Mesh\MeshMeasures;
use Hyalin\Mesh\Normals;
use Hyalin\Mesh\SurfaceGraph;
use Hyalin\Mesh\TriangleMesh;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Draws the print files of a sculpt as if it were painted and photographed: each zone that the core finds on the mesh in its
 * paint, seen from the front and a little from above; the lamp has a slight cast, the camera some noise. Also finds, for each
 * area and zone, a spot that a painter would sample.
 *
 * @phpstan-type Hit array{int, float}
 */
final class PictureRender
{
    /** @var list<float> */
    private const STOPS = [0.06, 0.26, 0.5, 0.74, 0.94];

    /** To the lamp, as the picture lies: right, towards the camera, up. */
    private const LIGHT = [-0.42, 0.55, 0.72];

    private const FROM_ABOVE = 8.0;

    /** Linear gains of the lamp: a slightly warm bench light. */
    private const CAST = [1.02, 1.0, 0.965];

    /** Points drawn across one of the picture. */
    private const FINER = 2;

    /** Width of the brush strokes that blend the zones, by the tip of the brush. */
    private const BLENDED = 1.6;

    private const MARGIN = 0.05;

    /** Share of an area that is darker than its darkest paint, and lighter than its lightest. */
    private const TAILS = 0.04;

    /** @var list<list<array{float, float, float}>> linear RGB by area and zone */
    private array $ramps = [];

    /** @var array<int, Hit> area by its place among the ramps, and light 0..1, by point of the finer picture */
    private array $hits = [];

    private readonly int $width;

    private readonly int $height;

    private function __construct(private readonly Sculpt $sculpt, TriangleMesh $mesh, int $height)
    {
        foreach ($sculpt->ramps() as $ramp) {
            $this->ramps[] = array_map(static fn (string $hex): array => Srgb::hex($hex)->linear(), $ramp);
        }
        $this->height = $height;
        [$low, $high] = $mesh->bounds();
        $this->width = (int) round($height * max(0.6, min(1.4, ($high[0] - $low[0]) / ($high[2] - $low[2]))));
    }

    /** @param  int  $height  of the picture in pixels */
    public static function of(Sculpt $sculpt, int $height): self
    {
        [$mesh, $areas] = Sculpted::of($sculpt)->together();
        $render = new self($sculpt, $mesh, $height);
        $measures = MeshMeasures::of($mesh);
        $sky = Sky::around([0.0, 0.0, 1.0]);
        $study = LightStudy::of($mesh, $measures, $sky->directions);
        [$zones] = ZoneMap::studied($study, $sky, $measures->size());
        $painted = SurfaceGraph::of($study->working)->smoothed(
            array_map(static fn (int $zone): float => self::STOPS[$zone], $zones->ofVertices),
            self::BLENDED * ZoneMap::tip($measures->size()),
        );
        $render->draw($study, $areas, $painted);
        $render->stretch();

        return $render;
    }

    /** @param  int  $seed  of the noise */
    public function photo(int $seed): GdImage
    {
        $random = new Randomizer(new Mt19937($seed));
        $image = imagecreatetruecolor(max(1, $this->width), max(1, $this->height));
        for ($row = 0; $row < $this->height; $row++) {
            for ($column = 0; $column < $this->width; $column++) {
                $sum = [0.0, 0.0, 0.0];
                foreach ($this->pointsOf($row, $column) as $at) {
                    $linear = isset($this->hits[$at]) ? $this->paint(...$this->hits[$at]) : $this->backdrop($row);
                    foreach ($linear as $channel => $v) {
                        $sum[$channel] += $v / self::FINER ** 2;
                    }
                }
                $code = 0;
                foreach ($sum as $channel => $v) {
                    $noise = 1.6 * ($random->getInt(0, 1000) + $random->getInt(0, 1000) - 1000) / 1000;
                    $code = $code << 8 | max(0, min(255, (int) round(255 * Srgb::encode(min(1.0, $v * self::CAST[$channel])) + $noise)));
                }
                imagesetpixel($image, $column, $row, $code);
            }
        }

        return $image;
    }

    /**
     * What is to be seen where, without any paint: red is the number of the area, from 1 in the order of the ramps, or
     * 0 for the backdrop; green is the light that falls there. The simulated camera paints it.
     */
    public function map(): GdImage
    {
        $image = imagecreatetruecolor(max(1, $this->width), max(1, $this->height));
        for ($row = 0; $row < $this->height; $row++) {
            for ($column = 0; $column < $this->width; $column++) {
                $hit = $this->at($row, $column);
                imagesetpixel($image, $column, $row, $hit === null ? 0 : ($hit[0] + 1) << 16 | (int) round(255 * $hit[1]) << 8);
            }
        }

        return $image;
    }

    /**
     * A spot well inside each zone of each area.
     *
     * @return array<string, array<string, array{float, float, float}>> centre 0..1 and radius 0..1 of the width, by
     *                                                                   area and zone; a zone that is not to be seen
     *                                                                   is left out
     */
    public function spots(): array
    {
        $names = array_keys($this->sculpt->ramps());
        $found = [];
        foreach ([6, 5, 4, 3, 2, 1] as $radius) {
            for ($row = $radius; $row < $this->height - $radius; $row++) {
                for ($column = $radius; $column < $this->width - $radius; $column++) {
                    $here = $this->at($row, $column);
                    if ($here === null) {
                        continue;
                    }
                    [$area, $zone] = [$names[$here[0]], self::zone($here[1])->value];
                    if (! isset($found[$area][$zone]) && $this->isEven($here, $row, $column, $radius)) {
                        $found[$area][$zone] = [($column + 0.5) / $this->width, ($row + 0.5) / $this->height, $radius / $this->width];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param  list<string>  $areas  by triangle
     * @param  array<int, float>  $painted  0..1 by working vertex
     */
    private function draw(LightStudy $study, array $areas, array $painted): void
    {
        $mesh = $study->evaluated;
        $numbers = array_flip(array_keys($this->sculpt->ramps()));
        [$x, $y, $z] = $mesh->coordinates();
        $corners = $mesh->corners();
        [$nx, $ny, $nz] = Normals::ofVertices($x, $y, $z, $corners);
        [$cos, $sin] = [cos(deg2rad(self::FROM_ABOVE)), sin(deg2rad(self::FROM_ABOVE))];
        $right = $up = $near = $light = [];
        foreach ($x as $v => $at) {
            [$right[], $up[], $near[]] = [$at, $z[$v] * $cos + $y[$v] * $sin, $z[$v] * $sin - $y[$v] * $cos];
            $facing = $nx[$v] * self::LIGHT[0] + ($nz[$v] * $sin - $ny[$v] * $cos) * self::LIGHT[1] + ($nz[$v] * $cos + $ny[$v] * $sin) * self::LIGHT[2];
            $light[] = max(0.0, min(1.0, $painted[$study->vertexOf[$v] ?? $v] + 0.36 * (max(-0.5, $facing) - 0.5)));
        }
        [$width, $height] = [$this->width * self::FINER, $this->height * self::FINER];
        if ($right === [] || $up === []) {
            return;
        }
        [$left, $top] = [min($right), max($up)];
        $scale = (1 - 2 * self::MARGIN) * min($width / (max($right) - $left), $height / ($top - min($up)));
        [$left, $top] = [$left - ($width / $scale - (max($right) - $left)) / 2, $top + ($height / $scale - ($top - min($up))) / 2];
        $depth = [];
        for ($t = 0, $n = intdiv(count($corners), 3); $t < $n; $t++) {
            [$a, $b, $c] = [$corners[3 * $t], $corners[3 * $t + 1], $corners[3 * $t + 2]];
            [$ax, $ay, $bx, $by, $cx, $cy] = [($right[$a] - $left) * $scale, ($top - $up[$a]) * $scale, ($right[$b] - $left) * $scale, ($top - $up[$b]) * $scale, ($right[$c] - $left) * $scale, ($top - $up[$c]) * $scale];
            $twice = ($bx - $ax) * ($cy - $ay) - ($cx - $ax) * ($by - $ay);
            if ($twice >= 0.0) {
                // Seen from behind: the picture runs downwards.
                continue;
            }
            $number = $numbers[$areas[$study->parentOf[$t] ?? $t]];
            for ($py = (int) ceil(min($ay, $by, $cy)), $toY = (int) floor(max($ay, $by, $cy)); $py <= $toY; $py++) {
                for ($px = (int) ceil(min($ax, $bx, $cx)), $toX = (int) floor(max($ax, $bx, $cx)); $px <= $toX; $px++) {
                    $u = (($bx - $px) * ($cy - $py) - ($cx - $px) * ($by - $py)) / $twice;
                    $v = (($cx - $px) * ($ay - $py) - ($ax - $px) * ($cy - $py)) / $twice;
                    $w = 1 - $u - $v;
                    if ($u < 0.0 || $v < 0.0 || $w < 0.0) {
                        continue;
                    }
                    $at = $py * $width + $px;
                    $distance = $u * $near[$a] + $v * $near[$b] + $w * $near[$c];
                    if ($distance > ($depth[$at] ?? -1e9)) {
                        $depth[$at] = $distance;
                        $this->hits[$at] = [$number, $u * $light[$a] + $v * $light[$b] + $w * $light[$c]];
                    }
                }
            }
        }
    }

    /** Who paints an area uses the whole ramp on it, wherever it stands. */
    private function stretch(): void
    {
        $lights = [];
        foreach ($this->hits as [$area, $light]) {
            $lights[$area][] = $light;
        }
        $range = [];
        foreach ($lights as $area => $of) {
            sort($of);
            $range[$area] = [$of[(int) (self::TAILS * count($of))], $of[(int) ((1 - self::TAILS) * count($of))]];
        }
        foreach ($this->hits as $at => [$area, $light]) {
            [$low, $high] = $range[$area];
            $this->hits[$at][1] = max(0.0, min(1.0, 0.03 + 0.94 * ($light - $low) / max(0.01, $high - $low)));
        }
    }

    /** @return list<int> points of the finer picture that make up one of the picture */
    private function pointsOf(int $row, int $column): array
    {
        $points = [];
        for ($r = 0; $r < self::FINER; $r++) {
            for ($c = 0; $c < self::FINER; $c++) {
                $points[] = ($row * self::FINER + $r) * $this->width * self::FINER + $column * self::FINER + $c;
            }
        }

        return $points;
    }

    /** @return Hit|null */
    private function at(int $row, int $column): ?array
    {
        return $this->hits[$this->pointsOf($row, $column)[0]] ?? null;
    }

    /** @param  Hit  $here */
    private function isEven(array $here, int $row, int $column, int $radius): bool
    {
        foreach ([[-1, 0], [1, 0], [0, -1], [0, 1], [-0.7, -0.7], [0.7, 0.7], [-0.7, 0.7], [0.7, -0.7]] as [$dy, $dx]) {
            $there = $this->at($row + (int) round($dy * $radius), $column + (int) round($dx * $radius));
            if ($there === null || $there[0] !== $here[0] || self::zone($there[1]) !== self::zone($here[1])) {
                return false;
            }
        }

        return true;
    }

    private static function zone(float $light): Zone
    {
        $nearest = 0;
        foreach (self::STOPS as $i => $stop) {
            if (abs($light - $stop) < abs($light - self::STOPS[$nearest])) {
                $nearest = $i;
            }
        }

        return Zone::cases()[$nearest];
    }

    /** @return array{float, float, float} linear RGB */
    private function paint(int $area, float $light): array
    {
        $ramp = $this->ramps[$area];
        $i = 0;
        while ($i < 3 && $light > self::STOPS[$i + 1]) {
            $i++;
        }
        // Soft steps: each zone has a plateau, as layers of paint have.
        $t = Solid::step(self::STOPS[$i], self::STOPS[$i + 1], $light);

        return [
            $ramp[$i][0] + $t * ($ramp[$i + 1][0] - $ramp[$i][0]),
            $ramp[$i][1] + $t * ($ramp[$i + 1][1] - $ramp[$i][1]),
            $ramp[$i][2] + $t * ($ramp[$i + 1][2] - $ramp[$i][2]),
        ];
    }

    /** @return array{float, float, float} */
    private function backdrop(int $row): array
    {
        $v = 0.30 - 0.12 * $row / $this->height;

        return [$v, $v, $v];
    }
}
