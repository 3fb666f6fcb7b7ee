<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\Content\Serialiser;
use WideQuarry\Maths\Formula;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Maths\Typeset;
use WideQuarry\Random\Seed;

/** Values as they were understood while an author writes them: formulas typeset, an example of each, and problems at their places. */
final class ValuesRead implements \JsonSerializable
{
    /** Rolls that are looked through for one in which everything can be worked out. */
    private const SEEDS = 20;

    /** @var array<string, array{message: string, offset: int|null}> where it stands → what is wrong there */
    private array $problems = [];

    private ?Roll $roll = null;

    private ?int $seed = null;

    private function __construct(private readonly Variables $variables)
    {
    }

    public static function of(Variables $variables, string $language): self
    {
        $self = new self($variables);
        foreach ($variables->list as $variable) {
            $self->attempt(fn () => $variable->drawn?->count());
        }
        $self->attempt(fn () => $variables->plan());
        for ($seed = 1; $seed <= self::SEEDS && $self->problems === [] && $self->roll === null; $seed++) {
            try {
                [$self->roll, $self->seed] = [$variables->roll(Seed::of($seed), $language), $seed];
            } catch (RollProblem $problem) {
                // a roll that fails is for the study to tell; one problem in all of them is told here
                $last = $problem;
            }
        }
        if ($self->roll === null && isset($last)) {
            $self->note($last);
        }

        return $self;
    }

    /**
     * @return array{values: list<array<string, mixed>>, conditions: list<array<string, mixed>>, seed: int|null}
     *     `typeset` is MathML; `problem` {message, path, offset}; `examples` as they are written, by name
     */
    public function jsonSerialize(): array
    {
        $values = $conditions = [];
        foreach ($this->variables->list as $variable) {
            $examples = array_intersect_key($this->roll->written ?? [], array_flip($variable->names));
            $values[] = [
                'name' => $variable->name,
                'names' => $variable->names,
                ...$this->understood($variable->drawn === null ? $variable->expr : null, $variable->path),
                'examples' => (object) $examples,
            ];
        }
        foreach ($this->variables->conditions as $i => $condition) {
            $conditions[] = $this->understood($condition, "/variables/conditions/$i");
        }

        return ['values' => $values, 'conditions' => $conditions, 'seed' => $this->seed];
    }

    /** @return array{typeset: string|null, problem: array{message: string, path: string, offset: int|null}|null} */
    private function understood(?string $expression, string $path): array
    {
        $typeset = null;
        if ($expression !== null && trim($expression) !== '') {
            try {
                $typeset = Serialiser::html([Typeset::maths(Formula::of($expression)->node)]);
            } catch (MathsProblem $problem) {
                $at = str_contains($path, '/list/') ? "$path/expr" : $path;
                $this->problems[$at] = ['message' => $problem->getMessage(), 'offset' => $problem->offset];
            }
        }
        foreach ($this->problems as $at => $problem) {
            if ($at === $path || str_starts_with($at, "$path/")) {
                return ['typeset' => $typeset, 'problem' => ['path' => $at, ...$problem]];
            }
        }

        return ['typeset' => $typeset, 'problem' => null];
    }

    private function attempt(\Closure $do): void
    {
        try {
            $do();
        } catch (RollProblem $problem) {
            $this->note($problem);
        }
    }

    private function note(RollProblem $problem): void
    {
        $this->problems[$problem->path] ??= ['message' => $problem->getMessage(), 'offset' => $problem->offset];
    }
}
