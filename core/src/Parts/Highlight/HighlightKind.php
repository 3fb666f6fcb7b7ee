<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Highlight;

use WideQuarry\Content\Pieces;
use WideQuarry\Content\Tree;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\PrintedPieces;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\SetScoring;

/** The learner picks words or phrases of a text. Response: {"chosen": ["w4"]}. */
final class HighlightKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'highlight';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): HighlightSettings
    {
        return HighlightSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): string
    {
        return Fields::asId($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Each;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part);
        $chosen = $response->chosen ?? null;
        if (! is_array($chosen) || array_filter($chosen, is_string(...)) !== $chosen) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.highlight.response-words-picked'));
        }
        $given = array_values(array_unique($chosen));
        $pieces = array_column(Pieces::of($settings->text), 'id');
        $unknown = array_values(array_diff($given, $pieces));
        $count = count($given);

        return match (true) {
            $unknown !== [] => PartOutcome::unreadable('highlight.unknown_piece', Message::of('parts.highlight.no-piece-in-text', [
                'unknown' => $unknown[0],
            ])),
            $count === 0 => PartOutcome::unanswered(),
            $settings->max !== null && $count > $settings->max => PartOutcome::unreadable(
                'highlight.too_many',
                Message::of('parts.highlight.most-may-picked', ['max' => $settings->max, 'count' => $count]),
            ),
            $count < $settings->min => PartOutcome::unreadable(
                'highlight.too_few',
                Message::of('parts.highlight.least-must-picked', ['min' => $settings->min, 'count' => $count]),
            ),
            $part->scheme === Scheme::Person => PartOutcome::needsMarking(),
            default => SetScoring::score($part, $given, $pieces, fn (Rule $rule): string => is_string($rule->on) ? $rule->on : ''),
        };
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);

        return ['text' => Tree::of($settings->text, $in->roll->filling()), 'min' => $settings->min, 'max' => $settings->max];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return PrintedPieces::text($presented, $paper, false);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $words = array_column(Pieces::of(self::settings($part)->text), 'words', 'id');
        $answers = [];
        foreach ($part->key->rules as $rule) {
            if (is_string($rule->on) && isset($words[$rule->on]) && $rule->credit()->isPositive()) {
                $answers[] = new PrintedAnswer(Paper::text($words[$rule->on]), $rule->credit());
            }
        }

        return $answers;
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new HighlightCheck)->findings($part, self::settings($part));
    }

    public function texts(Part $part): array
    {
        return [self::settings($part)->text];
    }

    public function mapping(): KindMapping
    {
        return new HighlightMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $pieces = new WrittenNames(
            array_map(fn (array $piece): array => [$piece['id'], $piece['words']], Pieces::of(self::settings($part)->text)),
        );

        return (object) ['chosen' => $pieces->several($written)];
    }

    private static function settings(Part $part): HighlightSettings
    {
        assert($part->settings instanceof HighlightSettings);

        return $part->settings;
    }
}
