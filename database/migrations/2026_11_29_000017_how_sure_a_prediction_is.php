<?php

declare(strict_types=1);

use App\Actions\Shelf\ReestimatePots;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('paints', static function (Blueprint $table): void {
            // How far K and S may be from the truth, as Optics\OpticsSpread writes it; null for the usual of its quality.
            $table->json('spread')->nullable();
        });
        Schema::table('areas', static function (Blueprint $table): void {
            // Light and shade, true metal, a flat sign or an eye: what is proposed for it, and what its zones are called.
            $table->string('form')->default('light and shade');
        });
        Schema::table('parts', static function (Blueprint $table): void {
            // Its print, where it is not that of the figure: the colour as seen before white, and how much light goes through.
            $table->string('bare_hex')->nullable();
            $table->float('translucency')->nullable();
        });
        Schema::table('samples', static function (Blueprint $table): void {
            // A colour can be wanted without any picture of it: then it says where it is from.
            $table->foreignId('picture_id')->nullable()->change();
            $table->string('source')->nullable();
        });
        Schema::table('technique_hands', static function (Blueprint $table): void {
            // From one chip to the next, as standard deviation of the logarithm of the thickness.
            $table->float('scatter')->default(0.15);
        });
        Schema::table('painters', static function (Blueprint $table): void {
            // Standard deviation of a reading, as reflectance; null for that of the device or the source.
            $table->float('reader_noise')->nullable();
            // How much one coat differs from the next, relative.
            $table->float('coat_spread')->default(0.15);
        });
        Schema::create('lessons', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('painter_id')->index()->constrained()->cascadeOnDelete();
            $table->foreignId('figure_id')->index()->constrained()->cascadeOnDelete();
            $table->foreignId('picture_id')->index()->constrained()->cascadeOnDelete();
            // What pots and hands were before, and what was said of each.
            $table->json('before');
            $table->json('words');
            $table->timestamp('undone_at')->nullable();
            $table->timestamps();
        });
        // Scattering of what is only estimated runs over the wavelengths now as it does in pigments.
        app(ReestimatePots::class)();
    }
};
