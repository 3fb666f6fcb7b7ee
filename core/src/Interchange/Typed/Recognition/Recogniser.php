<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** Tells of each question of an exam what it asks for and what is right, weighing the looks of options over the whole. */
final class Recogniser
{
    /** @var list<Recognised> */
    public array $questions = [];

    public Evidence $evidence;

    /** @var array{string, string}|null what an instruction says the next questions are */
    private ?array $pair = null;

    private bool $isChosen = false;

    private function __construct(private readonly Keys $keys, private readonly Corrections $corrections)
    {
        $this->evidence = Evidence::weigh([], $corrections);
    }

    public static function of(Exam $exam, Keys $keys, Corrections $corrections = new Corrections): self
    {
        $recogniser = new self($keys, $corrections);
        SharedList::spread($exam->drafts);
        foreach ($exam->drafts as $draft) {
            $recogniser->draft($draft);
        }
        $units = [];
        foreach ($recogniser->questions as $question) {
            foreach ($question->asked as $asked) {
                $mine = array_filter([$asked->unit, ...array_map(fn (Menu $menu): ?Unit => $menu->unit, $asked->menus)]);
                $units = [...$units, ...array_values($mine)];
            }
        }
        $recogniser->evidence = Evidence::weigh($units, $corrections);
        $recogniser->evidence->apply(...$units);
        (new TypedTails)->find($recogniser->questions);

        return $recogniser;
    }

    private function draft(Draft $draft): void
    {
        if ($draft->is !== 'question') {
            $text = $draft->text();
            $pair = TrueFalse::inSentence(Words::plain($text)) ?? null;
            $this->pair = $pair[0] ?? ($draft->is === 'heading' ? null : $this->pair);
            $this->isChosen = preg_match(
                '/\b(?:circle|underline|choose|select|delete|cross\s+out)\b.{0,40}\b(?:word|term)/iu',
                $text,
            ) === 1;

            return;
        }
        $question = new Recognised($draft);
        $question->sign($draft->number > 0 ? Sign::Number : Sign::Paragraph);
        $this->questions[] = $question;
        $given = $this->keys->answer($draft);
        $answers = $draft->answers !== [] ? $draft->answers : ($given === null ? [] : [$given[0]]);
        $question->given = $answers;
        $sign = $draft->answers !== [] ? $draft->answerSign : Sign::KeySection;
        $question->isDisputed = $this->keys->isDisputed($draft) || self::differ($draft, $given[0] ?? null);
        if ($draft->answers !== [] && $given !== null && Keys::plain($given[0]) !== Keys::plain($draft->answers[0])) {
            $question->miss('answer-below-question-taken', other: $given[0]);
        }
        if (count($draft->items) === 1 && ! Parts::are($draft->items)) {
            self::letterOfSentence($draft);
        }
        match (true) {
            InQuestion::isMatching($draft) && $this->matches($question, $answers, $sign) => null,
            $this->orders($question, $answers, $sign) => null,
            $draft->pair !== null &&
                count($draft->items) > 1 &&
                $draft->items[0]->isTicked() === null => $this->statements($question, $answers),
            Parts::are($draft->items) && $draft->type !== QuestionType::Options => $this->parts($question, $answers),
            default => $this->plain($question, $answers, $sign),
        };
    }

    /** Whether an answer below a question and the key say different things. */
    private static function differ(Draft $draft, ?string $key): bool
    {
        $said = array_filter([...$draft->answers, ...$key === null ? [] : [$key]], fn (string $answer): bool => $answer !== '');
        $plain = array_unique(
            array_map(
                fn (string $answer): string => Keys::plain((string) preg_replace('/^\(?([A-Za-z])[.)]\s.*$/su', '$1', $answer)),
                $said,
            ),
        );

        return count($plain) > 1;
    }

    /** "A. Wegener drew it" is a name. */
    private static function letterOfSentence(Draft $draft): void
    {
        $item = $draft->items[0];
        $draft->stem[] = $item->typedOut();
        array_push($draft->answers, ...$item->answers);
        $draft->items = [];
    }

    /**
     * No list of its own stands in an option.
     *
     * @param  list<Item>  $items
     */
    private static function flatten(array $items): void
    {
        foreach ($items as $item) {
            foreach ($item->items as $sub) {
                $item->words = $item->words->followedBy($sub->typedOut());
            }
            $item->items = [];
        }
    }

    /** @param  list<string>  $answers */
    private function matches(Recognised $question, array $answers, Sign $sign): bool
    {
        $draft = $question->draft;
        if ($draft->others === [] && count($draft->items) > 1) {
            self::besideEachOther($draft);
        }
        if (count($draft->items) < 2 || count($draft->others) < 2) {
            array_push($draft->stem, ...array_map(fn (Item $item): Words => $item->typedOut(), $draft->others));
            $draft->others = [];

            return false;
        }
        $question->form = 'match';
        self::flatten([...$draft->items, ...$draft->others]);
        $question->sign(Sign::Matching);
        $asked = new Asked;
        $asked->stem = $draft->stem;
        $asked->points = $draft->points;
        $asked->answers = $answers;
        $own = array_filter(
            array_map(fn (Item $item): string => $item->answers[0] ?? '', $draft->items),
            fn (string $answer): bool => $answer !== '',
        );
        if ($answers === [] && count($own) === count($draft->items)) {
            $asked->answers = [implode(', ', $own)];
        }
        $asked->sign = $draft->isPaired && $answers === [] ? Sign::Rows : $sign;
        $question->asked[] = $asked;

        return true;
    }

    /** Both sides on one line: "granite – igneous". */
    private static function besideEachOther(Draft $draft): void
    {
        foreach (['/\t|\s{3,}/u', '/\s+[–—=→]\s+/u', '/\s+-\s+/u', '/:\s+/u'] as $between) {
            $cut = array_map(fn (Item $item): int => (int) preg_match_all($between, $item->words->text()), $draft->items);
            if (array_filter($cut, fn (int $times): bool => $times !== 1) !== []) {
                continue;
            }
            foreach ($draft->items as $item) {
                if (preg_match($between, $item->words->text(), $m, PREG_OFFSET_CAPTURE) !== 1) {
                    continue;
                }
                $right = $item->words->slice($m[0][1] + strlen($m[0][0]))->spaced();
                $item->words = $item->words->slice(0, $m[0][1])->spaced();
                $draft->others[] = new Item(null, $right, $item->line);
            }
            $draft->isPaired = true;

            return;
        }
    }

    /** @param  list<string>  $answers */
    private function orders(Recognised $question, array $answers, Sign $sign): bool
    {
        $draft = $question->draft;
        $isAsked = $draft->type === QuestionType::Ordering || (
            $draft->type === null && preg_match('/(?:'.Vocabulary::ORDER.')/iu', $draft->text()) === 1
        );
        $items = $draft->items;
        if (! $isAsked || count($items) < 3 || Parts::are($items) || preg_match('/\?\s*$/', $draft->text()) === 1 && $answers === []) {
            return false;
        }
        $sequence = $answers === [] ? null : AnswerText::sequence($answers[0], $items);
        if ($answers !== [] && $sequence === null) {
            return false;
        }
        $question->form = 'order';
        self::flatten($items);
        $question->sign(Sign::Ordering);
        $asked = new Asked;
        [
            $asked->stem,
            $asked->options,
            $asked->points,
            $asked->answers,
            $asked->sign,
        ] = [$draft->stem, $items, $draft->points, $answers, $sign];
        $question->asked[] = $asked;

        return true;
    }

    /**
     * True or false of each of several statements.
     *
     * @param  list<string>  $answers
     */
    private function statements(Recognised $question, array $answers): void
    {
        $draft = $question->draft;
        $question->form = 'statements';
        self::flatten($draft->items);
        $question->sign(Sign::TrueFalse, Sign::Parts);
        $ofParts = $answers === [] ? [] : AnswerText::ofParts($answers[0], count($draft->items));
        $each = $ofParts !== [] || $answers === [] ? [] : (preg_split('/[\s,;]+/', $answers[0]) ?: []);
        foreach ($draft->items as $i => $item) {
            $asked = $this->asked($question, $item->words);
            $asked->label = trim($item->labelled?->text() ?? '');
            $asked->pair = $draft->pair;
            $said = $item->answers[0] ?? $ofParts[$item->letter()] ?? $this->keys->answerOfPart($draft, $item->letter()) ?? (
                count($each) === count($draft->items) ? $each[$i] : null
            );
            $asked->answers = $said === null ? [] : [$said];
            $asked->points = $item->points;
            $this->ofPair($asked, []);
        }
    }

    /** @param  list<string>  $answers */
    private function parts(Recognised $question, array $answers): void
    {
        $draft = $question->draft;
        $question->form = 'parts';
        $question->sign(Sign::Parts);
        $ofParts = self::answersOfParts($draft, $answers);
        foreach ($draft->items as $i => $item) {
            $asked = $this->asked($question, $item->words);
            $asked->label = trim($item->labelled?->text() ?? '');
            $inOrder = count($answers) === count($draft->items) ? $answers[$i] : null;
            $said = $ofParts[$item->letter()] ?? $this->keys->answerOfPart($draft, $item->letter()) ?? $inOrder;
            $asked->answers = $item->answers !== [] || $said === null ? $item->answers : [$said];
            $asked->sign = $item->answers !== [] || $draft->answers !== [] ? Sign::AnswerLine : Sign::KeySection;
            $asked->points = $item->points;
            $asked->space = $item->space;
            $this->content($question, $asked, $item->items, null, []);
        }
    }

    /**
     * One line that answers all parts: below the last of them, below the question, or in the key.
     *
     * @param  list<string>  $answers
     * @return array<string, string> letter → answer
     */
    private static function answersOfParts(Draft $draft, array $answers): array
    {
        $last = $draft->items[count($draft->items) - 1];
        $isOne = count(array_filter($draft->items, fn (Item $item): bool => $item->answers !== [])) === 1 && $last->answers !== [];
        $together = $isOne ? AnswerText::ofParts($last->answers[0], count($draft->items)) : [];
        if ($together !== [] && count($together) === count($draft->items)) {
            $last->answers = [];

            return $together;
        }

        return $answers === [] ? [] : AnswerText::ofParts(implode('  ', $answers), count($draft->items));
    }

    /** @param  list<string>  $answers */
    private function plain(Recognised $question, array $answers, Sign $sign): void
    {
        $draft = $question->draft;
        $asked = new Asked;
        $question->asked[] = $asked;
        [
            $asked->stem,
            $asked->answers,
            $asked->sign,
            $asked->points,
            $asked->space,
        ] = [$draft->stem, $answers, $sign, $draft->points, $draft->space];
        $this->content($question, $asked, $draft->items, $draft->pair, $draft->pairWords);
    }

    private function asked(Recognised $question, Words $words): Asked
    {
        $asked = new Asked;
        $asked->stem = [$words];
        $question->asked[] = $asked;

        return $asked;
    }

    /**
     * Bullets below a task to explain, and nothing that says one of them is right.
     *
     * @param  list<Item>  $items
     */
    private static function arePrompts(Asked $asked, array $items): bool
    {
        $isBulleted = $items !== [] && array_filter($items, fn (Item $item): bool => $item->label?->type !== 'bullet') === [];
        $looks = new Unit(array_map(fn (Item $item): array => Looks::of($item->words), $items));
        $isMarked = array_filter(array_merge([], ...$looks->looks), fn (string $look): bool => $looks->apart($look) !== null) !== [];

        $isTask = preg_match('/^\W*(?:'.Vocabulary::ESSAY.')\b/iu', $asked->text()) === 1;

        return $isTask && $isBulleted && ! $isMarked && $asked->answers === [];
    }

    /**
     * @param  list<Item>  $items
     * @param  array{string, string}|null  $pair
     * @param  list<Words>  $pairWords
     */
    private function content(Recognised $question, Asked $asked, array $items, ?array $pair, array $pairWords): void
    {
        $isTyped = $question->draft->type?->isTyped() === true || self::arePrompts($asked, $items);
        if (count($items) === 1 || ($isTyped && $items !== [])) {
            $asked->stem = [...$asked->stem, ...array_map(fn (Item $item): Words => $item->typedOut(), $items)];
            $items = [];
        }
        if ($isTyped) {
            return;
        }
        self::flatten($items);
        if ($items === [] && $pair === null) {
            [$pair, $pairWords] = $this->pairOf($asked);
        }
        if ($items === [] && $pair === null && count($asked->stem) > 2) {
            $items = self::plainOptions($question, $asked);
        }
        if (count($items) > 1) {
            $question->sign(Sign::Options);
            $asked->options = $items;
            $this->ofOptions($question, $asked);
        } elseif ($pair !== null) {
            $question->sign(Sign::TrueFalse);
            $asked->pair = $pair;
            $this->ofPair($asked, $pairWords);
        } else {
            $asked->menus = Menu::in($asked->stem, $this->isChosen);
            if ($asked->menus !== []) {
                $question->sign(Sign::Menu);
                $this->ofMenus($asked);
            }
        }
    }

    /** @return array{array{string, string}|null, list<Words>} */
    private function pairOf(Asked $asked): array
    {
        foreach ($asked->stem as $i => $words) {
            $found = TrueFalse::inSentence($words);
            if ($found !== null) {
                $asked->stem[$i] = $found[2];
                $asked->stem = array_values(array_filter($asked->stem, fn (Words $one): bool => ! $one->isEmpty()));

                return [$found[0], $found[1]];
            }
        }
        $answer = $asked->answers[0] ?? '';
        $ofAnswer = $answer === '' ? null : Vocabulary::pairOf($answer);
        $isGapped = preg_match('/_{3,}/', $asked->text()) === 1;
        // "(True)" behind a statement
        $last = $asked->stem === [] ? null : $asked->stem[count($asked->stem) - 1];
        if ($answer === '' &&
            $last !== null &&
            preg_match('/(?|\s*[(\[]\s*(\p{L}{1,12})\s*[)\]]\s*\.?|(?<=[.!])\s+(\p{Lu}{4,12}))$/u', $last->text(), $m) === 1) {
            $is = Vocabulary::pairOf($m[1]);
            if ($is !== null && (mb_strlen($m[1]) > 1 || $this->pair !== null)) {
                $asked->stem[count($asked->stem) - 1] = $last->slice(0, strlen($last->text()) - strlen($m[0]))->trimmed();
                [$asked->answers, $asked->sign] = [[$m[1]], Sign::AnswerWithin];

                return [$this->pair ?? $is, []];
            }
        }
        // "False – it is a unit of resistance"
        $word = preg_match('/^\W*(\p{L}+)/u', $answer, $m) === 1 ? $m[1] : $answer;
        if ($this->pair !== null && ! $isGapped && ($answer === '' || Vocabulary::truth($word, $this->pair) !== null)) {
            return [$this->pair, []];
        }
        $isTruth = $ofAnswer !== null && mb_strlen($answer) > 1 && in_array(
            mb_strtolower($ofAnswer[0]),
            ['true', 'richtig', 'wahr', 'vrai', 'verdadero', 'vero', 'waar', 'juist', 'prawda', 'verdadeiro'],
            true,
        );

        return $isTruth ? [$ofAnswer, []] : [null, []];
    }

    /**
     * Options that have no letters: short lines below a question, of which the answer names one, or one looks otherwise.
     *
     * @return list<Item>
     */
    private static function plainOptions(Recognised $question, Asked $asked): array
    {
        $lines = array_slice($asked->stem, 1);
        $isShort = array_filter(
            $lines,
            fn (Words $line): bool => mb_strlen($line->text()) > 120 || preg_match('/_{3,}|\?$/u', $line->text()) === 1,
        ) === [];
        if (! $isShort || count($lines) > 8 || preg_match('/[?:…]\s*$|_{3,}/u', $asked->stem[0]->text()) !== 1) {
            return [];
        }
        $looks = array_map(fn (Words $line): array => Looks::of($line), $lines);
        $unit = new Unit($looks);
        $apart = array_filter(array_unique(array_merge([], ...$looks)), fn (string $look): bool => count($unit->apart($look) ?? []) === 1);
        $answer = Keys::plain($asked->answers[0] ?? '');
        $isNamed = $answer !== '' && count(array_filter($lines, fn (Words $line): bool => Keys::plain($line->text()) === $answer)) === 1;
        $isLettered = preg_match('/^[a-h]$/', $answer) === 1 && ord($answer) - 97 < count($lines);
        if (! $isNamed && ! $isLettered && ($apart === [] || $answer !== '')) {
            return [];
        }
        $question->sign(Sign::PlainOptions);
        $asked->stem = [$asked->stem[0]];

        return array_map(fn (Words $line): Item => new Item(null, $line, $question->draft->line), $lines);
    }

    private function ofOptions(Recognised $question, Asked $asked): void
    {
        $asked->unit = new Unit(
            array_map(fn (Item $item): array => Looks::of($item->words, $item->labelled, $item->label->sign ?? ''), $asked->options),
        );
        $corrected = $this->corrections->keys[$question->draft->line] ?? null;
        if ($corrected !== null && count($question->asked) === 1) {
            $asked->unit->said = array_values(array_filter($corrected, fn (int $i): bool => $i < count($asked->options)));
            $asked->sign = Sign::Corrected;

            return;
        }
        $ticked = array_keys(array_filter($asked->options, fn (Item $item): bool => $item->isTicked() === true));
        $said = null;
        foreach ($asked->answers as $answer) {
            [$right, $because] = AnswerText::options($answer, $asked->options);
            $said ??= $right;
            $asked->because = $because !== '' ? $because : $asked->because;
        }
        if ($ticked !== [] && count($ticked) < count($asked->options)) {
            if ($said !== null && $said !== $ticked) {
                $question->isDisputed = true;
                $question->miss('ticked-boxes-taken-right-answer-says-otherwise-not-used', answer: $asked->answers[0]);
            }
            [$said, $asked->sign] = [$ticked, Sign::TickedBox];
        } elseif ($said === null && ($asked->answers[0] ?? '') !== '') {
            $question->miss('answer-names-none-options', answer: $asked->answers[0]);
        }
        $asked->unit->said = $said;
    }

    /** @param  list<Words>  $words */
    private function ofPair(Asked $asked, array $words): void
    {
        $looks = array_map(fn (Words $one): array => Looks::of($one, null, ''), $words);
        $asked->unit = new Unit(count($looks) === 2 ? $looks : [[], []]);
        foreach ($words as $i => $one) {
            if (array_filter(Label::TICKED, fn (string $box): bool => str_starts_with($one->text(), $box)) !== []) {
                $asked->unit->said = [$i];
                $asked->sign = Sign::TickedBox;
            }
        }
        foreach ($asked->answers as $answer) {
            $first = preg_match('/^\W*(\p{L}+)/u', $answer, $m) === 1 ? $m[1] : $answer;
            $truth = Vocabulary::truth($first, $asked->pair) ?? Vocabulary::truth($first);
            if ($truth !== null && $asked->unit->said === null) {
                $asked->unit->said = [$truth ? 0 : 1];
                $rest = trim(substr($answer, (int) strpos($answer, $first) + strlen($first)), " \t.:–—-,()");
                $asked->because = $rest;
            }
        }
    }

    private function ofMenus(Asked $asked): void
    {
        $answers = count($asked->menus) === 1 ? $asked->answers : (preg_split('/\s*[,;]\s*/u', $asked->answers[0] ?? '') ?: []);
        foreach ($asked->menus as $i => $menu) {
            foreach ($menu->words as $at => $word) {
                if ($menu->unit !== null && isset($answers[$i]) && Keys::plain($word->text()) === Keys::plain($answers[$i])) {
                    $menu->unit->said = [$at];
                }
            }
        }
    }
}
