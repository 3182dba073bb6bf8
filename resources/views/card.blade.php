@php
    /** @var \App\Models\Brief\Figure $figure */
    /** @var list<\App\Http\Props\Finish\CardAreaProps> $areas */
    $one = static fn (float $v): string => number_format($v, 1);
@endphp
<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <title>{{ $figure->name }}</title>
    <style>
        @font-face { font-family: 'Atkinson'; font-weight: 400; font-style: normal; src: url('file://{{ $fonts }}/AtkinsonHyperlegibleNext-Regular.ttf') format('truetype'); }
        @font-face { font-family: 'Atkinson'; font-weight: 700; font-style: normal; src: url('file://{{ $fonts }}/AtkinsonHyperlegibleNext-Bold.ttf') format('truetype'); }
        @page { margin: 14mm 13mm; }
        body { font-family: 'Atkinson'; font-weight: 400; font-size: 10pt; color: #000; }
        h1 { font-weight: 700; font-size: 18pt; margin: 0; }
        h2 { font-weight: 700; font-size: 13pt; margin: 16pt 0 2pt; }
        p { margin: 0 0 4pt; }
        .quiet { color: #444; font-size: 9pt; }
        .rule { border-bottom: 1.5pt solid #000; padding-bottom: 4pt; }
        table { border-collapse: collapse; width: 100%; }
        table.section td { padding: 0; height: 20pt; }
        table.section td.name { width: 30%; font-size: 8.5pt; padding-right: 6pt; vertical-align: middle; }
        table.section th { font-weight: 400; font-size: 8pt; color: #444; }
        table.steps { margin-top: 5pt; }
        table.steps td { vertical-align: top; padding: 2.5pt 6pt 2.5pt 0; border-top: 0.4pt solid #999; }
        .area { page-break-inside: avoid; }
        .dot { width: 8pt; height: 8pt; border: 0.6pt solid #000; display: inline-block; }
        .lstar { font-size: 6.5pt; padding: 0 2pt; }
        .write { border-bottom: 0.5pt dotted #666; height: 13pt; }
    </style>
</head>
<body>
    <div class="rule">
        @if ($still !== null)<img src="{{ $still }}" style="float: right; height: 46mm; margin-left: 6mm" alt="">@endif
        <h1>{{ $figure->name }}</h1>
        <p class="quiet">
            {{ $figure->sculptor }}{{ $figure->height_mm ? ', '.$figure->height_mm.' mm' : '' }}{{ $figure->copies > 1 ? ', '.$figure->copies.' alike' : '' }}, {{ $figure->sheen->value }} varnish
        </p>
        <div style="clear: both"></div>
    </div>
    @forelse ($areas as $area)
        <div class="area">
            <h2>{{ $area->name }} <span class="quiet">{{ $area->partName }}</span></h2>
            @if ($area->wish)<p class="quiet">{{ $area->wish }}</p>@endif
            <table class="section">
                <tr><th></th>@foreach ($area->section->rows[0]->cells as $cell)<th>{{ $cell->zone->value }}</th>@endforeach</tr>
                @foreach (array_reverse($area->section->rows, true) as $i => $row)
                    <tr>
                        <td class="name">{{ $i === 0 ? $area->section->start : $i.'  '.$area->layers[$i - 1]->technique->value }}@unless ($row->shows) (will not read)@endunless</td>
                        {{-- L* in print, so that the card also works in black and white. --}}
                        @foreach ($row->cells as $cell)<td style="background: {{ $cell->colour->hex }}"><span class="lstar" style="color: {{ $cell->colour->lab[0] > 55 ? '#000' : '#fff' }}">{{ $cell->touched || $i === 0 ? round($cell->colour->lab[0]) : '' }}</span></td>@endforeach
                    </tr>
                @endforeach
            </table>
            <table class="steps">
                @foreach ($area->layers as $i => $layer)
                    <tr>
                        <td style="width: 4%"><b>{{ $i + 1 }}</b></td>
                        <td style="width: 26%">{{ $layer->technique->value }}<br><span class="quiet">{{ count($layer->zones) === 5 ? 'all zones' : implode(', ', array_column($layer->zones, 'value')) }}; {{ $layer->coats }} {{ $layer->coats === 1 ? 'coat' : 'coats' }}; {{ $layer->thinner > 0 ? '1 paint + '.$layer->thinner.' thinner' : 'undiluted' }}</span></td>
                        <td style="width: 45%">@foreach ($layer->mix as $drops)<span class="dot" style="background: {{ $drops->hex }}"></span> <b>{{ $drops->drops }}</b> {{ $drops->name }} <span class="quiet">{{ $drops->maker }}</span><br>@endforeach @if ($layer->note)<span class="quiet">{{ $layer->note }}</span>@endif</td>
                        <td style="width: 25%"><div class="write"></div></td>
                    </tr>
                @endforeach
            </table>
            @if ($area->section->matches !== [])
                <p class="quiet">ΔE to the reference (CIEDE2000): @foreach ($area->section->matches as $match){{ $match->zone->value }} {{ $one($match->difference) }}@if (! $loop->last), @endif @endforeach</p>
            @endif
        </div>
    @empty
        <p>No area has a finish yet: there is nothing to print.</p>
    @endforelse
    <p class="quiet">Colours are predictions under daylight or the light chosen ({{ $figure->light->value }}); where a paint was not measured they are estimates. The numbers in the section are L*.</p>
@if ($work !== null && $areas !== [])
    <h2>Order of work</h2>
    <ol>
        @foreach ($work->steps as $step)
            <li>{{ $step }}</li>
        @endforeach
    </ol>
    @foreach ($work->masks as $mask)
        <p>{{ $mask }}</p>
    @endforeach
    <h3>Safety</h3>
    @if ($work->takes !== [])
        <p class="quiet"><b>Takes from the pots (estimates{{ $figure->copies > 1 ? ', for '.$figure->copies.' figures' : '' }})</b>: {{ implode('; ', $work->takes) }}.</p>
    @endif
    @foreach ($work->cautions as $caution)
        <p>{{ $caution }}</p>
    @endforeach
@endif
</body>
</html>
