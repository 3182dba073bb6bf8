<?php

declare(strict_types=1);

namespace Tests\Siege;

use App\Http\Controllers\SignInController;
use App\Models\Brief\Figure;
use App\Models\Painter;
use App\Models\Shelf\SwatchSheet;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route as Routes;
use ReflectionClass;
use ReflectionNamedType;

/**
 * Every route with everything that a browser would never send: lists for words, words for numbers, numbers beyond reason, ids of
 * nothing, text that is no text.
 */
final class RequestsTest extends Siege
{
    public function test_no_request_is_a_fault(): void
    {
        $this->openDemo();
        Queue::fake();
        $this->actingAs($ines = Painter::query()->where('email', SignInController::DEMO_EMAIL)->sole());
        $records = $this->records($ines);
        $routes = array_values(array_filter(Routes::getRoutes()->getRoutes(), static fn (Route $r): bool => in_array('web', $r->gatherMiddleware(), true) && ! str_starts_with($r->uri(), 'health')));
        if ($routes === []) {
            self::fail('there is no route');
        }
        for ($n = $this->times(100); $n > 0; $n--) {
            $route = $this->pick($routes);
            $method = $route->methods()[0];
            // What is deleted for good cannot be thrown at again.
            $isOwn = $method !== 'DELETE' && $this->dice->getInt(0, 9) > 1;
            $path = (string) preg_replace_callback('/{(\w+)\??}/', fn (array $m): string => rawurlencode($isOwn && isset($records[$m[1]]) ? (string) $records[$m[1]] : $this->pick(['0', '-1', '999999', '99999999999999999999', 'x', "\u{0}", "' or 1=1", '1.5', 'null', '%2e%2e', str_repeat('9', 300)])), $route->uri());
            /** @var array<string, mixed> $body */
            $body = [];
            foreach (self::keys($route) as $key) {
                if ($this->dice->getInt(0, 3) > 0) {
                    data_set($body, str_replace('*', (string) $this->dice->getInt(0, 1), $key), $this->value($records));
                }
            }
            assert(is_array($body));
            $what = "{$method} {$path} ".substr((string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 600);
            $this->survives($what, fn () => $this->dice->getInt(0, 3) === 0
                ? $this->call($method, $path, $body, files: $this->dice->getInt(0, 1) === 0 ? ['file' => UploadedFile::fake()->create('x.bin', 3), 'picture' => UploadedFile::fake()->create('x.png', 3)] : [])
                : $this->json($method, $path, $body));
            $this->actingAs($ines);
        }
    }

    /** @return array<string, int|string> one of the painter's own for every parameter of a route */
    private function records(Painter $ines): array
    {
        $figure = $ines->figures()->whereHas('runs')->first() ?? $ines->figures()->firstOrFail();
        $records = ['figure' => $figure->id, 'run' => $figure->runs()->first()->id ?? 0, 'swatch' => 'thick', 'zone' => 'mid', 'format' => 'csv', 'key' => str_repeat('A', 26), 'token' => 'x'];
        foreach (['areas' => 'area', 'parts' => 'part', 'pictures' => 'picture', 'meshes' => 'mesh', 'versions' => 'version', 'joints' => 'joint', 'boundaries' => 'boundary', 'ownRules' => 'ownRule', 'ownSteps' => 'ownStep', 'balances' => 'balance', 'meshUploads' => 'meshUpload'] as $relation => $name) {
            $first = Figure::query()->find($figure->id)?->{$relation}()->first();
            $records[$name] = $first instanceof Model && is_int($first->getKey()) ? $first->getKey() : 0;
        }
        $records['paint'] = $ines->paints()->firstOrFail()->id;
        $sheet = new SwatchSheet;
        $sheet->painter_id = $ines->id;
        $sheet->save();
        $sheet->fields()->create(['position' => 0, 'paint_id' => $records['paint']]);
        $records['sheet'] = $sheet->id;
        $records['photo'] = $sheet->photos()->create()->id;
        $records['step'] = $figure->runs()->first()?->steps()->first()->id ?? 0;

        return $records;
    }

    /** @return list<string> what the controller of a route reads, as far as its text tells */
    private static function keys(Route $route): array
    {
        $class = $route->getControllerClass();
        if ($class === null || ! class_exists($class)) {
            return [];
        }
        $files = [(new ReflectionClass($class))->getFileName()];
        $method = $route->getActionMethod();
        $action = new ReflectionClass($class);
        foreach ($action->hasMethod($method) ? $action->getMethod($method)->getParameters() : [] as $parameter) {
            $type = $parameter->getType();
            if ($type instanceof ReflectionNamedType && str_starts_with($type->getName(), 'App\Http\Requests') && class_exists($type->getName())) {
                $files[] = (new ReflectionClass($type->getName()))->getFileName();
            }
        }
        preg_match_all('/\'([a-z][A-Za-z]*(?:\.[A-Za-z*]+)*)\' => \[|(?:integer|string|float|boolean|array|filled|has|enum|input)\(\'(\w+)\'/', implode('', array_map(static fn (string|false $f): string => $f === false ? '' : (string) file_get_contents($f), $files)), $found);

        return array_values(array_unique(array_filter([...$found[1], ...$found[2]])));
    }

    /** @param  array<string, int|string>  $records */
    private function value(array $records, int $deep = 0): mixed
    {
        return $this->pick([
            null, true, false, 0, 1, 2, -1, 0.5, 1e300, -1e300, 1e-300, PHP_INT_MAX, PHP_INT_MIN, '', ' ', 'x', '1', '-0.0', '0x1F', '1e5', 'NaN', 'INF', "a\u{0}b", "\xC3\x28", "\u{202E}", str_repeat('y', 5000), '#000000', '#5c7434', 'mid', 'wash', 'base coat', 'done', '20:00', '2026-11-29', '9999-12-31', str_repeat('A', 26),
            ...array_values($records),
            ...$deep > 2 ? [] : [[], [$this->value($records, $deep + 1)], [$this->value($records, $deep + 1), $this->value($records, $deep + 1), $this->value($records, $deep + 1)], ['x' => $this->value($records, $deep + 1)], [['at' => [0, 0, 1], 'areaId' => $records['area'], 'paintId' => $records['paint'], 'drops' => 1, 'key' => 'k', 'mix' => [], 'layers' => []]]],
        ]);
    }
}
