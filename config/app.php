<?php

declare(strict_types=1);

use Illuminate\Broadcasting\BroadcastServiceProvider;
use Illuminate\Mail\MailServiceProvider;
use Illuminate\Notifications\NotificationServiceProvider;
use Illuminate\Pagination\PaginationServiceProvider;
use Illuminate\Redis\RedisServiceProvider;
use Illuminate\Support\ServiceProvider;

return [
    'name' => 'Even Rungs',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1'),
    'demo' => getenv('EVEN_RUNGS_INSTANCE') === 'demo',
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    // nothing here sends mail, notes or pages of rows
    'providers' => ServiceProvider::defaultProviders()->except([
        BroadcastServiceProvider::class,
        MailServiceProvider::class,
        NotificationServiceProvider::class,
        PaginationServiceProvider::class,
        RedisServiceProvider::class,
    ])->toArray(),
    'maintenance' => ['driver' => 'file'],
];
