@foreach($care as $one)
<h3{!! $large ? ' class="large"' : '' !!}>{{ $one['of'] }}</h3>
@if($one['holds'] !== [])<p><b>Stirred in:</b> {{ implode(', ', $one['holds']) }}.</p>@endif
<p><b>Wash:</b> {{ $one['wash'] }}</p>
<p><b>Store:</b> {{ $one['store'] }}</p>
<p><b>Keep it from:</b> {{ $one['keep_from'] }}</p>
<p><b>Allergies:</b> {{ $one['allergies'] }}</p>
@foreach($one['uses'] as $use)<p>{{ $use }}</p>@endforeach
@endforeach
