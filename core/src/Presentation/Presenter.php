<?php

declare(strict_types=1);

namespace WideQuarry\Presentation;

use WideQuarry\Content\Tree;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\ScoringContext;

/**
 * Turns a question and a seed into what a learner sees. Nothing of the key goes in.
 *
 * @phpstan-import-type Node from Tree
 */
final class Presenter
{
    /**
     * @param  array<string, string>  $stimuli  id → rich text; those the question names are shown in its order
     * @return array{format: string, version: int, language: string, seed: int, body: list<Node>, stimuli: list<list<Node>>, on_request: list<int>, parts: list<array{id: string, kind: string, label: string, settings: \stdClass, instead?: string}>, hints: int, attempts: int|null, tools: \stdClass, time_limit: int|null} as core/schema/presentation.json
     *
     * @throws NotScorable|\WideQuarry\Variables\RollProblem
     */
    public function present(Question $question, Seed $seed, array $stimuli = []): array
    {
        $in = ScoringContext::of($question, $question->variables->roll($seed, $question->language));
        $shown = array_values(array_filter($question->stimuli, fn (string $id): bool => isset($stimuli[$id])));
        $tools = (array) $question->tools;
        unset($tools['sheets']);

        return [
            'format' => 'wide-quarry/presentation',
            'version' => 1,
            'language' => $question->language,
            'seed' => $seed->value,
            'body' => Tree::of($question->body, $in->roll->filling()),
            'stimuli' => array_map(fn (string $id): array => Tree::of($stimuli[$id]), $shown),
            'on_request' => array_keys(array_intersect($shown, $question->stimuliOnRequest())),
            'parts' => array_map(
                fn (Part $part): array => [
                    ...$this->part($part, $in, $seed),
                    ...$question->scoring->insteadOf($part->id) === null ? [] : ['instead' => $question->scoring->insteadOf($part->id)],
                ],
                $question->parts,
            ),
            'hints' => count($question->hints),
            'attempts' => $question->attempts,
            'tools' => (object) $tools,
            'time_limit' => $question->timeLimit,
        ];
    }

    /** @return array{id: string, kind: string, label: string, settings: \stdClass} */
    private function part(Part $part, ScoringContext $in, Seed $seed): array
    {
        $kind = $part->kind;
        if (! ($kind instanceof PresentableKind)) {
            throw NotScorable::kindUnavailable($part->kindName, "$part->path/kind");
        }

        return [
            'id' => $part->id,
            'kind' => $part->kindName,
            'label' => $part->label,
            'settings' => (object) $kind->present($part, $in, $seed),
        ];
    }
}
