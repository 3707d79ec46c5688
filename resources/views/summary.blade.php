<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>{{ $summary['name'] }}: summary for a clinician</title>
<style>
    @foreach ($fonts as $weight => $font)
    @font-face { font-family: '{{ App\Sheets\SheetView::FONT }}'; font-weight: {{ $weight }}; src: url(data:font/ttf;base64,{{ $font }}); }
    @endforeach
    @page { size: {{ $choice->paper === 'a4' ? 'A4' : 'letter' }} portrait; margin: 14mm 15mm; }
    * { box-sizing: border-box; }
    body { margin: 0; color: #000; background: #fff; font-family: '{{ App\Sheets\SheetView::FONT }}', sans-serif; font-size: 10pt; line-height: 1.2; }
    h1 { font-size: 1.5em; margin: 0; }
    h2 { font-size: 1.12em; margin: 3mm 0 1mm; border-bottom: 0.3mm solid #000; page-break-after: avoid; }
    p { margin: 0.8mm 0; }
    table { width: 100%; border-collapse: collapse; }
    td, th { text-align: left; vertical-align: top; padding: 0.6mm 2mm 0.6mm 0; border-bottom: 0.2mm solid #999; }
    tr { page-break-inside: avoid; }
    .number { text-align: right; }
    .head { border-bottom: 0.7mm solid #000; }
    ul { margin: 0.8mm 0; padding-left: 5mm; }
    .small { font-size: 0.88em; }
    @media screen {
        body { background: #ddd; }
        main { display: block; background: #fff; width: 210mm; margin: 4mm auto; padding: 14mm 15mm; box-shadow: 0 0 2mm #999; }
    }
</style>
</head>
<body><main>
    <div class="head">
        <h1>{{ $summary['name'] }}@if ($summary['born'] !== null), born {{ $summary['born'] }}@endif</h1>
        <p>Summary for a clinician, {{ $summary['on'] }}. {{ $summary['studio'] }}{{ $summary['contact'] === '' ? '' : ', '.$summary['contact'] }}.</p>
    </div>
    <p>Core training with the goal: {{ lcfirst($summary['goal']) }}.
        @foreach ($summary['aims'] as $aim) Own aim: “{{ $aim }}”. @endforeach
        This is a trainer’s record, no diagnosis.</p>

    @if ($summary['questions'] !== [])
        <h2>What we ask you</h2>
        <ul>@foreach ($summary['questions'] as $question)<li>{{ $question }}</li>@endforeach</ul>
    @endif

    <h2>Limits and clearances</h2>
    <p>{{ $summary['screened'] === null ? 'The screen was not asked yet.' : 'Screened on '.$summary['screened'].'.' }}</p>
    @if ($summary['limits'] === []) <p>No limit is known.</p> @else
        <table>
            @foreach ($summary['limits'] as $limit)
                <tr><td><b>{{ $limit['name'] }}</b>{{ $limit['severity'] === '' ? '' : ', '.$limit['severity'] }}</td><td>{{ $limit['caution'] }}</td></tr>
            @endforeach
        </table>
    @endif
    @foreach ($summary['clearances'] as $each)
        <p>Clearance of {{ $each['on'] }}{{ $each['until'] === '' ? '' : ' until '.$each['until'] }}: lifts {{ $each['lifts'] }}{{ $each['level'] === null ? '' : ', level '.$each['level'].' at most' }}{{ $each['by'] === '' ? '' : ', by '.$each['by'] }}.</p>
    @endforeach

    <h2>Tests beside norms</h2>
    @if ($summary['tests']['results'] === []) <p>No timed hold was tested.</p> @else
        <table>
            <tr><th>Hold</th><th class="number">Seconds</th><th>Norm: mean ± SD, or who in a hundred holds less (sources from memory)</th></tr>
            @foreach ($summary['tests']['results'] as $test)
                <tr>
                    <td>{{ ucfirst(str_replace('-', ' ', $test['test'])) }}</td>
                    <td class="number">{{ $test['value_s'] }}</td>
                    <td>
                        @forelse ($test['norms'] as $norm)
                            {{ $norm['group'] }}
                            @if ($norm['mean_s'] !== null){{ $norm['mean_s'] }} ± {{ $norm['sd_s'] }} s;@endif
                            @foreach ((array) ($norm['percentiles_s'] ?? []) as $percent => $seconds){{ $percent }} %: {{ $seconds }} s{{ $loop->last ? ';' : ',' }} @endforeach
                            {{ $norm['source'] }}, {{ $norm['year'] }}@if (! $loop->last)<br>@endif
                        @empty
                            none that fits
                        @endforelse
                    </td>
                </tr>
            @endforeach
        </table>
        @foreach ($summary['tests']['ratios'] as $ratio)
            <p class="small">{{ $ratio['meaning'] }} ({{ $ratio['value'] }}; {{ $ratio['source'] }})</p>
        @endforeach
    @endif

    <h2>Where the client stood, highest level of each direction (1 to 10)</h2>
    <table>
        <tr><th></th>@foreach ($summary['months']['names'] as $month)<th class="number">{{ $month }}</th>@endforeach</tr>
        @foreach ($summary['months']['directions'] as $direction => $levels)
            <tr><td>{{ $direction }}</td>@foreach ($levels as $level)<td class="number">{{ $level ?? '–' }}</td>@endforeach</tr>
        @endforeach
    </table>

    <h2>Pain and effort, the last sessions (0 to 10)</h2>
    @if ($summary['reports'] === []) <p>No session is logged yet.</p> @else
        <table>
            <tr><th>Day</th>@foreach ($summary['reports'] as $each)<td class="number">{{ substr($each->day, 5) }}</td>@endforeach</tr>
            <tr><th>Pain</th>@foreach ($summary['reports'] as $each)<td class="number">{{ $each->pain ?? '–' }}</td>@endforeach</tr>
            <tr><th>Effort</th>@foreach ($summary['reports'] as $each)<td class="number">{{ $each->effort ?? '–' }}</td>@endforeach</tr>
        </table>
    @endif

    <h2>Planned this week, and why</h2>
    @if ($summary['week'] === null) <p>No week is planned.</p> @else
        <table>
            @foreach ($summary['week']['sessions'] as $session)
                <tr>
                    <td><b>{{ ucfirst($session['day']) }}</b>, {{ $session['total']['text'] }} min</td>
                    <td>
                        @foreach ($session['blocks'] as $block)@foreach ($block['entries'] as $entry)
                            <b>{{ $entry['name'] }}</b>, {{ $entry['words'] }}@if ($entry['why'] !== []): <span class="small">{{ $entry['why'][0] }}</span>@endif<br>
                        @endforeach @endforeach
                    </td>
                </tr>
            @endforeach
        </table>
    @endif
</main></body>
</html>
