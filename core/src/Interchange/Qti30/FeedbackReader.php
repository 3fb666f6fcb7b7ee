<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/**
 * Modal feedback to ours: a test equal to "this rule matched" or to right, partly or wrong takes it there; any other is told as lost.
 */
final class FeedbackReader
{
    /** @var array<string, string> identifier → rich text, of those not placed yet */
    private array $waiting = [];

    /**
     * @param  list<\stdClass>  $parts
     * @param  \Closure(\DOMElement): string  $content
     */
    public function __construct(
        \DOMElement $item,
        private readonly Processing $processing,
        private readonly array $parts,
        private readonly \stdClass $question,
        private readonly PartKinds $kinds,
        \Closure $content,
    ) {
        foreach (Xml::children($item, 'qti-modal-feedback') as $modal) {
            $this->waiting[$modal->getAttribute('identifier')] = $content(Xml::child($modal, 'qti-content-body') ?? $modal);
        }
    }

    /** @return bool whether every feedback found its place */
    public function place(): bool
    {
        foreach ($this->processing->feedback as $condition) {
            $before = [];
            foreach (Xml::children($condition) as $branch) {
                $test = $branch->localName === 'qti-response-else' ? null : Xml::children($branch)[0] ?? null;
                foreach ($this->identifiers($branch) as $id) {
                    if (isset($this->waiting[$id]) && $this->put($this->waiting[$id], $test, $before)) {
                        unset($this->waiting[$id]);
                    }
                }
                if ($test !== null) {
                    $before[] = $test;
                }
            }
        }

        return $this->waiting === [];
    }

    /** @return list<string> the feedback a branch shows */
    private function identifiers(\DOMElement $branch): array
    {
        $ids = [];
        foreach (Xml::children($branch, 'qti-set-outcome-value') as $set) {
            foreach (Xml::all($set, 'qti-base-value') as $value) {
                $ids[] = trim($value->textContent);
            }
        }

        return $ids;
    }

    /** @param  list<\DOMElement>  $before  the tests that did not hold */
    private function put(string $html, ?\DOMElement $test, array $before): bool
    {
        $before = array_values(array_filter($before, fn (\DOMElement $one): bool => ! $this->asksForNothing($one)));
        if ($test === null && $before === []) {
            return $this->on($this->question, 'general', $html);
        }
        $about = $this->about($test ?? $before[count($before) - 1]);
        $part =
            array_values(
                array_filter($this->parts, fn (\stdClass $one): bool => $one->id === ($this->processing->setBy[$about] ?? $about)),
            )[0] ?? null;
        if ($about === 'SCORE' || isset($this->processing->setBy[$about])) {
            $holder = $about === 'SCORE' && (count($this->parts) > 1 || $part === null) ? $this->question : $part ?? $this->question;

            return $this->on($holder, $test === null ? 'wrong' : $this->state($test), $html);
        }
        if ($part === null) {
            return false;
        }

        return $test === null && $this->asksForCorrect($before[0])
            ? $this->on($part, 'wrong', $html)
            : ($test !== null && $this->asksForCorrect($test)
                ? $this->on($part, 'right', $html)
                : $this->rule($part, $test, $html));
    }

    private function on(\stdClass $holder, ?string $state, string $html): bool
    {
        if ($state === null || isset($holder->feedback->{$state})) {
            return false;
        }
        $holder->feedback ??= new \stdClass();
        assert($holder->feedback instanceof \stdClass);
        $holder->feedback->{$state} = (object) ['html' => $html];

        return true;
    }

    private function state(\DOMElement $test): ?string
    {
        $value = Exact::read(trim(Xml::child($test, 'qti-base-value')->textContent ?? ''));

        return match (true) {
            $value === null => null,
            $test->localName === 'qti-gte' && $value->isPositive() => 'right',
            $test->localName === 'qti-gt' && $value->abs()->isLessThanOrEqualTo(ScoreFloats::HAIR) => 'partly',
            in_array($test->localName, ['qti-equal', 'qti-lte'], true) && $value->isZero() => 'wrong',
            default => null,
        };
    }

    /** The feedback of one rule: of an option by its identifier, of a typed answer by the test it was read from. */
    private function rule(\stdClass $part, ?\DOMElement $test, string $html): bool
    {
        $key = $part->key;
        assert($key instanceof \stdClass && is_string($part->id));
        $rules = is_array($key->rules ?? null) ? $key->rules : [];
        assert(is_string($part->kind));
        $typed = $this->kinds->find($part->kind)?->canShareAnswers() === true;
        $wanted = $test !== null ? $this->thing($test, $part->kind) : ($typed ? (object) ['answer' => 'otherwise'] : null);
        $chain = array_values(
            array_filter($this->processing->markings[$part->id]->chain ?? [], fn (array $link): bool => ! $this->asksForNothing($link[0])),
        );
        foreach ($rules as $i => $rule) {
            $rule = (object) (array) $rule;
            if (
                ($wanted !== null && $rule->on == $wanted) ||
                ($test !== null && isset($chain[$i]) && Xml::same($chain[$i][0], $test))
            ) {
                $rule->feedback = (object) ['html' => $html];
                $rules[$i] = $rule;
                $key->rules = $rules;

                return true;
            }
        }
        if ($wanted === null) {
            return false;
        }
        $ids = array_map(fn (mixed $rule): mixed => ((array) $rule)['id'] ?? null, $rules);
        for ($n = count($rules) + 1; in_array("r$n", $ids, true); $n++);
        $key->rules = [
            ...$rules,
            (object) [
                'id' => "r$n",
                'on' => $wanted,
                'credit' => is_string($key->default ?? null) ? $key->default : '0',
                'feedback' => (object) ['html' => $html],
            ],
        ];

        return true;
    }

    /**
     * The option, pair or area a test asks for: match(variable, value) of one, member(value, variable) of several, inside(variable).
     *
     * @return string|array{string, string}|\stdClass|null
     */
    private function thing(\DOMElement $test, string $kind): string|array|\stdClass|null
    {
        if ($test->localName === 'qti-inside') {
            return Mappings::of($this->kinds->find($kind))?->on($test->getAttribute('shape').' '.$test->getAttribute('coords'));
        }
        $value = Xml::child($test, 'qti-base-value');

        return $value !== null &&
            in_array($test->localName, ['qti-match', 'qti-member'], true) &&
            in_array($value->getAttribute('base-type'), ['identifier', 'directedPair'], true)
            ? Mappings::of($this->kinds->find($kind))?->on(trim($value->textContent))
            : null;
    }

    private function about(\DOMElement $test): string
    {
        $variable = $test->getElementsByTagNameNS('*', 'qti-variable')->item(0);

        return $variable === null ? '' : $variable->getAttribute('identifier');
    }

    private function asksForNothing(\DOMElement $test): bool
    {
        return $test->localName === 'qti-is-null' ||
            ($test->localName === 'qti-and' &&
                array_filter(Xml::children($test), fn (\DOMElement $one): bool => $one->localName !== 'qti-is-null') === []);
    }

    private function asksForCorrect(\DOMElement $test): bool
    {
        return $test->localName === 'qti-match' && Xml::child($test, 'qti-correct') !== null;
    }
}
