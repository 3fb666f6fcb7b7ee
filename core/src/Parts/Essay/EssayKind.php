<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Essay;

use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;
use WideQuarry\Content\WordCount;
use WideQuarry\Finding;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\MarkedByHand;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;

/** The learner writes at length, and a person marks it. Response: {"text": "…"}, rich text where the settings say so. */
final class EssayKind implements Kind
{
    use MarkedByHand;

    /** Handwriting: so many words stand on a line. */
    private const WORDS_OF_A_LINE = 10;

    private const MOST_CHARACTERS = 200_000;

    public function name(): string
    {
        return 'essay';
    }

    public function readSettings(mixed $json, string $path): EssaySettings
    {
        return EssaySettings::read($json, $path);
    }

    public function expectedWords(object $settings): int
    {
        $settings = self::settings($settings);

        return $settings->most ?? $settings->lines * self::WORDS_OF_A_LINE;
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part->settings);
        $given = $response->text ?? null;
        if (! is_string($given)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.essay.response-text'));
        }
        if (mb_strlen($given) > self::MOST_CHARACTERS) {
            return PartOutcome::unreadable(
                'essay.too_long',
                Message::of('parts.essay.too-long', ['length' => mb_strlen($given), 'most' => self::MOST_CHARACTERS]),
            );
        }
        $text = trim($settings->isRich ? RichText::read($given)->plain() : $given);
        if ($text === '' || $text === trim(self::start($settings))) {
            return PartOutcome::unanswered();
        }
        $words = WordCount::of($text);
        $limit = match (true) {
            $settings->most !== null && $words > $settings->most => 'above',
            $settings->least !== null && $words < $settings->least => 'below',
            default => 'within',
        };

        return PartOutcome::needsMarking([
            ['step' => 'words.counted', 'words' => $words, 'limit' => $limit, 'least' => $settings->least, 'most' => $settings->most],
        ]);
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return [
            'lines' => $settings->lines,
            'format' => $settings->isRich ? 'rich' : 'plain',
            'words' => (object) ['min' => $settings->least, 'max' => $settings->most],
            'prompts' => array_map(fn (string $html): array => Tree::of($html, $in->roll->filling()), $settings->filledPrompts()),
            'start' => $settings->isRich ? Tree::of($settings->start, $in->roll->filling()) : self::start($settings),
            'spelling' => $settings->checksSpelling,
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        /** @var list<list<string|array<int, mixed>>> $prompts */
        $prompts = is_array($presented['prompts'] ?? null) ? $presented['prompts'] : [];
        $settings = self::settings($part->settings);
        $list = implode('', array_map(fn (array $nodes): string => '<li>'.$paper->inline($nodes).'</li>', $prompts));
        $limit = $settings->limit();

        return ($list === '' ? '' : "<ul class=\"prompts\">$list</ul>").
            ($limit === '' ? '' : '<p class="limit">'.Paper::text($limit).'</p>').
            ($settings->start === '' ? '' : '<div class="start">'.$paper->html(Tree::of($settings->start)).'</div>').
            $paper->answerSpace($settings->lines);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $settings = self::settings($part->settings);

        return $settings->least !== null && $settings->most !== null && $settings->least > $settings->most
            ? [
                Finding::blocking('essay.words', "$part->path/settings/words", Message::of('parts.essay.least-above-most', [
                    'least' => $settings->least,
                    'most' => $settings->most,
                ])),
            ]
            : [];
    }

    public function texts(Part $part): array
    {
        $settings = self::settings($part->settings);

        return array_values(array_filter([...$settings->prompts, $settings->start], fn (string $html): bool => $html !== ''));
    }

    public function mapping(): KindMapping
    {
        return new EssayMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        return (object) [
            'text' => self::settings($part->settings)->isRich ? '<p>'.htmlspecialchars($written, ENT_NOQUOTES).'</p>' : $written,
        ];
    }

    private static function start(EssaySettings $settings): string
    {
        return $settings->start === '' ? '' : RichText::read($settings->start)->plain();
    }

    private static function settings(object $settings): EssaySettings
    {
        assert($settings instanceof EssaySettings);

        return $settings;
    }
}
