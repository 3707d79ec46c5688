<?php

declare(strict_types=1);

$mariadb = [
    'driver' => 'mariadb',
    'unix_socket' => env('DB_SOCKET', ''),
    'host' => env('DB_HOST', '127.0.0.1'),
    'port' => env('DB_PORT', '3306'),
    'database' => env('DB_DATABASE', 'even_rungs'),
    'username' => env('DB_USERNAME', 'even_rungs'),
    'password' => env('DB_PASSWORD', ''),
    'use_db_after_connecting' => false,
    'charset' => 'utf8mb4',
    'collation' => 'utf8mb4_unicode_ci',
    'prefix' => '',
    'engine' => 'InnoDB',
    'options' => [
        // said once for each connection that is opened, which a worker of PHP does once for all its requests. Every statement sees
        // what is there now: a request waits for its lock after it began, and what it reads next must be no older.
        PDO::MYSQL_ATTR_INIT_COMMAND => "SET NAMES 'utf8mb4' COLLATE 'utf8mb4_unicode_ci', SESSION tx_isolation='READ-COMMITTED', "
            ."SESSION sql_mode='ONLY_FULL_GROUP_BY,STRICT_TRANS_TABLES,NO_ZERO_IN_DATE,NO_ZERO_DATE,ERROR_FOR_DIVISION_BY_ZERO,"
            ."NO_ENGINE_SUBSTITUTION'",
        PDO::ATTR_EMULATE_PREPARES => true,
        PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', false),
    ] + (env('DB_TLS_CA', '') === '' ? [] : [
        // a database on another machine, whose certificate names the host that is asked
        PDO::MYSQL_ATTR_SSL_CA => env('DB_TLS_CA'),
        PDO::MYSQL_ATTR_SSL_VERIFY_SERVER_CERT => true,
    ]),
];

// the same server apart: what is written there is not taken back with a request that failed. Its name keeps PHP from handing out the kept
// connection of the other.
$apart = $mariadb;
$apart['options'][PDO::ATTR_PERSISTENT] = env('DB_PERSISTENT', false) ? 'apart' : false;

return [
    'default' => 'mariadb',
    // nodes of a cluster that hold the same
    'several' => (bool) env('DB_SEVERAL', false),
    'connections' => ['mariadb' => $mariadb, 'apart' => $apart],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
