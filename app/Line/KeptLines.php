<?php

declare(strict_types=1);

namespace App\Line;

use App\Models\Client;
use App\Models\LineCheck;
use App\Models\LineConsent;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Support\Happened;
use App\Support\PastDay;
use App\Support\StudioDay;
use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Review\Line\LineJudge;
use EvenRungs\Formats\LineJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * Lines and pictures of a client that are kept, while somebody who may lets them be kept.
 */
final class KeptLines
{
    /** More of one client serve nobody (house rule). */
    private const MOST = 500;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Happened $happened,
    ) {
    }

    /** Whether a guardian must say so: under 18 by the careful age; null where nobody knows the age. */
    public function needsGuardian(Client $client): ?bool
    {
        $person = $this->boards->person($client);

        return $person->born === null ? null : Age::of($person)->isUnderAge();
    }

    /** What is in force: not the client's own word where it has become known that a guardian must say so. */
    public function consent(Client $client): ?LineConsent
    {
        $consent = LineConsent::query()->ofClient($client)->where('withdrawn_on', null)->ordered('id', 'desc')->first();

        return $consent?->given_by === 'client' && $this->needsGuardian($client) === true ? null : $consent;
    }

    /** @throws UnusableInput where a guardian must say so */
    public function allow(Client $client, Trainer $trainer, Node $body): void
    {
        if ($body->string('given_by') !== 'guardian' && $this->needsGuardian($client) === true) {
            throw UnusableInput::at('/given_by', sprintf('%s is under 18: a guardian must say so', $client->name));
        }
        $name = trim($body->string('name'));
        if ($name === '') {
            throw UnusableInput::at('/name', 'is needed: who said so');
        }
        DB::transaction(function () use ($client, $trainer, $body, $name): void {
            Client::query()->whereKey($client->id)->lockForUpdate()->firstOrFail();
            if ($this->consent($client) === null) {
                LineConsent::query()->create([
                    'studio_id' => $client->studio_id,
                    'client_id' => $client->id,
                    'trainer_id' => $trainer->id,
                    'given_by' => $body->string('given_by'),
                    'name' => $name,
                    'on' => StudioDay::today()->toDateString(),
                ]);
            }
        });
        $this->happened->about($name, $client);
    }

    /** Ends the consent, and takes away everything that was kept under it. */
    public function withdraw(Client $client): void
    {
        DB::transaction(static function () use ($client): void {
            Client::query()->whereKey($client->id)->lockForUpdate()->firstOrFail();
            LineConsent::query()->ofClient($client)->where('withdrawn_on', null)->update(
                ['withdrawn_on' => StudioDay::today()->toDateString()],
            );
            LineCheck::query()->ofClient($client)->delete();
        });
        $this->happened->about('', $client);
    }

    /** @throws UnusableInput where nobody lets it be kept, or what is marked is no line */
    public function keep(Client $client, Trainer $trainer, Node $body): void
    {
        [$rung, $marks] = LineJson::read($body->child('line'), $this->data->library());
        $body->child('line')->guard(static fn () => LineJudge::judge($rung, $marks));
        foreach ($body->strings('faults') as $i => $fault) {
            if (! isset($this->data->library()->faults[$fault])) {
                throw UnusableInput::at("/faults/{$i}", sprintf('there is no fault "%s"', $fault));
            }
        }
        $picture = $body->has('picture') ? Picture::of($body->string('picture')) : null;
        $scale = $picture === null ? 1.0 : $picture->width / $body->int('width');
        $on = PastDay::of($body, 'on');
        DB::transaction(function () use ($client, $trainer, $body, $rung, $marks, $picture, $scale, $on): void {
            Client::query()->whereKey($client->id)->lockForUpdate()->firstOrFail();
            if ($this->consent($client) === null) {
                throw UnusableInput::at('/', 'nobody has said yet that pictures and lines of this client may be kept');
            }
            if (LineCheck::query()->ofClient($client)->count() >= self::MOST) {
                throw UnusableInput::at('/', sprintf('%d are kept already: remove some first', self::MOST));
            }
            LineCheck::query()->create([
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                'on' => $on,
                'rung' => $rung->id,
                'marks' => LineJson::writeMarks($marks, $scale),
                'width' => $picture->width ?? $body->int('width'),
                'height' => $picture->height ?? $body->int('height'),
                'faults' => $body->strings('faults'),
                'picture' => $picture?->base64,
            ]);
        });
        $this->happened->about($rung->name, $client);
    }

    public function remove(Client $client, int $line): void
    {
        DB::transaction(static fn () => LineCheck::query()->ofClient($client)->whereKey($line)->delete());
        $this->happened->about('', $client);
    }
}
