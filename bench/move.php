<?php

declare(strict_types=1);

// Moving a rung on the demo data, over HTTP as a page does it, beside a bare PHP page on the same server.

$base = $argv[1] ?? exit("usage: php bench/move.php ADDRESS\n");
$jar = tempnam(sys_get_temp_dir(), 'even-rungs-bench');
$curl = curl_init();
curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar]);

/** @return array{int, array<mixed>, float} status, answer, milliseconds */
function call(CurlHandle $curl, string $url, ?array $body = null): array
{
    $token = '';
    foreach (curl_getinfo($curl, CURLINFO_COOKIELIST) as $cookie) {
        $parts = explode("\t", $cookie);
        $token = $parts[5] === 'XSRF-TOKEN' ? urldecode($parts[6]) : $token;
    }
    curl_setopt_array($curl, [
        CURLOPT_URL => $url, CURLOPT_HTTPGET => $body === null,
        CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', 'X-XSRF-TOKEN: '.$token],
    ] + ($body === null ? [] : [CURLOPT_POST => true, CURLOPT_POSTFIELDS => json_encode($body)]));
    $began = hrtime(true);
    $answer = curl_exec($curl);
    $ms = (hrtime(true) - $began) / 1e6;

    return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE), json_decode((string) $answer, true) ?? [], $ms];
}

/** @param  list<float>  $times */
function percentile(array $times, float $share): float
{
    sort($times);

    return $times[(int) ceil($share * count($times)) - 1];
}

call($curl, $base.'/api/health');
call($curl, $base.'/api/sign-in', ['email' => 'trainer@slipway.example', 'password' => 'slipway-demo']);
[, $list] = call($curl, $base.'/api/clients');
$moves = [];
$bare = [];
foreach ($list['clients'] as $client) {
    $url = $base.'/api/clients/'.$client['id'];
    [, $board] = call($curl, $url.'/board');
    for ($i = 0; $i < 40; $i++) {
        $ladder = $board['ladders'][$i % count($board['ladders'])];
        $target = $ladder[$i % 2 === 0 ? 'up' : 'down'] ?? $ladder['up'] ?? $ladder['down'];
        if ($target === null) {
            continue;
        }
        [$status, $board, $ms] = call($curl, $url.'/moves', ['version' => $board['version'], 'rung' => $target]);
        if ($status !== 200) {
            exit("a move answered $status\n");
        }
        $moves[] = $ms;
        $bare[] = call($curl, $base.'/bare')[2];
    }
}
unlink($jar);
[$p50, $p95, $bare50, $bare95] = [percentile($moves, 0.5), percentile($moves, 0.95), percentile($bare, 0.5), percentile($bare, 0.95)];
printf("Moving a rung, %d moves: median %.1f ms, 95th percentile %.1f ms; the aim is under 100 ms: %s\n", count($moves), $p50, $p95, $p95 < 100 ? 'met' : 'MISSED');
printf("A bare PHP page in the same run: median %.2f ms, 95th percentile %.2f ms; a move takes %.0f times as long at the median, %.0f times at the 95th\n", $bare50, $bare95, $p50 / $bare50, $p95 / $bare95);
