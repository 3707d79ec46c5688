<?php

declare(strict_types=1);

use Tests\Support\House;

/** Prints what the house says of itself in numbers; tests/Core/ArchitectureTest.php holds them at none. */
require dirname(__DIR__).'/vendor/autoload.php';

$house = new House(dirname(__DIR__));
$counts = [
    'lines of PHP over '.House::LONGEST_LINE.' characters' => $house->longLines(),
    'classes over '.House::LONGEST_CLASS.' lines' => $house->longClasses(),
    'array<string, mixed> away from documents, rows and answers' => $house->looseArrays(),
    'cycles among the folders of core' => $house->cycles(),
];
foreach ($counts as $what => $found) {
    printf("  %d %s\n", count($found), $what);
    foreach ($found as $each) {
        printf("    %s\n", $each);
    }
}
