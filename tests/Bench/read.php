<?php

declare(strict_types=1);

// Reading a package of 5,000 questions (20,000 with --large, for its memory) in each format, or those that are named, beside parsing the
// same XML and nothing else; and how long writing as many takes.

use Tests\Bench\Bench;
use Tests\Bench\Packages;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

require __DIR__.'/../../vendor/autoload.php';
ini_set('memory_limit', '2G');

$count = in_array('--large', $argv, true) ? 20_000 : 5_000;
$formats = Formats::standard(StandardKinds::all());

const TITLES = [
    'qti30' => 'QTI 3.0',
    'qti22' => 'QTI 2.2',
    'qti21' => 'QTI 2.1',
    'qti12' => 'QTI 1.2.1',
    'cc13' => 'a cartridge',
    'pack' => 'our own',
];
$wanted = array_values(array_filter(array_slice($argv, 1), fn (string $flag): bool => isset(TITLES[$flag]))) ?: array_keys(TITLES);
$bench = new Bench(3);
foreach ($wanted as $name) {
    $file = Packages::strangers($count, $name);
    $documents = Packages::documents($file);
    $read = 0;
    $bench->state(
        TITLES[$name],
        sprintf('%s questions, %.1f MB', number_format($count), array_sum(array_map(strlen(...), $documents)) / 1e6),
    );
    $bench->compare(
        'read '.TITLES[$name],
        function () use ($formats, $file, &$read): void {
            $source = new Source($file, 'bench.zip');
            $read = 0;
            foreach ($formats->for($source)->read($source) as $thing) {
                $read += $thing instanceof stdClass && $thing->type === 'question' ? 1 : 0;
            }
        },
        function () use ($documents): void {
            foreach ($documents as $document) {
                str_starts_with($document, '<')
                    ? (new DOMDocument)->loadXML($document)
                    : array_map(json_decode(...), explode("\n", rtrim($document)));
            }
        },
        in_array($name, ['qti12', 'cc13'], true) ? 100 : 25,
        $count,
    ); // the keys of 1.2.1 and of cartridges are all tried out (decision 19)
    if ($read !== $count) {
        throw new LogicException("$read of $count were read of ".TITLES[$name].'.');
    }
    unset($documents);
    // memory of the reading alone, in a process of its own
    $code =
        'require $argv[1]; $s = new WideQuarry\Interchange\Source($argv[2], "x.zip"); foreach '.
            '(WideQuarry\Interchange\Formats::standard(WideQuarry\Parts\StandardKinds::all())->for($s)->read($s) as $t); echo '.
            'memory_get_peak_usage(true);';
    $peak = (int) shell_exec(
        escapeshellarg(PHP_BINARY).
            ' -d memory_limit=2G -r '.
            escapeshellarg($code).
            ' '.
            escapeshellarg(__DIR__.'/../../vendor/autoload.php').
            ' '.
            escapeshellarg($file),
    );
    $bench->state('memory of the reading', sprintf('%.0f MB at most', $peak / 1e6));
    unlink($file);
}
foreach ($wanted as $name) {
    $content = Packages::many($count);
    $out = (string) tempnam(sys_get_temp_dir(), 'bench');
    $begun = hrtime(true);
    $formats->named($name)?->write($content, $out);
    $bench->state('write '.TITLES[$name], sprintf('%s questions in %.1f s', number_format($count), (hrtime(true) - $begun) / 1e9));
    unlink($out);
}
exit($bench->end());
