<?php

declare(strict_types=1);

use PhpParser\Node;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Small changes to core that a test must notice: one at a time in a copy of this checkout, the fitting tests after each.
 *
 *   php ops/mutants.php [--count 600] [--least 40] [--seed N] [--only core/Dose] [--workers 2] [--again what-it-printed]
 *
 * The operators are fixed: a comparison turned, + for - and * for / and back, && for || and back, true for false and back, a whole number
 * one up or down, what is returned emptied or negated, a statement removed; --least of them in every namespace of core. Which tests fit a
 * folder stands in tests/mutants.tsv, which survivors change nothing in docs/mutants.md. What survives is printed with its place; --again
 * runs only those. It ends with what was killed, by namespace.
 */
$root = dirname(__DIR__);
require $root.'/vendor/autoload.php';

$options = getopt('', ['count:', 'least:', 'seed:', 'only:', 'workers:', 'again:']);
$count = (int) ($options['count'] ?? 600);
$least = (int) ($options['least'] ?? 40);
$seed = (int) ($options['seed'] ?? random_int(1, 1_000_000_000));
$workers = (int) ($options['workers'] ?? 2);
$chance = new Randomizer(new Mt19937($seed));
printf("Mutants, seed %d\n", $seed);

final class Sites extends NodeVisitorAbstract
{
    /** @var list<array{int, int, string, int, string}> from, length, what stands there instead, line, operator */
    public array $found = [];

    /** @var list<?string> return types of the functions around */
    private array $returns = [];

    private const TURNED = [
        Node\Expr\BinaryOp\Smaller::class => ['<', '<='], Node\Expr\BinaryOp\SmallerOrEqual::class => ['<=', '<'],
        Node\Expr\BinaryOp\Greater::class => ['>', '>='], Node\Expr\BinaryOp\GreaterOrEqual::class => ['>=', '>'],
        Node\Expr\BinaryOp\Identical::class => ['===', '!=='], Node\Expr\BinaryOp\NotIdentical::class => ['!==', '==='],
        Node\Expr\BinaryOp\Plus::class => ['+', '-'], Node\Expr\BinaryOp\Minus::class => ['-', '+'],
        Node\Expr\BinaryOp\Mul::class => ['*', '/'], Node\Expr\BinaryOp\Div::class => ['/', '*'],
        Node\Expr\BinaryOp\BooleanAnd::class => ['&&', '||'], Node\Expr\BinaryOp\BooleanOr::class => ['||', '&&'],
    ];

    public function __construct(private readonly string $code)
    {
    }

    public function enterNode(Node $node): ?int
    {
        if ($node instanceof Node\Stmt\Declare_) {
            return NodeVisitor::DONT_TRAVERSE_CHILDREN;
        }
        if ($node instanceof Node\FunctionLike) {
            $type = $node->getReturnType();
            $this->returns[] = $type instanceof Node\Identifier ? $type->name : ($type instanceof Node\NullableType ? '?' : null);
        }
        if (isset(self::TURNED[$node::class]) && $node instanceof Node\Expr\BinaryOp) {
            [$is, $becomes] = self::TURNED[$node::class];
            $from = $node->left->getEndFilePos() + 1;
            $between = substr($this->code, $from, $node->right->getStartFilePos() - $from);
            $at = strpos($between, $is);
            if ($at !== false) {
                $this->found[] = [$from + $at, strlen($is), $becomes, $node->getStartLine(), $is.' → '.$becomes];
            }
        }
        if ($node instanceof Node\Scalar\Int_ && $node->value < 1_000_000) {
            foreach ([$node->value + 1, $node->value - 1] as $instead) {
                $this->found[] = [
                    $node->getStartFilePos(),
                    $node->getEndFilePos() - $node->getStartFilePos() + 1,
                    $instead < 0 ? '('.$instead.')' : (string) $instead,
                    $node->getStartLine(),
                    $node->value.' → '.$instead,
                ];
            }
        }
        if ($node instanceof Node\Expr\ConstFetch && in_array($node->name->toLowerString(), ['true', 'false'], true)) {
            $is = $node->name->toLowerString();
            $this->found[] = [
                $node->getStartFilePos(),
                strlen($is),
                $is === 'true' ? 'false' : 'true',
                $node->getStartLine(),
                $is.' turned',
            ];
        }
        if ($node instanceof Node\Stmt\Return_ && $node->expr !== null) {
            $from = $node->expr->getStartFilePos();
            $length = $node->expr->getEndFilePos() - $from + 1;
            $text = substr($this->code, $from, $length);
            $instead = match (end($this->returns)) {
                'bool' => '! ('.$text.')',
                'int' => '('.$text.') + 1',
                'array' => '[]',
                'string' => "''",
                '?' => 'null',
                default => null,
            };
            if ($instead !== null && $instead !== $text) {
                $this->found[] = [
                    $from,
                    $length,
                    $instead,
                    $node->getStartLine(),
                    'return '.(strlen($instead) > 20 ? substr($instead, 0, 20).'…' : $instead),
                ];
            }
        }
        if ($node instanceof Node\Stmt\Expression && ! $node->expr instanceof Node\Expr\Throw_) {
            $assigns = $node->expr instanceof Node\Expr\Assign && $node->expr->var instanceof Node\Expr\Variable;
            if (! $assigns) {
                $from = $node->getStartFilePos();
                $this->found[] = [$from, $node->getEndFilePos() - $from + 1, ';', $node->getStartLine(), 'statement removed'];
            }
        }

        return null;
    }

    public function leaveNode(Node $node): null
    {
        if ($node instanceof Node\FunctionLike) {
            array_pop($this->returns);
        }

        return null;
    }
}

/** @return array<string, list<string>> the tests of each folder, the longest name of a folder that fits first */
$fitting = [];
foreach (file($root.'/tests/mutants.tsv', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    [$folder, $tests] = explode("\t", $line);
    $fitting[$folder] = $tests;
}
uksort($fitting, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));

/** @return array<string, true> survivors that change nothing, by file, line of code and operator; docs/mutants.md says why of each */
$harmless = [];
foreach (file($root.'/docs/mutants.md', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    if (preg_match('/^\| `(core\S+)` \| `(.+)` \| (.+?) \| .+ \|$/', $line, $cells) === 1) {
        $harmless[$cells[1]."\t".str_replace('\|', '|', $cells[2])."\t".str_replace('\|', '|', $cells[3])] = true;
    }
}

$parser = (new ParserFactory)->createForHostVersion();
$sites = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root.'/core')) as $file) {
    $path = substr($file->getPathname(), strlen($root) + 1);
    if ($file->getExtension() !== 'php' || ! str_starts_with($path, $options['only'] ?? 'core')) {
        continue;
    }
    $code = (string) file_get_contents($file->getPathname());
    $lines = explode("\n", $code);
    $visitor = new Sites($code);
    $traverser = new NodeTraverser;
    $traverser->addVisitor($visitor);
    $traverser->traverse($parser->parse($code) ?? []);
    foreach ($visitor->found as [$from, $length, $instead, $line, $operator]) {
        $tests = current(array_filter(array_keys($fitting), static fn (string $each): bool => str_starts_with($path, $each)));
        if ($tests !== false) {
            $namespace = implode('/', array_slice(explode('/', $path), 0, 2));
            $sites[$namespace][] = [
                'path' => $path, 'from' => $from, 'length' => $length, 'instead' => $instead, 'line' => $line, 'operator' => $operator,
                'code' => trim($lines[$line - 1]), 'tests' => $tests, 'namespace' => $namespace,
            ];
        }
    }
}
ksort($sites);
$picked = $rest = [];
foreach ($sites as $all) {
    $place = static fn (array $site): array => [$site['path'], $site['from'], $site['operator']];
    usort($all, static fn (array $a, array $b): int => $place($a) <=> $place($b));
    $all = $chance->shuffleArray($all);
    $picked = [...$picked, ...array_splice($all, 0, $least)];
    $rest = [...$rest, ...$all];
}
$picked = [...$picked, ...array_slice($chance->shuffleArray($rest), 0, max(0, $count - count($picked)))];
$said = static fn (array $site): string => sprintf('%s:%d %s', $site['path'], $site['line'], $site['operator']);
if (isset($options['again'])) {
    // the sites of an earlier run's survivors, as they were printed
    $again = array_map(
        static fn (string $line): string => preg_match('/alive: (\S+:\d+ .+?)(?:  \||$)/', $line, $m) === 1 ? $m[1] : '',
        file($options['again'], FILE_IGNORE_NEW_LINES) ?: [],
    );
    $picked = array_values(array_filter($picked, static fn (array $site): bool => in_array($said($site), $again, true)));
}

$copies = [];
for ($w = 0; $w < $workers; $w++) {
    $copies[$w] = $root.'/var/mutants/'.$w;
    exec(
        sprintf(
            'rm -rf %1$s && mkdir -p %1$s && cd %2$s && cp -r core formats storage cli tests data compat vendor composer.json '
                .'phpunit.xml even-rungs ops app api demo docs %1$s/',
            escapeshellarg($copies[$w]),
            escapeshellarg($root),
        ),
    );
}
// a mutant that never ends is noticed too
$run = static fn (string $copy, string $tests): mixed => proc_open(
    ['timeout', '180', PHP_BINARY, '-d', 'memory_limit=1G', 'vendor/bin/phpunit', '--stop-on-failure', '--stop-on-error',
        '--do-not-cache-result', '--no-progress', ...explode(' ', $fitting[$tests])],
    [1 => ['file', $copy.'.log', 'w'], 2 => ['file', $copy.'.log', 'a']],
    $pipes,
    $copy,
    ['EVEN_RUNGS_SEED' => '20261127', 'PATH' => (string) getenv('PATH')],
);

$jobs = [];
foreach (array_unique(array_column($picked, 'tests')) as $tests) {
    $jobs[] = ['tests' => $tests, 'path' => null];
}
$jobs = [...$jobs, ...$picked];
/** @var array<string, array{killed: int, harmless: int, alive: int}> $by */
$by = [];
$running = [];
while ($jobs !== [] || $running !== []) {
    foreach (array_keys($copies) as $w) {
        if (! isset($running[$w]) && $jobs !== []) {
            $job = array_shift($jobs);
            if ($job['path'] !== null) {
                $code = (string) file_get_contents($root.'/'.$job['path']);
                file_put_contents(
                    $copies[$w].'/'.$job['path'],
                    substr($code, 0, $job['from']).$job['instead'].substr($code, $job['from'] + $job['length']),
                );
            }
            $running[$w] = [$job, $run($copies[$w], $job['tests'])];
        }
    }
    usleep(50_000);
    foreach ($running as $w => [$job, $process]) {
        $status = proc_get_status($process);
        if ($status['running']) {
            continue;
        }
        unset($running[$w]);
        proc_close($process);
        $noticed = $status['exitcode'] !== 0;
        if ($job['path'] === null) {
            if ($noticed) {
                exit("the tests of {$job['tests']} are red before anything is changed: {$copies[$w]}.log\n");
            }

            continue;
        }
        copy($root.'/'.$job['path'], $copies[$w].'/'.$job['path']);
        $by[$job['namespace']] ??= ['killed' => 0, 'harmless' => 0, 'alive' => 0];
        $explained = isset($harmless[$job['path']."\t".$job['code']."\t".$job['operator']]);
        $by[$job['namespace']][$noticed ? 'killed' : ($explained ? 'harmless' : 'alive')]++;
        if (! $noticed) {
            printf("  %s: %s  | %s\n", $explained ? 'harmless' : 'alive', $said($job), $job['code']);
        }
    }
}
ksort($by);
$sum = ['killed' => 0, 'harmless' => 0, 'alive' => 0];
foreach ($by as $namespace => $of) {
    printf("%-20s %3d killed of %3d, %d harmless, %d alive\n", $namespace, $of['killed'], array_sum($of), $of['harmless'], $of['alive']);
    foreach ($of as $what => $n) {
        $sum[$what] += $n;
    }
}
$all = array_sum($sum);
printf(
    "%d of %d killed, %.1f %%; %d more change nothing (docs/mutants.md), so %.1f %% of the others\n",
    $sum['killed'],
    $all,
    100 * $sum['killed'] / max(1, $all),
    $sum['harmless'],
    100 * $sum['killed'] / max(1, $all - $sum['harmless']),
);
