<?php

declare(strict_types=1);

namespace App\Console;

use App\Clients\Erasure;
use App\Copies\MoveDocument;
use App\Models\Studio;
use EvenRungs\Formats\UnusableInput;
use Generator;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * The steps of a move from one database to another, for ops/cluster.sh: each is safe to do again.
 */
final class MoveStudio extends Command
{
    protected $signature = 'studio:move {act : find NAME|ID, out ID, in (from standard input), gone ID} {word?}';

    protected $description = 'Take a studio to another cluster, step by step';

    public function handle(MoveDocument $move): int
    {
        $word = $this->argument('word');
        $studio = Studio::query()->where('id', $word)->first();
        switch ($this->argument('act')) {
            case 'find':
                Studio::query()->where('name', $word)->orWhere('id', $word)->pluck('id')->each(fn (string $id) => $this->line($id));

                return self::SUCCESS;
            case 'out':
                foreach ($studio === null ? [] : $move->out($studio) as $line) {
                    $this->output->write($line, false, OutputInterface::OUTPUT_RAW);
                }

                return $studio === null ? self::FAILURE : self::SUCCESS;
            case 'in':
                try {
                    $this->line($move->in(self::lines())->name);
                } catch (UnusableInput $e) {
                    $this->error(ltrim($e->problems[0]->path.': '.$e->problems[0]->message, '/: '));

                    return self::FAILURE;
                }

                return self::SUCCESS;
            case 'gone':
                $studio !== null && Erasure::studio($studio->id);

                return self::SUCCESS;
            default:
                return self::INVALID;
        }
    }

    /** @return Generator<int, string> of standard input */
    private static function lines(): Generator
    {
        while (($line = fgets(STDIN)) !== false) {
            yield $line;
        }
    }
}
