@php
    /** @var \App\Models\Shelf\SwatchSheet $sheet */
    /** @var list<\Hyalin\Sheet\Box> $black */
    /** @var list<\Hyalin\Sheet\Box> $qr */
    /** @var \Hyalin\Sheet\Box $card */
    /** @var float $left */
    /** @var float $top */
    $at = static fn (float $x, float $y, float $width, float $height): string => sprintf('left:%.3Fmm;top:%.3Fmm;width:%.3Fmm;height:%.3Fmm', $left + $x, $top + $y, $width, $height);
    $box = static fn (\Hyalin\Sheet\Box $b): string => $at($b->x, $b->y, $b->width, $b->height);
@endphp
<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <title>Swatch sheet {{ $sheet->id }}</title>
    <style>
        @font-face { font-family: 'Atkinson'; font-weight: 400; font-style: normal; src: url('file://{{ $fonts }}/AtkinsonHyperlegibleNext-Regular.ttf') format('truetype'); }
        @font-face { font-family: 'Atkinson'; font-weight: 700; font-style: normal; src: url('file://{{ $fonts }}/AtkinsonHyperlegibleNext-Bold.ttf') format('truetype'); }
        @page { margin: 0; }
        body { font-family: 'Atkinson'; font-size: 6.6pt; line-height: 1.15; color: #000; margin: 0; }
        div { position: absolute; overflow: hidden; }
        .black { background: #000; }
        .place { border: 0.2mm dotted #999; }
        .name { font-size: 7pt; white-space: nowrap; }
        b { font-weight: 700; }
    </style>
</head>
<body>
    @foreach ($black as $b)<div class="black" style="{{ $box($b) }}"></div>
    @endforeach
    @foreach ($qr as $b)<div class="black" style="{{ $box($b) }}"></div>
    @endforeach
    <div style="{{ $at(17, -0.5, 67, 4) }};font-size:9pt"><b>Swatch sheet {{ $sheet->id }}</b></div>
    <div style="{{ $at(17, 4, 67, 19) }}">
        1. Brush one coat over black and paper of each field.<br>
        2. Upper box: a thick blob.{{ $sheet->white === null ? '' : ' Lower box: 1 drop in 5 of '.$sheet->white->name.'.' }}<br>
        3. Keep the paper between the fields clean. Let it dry.<br>
        4. Lay the grey card or the chart below. Photograph the sheet{{ $hasChips ? '; strips: as you always paint them' : '' }}.
    </div>
    <div style="{{ $at(128, 0, 42, 20) }}">Scan to open this sheet<br>and to add its photo.<br>Print at 100 %, not<br>fitted to the page.</div>
    @foreach ($fields as $field)
        <div class="name" style="{{ $at($field['cell']->x + 2, $field['cell']->y + 1.4, $field['cell']->width - 3, 3.6) }}"><b>{{ $field['code'] }}</b> {{ $field['name'] }}</div>
        <div class="black" style="{{ $box($field['black']) }}"></div>
        @foreach ($field['places'] as $place)<div class="place" style="{{ $box($place) }}"></div>
        @endforeach
    @endforeach
    <div class="place" style="{{ $box($card) }}"></div>
    <div style="{{ $at($card->x + 2, $card->y + 29, $card->width - 4, 8) }};color:#777;text-align:center;font-size:8pt">grey card, or chart of 24 patches with dark brown at the upper left</div>
</body>
</html>
