<?php

declare(strict_types=1);

namespace App\Http\Controllers\Bench;

use App\Actions\Bench\ImportBench;
use App\Adapters\BenchFile\BenchReader;
use App\Adapters\BenchFile\BenchWriter;
use App\Adapters\BenchFile\UnreadableBench;
use App\Http\Named;
use App\Models\Brief\Figure;
use App\Models\Painter;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * The bench as an open file, out and in.
 */
final class BenchFileController
{
    public function export(#[CurrentUser] Painter $painter): BinaryFileResponse
    {
        return self::file($painter, null, 'bench');
    }

    public function figure(Figure $figure, #[CurrentUser] Painter $painter): BinaryFileResponse
    {
        return self::file($painter, $figure, $figure->name);
    }

    /** @throws ValidationException when it cannot be read, or would bring a second figure of a name unasked */
    public function import(Request $request, ImportBench $import, #[CurrentUser] Painter $painter): JsonResponse
    {
        $request->validate(['both' => ['sometimes', 'boolean']]);
        $file = $request->file('bench');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages(['bench' => 'No file arrived: it may be larger than this server allows. Nothing was added.']);
        }
        try {
            $reader = BenchReader::open($file->getPathname());
            $clashes = ImportBench::clashes($painter, $reader);
            if ($clashes !== [] && ! $request->boolean('both')) {
                throw ValidationException::withMessages(['both' => 'You have '.implode(', ', $clashes).' already. Nothing was added yet: import it as a copy, under another name, or cancel.']);
            }
            $counts = $import($painter, $reader);
        } catch (UnreadableBench $e) {
            throw ValidationException::withMessages(['bench' => $e->getMessage().' Nothing was added.']);
        }

        return new JsonResponse(['message' => self::words($counts)], JsonResponse::HTTP_CREATED);
    }

    private static function file(Painter $painter, ?Figure $figure, string $name): BinaryFileResponse
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'bench');
        BenchWriter::write($path, $painter, $figure);

        return (new BinaryFileResponse($path, 200, [
            'Content-Type' => 'application/zip', 'Content-Disposition' => Named::file($name, '.hyalin.zip'), 'Cache-Control' => 'private, no-store',
        ], false))->deleteFileAfterSend();
    }

    /** @param  array<string, int>  $counts */
    private static function words(array $counts): string
    {
        $words = [];
        foreach (['figures' => 'figure', 'paints' => 'pot', 'layers' => 'layer', 'runs' => 'run', 'pictures' => 'picture'] as $table => $word) {
            $count = $counts[$table] ?? 0;
            $words[] = "{$count} {$word}".($count === 1 ? '' : 's');
        }

        return 'Imported: '.implode(', ', $words).'.';
    }
}
