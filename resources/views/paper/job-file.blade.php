@extends('paper.page')
@section('sheet')
@include('paper.head', ['kind' => 'The file of a job', 'heading' => $file['job']['name'], 'under' => $file['job']['purpose']])
<p>{{ $file['job']['quantity'] }} wanted{{ $file['job']['for_whom'] === '' ? '' : ', for '.$file['job']['for_whom'] }}{{ $file['job']['due_on'] === null ? '' : ', by '.$file['job']['due_on'] }}.{{ $file['job']['skin'] ? ' Worn on skin.' : '' }}</p>
@if($file['care'] !== [])
<h2>Care of the piece</h2>
@include('paper.care-of', ['care' => $file['care'], 'large' => false])
@endif
<p class="stop">{{ $file['not_certified'] }}</p>
<h2>The chain</h2>
@foreach($file['chain'] as $i => $link)
<h3>{{ $i + 1 }}. {{ $link['name'] }} <span class="small">{{ $link['kind'] }}{{ $link['role'] === 'whole' ? '' : ', '.$link['role'] }}</span></h3>
<p>{{ $link['material_name'] }}{{ $link['note'] === '' ? '' : '. '.$link['note'] }}</p>
@foreach($link['contacts'] as $one)
<p class="small"><b>{{ $one['with'] }}: {{ $one['in_short'] }}.</b> {{ implode(' ', $one['because']) }} @foreach($one['plan'] as $step) <b>{{ $step['what'] }}{{ $step['coats'] > 1 ? ', '.$step['coats'].' coats' : '' }}.</b> {{ $step['note'] }}@endforeach {{ $one['overruled'] === null ? '' : 'Overruled: '.$one['overruled'] }}</p>
@endforeach
@endforeach
@if($file['formulas'] !== [])
<h2>Formulas</h2>
@foreach($file['formulas'] as $one)
<h3>{{ $one['name'] }}, {{ $one['number'] }}</h3>
<p>{{ $one['base_name'] }}@foreach($one['additives'] as $add); {{ $add['name'] }} {{ $add['pct_of_ab'] === null ? '' : $figures->percent($add['pct_of_ab'], 3).' of A+B' }}{{ $add['pct_of_one_part'] === null ? '' : ' = '.$figures->percent($add['pct_of_one_part'], 3).' of A alone' }}@endforeach.</p>
@endforeach
@endif
@if($file['builds'] !== [])
<h2>How it was built</h2>
@foreach($file['builds'] as $build)
<h3>{{ $file['chain'][$build['link']]['name'] ?? '' }}: {{ $build['name'] }}</h3>
<table><tbody>@foreach($build['operations'] as $one)<tr><td><b>{{ $one['name'] }}</b> <span class="small">{{ $one['how'] }}</span></td><td class="small">{{ $one['ended_ms'] === null ? str_replace('_', ' ', $one['state']) : $figures->dayAndTime($one['ended_ms']) }}</td></tr>@endforeach</tbody></table>
@endforeach
@endif
@if($file['pours'] !== [])
<h2>What was poured</h2>
@foreach($file['pours'] as $pour)
<h3>{{ $file['chain'][$pour['link']]['name'] ?? '' }}, {{ $figures->dayAndTime($pour['began_ms']) }} <span class="small">no. {{ $pour['no'] }}</span></h3>
<p>{{ $pour['formula'] }} ({{ $pour['base'] }}), room {{ $figures->celsius($pour['room_c']) }}{{ $pour['people'] === [] ? '' : ', by '.implode(', ', $pour['people']) }}. @if($pour['grade'] !== null)Came out <b>{{ $pour['grade'] }}</b>{{ $pour['pieces'] === null ? '' : ', '.$pour['pieces'].' '.($pour['pieces'] === 1 ? 'piece' : 'pieces') }}.@endif {{ $pour['faults'] === [] ? '' : implode(', ', $pour['faults']).'.' }} {{ $pour['cause'] === null ? '' : 'Found: '.$pour['cause'].'.' }} {{ $pour['note'] }}</p>
<table><thead><tr><th></th><th style="text-align:right">planned</th><th style="text-align:right">weighed</th></tr></thead><tbody>@foreach($pour['sums'] as $sum)<tr><td>{{ $sum['name'] }}</td><td class="fig">{{ $figures->mass($sum['planned_g']) }}</td><td class="fig">{{ $figures->mass($sum['weighed_g']) }}</td></tr>@endforeach<tr><td><b>in all</b></td><td></td><td class="fig"><b>{{ $figures->mass($pour['weighed_g']) }}</b></td></tr></tbody></table>
@if($pour['lots'] !== [])<p class="small">From @foreach($pour['lots'] as $lot){{ $lot['lot'] ?? 'no lot' }} {{ $lot['part'] }}{{ $lot['number'] === null ? '' : ' (no. '.$lot['number'].')' }} {{ $figures->mass($lot['grams']) }}@if(! $loop->last), @endif @endforeach</p>@endif
@endforeach
@endif
@if($file['moulds'] !== [])
<h2>Its moulds</h2>
@foreach($file['moulds'] as $mould)
<h3>{{ $mould['code'] }} {{ $mould['name'] }} <span class="small">{{ $file['chain'][$mould['link']]['name'] ?? '' }}{{ $mould['generation'] > 1 ? ', made for the '.$mould['generation'].'. time' : '' }}</span></h3>
<p>{{ $mould['of'] }}, made {{ $figures->day($mould['made_ms']) }}; {{ $mould['casts'] }} cast in it{{ $mould['condition'] === null ? '' : '; '.$mould['condition'] }}{{ $mould['marks'] === [] ? '' : ', '.implode(', ', $mould['marks']) }}{{ $mould['retired_ms'] === null ? '' : '; retired '.$figures->day($mould['retired_ms']) }}.</p>
@foreach($mould['looks'] as $look)<p class="small">{{ $figures->day($look['at_ms']) }}: {{ $look['condition'] }}{{ $look['marks'] === [] ? '' : ', '.implode(', ', $look['marks']) }}.{{ $look['note'] === '' ? '' : ' '.$look['note'] }}{{ $look['person'] === null ? '' : ' ('.$look['person'].')' }}</p>@endforeach
@endforeach
@endif
@if($file['cautions'] !== [])
<h2>Cautions for whoever makes it again</h2>
@foreach($file['cautions'] as $one)<p><b>{{ $one['title'] }}.</b> {{ $one['text'] }}</p>@endforeach
@endif
<p class="foot">{{ $file['shop'] }}, printed {{ $printed }}. {{ $href }}</p>
@endsection
