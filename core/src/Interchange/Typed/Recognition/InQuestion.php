<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Line;
use WideQuarry\Interchange\Typed\Document\Words;

/** What a line means inside a question: an option, an answer, more of its text. */
final readonly class InQuestion
{
    /**
     * @param  array<string, string>  $own  words of this document that say what a line is
     * @param  bool  $wraps  whether a line may end in the middle of a sentence
     */
    public function __construct(private array $own, private bool $wraps)
    {
    }

    /** @return bool false when the line is no longer part of the question */
    public function take(Draft $draft, Line $line, ?Line $next): bool
    {
        $text = $line->text();
        $meta = Meta::of($text, $this->own);
        if ($meta !== null) {
            $this->meta($draft, $meta, $line->words->slice($meta->length)->trimmed(), $line);

            return true;
        }
        if (LineKinds::isWritingLine($text)) {
            $this->space($draft);

            return true;
        }
        $total = Points::total($text);
        if ($total !== null) {
            $draft->total = $total;

            return true;
        }
        if (LineKinds::isColumnHeading($text)) {
            return true;
        }
        if ($draft->into === 'scheme' || $draft->into === 'model') {
            return $this->longer($draft, $line);
        }
        if ($draft->items !== [] && preg_match('/^[✓✔☑→]\s*\(?([A-Ha-h])\)?\.?$/u', $text, $m) === 1) {
            $draft->answers[] = $m[1]; // "✔ b" below the options

            return true;
        }
        $line = self::lettered($draft, $line, $next);
        $labels = Label::at($line->text(), $line->level);
        if ($labels !== [] && $this->labelled($draft, $labels, $line)) {
            return true;
        }
        if ($this->pair($draft, $line)) {
            return true;
        }

        return $this->goesOn($draft, $line, $next);
    }

    /** Letters without a sign behind them, where the next of the list follows: "A neon", "B argon". */
    private static function lettered(Draft $draft, Line $line, ?Line $next): Line
    {
        if (preg_match('/^([A-H])\s(?=\S)/u', $line->text(), $m) !== 1 || $draft->stem === []) {
            return $line;
        }
        $place = ord($m[1]) - 64;
        $follows = $next !== null && preg_match('/^'.chr(65 + $place).'\s\S/u', $next->text()) === 1;
        $last = $draft->last()?->label;
        $goesOn = $last !== null && $last->type === 'upper' && $last->value === $place - 1;

        return ($place === 1 && $follows && $draft->items === []) || $goesOn
            ? $line->with(Words::plain("$m[1]. ")->followedBy($line->words->slice(strlen($m[0])), ''))
            : $line;
    }

    private function meta(Draft $draft, Meta $meta, Words $words, Line $line): void
    {
        $part = $this->part($draft);
        $text = trim($words->text(), " \t)]*");
        match ($meta->kind) {
            'answer' => $this->answer($draft, $part, rtrim($words->text(), str_contains($words->text(), '(') ? ' ' : ' )]')),
            'feedback' => $this->feedback($draft, $words),
            'hint' => $draft->hints[] = $words->spaced(),
            'difficulty' => $draft->difficulty = Vocabulary::step($text),
            'standard' => array_push($draft->standards, ...self::codes($text)),
            'topic' => $draft->topics[] = $text,
            'points' => $draft->points = (string) preg_replace('/[^\d.].*$/', '', str_replace(',', '.', $text)),
            'model' => $words->isEmpty() ? null : $draft->models[] = $words->spaced(),
            'scheme' => $words->isEmpty() ? null : $draft->scheme[] = $words->spaced(),
            default => $draft->stem[] = $line->words->spaced(),
        };
        if ($meta->kind === 'difficulty' && $draft->difficulty === null) {
            $draft->stem[] = $line->words->spaced();
        }
        $draft->into = in_array($meta->kind, ['answer', 'feedback', 'hint', 'model', 'scheme'], true) ? $meta->kind : $draft->into;
    }

    private function answer(Draft $draft, ?Item $part, string $answer): void
    {
        if ($part !== null && $part->answers === [] && ! $this->isOfOptions($draft)) {
            $part->answers[] = $answer;
        } elseif ($draft->answers === [] || $draft->answers[0] === '') {
            $draft->answers = [$answer];
        } else {
            $draft->answers[] = $answer;
        }
    }

    private function feedback(Draft $draft, Words $words): void
    {
        $draft->feedback = $draft->feedback === null ? $words->spaced() : $draft->feedback->followedBy($words->spaced());
    }

    private function space(Draft $draft): void
    {
        $part = $this->part($draft);
        if ($part !== null) {
            $part->space++;
        } else {
            $draft->space++;
        }
    }

    /** The question within the question that lines belong to; null where its letters are options. */
    private function part(Draft $draft): ?Item
    {
        $last = $draft->last();

        return $last !== null && ! $this->isOfOptions($draft) ? $last : null;
    }

    /** Whether what is lettered so far are options rather than questions within the question. */
    public function isOfOptions(Draft $draft): bool
    {
        return ! Parts::are($draft->items);
    }

    /** @param  non-empty-list<Label>  $labels */
    private function labelled(Draft $draft, array $labels, Line $line): bool
    {
        $last = $draft->last();
        foreach ([$last->items ?? [], $draft->others, $draft->items] as $depth => $items) {
            $before = $items === [] ? null : $items[count($items) - 1]->label;
            foreach ($labels as $label) {
                if ($before === null || ! self::follows($items, $label)) {
                    continue;
                }
                $new = $this->items($label, $line);
                match ($depth) {
                    0 => $last === null ? null : array_push($last->items, ...self::spaced($new)),
                    1 => array_push($draft->others, ...self::spaced($new)),
                    default => $this->addItems($draft, $new),
                };
                $draft->into = 'stem';

                return true;
            }
        }
        if ($draft->stem === [] && $draft->tables === [] && in_array($labels[0]->type, ['bullet', 'box', 'number'], true)) {
            return false;
        }
        foreach ($labels as $label) {
            if ($label->value > 1 || ($label->type === 'number' && $label->mark === '' && $draft->items === [])) {
                continue;
            }
            $isList = in_array($label->type, ['bullet', 'box'], true);
            if ($isList && $draft->stem === []) {
                continue;
            }
            $new = $this->items($label, $line);
            if ($draft->items === []) {
                $this->addItems($draft, $new);
            } elseif (self::isMatching($draft) && $draft->others === []) {
                $draft->others = self::spaced($new);
            } elseif ($last !== null && Parts::isQuestion($last)) {
                array_push($last->items, ...self::spaced($new));
            } elseif (count($draft->items) > 1 &&
                ! $isList &&
                in_array($draft->items[0]->label?->type, ['roman', 'number', 'bullet'], true)) {
                $this->intoStem($draft); // statements, which the options speak of
                $this->addItems($draft, $new);
            } elseif ($draft->items[0]->label?->type === $label->type && ! $isList && $label->value === 1) {
                return false; // a list that begins again is of another question
            } elseif ($last !== null) {
                array_push($last->items, ...self::spaced($new));
            }
            $draft->into = 'stem';

            return true;
        }

        return false;
    }

    /**
     * One letter may have been forgotten; in columns the letters do not stand in order.
     *
     * @param  non-empty-list<Item>  $items
     */
    private static function follows(array $items, Label $label): bool
    {
        $before = $items[count($items) - 1]->label;
        if ($before === null || ! $label->isLike($before)) {
            return false;
        }
        $values = array_map(fn (Item $item): int => $item->label->value ?? 0, $items);
        $most = max($values);

        return in_array($label->type, ['bullet', 'box'], true) ||
            $label->value === $most + 1 ||
            ($label->value < $most && ! in_array($label->value, $values, true)) ||
            ($label->value === $most + 2 && $label->type !== 'number');
    }

    /**
     * @param  list<Item>  $items
     * @return list<Item>
     */
    private static function spaced(array $items): array
    {
        foreach ($items as $item) {
            $item->words = $item->words->spaced();
        }

        return $items;
    }

    /** @return list<Item> */
    private function items(Label $label, Line $line): array
    {
        return array_map(function (array $one) use ($line): Item {
            [$label, $words] = $one;
            $item = new Item($label, $words, $line->number);
            [$item->words, $item->points] = Points::in($words);
            $item->words = $item->words->trimmed();
            $item->labelled = $line->words->slice(0, $label->length);

            return $item;
        }, $label->split($line->words));
    }

    /** @param  list<Item>  $new */
    private function addItems(Draft $draft, array $new): void
    {
        foreach ($new as $item) {
            // the other side stands on the same line: "1. granite    A. igneous"
            $other = self::isMatching($draft) ? self::beside($item, $draft) : null;
            $item->words = $item->words->spaced();
            $draft->items[] = $item;
            if ($other !== null) {
                $draft->others[] = $other;
            }
        }
    }

    private static function beside(Item $item, Draft $draft): ?Item
    {
        if (preg_match('/(?:\t|\s{2,}|\s[–—|]\s)(?=\(?[A-Za-z0-9]{1,2}[.)]\s)/u', $item->words->text(), $m, PREG_OFFSET_CAPTURE) !== 1) {
            return null;
        }
        $right = $item->words->slice($m[0][1] + strlen($m[0][0]));
        $labels = array_values(array_filter(
            Label::at($right->text()),
            fn (Label $label): bool => $label->value === count($draft->others) + 1 && $label->type !== $item->label?->type,
        ));
        if ($labels === []) {
            return null;
        }
        $item->words = $item->words->slice(0, $m[0][1])->spaced();

        return new Item($labels[0], $right->slice($labels[0]->length)->spaced(), $item->line);
    }

    public static function isMatching(Draft $draft): bool
    {
        return $draft->type === QuestionType::Matching ||
            ($draft->type === null && preg_match('/\b(?:'.Vocabulary::MATCH.')\b/iu', $draft->text()) === 1);
    }

    private function intoStem(Draft $draft): void
    {
        foreach ($draft->items as $item) {
            $draft->stem[] = $item->typedOut();
        }
        $draft->items = [];
    }

    /** "True   False", "T / F", "☐ Yes ☐ No" alone on a line, or "True" and "False" on two. */
    private function pair(Draft $draft, Line $line): bool
    {
        if ($draft->items !== []) {
            return false;
        }
        $pair = TrueFalse::line($line->words);
        if ($pair !== null) {
            [$draft->pair, $draft->pairWords] = $pair;

            return true;
        }
        $words = Vocabulary::pairOf($line->text());
        if ($words !== null && mb_strlen($line->text()) > 1 && count($draft->pairWords) < 2 && $draft->stem !== []) {
            $draft->pair = $words;
            $draft->pairWords[] = $line->words;

            return true;
        }

        return false;
    }

    private function goesOn(Draft $draft, Line $line, ?Line $next): bool
    {
        [$words, $points] = Points::in($line->words);
        $part = $this->part($draft);
        if ($points !== null && $words->isEmpty()) {
            if ($part !== null) {
                $part->points ??= $points;
            } else {
                $draft->points ??= $points;
            }

            return true;
        }
        $isSmall = preg_match('/^[\p{Ll},;)]/u', $line->text()) === 1;
        $isDone = ($draft->isAnswered() || $draft->feedback !== null || $draft->into !== 'stem') && ! $isSmall;
        if ($line->isApart && ($isDone || (LineKinds::isHeading($line->text()) && $draft->into === 'stem'))) {
            return false;
        }
        if ($draft->into !== 'stem') {
            return $this->longer($draft, $line);
        }
        if ($this->asksOfStatements($draft, $next)) {
            $this->intoStem($draft);
            $draft->stem[] = $words->spaced();

            return true;
        }
        if ($draft->items !== [] || $draft->pair !== null) {
            if (! $this->wraps && ! $isSmall && $part === null) {
                return false;
            }
            $last = $draft->last();
            if ($last === null) {
                return false;
            }
            $next = $this->wraps ? $last->label?->nextIn($words->text()) : null;
            if ($next !== null) {
                $last->words = $last->words->followedBy($words->slice(0, $next[0])->spaced());

                return $this->take($draft, $line->with($words->slice($next[1])), null); // "pressed together,   c. both"
            }
            $last->words = $last->words->followedBy($words->spaced());
            $last->points ??= $points;

            return true;
        }
        $draft->points ??= $points;
        $draft->stem = $this->wraps ? self::wrapped($draft->stem, $words->spaced()) : [...$draft->stem, $words->spaced()];

        return true;
    }

    /** "I. … II. … Which are true? A. only I …": what is numbered before a question with options are statements. */
    private function asksOfStatements(Draft $draft, ?Line $next): bool
    {
        $type = $draft->items[0]->label->type ?? '';
        $follows = $next === null ? [] : array_filter(
            Label::at($next->text(), $next->level),
            fn (Label $label): bool => $label->value === 1 && in_array($label->type, ['upper', 'lower'], true) && $label->type !== $type,
        );

        return count($draft->items) > 1 && in_array($type, ['roman', 'number', 'bullet'], true) && $follows !== [];
    }

    /** More of what began on a line before: an explanation, a model answer. */
    private function longer(Draft $draft, Line $line): bool
    {
        $words = $line->words->spaced();
        match ($draft->into) {
            'feedback' => $this->feedback($draft, $words),
            'hint' => $draft->hints[] = $words,
            'model' => $draft->models[] = $words,
            'scheme' => $draft->scheme[] = $words,
            default => null,
        };
        if ($draft->into === 'answer') {
            $last = count($draft->answers) - 1;
            if (! $this->wraps && ($draft->answers[$last] ?? '') !== '') {
                return false;
            }
            $before = array_pop($draft->answers);
            $draft->answers[] = trim(($before ?? '').' '.$words->text());
        }

        return true;
    }

    /**
     * A line that begins small goes on with the last one; any other is a paragraph of its own.
     *
     * @param  list<Words>  $stem
     * @return list<Words>
     */
    private static function wrapped(array $stem, Words $line): array
    {
        $last = count($stem) - 1;
        if ($last < 0 || preg_match('/^\p{Ll}/u', $line->text()) !== 1 || preg_match('/[.?!:]$/u', $stem[$last]->text()) === 1) {
            return [...$stem, $line];
        }

        return [...array_slice($stem, 0, $last), $stem[$last]->followedBy($line)];
    }

    /** @return list<string> */
    private static function codes(string $text): array
    {
        return array_values(
            array_filter(array_map(trim(...), preg_split('/[,;]\s*/u', $text) ?: []), fn (string $code): bool => $code !== ''),
        );
    }
}
