@extends('paper.page')
@section('sheet')
<style>
.sheet { position: relative; width: {{ $size->width() }}mm; height: {{ $size->height() - 0.5 }}mm; overflow: hidden; }
.sheet + .sheet { page-break-before: always; }
.label { position: absolute; width: {{ round($w, 3) }}mm; height: {{ round($h, 3) }}mm; overflow: hidden; padding: 2mm; font-size: {{ $h < 25 ? 7 : 8.5 }}pt; line-height: 1.15; }
.label img { position: absolute; right: 2mm; top: 2mm; width: {{ round(min($h - 4, $w * 0.38), 2) }}mm; height: {{ round(min($h - 4, $w * 0.38), 2) }}mm; }
.label .words { position: absolute; left: 2mm; top: 2mm; width: {{ round($w - 5 - min($h - 4, $w * 0.38), 2) }}mm; overflow-wrap: anywhere; word-wrap: break-word; }
.label b { font-size: {{ $h < 25 ? 11 : 14 }}pt; }
</style>
@foreach($pages as $page)
<div class="sheet">
@foreach($page as $label)
<div class="label" style="left: {{ round($label['x'], 3) }}mm; top: {{ round($label['y'], 3) }}mm"><div class="words"><b>{{ $label['code'] }}</b><br>{{ $label['name'] }}@foreach(array_slice($label['lines'], 0, 3) as $line)<br>{{ mb_strimwidth($line, 0, 60, '…') }}@endforeach</div><img src="{{ \App\Paper\Codes::image($origin.$label['href']) }}" alt=""></div>
@endforeach
</div>
@endforeach
@endsection
