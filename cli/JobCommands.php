<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Review\Line\LineJudge;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Formats\AuditJson;
use EvenRungs\Formats\HistoryJson;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\LineJson;
use EvenRungs\Formats\NormsJson;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\TimeJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\OwnTables;
use EvenRungs\Storage\Schemas;
use EvenRungs\Storage\StudioFile;

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
        'library' => ['--studio' => true],
        'time' => ['--many' => false, '--timeline' => false, '--format' => true, '--studio' => true],
        'place' => ['--many' => false, '--style' => true, '--on' => true, '--format' => true, '--studio' => true],
        'plan' => ['--many' => false, '--weeks' => true, '--style' => true, '--on' => true, '--format' => true, '--studio' => true],
        'swap' => ['--format' => true, '--studio' => true],
        'audit' => [
            '--many' => false, '--client' => true, '--style' => true, '--on' => true, '--apply' => true, '--format' => true,
            '--studio' => true,
        ],
        'verdict' => ['--many' => false, '--style' => true, '--format' => true, '--studio' => true],
        'fit' => ['--style' => true, '--on' => true, '--format' => true, '--studio' => true],
        'why-not' => ['--style' => true, '--on' => true, '--format' => true, '--studio' => true],
        'line' => ['--format' => true, '--studio' => true],
        'norms' => ['--format' => true],
        'schema' => [],
    ];

    private DataFolder $data;

    private Input $input;

    private ClientJobs $ofClients;

    private readonly Answers $answers;

    /**
     * @param  resource  $in
     * @param  resource  $out
     * @param  resource  $err
     */
    public function __construct(private $in, private $out, $err)
    {
        $this->answers = new Answers($out, $err);
        $this->with(null);
    }

    /** @param  ?OwnTables  $own  ladders, styles and words of a studio's own */
    private function with(?OwnTables $own): void
    {
        $kept = dirname(__DIR__).'/var';
        $this->data = DataFolder::shipped(is_writable($kept) ? $kept.'/built-library' : null, $own);
        $this->input = new Input($this->data, $this->in);
        $this->ofClients = new ClientJobs($this->data, $this->input, $this->answers);
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
            $studio = $arguments->value('--studio');
            if ($studio !== null) {
                $this->with(StudioFile::read(Input::whole($studio)));
            }

            return $arguments->has('--many') ? $this->many($command, $arguments) : $this->job($command, $arguments);
        } catch (UnusableInput $e) {
            return $this->answers->refuse($e->problems);
        } catch (InvalidValue $e) {
            return $this->answers->refuse([new Problem('/', $e->sentence)]);
        }
    }

    /**
     * @return int exit code
     *
     * @throws UnusableInput
     * @throws InvalidValue
     */
    private function job(string $command, Arguments $arguments): int
    {
        return match ($command) {
            'library' => $this->answers->give(LibraryJson::write($this->data->library())),
            'time' => $this->time($arguments),
            'place', 'plan', 'swap', 'fit', 'why-not' => $this->ofClients->run($command, $arguments),
            'audit' => $this->audit($arguments),
            'verdict' => $this->verdict($arguments),
            'line' => $this->line($arguments),
            'norms' => $this->norms($arguments),
            default => $this->schema($arguments),
        };
    }

    /**
     * One document a line in, one answer a line out; a line that cannot be used says so in its place.
     *
     * @throws UnusableInput where not even the first line can be read
     */
    private function many(string $command, Arguments $arguments): int
    {
        if (($arguments->value('--format') ?? 'json') !== 'json') {
            throw UnusableInput::at('--format', 'must be json with --many, a document a line');
        }
        foreach ($this->input->lines($arguments) as $i => $line) {
            $this->answers->ofLine($i + 1);
            $this->input->give($line);
            try {
                $this->job($command, $arguments);
            } catch (UnusableInput $e) {
                $this->answers->refuse($e->problems);
            } catch (InvalidValue $e) {
                $this->answers->refuse([new Problem('/', $e->sentence)]);
            }
        }

        return self::USED;
    }

    private function time(Arguments $arguments): int
    {
        $text = $this->input->text($arguments);
        $writer = new TimeJson($this->data->library(), $arguments->has('--timeline'));
        $program = $this->input->jotted($arguments, $text);
        if ($program !== null) {
            return $this->answers->give($writer->program($program));
        }
        $document = Json::decode($text);
        if (($document->format ?? null) === SessionJson::FORMAT) {
            $node = $this->input->checked('session', $document);

            return $this->answers->give($node->guard(static fn (): array => $writer->session(SessionJson::read($node))));
        }

        return $this->answers->give($writer->program($this->input->program($document)));
    }

    private function audit(Arguments $arguments): int
    {
        $text = $this->input->text($arguments);
        $program = $this->input->jotted($arguments, $text) ?? $this->input->programOrSession(Json::decode($text));
        $style = $arguments->value('--style') ?? (in_array($program->style, $this->data->styleNames(), true) ? $program->style : null);
        $file = $arguments->value('--client');
        $on = Input::on($arguments);
        $client = $file === null ? null : $this->data->clients()->read(
            $this->input->checked('client', Json::decode($this->input->fileText($file))),
            $on,
        );
        $client ??= $on === null ? null : $program->client?->on($on);
        $audit = new Audit($this->data->library(), $style === null ? null : $this->input->style($style));
        try {
            $read = $audit->read($program, $client);
        } catch (InvalidValue $e) {
            (new TimeJson($this->data->library()))->program($program);
            throw $e;
        }

        $findings = $audit->findings($read);
        $number = $arguments->value('--apply');
        if ($number === null) {
            return $this->answers->give(AuditJson::write($findings, $read));
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

        return $this->answers->give((new ProgramJson($this->data->clients()))->write($finding->fix->apply($program)));
    }

    private function verdict(Arguments $arguments): int
    {
        $node = $this->input->checked('history', $this->input->document($arguments));
        $written = $node->optionalString('style');
        $style = $this->input->style(
            $arguments->value('--style') ?? (in_array($written, $this->data->styleNames(), true) ? $written : DataFolder::DEFAULT_STYLE),
        );
        $child = $node->optionalChild('client');
        $client = $child === null ? null : $this->data->clients()->read(
            $child,
            $child->optionalDay('as_of') ?? $node->optionalDay('as_of') ?? Input::lastDay($node),
        );
        $judge = new Judge($this->data->library(), $style, $client, $client === null ? null : GoalRule::for($client, $this->data->goals()));
        $history = (new HistoryJson($this->data->library()))->read($node, $judge->steps);

        return $this->answers->give(HistoryJson::write($judge->decide($history), $history));
    }

    private function line(Arguments $arguments): int
    {
        $node = $this->input->checked('line', $this->input->document($arguments));

        return $this->answers->give(LineJson::write(LineJudge::judge(...LineJson::read($node, $this->data->library()))));
    }

    private function norms(Arguments $arguments): int
    {
        $node = $this->input->checked('tests', $this->input->document($arguments));
        $on = $node->optionalString('on');

        return $this->answers->give(NormsJson::write(
            $this->data->norms(),
            $this->data->clients()->readTests($node->child('tests')),
            $this->data->clients()->readTests($node->optionalChild('previous')),
            NormGroup::from($node->optionalString('norm_group') ?? NormGroup::None->value),
            $node->optionalInt('born'),
            $on === null ? null : (int) substr($on, 0, 4),
        ));
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
}
