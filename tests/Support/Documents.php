<?php

declare(strict_types=1);

namespace Tests\Support;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Planning\Week\BestWeek;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Planning\Week\WeekSlots;
use EvenRungs\Core\Planning\Week\WeekWishes;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\HistoryJson;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;
use EvenRungs\Storage\StyleVariant;
use Random\Randomizer;

/**
 * Short ways to write the documents that tests feed in.
 */
final class Documents
{
    /** Everything of the closed list of kit. */
    public const ALL_KIT = [
        'mat', 'band', 'kettlebell', 'ball', 'wheel', 'bar', 'suspension', 'bench', 'wall', 'hang', 'throw-ball', 'ankle-weight',
    ];

    /** Every limit that comes from soreness. */
    public const SORE = [
        'shoulder', 'wrist', 'neck', 'back-bending', 'back-arching', 'kneeling', 'hip-flexor', 'hamstring', 'floor-transfer', 'balance',
    ];

    private const GOALS = ['general', 'rehab', 'strength', 'endurance-sport', 'rotational-sport', 'youth', 'healthy-ageing'];

    private static ?DataFolder $data = null;

    public static function data(): DataFolder
    {
        return self::$data ??= DataFolder::shipped();
    }

    /**
     * @param  list<array<string, mixed>>  $blocks
     * @param  array<string, mixed>  $more
     */
    public static function session(array $blocks, array $more = []): Session
    {
        $document = [
            ...['format' => SessionJson::FORMAT, 'version' => 1, 'day' => 'mon', 'kind' => 'standalone', 'blocks' => $blocks],
            ...$more,
        ];

        return SessionJson::read(self::checked('session', $document));
    }

    /**
     * @param  list<array<string, mixed>>  $entries
     * @param  array<string, mixed>  $more
     */
    public static function straight(array $entries, array $more = []): Session
    {
        return self::session([['type' => 'straight', 'entries' => $entries]], $more);
    }

    /** @param  array<string, mixed>  $document */
    public static function program(array $document): Program
    {
        return (new ProgramJson(self::data()->clients()))->read(
            self::checked('program', ['format' => ProgramJson::FORMAT, 'version' => 1, ...$document]),
        );
    }

    /** @param  array<string, mixed>  $document */
    public static function history(array $document, string|Style $style = DataFolder::DEFAULT_STYLE, ?Client $client = null): History
    {
        return (new HistoryJson(self::data()->library()))->read(
            self::checked('history', ['format' => HistoryJson::FORMAT, 'version' => 1, ...$document]),
            self::steps($client, $style),
        );
    }

    /** The steps of rungs for a client in a style. */
    public static function steps(?Client $client = null, string|Style $style = DataFolder::DEFAULT_STYLE): Steps
    {
        return new Steps(is_string($style) ? self::data()->style($style) : $style, $client);
    }

    public static function time(Session $session): SessionTime
    {
        return SessionTime::of($session, self::data()->library());
    }

    /** @param  list<array<string, mixed>>  $entries */
    public static function seconds(array $entries): int|float
    {
        return self::time(self::straight($entries))->time->total()->toNumber();
    }

    /** @param  array<string, mixed>  $document */
    public static function client(array $document): Client
    {
        $whole = [
            ...['format' => 'even-rungs/client', 'version' => 1, 'name' => 'Someone', 'screen' => ['flags' => []], 'days' => (object) []],
            ...$document,
        ];

        return self::data()->clients()->readForPlanning(self::checked('client', $whole));
    }

    /** Somebody at random, whatever limits they have cleared. */
    public static function anyone(Randomizer $chance): Client
    {
        $limits = array_keys(self::data()->library()->limits);
        $own = [];
        foreach ($chance->getInt(0, 2) === 0 ? $chance->pickArrayKeys($limits, $chance->getInt(1, 2)) : [] as $key) {
            $own[] = [
                'limit' => $limits[$key],
                ...($chance->getInt(0, 1) === 0 ? [] : ['severity' => ['mild', 'moderate', 'severe'][$chance->getInt(0, 2)]]),
            ];
        }
        $level = static fn (): int => $chance->getInt(1, 8);
        $days = [];
        foreach ($chance->pickArrayKeys(
            ['mon' => 1, 'tue' => 1, 'wed' => 1, 'thu' => 1, 'fri' => 1, 'sat' => 1],
            $chance->getInt(2, 4),
        ) as $day) {
            $days[$day] = $chance->getInt(10, 40);
        }
        $goal = self::GOALS[$chance->getInt(0, count(self::GOALS) - 1)];

        return self::client([
            'goal' => $goal,
            'born' => $goal === 'youth' ? 2014 : $chance->getInt(1945, 2005),
            'limits' => $own,
            'equipment' => $chance->getInt(0, 1) === 0 ? self::ALL_KIT : ['mat', 'band', 'wall', 'bench'],
            'ability' => ['BR' => $level(), 'AE' => $level(), 'AF' => $level(), 'AL' => $level(), 'AR' => $level()],
            'days' => $days,
            'as_of' => '2027-01-04',
            'clearances' => array_map(
                static fn (array $limit): array => [
                    'lifts' => $limit['limit'],
                    'on' => '2026-12-01',
                    'by' => 'A. Practice',
                    'role' => 'Physician',
                ],
                $own,
            ),
        ]);
    }

    /** @return array<string, Placement> by ladder */
    public static function place(Client $client): array
    {
        $placements = [];
        foreach (self::placer()->place($client) as $placement) {
            $placements[$placement->ladder->id] = $placement;
        }

        return $placements;
    }

    public static function plan(Client $client, int $weeks = 1, string|Style $style = DataFolder::DEFAULT_STYLE): Program
    {
        $data = self::data();
        $style = is_string($style) ? $data->style($style) : $style;

        return (new WeekPlanner($data->library(), $style, $data->goals()))->plan($client, $weeks);
    }

    /** @return list<Slot> what stands on the days that cost the least */
    public static function slots(Client $client, GoalRule $goal, Style $style): array
    {
        $week = BestWeek::of(WeekWishes::of($client, $style, $goal), $style->weekWeights);

        return (new WeekSlots($style))->of($client, $week->uses);
    }

    /** A shipped style with one other answer. */
    public static function styleWith(string $question, string $side, string $style = DataFolder::DEFAULT_STYLE): Style
    {
        return StyleVariant::of(self::data(), $style, $question, $side);
    }

    public static function placer(string $style = DataFolder::DEFAULT_STYLE): Placer
    {
        return new Placer(self::data()->library(), self::data()->style($style));
    }

    /** @param  array<string, mixed>  $document */
    private static function checked(string $schema, array $document): Node
    {
        $object = Json::decode((string) json_encode($document));
        $problems = Schemas::check($schema, $object);
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Node(Json::toArray($object));
    }
}
