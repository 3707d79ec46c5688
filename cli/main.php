<?php

declare(strict_types=1);

use EvenRungs\Cli\JobCommands;

ini_set('display_errors', 'stderr');
ini_set('memory_limit', '1G');

require dirname(__DIR__).'/vendor/autoload.php';

/** @var list<string> $argv */
exit((new JobCommands(STDIN, STDOUT, STDERR))->run(array_slice($argv, 1)));
