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
    /** Pixels; the browser draws it as large (viewer.ts). */
    private const SIDE = 900;

    /** Decoded at once, as it is drawn for this: a browser sends it as large as it is kept. */
    private const PIXELS = 3_000_000;

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
            // PHP warns of damage behind the header; decoding reports it in words.
            $size = @getimagesizefromstring($still);
            if ($size !== false && $size[0] * $size[1] > self::PIXELS) {
                throw ValidationException::withMessages(['still' => 'A view is kept with '.self::SIDE.' pixels on its longer side; this one has '.$size[0].' by '.$size[1].'. Nothing was kept: send it smaller.']);
            }
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
