<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Client;
use App\Models\Program;

/**
 * Bodies made from the API document and then bent: whatever comes, the server never answers 500.
 */
final class FuzzTest extends HttpTestCase
{
    /** Here; EVEN_RUNGS_FUZZ of them in soak. */
    private const BODIES = 150;

    /** No request may hold a worker for longer. */
    private const MOST_S = 10;

    private const MOST_BYTES = 256 * 1024 * 1024;

    private const NASTY = [
        null,
        true,
        -1,
        0,
        1.5,
        1e308,
        9007199254740993,
        '',
        "\u{0}",
        '💪',
        '../../x',
        "'; drop table clients; --",
        [],
        [[]],
        ['x' => ['y' => []]],
        '3 × 8 /s',
        '99999999999999999999',
        "line\nbreak",
    ];

    private int $seed = 0;

    /** @var array<string, mixed> */
    private array $document = [];

    private function pick(int $below): int
    {
        // a plain generator, so that a failure can be run again from the printed seed
        $this->seed = ($this->seed * 1103515245 + 12345) % 2147483648;

        return intdiv($this->seed, 7) % max(1, $below);
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return mixed a value that fits the schema, most of the time
     */
    private function make(array $schema, string $file, int $depth = 0): mixed
    {
        if ($this->pick(12) === 0 || $depth > 12) {
            return self::NASTY[$this->pick(count(self::NASTY))];
        }
        if (isset($schema['$ref'])) {
            [$path, $pointer] = [...explode('#', $schema['$ref'], 2), ''];
            $target = $path === '' ? $file : (string) realpath(dirname($file).'/'.$path);
            $found = json_decode((string) file_get_contents($target), true);
            foreach (array_filter(explode('/', $pointer), static fn (string $p): bool => $p !== '') as $part) {
                $found = $found[$part];
            }

            return $this->make($found, $target, $depth + 1);
        }
        foreach (['oneOf', 'allOf'] as $word) {
            if (isset($schema[$word][0]['type']) || isset($schema[$word][0]['$ref'])) {
                return $this->make($schema[$word][$this->pick(count($schema[$word]))], $file, $depth + 1);
            }
        }
        if (isset($schema['if'])) {
            return $this->make($schema[$this->pick(2) === 0 ? 'then' : 'else'] ?? $schema['if'], $file, $depth + 1);
        }
        if (isset($schema['enum'])) {
            return $schema['enum'][$this->pick(count($schema['enum']))];
        }
        if (array_key_exists('const', $schema)) {
            return $schema['const'];
        }

        return match (is_array($schema['type'] ?? '') ? $schema['type'][0] : $schema['type'] ?? '') {
            'integer' => $this->pick(5) === 0 ? $this->pick(100_000) - 50_000 : ($schema['minimum'] ?? 0) + $this->pick(12),
            'number' => ($schema['minimum'] ?? 0) + $this->pick(400) / 4,
            'boolean' => $this->pick(2) === 0,
            'string' => [
                'one-arm',
                'dead-bug-opposite',
                '3 × 8 /s 3-1-3-1',
                '2 x 30s',
                'Someone',
                str_repeat('a', 300),
                '',
            ][$this->pick(7)],
            'array' => array_map(fn (): mixed => $this->make($schema['items'] ?? [], $file, $depth + 1), range(1, 1 + $this->pick(3))),
            'object' => $this->object($schema, $file, $depth),
            default => self::NASTY[$this->pick(count(self::NASTY))],
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     */
    private function object(array $schema, string $file, int $depth): object
    {
        $object = [];
        foreach ($schema['properties'] ?? [] as $name => $property) {
            if (in_array($name, $schema['required'] ?? [], true) ? $this->pick(25) !== 0 : $this->pick(3) !== 0) {
                $object[$name] = $this->make($property, $file, $depth + 1);
            }
        }
        if (is_array($schema['additionalProperties'] ?? false)) {
            $object[['dead-bug', 'plank', 'nowhere'][$this->pick(3)]] = $this->make($schema['additionalProperties'], $file, $depth + 1);
        }
        if ($this->pick(15) === 0) {
            $object['surprise'] = self::NASTY[$this->pick(count(self::NASTY))];
        }

        return (object) $object;
    }

    public function test_bent_bodies_never_give_a_500(): void
    {
        $this->signedIn();
        $this->withoutMiddleware(\Illuminate\Routing\Middleware\ThrottleRequests::class);
        $this->seed = (int) (getenv('FUZZ_SEED') ?: random_int(1, 2_000_000_000));
        $began = $this->seed;
        $file = base_path('api/openapi.json');
        $this->document = json_decode((string) file_get_contents($file), true);
        $operations = [];
        foreach ($this->document['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                $body = $operation['requestBody']['content']['application/json']['schema'] ?? null;
                if ($body !== null && $path !== '/sign-in') {
                    $operations[] = [strtoupper($method), $path, $body];
                }
            }
        }
        self::assertGreaterThan(8, count($operations));
        $client = $this->clientNamed('Bea Thwart');
        $program = (string) Program::query()->where('client_id', $client->id)->value('id');
        $counts = [];
        $bodies = (int) (getenv('EVEN_RUNGS_FUZZ') ?: self::BODIES);
        for ($i = 0; $i < $bodies; $i++) {
            $asked = hrtime(true);
            [$method, $path, $schema] = $operations[$i % count($operations)];
            $body = $this->make($schema, $file);
            if (is_object($body) && isset($body->version) && $this->pick(2) === 0) {
                $body->version = Client::query()->whereKey($client->id)->value('version');
            }
            $text = (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR);
            $text = $this->pick(40) === 0 ? substr($text, 0, $this->pick(strlen($text) + 1)) : $text;
            $status = $this->call(
                $method,
                '/api'.strtr(
                    $path,
                    [
                        '{client}' => $client->id,
                        '{ladder}' => 'side-plank',
                        '{word}' => '1',
                        '{program}' => $program,
                        '{style}' => 'own-one',
                        '{clearance}' => '1',
                        '{template}' => '1',
                        '{session}' => '1',
                    ],
                ),
                [],
                [],
                [],
                ['CONTENT_TYPE' => 'application/json'],
                $text,
            )->getStatusCode();
            self::assertLessThan(500, $status, sprintf('seed %d: %s %s %s', $began, $method, $path, $text));
            self::assertLessThan(self::MOST_S, (hrtime(true) - $asked) / 1e9, sprintf('seed %d: %s %s %s', $began, $method, $path, $text));
            $counts[intdiv($status, 100)] = ($counts[intdiv($status, 100)] ?? 0) + 1;
        }

        self::assertLessThan(self::MOST_BYTES, memory_get_peak_usage(), 'seed '.$began);
        self::assertGreaterThan($bodies / 50, $counts[2] ?? 0, 'too few bodies got through to mean anything: '.json_encode($counts));
        $this->api('GET', '/clients/'.$client->id.'/board')->assertOk();
    }
}
