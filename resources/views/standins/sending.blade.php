<!doctype html>
<html lang="en-GB">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Sending desk (a stand-in)</title>
<style>
body { margin: 0; font: 16px/1.5 Georgia, serif; color: #1d2430; background: #f3f1ec; }
main { max-width: 60rem; margin: 0 auto; padding: 1.5rem; }
h1 { font-size: 1.5rem; margin: 0 0 .25rem; } h2 { font-size: 1.1rem; margin: 1.5rem 0 .5rem; }
table { border-collapse: collapse; background: #fff; width: 100%; } th, td { text-align: left; padding: .3rem 1rem; border: 1px solid #e3dfd4; } td.n { text-align: right; font-variant-numeric: tabular-nums; }
a { color: #274b7a; }
</style>
</head>
<body>
<main>
<h1>Sending desk</h1>
<p>A stand-in for an old system that is about to be switched off. Its export is flat: all questions of a quiz in a row, without titles, and without a word about how many were drawn. What it really has lies beside it, so that a migration can be judged.</p>
<h2>To take along</h2>
<ul>
<li><a href="/stand-ins/sending/flat.zip">Its quizzes, flat (QTI 1.2.1)</a></li>
<li><a href="/stand-ins/sending/truth.csv">What it has, as a table (CSV)</a></li>
<li><a href="/stand-ins/sending/draws.zip">An older export that still has the draws (QTI 1.2.1)</a></li>
</ul>
<h2>What it has</h2>
<table><tr><th>Quiz</th><th>Questions</th><th>Pool</th><th>Size</th><th>Drawn</th><th>Points each</th></tr>
@foreach ($quizzes as $quiz)
@foreach ($quiz['pools'] as $pool)
<tr><td>{{ $loop->first ? $quiz['title'] : '' }}</td><td class="n">{{ $loop->first ? $quiz['questions'] : '' }}</td><td>{{ $pool['name'] }}</td><td class="n">{{ $pool['size'] }}</td><td class="n">{{ $pool['draw'] }}</td><td class="n">{{ $pool['points'] }}</td></tr>
@endforeach
@endforeach
</table>
</main>
</body>
</html>
