<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Pick;
use WideQuarry\Numbers\Exact;

/** A form whose questions stand in their order, before their options do. */
final readonly class FormDraft
{
    /**
     * @param  Assessment  $drawn  without draws, in the order of the master
     * @param  array<string, VaryingQuestion>  $questions  by entry, under its settings; those that are gone are missing
     * @param  list<Pick>  $asked  in the order of the form
     */
    public function __construct(public string $letter, public Assessment $drawn, public array $questions, public array $asked)
    {
    }

    /** @return array<string, int|null> the numbers of entries on the form; pages of text have none */
    public function numbers(): array
    {
        return $this->numbered($this->asked);
    }

    /** @return array<string, int|null> their numbers in the assessment as it was made */
    public function masters(): array
    {
        return $this->numbered($this->drawn->picks());
    }

    /** @return array{BigRational|null, BigRational|null} the minutes of the questions that say them, and the middle of their difficulty */
    public function load(): array
    {
        $settings = $this->drawn->settings();
        $minutes = $difficulty = null;
        $count = 0;
        foreach ($this->questions as $entry => $question) {
            $about = $question->question->record->classification;
            $own = ($settings[$entry] ?? null)->minutes ?? $about->minutes;
            $minutes = $own === null ? $minutes : Exact::of($own)->plus($minutes ?? Exact::zero());
            if ($about->difficulty !== null) {
                $difficulty = ($difficulty ?? Exact::zero())->plus($about->difficulty);
                $count++;
            }
        }

        return [$minutes, $difficulty?->dividedBy($count)];
    }

    /**
     * @param  list<Pick>  $picks
     * @return array<string, int|null>
     */
    private function numbered(array $picks): array
    {
        $numbers = [];
        $number = 0;
        foreach ($picks as $pick) {
            $isPage = isset($this->questions[$pick->id]) && $this->questions[$pick->id]->question->parts === [];
            $numbers[$pick->id] = $isPage ? null : ++$number;
        }

        return $numbers;
    }
}
