<?php

declare(strict_types=1);

use WideQuarry\Content\Gaps;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Question\Specimen;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Standards\Alignment;
use WideQuarry\Tests\Support\Held;
use WideQuarry\Tests\Support\Packages;
use WideQuarry\Tests\Support\Questions;

// Every demo specimen in every open format, read as a stranger reads it who knows nothing of our own JSON. What scores otherwise there has
// to be announced before it is sent, for the right reason: each code below says when it is one. The counts are in docs/stranger.md,
// compared by bin/test --long.

const OPEN_FORMATS = [
    'qti30' => 'QTI 3.0',
    'qti22' => 'QTI 2.2',
    'qti21' => 'QTI 2.1',
    'qti12' => 'QTI 1.2.1',
    'cc13' => 'Common Cartridge 1.3',
];

/** Whether a question has a typed rule of one of these ways. */
function asksFor(Question $question, string ...$answers): bool
{
    foreach ($question->parts as $part) {
        foreach ($part->key->rules as $rule) {
            if (in_array($rule->on->answer ?? null, $answers, true)) {
                return true;
            }
        }
    }

    return false;
}

/** @return array<string, Closure(Question, Specimen): bool> code → whether it explains that a specimen scores otherwise */
function reasons(): array
{
    $has = fn (string ...$kinds): Closure => fn (Question $question): bool => array_filter(
        $question->parts,
        fn ($part): bool => in_array($part->kindName, $kinds, true),
    ) !== [];
    $by = fn (string ...$schemes): Closure => fn (Question $question): bool => array_filter(
        $question->parts,
        fn ($part): bool => in_array($part->scheme->value, $schemes, true),
    ) !== [];
    $asks = fn (string ...$answers): Closure => fn (Question $question): bool => asksFor($question, ...$answers);
    $says = fn (string ...$json): Closure => fn (Question $question): bool => array_filter(
        $json,
        fn (string $one): bool => str_contains((string) json_encode($question->toJson()), $one),
    ) !== [];
    $varies = fn (Question $question): bool => $question->variables->list !== [];

    return [
        'amend.by_hand' => $has('amend'),
        'label.typed' => $says('"by":"typing"'),
        'point.by_hand' => $has('point'),
        'graph.described' => $has('graph'),
        'graph.points' => $has('graph'),
        'qti.instead' => fn (Question $question, Specimen $one): bool => isset($one->response->p2),
        'text.slips' => $asks('slips'),
        'text.pattern' => $asks('shape'),
        'text.word_bounds' => $asks('holds', 'holds_all', 'holds_any'),
        'text.article' => $says('"article":"ignore"'),
        'text.punctuation' => $says('"punctuation":"ignore"'),
        'text.accents' => $says('"accents":"ignore"'),
        'text.spaces' => $says('"spaces":"ignore"'),
        'qti12.templates' => $varies,
        'cc.templates' => $varies,
        'order.scheme' => $by('positions', 'pairs', 'joins', 'chain'),
        'order.given' => $has('order'),
        'order.equal_ranks' => $has('order'),
        'number.written' => $says('"written":true'),
        'number.units' => $says('"units"'),
        'number.figures' => $says('"figures"'),
        'qti.templates' => $varies,
        'pairs.limits' => $says('"uses":', '"max":'),
        'pairs.cost_of_extra' => $by('each'),
        'choice.cost_of_extra' => $by('each'),
        'qti12.hints' => fn (Question $question, Specimen $one): bool => $one->hints > 0,
        'cc.hints' => fn (Question $question, Specimen $one): bool => $one->hints > 0,
        'cc.kind' => fn (Question $question): bool => count($question->parts) === 1,
        'cc.several' => fn (Question $question): bool => count($question->parts) > 1,
        'cc.all_or_nothing' => $by('each', 'balance', 'judge', 'weights'),
        'cc.number' => $has('number', 'slider'),
        'cc.scale' => $has('slider'),
        'cc.rule' => $asks('shape', 'otherwise', 'range', 'value'),
        'cc.below' => $says('"-'),
    ];
}

/** @return array{Question|null, list<string>} how it is read back, and the losses that were announced */
function asAStranger(Question $question, array $stimuli, array $media, string $format): array
{
    $content = new PackageContents;
    $content->questions = [$question->toJson()];
    $content->stimuli = $stimuli;
    $content->media = $media;
    $file = (string) tempnam(sys_get_temp_dir(), 'far');
    $notices = Formats::standard(StandardKinds::all())->named($format)->write($content, $file);
    $zip = new ZipArchive;
    $zip->open($file);
    for ($i = $zip->numFiles - 1; $i >= 0; $i--) {
        str_contains((string) $zip->getNameIndex($i), '.wide-quarry.json') && $zip->deleteIndex($i);
    }
    $zip->close();
    $found = Packages::of($file);
    unlink($file);
    $losses = array_filter($notices, fn (Notice $notice): bool => $notice->severity === 'loss');

    return [
        $found->questions === [] ? null : Questions::read($found->questions[0]),
        array_values(array_unique(array_map(fn (Notice $notice): string => $notice->code, $losses))),
    ];
}

/** What a specimen earns as it is read back; null where a person has to mark it. */
function earnedThere(Question $question, ?Question $read, Specimen $one, string $format): ?float
{
    $held = in_array($format, ['qti12', 'cc13'], true) ? Held::qti12($question, $one->response) : Held::qti($question, $one->response);
    if ($format === 'cc13') {
        $held = $held === [] ? [] : ['response1' => array_merge(...array_values($held))];
    }
    if ($read === null) {
        return null;
    }
    $back = Held::back($read, $held);
    foreach ($question->parts as $i => $part) {
        $id = match ($format) {
            'cc13' => 'response1',
            'qti12' => $part->id,
            default => 'RESPONSE'.($i === 0 ? '' : $i + 1),
        };
        $kind = $read->part($id)?->kindName;
        if (in_array($kind, ['text', 'number', 'essay'], true) && isset($one->response->{$part->id}->text)) {
            // exactly as it was typed
            $back->{$id} = (object) ['text' => $one->response->{$part->id}->text];
        }
        // a menu for each gap
        foreach ($part->kindName === 'tiles' && $kind === 'menu' ? (new Gaps($question->body))->of($part->id) : [] as $n => $gap) {
            $tile = $one->response->{$part->id}->gaps->{$gap} ?? null;
            $tile === null || ($back->{$n === 0 ? $id : "{$id}_".($n + 1)} = (object) ['chosen' => [$tile]]);
        }
    }
    $result = (new Scorer)->score($read, new Attempt($back, Seed::of($one->seed), $one->earlierWrong, $one->hints));

    return $result->needsMarking ? null : (float) Exact::number($result->score);
}

it('announces every specimen that a stranger scores otherwise, for the right reason', function (): void {
    $counts = $codes = [];
    $total = 0;
    $unexplained = [];
    // the page needs every specimen; some of each bank show that nothing is left unsaid
    $all = getenv('QUARRY_LONG') || getenv('QUARRY_WRITE') !== false;
    foreach (glob(dirname(__DIR__, 3).'/database/demo/*.json') ?: [] as $bank) {
        $demo = Json::decode((string) file_get_contents($bank));
        $stimuli = array_column($demo->stimuli ?? [], null, 'id');
        $media = demo(basename($bank, '.json'))->media;
        foreach ($demo->questions ?? [] as $n => $json) {
            if (! $all && $n % 5 !== 0) {
                continue;
            }
            $question = Questions::read($json);
            $specimens = $question->record->specimens;
            if ($specimens === []) {
                continue;
            }
            $total += count($specimens);
            $named = QuestionMedia::of($question);
            $shown = array_values(array_filter($media, fn ($one): bool => in_array($one->id, $named, true)));
            $scores = array_map(
                fn (Specimen $one) => (new Scorer)->score(
                    $question,
                    new Attempt($one->response, Seed::of($one->seed), $one->earlierWrong, $one->hints),
                ),
                $specimens,
            );
            foreach (array_keys(OPEN_FORMATS) as $format) {
                [$read, $losses] = asAStranger(
                    $question,
                    array_values(array_intersect_key($stimuli, array_flip($question->stimuli))),
                    $shown,
                    $format,
                );
                foreach ($specimens as $at => $one) {
                    $here = $scores[$at];
                    $there = earnedThere($question, $read, $one, $format);
                    if ($here->needsMarking && $there === null) {
                        $counts[$format] = ($counts[$format] ?? 0) + 1; // a person marks it here and there

                        continue;
                    }
                    if ($there !== null && abs($there - (float) Exact::number($here->score)) < 0.006) {
                        $counts[$format] = ($counts[$format] ?? 0) + 1;

                        continue;
                    }
                    $why = array_values(
                        array_filter($losses, fn (string $code): bool => isset(reasons()[$code]) && reasons()[$code]($question, $one)),
                    );
                    foreach ($why as $code) {
                        $codes[$code][$format] = ($codes[$code][$format] ?? 0) + 1;
                    }
                    $why === [] &&
                        ($unexplained[] =
                            "$format $question->title ".
                            json_encode($one->response).
                            " {$here->score} here, ".
                            ($there ?? 'by hand').
                            ' there; said: '.
                            implode(', ', $losses));
                }
            }
        }
    }
    expect($unexplained)->toBe([]);
    if (! $all) {
        return;
    }
    $page = dirname(__DIR__, 3).'/docs/stranger.md';
    $written = strangersPage($total, $counts, $codes);
    getenv('QUARRY_WRITE') !== false && file_put_contents($page, $written);
    expect(is_file($page) ? (string) file_get_contents($page) : '')->toBe(
        $written,
        'docs/stranger.md is not what the formats do now. Run this test with QUARRY_WRITE=1, and look at what changed.',
    );
});

/**
 * @param  array<string, int>  $counts
 * @param  array<string, array<string, int>>  $codes
 */
function strangersPage(int $total, array $counts, array $codes): string
{
    ksort($codes);
    $page =
        "# What a stranger reads\n\nMade by `core/tests/Interchange/StrangerTest.php`; do not edit. The demo banks hold $total specimens: ".
            "answers with the\nscore their author expects. Each question is sent out in every open format, our own JSON beside it is taken ".
            "away, and the file is\nread back. So many specimens then score the same:\n\n| format | the same | of |\n|---|---|---|\n";
    foreach (OPEN_FORMATS as $format => $title) {
        $page .= "| $title | ".($counts[$format] ?? 0)." | $total |\n";
    }
    $page .=
        "\nEvery other one is announced before the file is written. The reasons, with the number of specimens (one may have ".
            "several):\n\n| code | ".
        implode(' | ', OPEN_FORMATS).
        " |\n|---|".
        str_repeat('---|', count(OPEN_FORMATS)).
        "\n";
    foreach ($codes as $code => $per) {
        $page .=
            "| `$code` | ".
            implode(' | ', array_map(fn (string $format): string => (string) ($per[$format] ?? ''), array_keys(OPEN_FORMATS))).
            " |\n";
    }

    return $page;
}

it('sends standards with their identifiers, and a stranger brings them back', function (string $format, string $relation, string $code): void {
    $standards = array_map(
        fn (string $letter, string $how): array => [
            'framework' => 'Earth',
            'code' => "E.$letter",
            'statement' => "00000000-0000-4000-8000-00000000000$letter",
            ...$how === '' ? [] : ['relation' => $how],
        ],
        ['a', 'b'],
        ['', 'touches'],
    );
    $question = Questions::of([Questions::choice(['A' => '1', 'B' => ''])], ['record' => ['standards' => $standards]]);
    [$read, $losses] = asAStranger($question, [], [], $format);
    $there = array_map(
        fn (Alignment $one): string => "$one->framework $one->code $one->statement $one->relation",
        $read?->record->classification->standards ?? [],
    );
    expect($there)->toBe(array_map(fn (array $one): string => "Earth $one[code] $one[statement] $relation", $standards))
        ->and($losses)->toContain($code);
})->with([
    ['qti30', 'assesses', 'standards.touches'],
    ['qti22', 'assesses', 'standards.touches'],
    ['qti21', 'assesses', 'standards.touches'],
    ['qti12', 'assesses', 'standards.touches'],
    ['cc13', 'touches', 'standards.left_out'],
]);
