<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

/** A length of 2.5 km: half for a wrong kind of unit, a quarter for none, three quarters for a wrong prefix. */
function measured(array $units = [], array $settings = [], array $rules = []): Question
{
    return Question::read(Json::decode(Json::encode([
        'format' => 'wide-quarry/question', 'version' => 1, 'id' => '0192f0c4-0000-7000-8000-0000000000ac', 'language' => 'en-GB',
        'body' => '<p>How far? <span data-part="p1"></span></p>',
        'parts' => [[
            'id' => 'p1', 'kind' => 'number', 'points' => 4,
            'settings' => [
                'units' => [
                    'policy' => 'required', 'unit' => 'km', 'wrong_credit' => '1/2', 'missing_credit' => '1/4', 'prefix_credit' => '3/4',
                    'missing_feedback' => ['html' => '<p>Which unit?</p>'], 'prefix_feedback' => ['html' => '<p>Kilo?</p>'], ...$units,
                ],
                ...$settings,
            ],
            'key' => ['rules' => [
                ['id' => 'r1', 'on' => ['answer' => 'value', 'value' => '2.5', 'tolerance' => ['kind' => 'percent', 'width' => '1']],
                    'credit' => '1', 'feedback' => ['html' => '<p>Yes.</p>']],
                ['id' => 'r2', 'credit' => '0', 'on' => ['answer' => 'value', 'value' => '5'],
                    'feedback' => ['html' => '<p>Halve it.</p>']],
                ...$rules,
            ]],
        ]],
    ])), StandardKinds::all());
}

/** @return array{float, list<string>, list<string>, string} points, feedback, steps, reason where it could not be read */
function answered(Question $question, array $response): array
{
    $attempt = Attempt::read(Fields::of(Json::decode(Json::encode(['response' => ['p1' => $response]])), '', ['response']));
    $part = (new Scorer)->score($question, $attempt)->parts[0];

    return [
        $part->score->toFloat(),
        array_column($part->feedback, 'of'),
        array_column($part->trace, 'step'),
        (string) ($part->trace[0]['reason'] ?? ''),
    ];
}

it('earns by the number and by its unit', function (string $typed, array $units, float $points, array $said): void {
    [$earned, $feedback] = answered(measured($units), ['text' => $typed]);
    expect([$earned, $feedback])->toBe([$points, $said]);
})->with([
    'the unit of the key' => ['2.5 km', [], 4.0, ['rule:r1']],
    'spelled out' => ['2.5 kilometres', [], 4.0, ['rule:r1']],
    'without a space' => ['2.5km', [], 4.0, ['rule:r1']],
    'another unit, converted' => ['2500 m', [], 4.0, ['rule:r1']],
    'a power of ten' => ['2.5×10³ m', [], 4.0, ['rule:r1']],
    'within the tolerance after converting' => ['1.56 mi', [], 4.0, ['rule:r1']],
    'no unit' => ['2.5', [], 1.0, ['rule:r1', 'unit:missing']],
    'no unit, where it is optional' => ['2.5', ['policy' => 'optional'], 4.0, ['rule:r1']],
    'no unit, and nothing for it' => ['2.5', ['missing_credit' => '0'], 0.0, ['unit:missing']],
    'a unit of another kind' => ['2.5 kg', [], 2.0, ['rule:r1']],
    'a wrong prefix' => ['2.5 m', [], 3.0, ['rule:r1', 'unit:prefix']],
    'a wrong number in another unit' => ['3000 m', [], 0.0, []],
    'a wrong number and no unit' => ['3', [], 0.0, ['unit:missing']],
    'a foreseen mistake in another unit' => ['5000 m', [], 0.0, ['rule:r2']],
    'another unit, refused' => ['2500 m', ['other' => 'refuse'], 0.0, []],
    'another unit, for part of it' => ['2500 m', ['other' => 'credit', 'other_credit' => '1/2'], 2.0, ['rule:r1']],
    'the same unit in other words is no other' => ['2.5 km', ['other' => 'refuse'], 4.0, ['rule:r1']],
]);

it('says in words what it did', function (): void {
    $attempt = fn (string $text): array => answered(measured(), ['text' => $text])[2];
    expect($attempt('2500 m'))->toBe(['number.read', 'unit.converted', 'rule.matched'])
        ->and($attempt('2.5'))->toBe(['number.read', 'unit.missing', 'rule.matched']);
    $trace = (new Scorer)->score(measured(), Attempt::read(Fields::of(
        Json::decode('{"response": {"p1": {"text": "2500 m"}}}'),
        '',
        ['response'],
    )))->parts[0]->trace;
    expect($trace[1])->toBe(['step' => 'unit.converted', 'from' => "2500\u{A0}m", 'to' => "2.5\u{A0}km"]);
});

it('cannot read some, and uses up no try', function (string $typed, string $reason): void {
    expect(answered(measured(), ['text' => $typed])[3])->toBe($reason);
})->with([
    ['2.5 foo', 'unit.unknown'],
    ['2.5 KM', 'unit.unknown'],
    ['5 m in', 'unit.ambiguous'],
    ['2 m ft', 'unit.mixed'],
    ['km', 'number.not_a_number'],
    ['about 2.5 km', 'number.not_a_number'],
]);

it('converts temperatures with their zero, and reads commas as the language does', function (): void {
    $question = measured(['unit' => '°C', 'policy' => 'required'], [], [
        ['id' => 'r3', 'on' => ['answer' => 'value', 'value' => '20'], 'credit' => '1'],
    ]);
    expect(answered($question, ['text' => '293.15 K'])[0])->toBe(4.0)->and(answered($question, ['text' => '68 °F'])[0])->toBe(4.0)
        ->and(answered($question, ['text' => '20 °C'])[0])->toBe(4.0)->and(answered($question, ['text' => '-253.15 °C'])[0])->toBe(0.0)
        ->and(answered(measured(), ['text' => '2,500 m'])[0])->toBe(4.0);
    $json = measured()->toJson();
    $json->language = 'de';
    expect(answered(Question::read($json, StandardKinds::all()), ['text' => '2,5 km'])[0])->toBe(4.0);
});

it('takes a unit that is chosen from a list', function (): void {
    $question = measured(['choices' => ['m', 'km', 'kg']]);
    expect(answered($question, ['text' => '2.5', 'unit' => 'km'])[0])->toBe(4.0)
        ->and(answered($question, ['text' => '2500', 'unit' => 'm'])[0])->toBe(4.0)
        ->and(answered($question, ['text' => '2.5', 'unit' => 'kg'])[0])->toBe(2.0)
        ->and(answered($question, ['text' => '2.5', 'unit' => ''])[0])->toBe(1.0);
});

it('counts significant figures for a share of their own', function (string $typed, array $figures, float $points, bool $said): void {
    $settings = ['figures' => ['digits' => 2, 'credit' => '1/2', 'feedback' => ['html' => '<p>Two figures.</p>'], ...$figures]];
    [$earned, $feedback] = answered(measured([], $settings), ['text' => $typed]);
    expect([$earned, in_array('figures', $feedback, true)])->toBe([$points, $said]);
})->with([
    'as asked' => ['2.5 km', [], 4.0, false],
    'one too many' => ['2.50 km', [], 2.0, true],
    'zeros that may be placeholders' => ['2500 m', [], 4.0, false],
    'zeros that count' => ['2500 m', ['zeros' => 'count'], 2.0, true],
    'both the unit and the figures' => ['2.50', [], 0.5, true],
    'a wrong answer is not told about figures' => ['3.00 km', [], 0.0, false],
]);

it('counts figures without a unit too', function (): void {
    $question = measured(['policy' => 'none'], ['figures' => ['digits' => 3, 'credit' => '1/2']]);
    expect(answered($question, ['text' => '2.50'])[0])->toBe(4.0)->and(answered($question, ['text' => '2.5'])[0])->toBe(2.0);
});

it('finds what is missing in the unit of a key', function (array $units, array $codes): void {
    $findings = array_filter((new Completeness)->findings(measured($units)), fn (Finding $one): bool => str_contains($one->path, 'units'));
    expect(array_map(fn (Finding $one): string => "$one->code $one->severity", array_values($findings)))->toBe($codes);
})->with([
    'nothing' => [[], []],
    'no unit' => [['unit' => ''], ['number.unit blocking']],
    'an unknown unit' => [['unit' => 'kms^'], ['number.unit blocking']],
    'an unknown choice' => [['choices' => ['km', 'foo']], ['number.unit blocking']],
    'the right one is no choice' => [['choices' => ['m', 'mm']], ['number.unit_choice warning']],
    'an unreadable share' => [['wrong_credit' => 'half'], ['value.unreadable blocking']],
    'nothing asked' => [['policy' => 'none', 'unit' => 'foo'], []],
]);

it('shows learners the units to choose from, and nothing of the key', function (): void {
    $presented = (new WideQuarry\Presentation\Presenter)->present(measured(['choices' => ['m', 'km']]), WideQuarry\Random\Seed::of(1));
    expect(Json::encode($presented['parts'][0]['settings']))->toContain('"choices":["m","km"]')->not->toContain('Which unit')
        ->not->toContain('required');
});
