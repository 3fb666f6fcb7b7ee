<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/**
 * Reads response processing by the shapes it commonly has: the standard's templates, one condition or mapping per
 * response added up, all matches joined by "and", and chains of conditions over one response. Anything else is not
 * translated; it is never guessed.
 */
final class Processing
{
    /** @var array<string, Marking> by response identifier */
    public array $markings = [];

    public bool $all = false;

    public bool $untranslated = false;

    /** @var array{low?: string, high?: string} what the score is held to */
    public array $bounds = [];

    /** @var list<\DOMElement> conditions that only choose feedback */
    public array $feedback = [];

    /** @var array<string, string> response → the one whose rules it shares, each of which earns once */
    public array $once = [];

    /** @var array<string, string> outcome → response that sets it */
    public array $setBy = [];

    /** @param  array<string, Declaration>  $responses */
    public function __construct(?\DOMElement $processing, private readonly array $responses, private readonly Mappings $mappings)
    {
        if ($processing === null) {
            return;
        }
        $template = basename($processing->getAttribute('template'), '.xml');
        if ($template !== '') {
            $this->template($template);

            return;
        }
        $rules = Xml::children($processing);
        for ($at = 0; $at < count($rules); $at++) {
            $known = $this->known($rules, $at);
            if ($known === 0) {
                $this->rule($rules[$at]);
            } else {
                $at += $known - 1;
            }
        }
    }

    /**
     * @param  list<\DOMElement>  $rules
     * @return int how many rules from here on are a kind's own
     */
    private function known(array $rules, int $at): int
    {
        foreach ($this->responses as $id => $declaration) {
            foreach (isset($this->markings[$id]) ? [] : $this->mappings->withOwnRules() as $mapping) {
                $known = $mapping->known($rules, $at, $declaration);
                if ($known !== null && $this->mark($id, $known[0], "SCORE_$id")) {
                    return $known[1];
                }
            }
        }

        return 0;
    }

    private function template(string $name): void
    {
        $by = match ($name) {
            'match_correct' => 'correct',
            'map_response', 'map_response_point' => 'map',
            default => null,
        };
        if ($by === null || ! isset($this->responses['RESPONSE'])) {
            $this->untranslated = true;

            return;
        }
        $this->markings['RESPONSE'] = new Marking($by);
    }

    private function rule(\DOMElement $rule): void
    {
        $understood = match ($rule->localName) {
            'qti-set-outcome-value' => $this->assignment($rule),
            'qti-response-condition' => $this->condition($rule),
            default => false,
        };
        if (! $understood) {
            $outcomes = array_map(
                fn (\DOMElement $set): string => $set->getAttribute('identifier'),
                Xml::all($rule, 'qti-set-outcome-value'),
            );
            $aboutFeedback =
                $outcomes !== [] && array_filter($outcomes, fn (string $id): bool => ! str_contains(strtoupper($id), 'FEEDBACK')) === [];
            if ($aboutFeedback) {
                $this->feedback[] = $rule;
            } else {
                $this->untranslated = true;
            }
        }
    }

    /** SCORE := mapping, or SCORE := the sum of what was set before (with mappings in it). */
    private function assignment(\DOMElement $set): bool
    {
        $value = Xml::children($set)[0] ?? null;
        $terms = $value !== null && $value->localName === 'qti-sum' ? Xml::children($value) : array_filter([$value]);
        foreach ($terms as $term) {
            $id = $term->getAttribute('identifier');
            $known = match ($term->localName) {
                'qti-map-response', 'qti-map-response-point' => $this->mark($id, new Marking('map'), $set->getAttribute('identifier')),
                'qti-variable' => isset($this->setBy[$id]) || str_starts_with($id, 'SCORE'),
                'qti-base-value' => $this->constant($terms, trim($term->textContent)),
                default => false,
            };
            if (! $known) {
                return false;
            }
        }

        return $terms !== [];
    }

    /**
     * What is added to a mapping whenever something was answered.
     *
     * @param  array<int, \DOMElement>  $terms
     */
    private function constant(array $terms, string $value): bool
    {
        foreach ($terms as $term) {
            $marking = $term->localName === 'qti-map-response' ? $this->markings[$term->getAttribute('identifier')] ?? null : null;
            if ($marking !== null && is_numeric($value)) {
                $marking->added = $value;

                return true;
            }
        }

        return false;
    }

    private function condition(\DOMElement $condition): bool
    {
        $branches = Xml::children($condition);
        $first = $branches[0] ?? null;
        $test = $first === null ? null : Xml::children($first)[0] ?? null;
        if ($first === null || $test === null) {
            return false;
        }
        if ($this->bound($condition, $first, $test)) {
            return true;
        }
        if ($test->localName === 'qti-and' && $this->allMatch($test)) {
            return $this->allOrNothing($test, $first);
        }
        $else = $branches[1] ?? null;
        if ($test->localName === 'qti-is-null' && count($branches) === 3 && $this->costly($branches[1], $branches[2])) {
            return true;
        }
        if (
            $test->localName === 'qti-is-null' &&
            count($branches) === 2 &&
            $else?->localName === 'qti-response-else' &&
            $this->setValue($else) === null
        ) {
            // blank earns nothing; what follows is the marking
            return array_filter(
                Xml::children($else),
                fn (\DOMElement $rule): bool => $rule->localName !== 'qti-set-outcome-value' || ! $this->assignment($rule),
            ) === [];
        }
        $response = $this->matchesCorrect($test);
        if ($response !== null && count($branches) <= 2) {
            $set = $this->setValue($first);

            return $set !== null &&
                ($branches[1] ?? null)?->localName !== 'qti-response-else-if' &&
                $this->mark($response, new Marking('correct', $set[1]), $set[0]);
        }

        return (count($branches) === 1 && $this->again($first, $test)) || $this->chain($branches);
    }

    /** An answer that has been given elsewhere already earns what one earns that nothing catches: the two share their rules. */
    private function again(\DOMElement $branch, \DOMElement $test): bool
    {
        $set = $this->setValue($branch);
        $here = $set === null ? '' : $this->setBy[$set[0]] ?? '';
        $marking = $this->markings[$here] ?? null;
        if ($set === null || $marking?->by !== 'chain' || (float) $set[1] !== (float) $marking->points) {
            return false;
        }
        $before = [];
        foreach ($test->localName === 'qti-or' ? Xml::children($test) : [$test] as $both) {
            [$one, $other] = [...Xml::children($both), null, null];
            $id = $one === null ? '' : (Xml::all($one, 'qti-variable')[0] ?? null)?->getAttribute('identifier') ?? '';
            if (
                $both->localName !== 'qti-and' ||
                $one === null ||
                $other === null ||
                self::over($one, $id) !== self::over($other, $here)
            ) {
                return false;
            }
            $before[$id][] = self::over($other, $here);
        }
        $tests = self::caught($marking, $here);
        foreach ($before as $id => $said) {
            if ($said !== $tests || ! isset($this->markings[$id]) || self::caught($this->markings[$id], (string) $id) !== $tests) {
                return false;
            }
        }
        $first = $this->once[(string) array_key_first($before)] ?? (string) array_key_first($before);
        $this->once[$here] = $first;

        return true;
    }

    /** @return list<string> what the conditions of a chain ask, whatever the response is called */
    private static function caught(Marking $marking, string $response): array
    {
        return array_values(
            array_map(
                fn (array $link): string => self::over($link[0], $response),
                array_filter($marking->chain, fn (array $link): bool => $link[0]->localName !== 'qti-is-null'),
            ),
        );
    }

    private static function over(\DOMElement $test, string $response): string
    {
        return str_replace("identifier=\"$response\"", 'identifier=""', Xml::source($test));
    }

    /** More things than so many take something from what the mapping gives; no more than so many are marked by the mapping alone. */
    private function costly(\DOMElement $more, \DOMElement $else): bool
    {
        $path = new \DOMXPath($more->ownerDocument ?? new \DOMDocument);
        $at = fn (string $steps): string => (string) preg_replace('~(?<=/|^)qti-([\w-]+)~', '*[local-name()="qti-$1"]', $steps);
        /** @param  string  $steps  from a branch */
        $said = function (string $steps, \DOMElement $in) use ($path, $at): string {
            $value = $path->evaluate('string('.$at($steps).')', $in);

            return is_string($value) ? trim($value) : '';
        };
        $inMap = 'qti-set-outcome-value/qti-max/qti-subtract';
        $response = $said('qti-gt/qti-container-size/qti-variable/@identifier', $more);
        $n = $said('qti-gt/qti-base-value', $more);
        $cost = $said("$inMap/qti-product/qti-base-value", $more);
        $whole =
            $else->localName === 'qti-response-else' &&
            count(Xml::all($more)) === 15 &&
            ctype_digit($n) &&
            is_numeric($cost) &&
            (float) $said('qti-set-outcome-value/qti-max/qti-base-value', $more) === 0.0 &&
            $said("$inMap/qti-map-response/@identifier", $more) === $response &&
            $said("$inMap/qti-product/qti-subtract/qti-container-size/qti-variable/@identifier", $more) === $response &&
            $said("$inMap/qti-product/qti-subtract/qti-base-value", $more) === $n;
        if (
            ! $whole ||
            array_filter(
                Xml::children($else),
                fn (\DOMElement $rule): bool => $rule->localName !== 'qti-set-outcome-value' || ! $this->assignment($rule),
            ) !== [] ||
            ! isset($this->markings[$response])
        ) {
            return false;
        }
        $this->markings[$response]->extra = [(int) $n, $cost];

        return true;
    }

    /** Where the score is below or above a limit, it is set to that. */
    private function bound(\DOMElement $condition, \DOMElement $first, \DOMElement $test): bool
    {
        $which = ['qti-lt' => 'low', 'qti-lte' => 'low', 'qti-gt' => 'high', 'qti-gte' => 'high'][(string) $test->localName] ?? null;
        $set = $this->setValue($first);
        $about = Xml::children($test)[0] ?? null;
        $limit = trim(Xml::child($test, 'qti-base-value')->textContent ?? '');
        if (
            $which === null ||
            $set === null ||
            count(Xml::children($condition)) > 1 ||
            $about?->localName !== 'qti-variable' ||
            $about->getAttribute('identifier') !== 'SCORE' ||
            $set[0] !== 'SCORE' ||
            ! is_numeric($limit) ||
            (float) $limit !== (float) $set[1] ||
            $condition->nextElementSibling?->localName === 'qti-set-outcome-value'
        ) {
            return false;
        }
        $this->bounds[$which] = $limit;

        return true;
    }

    /** @param  list<\DOMElement>  $branches */
    private function chain(array $branches): bool
    {
        $response = null;
        $marking = new Marking('chain', '0');
        $outcome = '';
        foreach ($branches as $branch) {
            $set = $this->setValue($branch);
            if ($set === null) {
                return false;
            }
            [$outcome, $value] = $set;
            if ($branch->localName === 'qti-response-else') {
                $marking->points = $value;

                continue;
            }
            $test = Xml::children($branch)[0];
            $about = array_unique(
                array_map(fn (\DOMElement $variable): string => $variable->getAttribute('identifier'), Xml::all($test, 'qti-variable')),
            );
            if (count($about) !== 1 || ($response !== null && $about[0] !== $response)) {
                return false;
            }
            $response = $about[0];
            $marking->chain[] = [$test, $value];
        }

        return $response !== null && $this->mark($response, $marking, $outcome);
    }

    private function allMatch(\DOMElement $and): bool
    {
        return array_filter(Xml::children($and), fn (\DOMElement $match): bool => $this->matchesCorrect($match) === null) === [];
    }

    private function allOrNothing(\DOMElement $and, \DOMElement $branch): bool
    {
        $set = $this->setValue($branch);
        if ($set === null) {
            return false;
        }
        foreach (Xml::children($and) as $match) {
            $this->mark((string) $this->matchesCorrect($match), new Marking('correct', ''), $set[0]);
        }
        $count = count(Xml::children($and));
        foreach ($this->markings as $marking) {
            $marking->points = (string) round((float) $set[1] / $count, 4);
        }
        $this->all = true;

        return true;
    }

    private function matchesCorrect(\DOMElement $match): ?string
    {
        [$variable, $correct] = [...Xml::children($match), null, null];

        return $match->localName === 'qti-match' &&
            $variable?->localName === 'qti-variable' &&
            $correct?->localName === 'qti-correct' &&
            $variable->getAttribute('identifier') === $correct->getAttribute('identifier')
            ? $variable->getAttribute('identifier')
            : null;
    }

    /** @return array{string, string}|null the outcome a branch sets and the number it sets or adds */
    private function setValue(\DOMElement $branch): ?array
    {
        $sets = Xml::children($branch, 'qti-set-outcome-value');
        if (count($sets) !== 1) {
            return null;
        }
        $value = Xml::children($sets[0])[0] ?? null;
        if ($value?->localName === 'qti-sum' && Xml::child($value, 'qti-map-response') === null) {
            $value = Xml::child($value, 'qti-base-value');
        }

        return $value?->localName === 'qti-base-value' && is_numeric(trim($value->textContent))
            ? [$sets[0]->getAttribute('identifier'), trim($value->textContent)]
            : null;
    }

    private function mark(string $response, Marking $marking, string $outcome): bool
    {
        if (! isset($this->responses[$response]) || isset($this->markings[$response])) {
            return false;
        }
        $this->markings[$response] = $marking;
        $this->setBy[$outcome] = $response;

        return true;
    }
}
