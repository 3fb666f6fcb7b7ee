<?php

declare(strict_types=1);

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti12\ItemWriter;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseConditions;

/** A response as a system of that time would hold it: a row or a gap is a response of its own. @return array<string, list<string>> */
function in12(Question $question, stdClass $response): array
{
    $held = [];
    foreach ($question->parts as $part) {
        $given = $response->{$part->id} ?? null;
        if ($given === null) {
            continue;
        }
        $pairs = match ($part->kindName) {
            'match' => $given->pairs,
            'tiles' => array_map(
                fn (string $tile, string $gap): array => [$gap, $tile],
                (array) $given->gaps,
                array_map(strval(...), array_keys((array) $given->gaps)),
            ),
            'group' => array_merge(
                ...array_map(
                    fn (array $items, int|string $group): array => array_map(fn (string $item): array => [$item, (string) $group], $items),
                    (array) $given->groups,
                    array_keys((array) $given->groups),
                ),
            ),
            default => null,
        };
        foreach ($pairs ?? [] as [$first, $second]) {
            $held[count($question->parts) > 1 ? "$part->id.$first" : $first][] = $second;
        }
        if ($pairs === null) {
            $held[$part->id] = match ($part->kindName) {
                'order' => $given->sequence,
                'slider' => [(string) (float) $given->value],
                'number' => [(string) numberTyped($given->text)],
                'text' => [trim($given->text)],
                default => $given->chosen ?? [],
            };
        }
    }

    return $held;
}

it('writes marking for QTI 1.2.1 that an evaluator of the standard agrees with, and reads it back so', function (string $bank): void {
    $judged = 0;
    foreach (demo($bank)->questions as $json) {
        $question = Questions::read($json);
        $writer = new ItemWriter([]);
        $xml = '<questestinterop>'.$writer->write($question, 'i1').'</questestinterop>';
        $losses = array_diff(array_map(fn (Notice $notice): string => $notice->code, $writer->notices()), [
            'qti12.hints',
            'qti12.feedback_time',
            'qti12.layout',
            'pairs.limits',
            'highlight.list',
            'qti12.feedback',
        ]);
        $found = read12($xml);
        expect($found->questions)->toHaveCount(1);
        $read = Questions::read($found->questions[0]);
        foreach ($losses === [] ? $question->record->specimens : [] as $specimen) {
            if (
                $specimen->hints + $specimen->earlierWrong > 0 ||
                preg_match('/[^ -~]/', json_encode($specimen->response, JSON_UNESCAPED_UNICODE)) === 1
            ) {
                continue;
            }
            $held = in12($question, $specimen->response);
            $score = (float) Exact::number(Exact::of($specimen->score));
            expect(abs(ResponseConditions::score($xml, $held) - $score))->toBeLessThan(
                0.006,
                "$question->title: $specimen->note ".json_encode($held),
            );
            $judged++;
            // what was read back is scored by what it was read as
            $again = new stdClass();
            foreach ($read->parts as $part) {
                $pairs = [];
                $firsts = match ($part->kindName) {
                    'match' => $part->settings->left,
                    'group' => $part->settings->items,
                    default => [],
                };
                foreach (
                    array_intersect_key($held, array_flip(array_map(fn ($first): string => $first->id, $firsts))) as $first => $seconds
                ) {
                    array_push($pairs, ...array_map(fn (string $second): array => [(string) $first, $second], $seconds));
                }
                $own = $held[$part->id] ?? [];
                if ($pairs !== [] || $own !== []) {
                    $again->{$part->id} = match ($part->kindName) {
                        'match' => (object) ['pairs' => $pairs],
                        'group' => WideQuarry\Tests\Support\Pairs::given(
                            'group',
                            array_map(fn (array $pair): string => implode(' ', $pair), $pairs),
                        )->p1,
                        'order' => (object) ['sequence' => $own],
                        'slider' => (object) ['value' => $own[0]],
                        'text', 'number' => (object) ['text' => $own[0]],
                        default => (object) ['chosen' => $own],
                    };
                }
            }
            expect(
                abs(
                    (float) Exact::number(
                        Exact::toPlaces((new Scorer)->score($read, new Attempt($again, Seed::of(1)))->exact, 4)->toBigRational(),
                    ) - $score,
                ),
            )->toBeLessThan(0.006, "$question->title read back: $specimen->note ".json_encode([$again, $found->notices]));
        }
    }
    expect($judged)->toBeGreaterThan(4);
})->with(['rocks', 'maps', 'water', 'field-maths', 'hazards', 'field-notes', 'evidence']);

it('shows the same feedback in QTI 1.2.1 as here', function (string $bank): void {
    $judged = 0;
    foreach (demo($bank)->questions as $json) {
        $question = Questions::read($json);
        $writer = new ItemWriter([]);
        $xml = '<questestinterop>'.$writer->write($question, 'i1').'</questestinterop>';
        $losses = array_diff(array_map(fn (Notice $notice): string => $notice->code, $writer->notices()), [
            'qti12.hints',
            'qti12.layout',
            'pairs.limits',
            'highlight.list',
        ]);
        if ($losses !== [] || ! str_contains($xml, 'displayfeedback')) {
            continue;
        }
        foreach ($question->record->specimens as $specimen) {
            if (
                array_filter(
                    (array) $specimen->response,
                    fn (stdClass $one): bool => trim($one->text ?? 'x') === '' || preg_match('/[^ -~]/', $one->text ?? '') === 1,
                ) === []
            ) {
                expect(ResponseConditions::feedback($xml, in12($question, $specimen->response)))->toBe(
                    shownHere($question, $specimen->response),
                    "$question->title: $specimen->note",
                );
                $judged++;
            }
        }
    }
    expect($judged)->toBeGreaterThan(0);
})->with(['rocks', 'maps', 'water', 'field-maths', 'hazards', 'field-notes', 'evidence']);
