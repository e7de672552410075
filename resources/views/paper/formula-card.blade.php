@extends('paper.page')
@section('sheet')
@include('paper.head', ['kind' => 'Formula', 'heading' => $name, 'under' => 'Version '.$number.', kept '.$figures->day($kept_ms).' · '.$base])
<table>
<thead><tr><th></th><th style="text-align:right">{{ $one_part ? '% of the base' : '% of A+B' }}</th>@unless($one_part)<th style="text-align:right">% of A alone</th>@endunless<th style="text-align:right">for {{ $figures->mass(1000.0, 1.0) }}</th></tr></thead>
<tbody>
@foreach($lines as $one)
<tr><td class="large">{{ $one['name'] }}</td><td class="fig">{{ $one['pct_of_ab'] === null ? '' : $figures->percent($one['pct_of_ab'], 3) }}</td>@unless($one_part)<td class="fig">{{ $one['pct_of_one_part'] === null ? '' : $figures->percent($one['pct_of_one_part'], 3) }}</td>@endunless<td class="fig large">{{ $figures->mass($one['grams']) }}</td></tr>
@endforeach
<tr><td><b>in all</b></td><td></td>@unless($one_part)<td></td>@endunless<td class="fig large">{{ $figures->mass($sum_g) }}</td></tr>
</tbody>
</table>
<p>{{ number_format($density, 3) }} g a millilitre: {{ $figures->volume(1000.0 / $density) }} to the kilogram.</p>
@if($times !== [])
<h2>Its clock, at {{ $figures->celsius($ref_c) }}</h2>
<p>@foreach(['pot_life_min' => 'pours for', 'recoat_open_min' => 'next coat from', 'recoat_close_min' => 'next coat until', 'demould_min' => 'opens after', 'service_min' => 'in use after'] as $key => $words)@isset($times[$key]){{ $words }} <b>{{ $figures->minutes($times[$key]) }}</b>@if(! $loop->last) · @endif @endisset @endforeach</p>
@endif
@if($gear !== [])<p><b>On before it is opened:</b> {{ implode(', ', $gear) }}.</p>@endif
@if($note !== null && $note !== '')<h2>Note</h2><p>{{ $note }}</p>@endif
<p class="foot">Printed {{ $printed }}. {{ $href }}</p>
@endsection
