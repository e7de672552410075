@extends('paper.page')
@section('sheet')
@include('paper.head', ['kind' => 'Batch card no. '.$no, 'heading' => $job, 'under' => $link.($operation === null ? '' : ' · '.$operation).' · '.$formula])
<p><b>{{ $base }}</b> · {{ $figures->mass($total_g) }} in all{{ $volume_ml === null ? '' : ', '.$figures->volume($volume_ml) }} · {{ count($batches) }} {{ count($batches) === 1 ? 'cup' : 'cups' }}{{ $cup_ml === null ? '' : ' of '.$figures->volume($cup_ml) }} · room {{ $figures->celsius($room_c) }}</p>
@if($done === null)<table><tbody><tr><td style="width:32mm">Begun on, at</td><td><span class="write"></span></td><td style="width:18mm">Who</td><td><span class="write"></span></td></tr></tbody></table>@endif
@if($done !== null)<p>Begun {{ $figures->dayAndTime($done['at_ms']) }}; {{ $figures->mass($done['weighed_g']) }} weighed so far.</p>@endif
@if($waits_for !== [])<p class="stop">It waits for: {{ implode(', ', $waits_for) }}.</p>@endif
@if($opens_ms !== null || $shuts_ms !== null)<p>Laid {{ $opens_ms === null ? '' : 'from '.$figures->dayAndTime($opens_ms) }} <b>{{ $shuts_ms === null ? '' : 'until '.$figures->dayAndTime($shuts_ms) }}</b>, as the clock has it now; a window moves with what is done before it.</p>@endif
@if($gear !== [])
<h2>On before anything is opened</h2>
<table>@foreach($gear as $one)<tr><td style="width:9mm"><span class="box"></span></td><td>{{ $one }}</td></tr>@endforeach</table>
@endif
@if($list !== [])
<h2>Ready before anything is mixed</h2>
<table>@foreach($list as $one)<tr><td style="width:9mm"><span class="box" style="{{ $one['done'] ? 'background:#000' : '' }}"></span></td><td>{{ $one['text'] }}</td></tr>@endforeach</table>
@endif
@foreach($batches as $i => $batch)
<h2>Cup {{ $i + 1 }}{{ count($batches) > 1 ? ' of '.count($batches) : '' }}: {{ $figures->mass($batch['grams']) }}</h2>
<table>
<thead><tr><th style="width:9mm"></th><th>Add</th><th style="text-align:right">this much</th><th style="text-align:right">the display reads</th><th>it really read</th></tr></thead>
<tbody>@foreach($batch['lines'] as $line)<tr><td><span class="box"></span></td><td class="large">{{ $line['add'] }}</td><td class="fig">{{ $figures->mass($line['grams']) }}</td><td class="fig large">{{ $figures->mass($line['running']) }}</td><td><span class="write"></span></td></tr>@endforeach</tbody>
</table>
<table><tbody>
@if($heat !== null)<tr><td style="width:9mm"><span class="box"></span></td><td>Heated to {{ $figures->celsius($heat[0]) }} to {{ $figures->celsius($heat[1]) }}; it read</td><td><span class="write"></span></td><td>off the heat at</td><td><span class="write"></span></td></tr>
<tr><td style="width:9mm"><span class="box"></span></td><td></td><td></td><td>in the mould at</td><td><span class="write"></span></td></tr>
@else
@unless($one_part)<tr><td style="width:9mm"><span class="box"></span></td><td>A met B at</td><td><span class="write"></span></td><td>pours until</td><td><span class="write"></span></td></tr>@endunless
<tr><td style="width:9mm"><span class="box"></span></td><td>Stirred through, {{ $figures->minutes($mix_min) }}</td><td>@if($vacuum)<span class="box"></span> De-aired, {{ $figures->minutes($degas_min) }}@endif</td><td>in the mould at</td><td><span class="write"></span></td></tr>
@endif
</tbody></table>
@endforeach
<h2>Clock</h2>
<p>@if($pot !== null)It pours for about <b>{{ $figures->minutes($pot[1]) }}</b> after {{ $heat !== null ? 'it came off the heat' : ($one_part ? 'it left its tub' : 'A met B') }}{{ $pot[0] === null ? '' : ' ('.$figures->minutes($pot[0]).' to '.$figures->minutes($pot[2]).')' }}.@else Its sheet does not say how long it pours.@endif @if($open !== null) Opened after about <b>{{ $figures->minutes($open[1]) }}</b> ({{ $figures->minutes($open[0]) }} to {{ $figures->minutes($open[2]) }}).@endif @if($coat !== null) The next coat from <b>{{ $figures->minutes($coat[0]) }}</b>{{ $coat[1] === null ? '' : ' until '.$figures->minutes($coat[1]) }} after it lies.@endif</p>
<table><tbody>
<tr><td>What was left in the cup gelled at</td><td><span class="write"></span></td><td>Opened at</td><td><span class="write"></span></td></tr>
<tr><td>Pieces</td><td><span class="write"></span></td><td>Came out</td><td>superb · good · usable · poor · spoilt</td></tr>
<tr><td>Left in the cup</td><td><span class="write"></span></td><td>What was wrong</td><td><span class="write"></span></td></tr>
<tr><td colspan="4" style="height:14mm">Note</td></tr>
</tbody></table>
<p class="foot">Printed {{ $printed }}. Typed in afterwards at {{ $href }}{{ $done === null ? '' : '/card' }}, it becomes the run.{{ $stamp === null ? '' : ' Cups '.$stamp.'.' }} The supplier’s safety sheet comes first.</p>
@endsection
