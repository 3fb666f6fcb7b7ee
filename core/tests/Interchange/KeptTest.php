<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Held;
use WideQuarry\Tests\Support\KeptCases;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseConditions;
use WideQuarry\Tests\Support\ResponseProcessing;

// What every format keeps of every kind and way of marking: made here, from writers, readers and evaluators of the standards that share nothing with
// them; kept in docs/kept.json, which the help and docs/users/formats.md show. QUARRY_WRITE=1 writes both anew.

const FORMATS = ['qti30', 'qti22', 'qti21', 'qti12', 'cc13', 'pack'];

/** What a question became in a package without our own files: its item, and how it is read back. @return array{string, Found, list<Notice>} */
function sentAway(Question $question, string $format): array
{
    $formats = Formats::standard(Parts::standard());
    $content = new Found;
    $content->questions = [$question->toJson()];
    $file = (string) tempnam(sys_get_temp_dir(), 'kept');
    $notices = $formats->named($format)->write($content, $file);
    $item = '';
    if ($format !== 'pack') {
        $zip = new ZipArchive;
        $zip->open($file);
        for ($i = $zip->numFiles - 1; $i >= 0; $i--) {
            $name = (string) $zip->getNameIndex($i);
            str_contains($name, '.wide-quarry.json') ? $zip->deleteIndex($i) : (str_ends_with($name, '.xml') && ! str_ends_with($name, 'imsmanifest.xml') && $item = (string) $zip->getFromIndex($i));
        }
        $zip->close();
    }
    $found = Found::collect($formats->for($source = new Source($file, 'kept.zip'))->read($source));
    unlink($file);

    return [$item, $found, $notices];
}

/** @return array{out: string, in: string, kind: string, said: list<string>} */
function kept(string $format, Question $question, array $responses): array
{
    [$item, $found, $notices] = sentAway($question, $format);
    $here = fn (Question $of, stdClass $response): float => (float) Exact::number(Exact::toPlaces((new Scorer)->score($of, new Attempt($response, Seed::of(1)))->exact, 4)->toBigRational());
    $losses = array_values(array_filter($notices, fn (Notice $notice): bool => $notice->severity === 'loss'));
    $read = Questions::read($found->questions[0]);
    [$out, $in] = [true, true];
    foreach ($responses as $response) {
        $score = $here($question, $response);
        $held = in_array($format, ['qti12', 'cc13'], true) ? Held::qti12($question, $response) : Held::qti($question, $response);
        if ($format === 'cc13') { // one response, by a name of its own
            $held = $held === [] ? [] : ['response1' => array_merge(...array_values($held))];
        }
        $there = match (true) {
            $format === 'pack' => $here($question, $response),
            $format === 'cc13' => ResponseConditions::score($item, $held) / 100 * (float) Exact::number($question->points()),
            $format === 'qti12' => ResponseConditions::score($item, $held),
            default => ResponseProcessing::score($item, $held),
        };
        $out = $out && abs($there - $score) < 0.0011;
        $in = $in && abs($here($read, $format === 'pack' ? $response : Held::back($read, $held)) - $there) < 0.0011;
    }
    $byHand = array_filter($read->parts, fn ($part): bool => $part->scheme->value === 'person') !== [];
    $asks = $question->points()->isPositive();
    // what is said to be kept is kept; what is not is told
    expect($out || $losses !== [])->toBeTrue("$format changes marks and does not say so.")
        ->and($in || $byHand)->toBeTrue("$format is read back with other marks: ".json_encode([$item, $found->questions[0]->parts ?? null]));

    return [
        'out' => $out && $losses === [] ? 'whole' : ($asks && $byHand && ! $out ? 'hand' : 'near'), 'in' => ! $asks ? 'whole' : ($byHand ? 'hand' : 'whole'),
        'kind' => implode('+', array_map(fn ($part): string => $part->kindName, $read->parts)), 'said' => array_values(array_unique(array_map(fn (Notice $notice): string => $notice->message, $losses))),
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
    $file = dirname(__DIR__, 3).'/docs/kept.json';
    $json = Json::pretty(['formats' => FORMATS, 'rows' => $table])."\n";
    if (getenv('QUARRY_WRITE') !== false) {
        file_put_contents($file, $json);
    }
    expect(is_file($file) ? (string) file_get_contents($file) : '')->toBe($json, 'docs/kept.json is not what the formats do now. Run this test with QUARRY_WRITE=1, and look at what changed.');
});
