<?php

declare(strict_types=1);

// add-up.php LOG...: the ends of several runs of PHPUnit as one, in its own words. Ends with 1 where one did not come to its end.
$tests = $assertions = $runs = 0;
$bad = null;
$more = [];
foreach (array_slice($argv, 1) as $file) {
    $log = (string) file_get_contents($file);
    if (preg_match(
        '/^(?:OK \((?<ok>\d+) tests?, |Tests: (?<tests>\d+), Assertions: )(?<assertions>\d+)(?: assertions?\)|(?<more>(?:, [\w '
            .']+: \d+)*)\.)\s*\z/m',
        rtrim($log),
        $end,
    ) !== 1) {
        continue;
    }
    $runs++;
    $tests += (int) ($end['ok'] !== '' ? $end['ok'] : $end['tests']);
    $assertions += (int) $end['assertions'];
    $bad ??= preg_match('/^(?:FAILURES!|ERRORS!|WARNINGS!|OK, but .*)$/m', $log, $found) === 1 ? $found[0] : null;
    preg_match_all('/([\w ]+): (\d+)/', $end['more'] ?? '', $counts, PREG_SET_ORDER);
    foreach ($counts as [, $what, $count]) {
        $more[trim($what)] = ($more[trim($what)] ?? 0) + (int) $count;
    }
}
if ($runs < count($argv) - 1) {
    echo "ERRORS!\nA part of the tests did not come to its end.\n";
    exit(1);
}
echo $bad === null
    ? sprintf("OK (%d tests, %d assertions)\n", $tests, $assertions)
    : sprintf(
        "%s\nTests: %d, Assertions: %d%s.\n",
        $bad,
        $tests,
        $assertions,
        implode(
            '',
            array_map(static fn (string $what, int $count): string => ", {$what}: {$count}", array_keys($more), array_values($more)),
        ),
    );
