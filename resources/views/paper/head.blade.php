<table class="head"><tr>
<td><p class="small">{{ $shop }} · {{ $kind }}</p><h1>{{ $heading }}</h1>@isset($under)<p>{{ $under }}</p>@endisset</td>
<td class="code"><img src="{{ $code }}" alt="{{ $href }}"></td>
</tr></table>
