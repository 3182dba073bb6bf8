@php
    /** @var \App\Models\Brief\Figure $figure */
    /** @var int $copies */
    /** @var list<\App\Http\Props\Bench\PotNeedProps> $pots */
    $buy = array_filter($pots, static fn ($p): bool => $p->toBuy > 0);
@endphp
<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <title>{{ $figure->name }}: what to buy</title>
    <style>
        @font-face { font-family: 'Atkinson'; font-weight: 400; font-style: normal; src: url('file://{{ $fonts }}/AtkinsonHyperlegibleNext-Regular.ttf') format('truetype'); }
        @font-face { font-family: 'Atkinson'; font-weight: 700; font-style: normal; src: url('file://{{ $fonts }}/AtkinsonHyperlegibleNext-Bold.ttf') format('truetype'); }
        @page { margin: 14mm 13mm; }
        body { font-family: 'Atkinson'; font-weight: 400; font-size: 11pt; color: #000; }
        h1 { font-weight: 700; font-size: 18pt; margin: 0; }
        .quiet { color: #444; font-size: 9pt; }
        table { border-collapse: collapse; width: 100%; margin-top: 8pt; }
        th { font-weight: 400; font-size: 9pt; color: #444; text-align: left; }
        td, th { padding: 3pt 6pt 3pt 0; border-top: 0.4pt solid #999; }
        .box { width: 10pt; height: 10pt; border: 1pt solid #000; }
    </style>
</head>
<body>
    <h1>{{ $figure->name }}: what to buy</h1>
    <p class="quiet">For {{ $copies }} {{ $copies === 1 ? 'figure' : 'figures' }}. Quantities are estimates from areas, techniques and what past runs used.</p>
    @if (count($buy) === 0)
        <p><b>Nothing.</b> The shelf holds enough.</p>
    @else
        <table>
            <tr><th></th><th>pot</th><th>maker</th><th>new pots</th><th>missing</th><th>cost</th></tr>
            @foreach ($buy as $pot)
                <tr><td><div class="box"></div></td><td><b>{{ $pot->name }}</b></td><td>{{ $pot->maker }}</td><td>{{ $pot->toBuy }}</td><td>{{ number_format($pot->missingMl, 2, '.', '') }} mL</td><td>{{ $pot->spend === null ? '' : number_format($pot->spend, 2) }}</td></tr>
            @endforeach
        </table>
    @endif
    <table>
        <tr><th>takes from the pots</th><th>maker</th><th>needs</th><th>holds</th></tr>
        @foreach ($pots as $pot)
            <tr><td>{{ $pot->name }}</td><td>{{ $pot->maker }}</td><td>{{ number_format($pot->needMl, 2, '.', '') }} mL</td><td>{{ number_format($pot->hasMl, 1, '.', '') }} mL</td></tr>
        @endforeach
    </table>
</body>
</html>
