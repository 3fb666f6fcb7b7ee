<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Held;
use WideQuarry\Tests\Support\KeptCases;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseConditions;
use WideQuarry\Tests\Support\ResponseProcessing;

// What every format keeps of every kind and way of marking: made here, from writers, readers and evaluators of the standards that share
// nothing with
// them; kept in docs/kept.json, which the help and docs/users/formats.md show. QUARRY_WRITE=1 writes both anew.

const KEPT_PICTURE = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

const FORMATS = ['qti30', 'qti22', 'qti21', 'qti12', 'cc13', 'pack'];

/**
 * What a question became in a package without our own files: its item, and how it is read back. @return array{string, PackageContents,
 * list<Notice>}
 */
function sentAway(Question $question, string $format): array
{
    $formats = Formats::standard(StandardKinds::all());
    $content = new PackageContents;
    $content->questions = [$question->toJson()];
    foreach (QuestionMedia::of($question) as $id) {
        $content->media[] = Medium::of($id, 'image/png', "$id.png", base64_decode(KEPT_PICTURE));
    }
    $file = (string) tempnam(sys_get_temp_dir(), 'kept');
    $notices = $formats->named($format)->write($content, $file);
    $item = '';
    if ($format !== 'pack') {
        $zip = new ZipArchive;
        $zip->open($file);
        for ($i = $zip->numFiles - 1; $i >= 0; $i--) {
            $name = (string) $zip->getNameIndex($i);
            str_contains($name, '.wide-quarry.json')
                ? $zip->deleteIndex($i)
                : str_ends_with($name, '.xml') && ! str_ends_with($name, 'imsmanifest.xml') && ($item = (string) $zip->getFromIndex($i));
        }
        $zip->close();
    }
    $found = PackageContents::collect($formats->for($source = new Source($file, 'kept.zip'))->read($source));
    unlink($file);

    return [$item, $found, $notices];
}

/** @return array{out: string, in: string, kind: string, said: list<string>} */
function kept(string $format, Question $question, array $responses): array
{
    [$item, $found, $notices] = sentAway($question, $format);
    $here = fn (Question $of, stdClass $response): float => (float) Exact::number(
        Exact::toPlaces((new Scorer)->score($of, new Attempt($response, Seed::of(1)))->exact, 4)->toBigRational(),
    );
    $losses = array_values(array_filter($notices, fn (Notice $notice): bool => $notice->severity === 'loss'));
    $read = Questions::read($found->questions[0]);
    [$out, $in] = [true, true];
    foreach ($responses as $response) {
        $score = $here($question, $response);
        $held = in_array($format, ['qti12', 'cc13'], true) ? Held::qti12($question, $response) : Held::qti($question, $response);
        if ($format === 'cc13') {
            // one response, by a name of its own
            $held = $held === [] ? [] : ['response1' => array_merge(...array_values($held))];
        }
        $there = match (true) {
            $format === 'pack' => $here($question, $response),
            $format === 'cc13' => (ResponseConditions::score($item, $held) / 100) * (float) Exact::number($question->points()),
            $format === 'qti12' => ResponseConditions::score($item, $held),
            default => ResponseProcessing::score($item, $held),
        };
        $out = $out && abs($there - $score) < 0.0011;
        $in = $in && abs($here($read, $format === 'pack' ? $response : Held::back($read, $held)) - $there) < 0.0011;
    }
    $byHand = array_filter($read->parts, fn ($part): bool => $part->scheme->value === 'person') !== [];
    $asks = $question->points()->isPositive();
    $wasByHand = array_filter($question->parts, fn ($part): bool => $part->kind?->hasRules() === false) !== []; // here, too
    // what is said to be kept is kept; what is not is told
    expect($out || $losses !== [])
        ->toBeTrue("$format changes marks and does not say so.")
        ->and($in || $byHand)
        ->toBeTrue("$format is read back with other marks: ".json_encode([$item, $found->questions[0]->parts ?? null]));

    return [
        'out' => $out && $losses === [] ? 'whole' : ($asks && $byHand && ! $out ? 'hand' : 'near'),
        'in' => ! $asks || $wasByHand ? 'whole' : ($byHand ? 'hand' : 'whole'),
        'kind' => implode('+', array_map(fn ($part): string => $part->kindName, $read->parts)),
        'said' => array_values(array_unique(array_map(fn (Notice $notice): string => $notice->message, $losses))),
    ];
}

it('keeps what the table says, of every kind, in every format', function (): void {
    $table = [];
    foreach (KeptCases::all() as ['kind' => $kind, 'by' => $by, 'question' => $question, 'responses' => $responses]) {
        $row = ['kind' => $kind, 'by' => $by, 'formats' => []];
        foreach (FORMATS as $format) {
            $row['formats'][$format] = kept($format, $question, $responses);
        }
        $table[] = $row;
    }
    $kinds = array_flip(array_values(array_unique(array_column($table, 'kind'))));
    usort($table, fn (array $a, array $b): int => $kinds[$a['kind']] <=> $kinds[$b['kind']]);
    $docs = dirname(__DIR__, 3).'/docs';
    foreach (
        ["$docs/kept.json" => Json::encode(['formats' => FORMATS, 'rows' => $table])."\n", "$docs/users/formats.md" => keptPage($table)] as $file => $written
    ) {
        getenv('QUARRY_WRITE') !== false && file_put_contents($file, $written);
        expect(is_file($file) ? (string) file_get_contents($file) : '')->toBe(
            $written,
            basename($file).' is not what the formats do now. Run this test with QUARRY_WRITE=1, and look at what changed.',
        );
    }
});

/**
 * The table for docs/. @param  list<array{kind: string, by: string, formats: array<string, array{out: string, kind: string, said:
 * list<string>}>}>  $table
 */
function keptPage(array $table): string
{
    $titles = [
        'qti30' => 'QTI 3.0',
        'qti22' => 'QTI 2.2',
        'qti21' => 'QTI 2.1',
        'qti12' => 'QTI 1.2.1',
        'cc13' => 'Common Cartridge 1.3',
        'pack' => 'our own',
    ];
    $words = ['whole' => 'fully', 'near' => 'approximately', 'hand' => 'manual marking'];
    $page =
        "# What each format preserves\n\nGenerated by `core/tests/Interchange/KeptTest.php`; do not edit. *Fully*: it scores the same there, and after re-import. *Approximately*:\nsomething is expressed differently there, as listed below. *Manual marking*: included, but needs manual marking. The same table is in the\napp, under *What each format preserves*.\n\n".
        '| kind | marking | '.
        implode(' | ', $titles).
        " |\n|---|---|".
        str_repeat('---|', count($titles)).
        "\n";
    $said = [];
    foreach ($table as $row) {
        $page .=
            "| {$row['kind']} | {$row['by']} | ".
            implode(
                ' | ',
                array_map(
                    fn (string $format): string => $words[$row['formats'][$format]['out']].
                        ($row['formats'][$format]['kind'] === $row['formats']['pack']['kind']
                            ? ''
                            : ' ('.str_replace('+', ' + ', $row['formats'][$format]['kind'] ?: 'page').')'),
                    FORMATS,
                ),
            ).
            " |\n";
        foreach (FORMATS as $format) {
            foreach ($row['formats'][$format]['said'] as $sentence) {
                $said[$sentence][$titles[$format]] = true;
            }
        }
    }
    $page .= "\nIn brackets: the kind it comes back as, where that is another.\n\n## What is said otherwise\n\n";
    foreach ($said as $sentence => $formats) {
        $page .= "- $sentence (".implode(', ', array_keys($formats)).")\n";
    }

    return $page;
}
