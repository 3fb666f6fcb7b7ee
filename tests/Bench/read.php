<?php

declare(strict_types=1);

// Reading a QTI 3.0 package of 5,000 questions (20,000 with --large, for its memory), beside parsing the same XML and nothing else.

use Tests\Bench\Bench;
use Tests\Bench\Packages;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\Parts;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '2G');

$count = in_array('--large', $argv, true) ? 20_000 : 5_000;
$formats = Formats::standard(Parts::standard());

$file = Packages::strangers($count);
$documents = Packages::documents($file);
$read = 0;
$bench = new Bench;
$bench->state('package', sprintf('%s questions, %.1f MB of XML', number_format($count), array_sum(array_map(strlen(...), $documents)) / 1e6));
$bench->compare('read QTI 3.0', function () use ($formats, $file, &$read): void {
    $source = new Source($file, 'bench.zip');
    $read = 0;
    foreach ($formats->for($source)->read($source) as $thing) {
        $read += $thing instanceof stdClass && $thing->type === 'question' ? 1 : 0;
    }
}, function () use ($documents): void {
    foreach ($documents as $xml) {
        (new DOMDocument)->loadXML($xml);
    }
}, 25, $count);
if ($read !== $count) {
    throw new LogicException("$read of $count were read.");
}
unset($documents);
// memory of the reading alone, in a process of its own
$code = 'require $argv[1]; $s = new WideQuarry\Interchange\Source($argv[2], "x.zip"); foreach (WideQuarry\Interchange\Formats::standard(WideQuarry\Parts\Parts::standard())->for($s)->read($s) as $t); echo memory_get_peak_usage(true);';
$peak = (int) shell_exec(escapeshellarg(PHP_BINARY).' -d memory_limit=2G -r '.escapeshellarg($code).' '.escapeshellarg(__DIR__.'/../../vendor/autoload.php').' '.escapeshellarg($file));
$bench->state('memory of the reading', sprintf('%.0f MB at most', $peak / 1e6));
unlink($file);
exit($bench->end());
