<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Planning\PlanAgain;
use App\Support\Ledger;
use App\Support\PastDay;
use EvenRungs\Core\Client\Clearance as Lifted;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Carbon;

/**
 * What a licensed practitioner allowed, and taking it back.
 */
final class RecordClearance
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly PlanAgain $planAgain,
    ) {
    }

    /**
     * Records what a licensed practitioner allowed, and plans where that lifts the last stop.
     *
     * @throws UnusableInput when the day is none, or lies ahead
     */
    public function from(Client $client, Trainer $trainer, Node $body): void
    {
        $on = PastDay::of($body, 'on');
        $until = $body->optionalDay('until')?->format('Y-m-d');
        if ($until !== null && $until < $on) {
            throw UnusableInput::at('/until', 'lies before the day of the clearance');
        }
        $this->ledger->change($client, $body->int('version'), function (Client $locked) use ($trainer, $body, $on, $until): void {
            $covers = $this->liftable($body, $locked);
            $this->planAgain->after($locked, static fn () => Clearance::query()->create([
                'studio_id' => $locked->studio_id,
                'client_id' => $locked->id,
                'trainer_id' => $trainer->id,
                'who' => $body->string('who'),
                'role' => $body->string('role'),
                'on' => $on,
                'covers' => $covers,
                'until' => $until,
                'max_level' => $body->optionalInt('max_level'),
                'note' => $body->optionalString('note'),
            ]));
        });
    }

    /**
     * @return list<string>
     *
     * @throws UnusableInput where there is nothing of that name to lift, or the day is not after an emergency or a stop
     */
    private function liftable(Node $body, Client $client): array
    {
        foreach ($body->strings('covers') as $i => $id) {
            if (! Lifted::isNamed($id, $this->data->flags(), $this->data->library())) {
                throw UnusableInput::at('/covers/'.$i, sprintf('there is no "%s" to lift', mb_substr($id, 0, 60)));
            }
        }

        $person = $this->boards->person($client);
        foreach ($body->strings('covers') as $id) {
            $since = Lifted::onlyAfter($id, $person);
            if ($since !== null && $body->string('on') <= $since->format('Y-m-d')) {
                throw UnusableInput::at(
                    '/on',
                    sprintf(
                        'must be a later day than %s: an emergency or a stop is lifted only by what a clinician says after it',
                        $since->format('j F Y'),
                    ),
                );
            }
        }

        return $body->strings('covers');
    }

    /** Takes a clearance back; planning stops again where nothing else lifts what it covered. */
    public function withdraw(Client $client, int $version, int $clearance): void
    {
        $this->ledger->change($client, $version, function (Client $locked) use ($clearance): void {
            $row = Clearance::query()->ofClient($locked)->whereKey($clearance)->firstOrFail();
            $this->planAgain->after($locked, static fn () => $row->update(['withdrawn_at' => Carbon::now()]));
        });
    }
}
