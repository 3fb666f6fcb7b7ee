<?php

declare(strict_types=1);

// Writes the typed exams of demo/files/documents that no hand typed: some habits of the benchmark, and one long exam with pictures.

use App\Infrastructure\OfficePrograms;
use Tests\Bench\Documents\Habits;
use Tests\Bench\Documents\TypedExam;
use Tests\Bench\Documents\Written;

require __DIR__.'/../../../vendor/autoload.php';

$folder = __DIR__.'/../../../demo/files/documents';
$pool = json_decode((string) file_get_contents(__DIR__.'/questions.json'), true);
$names = [
    'highlighted' => 'highlighted-key.docx',
    'boxes' => 'ticked-boxes.docx',
    'a key as a table' => 'key-as-table.docx',
    'keys by part' => 'key-after-each-part.docx',
    'coloured, numbers by the word processor, ODT' => 'coloured-key.odt',
    'coloured in RTF' => 'coloured-key.rtf',
    'French' => 'sciences-de-la-terre.docx',
];
foreach (Habits::all() as $i => $habit) {
    if (isset($names[$habit->name])) {
        Written::to("$folder/{$names[$habit->name]}", new TypedExam($habit, $pool, 900 + $i), $habit->format);
    }
}

/** A bar chart, drawn so that the same bytes come out each time. */
function chart(array $values): string
{
    $image = imagecreate(320, 180);
    assert($image !== false);
    imagecolorallocate($image, 255, 255, 255);
    $ink = (int) imagecolorallocate($image, 31, 37, 40);
    $bar = (int) imagecolorallocate($image, 14, 106, 91);
    foreach ($values as $at => $value) {
        imagefilledrectangle($image, 40 + $at * 55, 160 - $value, 75 + $at * 55, 160, $bar);
        imagestring($image, 3, 52 + $at * 55, 163, chr(65 + $at), $ink);
    }
    imageline($image, 30, 160, 310, 160, $ink);
    imageline($image, 30, 10, 30, 160, $ink);
    ob_start();
    imagepng($image);

    return (string) ob_get_clean();
}

$html = '<h1>Earth and physics: end of year exam</h1><p>Name: ____________</p>';
$asked = [...$pool['choice'], ...array_slice($pool['several'], 0, 4)];
$pictures = ['rain.png' => chart([40, 90, 140, 60, 25]), 'heights.png' => chart([20, 60, 100, 140, 50])];
$number = 0;
foreach ($asked as $at => [$stem, $options, $right]) {
    if ($at === 20) {
        $html .= '<p>Questions 21 and 22 refer to the graph of the rain in five towns.</p><p><img src="rain.png" alt="Bars: A 40, B 90, C 140, D 60, E 25"></p>';
        [$stem, $options, $right] = ['Which town has the most rain?', ['A', 'B', 'C', 'E'], [2]];
    } elseif ($at === 21) {
        [$stem, $options, $right] = ['Which town has about half as much rain as C?', ['A', 'B', 'D', 'E'], [2]];
    } elseif ($at === 30) {
        $html .= '';
        $stem = '<img src="heights.png" alt="Bars: A 20, B 60, C 100, D 140, E 50"> Which of the five hills is the highest?';
        [$options, $right] = [['hill A', 'hill B', 'hill D', 'hill E'], [2]];
    }
    $number++;
    $html .= "<p>$number. $stem</p>";
    foreach ($options as $i => $option) {
        $text = chr(97 + $i).') '.htmlspecialchars($option);
        $html .= '<p>'.(in_array($i, $right, true) ? "<strong>$text</strong>" : $text).'</p>';
    }
}
file_put_contents("$folder/end-of-year-exam.docx", (new OfficePrograms)->fromHtml("$html<p>Good luck!</p>", 'docx', $pictures));
echo implode("\n", array_map(basename(...), glob("$folder/*") ?: []))."\n";
