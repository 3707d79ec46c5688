<?php

declare(strict_types=1);

namespace App\Providers;

use App\Accounts\SignedInPeople;
use App\Accounts\SignedInSessions;
use App\Http\Progress;
use App\Http\RequestChecks;
use App\Library\StudioTables;
use App\Line\CameraLine;
use App\Models\Client;
use App\Models\Trainer;
use App\Progress\CuffLine;
use App\Support\DeviceLine;
use App\Support\Happened;
use App\Support\KeptConnector;
use App\Support\Remembered;
use App\Support\RetryingConnection;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\KeptDrawings;
use EvenRungs\Storage\WordFiles;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Events\TransactionRolledBack;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.mariadb', KeptConnector::class);
        Connection::resolverFor('mariadb', static fn (mixed ...$of): RetryingConnection => new RetryingConnection(...$of));
        $this->app->singleton(StudioTables::class);
        $this->app->scoped(Happened::class);
        $this->app->scoped(Progress::class);
        $this->app->singleton(Remembered::class);
        $this->app->singleton(
            RequestChecks::class,
            static fn (): RequestChecks => new RequestChecks(
                base_path('api/openapi.json'),
                getenv('EVEN_RUNGS_SERVED') === false ? null : storage_path('framework/checks.php'),
            ),
        );
        $this->app->singleton(CuffLine::class, static fn (): CuffLine => new CuffLine(new DeviceLine((string) config('devices.cuff'))));
        $this->app->singleton(
            CameraLine::class,
            static fn (): CameraLine => new CameraLine(new DeviceLine((string) config('devices.camera'))),
        );
        $this->app->singleton(WordFiles::class, WordFiles::shipped(...));
        $this->app->singleton(KeptDrawings::class, static fn (): KeptDrawings => new KeptDrawings(public_path('drawn')));
        $this->app->singleton(
            DataFolder::class,
            static fn (Application $app): DataFolder => DataFolder::shipped(
                storage_path('framework/cache/built-library'),
                $app->make(StudioTables::class),
                getenv('EVEN_RUNGS_SERVED') ?: null,
            ),
        );
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        $forget = fn () => $this->app->make(Remembered::class)->forget();
        DB::connection()->beforeExecuting(
            static fn (string $statement) => Remembered::isReading($statement) ? null : $forget(),
        );
        Event::listen(TransactionRolledBack::class, $forget);
        Session::extend(
            'signed-in',
            static fn (Application $app): SignedInSessions => new SignedInSessions(
                DB::connection(),
                (string) config('session.table'),
                (int) config('session.lifetime'),
                $app,
            ),
        );
        Auth::provider(
            'signed-in',
            static fn (Application $app): SignedInPeople => new SignedInPeople($app->make('hash'), Trainer::class),
        );
        // addresses without a host: the pages work behind whatever name and port they are reached by
        Vite::createAssetPathsUsing(static fn (string $path): string => '/'.$path);
        // a number of the database, and none that it cannot hold
        Route::patterns(array_fill_keys(['change', 'clearance', 'session', 'template', 'week', 'word'], '[0-9]{1,18}'));
        Route::bind('client', static function (string $id): Client {
            $trainer = Auth::user();

            return $trainer instanceof Trainer
                ? Client::query()->seenBy($trainer)->whereKey($id)->firstOrFail()
                : throw new AuthenticationException;
        });
    }
}
