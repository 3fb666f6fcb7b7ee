<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Text;

use WideQuarry\Answer\Pattern;
use WideQuarry\Answer\TypedOn;
use WideQuarry\Answer\Words;
use WideQuarry\Finding;
use WideQuarry\Parts\PartKind;
use WideQuarry\Parts\TypedKeyCheck;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Value;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Circumstances;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\Scheme;
use WideQuarry\Scoring\TypedOutcome;

/** The learner types a word or phrase. Response: {"text": "…"}. */
final class TextKind implements PartKind
{
    public function name(): string
    {
        return 'text';
    }

    public function isInline(): bool
    {
        return true;
    }

    public function readSettings(mixed $json, string $path): TextSettings
    {
        return TextSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): TypedOn
    {
        return TypedOn::read($json, $path);
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
            return PartOutcome::unreadable('response.shape', 'The response to typed words is {"text": "…"}.');
        }
        if (trim($text) === '') {
            return PartOutcome::unanswered();
        }
        if ($part->scheme === Scheme::Person) {
            return PartOutcome::needsMarking();
        }
        [$matching, $trace] = (new Words($in->normalise->overriddenBy(self::settings($part->settings)->normalise), $in->language, $in->roll))->match($text, $key);

        return TypedOutcome::of($matching, $key, $trace);
    }

    public function present(Part $part, Circumstances $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return ['width' => $settings->width, 'lines' => $settings->lines, 'placeholder' => $settings->placeholder];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new TextOnPaper)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, Circumstances $in, Paper $paper): array
    {
        return (new TextOnPaper)->answers($part, $presented, $in, $paper);
    }

    public function check(Part $part, Circumstances $in): array
    {
        $findings = TypedKeyCheck::findings($part);
        foreach ($part->key->rules as $rule) {
            $on = $rule->on;
            assert($on instanceof TypedOn);
            if ($on->answer === 'shape') {
                $problem = Pattern::of($on->pattern, $on->anchored, true)->problem;
                if ($problem !== null) {
                    $findings[] = Finding::blocking('shape.unreadable', "$on->path/pattern", $problem);
                } elseif (Pattern::of($on->pattern, $on->anchored, true)->matches(str_repeat('a', 60).' ') === null) {
                    $findings[] = Finding::warning('shape.slow', "$on->path/pattern", 'This shape gives up on some answers: it can be tried in too many ways.');
                }
            } elseif ($on->answer !== 'otherwise' && $on->texts === []) {
                $findings[] = Finding::blocking('rule.empty', "$on->path/text", 'This rule names no answer.');
            }
        }

        return $findings;
    }

    public function texts(Part $part): array
    {
        $texts = [];
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof TypedOn);
            array_push($texts, ...array_map(fn (Value $text): string => htmlspecialchars($text->source()), $rule->on->texts));
        }

        return $texts;
    }

    public function written(Part $part, string $written, Circumstances $in): \stdClass
    {
        return (object) ['text' => $written];
    }

    private static function settings(object $settings): TextSettings
    {
        assert($settings instanceof TextSettings);

        return $settings;
    }
}
