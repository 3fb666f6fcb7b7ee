<?php

declare(strict_types=1);

// How much of typed exams is recognised, by the habit of who typed them: questions found, keys right, keys that are wrong and said to be
// sure, paragraphs where they belong; and how long long ones take. --set=develop (the default) names what went wrong; --set=measure only counts.

use Tests\Bench\Documents\Habits;
use Tests\Bench\Documents\Judged;
use Tests\Bench\Documents\Speed;
use Tests\Bench\Documents\TypedExam;
use Tests\Bench\Documents\Written;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '1G');

$set = in_array('--set=measure', $argv, true) ? 'measure' : 'develop';
$only = array_values(preg_grep('/^--habit=/', $argv) ?: [])[0] ?? '';
$pool = json_decode((string) file_get_contents(__DIR__.'/Documents/questions.json'), true);
$folder = sys_get_temp_dir().'/typed-exams-'.getmypid();
mkdir($folder);
$sum = new Judged;
printf("%-48s %9s %9s %6s %12s\n", "$set: habit", 'questions', 'keys', 'wrong', 'paragraphs');
foreach (Habits::all() as $i => $habit) {
    if ($only !== '' && ! str_contains($habit->name, substr($only, 8))) {
        continue;
    }
    $exam = new TypedExam($habit, $pool, ($set === 'measure' ? 5000 : 100) + $i);
    $file = "$folder/exam-$i.$habit->format";
    Written::to($file, $exam, $habit->format);
    $judged = Judged::of($exam, $file);
    foreach (['questions', 'found', 'keys', 'right', 'wronglySure', 'paragraphs', 'placed'] as $count) {
        $sum->$count += $judged->$count;
    }
    printf(
        "%-48s %4d/%4d %4d/%4d %6d %5d/%6d\n",
        mb_strimwidth("$habit->name ($habit->format)", 0, 48, '…'),
        $judged->found, $judged->questions, $judged->right, $judged->keys, $judged->wronglySure, $judged->placed, $judged->paragraphs,
    );
    foreach ($set === 'develop' ? array_slice($judged->faults, 0, $only === '' ? 4 : 60) : [] as $fault) {
        echo "    $fault\n";
    }
}
array_map(unlink(...), in_array('--keep', $argv, true) ? [] : (glob("$folder/*") ?: []));
in_array('--keep', $argv, true) ? print("$folder\n") : rmdir($folder);
if ($only === '') {
    Speed::print($pool);
}
printf(
    "all: %d questions, %.1f %% found; %.1f %% of keys right, %d wrong ones said to be sure; %.1f %% of paragraphs where they belong\n",
    $sum->questions,
    100 * $sum->found / max(1, $sum->questions),
    100 * $sum->right / max(1, $sum->keys),
    $sum->wronglySure,
    100 * $sum->placed / max(1, $sum->paragraphs),
);
