<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberOn;
use WideQuarry\Answer\NumberReader;
use WideQuarry\Finding;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\PartKind;
use WideQuarry\Parts\TypedKeyCheck;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Circumstances;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\Scheme;
use WideQuarry\Scoring\TypedOutcome;
use WideQuarry\Variables\RollProblem;

/** The learner types a number. Response: {"text": "2.5"}. Units come later. */
final class NumberKind implements PartKind
{
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

    public function readOn(mixed $json, string $path): NumberOn
    {
        return NumberOn::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_ONE;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Weights;
    }

    public function extras(): array
    {
        return [];
    }

    public function score(Part $part, Key $key, \stdClass $response, Circumstances $in): PartOutcome
    {
        $text = $response->text ?? null;
        if (! is_string($text)) {
            return PartOutcome::unreadable('response.shape', 'The response to a number is {"text": "…"}.');
        }
        if (trim($text) === '') {
            return PartOutcome::unanswered();
        }
        if ($part->scheme === Scheme::Person) {
            return PartOutcome::needsMarking();
        }
        $reading = (new NumberReader($in->language, self::settings($part->settings)->notations))->read($text);
        if ($reading->value === null) {
            return PartOutcome::unreadable((string) $reading->reason, $reading->sentence);
        }
        $trace = [['step' => 'number.read', 'typed' => $text, 'value' => Exact::text($reading->value), 'notation' => $reading->notation]];
        $matching = array_values(array_filter($key->rules, fn (Rule $rule): bool => $rule->on instanceof NumberOn && $rule->on->matches($reading, $in->roll)));

        return TypedOutcome::of($matching, $key, $trace);
    }

    public function present(Part $part, Circumstances $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return ['width' => $settings->width, 'placeholder' => $settings->placeholder];
    }

    public function texts(Part $part): array
    {
        $texts = [];
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof NumberOn);
            array_push($texts, ...array_map(htmlspecialchars(...), $rule->on->sources()));
        }

        return $texts;
    }

    public function written(Part $part, string $written, Circumstances $in): \stdClass
    {
        return (object) ['text' => $written];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new NumberOnPaper)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, Circumstances $in, Paper $paper): array
    {
        return (new NumberOnPaper)->answers($part, $presented, $in, $paper);
    }

    public function check(Part $part, Circumstances $in): array
    {
        $findings = TypedKeyCheck::findings($part);
        if (self::settings($part->settings)->unitPolicy !== 'none') {
            $findings[] = Finding::blocking('number.units_unavailable', "$part->path/settings/units/policy", 'Answers with a unit cannot be marked yet.');
        }
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof NumberOn);
            if ($rule->on->isEmpty()) {
                $findings[] = Finding::blocking('rule.empty', "$rule->path/on", 'This rule names no number.');
            }
            foreach ($rule->on->values() as $value) {
                try {
                    $value->number($in->roll);
                } catch (RollProblem $problem) {
                    $findings[] = Finding::blocking($problem->rule, $problem->path, $problem->getMessage());
                }
            }
        }

        return $findings;
    }

    private static function settings(object $settings): NumberSettings
    {
        assert($settings instanceof NumberSettings);

        return $settings;
    }
}
