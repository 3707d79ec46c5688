<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Trainer;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Support\Facades\Auth;

abstract class Controller
{
    protected function trainer(): Trainer
    {
        $trainer = Auth::user();

        return $trainer instanceof Trainer ? $trainer : throw new AuthenticationException;
    }
}
