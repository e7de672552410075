@extends('paper.page')
@section('sheet')
<style>.sheet-text p { font-size: 12.5pt; margin-bottom: 3mm; }</style>
@include('paper.head', ['kind' => 'Care of the piece', 'heading' => $name, 'under' => $for_whom === '' ? null : 'For '.$for_whom])
<div class="sheet-text">
@include('paper.care-of', ['care' => $care, 'large' => true])
@if($care === [])<p>Nothing of this job is a cast yet.</p>@endif
<p class="stop">{{ $not_certified }}</p>
</div>
<p class="foot">Made by {{ $shop }}. Kept on {{ $printed }}. {{ $href }}</p>
@endsection
