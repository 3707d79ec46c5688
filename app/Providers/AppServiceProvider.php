<?php

declare(strict_types=1);

namespace App\Providers;

use App\Devices\CuffLine;
use App\Library\StudioTables;
use App\Models\Client;
use App\Models\Trainer;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Schemas;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(StudioTables::class);
        $this->app->singleton(CuffLine::class, static fn (): CuffLine => new CuffLine((string) config('devices.cuff')));
        $this->app->singleton(DataFolder::class, static fn (Application $app): DataFolder => DataFolder::shipped(storage_path('framework/cache/built-library'), $app->make(StudioTables::class)));
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        // addresses without a host: the pages work behind whatever name and port they are reached by
        Vite::createAssetPathsUsing(static fn (string $path): string => '/'.$path);
        Schemas::registerFolder('https://even-rungs.example/api/', base_path('api'));
        Route::bind('client', static function (string $id): Client {
            $trainer = Auth::user();

            return Client::query()->ofStudio($trainer instanceof Trainer ? $trainer->studio_id : '')->whereKey($id)->firstOrFail();
        });
    }
}
