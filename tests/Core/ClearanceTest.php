<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Referral;
use EvenRungs\Core\Client\SafetyScreen;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a clearance lifts, from when, until when; worked by hand from the open formats.
 */
final class ClearanceTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, list<array<string, mixed>>, list<string>}> what is known, the clearances, what
     *         is still referred
     */
    public static function cases(): iterable
    {
        $of = static fn (string $lifts, string $on, array $more = []): array => [
            'lifts' => $lifts,
            'on' => $on,
            'by' => 'A. Practice',
            'role' => 'Physician',
            ...$more,
        ];
        $pregnant = ['limits' => ['pregnancy']];
        yield 'a limit without one' => [$pregnant, [], ['pregnancy']];
        yield 'its own' => [$pregnant, [$of('pregnancy', '2027-01-02')], []];
        yield 'its own, from today' => [$pregnant, [$of('pregnancy', '2027-01-10')], []];
        yield 'one that begins tomorrow' => [$pregnant, [$of('pregnancy', '2027-01-11')], ['pregnancy']];
        yield 'one of another limit' => [$pregnant, [$of('osteoporosis', '2027-01-02')], ['pregnancy']];
        yield 'one for pain' => [$pregnant, [$of('monitored-pain', '2027-01-02')], ['pregnancy']];
        yield 'on its last day' => [$pregnant, [$of('pregnancy', '2027-01-02', ['until' => '2027-01-10'])], []];
        yield 'on the day after its last' => [$pregnant, [$of('pregnancy', '2027-01-02', ['until' => '2027-01-09'])], ['pregnancy']];
        yield 'a line that says cleared' => [[...$pregnant, 'screen' => ['flags' => [], 'cleared' => true]], [], []];
        yield 'a line that says cleared beside a letter that ran out' => [
            [...$pregnant, 'screen' => ['flags' => [], 'cleared' => true]],
            [$of('pregnancy', '2027-01-02', ['until' => '2027-01-09'])],
            ['pregnancy'],
        ];
        $cancer = ['screen' => ['flags' => ['cancer-history'], 'on' => '2027-01-05']];
        yield 'a sign by an older letter of its own' => [$cancer, [$of('cancer-history', '2027-01-02')], []];
        yield 'a sign by a line that says cleared' => [
            ['screen' => ['flags' => ['cancer-history'], 'cleared' => true]],
            [],
            ['cancer-history'],
        ];
        $chest = ['screen' => ['flags' => ['chest-pain'], 'on' => '2027-01-05']];
        yield 'an emergency by a letter of the same day' => [$chest, [$of('chest-pain', '2027-01-05')], ['chest-pain']];
        yield 'an emergency by a letter of the next day' => [$chest, [$of('chest-pain', '2027-01-06')], []];
        $numb = ['stopped' => ['on' => '2027-01-05', 'kind' => 'numb']];
        yield 'a stop of all by a letter of the same day' => [$numb, [$of('stop:all', '2027-01-05')], ['numb']];
        yield 'a stop of all by a letter of the next day' => [$numb, [$of('stop:all', '2027-01-06')], []];
        yield 'a stop of all by the letter of a ladder' => [$numb, [$of('stop:plank', '2027-01-06')], ['numb']];
        yield 'two, one cleared' => [['limits' => ['pregnancy', 'blood-pressure']], [$of('blood-pressure', '2027-01-02')], ['pregnancy']];
    }

    /**
     * @param  array<string, mixed>  $known
     * @param  list<array<string, mixed>>  $clearances
     * @param  list<string>  $referred
     */
    #[DataProvider('cases')]
    public function test_a_clearance_lifts_what_it_names_while_it_is_in_force(array $known, array $clearances, array $referred): void
    {
        $client = Documents::client(['as_of' => '2027-01-10', 'clearances' => $clearances, ...$known]);

        self::assertSame($referred, array_map(static fn (Referral $each): string => $each->id, (new SafetyScreen)->referrals($client)));
    }

    public function test_what_can_be_lifted_has_a_name_and_an_emergency_or_a_stop_only_afterwards(): void
    {
        $data = Documents::data();
        $named = static fn (string $lifts, bool $goneToo = false): bool => Clearance::isNamed(
            $lifts,
            $data->flags(),
            $data->library(),
            $goneToo,
        );
        foreach (['chest-pain', 'pregnancy', 'stop:all', 'stop:plank', 'monitored-pain'] as $lifts) {
            self::assertTrue($named($lifts), $lifts);
        }
        foreach (['plank', 'stop:nothing', 'stop:', 'anything'] as $lifts) {
            self::assertFalse($named($lifts), $lifts);
        }
        self::assertTrue($named('stop:nothing', true), 'a ladder that is gone');
        $client = Documents::client([
            'as_of' => '2027-01-10',
            'screen' => ['flags' => ['chest-pain', 'night-pain'], 'on' => '2027-01-03'],
            'stopped' => ['on' => '2027-01-05', 'kind' => 'numb'],
            'standings' => ['plank' => ['rung' => 'forearm-plank', 'stopped' => '2027-01-06']],
            'limits' => ['pregnancy'],
        ]);
        $after = static fn (string $lifts): ?string => Clearance::onlyAfter($lifts, $client)?->format('Y-m-d');
        self::assertSame(
            ['2027-01-03', null, '2027-01-05', '2027-01-06', null, null, null],
            array_map($after, ['chest-pain', 'night-pain', 'stop:all', 'stop:plank', 'stop:side-plank', 'pregnancy', 'monitored-pain']),
        );
    }
}
