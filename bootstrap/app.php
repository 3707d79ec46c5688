<?php

declare(strict_types=1);

use App\Console\ClaimLease;
use App\Console\DemoSeed;
use App\Console\DrawFigures;
use App\Console\ManySeed;
use App\Console\MoveStudio;
use App\Console\StudioAdmin;
use App\Console\StudioPlaces;
use App\Console\TrainerAdmin;
use App\Http\Middleware\KeptSession;
use App\Http\Middleware\MayReach;
use App\Http\Middleware\SameOrigin;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SeesOwnWrites;
use App\Http\Middleware\WellFormed;
use App\Http\Problem;
use App\Support\StaleVersion;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\ValidatePostSize;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Symfony\Component\HttpFoundation\Response;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        using: function (): void {
            require dirname(__DIR__).'/routes/web.php';
        },
    )
    ->withCommands([ClaimLease::class, DemoSeed::class, DrawFigures::class, ManySeed::class, MoveStudio::class, StudioAdmin::class, StudioPlaces::class, TrainerAdmin::class])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->use([ValidatePostSize::class, SecurityHeaders::class, WellFormed::class]);
        $middleware->group('web', [EncryptCookies::class, SeesOwnWrites::class, KeptSession::class, SameOrigin::class, SubstituteBindings::class]);
        $middleware->alias(['may' => MayReach::class]);
        $middleware->redirectGuestsTo(fn (Request $request) => '/sign-in');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        // a wrong entry is the answer to whoever made it, not an error of the server
        $exceptions->dontReport([UnusableInput::class, InvalidValue::class, StaleVersion::class]);
        // two writes in each other's way are tried again
        $exceptions->dontReportWhen(static fn (Throwable $e): bool => (new ConcurrencyErrorDetector)->causedByConcurrencyError($e));
        $exceptions->render(fn (Throwable $e, Request $request): ?Response => $request->is('api/*') ? Problem::of($e)->toResponse() : null);
    })
    ->create();

$instance = getenv('EVEN_RUNGS_INSTANCE') ?: 'live';

return $app
    ->useEnvironmentPath(dirname(__DIR__).'/var/'.$instance)
    ->loadEnvironmentFrom('app.env')
    ->useStoragePath(dirname(__DIR__).'/var/'.$instance.'/storage');
