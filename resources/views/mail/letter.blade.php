{!! $greeting !!}

@foreach ($paragraphs as $paragraph)
{!! $paragraph !!}

@endforeach
@if ($link !== '')
{!! $link !!}

@endif
Wide Quarry
