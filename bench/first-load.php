<?php

declare(strict_types=1);

// Compressed script that a first visit loads: the entry and everything it imports at once.

$build = dirname(__DIR__).'/public/build/';
$manifest = json_decode((string) file_get_contents($build.'manifest.json'), true, 16, JSON_THROW_ON_ERROR);
$queue = ['web/main.tsx'];
$bytes = 0;
$raw = 0;
for ($i = 0; $i < count($queue); $i++) {
    $chunk = $manifest[$queue[$i]];
    $script = (string) file_get_contents($build.$chunk['file']);
    $raw += strlen($script);
    $bytes += strlen((string) gzencode($script, 6));
    $queue = array_values(array_unique([...$queue, ...$chunk['imports'] ?? []]));
}
printf(
    "First load: %.1f kB of compressed script (%.1f kB raw, ratio %.2f); the aim is at most 200 kB: %s\n",
    $bytes / 1000,
    $raw / 1000,
    $bytes / $raw,
    $bytes <= 200_000 ? 'met' : 'MISSED',
);
