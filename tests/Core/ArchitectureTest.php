<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Tests\Support\House;

/**
 * The dependency rule of the house: core ← formats ← storage ← {cli, app}, and no rule of the job in the pages.
 */
final class ArchitectureTest extends TestCase
{
    /** @return array<string, string> code by path */
    private static function code(string $folder, string $ending): array
    {
        $code = [];
        /** @var SplFileInfo $file */
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2).'/'.$folder)) as $file) {
            if (str_ends_with($file->getFilename(), $ending)) {
                $code[$file->getPathname()] = (string) file_get_contents($file->getPathname());
            }
        }

        return $code;
    }

    /** @param  list<string>  $allowed namespaces that the folder may use */
    private function assertUsesOnly(string $folder, array $allowed): void
    {
        $files = self::code($folder, '.php');
        self::assertNotSame([], $files);
        foreach ($files as $path => $code) {
            preg_match_all('/^use (?:function |const )?([\w\\\\]+)/m', $code, $imports);
            preg_match_all('/(?<![\w\\\\])\\\\([A-Z]\w+\\\\[\w\\\\]+)/', $code, $inline);
            foreach ([...$imports[1], ...$inline[1]] as $name) {
                $inside = ! str_contains($name, '\\') || array_filter(
                    $allowed,
                    static fn (string $each): bool => str_starts_with($name, $each),
                ) !== [];
                self::assertTrue($inside, sprintf('%s uses %s', basename($path), $name));
            }
        }
    }

    public function test_core_uses_nothing_but_itself_and_php(): void
    {
        $this->assertUsesOnly('core', ['EvenRungs\\Core\\', 'Random\\']);
    }

    /** The floors of core, the lowest first: each looks only down. Rules stand on the floor of what walks their table. */
    private const FLOORS = [
        'Time', 'Dose', 'Figure', 'Ladder', 'Client', 'Style', 'Program', 'Placement', 'Floor', 'Log', 'Verdict', 'Audit',
        'Planning/Choice', 'Planning/Order', 'Planning/Session', 'Planning/Aim', 'Planning/Week', 'Planning/Ready', 'Planning/Fit',
        'Planning/WhyNot', 'Planning/Edit', 'Planning/Door', 'Planning/Group',
        'Review/Norms', 'Review/Line', 'Review/Testing', 'Review/Evenness', 'Review/Forecast', 'Review/Progress', 'Review/Roster', 'Sheet',
    ];

    /** The floor of a folder or class below core, from 1; 0 for what stands beside all of them. */
    private static function floorOf(string $path): int
    {
        foreach (self::FLOORS as $i => $floor) {
            if ($path === $floor || str_starts_with($path, $floor.'/')) {
                return $i + 1;
            }
        }
        self::assertStringNotContainsString('/', $path, $path.' stands on no floor');

        return 0;
    }

    public function test_each_floor_of_core_looks_only_down(): void
    {
        $edges = [];
        foreach (self::code('core', '.php') as $file => $code) {
            $path = substr($file, strlen(dirname(__DIR__, 2).'/core/'), -strlen('.php'));
            preg_match_all('/EvenRungs\\\\Core((?:\\\\\w+)+)/', (string) preg_replace('/^namespace .+;$/m', '', $code), $named);
            foreach ($named[1] as $name) {
                $other = str_replace('\\', '/', ltrim($name, '\\'));
                $edges[dirname($path).' → '.dirname($other)] = true;
                self::assertLessThanOrEqual(self::floorOf($path), self::floorOf($other), sprintf('%s looks up to %s', $path, $other));
            }
        }
        self::assertGreaterThan(60, count($edges));
    }

    public function test_every_folder_of_core_has_a_sentence_of_its_own_in_the_plan_of_the_house(): void
    {
        $folders = [];
        foreach (array_keys(self::code('core', '.php')) as $file) {
            $folders[dirname(substr($file, strlen(dirname(__DIR__, 2).'/core/')))] = true;
        }
        preg_match_all('/^core\/([\w\/]+) +(.+)$/m', (string) file_get_contents(dirname(__DIR__, 2).'/docs/house.md'), $rows);
        $said = array_combine($rows[1], $rows[2]);
        foreach (array_diff(array_keys($folders), ['.', 'Verdict/Rules', 'Audit/Rules']) as $folder) {
            self::assertArrayHasKey($folder, $said, 'docs/house.md says nothing of core/'.$folder);
        }
        self::assertSame(array_values(array_unique($said)), array_values($said));
    }

    public function test_core_has_no_clock_no_chance_and_no_files(): void
    {
        foreach (self::code('core', '.php') as $path => $code) {
            self::assertDoesNotMatchRegularExpression(
                '/\b(?:time|microtime|date|rand|mt_rand|random_int|file_get_contents|fopen|getenv|shuffle|uniqid)\(/',
                $code,
                $path,
            );
            self::assertDoesNotMatchRegularExpression('/new \\\\?DateTime/', $code, $path);
            // numbers drawn from a seed that never changes are no chance
            self::assertDoesNotMatchRegularExpression(
                '/Secure\b|new (?:Randomizer\(\)|Randomizer;|Mt19937\((?!self::SEED\)))/',
                $code,
                $path,
            );
        }
    }

    public function test_formats_use_core_and_the_schema_library(): void
    {
        $this->assertUsesOnly('formats', ['EvenRungs\\Core\\', 'EvenRungs\\Formats\\', 'Opis\\', 'Sabre\\VObject\\']);
    }

    public function test_storage_alone_reads_the_files_of_the_product_and_formats_touch_none(): void
    {
        $this->assertUsesOnly('storage', ['EvenRungs\\Core\\', 'EvenRungs\\Formats\\', 'EvenRungs\\Storage\\', 'Opis\\']);
        foreach (self::code('formats', '.php') as $path => $code) {
            self::assertDoesNotMatchRegularExpression(
                '/\b(?:file_get_contents|file_put_contents|glob|is_file|rename|unlink)\(|fopen\((?!\'php:)/',
                $code,
                $path,
            );
        }
    }

    public function test_the_job_commands_use_no_framework(): void
    {
        $this->assertUsesOnly('cli', ['EvenRungs\\']);
    }

    public function test_the_application_does_not_reach_into_the_command_line(): void
    {
        foreach (self::code('app', '.php') as $path => $code) {
            self::assertStringNotContainsString('EvenRungs\\Cli', $code, $path);
        }
    }

    public function test_pages_compute_no_times(): void
    {
        foreach ([...self::code('web', '.ts'), ...self::code('web', '.tsx')] as $path => $code) {
            // one file writes seconds as m:ss
            if (! str_ends_with($path, 'schema.d.ts') && ! str_ends_with($path, 'web/lib/clock.ts')) {
                // forms that edit doses or sessions and a stopwatch name their fields; only there may they be named, and nowhere reckoned
                // with
                $fields = preg_match(
                    '#/(ladder-form|tests|builder|group)/#',
                    $path,
                ) === 1 ? '(?:hold_s|rest_s|work_s)\)? ?[-+*\/]' : 'hold_s|rest_s|work_s';
                self::assertDoesNotMatchRegularExpression(
                    '/[%\/*] ?60\b|\b60 ?\*|padStart|'.$fields.'/',
                    $code,
                    $path.' works out a time that PHP should give',
                );
            }
        }
    }

    public function test_lines_and_classes_are_short_folders_see_no_circles_and_loose_arrays_stay_at_the_edge(): void
    {
        $house = new House(dirname(__DIR__, 2));
        self::assertSame([], $house->longLines());
        self::assertSame([], $house->longClasses());
        self::assertSame([], $house->looseArrays());
        self::assertSame([], $house->cycles());
    }

    /** What PHP, Opis and the database say of themselves is shown; the product's own exceptions carry a sentence and have a type each. */
    public function test_no_code_reads_the_message_of_an_exception_of_its_own(): void
    {
        $others = ['formats/Json.php', 'storage/Schemas.php', 'app/Http/Problem.php'];
        foreach (['core', 'formats', 'storage', 'cli', 'app'] as $folder) {
            foreach (self::code($folder, '.php') as $path => $code) {
                if (! in_array(substr($path, strlen(dirname(__DIR__, 2)) + 1), $others, true)) {
                    self::assertStringNotContainsString('getMessage(', $code, $path);
                }
            }
        }
    }

    /** One name for one thing (docs/house.md, Words): names that went are in no code, no document and no page. */
    public function test_retired_words_are_gone(): void
    {
        $root = dirname(__DIR__, 2);
        $retired = array_map(
            static fn (string $line): string => explode("\t", $line)[0],
            file($root.'/tests/cases/retired.tsv', FILE_IGNORE_NEW_LINES) ?: [],
        );
        self::assertNotSame([], $retired);
        $places = [
            ...array_map(static fn (string $folder): array => [$folder, '.php'], ['core', 'formats', 'storage', 'cli', 'app', 'routes']),
            ['web', '.ts'], ['web', '.tsx'], ['docs', '.md'], ['api', '.json'],
        ];
        foreach ($places as [$folder, $ending]) {
            foreach (self::code($folder, $ending) as $path => $code) {
                foreach ($retired as $word) {
                    self::assertDoesNotMatchRegularExpression('/(?<![\\w-])'.preg_quote($word, '/').'/', $code, $path.' says '.$word);
                }
            }
        }
    }
}
