@extends('paper.page')
@section('sheet')
@include('paper.head', ['kind' => 'Shopping list', 'heading' => 'To buy', 'under' => $printed])
<table>
<thead><tr><th style="width:9mm">Got</th><th>What</th><th style="text-align:right">wanted</th><th style="text-align:right">kits</th><th style="text-align:right">price</th><th>For</th></tr></thead>
<tbody>
@forelse($lines as $one)
<tr><td><span class="box"></span></td><td><b>{{ $one['name'] }}</b> <span class="small">{{ $one['code'] }}</span></td><td class="fig">{{ $one['grams'] > 0 ? $figures->mass($one['grams'], 1.0) : '' }}</td><td class="fig">{{ $one['kits'] === null ? '' : $one['kits'].' × '.$figures->mass($one['kit_g'], 1.0) }}</td><td class="fig">{{ $one['price'] ?? '' }}</td><td>{{ $one['why'] }}</td></tr>
@empty
<tr><td colspan="6">Nothing is wanted.</td></tr>
@endforelse
@if($lines !== [])<tr><td></td><td><b>in all</b>{{ $open ? ', without what has no price' : '' }}</td><td></td><td></td><td class="fig"><b>{{ $sum }}</b></td><td></td></tr>@endif
</tbody>
</table>
@endsection
