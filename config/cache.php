<?php

declare(strict_types=1);

// What is counted of tries, where every node sees it; on a connection of its own, so that a request that is taken back does not take its
// count back.
return [
    'default' => 'database',
    'stores' => [
        'database' => [
            'driver' => 'database',
            'connection' => 'apart',
            'table' => 'cache',
        ],
    ],
    'prefix' => 'even_rungs',
];
