<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Tests\Support\Visitor;

/**
 * One floor with three clients, as a device runs it: every set is sent as soon as it is done, and again until somebody takes it.
 */
final class Floor
{
    private const CLIENTS = 3;

    private const SETS = 12;

    private const BETWEEN_SETS_US = 60_000;

    private const AGAIN_US = 250_000;

    private const MOST_S = 60.0;

    private const RUNGS = ['dead-bug-opposite', 'plank-forearm', 'pallof-press-standing'];

    private readonly Visitor $visitor;

    /** @var array<string, array<string, list<int>>> what was taken, by client and key of the run */
    private array $taken = [];

    /** @var list<array{at: float, s: float, tries: int, is: string}> every request, with what it took until it was taken */
    private array $asked = [];

    /**
     * @param  array<mixed>  $document  of the clients
     */
    public function __construct(private readonly string $name, private readonly array $document, string $host)
    {
        $this->visitor = Site::visitor($host);
    }

    /**
     * Signs in, enters clients, plans and runs one session after the other until the file is there.
     *
     * @return array{taken: array<string, array<string, list<int>>>, asked: list<array{at: float, s: float, tries: int, is: string}>}
     */
    public function until(string $file): array
    {
        $this->signIn();
        $clients = [];
        for ($i = 0; $i < self::CLIENTS; $i++) {
            $document = [...$this->document, 'name' => "{$this->name} {$i}"];
            // whoever does not know whether a client was entered looks before entering them again
            $clients[] = $this->ask(
                'POST',
                '/api/clients',
                ['document' => $document],
                'enter',
                fn (): ?array => $this->named($document['name']),
            )['id'];
        }
        for ($run = 0; ! file_exists($file); $run++) {
            $this->plan($clients[$run % self::CLIENTS]);
            $this->run($clients, $run);
        }

        return ['taken' => $this->taken, 'asked' => $this->asked];
    }

    private function signIn(): void
    {
        $this->ask('POST', '/api/sign-in', ['email' => 'trainer@slipway.example', 'password' => 'slipway-demo'], 'sign in');
    }

    /** @return array<mixed>|null */
    private function named(string $name): ?array
    {
        do {
            $list = $this->ask('GET', '/api/clients', null, 'look');
        } while ($list['behind'] > 0);
        $found = array_column($list['clients'], null, 'name');

        return $found[$name] ?? null;
    }

    private function plan(string $client): void
    {
        $version = $this->ask('GET', "/api/clients/{$client}/board", null, 'board')['version'];
        $this->ask('POST', "/api/clients/{$client}/plan", ['version' => $version], 'plan', function () use ($client, $version): ?array {
            $board = $this->ask('GET', "/api/clients/{$client}/board", null, 'board');

            return $board['version'] > $version ? $board : null;
        });
    }

    /** @param  list<string>  $clients */
    private function run(array $clients, int $run): void
    {
        $on = date('Y-m-d', time() - 86400 * ($run % 300));
        $sets = array_fill(0, count($clients), []);
        for ($set = 1; $set <= self::SETS; $set++) {
            foreach ($clients as $i => $client) {
                $key = strtolower(str_replace(' ', '-', $this->name))."-{$i}-run-{$run}";
                $sets[$i][] = [
                    'rung' => self::RUNGS[0],
                    'side' => 'left',
                    'target' => 10,
                    'done' => $set,
                    'faults' => [],
                    'pain' => 0,
                    'breathing' => true,
                ];
                $body = ['on' => $on, 'revision' => $set, 'open' => $set < self::SETS, 'sets' => $sets[$i]];
                $answer = $this->ask('PUT', "/api/clients/{$client}/logs/run/{$key}", $body, 'set');
                if ($answer['revision'] !== $set) {
                    throw new RuntimeException("{$key}: sent {$set}, answered {$answer['revision']}");
                }
                $this->taken[$client][$key] = array_column($sets[$i], 'done');
                usleep(self::BETWEEN_SETS_US);
            }
        }
    }

    /**
     * Sends until it is taken.
     *
     * @param  array<mixed>|null  $body
     * @param  (callable(): ?array<mixed>)|null  $look  for what has no key: whether it was done although nobody said so
     * @return array<mixed>
     */
    private function ask(string $method, string $path, ?array $body, string $is, ?callable $look = null): array
    {
        $began = microtime(true);
        for ($tries = 1; ; $tries++) {
            [$status, $answer, $text] = $this->visitor->send($method, $path, $body);
            if ($status >= 200 && $status < 300) {
                break;
            }
            $found = $look !== null && $tries > 1 ? $look() : null;
            if ($found !== null) {
                $answer = $found;
                break;
            }
            if ($status === 401 && $is !== 'sign in') {
                // a studio that was moved knows nobody who is signed in
                $this->signIn();

                continue;
            }
            if (($status !== 0 && $status < 500) || $status === 500 || microtime(true) - $began > self::MOST_S) {
                throw new RuntimeException("{$this->name}: {$method} {$path} was answered {$status} at try {$tries}: {$text}");
            }
            fwrite(STDERR, sprintf("%s %s %d %s\n", date('H:i:s'), $is, $status, $text));
            usleep(self::AGAIN_US);
        }
        $this->asked[] = ['at' => $began, 's' => microtime(true) - $began, 'tries' => $tries, 'is' => $is];

        return is_array($answer) ? $answer : [];
    }
}
