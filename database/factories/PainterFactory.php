<?php

declare(strict_types=1);

namespace Database\Factories;

use App\Models\Painter;
use Illuminate\Database\Eloquent\Factories\Factory;
use Illuminate\Support\Str;

/**
 * @extends Factory<Painter>
 */
final class PainterFactory extends Factory
{
    protected $model = Painter::class;

    /** @return array<string, string> */
    public function definition(): array
    {
        return [
            'name' => 'A Painter',
            'email' => Str::lower(Str::random(12)).'@hyalin.example',
            'password' => 'a long enough password',
        ];
    }
}
