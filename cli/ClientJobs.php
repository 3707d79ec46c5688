<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Fit\ProgramFit;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Planning\WhyNot\ChosenLadders;
use EvenRungs\Core\Planning\WhyNot\WhyNot;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\FitJson;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\NamedRung;
use EvenRungs\Formats\PlacementJson;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Formats\WhyNotJson;
use EvenRungs\Storage\DataFolder;

/**
 * The job commands that are about one client: where they stand, what is planned for them, what stands in.
 */
final class ClientJobs
{
    public function __construct(private readonly DataFolder $data, private readonly Input $input, private readonly Answers $answers)
    {
    }

    /**
     * @return int exit code
     *
     * @throws UnusableInput
     */
    public function run(string $command, Arguments $arguments): int
    {
        return match ($command) {
            'place' => $this->place($arguments),
            'plan' => $this->plan($arguments),
            'fit' => $this->fit($arguments),
            'why-not' => $this->whyNot($arguments),
            default => $this->swap($arguments),
        };
    }

    private function place(Arguments $arguments): int
    {
        $style = $this->style($arguments);
        $on = Input::on($arguments);
        $client = $this->data->clients()->read($this->input->checked('client', $this->input->document($arguments)), $on);
        $this->sayWhatIsNotApplied($client);

        return $this->answers->give(PlacementJson::write((new Placer($this->data->library(), $style))->place($client)));
    }

    private function plan(Arguments $arguments): int
    {
        $weeks = $arguments->value('--weeks') ?? '1';
        if (preg_match('/^\d{1,3}$/', $weeks) !== 1 || (int) $weeks < 1 || (int) $weeks > WeekPlanner::MOST_WEEKS) {
            throw UnusableInput::at('--weeks', sprintf('must be a whole number from 1 to %d', WeekPlanner::MOST_WEEKS));
        }
        $style = $this->style($arguments);
        $on = Input::on($arguments);
        $client = $this->data->clients()->readForPlanning($this->input->checked('client', $this->input->document($arguments)), $on);
        $this->sayWhatIsNotApplied($client);
        $planner = new WeekPlanner($this->data->library(), $style, $this->data->goals());
        $chosen = new ChosenLadders($this->data->library(), $style, $this->data->goals());

        return $this->referred($client) ?? $this->answers->give(
            (new ProgramJson($this->data->clients()))->write($chosen->noted($planner->plan($client, (int) $weeks), $client)),
        );
    }

    private function fit(Arguments $arguments): int
    {
        $format = $arguments->value('--format') ?? 'json';
        if (! in_array($format, ['json', 'csv', 'text'], true)) {
            throw UnusableInput::at('--format', 'must be json, csv or text');
        }
        $style = $this->style($arguments);
        $node = $this->input->checked('fit-request', Json::decode($this->input->text($arguments)));
        $client = $this->data->clients()->readForPlanning($node->child('client'), Input::on($arguments));
        $written = $node->all()['program'];
        $program = match (true) {
            ! is_string($written) => (new ProgramJson($this->data->clients()))->read($node->child('program')),
            $format === 'csv' => ProgramCsv::read($written),
            default => ProgramText::read($written),
        };
        $this->sayWhatIsNotApplied($client);

        return $this->referred($client) ?? $this->answers->give((new FitJson($this->data->clients()))->write(
            (new ProgramFit($this->data->library(), $style, $this->data->goals()))->to($program, $client),
        ));
    }

    /** What is answered while a clinician comes first; null where nothing waits for one. */
    private function referred(Client $client): ?int
    {
        $referrals = (new SafetyScreen)->referrals($client);
        if ($referrals === []) {
            return null;
        }
        $this->answers->give(PlacementJson::writeReferrals($referrals));
        $this->answers->say('Planning stops here until a clinician has seen the client.');

        return JobCommands::REFERRED;
    }

    private function whyNot(Arguments $arguments): int
    {
        $style = $this->style($arguments);
        $node = $this->input->checked('why-not-request', $this->input->document($arguments));
        $client = $this->data->clients()->readForPlanning($node->child('client'), Input::on($arguments));
        $rung = NamedRung::at($node, 'exercise', $this->data->library());
        $this->sayWhatIsNotApplied($client);

        return $this->referred($client) ?? $this->answers->give((new WhyNotJson($this->data->clients()))->write(
            (new WhyNot($this->data->library(), $style, $this->data->goals()))->of($client, $rung),
        ));
    }

    private function swap(Arguments $arguments): int
    {
        $node = $this->input->checked('swap-request', $this->input->document($arguments));
        $rung = NamedRung::at($node, 'exercise', $this->data->library());
        $client = $this->data->clients()->readForSwap($node);
        $this->sayWhatIsNotApplied($client);

        return $this->answers->give(PlacementJson::writeSwaps($rung, (new Swaps($this->data->library()))->for($rung, $client)));
    }

    private function style(Arguments $arguments): Style
    {
        return $this->input->style($arguments->value('--style') ?? DataFolder::DEFAULT_STYLE);
    }

    private function sayWhatIsNotApplied(Client $client): void
    {
        foreach (Unapplied::of($client) as $line) {
            $this->answers->say($line);
        }
    }
}
