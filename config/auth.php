<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'trainers'],
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'trainers']],
    'providers' => ['trainers' => ['driver' => 'signed-in', 'model' => App\Models\Trainer::class]],
    'passwords' => [],
    'password_timeout' => 10800,
];
