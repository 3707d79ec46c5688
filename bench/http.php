<?php

declare(strict_types=1);

// What the benchmarks over HTTP share: one signed-in session, calls that are timed, percentiles.

/** A signed-in session at an address, of the demo trainer where nobody else is named. */
function session(string $base, string $email = 'trainer@slipway.example', string $password = 'slipway-demo'): CurlHandle
{
    $curl = curl_init();
    curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEFILE => '']);
    call($curl, $base.'/api/health');
    call($curl, $base.'/api/sign-in', ['email' => $email, 'password' => $password]);

    return $curl;
}

/**
 * @param  list<string>  $headers
 * @return array{int, array<mixed>, float, ?string} status, answer, milliseconds, what it is known by
 */
function call(CurlHandle $curl, string $url, ?array $body = null, array $headers = []): array
{
    $token = '';
    foreach (curl_getinfo($curl, CURLINFO_COOKIELIST) as $cookie) {
        $parts = explode("\t", $cookie);
        $token = $parts[5] === 'XSRF-TOKEN' ? urldecode($parts[6]) : $token;
    }
    $tag = null;
    curl_setopt_array($curl, [
        CURLOPT_URL => $url, CURLOPT_HTTPGET => $body === null,
        CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'X-XSRF-TOKEN: '.$token, ...$headers],
        CURLOPT_HEADERFUNCTION => static function (CurlHandle $of, string $line) use (&$tag): int {
            $tag = stripos($line, 'etag:') === 0 ? trim(substr($line, 5)) : $tag;

            return strlen($line);
        },
    ] + ($body === null ? [] : [CURLOPT_POST => true, CURLOPT_POSTFIELDS => json_encode($body)]));
    $began = hrtime(true);
    $answer = curl_exec($curl);
    $ms = (hrtime(true) - $began) / 1e6;

    return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE), json_decode((string) $answer, true) ?? [], $ms, $tag];
}

/**
 * The same address once more, with what it was known by the last time.
 *
 * @return array{int, array<mixed>, float, ?string}
 */
function again(CurlHandle $curl, string $url): array
{
    $tag = call($curl, $url)[3];

    return call($curl, $url, null, $tag === null ? [] : ['If-None-Match: '.$tag]);
}

/** @param  list<float>  $times */
function percentile(array $times, float $share): float
{
    sort($times);

    return $times[(int) ceil($share * count($times)) - 1];
}
