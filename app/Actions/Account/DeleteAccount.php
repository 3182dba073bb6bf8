<?php

declare(strict_types=1);

namespace App\Actions\Account;

use App\Actions\Brief\DeleteFigure;
use App\Adapters\BenchFile\BenchWriter;
use App\Adapters\Incoming;
use App\Adapters\StoredFile;
use App\Models\Painter;
use App\Models\Shelf\SheetPhoto;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Throwable;

/**
 * A painter leaves, with figures, shelf and records, and the files of all of them. The bench is written to a farewell file
 * first; the records go in one transaction, and their files after it.
 */
final class DeleteAccount
{
    public const FAREWELLS = 'farewells';

    /** Days for which a farewell file can be fetched. */
    private const KEPT = 7;

    /**
     * @param  string|null  $heir  e-mail of who owns the installation from now on, where its owner leaves; the longest-standing painter by default
     * @return string name of the farewell file
     *
     * @throws ValidationException when the heir is nobody here; nothing is deleted then
     */
    public function __invoke(Painter $painter, ?string $heir = null): string
    {
        $farewell = self::written($painter);
        $files = [
            ...$painter->figures()->get()->flatMap(DeleteFigure::files(...)),
            ...Incoming::paths($painter),
            ...SheetPhoto::query()->whereHas('sheet', static fn (Builder $sheet) => $sheet->where('painter_id', $painter->id))->whereNotNull('path')->pluck('path'),
        ];
        try {
            DB::transaction(static function () use ($painter, $heir): void {
                self::handOver($painter, $heir);
                // What refers to pots goes before them: a pot that a record names is never deleted beneath it.
                $painter->figures()->delete();
                $painter->cups()->delete();
                DB::table('chips')->where('painter_id', $painter->id)->delete();
                $painter->delete();
            });
        } catch (Throwable $e) {
            // The account stays, so nobody says goodbye.
            StoredFile::forget(self::FAREWELLS."/{$farewell}");
            throw $e;
        }
        foreach (array_filter($files, is_string(...)) as $file) {
            StoredFile::forget($file);
        }

        return $farewell;
    }

    /** Deletes farewell files that nobody fetched in time. */
    public static function tidy(): void
    {
        $disk = Storage::disk('local');
        foreach (array_filter($disk->files(self::FAREWELLS), is_string(...)) as $file) {
            if ($disk->lastModified($file) < now()->subDays(self::KEPT)->getTimestamp()) {
                $disk->delete($file);
            }
        }
    }

    private static function written(Painter $painter): string
    {
        $name = Str::random(40).'.zip';
        $path = (string) tempnam(sys_get_temp_dir(), 'farewell');
        try {
            BenchWriter::write($path, $painter);
            StoredFile::take(self::FAREWELLS."/{$name}", $path);
        } finally {
            @unlink($path);
        }

        return $name;
    }

    private static function handOver(Painter $painter, ?string $heir): void
    {
        if (! $painter->is_owner) {
            return;
        }
        $others = Painter::query()->whereKeyNot($painter->id)->where('email', '!=', SignUp::DEMO_EMAIL);
        $next = $heir === null
            ? $others->orderBy('id')->first()
            : $others->where('email', $heir)->first() ?? throw ValidationException::withMessages(['heir' => "{$heir} has no account here. Nothing was deleted."]);
        if ($next !== null) {
            $painter->forceFill(['is_owner' => false])->save();
            $next->forceFill(['is_owner' => true])->save();
        }
    }
}
