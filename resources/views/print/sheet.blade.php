<!doctype html>
<html{!! $language !!}>
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy"
  content="default-src 'none'; style-src 'unsafe-inline'; img-src {{ $images }}; font-src {{ $fontsFrom }}">
<title>{{ $title }}</title>
<style>
@foreach ($fonts as [$family, $weight, $style, $url])
@@font-face { font-family: '{{ $family }}'; font-weight: {{ $weight }}; font-style: {{ $style }}; src: url({!! $url !!}) format('woff2'); }
@endforeach
@@page { size: {{ $settings->paper }}; margin: 16mm 16mm 18mm; }
@foreach ($footers as $footer)
@@page {{ $footer['page'] }} { counter-increment: {{ $footer['page'] }};
  @@bottom-left {
    content: {!! $footer['left'] !!}; font: 8.5pt 'Atkinson Hyperlegible Next', sans-serif;
    color: {{ $settings->look === 'contrast' ? '#000' : '#444' }};
  }
  @@bottom-right {
    content: {!! $footer['right'] !!}; font: 8.5pt 'Atkinson Hyperlegible Next', sans-serif;
    color: {{ $settings->look === 'contrast' ? '#000' : '#444' }};
  }
}
#{{ $footer['page'] }} { page: {{ $footer['page'] }}; }
@if ($footer['columns'] > 1)
#{{ $footer['page'] }} .questions { columns: {{ $footer['columns'] }}; }
@endif
@endforeach
* { box-sizing: border-box; }
html {
  font-family: {!! $settings->font === 'sans' ? "'Atkinson Hyperlegible Next', sans-serif" : "'Source Serif 4', 'STIX Two Text', serif" !!};
  font-size: {{ $settings->size === 'large' ? '15pt' : '11.5pt' }};
  line-height: {{ $settings->size === 'large' ? '1.5' : '1.42' }};
  color: #000; orphans: 2; widows: 2;
}
@if ($settings->look === 'reading')
html { line-height: 1.75; letter-spacing: 0.035em; word-spacing: 0.16em; }
em, i { font-style: normal; font-weight: 600; }
p { text-align: left; hyphens: none; max-width: 70ch; }
@endif
@if ($settings->look === 'contrast')
.credit, .spoken, .gone, .note, .pick .or, .bank .times { color: #000 !important; }
td, th, .bank, .picked, .amended, .rule, .gap { border-color: #000 !important; }
.rule, .gap { border-bottom-width: 1pt !important; }
.box, .circle { border-width: 1.2pt !important; }
.question { padding-top: 2mm; border-top: 0.8pt solid #000; }
@endif
body { margin: 0; overflow-wrap: break-word; }
math { font-family: 'STIX Two Math', math; font-size: 1.05em; }
mtable[columnalign^='left'] mtd { text-align: left; }
mtable[columnalign^='right'] mtd { text-align: right; }
h1, h2, h3, .school, .fields, .aids, .form-letter, .circles, .key-table, .contents, .points, .number, .which, .place {
  font-family: 'Atkinson Hyperlegible Next', sans-serif;
}
header { margin-bottom: 6mm; border-bottom: 0.6pt solid #000; padding-bottom: 3mm; }
h1 { font-size: 1.45em; line-height: 1.2; margin: 0 0 2mm; font-weight: 600; }
h2 { font-size: 1.1em; margin: 5mm 0 2mm; font-weight: 600; break-after: avoid; }
.school, .which { margin: 0 0 1mm; }
.fields { display: flex; flex-wrap: wrap; gap: 2mm 6mm; margin: 3mm 0 0; }
.field { display: flex; align-items: end; white-space: nowrap; }
.field .line { display: inline-block; border-bottom: 0.5pt solid #000; height: 1.5em; margin: 0 1mm; }
.name { flex: 1; }
.name .line { flex: 1; min-width: 45mm; }
.date .line { width: 28mm; }
.group .line { width: 16mm; }
.score .line { width: 14mm; }
.cover { break-after: page; } .new-page { break-before: page; } .conditions { margin: 0 0 3mm; font-style: italic; break-after: avoid; }
.instructions { margin: 0 0 4mm; } .instructions > :first-child { margin-top: 0; }
.questions { column-gap: 9mm; }
.question {
  display: grid; grid-template-columns: 2.1em minmax(0, 1fr) auto; column-gap: 0.3em; margin: 0 0 {{ 5.5 * $room }}mm; break-inside: avoid;
}
.number { font-weight: 600; font-size: 1em; margin: 0; white-space: nowrap; }
.form-letter { float: right; margin: 0 0 2mm 6mm; padding: 1mm 3mm; border: 1pt solid #000; font-size: 1.1em; font-weight: 600; }
.aids { margin: 2mm 0 0; font-size: 0.9em; }
.breaks { break-before: page; }
.points-after { margin: 1mm 0 0; font-size: 0.8em; text-align: right; }
.boxed { display: flex; flex-direction: column; align-items: end; gap: 1mm; }
.score-box { width: 11mm; height: 8mm; border: 0.7pt solid #000; }
{{-- Chromium takes left and right for any page, so an empty one is put in where it has to be --}}
.stimulus.facing { break-before: page; break-after: page; break-inside: auto; } .blank-page { break-before: page; height: 1mm; }
.cover-page { break-after: page; padding-top: 45mm; text-align: center; }
.cover-page .form-letter { float: none; display: inline-block; margin: 4mm 0; }
.cover-page .fields { margin: 14mm 0; text-align: left; }
.cover-page .instructions { text-align: left; margin-top: 10mm; }
.cover-page h1 { font-size: 2em; }
.circles { columns: 2; column-gap: 12mm; }
.circles h2 { font-size: 1em; column-span: none; }
.row { display: flex; gap: 1mm; break-inside: avoid; padding: 0.9mm 0; }
.row .number { min-width: 2.6em; text-align: right; }
.row .lines { display: flex; flex-direction: column; gap: 1mm; }
.lines .line { display: flex; gap: 1.6mm; align-items: center; }
.part { min-width: 2em; font-size: 0.85em; }
.circle {
  display: inline-flex; align-items: center; justify-content: center; min-width: 5.6mm; height: 5.6mm; border: 0.7pt solid #000;
  border-radius: 3mm; font-size: 0.68em;
}
.written { font-size: 0.85em; color: #444; }
.key-table, .contents { font-size: 0.88em; }
.key-table thead, .contents thead, table thead { display: table-header-group; }
.key-table td { text-align: left; white-space: nowrap; font-variant-numeric: tabular-nums; }
.key-table tr, .contents tr { break-inside: avoid; }
.contents { width: 100%; margin-bottom: 6mm; }
.contents th { text-align: left; }
.contents tbody th { font-weight: 400; }
.contents td:last-child, .contents th:last-child { text-align: right; white-space: nowrap; }
.points { font-size: 0.8em; white-space: nowrap; padding-top: 0.15em; }
.asked > :first-child, .answers > ul { margin-top: 0; }
p, ul, ol, table, .options { margin: 0 0 2mm; }
.stimulus { border-left: 2pt solid #999; padding-left: 4mm; margin: 0 0 4mm; break-inside: avoid; break-after: avoid; }
.stimulus .for, .again { font-family: 'Atkinson Hyperlegible Next', sans-serif; font-size: .85em; margin: 0 0 1.5mm; }
.stimulus .stimulus-title { font-weight: 600; margin: 0 0 1.5mm; break-after: avoid; }
.again { break-after: avoid; }
.page { margin: 0 0 5mm; }
img { max-width: 100%; height: auto; max-height: 200mm; }
figure { margin: 0 0 2mm; break-inside: avoid; }
.details { width: 100%; font-size: 0.85em; }
.details th { width: 9em; text-align: left; vertical-align: top; font-weight: 600; }
.details :is(p, ul, .answers) { margin: 0; }
.details ul.feedback { padding-left: 1.2em; }
.details .when { font-weight: 600; }
.details .when + p, .details .when * { display: inline; }
figure.align-center { text-align: center; } figure.align-right { text-align: right; }
figcaption { font-size: 0.88em; margin-top: 1mm; }
hr { border: 0; border-top: 0.5pt solid #666; margin: 3mm 0; }
caption { text-align: left; font-size: 0.88em; padding-bottom: 1mm; }
.viewed { display: inline-block; overflow: hidden; max-width: 100%; vertical-align: bottom; }
.viewed img { display: block; max-width: none; max-height: none; }
table { border-collapse: collapse; max-width: 100%; } td, th { border: 0.5pt solid #666; padding: 1mm 2mm; overflow-wrap: anywhere; }
{{-- a table of many columns is set smaller, so that it stays on the page --}}
table:has(tr > :nth-child(9)) { font-size: 0.82em; } table:has(tr > :nth-child(9)) :is(td, th) { padding: 0.6mm 1mm; }
table:has(tr > :nth-child(17)) { font-size: 0.62em; } table:has(tr > :nth-child(17)) :is(td, th) { padding: 0.3mm 0.4mm; }
table:has(tr > :nth-child(29)) { font-size: 0.46em; } table:has(tr > :nth-child(29)) :is(td, th) { padding: 0.2mm; }
.options {
  list-style: none; padding: 0; display: grid; grid-template-columns: repeat(var(--columns), minmax(0, 1fr)); gap: {{ 1.4 * $room }}mm 4mm;
}
.options li { display: flex; gap: 0.45em; break-inside: avoid; } .options .long { break-inside: auto; }
.options .option { min-width: 0; overflow-wrap: anywhere; } .options .option > p { margin: 0; }
.box { flex: none; width: 0.85em; height: 0.85em; border: 0.7pt solid #000; margin-top: 0.28em; }
.letter { flex: none; font-weight: 600; }
.gap {
  display: inline-block; border-bottom: 0.6pt solid #000; height: {{ 1.15 + 0.35 * $room }}em; vertical-align: baseline; max-width: 100%;
}
.gap-number { font-size: 0.65em; margin-right: 0.15em; }
.pick { white-space: normal; } .pick .or { color: #666; }
.bank { list-style: none; display: flex; flex-wrap: wrap; gap: 1.5mm 3mm; padding: 2mm 3mm; border: 0.5pt solid #666; break-inside: avoid; }
.bank li { padding: 0 2mm; } .bank .times { color: #444; font-size: 0.8em; }
svg.picture { display: block; max-width: 100%; height: auto; break-inside: avoid; font-family: inherit; }
.on-picture { margin: 1.5mm 0; break-inside: avoid; } .on-picture figcaption { font-size: 0.85em; margin: 1mm 0 0; }
.to-fill {
  list-style: none; padding: 0; display: grid; grid-template-columns: repeat(auto-fill, minmax(14em, 1fr)); gap: {{ 1.4 * $room }}mm 6mm;
}
.join { display: grid; grid-template-columns: 1fr 1fr; gap: 0 22mm; break-inside: avoid; }
.join ul { list-style: none; padding: 0; margin: 0; }
.join li { display: flex; gap: 0.45em; align-items: baseline; padding: {{ 1.1 * $room }}mm 0; } .join .option { flex: 1; }
.dot { flex: none; width: 0.5em; height: 0.5em; border: 0.7pt solid #000; align-self: center; }
.grid td { text-align: center; }
.grid thead td { border: 0; }
.grid th { font-weight: 400; text-align: left; }
.grid thead th { font-weight: 600; vertical-align: bottom; }
.grid .box { display: inline-block; margin: 0; }
.order { list-style: none; padding: 0; }
.order li { display: flex; gap: 0.6em; padding: 0.6mm 0; }
.rank { flex: none; min-width: 2.2em; text-align: right; }
.ends { margin: 0 0 1mm; font-size: 0.85em; }
.picked, .amended { border: 0.5pt solid #666; padding: 2mm 3mm; }
.piece { border-bottom: 0.7pt dotted #000; }
.amended { line-height: {{ 2 + 0.4 * $room }}; }
.scale { padding: 3mm 4mm 0; break-inside: avoid; }
.scale ol { list-style: none; margin: 0; padding: 0; display: flex; justify-content: space-between; border-top: 0.8pt solid #000; }
.scale li { width: 0; display: flex; justify-content: center; padding-top: 1.4mm; position: relative; font-size: 0.8em; }
.scale li::before { content: ''; position: absolute; top: -1.2mm; height: 2.4mm; border-left: 0.8pt solid #000; }
.scale .ends { display: flex; justify-content: space-between; margin-top: 1mm; }
.opinion { display: flex; gap: 4mm; align-items: baseline; } .opinion .options { flex: 1; }
.sort { width: 100%; table-layout: fixed; }
.rule { border-bottom: 0.5pt solid #777; height: {{ 8.5 * min(1.2, max(0.9, $room)) }}mm; }
.rules { margin-bottom: 3mm; }
.space { display: block; width: 100%; margin: 2mm 0 3mm; } .box-space { border: 0.6pt solid #000; } .squares { overflow: hidden; }
.prompts { padding-left: 1.2em; }
.limit, .how { font-size: 0.85em; font-family: 'Atkinson Hyperlegible Next', sans-serif; }
.start { margin: 0 0 2mm; }
.paper + .paper { break-before: page; }
.for-markers { break-inside: avoid; }
.for-markers .asked { font-size: 0.92em; line-height: 1.35; }
.about { font-weight: 600; break-after: avoid; }
.for-markers .place { margin: 2mm 0 1mm; break-after: avoid; }
.for-markers ul, .for-markers ol { padding-left: 1.2em; }
.for-markers table { width: 100%; margin-bottom: 3mm; }
.for-markers th, .for-markers td { text-align: left; vertical-align: top; }
.for-markers td:last-child, .for-markers thead th:last-child { text-align: right; white-space: nowrap; }
.for-markers td > p { margin: 0; }
.for-markers tr { break-inside: avoid; }
.for-markers thead { display: table-header-group; }
.for-markers tbody th { font-weight: 600; width: 24%; }
.model { border-left: 2pt solid #999; padding-left: 4mm; margin: 0 0 4mm; }
.note { color: #444; font-style: italic; }
.how { margin: 1.5mm 0 1mm; }
.answers ul { list-style: none; padding: 0; margin: 0 0 1mm; }
.answers { display: flex; gap: 0.6em; }
.answers p { display: inline; margin: 0; }
.credit, .spoken, .gone { color: #444; } .gone { font-style: italic; }
var { font-style: normal; }
@@media screen {
  html { font-size: {{ $settings->size === 'large' ? '19px' : '15px' }}; background: #fff; }
  body { padding: 28px 32px; max-width: 210mm; margin: 0 auto; }
}
@@media screen and (max-width: 640px) { .options.many { grid-template-columns: repeat(auto-fit, minmax(min(100%, 9em), 1fr)); } }
</style>
</head>
<body>{!! $body !!}</body>
</html>
