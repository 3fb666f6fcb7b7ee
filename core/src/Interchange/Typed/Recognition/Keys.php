<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** Which answers of the keys that stand apart belong to which questions: numbers may begin again in each part of an exam. */
final class Keys
{
    /** @var \SplObjectStorage<Draft, array{string, int}> answer and its line */
    private \SplObjectStorage $answers;

    /** @var array<int, array<string, array{string, int}>> object of a question → letter of a part → answer */
    private array $parts = [];

    /** @var array<int, true> questions whose answers contradict each other, or are of another one perhaps */
    private array $disputed = [];

    /** @var list<array{int|string, string, int}> answers to questions that there are not: number, answer, line */
    public array $alone = [];

    /** @var list<array{int, string}> second answers to the same question: line, words */
    public array $others = [];

    private function __construct()
    {
        $this->answers = new \SplObjectStorage;
    }

    public static function of(Exam $exam): self
    {
        $keys = new self;
        $questions = $exam->questions();
        $numbers = array_map(fn (Draft $question): int => $question->number, $questions);
        $isUnique = count($numbers) === count(array_unique($numbers));
        foreach ($exam->keys as $at => $key) {
            $among = $isUnique ? $questions : self::among($exam, $key, $at, $questions);
            $keys->spread($key, $among);
            foreach ($key->others as [$number, $answer, $line]) {
                $keys->others[] = [$line, "$number: $answer"];
                foreach ($among as $question) {
                    if ($question->number === (int) $number) {
                        $keys->disputed[spl_object_id($question)] = true;
                    }
                }
            }
        }

        return $keys;
    }

    /** @return list<Key> */
    private static function filled(Exam $exam): array
    {
        return array_values(array_filter($exam->keys, fn (Key $key): bool => $key->answers !== []));
    }

    /**
     * @param  list<Draft>  $questions
     * @return list<Draft>
     */
    private static function among(Exam $exam, Key $key, int $at, array $questions): array
    {
        $filled = self::filled($exam);
        $place = array_search($key, $filled, true);
        if (count($filled) < 2 || $place === false) {
            return $questions;
        }
        $isBetween = $key->after < count($questions) && $key->after > 0;
        $section = $isBetween || count($filled) !== $exam->sections ? ($isBetween ? $key->section : $place) : $place;
        $among = array_values(array_filter($questions, fn (Draft $question): bool => $question->section === $section));

        return $among === [] ? $questions : $among;
    }

    /** @param  list<Draft>  $questions */
    private function spread(Key $key, array $questions): void
    {
        foreach ($key->answers as $number => $answer) {
            $line = $key->lines[$number] ?? $key->line;
            $found = array_values(array_filter($questions, fn (Draft $question): bool => $question->number === (int) $number));
            if ($found === []) {
                $this->alone[] = [$number, $answer, $line];

                continue;
            }
            foreach ($found as $question) {
                $this->give($question, (string) $number, $answer, $line);
                if (count($found) > 1) {
                    $this->disputed[spl_object_id($question)] = true;
                }
            }
        }
    }

    private function give(Draft $question, string $number, string $answer, int $line): void
    {
        $letter = preg_replace('/^\d+/', '', $number);
        if ($letter !== '' && $letter !== null && Parts::are($question->items)) {
            $this->parts[spl_object_id($question)][$letter] = [$answer, $line];

            return;
        }
        $answer = $letter === '' || $letter === null ? $answer : "$letter) $answer";
        if (isset($this->answers[$question])) {
            [$before] = $this->answers[$question];
            if (self::plain($before) !== self::plain($answer)) {
                $this->disputed[spl_object_id($question)] = true;
                $this->others[] = [$line, "$number: $answer"];
            }

            return;
        }
        $this->answers[$question] = [$answer, $line];
    }

    public static function plain(string $answer): string
    {
        return mb_strtolower(trim((string) preg_replace('/[\s().]+/u', ' ', $answer)));
    }

    /** @return array{string, int}|null answer and its line */
    public function answer(Draft $question): ?array
    {
        return $this->answers[$question] ?? null;
    }

    public function answerOfPart(Draft $question, string $letter): ?string
    {
        return $this->parts[spl_object_id($question)][$letter][0] ?? null;
    }

    public function isDisputed(Draft $question): bool
    {
        return isset($this->disputed[spl_object_id($question)]);
    }
}
