<?php

declare(strict_types=1);

namespace Tests\Support;

use CurlHandle;

/**
 * Somebody at the test instance's web server with a cookie jar and no browser.
 */
final class Visitor
{
    /** @var array<string, string> */
    private array $cookies = [];

    /** @var array<string, string> of the last answer, by lower-case name */
    public array $headers = [];

    public float $seconds = 0.0;

    /**
     * @param  string  $origin  such as http://127.0.0.1:8631
     * @param  array<int, mixed>  $options  of curl
     */
    public function __construct(private readonly string $origin, private readonly array $options = [])
    {
    }

    public static function ofTests(): self
    {
        return new self('http://127.0.0.1:'.self::setting('WEB_PORT'));
    }

    public static function setting(string $name): string
    {
        $settings = parse_ini_file(TestServer::files().'/app.env', false, INI_SCANNER_RAW) ?: [];

        return (string) ($settings[$name] ?? '');
    }

    /** Loses the token that writes need. */
    public function dropToken(): void
    {
        unset($this->cookies['XSRF-TOKEN']);
    }

    /** Comes with what another carries, as one browser does that is led to another server. */
    public function takeCookiesOf(self $other): void
    {
        $this->cookies = $other->cookies;
    }

    /** Comes with a cookie, its value as it is sent. */
    public function carry(string $name, string $value): void
    {
        $this->cookies[$name] = $value;
    }

    public function signIn(string $email = 'trainer@slipway.example', string $password = 'slipway-demo'): int
    {
        return $this->send('POST', '/api/sign-in', ['email' => $email, 'password' => $password])[0];
    }

    /**
     * @param  array<mixed>|string|null  $body
     * @param  list<string>  $headers
     * @return array{int, mixed, string} status (0 where nobody answered), decoded body, body
     */
    public function send(string $method, string $path, array|string|null $body = null, array $headers = []): array
    {
        $this->headers = [];
        $curl = $this->request($method, $path, $body, $headers);
        $text = curl_exec($curl);
        $this->seconds = curl_getinfo($curl, CURLINFO_TOTAL_TIME);
        $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);

        return [$text === false ? 0 : $status, is_string($text) ? json_decode($text, true) : null, is_string($text) ? $text : ''];
    }

    /**
     * What would be sent.
     *
     * @param  array<mixed>|string|null  $body
     * @param  list<string>  $headers
     */
    public function request(string $method, string $path, array|string|null $body = null, array $headers = []): CurlHandle
    {
        $curl = curl_init($this->origin.$path);
        $token = isset($this->cookies['XSRF-TOKEN']) ? ['X-XSRF-TOKEN: '.urldecode($this->cookies['XSRF-TOKEN'])] : [];
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_TIMEOUT => 30,
            CURLOPT_HTTPHEADER => [
                ...(
                    array_filter(
                        $headers,
                        static fn (string $each): bool => str_starts_with($each, 'Accept:'),
                    ) === [] ? ['Accept: application/json'] : []
                ),
                'Content-Type: application/json',
                ...$token,
                ...$headers,
            ],
            CURLOPT_COOKIE => implode(
                '; ',
                array_map(static fn (string $name, string $value): string => $name.'='.$value, array_keys($this->cookies), $this->cookies),
            ),
            CURLOPT_HEADERFUNCTION => function (mixed $curl, string $line): int {
                [$name, $value] = [...explode(':', $line, 2), ''];
                $this->headers[strtolower(trim($name))] = trim(($this->headers[strtolower(trim($name))] ?? '')."\n".trim($value));
                if (strtolower(trim($name)) === 'set-cookie') {
                    [$cookie, $is] = [...explode('=', explode(';', trim($value))[0], 2), ''];
                    $this->cookies[$cookie] = $is;
                }

                return strlen($line);
            },
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => is_string($body) ? $body : (string) json_encode($body)]) + $this->options);

        return $curl;
    }
}
