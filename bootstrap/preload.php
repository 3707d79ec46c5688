<?php

declare(strict_types=1);

// Read once when PHP starts: what nearly every answer needs stays linked in the memory that all workers share. Which classes these are
// is written down by ops/hot.php. Composer's own start is left out, since it declares functions that every request declares itself.

$list = getenv('EVEN_RUNGS_CACHES').'/hot.php';
if (is_file($list)) {
    $files = require dirname(__DIR__).'/vendor/composer/autoload_classmap.php';
    spl_autoload_register(static function (string $class) use ($files): void {
        if (isset($files[$class])) {
            require_once $files[$class];
        }
    });
    foreach (require $list as $class) {
        class_exists($class);
    }
}
