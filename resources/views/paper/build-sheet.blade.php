@extends('paper.page')
@section('sheet')
@include('paper.head', ['kind' => 'Build sheet', 'heading' => $title, 'under' => $build['name'].($build['wanted_on'] === null ? '' : ' · wanted by '.$build['wanted_on'])])
<table>
<thead><tr><th style="width:9mm">Done</th><th>Operation</th><th>Takes</th><th>Window, as the clock has it</th><th>Begun / over</th></tr></thead>
<tbody>
@foreach($build['operations'] as $one)
<tr>
<td><span class="box" style="{{ in_array($one['state'], ['done', 'left_out'], true) ? 'background:#000' : '' }}"></span></td>
<td><b>{{ $one['name'] }}</b>@if($one['grams'] !== null) · {{ $figures->mass($one['grams']) }}{{ $one['base_name'] === null ? '' : ' '.$one['base_name'] }}@endif<br><span class="small">{{ $one['how'] }}</span>@foreach($one['cautions'] as $caution)<br><span class="small"><b>{{ $caution['title'] }}.</b> {{ $caution['text'] }}</span>@endforeach</td>
<td class="fig">{{ $figures->minutes($one['minutes']) }}</td>
<td>@if($one['opens_ms'] !== null)from {{ $figures->dayAndTime($one['opens_ms']) }}<br>@endif @if($one['shuts_ms'] !== null)<b>until {{ $figures->dayAndTime($one['shuts_ms']) }}</b>@elseif($one['opens_ms'] === null){{ count($one['after']) === 0 ? 'any time' : 'after '.implode(', ', array_map(fn ($wait) => collect($build['operations'])->firstWhere('id', $wait['op'])['name'] ?? $wait['op'], $one['after'])) }}@endif</td>
<td>@if($one['ended_ms'] !== null){{ $figures->dayAndTime($one['ended_ms']) }}@else<span class="write" style="min-width:22mm"></span><br><span class="write" style="min-width:22mm"></span>@endif</td>
</tr>
@endforeach
</tbody>
</table>
<p class="foot">As it stood {{ $figures->dayAndTime($now_ms) }}; a window moves with what is done before it. {{ $href }}</p>
@endsection
