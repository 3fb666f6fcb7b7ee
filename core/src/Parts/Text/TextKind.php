<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Text;

use WideQuarry\Answer\Pattern;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Converting\AnswerForm;
use WideQuarry\Finding;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\LabelAndFields;
use WideQuarry\Parts\TypedKeyCheck;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\TextRuleMatcher;
use WideQuarry\Scoring\TypedOutcome;
use WideQuarry\Study\StudiedPart;
use WideQuarry\Study\StudiedTexts;
use WideQuarry\Variables\Value;

/** The learner types a word or phrase. Response: {"text": "…"}. */
final class TextKind implements Kind
{
    use KindDefaults;

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

    public function readOn(mixed $json, string $path): TextMatcher
    {
        return TextMatcher::read($json, $path);
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

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $text = $response->text ?? null;
        if (! is_string($text)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.text.response-typed-words'));
        }
        if (trim($text) === '') {
            return PartOutcome::unanswered();
        }
        if ($part->scheme === Scheme::Person) {
            return PartOutcome::needsMarking();
        }
        [$matching, $trace] = (new TextRuleMatcher(
            $in->normalise->overriddenBy(self::settings($part->settings)->normalise),
            $in->language,
            $in->roll,
        ))->match($text, $key);

        return TypedOutcome::of($matching, $key, $trace);
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return ['width' => $settings->width, 'lines' => $settings->lines, 'placeholder' => $settings->placeholder];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedText)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedText)->answers($part, $presented, $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $findings = TypedKeyCheck::findings($part);
        foreach ($part->key->rules as $rule) {
            $on = $rule->on;
            assert($on instanceof TextMatcher);
            if ($on->answer === 'shape') {
                $problem = Pattern::of($on->pattern, $on->anchored, true)->problem;
                if ($problem !== null) {
                    $findings[] = Finding::blocking('shape.unreadable', "$on->path/pattern", $problem);
                } elseif (Pattern::of($on->pattern, $on->anchored, true)->matches(str_repeat('a', 60).' ') === null) {
                    $findings[] = Finding::warning(
                        'shape.slow',
                        "$on->path/pattern",
                        Message::of('parts.text.shape-gives-up-some'),
                    );
                }
            } elseif ($on->answer !== 'otherwise' && $on->texts === []) {
                $findings[] = Finding::blocking('rule.empty', "$on->path/text", Message::of('parts.text.rule-names-no-answer'));
            }
        }

        return $findings;
    }

    public function texts(Part $part): array
    {
        $texts = [];
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof TextMatcher);
            array_push($texts, ...array_map(fn (Value $text): string => htmlspecialchars($text->source()), $rule->on->texts));
        }

        return $texts;
    }

    public function answerForm(): AnswerForm
    {
        return new TextForm;
    }

    public function conversions(): array
    {
        return ['label' => LabelAndFields::fromText(...)];
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedTexts::of($part);
    }

    public function mapping(): KindMapping
    {
        return new TextMapping;
    }

    public function canShareAnswers(): bool
    {
        return true;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        return (object) ['text' => $written];
    }

    private static function settings(object $settings): TextSettings
    {
        assert($settings instanceof TextSettings);

        return $settings;
    }
}
