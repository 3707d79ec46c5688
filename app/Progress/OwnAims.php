<?php

declare(strict_types=1);

namespace App\Progress;

use App\Accounts\Studios;
use App\Models\Client;
use App\Models\OwnAim;
use App\Models\Trainer;
use App\Support\Happened;
use App\Support\PastDay;
use App\Support\StudioDay;
use EvenRungs\Core\Review\Testing\OwnAim as Aim;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\DB;

/**
 * What a client wants to do again, or better, in their own words, and how well it goes.
 */
final class OwnAims
{
    /** More at once are nobody's aims (house rule). */
    private const MOST = 5;

    public function __construct(private readonly Happened $happened)
    {
    }

    /** @throws UnusableInput at the field */
    public function add(Client $client, Trainer $trainer, Node $body): void
    {
        $words = Studios::name($body->string('words'), '/words');
        $aim = Aim::of($words, []);
        $aim = $body->has('score') ? $aim->scored(StudioDay::today()->toDateString(), $body->int('score')) : $aim;
        DB::transaction(function () use ($client, $trainer, $aim): void {
            if (OwnAim::query()->ofClient($client)->where('ended_on', null)->locked()->count() >= self::MOST) {
                throw UnusableInput::at('/words', sprintf('%d aims are enough: end one first', self::MOST));
            }
            OwnAim::query()->create(
                [
                    'studio_id' => $client->studio_id,
                    'client_id' => $client->id,
                    'trainer_id' => $trainer->id,
                    'words' => $aim->words,
                    'scores' => $aim->scores,
                ],
            );
        });
        $this->happened->about($words, $client);
    }

    /**
     * Scores an aim on a day, which replaces the score of the same day; or ends it.
     *
     * @throws UnusableInput where it is none of this client's, or the day lies ahead
     */
    public function change(Client $client, int $id, Node $body): void
    {
        DB::transaction(function () use ($client, $id, $body): void {
            $row = OwnAim::query()->ofClient($client)->whereKey($id)->where('ended_on', null)->locked()->first() ?? throw UnusableInput::at(
                '/',
                'this aim is over',
            );
            if ($body->has('score')) {
                $row->scores = $row->aim()->scored(PastDay::of($body, 'on'), $body->int('score'))->scores;
            }
            if ($body->has('ended')) {
                $row->ended_on = StudioDay::today()->toDateString();
            }
            $row->save();
            $this->happened->about($row->words, $client);
        });
    }
}
