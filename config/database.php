<?php

declare(strict_types=1);

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => '127.0.0.1',
            'port' => env('DB_PORT', '3306'),
            'database' => env('DB_DATABASE', 'even_rungs'),
            'username' => env('DB_USERNAME', 'even_rungs'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'strict' => true,
            'engine' => 'InnoDB',
            // every statement sees what is there now: a request waits for its lock after it began, and what it reads next must be no older
            'isolation_level' => 'READ COMMITTED',
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
