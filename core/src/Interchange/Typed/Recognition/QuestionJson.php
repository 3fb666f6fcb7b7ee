<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** A recognised question as JSON of ours, and how certain its key is. */
final class QuestionJson
{
    private const SEVERAL = '/\b(?:all\s+that\s+apply|all\s+(?:the\s+)?correct|(?:choose|select|tick|mark|circle|pick|'.
        'which)\s+(?:the\s+)?(?:two|three|four|2|3|4|several|all)|more\s+than\s+one|mehrere|alle\s+(?:richtigen|zutreffenden)|'.
        'plusieurs|toutes\s+les|varias|todas\s+las|più\s+di\s+una|meerdere|wszystkie|todas\s+as)\b/iu';

    /** @var list<\stdClass> */
    private array $parts = [];

    private readonly Body $body;

    /** @var list<float> how certain each key is */
    private array $certainties = [];

    /** @var list<string> reasons that stand behind answers */
    private array $because = [];

    private function __construct(
        private readonly Recognised $question,
        private readonly Evidence $evidence,
        private readonly Corrections $corrections,
    ) {
        $this->body = new Body;
    }

    public static function of(Recognised $question, string $id, Evidence $evidence, Corrections $corrections): \stdClass
    {
        return (new self($question, $evidence, $corrections))->json($id);
    }

    private function json(string $id): \stdClass
    {
        match ($this->question->form) {
            'match' => $this->match(),
            'order' => $this->order(),
            'parts', 'statements' => $this->several(),
            default => $this->one(),
        };
        $draft = $this->question->draft;
        $json = [
            'format' => 'wide-quarry/question',
            'version' => 1,
            'id' => $id,
            'language' => 'und',
            'body' => $this->body->html(),
            'parts' => $this->parts,
        ];
        $feedback = $this->feedback();
        if ($feedback !== []) {
            $html = implode('', array_map(fn (string $one): string => "<p>$one</p>", $feedback));
            $json['feedback'] = (object) ['general' => (object) ['html' => $html, 'show' => 'after']];
        }
        if ($draft->hints !== []) {
            $json['hints'] = array_map(
                fn (Words $hint, int $i): \stdClass => (object) ['id' => 'h'.($i + 1), 'html' => '<p>'.$hint->html().'</p>'],
                array_slice($draft->hints, 0, 20),
                array_keys(array_slice($draft->hints, 0, 20)),
            );
        }

        $this->tellUnused($json);

        return (object) [...$json, 'certainty' => $this->certainty()];
    }

    /** @return list<string> the explanation, models and schemes that are not an essay's, and reasons of statements, each as rich text */
    private function feedback(): array
    {
        $draft = $this->question->draft;
        $feedback = $draft->feedback === null ? [] : [$draft->feedback->html()];
        $isEssay = in_array(Sign::Essay, $this->question->signs, true);
        foreach ($isEssay ? [] : [...$draft->models, ...$draft->scheme] as $words) {
            $feedback[] = $words->html();
        }
        foreach ($this->because as $because) {
            $feedback[] = htmlspecialchars(Vocabulary::capital($because), ENT_NOQUOTES | ENT_SUBSTITUTE);
        }

        return $feedback;
    }

    /**
     * Of what is typed as an answer no word disappears.
     *
     * @param  array<string, mixed>  $json
     */
    private function tellUnused(array $json): void
    {
        $kept = mb_strtolower(
            implode(' ', $this->question->missing).' '.json_encode($json, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
        );
        $draft = $this->question->draft;
        $items = array_merge([], ...array_map(fn (Item $item): array => $item->answers, [...$draft->items, ...$draft->others]));
        foreach (array_unique(
            [
                ...$this->question->given,
                ...$draft->answers,
                ...$items,
                ...array_merge([], ...array_column($this->question->asked, 'answers')),
            ],
        ) as $answer) {
            preg_match_all('/\p{L}{3,}\d*/u', mb_strtolower($answer), $words);
            $lost = array_filter($words[0], fn (string $word): bool => Vocabulary::pairOf($word) === null && ! str_contains($kept, $word));
            if ($lost !== []) {
                $this->question->miss('answer-not-used', answer: $answer);
            }
        }
    }

    private function certainty(): float
    {
        $certainty = $this->certainties === [] ? 0.0 : min($this->certainties);

        return $this->question->isDisputed && $certainty < 1.0 ? min($certainty, Sign::DISPUTED) : $certainty;
    }

    private function points(?string $own, int $among = 1): int|float
    {
        $all = (float) ($this->corrections->points ?? $own ?? $among);
        $each = $all / $among;

        return fmod($each * 10000, 1.0) === 0.0 ? (floor($each) === $each ? (int) $each : $each) : 1;
    }

    private function keyed(Sign $sign, ?float $certainty = null): void
    {
        $this->question->sign($sign);
        $this->certainties[] = $certainty ?? $sign->certainty();
    }

    private function one(): void
    {
        $asked = $this->question->asked[0];
        $draft = $this->question->draft;
        $this->ask($asked, 'p1', $asked->stem, $draft->tables, $draft->points);
    }

    private function several(): void
    {
        $draft = $this->question->draft;
        $this->body->paragraphs($draft->stem, $draft->tables);
        $own = array_filter($this->question->asked, fn (Asked $asked): bool => $asked->points !== null);
        foreach ($this->question->asked as $i => $asked) {
            $label = $asked->label !== '' && preg_match('/\w/', $asked->label) === 1 ? $asked->label : '('.chr(97 + min(25, $i)).')';
            $first = $asked->stem[0] ?? Words::of([]);
            $stem = [Words::plain($label)->followedBy($first), ...array_slice($asked->stem, 1)];
            $points = $asked->points ?? (
                $own === [] ? (string) $this->points($draft->points ?? $draft->total, count($this->question->asked)) : null
            );
            $this->ask($asked, 'p'.(count($this->parts) + 1), $stem, [], $points);
        }
    }

    /**
     * @param  list<Words>  $stem
     * @param  list<array{int, string}>  $tables
     */
    private function ask(Asked $asked, string $id, array $stem, array $tables, ?string $points): void
    {
        if ($asked->because !== '') {
            $this->because[] = $asked->because;
        }
        match (true) {
            $asked->options !== [] => $this->choice($asked, $id, $stem, $tables, $points),
            $asked->pair !== null => $this->pair($asked, $id, $stem, $tables, $points),
            $asked->menus !== [] => $this->menus($asked, $stem, $tables, $points),
            default => $this->typed($asked, $stem, $tables, $points),
        };
    }

    /** @return list<int> */
    private function right(Unit $unit, Asked $asked): array
    {
        if ($unit->said !== null) {
            $differs = $unit->marked !== null && $unit->marked !== $unit->said;
            $this->keyed($asked->sign, $differs ? Sign::DISPUTED : null);
        } elseif ($unit->marked !== null && $unit->sign !== null) {
            $this->keyed($unit->sign, $unit->certainty);
        }

        return $unit->said ?? $unit->marked ?? [];
    }

    /**
     * @param  list<Words>  $stem
     * @param  list<array{int, string}>  $tables
     */
    private function choice(Asked $asked, string $id, array $stem, array $tables, ?string $points): void
    {
        $unit = $asked->unit ?? new Unit([]);
        $this->marksOf($unit);
        $right = $this->right($unit, $asked);
        if ($right === [] && ($asked->answers[0] ?? '') === '') {
            $this->question->miss('no-answer-no-option');
        }
        $html = array_map(fn (Item $item): string => $this->plain($item->words)->html(), $asked->options);
        $this->body->paragraphs($stem, $tables)->block($id);
        $isSeveral = preg_match(self::SEVERAL, $asked->text()) === 1 || array_filter(
            $asked->options,
            fn (Item $item): bool => $item->label?->type === 'box',
        ) === $asked->options && count($right) > 1;
        $this->parts[] = PartJson::choice($id, $this->points($points), $html, $right, $isSeveral);
    }

    /** Looks of the key are no looks of the option. */
    private function plain(Words $words): Words
    {
        foreach (array_keys($this->evidence->looks) as $look) {
            $words = Looks::without($words, (string) $look);
        }

        return $words;
    }

    private function marksOf(Unit $unit): void
    {
        if ($unit->said !== null && $unit->marked === null) {
            $this->evidence->apply($unit);
        }
    }

    /**
     * @param  list<Words>  $stem
     * @param  list<array{int, string}>  $tables
     */
    private function pair(Asked $asked, string $id, array $stem, array $tables, ?string $points): void
    {
        $unit = $asked->unit ?? new Unit([[], []]);
        $right = $this->right($unit, $asked);
        if ($right === []) {
            $this->question->miss('no-answer-true-or-false');
        }
        $this->body->paragraphs($stem, $tables)->block($id);
        $pair = $asked->pair ?? ['True', 'False'];
        $pair = mb_strlen($pair[0]) === 1 ? ['True', 'False'] : $pair;
        $this->parts[] = PartJson::choice($id, $this->points($points), $pair, $right);
    }

    /**
     * @param  list<Words>  $stem
     * @param  list<array{int, string}>  $tables
     */
    private function menus(Asked $asked, array $stem, array $tables, ?string $points): void
    {
        $instead = [];
        $shift = ($stem[0] ?? null)?->text() === ($asked->stem[0] ?? null)?->text()
            ? 0
            : strlen($stem[0]->text()) - strlen($asked->stem[0]->text());
        foreach ($asked->menus as $menu) {
            $id = 'p'.(count($this->parts) + 1);
            $right = $this->right($menu->unit ?? new Unit([]), $asked);
            if ($right === []) {
                $this->question->miss('no-answer-no-option');
            }
            $html = array_map(fn (Words $one): string => $this->plain($one)->html(), $menu->words);
            $this->parts[] = PartJson::menu($id, $this->points($points, count($asked->menus)), $html, $right);
            $instead[] = [$menu->paragraph, $menu->from + ($menu->paragraph === 0 ? $shift : 0), $menu->length, Body::place($id)];
        }
        $this->body->filled($stem, $instead, $tables);
    }

    /**
     * @param  list<Words>  $stem
     * @param  list<array{int, string}>  $tables
     */
    private function typed(Asked $asked, array $stem, array $tables, ?string $points): void
    {
        $draft = $this->question->draft;
        $gaps = Body::gaps($stem);
        $answer = implode('; ', array_filter($asked->answers, fn (string $one): bool => $one !== ''));
        if ($gaps !== []) {
            $this->question->sign(Sign::Gaps);
        }
        if ($this->isEssay($asked, $gaps !== [], $answer)) {
            $this->essay($asked, $stem, $tables, $points, $answer);

            return;
        }
        $given = $answer === '' ? [] : self::split($answer, count($gaps));
        $count = max(1, count($gaps));
        if ($answer === '') {
            $this->question->miss('answer-found-needs-manual');
        } elseif (count($given) !== $count) {
            $this->question->miss('gaps-answers-none-taken', gaps: count($gaps), count: count($given), answer: $answer);
            $given = [];
        } else {
            $this->keyed($asked->sign, self::isVague($answer, $asked->text(), count($gaps)) || $asked->isDisputed ? Sign::DISPUTED : null);
        }
        $instead = [];
        $after = '';
        for ($i = 0; $i < $count; $i++) {
            $id = 'p'.(count($this->parts) + 1);
            if (isset($given[$i])) {
                [$part, $after] = PartJson::typed($id, $this->points($points, $count), $given[$i], $draft->type);
            } else {
                $part = PartJson::byHand($id, $this->points($points, $count), count($gaps));
            }
            $this->parts[] = $part;
            if ($gaps !== []) {
                $instead[] = [...$gaps[$i], Body::place($id)];
            }
        }
        $this->body->filled($stem, $instead, $tables);
        if ($gaps === []) {
            $unit = $after === '' ? '' : ' '.htmlspecialchars($after, ENT_NOQUOTES);
            $this->body->line(Body::place('p'.count($this->parts)).$unit);
        }
    }

    /** An answer that says more than the words to type: a choice of several, a remark for who marks, a sentence. */
    private static function isVague(string $answer, string $asked, int $gaps): bool
    {
        $remark = '/\b(?:any\s+(?:one|two|three|four|order|answer|\d)|accept\s+any|or\s+similar|etc\b|e\.g\.|varies|vary|various|'.
            'own\s+words)/iu';
        $asksSeveral = $gaps < 2 && preg_match('/\b(?:two|three|four|five|several|[2-5])\b/iu', $asked) === 1;

        return preg_match($remark, $answer) === 1 ||
            ($asksSeveral && str_contains($answer, ',')) ||
            preg_match('/^\(?[A-Ha-h]\)?\.?$/', $answer) === 1 || // of an option that was not found
            count(preg_split('/\s+/u', $answer) ?: []) > 8;
    }

    private function isEssay(Asked $asked, bool $hasGaps, string $answer): bool
    {
        $draft = $this->question->draft;
        if ($draft->type !== null) {
            return $draft->type === QuestionType::Essay;
        }
        $isAsked = preg_match(
            '/^(?:\W*)(?:essay\s*[:.]\s*|in\s+your\s+own\s+words,?\s+|briefly\s+)?(?:'.Vocabulary::ESSAY.')\b/iu',
            $asked->text(),
        ) === 1;

        return ! $hasGaps && ($draft->models !== [] || $draft->scheme !== [] || ($answer === '' && ($isAsked || $asked->space > 1)) ||
            ($isAsked && mb_strlen($answer) > 120));
    }

    /**
     * @param  list<Words>  $stem
     * @param  list<array{int, string}>  $tables
     */
    private function essay(Asked $asked, array $stem, array $tables, ?string $points, string $answer): void
    {
        $draft = $this->question->draft;
        $this->question->sign(Sign::Essay);
        $id = 'p'.(count($this->parts) + 1);
        $models = $draft->models !== [] || $answer === '' ? $draft->models : [Words::plain($answer)];
        $worth = $this->points($points);
        $this->parts[] = PartJson::essay($id, $worth, $asked->space ?: max(6, (int) $worth * 2), $models, $draft->scheme);
        if ($models === [] && $draft->scheme === []) {
            $this->question->miss('answer-found-needs-manual');
        }
        $this->body->paragraphs($stem, $tables)->block($id);
    }

    /** @return list<string> */
    private static function split(string $answer, int $gaps): array
    {
        if ($gaps < 2) {
            return [$answer];
        }
        $numbered = AnswerText::ofParts($answer, $gaps);
        foreach (['/\s*;\s*/u', '/\s*[;,]\s*/u', '/\s*[\/|]\s*/u', '/\s*(?:,|\band\b)\s*/u'] as $between) {
            $given = array_map(trim(...), preg_split($between, $answer) ?: []);
            if (count($given) === $gaps) {
                return $given;
            }
        }

        return count($numbered) === $gaps ? array_values($numbered) : array_map(trim(...), preg_split('/\s*[;,]\s*/u', $answer) ?: []);
    }

    private function match(): void
    {
        $draft = $this->question->draft;
        $asked = $this->question->asked[0];
        $answer = implode(', ', $asked->answers);
        $pairs = $draft->isPaired && $answer === ''
            ? array_map(fn (int $i): array => [$i, $i], array_keys($draft->items))
            : ($answer === '' ? null : AnswerText::pairs($answer, $draft->items, $draft->others));
        if ($pairs !== null) {
            $this->keyed($asked->sign);
        } elseif ($answer !== '') {
            $this->question->miss('answer-names-none-options', answer: $answer);
        } else {
            $this->question->miss('no-answer-no-option');
        }
        $this->parts[] = PartJson::match(
            'p1',
            $this->points($asked->points),
            self::html($draft->items),
            self::html($draft->others),
            $pairs ?? [],
        );
        $this->body->paragraphs($asked->stem, $draft->tables)->block('p1');
    }

    /**
     * @param  list<Item>  $items
     * @return list<string>
     */
    private static function html(array $items): array
    {
        return array_map(fn (Item $item): string => $item->words->html(), $items);
    }

    private function order(): void
    {
        $asked = $this->question->asked[0];
        $sequence = ($asked->answers[0] ?? '') === '' ? null : AnswerText::sequence($asked->answers[0], $asked->options);
        if ($sequence !== null) {
            $this->keyed($asked->sign);
        } else {
            $this->question->miss('no-answer-no-option');
        }
        $html = array_map(fn (Item $item): string => $item->words->html(), $asked->options);
        $this->parts[] = PartJson::order('p1', $this->points($asked->points), $html, $sequence);
        $this->body->paragraphs($asked->stem, $this->question->draft->tables)->block('p1');
    }
}
