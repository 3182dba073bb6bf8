<?php

declare(strict_types=1);

use App\Actions\Shelf\EstimatePaint;
use App\Models\Shelf\Paint;
use Hyalin\Optics\OpticsQuality;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;
use Illuminate\Validation\ValidationException;

/**
 * Varnish, medium and thinner were estimated as if they were white paint, and every typed colour as if it had been seen in
 * gloss. What was estimated is estimated again from what the painter typed; what was measured stays as it was read.
 */
return new class extends Migration
{
    private const CHUNK = 200;

    public function up(): void
    {
        Schema::table('paints', static function (Blueprint $table): void {
            // Of a clear pot: one coat on white; null for none.
            $table->string('tint_hex')->nullable();
        });
        Schema::table('areas', static function (Blueprint $table): void {
            // Of its finish where no varnish sets another; null for that of the figure.
            $table->string('sheen')->nullable();
        });
        $estimate = new EstimatePaint;
        Paint::withTrashed()->where('quality', OpticsQuality::Estimated)->chunkById(self::CHUNK, static function (iterable $paints) use ($estimate): void {
            foreach ($paints as $paint) {
                try {
                    $optics = $estimate($paint);
                } catch (ValidationException) {
                    // A colour that no paint can have was let in once: what is stored of it stays.
                    continue;
                }
                $paint->timestamps = false;
                $paint->fill(['absorption' => $optics->k, 'scattering' => $optics->s])->save();
            }
        });
    }
};
