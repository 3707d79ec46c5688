<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\LoggedSession;
use App\Models\LoggedSet;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Logs that are changed, taken back, sent again, and put out as a table.
 */
final class LogEditsTest extends HttpTestCase
{
    use LogsOfAClient;

    public function test_the_same_log_sent_twice_is_kept_once(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/logs'), $this->log('same-key-1', 1))->assertOk();
        $this->api('POST', $this->path('/logs'), $this->log('same-key-1', 1))->assertOk();

        self::assertSame(2, LoggedSet::query()->ofClient($this->clientNamed('Maren Tidewell'))->count());
    }

    public function test_what_cannot_be_is_said_and_a_log_is_taken_back(): void
    {
        $this->signedIn();
        $at = fn (array $log): ?string => $this->api('POST', $this->path('/logs'), $log)->assertStatus(422)->json('errors.0.path');
        self::assertSame('/on', $at($this->log('bad-key-1', -5)));
        self::assertSame('/sets/0/pain', $at($this->log('bad-key-1', 1, ['pain' => 11])));
        self::assertSame('/sets/0/rung', $at($this->log('bad-key-1', 1, ['rung' => 'nowhere'])));
        $page = $this->api('POST', $this->path('/logs'), $this->log('good-key', 1))->json();
        $this->api('POST', $this->path('/logs/'.$page['sessions'][0]['id'].'/remove'), '{}')->assertOk()->assertJsonPath('sessions', []);
        $this->api('POST', $this->path('/verdicts'), ['version' => 1, 'ladder' => 'dead-bug', 'answer' => 'accepted'])->assertStatus(422);
    }

    public function test_an_edit_keeps_what_was_before_and_who_changed_it(): void
    {
        $trainer = $this->signedIn();
        $this->api('POST', $this->path('/logs'), $this->log('edit-key-1', 1))->assertOk();
        $one = $this->newest();
        self::assertSame([], $one['changes']);
        ['key' => $key] = $log = $one['log'];
        unset($log['key']);
        $log['sets'][0]['done'] = 6;
        $edited = $this->api('POST', $this->path('/logs/'.$one['id']), [...$log, 'revision' => $one['revision']])->assertOk()->json();

        self::assertSame([6, $key], [$edited['log']['sets'][0]['done'], $edited['log']['key']]);
        self::assertSame(
            ['edited', $trainer->name, 8],
            [$edited['changes'][0]['what'], $edited['changes'][0]['by'], $edited['changes'][0]['before']['sets'][0]['done']],
        );
        $this->api(
            'POST',
            $this->path('/logs/'.$one['id']),
            [...$log, 'revision' => $one['revision']],
        )->assertStatus(409)->assertJsonPath('current.log.sets.0.done', 6);
    }

    public function test_a_log_that_was_taken_back_is_put_back_as_it_was(): void
    {
        $this->signedIn();
        $this->api(
            'POST',
            $this->path('/logs'),
            $this->log('back-key-1', 1, ['pain' => 2, 'pain_kind' => 'familiar'], ['soreness' => 2, 'effort' => 5, 'minutes' => 20]),
        )->assertOk();
        $before = $this->newest();
        $page = $this->api('POST', $this->path('/logs/'.$before['id'].'/remove'), '{}')->assertOk()->json();
        self::assertSame([[], 2], [$page['sessions'], $page['removed'][0]['sets']]);

        $page = $this->api('POST', $this->path('/removed-logs/'.$page['removed'][0]['change'].'/restore'))->assertOk()->json();
        self::assertSame([], $page['removed']);
        self::assertSame($before['log'], $this->newest()['log']);
        self::assertSame(['restored', 'removed'], array_column($this->newest()['changes'], 'what'));
    }

    public function test_a_device_that_sends_twice_or_late_doubles_and_undoes_nothing(): void
    {
        $this->signedIn();
        $send = fn (int $revision, int $done, array $more = []) => $this->api(
            'PUT',
            $this->path('/logs/run/device-key-1'),
            ['revision' => $revision, 'open' => true, ...array_diff_key($this->log('x', 0, ['done' => $done]), ['key' => 0]), ...$more],
        );
        self::assertSame(2, $send(2, 4)->assertOk()->json('revision'));
        self::assertSame(3, $send(3, 6)->assertOk()->json('revision'));
        self::assertSame(3, $send(2, 4)->assertOk()->json('revision'), 'late');
        self::assertSame(3, $send(3, 6)->assertOk()->json('revision'), 'twice');
        self::assertSame([6, 6], array_column($this->newest()['log']['sets'], 'done'));
        $this->api(
            'PUT',
            '/clients/'.$this->clientNamed('Tove Rudder')->id.'/logs/run/device-key-1',
            ['revision' => 9, 'on' => Carbon::today()->toDateString(), 'sets' => [self::CLEAN]],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/key');
        self::assertTrue($this->api('GET', $this->path('/logs'))->json('sessions.0.open'));

        $this->api('POST', $this->path('/logs/'.$this->newest()['id'].'/remove'), '{}')->assertOk();
        $send(4, 8)->assertStatus(409)->assertJsonPath('current.removed', true);
        $send(4, 8, ['over' => true])->assertOk();
        self::assertSame([8, 8], array_column($this->newest()['log']['sets'], 'done'));
    }

    public function test_the_log_goes_out_as_a_table_and_comes_back_the_same_once(): void
    {
        $this->signedIn();
        $this->api(
            'POST',
            $this->path('/logs'),
            $this->log(
                'csv-key-01',
                3,
                [
                    'faults' => ['ribs-flare'],
                    'ended_by' => 'ribs-flare',
                    'done' => 6,
                    'range' => 0.5,
                    'felt' => ['neck', 'low-back'],
                    'talked' => true,
                ],
                ['soreness' => 1, 'minutes' => 20],
            ),
        )->assertOk();
        $this->api(
            'POST',
            $this->path('/logs'),
            [
                'key' => 'csv-key-02',
                'on' => Carbon::today()->toDateString(),
                'sets' => [['rung' => 'forearm-plank', 'target' => 20, 'done' => 17.5]],
            ],
        )->assertOk();
        $csv = (string) $this->api('GET', $this->path('/logs.csv'))->assertOk()->getContent();
        self::assertSame(4, substr_count($csv, "\r\n"), 'a header and three sets, lines ended as RFC 4180 asks');
        $logs = fn (): array => array_map(
            fn (array $session): array => $this->api('GET', $this->path('/logs/'.$session['id']))->json('log'),
            $this->api('GET', $this->path('/logs'))->json('sessions'),
        );
        $before = $logs();
        self::assertSame(
            ['added' => 0, 'known' => 2],
            $this->api('POST', $this->path('/logs/import'), ['csv' => $csv])->assertOk()->json(),
        );
        self::assertSame($before, $logs(), 'the same keys are kept once');
        $other = '/clients/'.$this->clientNamed('Tove Rudder')->id.'/logs/import';
        self::assertSame(
            ['added' => 2, 'known' => 0],
            $this->api('POST', $other, ['csv' => $csv])->assertOk()->json(),
            'another client has logs of its own',
        );
        self::assertSame(['added' => 0, 'known' => 2], $this->api('POST', $other, ['csv' => $csv])->assertOk()->json());
        LoggedSession::query()->ofClient($this->clientNamed('Maren Tidewell'))->delete();
        $this->api('POST', $this->path('/logs/import'), ['csv' => $csv])->assertOk();
        self::assertSame($before, $logs());

        $errors = $this->api(
            'POST',
            $this->path('/logs/import'),
            ['csv' => "date,exercise,target,done,pain\r\n2026-13-99,Dead bug,8,8,0\r\n2026-11-02,Nothing known,8,,11\r\n"],
        )->assertStatus(422)->json('errors');
        self::assertSame(
            ['row 3, column exercise', 'row 3, column pain', 'row 3, column done'],
            array_column(array_filter($errors, static fn (array $each): bool => str_starts_with($each['path'], 'row 3')), 'path'),
        );
        self::assertSame($before, $logs(), 'nothing of a table with errors is kept');
    }

    public function test_a_run_that_is_sent_again_writes_only_the_sets_that_changed(): void
    {
        $this->signedIn();
        $run = function (int $revision, array ...$sets): array {
            $log = $this->log('run-by-set', 0);
            unset($log['key']);
            $log['sets'] = array_map(static fn (array $set): array => [...self::CLEAN, 'side' => 'left', ...$set], $sets);
            DB::flushQueryLog();
            DB::enableQueryLog();
            $this->api('PUT', $this->path('/logs/run/run-by-set'), [...$log, 'revision' => $revision, 'open' => true])->assertOk();
            DB::disableQueryLog();
            $written = array_filter(
                array_column(DB::getQueryLog(), 'query'),
                static fn (string $query): bool => preg_match('/^(insert into|update|delete from) `logged_sets`/', $query) === 1,
            );
            $rows = LoggedSet::query()->whereIn('logged_session_id', LoggedSession::query()->where('key', 'run-by-set')->select('id'))
                ->orderBy('id')->get();

            return [count($written), $rows->pluck('id')->all(), $rows->pluck('done')->all(), $rows->pluck('band')->all()];
        };
        [, $first] = $run(1, [], ['done' => 7, 'band' => 'red']);

        [$written, $ids, $done] = $run(2, [], ['done' => 7, 'band' => 'red'], ['range' => 0.75]);
        self::assertSame([1, $first, [8, 7, 8]], [$written, array_slice($ids, 0, 2), $done], 'one set more is one row more');
        self::assertSame([0, $ids, [8, 7, 8]], array_slice($run(3, [], ['done' => 7, 'band' => 'red'], ['range' => 0.75]), 0, 3));
        [$written, $now, $done, $bands] = $run(4, ['done' => 6], ['done' => 7]);
        self::assertSame(
            [3, $first, [6, 7], [null, null]],
            [$written, $now, $done, $bands],
            'a count was mended, a band taken back, the last set undone',
        );
    }
}
