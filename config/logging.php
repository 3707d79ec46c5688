<?php

declare(strict_types=1);

return [
    'default' => 'daily',
    'channels' => [
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/app.log'),
            'level' => 'warning',
            'days' => 14,
            'tap' => [App\Support\ShortLines::class],
        ],
        'emergency' => ['path' => storage_path('logs/app.log')],
    ],
];
