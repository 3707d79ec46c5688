<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use EvenRungs\Formats\Json;
use EvenRungs\Formats\Problem;

/**
 * What a job command answers, and what it has to say beside it: one document, or one on each line where many are worked through.
 */
final class Answers
{
    /** The line that is worked on, 1 is the first; null where there is one document. */
    private ?int $line = null;

    /**
     * @param  resource  $out
     * @param  resource  $err
     */
    public function __construct(private $out, private $err)
    {
    }

    /** From now on an answer stands on one line, and what is said beside it names the line that it is about. */
    public function ofLine(int $line): void
    {
        $this->line = $line;
    }

    /** @param  array<array-key, mixed>  $answer */
    public function give(array $answer): int
    {
        fwrite($this->out, $this->line === null ? Json::encode($answer) : Json::line($answer));

        return JobCommands::USED;
    }

    /** @param  list<Problem>  $problems */
    public function refuse(array $problems): int
    {
        if ($this->line === null) {
            fwrite($this->err, implode("\n", array_map(static fn (Problem $problem): string => $problem->toLine(), $problems))."\n");
        } else {
            $this->give([
                'exit' => JobCommands::UNUSABLE,
                'problems' => array_map(
                    static fn (Problem $problem): array => ['path' => $problem->path, 'message' => $problem->message],
                    $problems,
                ),
            ]);
        }

        return JobCommands::UNUSABLE;
    }

    public function say(string $sentence): void
    {
        fwrite($this->err, ($this->line === null ? '' : sprintf('line %d: ', $this->line)).$sentence."\n");
    }
}
