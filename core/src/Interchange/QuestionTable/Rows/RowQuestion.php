<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\KeyStyle;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\Typed\Recognition\PartJson;
use WideQuarry\Interchange\Typed\Recognition\Vocabulary;

/** Makes a question of the cells of its row. What a cell says wrongly is told, and the question comes without it. */
final class RowQuestion
{
    /** What stands between the sides of a pair, the surest first. */
    private const BETWEEN = ['→|=>|->|↔', '\s=\s', '=', '::', '\s[–—-]\s', ':\s'];

    /** What only a pair has. */
    private const SURE_PAIR = '/^\s*\S.*?\s*(?:=>|->|→|↔|\s=\s|::)\s*\S/su';

    /** @var list<\stdClass> */
    private array $parts = [];

    private string $body = '';

    private ?KindName $kind = null;

    public function __construct(
        private readonly Entry $entry,
        private readonly KeyStyle $style,
        private readonly string $decimal,
        private readonly CellProblems $problems,
    ) {
    }

    /** @return array<string, mixed>|null fields of core/schema/question.json; null when the row asks nothing */
    public function json(): ?array
    {
        $stem = $this->entry->cell(Meaning::Stem);
        if ($stem === null || $stem->isEmpty()) {
            $this->problems->wrong('no-question', $stem->address ?? $this->entry->first);

            return null;
        }
        $this->kind = $this->kindGiven();
        $options = RowOptions::of($this->entry, $this->problems);
        $stemHtml = CellText::html($stem->text);
        match ($this->form($options, $stem->text)) {
            'match' => $this->match($options, $stemHtml),
            'order' => $this->order($options, $stemHtml),
            'choice' => $this->choice($options, $stemHtml),
            'truth' => $this->truth($stemHtml),
            'essay' => $this->essay($stemHtml),
            default => (new RowTyped($this->entry, $this->kind, $this->decimal, $this->points(), $this->problems))
                ->into($this->body, $this->parts, $stemHtml),
        };
        $title = $this->entry->text(Meaning::Title);

        return [
            ...$title === '' ? [] : ['title' => mb_substr(CellText::plain($title), 0, 500)],
            'language' => $this->language(),
            'body' => $this->body,
            'parts' => $this->parts,
            ...$this->around(),
        ];
    }

    private function kindGiven(): ?KindName
    {
        $cell = $this->entry->cell(Meaning::Kind);
        if ($cell === null || $cell->isEmpty()) {
            return null;
        }
        $kind = KindName::of($cell->text);
        if ($kind === null) {
            $this->problems->wrong('kind-unknown', $cell->address, ['kind' => $cell->text]);
        }

        return $kind;
    }

    /** @return 'match'|'order'|'choice'|'truth'|'essay'|'typed' */
    private function form(RowOptions $options, string $stem): string
    {
        $count = count($options->texts);
        $answer = $this->entry->text(Meaning::Answer);
        $answers = CellList::of($answer, commas: false);
        $arePairs = fn (array $all): bool => count($all) > 1 && count(preg_grep(self::SURE_PAIR, $all) ?: []) === count($all);

        return match (true) {
            $this->kind === KindName::Pairs, $this->kind === KindName::Groups => 'match',
            $this->kind === KindName::Sequence => 'order',
            $this->kind === KindName::Essay => 'essay',
            in_array($this->kind, [KindName::Text, KindName::Number], true) => 'typed',
            $this->kind === KindName::Truth && $count < 2 => 'truth',
            $this->kind?->isChoice() === true => 'choice',
            $arePairs($options->texts) && $answer === '', $count === 0 && $arePairs($answers) => 'match',
            $count > 0 => 'choice',
            Vocabulary::pairOf($answer) !== null => 'truth',
            $answer === '' && $this->entry->text(Meaning::Right) === '' && $this->entry->text(Meaning::Model) !== '' => 'essay',
            default => 'typed',
        };
    }

    private function points(): int|float
    {
        $cell = $this->entry->cell(Meaning::Points);
        if ($cell === null || $cell->isEmpty()) {
            return 1;
        }
        $points = CellNumber::isDate($cell->text) ? null : CellNumber::points($cell->text, $this->decimal);
        if ($points === null) {
            $code = CellNumber::isDate($cell->text) ? 'points-are-date' : 'points-unknown';
            $this->problems->wrong($code, $cell->address, ['points' => $cell->text]);
        }

        return $points ?? 1;
    }

    private function choice(RowOptions $options, string $stem): void
    {
        if (count($options->texts) < 2) {
            $this->problems->wrong('too-few-options', ($this->entry->cell(Meaning::Option) ?? $this->entry->cell(Meaning::Options))->address
                ?? $this->entry->first, ['count' => count($options->texts)]);
        }
        $key = OptionKey::of($this->entry, $options, $this->style, $this->decimal, $this->problems);
        $right = $key->right();
        if (count($right) > 1 && $this->kind === KindName::Single && ! $key->isWeighted) {
            $cell = $this->entry->cell(Meaning::Answer) ?? $this->entry->cell(Meaning::Mark);
            $this->problems->note('several-right', $cell->address ?? $this->entry->first, ['count' => count($right)]);
        }
        $part = PartJson::choice(
            'p1',
            $this->points(),
            array_map(CellText::inline(...), $options->texts),
            $right,
            $this->kind === KindName::Several,
            $options->isParted ? ['shuffle' => true] : [],
        );
        if ($key->isWeighted) {
            if ($this->kind === KindName::Single && $part->settings instanceof \stdClass) {
                $part->settings->max = 1;
            }
            $part->scoring = (object) ['scheme' => 'weights'];
        }
        $this->optionRules($part, $options, $key);
        $this->parts[] = $part;
        $this->block($stem);
    }

    /** Credits and feedback of single options. */
    private function optionRules(\stdClass $part, RowOptions $options, OptionKey $key): void
    {
        $feedback = [];
        foreach ($this->entry->filled(Meaning::OptionFeedback) as $i => $cell) {
            $option = $options->places[$cell->for ?? $i + 1] ?? null;
            if ($option === null) {
                $this->problems->wrong('feedback-without-option', $cell->address, ['feedback' => CellText::plain($cell->text)]);
            } else {
                $feedback[$option] = CellText::html($cell->text);
            }
        }
        $of = $part->key ?? null;
        $ids = array_map(
            fn (mixed $option): string => $option instanceof \stdClass && is_string($option->id ?? null) ? $option->id : '',
            $part->settings instanceof \stdClass && is_array($part->settings->options) ? $part->settings->options : [],
        );
        $rules = [];
        foreach ($ids as $i => $id) {
            $credit = $key->credits[$i] ?? '0';
            if ($credit !== '0' || isset($feedback[$i])) {
                $rules[] = (object) [
                    'id' => "r-$id",
                    'on' => $id,
                    'credit' => $credit,
                    ...isset($feedback[$i]) ? ['feedback' => (object) ['html' => $feedback[$i]]] : [],
                ];
            }
        }
        if ($of instanceof \stdClass) {
            $of->rules = $rules;
        }
    }

    private function truth(string $stem): void
    {
        $cell = $this->entry->cell(Meaning::Answer) ?? $this->entry->cell(Meaning::Right);
        $answer = trim($cell->text ?? '');
        $pair = Vocabulary::pairOf($answer) ?? ['True', 'False'];
        $is = match ($answer) {
            '1' => true,
            '0' => false,
            default => Vocabulary::truth($answer),
        };
        if ($is === null) {
            $this->problems->wrong(
                $answer === '' ? 'key-missing' : 'truth-unknown',
                $cell->address ?? $this->entry->first,
                ['key' => $answer],
            );
        }
        $this->parts[] = PartJson::choice('p1', $this->points(), $pair, $is === null ? [] : [$is ? 0 : 1]);
        $this->block($stem);
    }

    private function match(RowOptions $options, string $stem): void
    {
        $cells = $this->entry->filled(Meaning::Option, Meaning::Options);
        $cells = $cells === [] ? $this->entry->filled(Meaning::Answer, Meaning::Right) : $cells;
        $left = $right = $pairs = [];
        foreach ($cells as $cell) {
            foreach ($cell->is === Meaning::Option ? [$cell->text] : CellList::of($cell->text, commas: false) as $text) {
                $m = self::sides($text);
                if ($m === null) {
                    $this->problems->wrong('pair-unknown', $cell->address, ['pair' => $text]);

                    continue;
                }
                $at = array_search($m[1], $right, true);
                if ($at === false) {
                    $at = count($right);
                    $right[] = $m[1];
                }
                if ($m[0] !== '') {
                    $pairs[] = [count($left), $at];
                    $left[] = $m[0];
                }
            }
        }
        if ($pairs === []) {
            $this->problems->wrong('key-missing', $this->entry->cell(Meaning::Options)->address ?? $this->entry->first);
        }
        $html = [array_map(CellText::inline(...), $left), array_map(CellText::inline(...), $right)];
        $this->parts[] = $this->kind === KindName::Groups
            ? self::groups($this->points(), $html[0], $html[1], $pairs)
            : self::reusing(PartJson::match('p1', $this->points(), $html[0], $html[1], $pairs), $pairs);
        $this->block($stem);
    }

    /** @return array{string, string}|null */
    private static function sides(string $text): ?array
    {
        foreach (self::BETWEEN as $sign) {
            if (preg_match("/^(.*?)\s*(?:$sign)\s*(\S.*)$/su", " $text", $m) === 1) {
                return [trim($m[1]), trim($m[2])];
            }
        }

        return null;
    }

    /**
     * What answers several things may be used as often.
     *
     * @param  list<array{int, int}>  $pairs
     */
    private static function reusing(\stdClass $part, array $pairs): \stdClass
    {
        $times = array_count_values(array_column($pairs, 1));
        foreach ($part->settings instanceof \stdClass && is_array($part->settings->right) ? $part->settings->right : [] as $i => $item) {
            if (($times[$i] ?? 0) > 1 && $item instanceof \stdClass) {
                $item->uses = $times[$i];
            }
        }

        return $part;
    }

    /**
     * @param  list<string>  $items
     * @param  list<string>  $groups
     * @param  list<array{int, int}>  $pairs
     */
    private static function groups(int|float $points, array $items, array $groups, array $pairs): \stdClass
    {

        return (object) [
            'id' => 'p1',
            'kind' => 'group',
            'points' => $points,
            'settings' => (object) ['items' => self::named($items, 'i'), 'groups' => self::named($groups, 'g')],
            'key' => (object) [
                'rules' => array_map(
                    fn (array $pair, int $i): \stdClass => (object) [
                        'id' => 'k'.($i + 1),
                        'on' => ['i'.($pair[0] + 1), 'g'.($pair[1] + 1)],
                        'credit' => '1',
                    ],
                    $pairs,
                    array_keys($pairs),
                ),
                'default' => '0',
            ],
        ];
    }

    /**
     * @param  list<string>  $html
     * @return list<\stdClass>
     */
    private static function named(array $html, string $side): array
    {
        return array_map(
            fn (string $one, int $i): \stdClass => (object) ['id' => $side.($i + 1), 'html' => $one],
            $html,
            array_keys($html),
        );
    }

    private function order(RowOptions $options, string $stem): void
    {
        $texts = $options->texts;
        $cell = $this->entry->cell(Meaning::Answer);
        if ($texts === []) {
            $texts = CellList::of($cell->text ?? '');
            $cell = null;
        }
        $sequence = array_keys($texts);
        if ($cell !== null && ! $cell->isEmpty()) {
            $sequence = self::sequence($cell->text, $texts);
            if ($sequence === null) {
                $this->problems->wrong('sequence-unknown', $cell->address, ['key' => $cell->text, 'count' => count($texts)]);
            }
        }
        if (count($texts) < 2) {
            $this->problems->wrong('too-few-options', $this->entry->cell(Meaning::Options)->address ?? $this->entry->first, [
                'count' => count($texts),
            ]);
        }
        $this->parts[] = PartJson::order('p1', $this->points(), array_map(CellText::inline(...), $texts), $sequence);
        $this->block($stem);
    }

    /**
     * @param  list<string>  $texts
     * @return list<int>|null "B, A, C", "2 1 3" or the words in order
     */
    private static function sequence(string $answer, array $texts): ?array
    {
        $found = [];
        $each = preg_match('/^[A-Za-z0-9](?:[\s,;>|-]*[A-Za-z0-9])*$/', trim($answer)) === 1
            ? (preg_split('/[\s,;>|-]+/', trim($answer)) ?: [])
            : CellList::of(str_replace(['>', '→'], ';', $answer));
        foreach (count($each) === 1 && ctype_alpha($each[0]) ? str_split($each[0]) : $each as $one) {
            $at = array_search(mb_strtolower($one), array_map(mb_strtolower(...), $texts), true);
            $at = $at !== false ? $at : (ctype_digit($one) ? (int) $one - 1 : (strlen($one) === 1 ? ord(strtolower($one)) - 97 : -1));
            $found[] = $at;
        }
        $sorted = $found;
        sort($sorted);

        return $sorted === array_keys($texts) ? $found : null;
    }

    private function essay(string $stem): void
    {
        $points = $this->points();
        $model = $this->entry->cell(Meaning::Model) ?? $this->entry->cell(Meaning::Answer);
        $part = PartJson::essay('p1', $points, max(6, (int) $points * 2), [], []);
        if ($model !== null && ! $model->isEmpty()) {
            $part->key = (object) ['models' => [(object) ['id' => 'm1', 'html' => CellText::html($model->text)]]];
        }
        $this->parts[] = $part;
        $this->block($stem);
    }

    private function block(string $stem): void
    {
        $this->body = $stem.'<div data-part="p1"></div>';
    }

    private function language(): string
    {
        $cell = $this->entry->cell(Meaning::Language);
        $text = trim($cell->text ?? '');
        if ($text === '') {
            return 'und';
        }
        if (preg_match('/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/D', $text) === 1) {
            return $text;
        }
        $codes = ['english' => 'en', 'deutsch' => 'de', 'german' => 'de', 'français' => 'fr', 'french' => 'fr',
            'español' => 'es', 'spanish' => 'es',
            'italiano' => 'it', 'italian' => 'it', 'nederlands' => 'nl', 'dutch' => 'nl', 'polski' => 'pl', 'polish' => 'pl',
            'português' => 'pt', 'portuguese' => 'pt', 'latin' => 'la'];
        $code = $codes[mb_strtolower($text)] ?? null;
        if ($code === null) {
            $this->problems->wrong('language-unknown', $cell->address ?? null, ['language' => $text]);
        }

        return $code ?? 'und';
    }

    /** @return array<string, mixed> feedback and hints */
    private function around(): array
    {
        $feedback = [];
        foreach ([
            'general' => Meaning::Feedback,
            'right' => Meaning::FeedbackRight,
            'wrong' => Meaning::FeedbackWrong,
        ] as $when => $meaning) {
            $text = $this->entry->text($meaning);
            if ($text !== '') {
                $feedback[$when] = (object) ['html' => CellText::html($text), ...$when === 'general' ? ['show' => 'after'] : []];
            }
        }
        $hints = array_map(fn (Cell $cell): string => CellText::html($cell->text), array_slice($this->entry->filled(Meaning::Hint), 0, 20));

        return [
            ...$feedback === [] ? [] : ['feedback' => (object) $feedback],
            ...$hints === [] ? [] : [
                'hints' => array_map(
                    fn (string $html, int $i): \stdClass => (object) ['id' => 'h'.($i + 1), 'html' => $html],
                    $hints,
                    array_keys($hints),
                ),
            ],
        ];
    }
}
