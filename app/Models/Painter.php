<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\PainterFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property list<string>|null $schools that differ from the default
 */
final class Painter extends User
{
    /** @use HasFactory<PainterFactory> */
    use HasFactory;

    protected $fillable = ['name', 'email', 'password', 'schools'];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'schools' => 'array'];
    }

    /** @return HasMany<Paint, $this> */
    public function paints(): HasMany
    {
        return $this->hasMany(Paint::class)->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Figure, $this> */
    public function figures(): HasMany
    {
        return $this->hasMany(Figure::class)->orderBy('id');
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    /** @return HasMany<MixSearch, $this> */
    public function mixSearches(): HasMany
    {
        return $this->hasMany(MixSearch::class);
    }

    /** @return HasMany<Cup, $this> */
    public function cups(): HasMany
    {
        return $this->hasMany(Cup::class)->orderBy('id');
    }
}
