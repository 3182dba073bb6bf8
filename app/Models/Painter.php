<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Bench\Run;
use App\Models\Bench\ScheduleRecord;
use App\Models\Bench\Timer;
use App\Models\Brief\Figure;
use App\Models\Cups\CupRecord;
use App\Models\Shelf\Paint;
use Database\Factories\PainterFactory;
use Hyalin\Bench\DryingAid;
use Hyalin\Measuring\SwatchReadings;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Foundation\Auth\User;
use Illuminate\Notifications\Notifiable;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property list<string>|null $schools that differ from the default
 * @property list<array{day: int, start: string, minutes: int}>|null $bench_hours day 1 is Monday
 * @property array<string, array{start: string, minutes: int}|null>|null $bench_exceptions by date; null for no session
 * @property bool $is_owner of this installation: invites others
 * @property string|null $time_zone
 * @property int|null $clock_hours 12 or 24; null for as the browser has it
 * @property int $first_weekday 1 for Monday
 * @property string $length_unit mm or in: how lengths are written; they are kept in mm
 * @property string $volume_unit mL or drops, alike
 * @property DryingAid $drying_aid
 * @property float|null $reader_noise standard deviation of a reading, as reflectance; null for that of the source
 * @property float $coat_spread how much one coat differs from the next, relative
 */
final class Painter extends User
{
    /** @use HasFactory<PainterFactory> */
    use HasFactory;

    use Notifiable;

    protected $fillable = ['name', 'email', 'password', 'schools', 'bench_hours', 'bench_exceptions', 'time_zone', 'clock_hours', 'first_weekday', 'length_unit', 'volume_unit', 'drying_aid', 'reader_noise', 'coat_spread'];

    protected $attributes = ['clock_hours' => null, 'first_weekday' => 1, 'length_unit' => 'mm', 'volume_unit' => 'mL', 'drying_aid' => 'still air', 'coat_spread' => SwatchReadings::USUAL_SPREAD];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'schools' => 'array', 'is_owner' => 'boolean', 'bench_hours' => 'array', 'bench_exceptions' => 'array', 'drying_aid' => DryingAid::class, 'reader_noise' => 'float', 'coat_spread' => 'float'];
    }

    /** @return HasMany<Paint, $this> */
    public function paints(): HasMany
    {
        return $this->hasMany(Paint::class)->orderBy('position')->orderBy('id');
    }

    /** @return HasMany<Figure, $this> */
    public function figures(): HasMany
    {
        return $this->hasMany(Figure::class)->orderBy('id')->chaperone('painter');
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    /** @return HasMany<CupRecord, $this> */
    public function cups(): HasMany
    {
        return $this->hasMany(CupRecord::class)->orderBy('id');
    }

    /** @return HasMany<Timer, $this> */
    public function timers(): HasMany
    {
        return $this->hasMany(Timer::class)->orderBy('ends_at');
    }

    /** @return HasOne<ScheduleRecord, $this> */
    public function schedule(): HasOne
    {
        return $this->hasOne(ScheduleRecord::class);
    }
}
