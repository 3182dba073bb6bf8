<?php

declare(strict_types=1);

namespace App\Actions\Light;

use App\Adapters\References\PictureIntake;
use App\Adapters\References\UnreadablePicture;
use App\Adapters\StoredFile;
use App\Models\Light\LightRecord;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Keeps from where a figure is looked at, and a still picture of it from there.
 *
 * @phpstan-import-type Camera from LightRecord
 */
final class SaveView
{
    private const SIDE = 900;

    /**
     * @param  Camera  $camera
     * @param  string|null  $still  as the browser drew it; null keeps the one there is
     *
     * @throws ValidationException when it is no picture; nothing is kept then
     */
    public function __invoke(LightRecord $light, array $camera, ?string $still): void
    {
        $old = $light->still;
        if ($still !== null) {
            try {
                $intake = PictureIntake::of($still, self::SIDE);
            } catch (UnreadablePicture $e) {
                throw ValidationException::withMessages(['still' => $e->getMessage()]);
            }
            $light->still = 'pictures/'.Str::ulid()->toBase32().'.png';
            StoredFile::put($light->still, $intake->png);
        }
        $light->camera = $camera;
        $light->save();
        if ($old !== null && $old !== $light->still) {
            Storage::disk('local')->delete($old);
        }
    }
}
