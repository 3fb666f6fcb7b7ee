<!doctype html>
<html lang="en-GB">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Receiving desk (a stand-in)</title>
<style>
body { margin: 0; font: 16px/1.5 Georgia, serif; color: #1d2430; background: #f3f1ec; }
main { max-width: 60rem; margin: 0 auto; padding: 1.5rem; }
h1 { font-size: 1.5rem; margin: 0 0 .25rem; } h2 { font-size: 1.1rem; margin: 1.5rem 0 .5rem; } h3 { font-size: 1rem; margin: 0; }
article { background: #fff; border: 1px solid #c9c3b5; padding: .75rem 1rem; margin: 0 0 1rem; }
article.refused { border-left: 4px solid #9c2f22; } article.taken { border-left: 4px solid #2d5d3f; }
table { border-collapse: collapse; margin-top: .5rem; } th, td { text-align: left; padding: .2rem 1.5rem .2rem 0; border-bottom: 1px solid #e3dfd4; } td.n { text-align: right; font-variant-numeric: tabular-nums; }
form { background: #fff; border: 1px dashed #8b8574; padding: .75rem 1rem; display: flex; gap: 1rem; flex-wrap: wrap; align-items: center; }
button { font: inherit; padding: .3rem .9rem; background: #1d2430; color: #fff; border: 0; } small, .quiet { color: #5b5a52; } a { color: #274b7a; }
</style>
</head>
<body>
<main>
<h1>Receiving desk</h1>
<p>A stand-in for another system, with a reader of its own. It takes QTI packages of {{ implode(', ', $versions) }}, up to {{ $most }} items and {{ intdiv($largest, 1000000) }} MB at once, with {{ implode(', ', $interactions) }}. It keeps only what it counted.</p>
<form method="post" enctype="multipart/form-data">
@csrf
<label>Package <input type="file" name="package" accept=".zip" required></label>
<button>Hand it in</button>
</form>
<h2>Arrived</h2>
@forelse ($arrivals as $one)
<article id="{{ $one['id'] }}" class="{{ $one['refused'] === null ? 'taken' : 'refused' }}">
<h3>{{ $one['name'] }}</h3>
<small>{{ $one['at'] }}</small>
@if ($one['refused'] !== null)
<p><strong>Not taken.</strong> {{ $one['refused'] }}</p>
@else
<p><strong>Taken:</strong> QTI {{ $one['version'] }}, {{ $one['items'] }} {{ $one['items'] === 1 ? 'item' : 'items' }}, {{ $one['points'] }} points, {{ $one['media'] }} media.</p>
@if ($one['tests'] !== [])
<table><tr><th>Test</th><th>Sections</th><th>Questions asked</th><th>Draws</th><th>Points</th></tr>
@foreach ($one['tests'] as $test)
<tr><td>{{ $test['title'] }}</td><td class="n">{{ $test['sections'] }}</td><td class="n">{{ $test['questions'] }}</td><td class="n">{{ $test['draws'] }}</td><td class="n">{{ $test['points'] }}</td></tr>
@endforeach
</table>
@endif
<p class="quiet">@foreach ($one['interactions'] as $kind => $n){{ $loop->first ? '' : ', ' }}{{ $names[$kind] ?? $kind }}: {{ $n }}@endforeach</p>
@foreach ($one['left'] as $left)
<p>{{ $left['title'] }}: {{ $left['why'] }}</p>
@endforeach
@endif
</article>
@empty
<p class="quiet">Nothing has arrived yet.</p>
@endforelse
</main>
</body>
</html>
