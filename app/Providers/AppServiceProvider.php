<?php

declare(strict_types=1);

namespace App\Providers;

use App\Adapters\Corrections;
use App\Adapters\Hands;
use App\Adapters\PaintNeeds;
use App\Database\ImmediateSQLiteConnection;
use App\Devices\Camera;
use App\Devices\ColourReader;
use App\Devices\DropScale;
use App\Devices\SimulatedCamera;
use App\Devices\SimulatedColourReader;
use App\Devices\SimulatedDropScale;
use App\Models\Chip;
use App\Models\Correction;
use App\Models\Cup;
use App\Models\Figure;
use App\Models\MixSearch;
use App\Models\Paint;
use App\Models\ProposalSearch;
use App\Models\Run;
use App\Models\SetAsideEdit;
use App\Models\ShelfImport;
use App\Models\Timer;
use App\Policies\OwnerPolicy;
use Closure;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(Hands::class);
        $this->app->scoped(Corrections::class);
        $this->app->scoped(PaintNeeds::class);
        $this->app->bind(ColourReader::class, SimulatedColourReader::class);
        $this->app->bind(DropScale::class, SimulatedDropScale::class);
        $this->app->bind(Camera::class, SimulatedCamera::class);
        Connection::resolverFor(
            'sqlite',
            fn (PDO|Closure $pdo, string $database, string $prefix, array $config): Connection => new ImmediateSQLiteConnection($pdo, $database, $prefix, $config),
        );
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        foreach ([Chip::class, Correction::class, Cup::class, Figure::class, MixSearch::class, Paint::class, ProposalSearch::class, Run::class, SetAsideEdit::class, ShelfImport::class, Timer::class] as $model) {
            Gate::policy($model, OwnerPolicy::class);
        }
        // By address and by name: guessing one painter's password from many places is slowed as well.
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinute(2 * config()->integer('hyalin.sign_ins_a_minute'))->by('address:'.$request->ip()),
            Limit::perMinute(config()->integer('hyalin.sign_ins_a_minute'))->by('name:'.$request->string('email')->lower()),
        ]);
    }
}
