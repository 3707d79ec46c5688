<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\BoardController;
use App\Http\Controllers\ClientController;
use App\Http\Controllers\LibraryController;
use Illuminate\Support\Facades\Route;

Route::middleware('web')->group(function (): void {
    Route::prefix('api')->group(function (): void {
        Route::get('health', [LibraryController::class, 'health']);
        Route::post('sign-in', [AccountController::class, 'signIn']);

        Route::middleware('auth')->group(function (): void {
            Route::get('me', [AccountController::class, 'me']);
            Route::post('sign-out', [AccountController::class, 'signOut']);
            Route::post('sign-out-everywhere', [AccountController::class, 'signOutEverywhere']);
            Route::post('password', [AccountController::class, 'changePassword']);

            Route::get('library', [LibraryController::class, 'library']);
            Route::get('schemas/{name}', [LibraryController::class, 'schema']);

            Route::get('clients', [ClientController::class, 'index']);
            Route::post('clients', [ClientController::class, 'store']);
            Route::get('archive', [ClientController::class, 'archived']);

            Route::prefix('clients/{client}')->group(function (): void {
                Route::get('', [ClientController::class, 'show']);
                Route::put('', [ClientController::class, 'update']);
                Route::post('archive', [ClientController::class, 'archive']);
                Route::post('restore', [ClientController::class, 'restore']);
                Route::get('board', [BoardController::class, 'show']);
                Route::post('moves', [BoardController::class, 'move']);
                Route::post('doses', [BoardController::class, 'dose']);
                Route::post('plan', [BoardController::class, 'plan']);
                Route::post('undo', [BoardController::class, 'undo']);
                Route::post('redo', [BoardController::class, 'redo']);
            });
        });
        Route::any('{any}', fn () => abort(404))->where('any', '.*');
    });

    Route::view('{any}', 'app')->where('any', '.*');
});
