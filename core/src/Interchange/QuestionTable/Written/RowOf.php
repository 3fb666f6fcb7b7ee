<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use Brick\Math\RoundingMode;
use WideQuarry\Content\Gaps;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Mappings;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\QuestionTable\Rows\KindName;
use WideQuarry\Interchange\Typed\Written\TypedKey;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;
use WideQuarry\Variables\Roll;

/** The row of a question: its text, its options, its key, and what is said of it. */
final class RowOf
{
    private const PART = '~<(span|div) data-part="[^"]*"></\1>~';

    /** A line of its own for the answer is no gap; what follows the field is its unit. */
    private const OWN_LINE = '~<p>\s*<(?:span|div) data-part="[^"]*"></(?:span|div)>\s*([^<]{0,30})</p>$~';

    private readonly WrittenRow $row;

    private readonly Roll $roll;

    /** @var list<PlainPart> */
    private array $plain = [];

    /** @param  array<string, string>  $stimuli  id → rich text */
    private function __construct(
        private readonly Question $question,
        private readonly \stdClass $json,
        private readonly array $stimuli,
        private readonly PictureNames $pictures,
    ) {
        $this->row = new WrittenRow;
        $this->roll = $question->variables->anyRoll($question->language);
    }

    /**
     * @param  array<string, string>  $stimuli
     * @return WrittenRow|null null when a table cannot hold the question
     */
    public static function of(Question $question, \stdClass $json, array $stimuli, PictureNames $pictures): ?WrittenRow
    {
        $written = new self($question, $json, $stimuli, $pictures);

        return $written->write() ? $written->row : null;
    }

    private function write(): bool
    {
        foreach ($this->question->parts as $part) {
            $in = new WriteContext($this->question->language, $this->question->normalise, $this->roll, new Gaps($this->question->body), []);
            $plain = $part->kind === null ? null : Mappings::of($part->kind)?->plain($part, $in);
            if ($plain === null || ($plain->text !== '' && ! $plain->byHand)) {
                return false;
            }
            $this->plain[] = $plain;
        }
        $kind = $this->kind();
        if ($kind === null) {
            return false;
        }
        $this->row->put(Meaning::Identifier, is_string($this->json->id ?? null) ? $this->json->id : '');
        $this->row->put(Meaning::Kind, $kind->value);
        $this->row->put(Meaning::Title, is_string($this->json->title ?? null) ? $this->json->title : '');
        $this->body($kind);
        $this->answers($kind);
        $points = rtrim(rtrim((string) $this->question->points()->toScale(4, RoundingMode::HALF_EVEN), '0'), '.');
        $this->row->put(Meaning::Points, $points);
        $this->around();
        RecordOf::into($this->row, $this->json);
        $this->tellPlainer();

        return true;
    }

    /** A part that a table knows only as a plainer one comes back as that: found by reading the row. */
    private function tellPlainer(): void
    {
        $kinds = fn (mixed $parts): array => array_map(
            fn (mixed $part): mixed => $part instanceof \stdClass ? $part->kind ?? '' : '',
            is_array($parts) ? $parts : [],
        );
        if ($kinds(ReadBack::of($this->row)->parts ?? null) !== $kinds($this->json->parts ?? null)) {
            $this->row->lose('lost-kind');
        }
    }

    /** What the parts come to in a table; several are gaps of one sentence. */
    private function kind(): ?KindName
    {
        $shapes = array_map(fn (PlainPart $plain): string => $plain->shape->name, $this->plain);
        $first = $this->plain[0] ?? null;
        $areGaps = preg_match_all('~<span data-part=~', $this->question->body) === count($shapes);
        $areTyped = array_diff($shapes, [AnswerShape::Words->name, AnswerShape::Number->name]) === [];
        $isByHand = fn (int $at): bool => $this->plain[$at]->byHand || $this->question->parts[$at]->scheme === Scheme::Person;
        if ($first === null || count($shapes) > 1) {
            $isHeld = $first !== null && $areGaps && $areTyped && array_filter(array_keys($shapes), $isByHand) === [];

            return $isHeld ? (in_array(AnswerShape::Words->name, $shapes, true) ? KindName::Text : KindName::Number) : null;
        }

        return match (true) {
            $isByHand(0) => $first->shape === AnswerShape::Words ? KindName::Essay : null,
            $areTyped => $first->shape === AnswerShape::Words ? KindName::Text : KindName::Number,
            $first->inline => null,
            $first->shape === AnswerShape::Picks => $first->limits->several ? KindName::Several : KindName::Single,
            $first->shape === AnswerShape::Sequence => KindName::Sequence,
            default => $first->limits->sorts ? KindName::Groups : KindName::Pairs,
        };
    }

    private function raw(int $at): \stdClass
    {
        $part = is_array($this->json->parts ?? null) ? $this->json->parts[$at] ?? null : null;

        return $part instanceof \stdClass ? $part : new \stdClass;
    }

    private function body(KindName $kind): void
    {
        $body = $this->pictures->without($this->question->body, $this->row);
        if (in_array($kind, [KindName::Text, KindName::Number], true)) {
            if (count($this->plain) === 1 && preg_match(self::OWN_LINE, $body, $m) === 1) {
                $this->row->put(Meaning::Unit, trim(html_entity_decode($m[1])));
                $body = substr($body, 0, -strlen($m[0]));
            }
            $body = (string) preg_replace('~<span data-part="[^"]*"></span>~', '____', $body);
        }
        $body = (string) preg_replace(self::PART, '', $body).($kind === KindName::Essay ? $this->plain[0]->text : '');
        $this->row->put(Meaning::Stem, CellWriting::of($body));
        $passages = '';
        foreach (is_array($this->json->stimuli ?? null) ? $this->json->stimuli : [] as $id) {
            $passages .= is_string($id) ? $this->stimuli[$id] ?? '' : '';
        }
        $this->row->put(Meaning::Passage, CellWriting::of($this->pictures->without($passages, $this->row)));
    }

    private function answers(KindName $kind): void
    {
        $cells = new PartCells($this->row, $this->plain[0], $this->raw(0), $this->outward(...));
        match ($kind) {
            KindName::Single, KindName::Several, KindName::Truth => $cells->options(),
            KindName::Pairs, KindName::Groups => $cells->pairs(),
            KindName::Sequence => $cells->sequence(),
            KindName::Essay => $this->essay(),
            KindName::Text, KindName::Number => $this->typed(),
        };
    }

    private function typed(): void
    {
        $answers = [];
        foreach ($this->plain as $at => $plain) {
            $answers[] = $plain->shape === AnswerShape::Number ? $this->number($at) : $this->words($at);
        }
        $this->row->put(Meaning::Answer, implode("\n", $answers));
    }

    private function words(int $at): string
    {
        $words = [];
        foreach (PartCells::rules($this->raw($at)) as $rule) {
            $on = $rule->on ?? null;
            $isWhole = PartCells::credit($rule)->isEqualTo(1) && ! isset($rule->feedback);
            if ($isWhole && $on instanceof \stdClass && ($on->answer ?? '') === 'is' && is_array($on->text ?? null)) {
                array_push($words, ...array_filter($on->text, is_string(...)));
            } else {
                $this->row->lose('lost-key');
            }
        }
        $words = array_values(array_unique($words));

        return count($this->plain) > 1 ? implode(' | ', $words) : CellWriting::variants($words);
    }

    private function number(int $at): string
    {
        $part = $this->raw($at);
        [$answers, $isLossy] = TypedKey::of($this->plain[$at], $part, $this->question->parts[$at], $this->roll, [], '');
        if ($isLossy || (($part->settings ?? null) instanceof \stdClass && isset($part->settings->units))) {
            $this->row->lose('lost-key');
        }

        return $answers[0] ?? '';
    }

    private function essay(): void
    {
        $key = ($this->raw(0)->key ?? null) instanceof \stdClass ? $this->raw(0)->key : new \stdClass;
        $models = is_array($key->models ?? null) ? $key->models : [];
        $this->row->put(Meaning::Model, $this->outward(PartCells::htmlOf($models[0] ?? null)));
        if (count($models) > 1 || ($key->rubric ?? null) !== null) {
            $this->row->lose('lost-rubric');
        }
    }

    private function around(): void
    {
        $feedback = ($this->json->feedback ?? null) instanceof \stdClass ? $this->json->feedback : new \stdClass;
        $columns = ['general' => Meaning::Feedback, 'right' => Meaning::FeedbackRight, 'wrong' => Meaning::FeedbackWrong];
        foreach ($columns as $when => $meaning) {
            $this->row->put($meaning, $this->outward(PartCells::htmlOf($feedback->{$when} ?? null)));
        }
        $hints = array_map(PartCells::htmlOf(...), is_array($this->json->hints ?? null) ? $this->json->hints : []);
        $this->row->put(Meaning::Hint, ...array_map($this->outward(...), $hints));
        $this->row->put(Meaning::Language, $this->question->language === 'und' ? '' : $this->question->language);
        $ofParts = array_filter($this->question->parts, fn ($part): bool => $part->feedback !== []);
        if ($ofParts !== [] || PartCells::htmlOf($feedback->partly ?? null) !== '') {
            $this->row->lose('lost-feedback');
        }
        if ($this->question->variables->names() !== []) {
            $this->row->lose('lost-values');
        }
    }

    private function outward(string $html): string
    {
        return $html === '' ? '' : CellWriting::of($this->pictures->without($html, $this->row));
    }
}
