<?php

declare(strict_types=1);

// Verdicts over a long log, per second, beside a yardstick of the same run: reading the library from its files.

require dirname(__DIR__).'/vendor/autoload.php';

use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Storage\DataFolder;

const VERDICTS = 5_000;
const SESSIONS = 24;

mt_srand(7);
$began = hrtime(true);
$data = DataFolder::shipped();
$library = $data->library();
$style = $data->style(DataFolder::DEFAULT_STYLE);
$reading = (hrtime(true) - $began) / 1e9;

$histories = [];
foreach ($library->ladders as $ladder) {
    $sessions = [];
    for ($i = 0; $i < SESSIONS; $i++) {
        $sets = array_map(
            static fn (): LoggedSet => new LoggedSet(
                mt_rand(0, 1) === 1 ? 'left' : 'right',
                8,
                mt_rand(6, 9),
                [],
                [],
                null,
                mt_rand(0, 3),
                PainKind::tryFrom('ordinary'),
                mt_rand(4, 7),
                true,
            ),
            range(1, 4),
        );
        $sessions[] = new LoggedSession((new DateTimeImmutable('2026-01-05'))->modify(sprintf('+%d days', $i * 3)), 0, 0, 0, $sets);
    }
    $histories[] = new History($ladder, $ladder->rungs[0], 0, new DateTimeImmutable('2026-01-01'), null, $sessions);
}
$judge = new Judge($library, $style);
$began = hrtime(true);
for ($i = 0; $i < VERDICTS; $i++) {
    $judge->decide($histories[$i % count($histories)]);
}
$judging = (hrtime(true) - $began) / 1e9;

printf(
    "verdicts over %d sessions: %d per second; one costs %.4f of reading the library once\n",
    SESSIONS,
    VERDICTS / $judging,
    $judging / VERDICTS / $reading,
);
