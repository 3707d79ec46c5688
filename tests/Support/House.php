<?php

declare(strict_types=1);

namespace Tests\Support;

use PhpParser\Node\Stmt\ClassLike;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

/**
 * The house in numbers: lines too long, classes too long, loose arrays away from the edge, folders that look at each other.
 */
final class House
{
    public const LONGEST_LINE = 140;

    public const LONGEST_CLASS = 250;

    /** The folders of PHP that people write. */
    private const WRITTEN = [
        'app',
        'bench',
        'cli',
        'compat',
        'config',
        'core',
        'database',
        'devices',
        'formats',
        'ops',
        'routes',
        'storage',
        'tests',
    ];

    /** Where documents are read and written, and so loose arrays belong: paths that match. */
    private const EDGE = '#^(formats/|storage/|core/Program/Extras\.php|app/Models/|app/Http/'
        .'|app/\w+/\w+(View|Page|Document|Rows)\.php)#';

    /** What keeps documents and rows whole, without looking into them. */
    private const KEEPERS = [
        'app/Accounts/Links.php', 'app/Clients/ChangeClient.php', 'app/Clients/Screening.php', 'app/Console/SimulatedLogs.php',
        'app/Copies/ReadIn.php', 'app/Copies/ReadInPeople.php', 'app/Copies/Rows.php', 'app/Library/OwnLadders.php',
        'app/Library/OwnStyles.php', 'app/Library/StudioTables.php', 'app/Planning/BoardLoader.php', 'app/Progress/TestDays.php',
        'app/Support/Ledger.php', 'app/Support/StaleVersion.php', 'app/Today/DeviceClock.php', 'app/Today/LogBook.php',
    ];

    /** @param  string  $root  folder of the checkout */
    public function __construct(private readonly string $root)
    {
    }

    /** @return list<string> path:line of lines over 140 characters */
    public function longLines(): array
    {
        $found = [];
        foreach ($this->files() as $path => $code) {
            foreach (explode("\n", $code) as $i => $line) {
                if (mb_strlen($line) > self::LONGEST_LINE) {
                    $found[] = $path.':'.($i + 1);
                }
            }
        }

        return $found;
    }

    /** @return list<string> classes over 250 lines, from the line of their name to the last brace */
    public function longClasses(): array
    {
        $found = [];
        $parser = (new ParserFactory)->createForHostVersion();
        foreach ($this->files() as $path => $code) {
            if (substr_count($code, "\n") <= self::LONGEST_CLASS) {
                continue;
            }
            foreach ((new NodeFinder)->findInstanceOf($parser->parse($code) ?? [], ClassLike::class) as $class) {
                $lines = $class->getEndLine() - $class->getStartLine() + 1;
                if ($lines > self::LONGEST_CLASS) {
                    $found[] = sprintf('%s: %d lines', $path, $lines);
                }
            }
        }

        return $found;
    }

    /** @return list<string> path:line of `array<string, mixed>` in what is neither a document, a row nor an answer */
    public function looseArrays(): array
    {
        $found = [];
        foreach ($this->files() as $path => $code) {
            if (
                preg_match('#^(core|cli|app)/#', $path) !== 1
                || preg_match(self::EDGE, $path) === 1
                || in_array($path, self::KEEPERS, true)
            ) {
                continue;
            }
            foreach (explode("\n", $code) as $i => $line) {
                if (str_contains($line, 'array<string, mixed>')) {
                    $found[] = $path.':'.($i + 1);
                }
            }
        }

        return $found;
    }

    /** @return list<string> pairs of folders of core that look at each other, straight or through others */
    public function cycles(): array
    {
        $sees = [];
        foreach ($this->files() as $path => $code) {
            if (str_starts_with($path, 'core/')) {
                preg_match_all('/EvenRungs\\\\Core\\\\((?:\w+\\\\)*)\w+/', (string) preg_replace('/^namespace .+;$/m', '', $code), $named);
                foreach ($named[1] as $name) {
                    $sees[substr(dirname($path).'/', 5)][str_replace('\\', '/', $name)] = true;
                }
            }
        }
        $reached = [];
        foreach (array_keys($sees) as $from) {
            $left = [$from];
            while ($left !== []) {
                foreach (array_keys($sees[array_pop($left)] ?? []) as $to) {
                    if ($to !== '' && ! isset($reached[$from][$to])) {
                        $reached[$from][$to] = true;
                        $left[] = $to;
                    }
                }
            }
        }
        $found = [];
        foreach ($reached as $from => $all) {
            foreach (array_keys($all) as $to) {
                if ($from < $to && isset($reached[$to][$from]) && ! self::areOneFloor($from, $to)) {
                    $found[] = $from.' ↔ '.$to;
                }
            }
        }

        return $found;
    }

    /** Rules stand on the floor of what walks their table. */
    private static function areOneFloor(string $a, string $b): bool
    {
        return str_replace('Rules/', '', $a) === str_replace('Rules/', '', $b);
    }

    /** @return iterable<string, string> code by path */
    private function files(): iterable
    {
        foreach (self::WRITTEN as $folder) {
            $all = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($this->root.'/'.$folder, \FilesystemIterator::SKIP_DOTS));
            /** @var \SplFileInfo $file */
            foreach ($all as $file) {
                if ($file->getExtension() === 'php') {
                    yield substr($file->getPathname(), strlen($this->root) + 1) => (string) file_get_contents($file->getPathname());
                }
            }
        }
    }
}
