@php
    $large = $choice->isLarge();
    $pt = $large ? 14 : 10;
    $widths = $large ? [24] : ($choice->pages === 1 ? [16, 16, 16, 13, 13, 12] : [23, 23, 23, 13, 13, 12]);
@endphp
<!DOCTYPE html>
<html lang="{{ $sheets[0]['words']->language }}">
<head>
<meta charset="utf-8">
<title>{{ implode(', ', array_column($sheets, 'client')) }}</title>
<style>
    @foreach ($fonts as $weight => $font)
    @font-face { font-family: '{{ App\Sheets\SheetView::FONT }}'; font-weight: {{ $weight }}; src: url(data:font/ttf;base64,{{ $font }}); }
    @endforeach
    @page { size: {{ $choice->paper === 'a4' ? 'A4' : 'letter' }} portrait; margin: {{ $choice->pages === 1 ? '8mm 11mm' : '12mm 13mm' }}; }
    * { box-sizing: border-box; }
    body { margin: 0; color: #000; background: #fff; font-family: '{{ App\Sheets\SheetView::FONT }}', sans-serif; font-size: {{ $pt }}pt; line-height: 1.16; }
    h1 { font-size: 1.55em; margin: 0; line-height: 1; }
    h2 { font-size: 1.1em; margin: 1.6mm 0 0.8mm; border-bottom: 0.4mm solid #000; }
    p { margin: 0.6mm 0; }
    table { width: 100%; border-collapse: collapse; }
    td, th { padding: 0; vertical-align: top; text-align: left; }
    .sheet { page-break-after: always; }
    .sheet:last-child { page-break-after: auto; }
    .head { border-bottom: 0.7mm solid #000; margin-bottom: 1.5mm; }
    .head td { padding-bottom: 1mm; vertical-align: bottom; }
    .right { text-align: right; }
    .days td { border: 0.2mm solid #000; text-align: center; padding: 0.6mm 0.4mm 1mm; width: 14.28%; }
    .blank { display: inline-block; width: 7mm; border-bottom: 0.3mm solid #000; }
    .cards td.card { width: 50%; padding: 1.1mm 2.5mm 1.1mm 0; border-bottom: 0.2mm solid #777; page-break-inside: avoid; }
    .cards td.card + td.card { padding: 1.1mm 0 1.1mm 2.5mm; border-left: 0.2mm solid #777; }
    .cards tr { page-break-inside: avoid; }
    .pictures td { text-align: center; font-size: 0.8em; }
    .order { font-size: 1.15em; }
    .name { font-weight: bold; font-size: 1.08em; }
    .of-day { margin-right: 1.5mm; }
    .cards { table-layout: fixed; }
    .boxes { margin-top: 0.9mm; }
    .box { display: inline-block; width: 3.4mm; height: 3.4mm; border: 0.3mm solid #000; margin-right: 0.8mm; }
    .stop { border: 0.7mm solid #000; padding: 1.2mm 2mm; margin-top: 1.5mm; page-break-inside: avoid; }
    .stop ul { margin: 0; padding-left: 4.5mm; }
    .halted { border: 1.2mm solid #000; padding: 2mm; font-weight: bold; font-size: 1.3em; margin-bottom: 2mm; }
    @media screen {
        body { background: #ddd; }
        .sheet { background: #fff; width: {{ $choice->paper === 'a4' ? '210mm' : '216mm' }}; margin: 4mm auto; padding: 12mm 13mm; box-shadow: 0 0 2mm #999; }
    }
</style>
</head>
<body>
@foreach ($sheets as $sheet)
@php [$w, $detail] = [$sheet['words'], $sheet['detail']]; $picture = $widths[$detail] ?? 24; @endphp
<div class="sheet">
    <table class="head"><tr>
        <td><h1>{{ $sheet['client'] }}</h1></td>
        <td class="right">{{ $sheet['studio'] }}<br><b>{{ $sheet['title'] }}</b>, {{ $sheet['total'] }}</td>
    </tr></table>
    @if ($sheet['halted'])
        <div class="halted">{{ $w->say('halted') }} {{ $sheet['contact'] }}</div>
    @endif
    @foreach ($sheet['aims'] as $aim)
        <p><b>{{ $w->say('aims') }}:</b> {{ $aim }}</p>
    @endforeach
    <table class="days"><tr>
        @foreach ($sheet['days'] as $day)
            <td><b>{{ $day['day'] }}</b><br>
                @forelse ($day['sessions'] as $session)
                    {{ $session['minutes'] }}<br>
                    @if ($session['kind'] !== ''){{ $session['kind'] }}<br>@endif
                    @foreach ($session['order'] as $line)<b class="order">{{ $line }}</b><br>@endforeach
                    {{ $w->say('effort') }} <span class="blank">&nbsp;</span><br>
                    {{ $w->say('pain') }} <span class="blank">&nbsp;</span><br>
                @empty
                    {{ $w->say('rest-day') }}
                @endforelse
            </td>
        @endforeach
    </tr></table>
    <p>{{ $w->say('scale') }}</p>
    @if ($detail < 5 && $sheet['throughout'] !== [])
        <p><b>{{ $w->say('throughout') }}:</b> {{ implode(' ', $sheet['throughout']) }}</p>
    @endif
    <table class="cards">
        @foreach (array_chunk($sheet['exercises'], $large ? 1 : 2, true) as $row)
            <tr>
                @foreach ($row as $i => $each)
                    <td class="card" @if ($large) colspan="2" @endif>
                        <table><tr>
                            @isset ($each['pictures'])
                                <td class="pictures" style="width: {{ 2 * $picture + 2 }}mm"><table><tr>
                                    @foreach ($each['pictures'] as $p => $source)
                                        <td><img style="width: {{ $picture }}mm" src="{{ $source }}" alt="{{ $each['ends'][$p] }}"><br>{{ $each['ends'][$p] }}</td>
                                    @endforeach
                                </tr></table></td>
                            @endisset
                            <td>
                                <span class="name">{{ $i + 1 }}. {{ $each['name'] }}</span><br>
                                @foreach ($each['doses'] as $dose)
                                    {{ $dose['text'] }}@if (($each['load'] ?? '') !== ''), {{ $each['load'] }}@endif
                                    <div class="boxes">@foreach ($dose['days'] as $day)<span class="of-day">{{ $day['day'] }} @for ($b = 0; $b < $day['boxes']; $b++)<span class="box"></span>@endfor</span> @endforeach</div>
                                @endforeach
                            </td>
                        </tr></table>
                        @if ($each['insisted'])<p><b>{{ $w->say('insisted') }}</b></p>@endif
                        @if ($each['unsafe'] ?? false)<p><b>{{ $w->say('unsafe') }}</b></p>@endif
                        @isset ($each['setup'])
                            @if ($detail < 2)<p>{{ $each['setup'] }} {{ $each['style'] }}</p>@endif
                            <p><b>{{ $w->say('watch') }}:</b> {{ $each['watch'] }}@if ($detail < 1) <b>{{ $w->say('felt') }}</b> {{ $each['felt'] }}, {{ $w->say('not-felt') }} {{ $each['not_felt'] }}.@endif</p>
                            @if ($detail < 4)<p><b>{{ $w->say('easier') }}:</b> {{ $each['easier'] }}@if ($detail < 2) {{ $each['below'] }}@endif @if ($each['needs'] !== '') <b>{{ $w->say('needs') }}:</b> {{ $each['needs'] }}.@endif @if ($each['helps'] !== '') <b>{{ $w->say('helps') }}:</b> {{ $each['helps'] }}.@endif</p>@endif
                        @endisset
                    </td>
                @endforeach
                @if (! $large && count($row) === 1)<td class="card"></td>@endif
            </tr>
        @endforeach
    </table>
    <p>
    @foreach ($sheet['moves'] as $part)
        <b>{{ $part['title'] }}{{ $detail < 5 ? ':' : '.' }}</b>
        @if ($detail < 2)
            @foreach ($part['moves'] as $move)<b>{{ $move['name'] }}.</b> {{ $move['setup'] }} @endforeach
        @elseif ($detail < 5)
            {{ implode(', ', array_column($part['moves'], 'name')) }}.
        @endif
    @endforeach
    </p>
    <div class="stop">
        <b>{{ $w->say('care') }}</b>
        <ul>
            @foreach ($sheet['care'] as $line)<li>{{ $line }}</li>@endforeach
            <li><b>{{ $sheet['contact'] }}</b></li>
        </ul>
    </div>
</div>
@endforeach
</body>
</html>
