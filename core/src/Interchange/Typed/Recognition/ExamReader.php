<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Line;
use WideQuarry\Interchange\Typed\Document\Table;
use WideQuarry\Interchange\Typed\Document\TypedDocument;
use WideQuarry\Interchange\Typed\Document\Words;
use WideQuarry\Interchange\Typed\KeySection;
use WideQuarry\Interchange\UnreadableFile;

/**
 * Reads a document from top to bottom: where questions begin, what belongs to them, what stands between them, and keys apart from
 * them. Recognised as people type, by numbers and letters that run on, empty lines and the words before a colon.
 */
final class ExamReader
{
    /**
     * At most this many numbers may be missing between two questions; a larger gap means a year or a quantity, unless the line asks
     * something.
     */
    private const SKIPPED = 10;

    /**
     * Lines that one question may take. Each line is put together with those before it, so without a limit a text that never begins a
     * second question would take time as the square of its length.
     */
    private const LINES = 2000;

    /** A line that comes back this often is at the head or the foot of the pages. */
    private const COMES_BACK = 3;

    /** The letters of question and answer in several languages. */
    private const ASKED = [['Q', 'A'], ['Q', 'R'], ['F', 'A'], ['P', 'R'], ['D', 'R'], ['V', 'A'], ['P', 'O']];

    private readonly Exam $exam;

    /** @var array{string, string}|null */
    private readonly ?array $letters;

    private readonly InQuestion $within;

    private ?Draft $open = null;

    /** The punctuation after the first question's number; a number with other punctuation is an option label. */
    private ?string $mark = null;

    private ?int $last = null;

    private ?Key $key = null;

    private int $section = 0;

    /** @var list<string> headings that are open */
    private array $path = [];

    private ?string $pointsEach = null;

    /** @var array<string, int> how often each text stands in the document */
    private array $counts = [];

    /** @var list<Line|Table> */
    private array $items = [];

    private int $at = 0;

    private function __construct(private readonly TypedDocument $document, private readonly Corrections $corrections)
    {
        $this->exam = new Exam;
        $this->letters = self::letters($document);
        $own = $corrections->words + ($this->letters === null ? [] : [$this->letters[1].':' => 'answer']);
        $this->within = new InQuestion($own, $document->wraps);
    }

    /**
     * Questions and answers by one letter each: "Q: … A: …".
     *
     * @return array{string, string}|null
     */
    private static function letters(TypedDocument $document): ?array
    {
        foreach (self::ASKED as [$question, $answer]) {
            $of = fn (string $letter): int => count(array_filter(
                $document->lines(),
                fn (Line $line): bool => preg_match("/^$letter\s*:\s+\S/u", $line->text()) === 1,
            ));
            if ($of($question) > 1 && $of($answer) > 1) {
                return [$question, $answer];
            }
        }

        return null;
    }

    /** @throws UnreadableFile */
    public static function read(TypedDocument $document, Corrections $corrections = new Corrections): Exam
    {
        $reader = new self($document, $corrections);
        foreach ($document->lines() as $line) {
            $reader->exam->texts[$line->number] = trim(($reader->exam->texts[$line->number] ?? '').' '.$line->text());
            $reader->counts[$line->text()] = ($reader->counts[$line->text()] ?? 0) + 1;
        }
        $reader->all($document->items);
        $reader->close();
        $reader->exam->sections = $reader->section + 1;
        foreach ($reader->exam->keys as $key) {
            $text = $reader->exam->texts[$key->line] ?? '';
            if ($key->answers === [] && ! LineKinds::isKeyHeading($text)) {
                $reader->unused(Line::plain($key->line, $text)); // a heading in a key, and nothing below it
            }
        }

        return $reader->exam;
    }

    /** @param  list<Line|Table>  $items */
    private function all(array $items): void
    {
        // a table that only lays out is read as the lines it holds
        $before = $this->items;
        $at = $this->at;
        $this->items = $items;
        for ($this->at = 0; $this->at < count($this->items); $this->at++) {
            $item = $this->items[$this->at];
            if ($item instanceof Table) {
                $this->table($item);
            } else {
                $this->line($item);
            }
            if ($this->open !== null && count($this->open->lines) > self::LINES) {
                throw UnreadableFile::endlessQuestion($this->open->line, self::LINES);
            }
        }
        [$this->items, $this->at] = [$before, $at];
    }

    private function line(Line $line): void
    {
        if ($line->label !== null) {
            $this->exam->labels[$line->label] = $line->number;
        }
        $said = $this->corrections->lines[$line->number] ?? null;
        if ($said !== null) {
            $this->said($said, $line);

            return;
        }
        $text = $line->text();
        $cut = $this->key === null ? Meta::within($text) : null;
        if ($cut !== null) {
            $this->line($line->with($line->words->slice(0, $cut)->trimmed()));
            $this->line(new Line($line->number, $line->words->slice($cut)->trimmed()));

            return;
        }
        $label = $line->id === null || LineKinds::range($text) !== null ? null : QuestionLabel::at($text);
        if ($label !== null) {
            $this->begin($label, $line); // a document of ours says where its questions begin

            return;
        }
        match (true) {
            $this->isFurniture($text) => $this->unused($line),
            $line->heading === 0 && $this->stimulus($line) => null,
            $this->isKey($line) => null,
            $line->heading > 0 && $this->isHeading($line) => $this->heading($line),
            default => $this->question($line),
        };
    }

    private function said(string $is, Line $line): void
    {
        match ($is) {
            'unused' => $this->unused($line),
            'heading' => $this->heading($line),
            'stimulus' => $this->instruction($line),
            'more' => $this->open !== null ? $this->more($this->open, $line) : $this->unused($line),
            default => $this->begin(QuestionLabel::at($line->text()) ?? QuestionLabel::bare($line->text()), $line),
        };
    }

    private function more(Draft $draft, Line $line): void
    {
        $draft->lines[] = $line->number;
        if (! $this->within->take($draft, $line, null)) {
            $draft->stem[] = $line->words->spaced();
        }
    }

    private function isFurniture(string $text): bool
    {
        return LineKinds::isFurniture($text) ||
            (($this->counts[$text] ?? 0) >= self::COMES_BACK && ! $this->document->wraps && $this->isMargin($text));
    }

    /** A title that comes back on each page, between whatever stands there. */
    private function isMargin(string $text): bool
    {
        return count(explode(' ', $text)) > 2 &&
            mb_strlen($text) < 100 &&
            Label::at($text) === [] &&
            QuestionLabel::at($text) === null &&
            Meta::of($text) === null &&
            ! LineKinds::isWritingLine($text) &&
            ! LineKinds::asks($text) &&
            $this->open?->into === 'stem' &&
            $this->open->isAnswered();
    }

    private function unused(Line $line): void
    {
        $this->exam->unused[] = [$line->number, $line->text()];
        $this->exam->roles[$line->number] = 'unused';
    }

    /** "Questions 4 to 7 refer to the map." */
    private function stimulus(Line $line): bool
    {
        $range = LineKinds::range($line->text());
        if ($range === null || $this->key !== null || ($this->last !== null && $range[0] <= $this->last && $range[1] <= $this->last)) {
            return false;
        }
        $this->close();
        $this->open = Draft::of('stimulus', $line);
        $this->open->range = $range;
        $this->open->stem[] = $line->words->spaced();
        $this->open->path = $this->path;

        return true;
    }

    private function isKey(Line $line): bool
    {
        $text = $line->text();
        if (LineKinds::isKeyHeading($text)) {
            if ($this->open?->is === 'question' &&
                str_ends_with($text, ':') &&
                ! $this->open->isAnswered() &&
                ! $line->isApart &&
                $line->heading === 0 &&
                ! $this->isKeyNext()) {
                return false; // "Answer:" below a question, with nothing behind it
            }
            $this->openKey($line);

            return true;
        }
        if ($this->key !== null) {
            return $this->inKey($line);
        }
        $one = LineKinds::answerTo($text);
        if ($one !== null) {
            $this->addKey($one, $line);

            return true;
        }
        if ($this->open?->is === 'question' && $this->open->answers === [] && InQuestion::isMatching($this->open)) {
            return false; // "Answer: 1-B, 2-A" are its pairs
        }
        $alone = LineKinds::keyLine($text);
        $short = $alone === null && $this->last !== null && $this->isFinished($line) ? KeySection::short($text) : [];
        if ($alone === null && $short === []) {
            return false;
        }
        $this->addKey($alone === null ? $short : KeySection::read([$alone]), $line);

        return true;
    }

    private function isKeyNext(): bool
    {
        $next = $this->next();

        return $next instanceof Table ? KeyTable::read($next, true) !== null : $next !== null && KeySection::read([$next->text()]) !== [];
    }

    private function openKey(Line $line): Key
    {
        $this->close();
        $this->key = new Key($line->number, count($this->exam->questions()), $this->section);
        $this->exam->keys[] = $this->key;
        $this->exam->roles[$line->number] = 'key';

        return $this->key;
    }

    /** @param  array<int|string, string>  $answers */
    private function addKey(array $answers, Line $line): void
    {
        $this->close();
        $key = new Key($line->number, count($this->exam->questions()), $this->section);
        $this->exam->keys[] = $key;
        foreach ($answers as $number => $answer) {
            $key->add($number, $answer, $line->number);
        }
        $this->exam->roles[$line->number] = 'key';
    }

    private function inKey(Line $line): bool
    {
        if ($this->endsKey($line)) {
            $this->key = null;

            return false;
        }
        $text = $line->text();
        $alone = LineKinds::keyLine($text);
        $answers = $alone === null ? KeySection::line($text) : KeySection::read([$alone]);
        $numbers = array_filter(array_keys($answers), is_int(...));
        $reached = array_filter(array_keys($this->key->answers ?? []), is_int(...));
        if ($answers !== [] && $this->key !== null) {
            // numbers that begin again are of the next part
            if ($numbers !== [] &&
                $reached !== [] &&
                min($numbers) === 1 &&
                max($reached) > 1 &&
                isset($this->key->answers[min($numbers)])) {
                $this->key = $this->openKey($line);
            }
            foreach ($answers as $number => $answer) {
                $this->key->add($number, $answer, $line->number);
            }
        } elseif ($line->heading > 0 || LineKinds::isSection($text)) {
            $this->openKey($line);
        } elseif ($this->key !== null && $reached !== [] && ($this->document->wraps || preg_match('/^\p{Ll}/u', $text) === 1)) {
            $last = array_key_last($this->key->answers);
            $this->key->answers[$last] .= ' '.$text;
        } else {
            $this->unused($line);

            return true;
        }
        $this->exam->roles[$line->number] = 'key';

        return true;
    }

    /** Whether questions begin again behind a key. */
    private function endsKey(Line $line): bool
    {
        $label = QuestionLabel::at($line->text());
        if ($line->heading > 0 || LineKinds::isSection($line->text()) || LineKinds::range($line->text()) !== null) {
            $next = $this->next();

            return $next instanceof Line && ! LineKinds::isKeyHeading($next->text()) && $this->looksLikeQuestion($next, 2);
        }

        return $label !== null && $this->looksLikeQuestion($line, 1);
    }

    private function looksLikeQuestion(Line $line, int $ahead): bool
    {
        $label = QuestionLabel::at($line->text());
        $next = $this->items[$this->at + $ahead] ?? null;
        if ($label === null) {
            return mb_strlen($line->text()) > 60 || preg_match('/\?\s*$/', $line->text()) === 1;
        }
        $rest = substr($line->text(), $label->length);
        $hasOptions = $next instanceof Line && array_filter(
            Label::at($next->text(), $next->level),
            fn (Label $one): bool => in_array($one->type, ['upper', 'lower'], true) && $one->value === 1,
        ) !== [];

        return preg_match('/\?\s*(?:[(\[].*)?$|_{3,}/u', $rest) === 1 || ($hasOptions && preg_match('/^[A-Ha-h]\b\W*$/', $rest) !== 1);
    }

    private function isHeading(Line $line): bool
    {
        $label = QuestionLabel::at($line->text());

        // some set their questions as headings
        return $label === null ||
            (! str_starts_with($label->mark, 'word') && ! $this->asksAnew($label, $line) && preg_match('/[?]$/', $line->text()) !== 1);
    }

    private function heading(Line $line): void
    {
        $this->close();
        $this->pointsEach = Points::each($line->text());
        $draft = Draft::of('heading', $line);
        $name = $line->words->without('/\s*[(\[][^()\[\]]{0,40}\b(?:'.Vocabulary::POINTS_WORD.')\b[^()\[\]]{0,40}[)\]]/iu')->spaced();
        $draft->stem[] = $name->isEmpty() ? $line->words->spaced() : $name;
        $level = max(1, $line->heading);
        $draft->before = $this->path;
        $this->path = [...array_slice($this->path, 0, $level - 1), $draft->text()];
        $draft->path = $this->path;
        $this->exam->drafts[] = $draft;
    }

    private function question(Line $line): void
    {
        $label = QuestionLabel::at($line->text());
        $mark = $label === null ? '' : $label->mark.'@'.$line->level;
        $isOption = $label !== null && $this->isNumberedOption($label, $mark);
        $runsOn = $label !== null && $this->runsOn($label, $line);
        if ($label !== null && $label->sub !== '' && $this->open?->is === 'question' && $label->number === $this->open->number) {
            $this->part($this->open, $label, $line);
        } elseif ($label !== null && ! $isOption && ($runsOn || $this->asksAnew($label, $line))) {
            $this->close();
            if ($this->last !== null && ! $runsOn && $label->number <= $this->last) {
                $this->exam->twice[] = [$label->number, $line->number];
            }
            $this->mark ??= $label->sub !== '' ? null : $mark;
            $this->begin($label, $line);
        } elseif (($bare = QuestionLabel::bare($line->text())) !== null && ! $isOption && $this->isBareStart($bare, $line)) {
            $this->close();
            $this->begin($bare, $line);
        } elseif ($this->letters !== null && preg_match("/^{$this->letters[0]}\s*:\s+/u", $line->text(), $m) === 1) {
            $this->begin(null, $line->with($line->words->slice(strlen($m[0]))));
        } elseif ($this->open?->is === 'question') {
            $this->continued($this->open, $line);
        } else {
            $this->loose($line);
        }
    }

    private function isBareStart(QuestionLabel $bare, Line $line): bool
    {
        return $this->last === null ? $bare->number === 1 : $bare->number === $this->last + 1 && $this->isFinished($line);
    }

    private function begin(?QuestionLabel $label, Line $line): void
    {
        $this->close();
        $number = $label->number ?? 0;
        if ($label !== null && $this->last !== null && $number > $this->last + 1) {
            $this->exam->skipped[] = [$this->last + 1, $number - 1, $line->number];
        }
        if ($label !== null && $this->last !== null && $number <= $this->last) {
            $this->section++;
        }
        $draft = Draft::of('question', $line, $number);
        $draft->path = $this->path;
        $draft->section = $this->section;
        $draft->type = $this->corrections->types[$line->number] ?? null;
        $draft->points = $this->pointsEach;
        $this->last = $label === null ? $this->last : $number;
        $this->open = $draft;
        $words = $line->words->slice($label->length ?? 0)->trimmed();
        if ($label !== null && $label->lead !== '') {
            $draft->answers[] = $label->lead;
            $draft->answerSign = Sign::AnswerBlank;
        }
        [$words, $points] = Points::in($words);
        $draft->points = $points ?? $draft->points;
        if ($label !== null && $label->sub !== '') {
            $this->part($draft, $label, $line);
        } elseif (! $words->isEmpty()) {
            $this->firstWords($draft, $words, $line);
        }
    }

    /** A part whose label says the number of its question too: "3a". */
    private function part(Draft $draft, QuestionLabel $label, Line $line): void
    {
        $draft->lines[] = $line->number;
        $words = $line->words->slice($label->length)->trimmed();
        $labelled = Label::at("$label->sub) x")[0] ?? null;
        $item = new Item($labelled, $words, $line->number);
        [$item->words, $item->points] = Points::in($words);
        $item->words = $item->words->spaced();
        $draft->items[] = $item;
    }

    /** The text behind the number, with options that may stand on the same line. */
    private function firstWords(Draft $draft, Words $words, Line $line): void
    {
        $text = $words->text();
        $first = Label::at($text)[0] ?? null;
        if ($first !== null && $first->value === 1 && in_array($first->type, ['lower', 'roman'], true) && str_contains($first->mark, ')')) {
            $this->within->take($draft, $line->with($words), null); // "4. (a) State …"

            return;
        }
        $start = '/(?:^|\s{2,}|\t|(?<=[?.:…])\s+)(?=(?:[^\p{L}\p{N}\s]{1,3}\s*)?\(?[Aa](?:\)\s*|[.:]\s+)\S)/u';
        $offset = 0;
        while (preg_match($start, $text, $m, PREG_OFFSET_CAPTURE, $offset) === 1) {
            $at = $m[0][1] + strlen($m[0][0]);
            foreach (Label::at(substr($text, $at)) as $label) {
                $items = $label->value === 1 ? $label->split($words->slice($at)) : [];
                if (count($items) > 1) {
                    $stem = $words->slice(0, $m[0][1])->spaced();
                    $draft->stem = $stem->isEmpty() ? [] : [$stem];
                    $this->within->take($draft, $line->with($words->slice($at)->trimmed()), null);

                    return;
                }
            }
            $offset = $at + 1;
        }
        if (preg_match('/\s+(?=[☐☑☒○◯□]\s*\S)/u', $text, $m, PREG_OFFSET_CAPTURE) === 1) {
            $draft->stem[] = $words->slice(0, $m[0][1])->spaced();
            $this->within->take($draft, $line->with($words->slice($m[0][1])->trimmed()), null);

            return;
        }
        $draft->stem[] = $words->spaced();
    }

    private function continued(Draft $draft, Line $line): void
    {
        $next = $this->next();
        $canEnd = $line->isApart || ! $this->document->wraps || $draft->isAnswered();
        $isSection = LineKinds::isSection($line->text(), ! $canEnd);
        if ($isSection ||
            ! $this->within->take($draft, $line, $next instanceof Line ? $next : null)) {
            $this->close();
            $this->loose($line);

            return;
        }
        $draft->lines[] = $line->number;
    }

    /** A line outside of questions: a heading, or a stimulus of what follows. Options below it make it a question without a number. */
    private function loose(Line $line): void
    {
        $isOptions = array_filter(Label::at($line->text(), $line->level), fn (Label $label): bool => $label->value < 2) !== [] ||
            Meta::of($line->text(), $this->corrections->words)?->kind === 'answer' || TrueFalse::line($line->words) !== null;
        if ($isOptions && $this->isPromotable()) {
            $this->promote();
            $this->continued($this->open ?? throw new \LogicException('No question is open.'), $line);

            return;
        }
        if ($this->open?->is === 'stimulus' && (! $line->isApart || $this->open->range !== null)) {
            $this->open->stem[] = $line->words->spaced();
            $this->open->lines[] = $line->number;

            return;
        }
        $this->close();
        if (LineKinds::isSection($line->text()) || (LineKinds::isHeading($line->text()) && Label::at($line->text()) === [])) {
            $this->heading($line);
        } else {
            $this->instruction($line);
        }
    }

    private function instruction(Line $line): void
    {
        $this->close();
        $each = Points::each($line->text());
        $this->pointsEach = $each ?? $this->pointsEach;
        $this->open = Draft::of('stimulus', $line);
        $this->open->stem[] = $line->words->spaced();
        $this->open->path = $this->path;
    }

    private function isPromotable(): bool
    {
        $before = $this->open ?? ($this->exam->drafts[count($this->exam->drafts) - 1] ?? null);

        return $before !== null && $before->is !== 'question' && $before->range === null && $this->key === null;
    }

    /** Makes the last paragraph a question. */
    private function promote(): void
    {
        $draft = $this->open ?? array_pop($this->exam->drafts);
        assert($draft instanceof Draft);
        if ($draft->is === 'heading') {
            $draft->path = $this->path = $draft->before;
        }
        $question = new Draft('question', $draft->line, 0);
        $question->stem = $draft->stem;
        $question->lines = $draft->lines;
        $question->path = $draft->path;
        $question->id = $draft->id;
        $question->section = $this->section;
        $question->points = $this->pointsEach;
        $question->type = $this->corrections->types[$draft->line] ?? null;
        $last = array_pop($question->stem);
        if ($last !== null) {
            [$words, $points] = Points::in($last);
            $question->stem[] = $words;
            $question->points = $points ?? $question->points;
        }
        $this->open = $question;
    }

    private function table(Table $table): void
    {
        $draft = $this->open?->is === 'question' ? $this->open : null;
        $key = $this->key === null && $this->last === null ? null : KeyTable::read($table, $this->key !== null);
        if ($key !== null) {
            $line = $table->lines()[0];
            $into = $this->key ?? null;
            if ($into === null) {
                $this->openKey($line);
                $into = $this->key;
                $this->key = null;
            }
            foreach ($key as [$number, $answer, $at]) {
                $into?->add($number, $answer, $at);
            }
            foreach ($table->lines() as $one) {
                $this->exam->roles[$one->number] = 'key';
            }

            return;
        }
        $isMatch = $draft === null && $this->open !== null && InQuestion::isMatching($this->open);
        $laid = ($isMatch ? MatchTable::asQuestions($table) : null) ?? TableLayout::lines($table, $draft);
        if ($laid !== null) {
            $this->all($laid);

            return;
        }
        if ($draft !== null && MatchTable::into($draft, $table)) {
            $this->takeAll($draft, $table);

            return;
        }
        if ($draft !== null && ! $draft->isAnswered()) {
            $draft->tables[] = [count($draft->stem), $table->html()];
            $this->takeAll($draft, $table);
        } elseif ($this->open?->is === 'stimulus') {
            $this->open->tables[] = [count($this->open->stem), $table->html()];
            $this->takeAll($this->open, $table);
        } elseif ($this->key !== null) {
            foreach ($table->lines() as $line) {
                $this->unused($line);
            }
        } else {
            $this->close();
            $this->open = Draft::of('stimulus', $table->lines()[0]);
            $this->open->path = $this->path;
            $this->open->tables[] = [0, $table->html()];
            $this->takeAll($this->open, $table);
        }
    }

    private function takeAll(Draft $draft, Table $table): void
    {
        foreach ($table->lines() as $line) {
            $draft->lines[] = $line->number;
        }
    }

    private function close(): void
    {
        if ($this->open !== null) {
            self::inOrder($this->open);
            $this->exam->drafts[] = $this->open;
        }
        $this->open = null;
    }

    /** Options of two columns by their letters, and which letter is missing. */
    private static function inOrder(Draft $draft): void
    {
        $values = array_map(fn (Item $item): int => $item->label->value ?? 0, $draft->items);
        if (count($values) < 2 || min($values) < 1) {
            return;
        }
        usort($draft->items, fn (Item $a, Item $b): int => ($a->label->value ?? 0) <=> ($b->label->value ?? 0));
        foreach (array_diff(range(1, max($values)), $values) as $value) {
            $draft->missing[] = [$draft->items[0]->line, strtoupper(chr(96 + min(26, $value)))];
        }
    }

    /** Whether the question that is open has its options or its answer, or a gap follows it. */
    private function isFinished(Line $line): bool
    {
        return $line->isApart || $this->open?->is !== 'question' || $this->open->isAnswered();
    }

    /** A number with another mark than those of the questions, where an option may stand: "1) slate" below "3. Which rock splits?". */
    private function isNumberedOption(QuestionLabel $label, string $mark): bool
    {
        if ($this->open?->is !== 'question' || $this->open->stem === [] || $label->hasBlank || str_starts_with($mark, 'word')) {
            return false;
        }
        $items = $this->open->items;
        $sub = $this->open->last()->items ?? [];
        $isNext = in_array($label->number, [count($items) + 1, count($sub) + 1, count($this->open->others) + 1], true);
        $isBeside = in_array(count($this->open->others), [0, count($items)], true);
        if (InQuestion::isMatching($this->open) && $label->number === count($items) + 1 && $isBeside && $this->open->answers === []) {
            return $label->number !== $this->open->number + 1 || $items !== [];
        }

        return $this->open->answers === [] && $label->mark !== '' && $this->mark !== null && $mark !== $this->mark && $isNext;
    }

    /** Question numbers continue, or restart at 1 after a heading. A few may be skipped where a question can start. */
    private function runsOn(QuestionLabel $label, Line $line): bool
    {
        $before = $this->open ?? ($this->exam->drafts[count($this->exam->drafts) - 1] ?? null);
        $number = $label->number;

        return $this->last === null ||
            $number === $this->last + 1 ||
            ($number > $this->last && $number <= $this->last + self::SKIPPED && $this->isFinished($line)) ||
            ($number === 1 && $before?->is !== 'question');
    }

    /** A number out of turn begins a question too, where the one before is finished and the line asks something or options follow it. */
    private function asksAnew(QuestionLabel $label, Line $line): bool
    {
        $text = substr($line->text(), $label->length);
        $next = $this->next();
        $options = $next instanceof Line ? array_filter(
            Label::at($next->text(), $next->level),
            fn (Label $one): bool => in_array($one->type, ['upper', 'lower'], true) && $one->value === 1,
        ) : [];

        return $label->number > 0 &&
            $label->mark !== '' &&
            $text !== '' &&
            $this->open?->is === 'question' &&
            $this->open->isAnswered() &&
            (preg_match('/\?$|_{3,}/u', trim($text)) === 1 || $options !== []);
    }

    private function next(): Line|Table|null
    {
        return $this->items[$this->at + 1] ?? null;
    }
}
