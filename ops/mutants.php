<?php

declare(strict_types=1);

use PhpParser\Node;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Small changes to core that a test must notice: one at a time in a copy of this checkout, the fitting tests after each.
 *
 *   php ops/mutants.php [--count 600] [--least 40] [--seed N] [--only core/Dose]
 *
 * The operators are fixed: a comparison turned, + for - and * for / and back, && for || and back, true for false and back, a whole number
 * one up or down, what is returned emptied or negated, a statement removed. Which tests fit a folder stands in tests/mutants.tsv. What
 * survives is printed with its place. It ends with what was killed, by folder.
 */
$root = dirname(__DIR__);
require $root.'/vendor/autoload.php';

$options = getopt('', ['count:', 'least:', 'seed:', 'only:']);
$count = (int) ($options['count'] ?? 600);
$least = (int) ($options['least'] ?? 40);
$seed = (int) ($options['seed'] ?? random_int(1, 1_000_000_000));
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

    public function enterNode(Node $node): null
    {
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
            $up = $node->value + 1;
            $this->found[] = [
                $node->getStartFilePos(),
                $node->getEndFilePos() - $node->getStartFilePos() + 1,
                (string) $up,
                $node->getStartLine(),
                $node->value.' → '.$up,
            ];
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
    $fitting[$folder] = explode(' ', $tests);
}
uksort($fitting, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));

$parser = (new ParserFactory)->createForHostVersion();
$sites = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root.'/core')) as $file) {
    $path = substr($file->getPathname(), strlen($root) + 1);
    if ($file->getExtension() !== 'php' || ! str_starts_with($path, $options['only'] ?? 'core')) {
        continue;
    }
    $code = (string) file_get_contents($file->getPathname());
    $visitor = new Sites($code);
    $traverser = new NodeTraverser;
    $traverser->addVisitor($visitor);
    $traverser->traverse($parser->parse($code) ?? []);
    foreach ($visitor->found as $site) {
        $folder = current(array_filter(array_keys($fitting), static fn (string $each): bool => str_starts_with($path, $each)));
        if ($folder !== false) {
            $sites[$folder][] = [$path, ...$site];
        }
    }
}
ksort($sites);
$picked = [];
$rest = [];
foreach ($sites as $folder => $all) {
    usort($all, static fn (array $a, array $b): int => [$a[0], $a[1], $a[5]] <=> [$b[0], $b[1], $b[5]]);
    $all = $chance->shuffleArray($all);
    $picked[$folder] = array_splice($all, 0, $least);
    $rest = [...$rest, ...array_map(static fn (array $site): array => [$folder, $site], $all)];
}
foreach (array_slice($chance->shuffleArray($rest), 0, max(0, $count - array_sum(array_map(count(...), $picked)))) as [$folder, $site]) {
    $picked[$folder][] = $site;
}

$copy = $root.'/var/mutants';
exec(
    sprintf(
        'rm -rf %1$s && mkdir -p %1$s && cd %2$s && cp -r core formats storage cli tests data compat vendor composer.json '
            .'phpunit.xml even-rungs ops app api demo %1$s/',
        escapeshellarg($copy),
        escapeshellarg($root),
    ),
);
$noticed = static function (string $folder) use ($copy, $fitting): bool {
    // a mutant that never ends is noticed too
    exec(
        sprintf(
            'cd %s && EVEN_RUNGS_SEED=20261127 timeout 120 php -d memory_limit=1G vendor/bin/phpunit --stop-on-failure '
                .'--stop-on-error --do-not-cache-result --no-output %s >/dev/null 2>&1',
            escapeshellarg($copy),
            implode(' ', $fitting[$folder]),
        ),
        $out,
        $status,
    );

    return $status !== 0;
};
$killed = $alive = [];
foreach ($picked as $folder => $of) {
    if ($noticed($folder)) {
        exit("the tests of {$folder} are red before anything is changed\n");
    }
    foreach ($of as [$path, $from, $length, $instead, $line, $operator]) {
        $code = (string) file_get_contents($root.'/'.$path);
        file_put_contents($copy.'/'.$path, substr($code, 0, $from).$instead.substr($code, $from + $length));
        $isAlive = ! $noticed($folder);
        file_put_contents($copy.'/'.$path, $code);
        $isAlive ? $alive[$folder][] = sprintf('%s:%d %s', $path, $line, $operator) : $killed[$folder] = ($killed[$folder] ?? 0) + 1;
        if ($isAlive) {
            printf("  alive: %s:%d %s\n", $path, $line, $operator);
        }
    }
    printf("%-24s %d of %d killed\n", $folder, $killed[$folder] ?? 0, count($of));
}
$dead = array_sum($killed);
$all = array_sum(array_map(count(...), $picked));
printf("%d of %d killed, %.1f %%\n", $dead, $all, 100 * $dead / max(1, $all));
