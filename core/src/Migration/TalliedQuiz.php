<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

/** A quiz as it will be: what it asks and is worth once its draws are built. */
final readonly class TalliedQuiz implements \JsonSerializable
{
    private function __construct(
        public string $title,
        private int $questions,
        private int $draws,
        private int $asked,
        private float $points,
    ) {
    }

    /** @param  list<TallyLine>  $lines  of the whole tally */
    public static function of(string $quiz, array $lines, Regrouping $found): self
    {
        $questions = $draws = $asked = 0;
        $points = 0.0;
        foreach ($found->folders() as $folder) {
            $questions += count(array_filter($folder['questions'], fn (SourceQuestion $one): bool => $one->quiz() === $quiz));
        }
        foreach ($lines as $line) {
            $pool = $line->pool();
            if ($line->stated === null || $pool === [] || $pool[0]->quiz() !== $quiz) {
                continue;
            }
            $draws++;
            $count = min($line->stated->draw, count($pool));
            $asked += $count;
            $points += $count * (float) ($line->stated->points ?? $pool[0]->points);
        }

        return new self($quiz, $questions, $draws, $asked, $points);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'title' => $this->title,
            'questions' => $this->questions,
            'draws' => $this->draws,
            'asked' => $this->asked,
            'points' => round($this->points, 4),
        ];
    }
}
