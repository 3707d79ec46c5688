<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Http\RequestChecks;
use App\Models\Client;
use App\Models\Trainer;
use App\Support\Remembered;
use EvenRungs\Storage\Schemas;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\App;
use Illuminate\Support\Facades\Cache;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\Support\TestServer;

/**
 * Calls the API on the seeded demo studio; every answer is checked against the API document.
 */
abstract class HttpTestCase extends TestCase
{
    use DatabaseTransactions;

    /** @var array<string, array<string, mixed>>|null */
    private static ?array $paths = null;

    public function createApplication(): Application
    {
        return self::application();
    }

    public static function application(): Application
    {
        // the tests beside those of the browser have servers of their own; nothing else is ever tested on
        putenv('EVEN_RUNGS_INSTANCE='.TestServer::instance());
        $app = require dirname(__DIR__, 2).'/bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        // tries that other tests counted
        Cache::flush();
    }

    protected function signedIn(string $email = 'trainer@slipway.example'): Trainer
    {
        $trainer = Trainer::query()->where('email', $email)->firstOrFail();
        $this->actingAs($trainer);

        return $trainer;
    }

    protected function clientNamed(string $name): Client
    {
        return Client::query()->where('name', $name)->firstOrFail();
    }

    /** @return array<string, mixed> a group whose members take the stations in turn */
    protected function rotating(string ...$names): array
    {
        return [
            'clients' => array_map(fn (string $name): string => $this->clientNamed($name)->id, array_values($names)),
            'stations' => ['dead-bug', 'side-plank', 'press-out'],
            'rounds' => 1,
            'work_s' => 40,
            'rest_s' => 20,
            'warm_up_s' => 0,
            'cool_down_s' => 0,
            'rotate' => true,
        ];
    }

    /**
     * @param  array<string, mixed>|string|null  $body
     * @param  array<string, string>  $headers  as PHP calls them
     * @return TestResponse<Response>
     */
    protected function api(string $method, string $path, array|string|null $body = null, array $headers = []): TestResponse
    {
        // a request remembers nothing of another
        App::make(Remembered::class)->forget();
        $content = is_array($body) ? (string) json_encode($body) : $body;
        $response = $this->call(
            $method,
            '/api'.$path,
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', ...$headers],
            $content,
        );
        $response->getStatusCode() === 304 || $this->assertFitsTheContract($method, $path, $response);

        return $response;
    }

    /** @return array<string, array<string, mixed>> the operations of the API document, by pattern of their path */
    private static function paths(): array
    {
        $paths = json_decode((string) file_get_contents(base_path('api/openapi.json')), true)['paths'];
        // a path with fewer parameters is meant where two fit
        uksort($paths, static fn (string $a, string $b): int => substr_count($a, '{') <=> substr_count($b, '{'));

        return array_combine(
            array_map(
                static fn (string $template): string => '#^'.preg_replace('/\\\\\{\w+\\\\\}/', '[^/]+', preg_quote($template, '#')).'$#',
                array_keys($paths),
            ),
            $paths,
        );
    }

    /** @param  TestResponse<Response>  $response */
    private function assertFitsTheContract(string $method, string $path, TestResponse $response): void
    {
        foreach (self::$paths ??= self::paths() as $pattern => $operations) {
            if (preg_match($pattern, explode('?', $path)[0]) !== 1 || ! isset($operations[strtolower($method)])) {
                continue;
            }
            $answers = $operations[strtolower($method)]['responses'];
            $answer = $answers[(string) $response->getStatusCode()] ?? $answers['default'];
            foreach ($answer['content'] ?? [] as $type => $content) {
                self::assertStringStartsWith($type, (string) $response->headers->get('Content-Type'));
                if (isset($content['schema']['$ref'])) {
                    $ref = $content['schema']['$ref'];
                    $answered = json_decode((string) $response->getContent());
                    $problems = str_ends_with($ref, '.json')
                        ? Schemas::check(basename($ref, '.json'), $answered)
                        : App::make(RequestChecks::class)->problems(basename($ref), $answered);
                    self::assertSame([], array_map(static fn ($p): string => $p->toLine(), $problems), $method.' '.$path);
                }
            }

            return;
        }
        self::assertContains($response->getStatusCode(), [404, 405], $path.' is not in the API document');
    }
}
