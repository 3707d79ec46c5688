@php
    $pt = $choice->isLarge() ? 18 : 13;
    $picture = $choice->isLarge() ? 34 : 28;
@endphp
<!DOCTYPE html>
<html lang="{{ $words->language }}">
<head>
<meta charset="utf-8">
<style>
    @page { size: {{ $choice->paper === 'a4' ? 'A4' : 'letter' }} portrait; margin: 14mm; }
    body { margin: 0; font-family: '{{ App\Sheets\SheetView::FONT }}', sans-serif; font-size: {{ $pt }}pt; line-height: 1.2; }
    .station { page-break-after: always; }
    .station:last-child { page-break-after: auto; }
    h1 { font-size: 2.2em; margin: 0 0 3mm; border-bottom: 1mm solid #000; }
    table { width: 100%; border-collapse: collapse; }
    td { vertical-align: top; padding: 2.5mm 0; border-bottom: 0.3mm solid #777; }
    tr { page-break-inside: avoid; }
    .pictures { width: {{ 2 * $picture + 4 }}mm; }
    .pictures img { width: {{ $picture }}mm; }
    .name { font-size: 1.35em; font-weight: bold; }
    p { margin: 0.8mm 0; }
</style>
</head>
<body>
@foreach ($stations as $station)
    <div class="station">
        <h1>{{ $station['title'] }}</h1>
        <table>
            @foreach ($station['places'] as $place)
                <tr>
                    <td class="pictures">@foreach ($place['pictures'] ?? [] as $source)<img src="{{ $source }}" alt="">@endforeach</td>
                    <td>
                        <p class="name">@if ($place['turn'] !== null){{ $words->say('turn', $place['turn']) }}: @endif{{ $place['name'] }}</p>
                        <p><b>{{ $place['exercise'] }}</b>@isset ($place['dose']), {{ $place['dose'] }}@endisset</p>
                        @isset ($place['setup'])<p>{{ $place['setup'] }}</p><p><b>{{ $words->say('watch') }}:</b> {{ $place['watch'] }}</p>@endisset
                    </td>
                </tr>
            @endforeach
        </table>
    </div>
@endforeach
</body>
</html>
