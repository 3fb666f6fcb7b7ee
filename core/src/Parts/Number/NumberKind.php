<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\NumberReader;
use WideQuarry\Answer\NumberReading;
use WideQuarry\Converting\AnswerForm;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\NumberLineAnswers;
use WideQuarry\Parts\NumberRuleCheck;
use WideQuarry\Parts\TypedKeyCheck;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\TypedOutcome;
use WideQuarry\Study\StudiedNumbers;
use WideQuarry\Study\StudiedPart;
use WideQuarry\Units\UnitProblem;

/** The learner types a number, perhaps with a unit. Response: {"text": "2.5 km"}, or {"text": "2.5", "unit": "km"} where one is chosen. */
final class NumberKind implements Kind
{
    use KindDefaults;

    /** What remarks on a unit are about; UnitPolicy::MATTERS. */
    private const MATTERS = [
        'missing' => 'parts.number.remark-unit-missing',
        'wrong' => 'parts.number.remark-unit-wrong',
        'prefix' => 'parts.number.remark-unit-prefix',
        'other' => 'parts.number.remark-unit-other',
    ];

    public function name(): string
    {
        return 'number';
    }

    public function isInline(): bool
    {
        return true;
    }

    public function readSettings(mixed $json, string $path): NumberSettings
    {
        return NumberSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): NumberMatcher
    {
        return NumberMatcher::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_ONE;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Weights;
    }

    public function remarks(Part $part): array
    {
        $settings = self::settings($part->settings);
        $remarks = [];
        foreach (self::MATTERS as $matter => $words) {
            $remarks[Message::of($words)] = $settings->units->feedback($matter);
        }
        $remarks[Message::of('parts.number.remark-figures')] = $settings->figures?->feedback;

        return array_filter($remarks);
    }

    public function extras(): array
    {
        return [];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $text = $response->text ?? null;
        if (! is_string($text)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.number.response-number'));
        }
        if (trim($text) === '') {
            return PartOutcome::unanswered();
        }
        if ($part->scheme === Scheme::Person) {
            return PartOutcome::needsMarking();
        }
        $settings = self::settings($part->settings);
        $reader = new NumberReader($in->language, $settings->notations);
        if ($settings->units->isAsked()) {
            return $this->withUnit($text, $response->unit ?? null, $reader, $part, $key, $in);
        }
        $reading = $reader->read($text);
        if ($reading->value === null) {
            return PartOutcome::unreadable((string) $reading->reason, $reading->sentence);
        }
        $reading = $this->meant($reading, $key, $in);
        if ($reading === null) {
            return self::ambiguous($text);
        }
        $trace = [self::step($text, $reading)];

        return $settings->figures === null
            ? TypedOutcome::of(self::matching($reading, $key, $in), $key, $trace)
            : (new UnitMarking($settings->units, $settings->figures, $key, $in))->outcome(Quantity::alone($reading, $text), $trace);
    }

    private function withUnit(
        string $text,
        mixed $chosen,
        NumberReader $reader,
        Part $part,
        Key $key,
        ScoringContext $in,
    ): PartOutcome {
        try {
            $given = Quantity::read($text, is_string($chosen) ? $chosen : null, $reader);
        } catch (UnitProblem $problem) {
            return PartOutcome::unreadable($problem->rule, $problem->getMessage());
        }
        if ($given->number->value === null) {
            return PartOutcome::unreadable((string) $given->number->reason, $given->number->sentence);
        }
        $number = $this->meant($given->number, $key, $in);
        if ($number === null) {
            return self::ambiguous($text);
        }
        $given = $given->meaning($number);
        $settings = self::settings($part->settings);
        $step = [...self::step($text, $number), 'unit' => $given->unit->symbol ?? ''];

        $marking = new UnitMarking($settings->units, $settings->figures, $key, $in);

        return $marking->outcome($given, [$step]);
    }

    private static function ambiguous(string $text): PartOutcome
    {
        return PartOutcome::unreadable('number.ambiguous', Message::of('parts.number.could-two-numbers-write', ['text' => $text]));
    }

    /** @return array<string, mixed> */
    private static function step(string $typed, NumberReading $reading): array
    {
        return [
            'step' => 'number.read',
            'typed' => $typed,
            'value' => Exact::text($reading->value ?? Exact::zero()),
            'notation' => $reading->notation,
        ];
    }

    /**
     * Chooses between two readings of a lone mark before three digits when the language is unknown: with a decimal key "3.142" is a
     * decimal, with a key of whole thousands it is 3142. Null when the key does not decide and the result would differ.
     */
    private function meant(NumberReading $reading, Key $key, ScoringContext $in): ?NumberReading
    {
        if ($reading->grouped === null || self::matching($reading, $key, $in) === self::matching($reading->grouped, $key, $in)) {
            return $reading->grouped === null ? $reading : $reading->alone();
        }
        $numbers = [];
        foreach ($key->rules as $rule) {
            foreach ($rule->on instanceof NumberMatcher ? $rule->on->values() : [] as $value) {
                $numbers[] = $value->number($in->roll)->abs();
            }
        }
        $small = array_filter($numbers, fn (BigRational $number): bool => $number->isLessThan(1000));
        $broken = array_filter($numbers, fn (BigRational $number): bool => ! $number->simplified()->getDenominator()->isEqualTo(1));

        return match (true) {
            $broken !== [], count($small) === count($numbers) => $reading->alone(),
            $small === [] => $reading->grouped,
            default => null,
        };
    }

    /** @return list<Rule> */
    private static function matching(NumberReading $reading, Key $key, ScoringContext $in): array
    {
        $matches = fn (Rule $rule): bool => $rule->on instanceof NumberMatcher && $rule->on->matches($reading, $in->roll);

        return array_values(array_filter($key->rules, $matches));
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return [
            'width' => $settings->width,
            'placeholder' => $settings->placeholder,
            ...$settings->units->isAsked() ? [
                'notations' => $settings->notations,
                'units' => ['choices' => $settings->units->choices],
            ] : [],
        ];
    }

    public function texts(Part $part): array
    {
        $texts = [];
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof NumberMatcher);
            array_push($texts, ...array_map(htmlspecialchars(...), $rule->on->sources()));
        }

        return $texts;
    }

    public function answerForm(): AnswerForm
    {
        return new NumberForm;
    }

    public function conversions(): array
    {
        return ['graph' => NumberLineAnswers::toGraph(...)];
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedNumbers::of($part);
    }

    public function mapping(): KindMapping
    {
        return new NumberMapping;
    }

    public function canShareAnswers(): bool
    {
        return true;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        return (object) ['text' => $written];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedNumber)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedNumber)->answers($part, $presented, $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $findings = TypedKeyCheck::findings($part);
        $settings = self::settings($part->settings);
        array_push($findings, ...$settings->units->check(), ...$settings->figures?->check() ?? []);
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof NumberMatcher);
            array_push(
                $findings,
                ...NumberRuleCheck::findings($rule, $rule->on, $in, Message::of('parts.number.rule-names-no-number')),
            );
        }

        return $findings;
    }

    private static function settings(object $settings): NumberSettings
    {
        assert($settings instanceof NumberSettings);

        return $settings;
    }
}
