@extends('paper.page')
@section('sheet')
@include('paper.head', ['kind' => 'Day sheet', 'heading' => $title, 'under' => 'As it stood at '.$figures->clock($now_ms)])
@if($because !== null)<p class="stop">{{ $because }}</p>@endif
@foreach($late as $one)<p><b>{{ $one }}</b></p>@endforeach
<table>
<thead><tr><th>At</th><th>What</th><th>For</th><th>Window</th><th style="width:9mm">Done</th></tr></thead>
<tbody>
@forelse($items as $one)
<tr><td class="fig" style="text-align:left"><b class="large">{{ $figures->clock($one['from_ms']) }}</b>–{{ $figures->clock($one['to_ms']) }}</td><td><b>{{ $one['name'] }}</b></td><td>{{ $one['title'] }}</td><td>@if($one['opens_ms'] !== null && $one['shuts_ms'] !== null){{ $figures->dayAndTime($one['opens_ms']) }} to {{ $figures->dayAndTime($one['shuts_ms']) }}{{ $one['missed'] ? ', shut' : '' }}@endif</td><td><span class="box"></span></td></tr>
@empty
<tr><td colspan="5">Nothing is planned for today.</td></tr>
@endforelse
</tbody>
</table>
@if($anchor !== null)<p class="foot">Everything told up to {{ $figures->dayAndTime($anchor['on_ms']) }} is sealed as <b>{{ $anchor['seal'] }}</b>.</p>@endif
<p class="foot">Printed {{ $printed }}.</p>
@endsection
