<?php

declare(strict_types=1);

namespace App\Support;

use App\Accounts\AccountController;
use App\Models\Trainer;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

abstract class Controller
{
    protected function trainer(): Trainer
    {
        $trainer = Auth::user();

        return $trainer instanceof Trainer ? $trainer : throw new AuthenticationException;
    }

    /** Signs somebody in, in a session that is new. */
    protected function signedIn(Request $request, Trainer $trainer): JsonResponse
    {
        Auth::login($trainer);
        $request->session()->regenerate();

        return app(AccountController::class)->me();
    }
}
