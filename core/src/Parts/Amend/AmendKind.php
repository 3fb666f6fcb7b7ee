<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Amend;

use WideQuarry\Answer\Normaliser;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\Pieces;
use WideQuarry\Content\Tree;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\PrintedPieces;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Study\StudiedPart;
use WideQuarry\Study\StudiedTexts;
use WideQuarry\Variables\Value;

/** The learner finds wrong words in a text and types what is right. Response: {"amends": {"w4": "lateral"}}. */
final class AmendKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'amend';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): AmendSettings
    {
        return AmendSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): TextMatcher
    {
        return TextMatcher::read($json, $path);
    }

    public function schemes(): array
    {
        return [Scheme::Each, Scheme::All, Scheme::Weights, Scheme::Person];
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Each;
    }

    /** The cost of a false find, and the credit of finding a fault without mending it. */
    public function extras(): array
    {
        return ['cost' => '1', 'find' => '0'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $amends = $response->amends ?? null;
        if (! ($amends instanceof \stdClass)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.amend.response-text-mend-amends'));
        }
        $settings = self::settings($part);
        $words = array_column(Pieces::of($settings->text), 'words', 'id');
        $normaliser = new Normaliser($in->normalise->overriddenBy($settings->normalise), $in->language);
        $given = [];
        foreach (get_object_vars($amends) as $id => $typed) {
            if (! isset($words[$id])) {
                return PartOutcome::unreadable('amend.unknown_piece', Message::of('parts.amend.no-piece-in-text', ['id' => $id]));
            }
            if (! is_string($typed)) {
                return PartOutcome::unreadable('response.shape', Message::of('parts.amend.typed-piece-text'));
            }
            if ($normaliser->apply($typed) !== $normaliser->apply($words[$id])) {
                // the same again mends nothing and blames nothing
                $given[(string) $id] = trim($typed);
            }
        }
        if ($given === []) {
            return PartOutcome::unanswered();
        }

        return $part->scheme === Scheme::Person
            ? PartOutcome::needsMarking()
            : (new AmendScoring($part, $in, $settings))->outcome($given);
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        return ['text' => Tree::of(self::settings($part)->text, $in->roll->filling())];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return PrintedPieces::text($presented, $paper, true);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $words = array_column(Pieces::of(self::settings($part)->text), 'words', 'id');
        $answers = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof TextMatcher && isset($words[(string) $rule->on->piece]) && $rule->credit()->isPositive()) {
                $right = implode(
                    ' / ',
                    array_map(fn (Value $text): string => Paper::text($text->words($in->roll, $in->language)), $rule->on->texts),
                );
                $answers[] = new PrintedAnswer('<s>'.Paper::text($words[(string) $rule->on->piece])."</s> → $right", $rule->credit());
            }
        }

        return $answers;
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new AmendCheck)->findings($part, self::settings($part), $in);
    }

    public function texts(Part $part): array
    {
        $texts = [self::settings($part)->text];
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof TextMatcher);
            array_push($texts, ...array_map(fn (Value $text): string => htmlspecialchars($text->source()), $rule->on->texts));
        }

        return $texts;
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedTexts::of($part);
    }

    public function mapping(): KindMapping
    {
        return new AmendMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $pieces = new WrittenNames(
            array_map(fn (array $piece): array => [$piece['id'], $piece['words']], Pieces::of(self::settings($part)->text)),
        );
        $amends = [];
        foreach (WrittenNames::pieces($written) as $piece) {
            [$wrong, $right] = WrittenNames::sides(
                strtr($piece, ['->' => '→', '=' => '→']),
                '→',
                Message::of('parts.amend.mends-nothing-write-wrong', ['piece' => $piece]),
            );
            $id = $pieces->one($wrong);
            $amends[$id] = isset($amends[$id])
                ? throw UnreadableResponse::because(Message::of('parts.amend.mended-twice', ['wrong' => trim($wrong)]))
                : trim($right);
        }

        return (object) ['amends' => (object) $amends];
    }

    private static function settings(Part $part): AmendSettings
    {
        assert($part->settings instanceof AmendSettings);

        return $part->settings;
    }
}
