<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Formats\Json;
use EvenRungs\Storage\Schemas;
use PHPUnit\Framework\TestCase;

final class JobCommandsTest extends TestCase
{
    use RunsJobCommands;

    public function test_each_answer_fits_its_own_schema(): void
    {
        $client = self::json(self::CLIENT);
        [$code, $plan] = self::answer(['plan', '--weeks', '2'], $client);
        self::assertSame([0, []], [$code, Schemas::check('program', Json::decode($plan))]);

        [$code, $time] = self::answer(['time', '--timeline'], $plan);
        self::assertSame([0, []], [$code, Schemas::check('time', Json::decode($time))]);

        [$code, $placement] = self::answer(['place'], $client);
        self::assertSame([0, []], [$code, Schemas::check('placement', Json::decode($placement))]);

        [$code, $swaps] = self::answer(
            ['swap'],
            self::json(['exercise' => 'Side planks', 'limits' => ['shoulder'], 'equipment' => ['wall'], 'ability' => ['AL' => 3]]),
        );
        self::assertSame([0, []], [$code, Schemas::check('swap', Json::decode($swaps))]);
        self::assertSame('side-plank-split', Json::decode($swaps)->for);

        foreach (['fit' => ['program' => Json::decode($plan)], 'why-not' => ['exercise' => 'ab wheel rollout']] as $command => $asked) {
            [$code, $answer] = self::answer([$command], (string) json_encode(['client' => self::CLIENT, ...$asked]));
            self::assertSame([0, []], [$code, Schemas::check($command, Json::decode($answer))], $command);
        }

        [$code, $library] = self::answer(['library'], '');
        self::assertSame([0, []], [$code, Schemas::check('library', Json::decode($library))]);
        foreach (Schemas::names() as $name) {
            self::assertSame(0, self::answer(['schema', $name], '')[0]);
        }
    }

    public function test_many_come_a_line_each_and_are_answered_as_each_alone(): void
    {
        $client = self::json(self::CLIENT);
        $waits = self::json([...self::CLIENT, 'screen' => ['cleared' => false, 'flags' => ['bladder-bowel']]]);
        $plan = rtrim(Json::line(Json::decode(self::answer(['plan'], $client)[1])));
        $set = ['side' => 'left', 'target_reps' => 12, 'reps' => 12, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];
        $history = self::json([
            'format' => 'even-rungs/history', 'version' => 1, 'ladder' => 'dead-bug', 'rung' => 'heel-taps',
            'sessions' => [['date' => '2027-01-06', 'sets' => [$set, [...$set, 'side' => 'right']]]],
        ]);
        foreach ([
            'plan' => [$client, $waits],
            'place' => [$client, $waits],
            'verdict' => [$history],
            'audit' => [$plan],
            'time' => [$plan, self::json([...self::SESSION, 'blocks' => []])],
        ] as $command => $documents) {
            $lines = [...$documents, 'no JSON', '', self::json(['format' => 'something else']), ...$documents];
            [$code, $answers] = self::answer([$command, '--many'], implode("\r\n", $lines)."\n");
            self::assertSame(0, $code, $command);
            $answers = explode("\n", rtrim($answers, "\n"));
            self::assertCount(count($lines), $answers, $command);
            foreach ($lines as $i => $line) {
                [$exit, $alone, $said] = self::answer([$command], $line);
                $answer = Json::decode($answers[$i]);
                if ($exit === 2) {
                    $problems = array_map(static fn (object $each): string => $each->path.': '.$each->message, $answer->problems);
                    self::assertSame([2, rtrim($said)], [$answer->exit, implode("\n", $problems)], "$command, line $i");
                } else {
                    self::assertEquals(Json::decode($alone), $answer, "$command, line $i");
                }
            }
        }
        [$code, , $said] = self::answer(['time', '--many', '--format', 'csv'], $plan);
        self::assertSame([2, "--format: must be json with --many, a document a line\n"], [$code, $said]);
        self::assertStringContainsString('line 2: Planning stops here', self::answer(['plan', '--many'], "$client\n$waits\n")[2]);
        self::assertSame(2, self::answer(['norms', '--many'], '')[0], 'only where many are worth it');
    }

    public function test_lines_as_trainers_jot_them_are_timed_audited_and_fitted(): void
    {
        $text = "Monday, 20 min\nFront plank 3 x 30s\nDead bug 2 x 10 alternate\n";

        [$code, $time] = self::answer(['time', '--format', 'text'], $text);
        self::assertSame([0, 90 + 2 * 2 * 10 * 4], [$code, Json::decode($time)->work_s], 'a rep takes 4 s where no tempo is written');
        [$code, $audit] = self::answer(['audit', '--format', 'text'], $text);
        self::assertSame(0, $code);
        self::assertContains('coverage.direction', array_column(Json::decode($audit)->findings, 'rule'));
        [$code, $fit] = self::answer(['fit'], self::json(['program' => $text, 'client' => self::CLIENT]));
        $answer = Json::decode($fit);
        self::assertSame(0, $code);
        self::assertSame('mon', $answer->program->weeks[0]->sessions[0]->day);
        self::assertSame('/weeks/0/sessions/0/blocks/0/entries/0', $answer->changes[0]->where);
    }

    public function test_the_line_of_a_picture_and_level_hips_on_a_rung_without_one(): void
    {
        $line = ['format' => 'even-rungs/line', 'version' => 1, 'rung' => 'Front plank', 'level' => [[0, 0], [100, 3]]];
        $points = ['ear' => [-20, -30], 'shoulder' => [-100, -20], 'hip' => [0, 0], 'ankle' => [100, -20]];
        [$code, $out] = self::answer(['line'], self::json([...$line, 'points' => $points]));
        $judged = Json::decode($out);
        self::assertSame([], Schemas::check('judged-line', $judged));
        self::assertSame([0, 157.4, -22.6, -10], [$code, $judged->angles[0]->degrees, $judged->angles[0]->off, $judged->drop_percent]);
        self::assertSame([1.7, ['hips-sag']], [$judged->tilt_degrees, $judged->faults]);
        [$code, $out] = self::answer(['line'], self::json([...$line, 'rung' => 'dead bug']));
        self::assertSame([0, [], 1.7], [$code, Json::decode($out)->angles, Json::decode($out)->tilt_degrees]);
    }

    public function test_fit_and_why_not_wait_for_a_clinician_like_a_plan(): void
    {
        $flagged = [...self::CLIENT, 'screen' => ['cleared' => true, 'flags' => ['fever']]];
        [, $plan] = self::answer(['plan'], self::json(self::CLIENT));
        foreach (['fit' => ['program' => Json::decode($plan)], 'why-not' => ['exercise' => 'plank']] as $command => $asked) {
            [$code, $out] = self::answer([$command], (string) json_encode(['client' => $flagged, ...$asked]));
            self::assertSame([3, 'fever'], [$code, Json::decode($out)->refer[0]->flag], $command);
            $unasked = array_diff_key(self::CLIENT, ['days' => true]);
            [$code, , $said] = self::answer([$command], (string) json_encode(['client' => $unasked, ...$asked]));
            self::assertSame(2, $code);
            self::assertStringContainsString('/client/days: is required to plan', $said);
        }
    }

    public function test_a_program_read_and_timed_again_is_the_same(): void
    {
        [, $plan] = self::answer(['plan'], self::json(self::CLIENT));
        $sessions = Json::decode($plan)->weeks[0]->sessions;
        $total = array_sum(array_map(static fn (object $session): int|float => $session->claimed_s, $sessions));

        self::assertSame($total, Json::decode(self::answer(['time'], $plan)[1])->total_s);
        self::assertSame($plan, self::answer(['plan'], self::json(self::CLIENT))[1]);
    }

    public function test_a_flag_or_an_uncleared_medical_limit_stops_planning_with_exit_3_and_no_weeks(): void
    {
        foreach ([
            [['screen' => ['cleared' => true, 'flags' => ['fever', 'chest-pain']]], 'flag', 'chest-pain', 'emergency'],
            [['screen' => ['flags' => []], 'limits' => ['pregnancy']], 'limit', 'pregnancy', 'before-load'],
        ] as [$change, $kind, $id, $urgency]) {
            [$code, $out] = self::answer(['plan'], self::json([...self::CLIENT, ...$change]));
            $answer = Json::decode($out);

            self::assertSame(3, $code);
            self::assertSame([], Schemas::check('referral', $answer));
            self::assertSame([$id, $urgency], [$answer->refer[0]->{$kind}, $answer->refer[0]->urgency]);
        }
    }

    public function test_a_severity_of_a_medical_limit_is_said_to_be_not_applied(): void
    {
        $placed = static fn (string $severity): array => self::answer(
            ['place'],
            self::json([...self::CLIENT, 'limits' => [['limit' => 'osteoporosis', 'severity' => $severity]]]),
        );

        self::assertStringContainsString('severity "mild" of osteoporosis is not applied', $placed('mild')[2]);
        self::assertSame($placed('moderate')[1], $placed('mild')[1]);
        self::assertSame($placed('moderate')[1], $placed('severe')[1]);
    }

    public function test_unasked_is_not_no(): void
    {
        [$code, , $err] = self::answer(['plan'], self::json([...self::CLIENT, 'screen' => ['cleared' => true]]));

        self::assertSame(2, $code);
        self::assertStringContainsString('/screen/flags: is required to plan', $err);
    }

    public function test_the_executable_answers_without_database_and_framework(): void
    {
        $process = proc_open(
            [dirname(__DIR__, 2).'/even-rungs', 'time'],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            '/',
            ['PATH' => (string) getenv('PATH')],
        );
        self::assertIsResource($process);
        fwrite(
            $pipes[0],
            self::json(
                [...self::SESSION, 'blocks' => [['type' => 'straight', 'entries' => [['exercise' => 'Wheelbarrow walk', 'work_s' => 60]]]]],
            ),
        );
        fclose($pipes[0]);
        $answer = Json::decode((string) stream_get_contents($pipes[1]));

        self::assertSame(0, proc_close($process));
        self::assertSame([60, ['Wheelbarrow walk'], 60], [$answer->total_s, $answer->unknown, $answer->tension_s->none]);
    }
}
