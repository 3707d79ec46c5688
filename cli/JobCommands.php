<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use DateTimeImmutable;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Formats\AuditJson;
use EvenRungs\Formats\HistoryJson;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\NormsJson;
use EvenRungs\Formats\PlacementJson;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\TimeJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;

/**
 * The rules of the job from the command line: JSON in, JSON out, no framework and no database.
 */
final class JobCommands
{
    public const USED = 0;

    public const UNUSABLE = 2;

    public const REFERRED = 3;

    /** Options of each command, by whether they take a value. */
    private const OPTIONS = [
        'library' => [],
        'time' => ['--timeline' => false, '--format' => true],
        'place' => ['--style' => true, '--on' => true, '--format' => true],
        'plan' => ['--weeks' => true, '--style' => true, '--on' => true, '--format' => true],
        'swap' => ['--format' => true],
        'audit' => ['--client' => true, '--style' => true, '--on' => true, '--apply' => true, '--format' => true],
        'verdict' => ['--style' => true, '--format' => true],
        'norms' => ['--format' => true],
        'schema' => [],
    ];

    private readonly DataFolder $data;

    /**
     * @param  resource  $in
     * @param  resource  $out
     * @param  resource  $err
     */
    public function __construct(private $in, private $out, private $err)
    {
        $kept = dirname(__DIR__).'/var';
        $this->data = DataFolder::shipped(is_writable($kept) ? $kept.'/built-library' : null);
    }

    /**
     * @param  list<string>  $words  the command and what stands behind it
     * @return int exit code: 0 done, 2 unusable input, 3 safety stops planning
     */
    public function run(array $words): int
    {
        $command = array_shift($words) ?? '';
        try {
            $known = self::OPTIONS[$command] ?? throw UnusableInput::at(
                $command === '' ? 'command' : $command,
                'is not a command; there are '.implode(', ', array_keys(self::OPTIONS)),
            );
            $arguments = Arguments::parse($words, $known, $command === 'library' ? 0 : 1);

            return match ($command) {
                'library' => $this->answer(LibraryJson::write($this->data->library())),
                'time' => $this->time($arguments),
                'place' => $this->place($arguments),
                'plan' => $this->plan($arguments),
                'swap' => $this->swap($arguments),
                'audit' => $this->audit($arguments),
                'verdict' => $this->verdict($arguments),
                'norms' => $this->norms($arguments),
                default => $this->schema($arguments),
            };
        } catch (UnusableInput $e) {
            fwrite($this->err, implode("\n", array_map(static fn (Problem $problem): string => $problem->toLine(), $e->problems))."\n");
        } catch (InvalidValue $e) {
            fwrite($this->err, (new Problem('/', $e->sentence))->toLine()."\n");
        }

        return self::UNUSABLE;
    }

    private function time(Arguments $arguments): int
    {
        $text = $this->text($arguments);
        $writer = new TimeJson($this->data->library(), $arguments->has('--timeline'));
        if ($this->isCsv($arguments, $text)) {
            return $this->answer($writer->program(ProgramCsv::read($text)));
        }
        $document = Json::decode($text);
        if (($document->format ?? null) === SessionJson::FORMAT) {
            $node = $this->checked('session', $document);

            return $this->answer($node->guard(static fn (): array => $writer->session(SessionJson::read($node))));
        }

        return $this->answer($writer->program($this->program($document)));
    }

    private function audit(Arguments $arguments): int
    {
        $text = $this->text($arguments);
        $program = $this->isCsv($arguments, $text) ? ProgramCsv::read($text) : $this->programOrSession(Json::decode($text));
        $style = $arguments->value('--style') ?? (in_array($program->style, $this->data->styleNames(), true) ? $program->style : null);
        $file = $arguments->value('--client');
        $on = self::on($arguments);
        $client = $file === null ? null : $this->data->clients()->read($this->checked('client', Json::decode($this->fileText($file))), $on);
        $client ??= $on === null ? null : $program->client?->on($on);
        $audit = new Audit($this->data->library(), $style === null ? null : $this->data->style($style));
        try {
            $read = $audit->read($program, $client);
        } catch (InvalidValue $e) {
            (new TimeJson($this->data->library()))->program($program);
            throw $e;
        }

        $findings = $audit->findings($read);
        $number = $arguments->value('--apply');
        if ($number === null) {
            return $this->answer(AuditJson::write($findings, $read));
        }
        $finding = preg_match('/^\d{1,6}$/', $number) === 1 ? $findings[(int) $number] ?? null : null;
        if ($finding?->fix === null) {
            throw UnusableInput::at(
                '--apply',
                $finding === null ? sprintf(
                    'there is no finding %s; there are %d, from 0',
                    mb_substr($number, 0, 20),
                    count($findings),
                ) : sprintf('finding %s has no change: %s', $number, lcfirst($finding->advice())),
            );
        }

        return $this->answer((new ProgramJson($this->data->clients()))->write($finding->fix->apply($program)));
    }

    private function verdict(Arguments $arguments): int
    {
        $node = $this->checked('history', $this->document($arguments));
        $written = $node->optionalString('style');
        $style = $this->data->style(
            $arguments->value('--style') ?? (in_array($written, $this->data->styleNames(), true) ? $written : DataFolder::DEFAULT_STYLE),
        );
        $child = $node->optionalChild('client');
        $client = $child === null ? null : $this->data->clients()->read(
            $child,
            $child->optionalDay('as_of') ?? $node->optionalDay('as_of') ?? self::lastDay($node),
        );
        $judge = new Judge($this->data->library(), $style, $client, $client === null ? null : GoalRule::for($client, $this->data->goals()));
        $history = (new HistoryJson($this->data->library()))->read($node, $judge->steps);

        return $this->answer(HistoryJson::write($judge->decide($history), $history));
    }

    /** The day of the newest session of a history. */
    private static function lastDay(Node $history): ?DateTimeImmutable
    {
        $days = array_filter($history->each('sessions', static fn (Node $session): ?DateTimeImmutable => $session->optionalDay('date')));

        return $days === [] ? null : max($days);
    }

    /** The day that --on names; null where it is not given. */
    private static function on(Arguments $arguments): ?DateTimeImmutable
    {
        $text = $arguments->value('--on');

        return $text === null ? null : Node::day($text) ?? throw UnusableInput::at(
            '--on',
            sprintf('must be a day written YYYY-MM-DD, not "%s"', mb_substr($text, 0, 40)),
        );
    }

    private function style(Arguments $arguments): Style
    {
        return $this->data->style($arguments->value('--style') ?? DataFolder::DEFAULT_STYLE);
    }

    /** A session alone is audited as a week that has no other. */
    private function programOrSession(object $document): Program
    {
        if (($document->format ?? null) !== SessionJson::FORMAT) {
            return $this->program($document);
        }
        $node = $this->checked('session', $document);

        return new Program([new Week(1, [], [$node->guard(static fn (): Session => SessionJson::read($node))])]);
    }

    private function program(object $document): Program
    {
        if (($document->format ?? null) !== ProgramJson::FORMAT) {
            throw UnusableInput::at('/format', sprintf('must be "%s" or "%s"', SessionJson::FORMAT, ProgramJson::FORMAT));
        }

        return (new ProgramJson($this->data->clients()))->read($this->checked('program', $document));
    }

    private function place(Arguments $arguments): int
    {
        $style = $this->style($arguments);
        $on = self::on($arguments);
        $client = $this->data->clients()->read($this->checked('client', $this->document($arguments)), $on);
        $this->sayWhatIsNotApplied($client);

        return $this->answer(PlacementJson::write((new Placer($this->data->library(), $style))->place($client)));
    }

    private function plan(Arguments $arguments): int
    {
        $weeks = $arguments->value('--weeks') ?? '1';
        if (preg_match('/^\d{1,3}$/', $weeks) !== 1 || (int) $weeks < 1 || (int) $weeks > WeekPlanner::MOST_WEEKS) {
            throw UnusableInput::at('--weeks', sprintf('must be a whole number from 1 to %d', WeekPlanner::MOST_WEEKS));
        }
        $style = $this->style($arguments);
        $on = self::on($arguments);
        $client = $this->data->clients()->readForPlanning($this->checked('client', $this->document($arguments)), $on);
        $this->sayWhatIsNotApplied($client);
        $referrals = (new SafetyScreen)->referrals($client);
        if ($referrals !== []) {
            $this->answer(PlacementJson::writeReferrals($referrals));
            fwrite($this->err, "Planning stops here until a clinician has seen the client.\n");

            return self::REFERRED;
        }
        $planner = new WeekPlanner($this->data->library(), $style, $this->data->goals());

        return $this->answer((new ProgramJson($this->data->clients()))->write($planner->plan($client, (int) $weeks)));
    }

    private function swap(Arguments $arguments): int
    {
        $node = $this->checked('swap-request', $this->document($arguments));
        $library = $this->data->library();
        $name = $node->string('exercise');
        $rung = $library->find($name);
        if ($rung === null) {
            $near = array_map(static fn (Rung $each): string => sprintf('"%s"', $each->name), $library->suggestions($name));
            throw UnusableInput::at(
                '/exercise',
                sprintf(
                    '"%s" is not in the library%s',
                    mb_substr($name, 0, 60),
                    $near === [] ? '' : '; is '.implode(' or ', $near).' meant?',
                ),
            );
        }
        $client = $this->data->clients()->readForSwap($node);
        $this->sayWhatIsNotApplied($client);

        return $this->answer(PlacementJson::writeSwaps($rung, (new Swaps($library))->for($rung, $client)));
    }

    private function norms(Arguments $arguments): int
    {
        $node = $this->checked('tests', $this->document($arguments));
        $on = $node->optionalString('on');

        return $this->answer(NormsJson::write(
            $this->data->norms(),
            $this->data->clients()->readTests($node->child('tests')),
            $this->data->clients()->readTests($node->optionalChild('previous')),
            NormGroup::from($node->optionalString('norm_group') ?? NormGroup::None->value),
            $node->optionalInt('born'),
            $on === null ? null : (int) substr($on, 0, 4),
        ));
    }

    /** Medical limits have no severity; one that was written is said to have no effect. */
    private function sayWhatIsNotApplied(Client $client): void
    {
        foreach ($client->limits as $limit) {
            if ($limit->rule->medical && $limit->severity !== Severity::Moderate) {
                fwrite(
                    $this->err,
                    sprintf(
                        "/limits: severity \"%s\" of %s is not applied: medical limits bar real and high stress alike\n",
                        $limit->severity->value,
                        $limit->rule->id,
                    ),
                );
            }
        }
    }

    private function schema(Arguments $arguments): int
    {
        $name = $arguments->operands[0] ?? '';
        $text = Schemas::text($name);
        if ($text === null) {
            throw UnusableInput::at($name === '' ? 'schema' : $name, 'is not a schema; there are '.implode(', ', Schemas::names()));
        }
        fwrite($this->out, $text);

        return self::USED;
    }

    private function document(Arguments $arguments): object
    {
        $format = $arguments->value('--format');
        if ($format !== null && $format !== 'json') {
            throw UnusableInput::at('--format', 'must be json: this command reads no other format');
        }

        return Json::decode($this->text($arguments));
    }

    /** Whether the input is CSV: as asked for, else unless it begins like a JSON object. */
    private function isCsv(Arguments $arguments, string $text): bool
    {
        return match ($arguments->value('--format')) {
            'json' => false,
            'csv' => true,
            null => trim($text) !== '' && ! str_starts_with(ltrim($text, "\u{FEFF} \t\r\n"), '{'),
            default => throw UnusableInput::at('--format', 'must be json or csv'),
        };
    }

    private function text(Arguments $arguments): string
    {
        $file = $arguments->operands[0] ?? '-';

        return $file === '-' ? (string) stream_get_contents($this->in, Json::LARGEST + 1) : $this->fileText($file);
    }

    private function fileText(string $file): string
    {
        if (! is_file($file) || ! is_readable($file)) {
            throw UnusableInput::at($file, 'is not a file that can be read');
        }

        return (string) file_get_contents($file, false, null, 0, Json::LARGEST + 1);
    }

    private function checked(string $schema, object $document): Node
    {
        $problems = Schemas::check($schema, $document);
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Node(Json::toArray($document));
    }

    /** @param  array<string, mixed>  $answer */
    private function answer(array $answer): int
    {
        fwrite($this->out, Json::encode($answer));

        return self::USED;
    }
}
