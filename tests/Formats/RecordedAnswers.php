<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Cli\JobCommands;
use Tests\Support\Corpus;

/**
 * Runs of the corpus beside what they answered when somebody last read them.
 */
trait RecordedAnswers
{
    /**
     * @param  callable(string, int): bool  $isRun  which runs, by command and place among those of the command
     * @return list<string> those that differ
     */
    private static function differ(callable $isRun): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'client');
        $differ = [];
        $lines = file(dirname(__DIR__).'/cases/answers.tsv', FILE_IGNORE_NEW_LINES);
        $i = 0;
        $of = [];
        (new Corpus(dirname(__DIR__, 2)))->each(
            static function (array $arguments, string $input) use (&$differ, &$i, &$of, $isRun, $lines, $file): string {
                $number = $of[$arguments[0]] = ($of[$arguments[0]] ?? -1) + 1;
                if (! $isRun($arguments[0], $number)) {
                    $i++;

                    return '';
                }
                [$code, $out, $err] = self::answer($arguments, $input);
                $name = str_replace($file, 'FILE', implode(' ', $arguments));
                $line = sprintf("%03d %s\t%d\t%s", $i, $name, $code, md5($out."\n--\n".str_replace($file, 'FILE', $err)));
                if (($lines[$i] ?? null) !== $line) {
                    $differ[] = $line;
                }
                $i++;

                return $out;
            },
            static function (array $document) use ($file): string {
                file_put_contents($file, json_encode($document));

                return $file;
            },
        );
        unlink($file);
        self::assertSame(count((array) $lines), $i);

        return $differ;
    }

    /**
     * @param  list<string>  $arguments
     * @return array{int, string, string}
     */
    private static function answer(array $arguments, string $input): array
    {
        $streams = [];
        foreach (range(0, 2) as $i) {
            $streams[$i] = fopen('php://memory', 'w+');
        }
        fwrite($streams[0], $input);
        rewind($streams[0]);
        $code = (new JobCommands(...$streams))->run($arguments);
        rewind($streams[1]);
        rewind($streams[2]);

        return [$code, (string) stream_get_contents($streams[1]), (string) stream_get_contents($streams[2])];
    }
}
