<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Formulation;

/** None of the questions that are named. */
final readonly class Exclude implements Rule
{
    /** @param  list<string>  $questions */
    public function __construct(private string $id, private array $questions, private string $title = '')
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    /** One value for all of them: which one it is makes no difference. */
    public function keys(array $pool): array
    {
        return array_map(fn (): array => ['x'], Counted::named($this->questions, $pool));
    }

    public function constrain(Formulation $formulation): void
    {
        foreach ($formulation->groups->byKey($this->id) as $groups) {
            $formulation->between(array_fill_keys($groups, Exact::one()), null, Exact::zero());
        }
    }

    public function loosen(Formulation $formulation): void
    {
        foreach ($formulation->groups->byKey($this->id) as $groups) {
            $formulation->near(array_fill_keys($groups, Exact::one()), null, Exact::zero());
        }
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        return Counted::named($this->questions, $taken) === [];
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        $taken = array_map(fn (Candidate $candidate): string => $candidate->id, array_merge(...$tests));

        return ['questions' => array_values(array_diff($this->questions, $taken))];
    }

    public function said(): string
    {
        return $this->title !== '' ? $this->title : Message::of('selection.exclude', ['n' => count($this->questions)]);
    }
}
