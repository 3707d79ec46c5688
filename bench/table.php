<?php

declare(strict_types=1);

// One table of what the application costs: answers beside a bare PHP page of the same pool in the same run, commands beside `php -r ''`.
// usage: php bench/table.php ADDRESS [--record]

require __DIR__.'/http.php';
require __DIR__.'/table-rows.php';

$base = $argv[1] ?? exit("usage: php bench/table.php ADDRESS [--record]\n");
$speed = dirname(__DIR__).'/docs/speed.md';
$last = recorded($speed);
$rows = [
    ...answers($base),
    ...growth($base),
    ...manyAtOnce($base),
    ...commands(),
    ...firstViews(),
    ...memory(),
];
$lines = ['| What | This run | Beside the yardstick | Aim | | Last recorded |', '|---|---|---|---|---|---|'];
foreach ($rows as [$what, $value, $ratio, $aim, $met]) {
    $lines[] = sprintf(
        '| %s | %s | %s | %s | %s | %s |',
        $what,
        $value,
        $ratio,
        $aim,
        $met === null ? '' : ($met ? 'met' : 'missed'),
        $last[$what] ?? '',
    );
}
echo implode("\n", $lines), "\n";
if (in_array('--record', $argv, true)) {
    // what is recorded needs no column for what was recorded before
    $kept = array_map(static fn (string $line): string => implode('|', array_slice(explode('|', $line), 0, 6)).'|', $lines);
    $text = (string) file_get_contents($speed);
    file_put_contents($speed, preg_replace_callback(
        '/(<!-- table -->\n).*?(<!-- end -->)/s',
        static fn (array $found): string => $found[1].implode("\n", $kept)."\n".$found[2],
        $text,
    ));
    echo "Recorded in docs/speed.md\n";
}

/** @return array<string, string> what stood beside the yardstick in the last recorded run, by row */
function recorded(string $speed): array
{
    $found = [];
    foreach (is_file($speed) ? file($speed, FILE_IGNORE_NEW_LINES) : [] as $line) {
        $cells = array_map(trim(...), explode('|', $line));
        if (count($cells) === 7) {
            $found[$cells[1]] = $cells[3] === '' ? $cells[2] : $cells[3];
        }
    }

    return $found;
}
