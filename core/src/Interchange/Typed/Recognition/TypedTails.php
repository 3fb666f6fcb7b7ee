<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** Answers below questions that only their look tells: a line in red under each question that has no options. */
final class TypedTails
{
    private const SHARE = 0.6;

    private const FEW = 2;

    /** @param  list<Recognised>  $questions */
    public function find(array $questions): void
    {
        $open = array_values(array_filter($questions, self::isOpen(...)));
        $looks = [];
        foreach ($open as $question) {
            foreach (self::looks($question->asked[0]) as $look) {
                $looks[$look] = ($looks[$look] ?? 0) + 1;
            }
        }
        arsort($looks);
        foreach ($looks as $look => $count) {
            if ($count < self::FEW || $count < self::SHARE * count($open)) {
                return;
            }
            foreach ($open as $question) {
                $asked = $question->asked[0];
                if (in_array($look, self::looks($asked), true)) {
                    $asked->answers = [(string) array_pop($asked->stem)?->text()];
                    $asked->sign = Sign::ofLook((string) $look);
                }
            }

            return;
        }
    }

    private static function isOpen(Recognised $question): bool
    {
        return $question->form === 'plain' &&
            $question->asked[0]->answers === [] &&
            $question->asked[0]->options === [] &&
            $question->asked[0]->pair === null &&
            $question->asked[0]->menus === [] &&
            preg_match('/_{3,}/', $question->asked[0]->text()) !== 1;
    }

    /** @return list<string> looks of the last paragraph that none before it has */
    private static function looks(Asked $asked): array
    {
        $last = count($asked->stem) - 1;
        if ($last < 1) {
            return [];
        }
        $before = array_merge([], ...array_map(fn (int $i): array => Looks::of($asked->stem[$i]), range(0, $last - 1)));

        return array_values(array_diff(
            array_filter(
                Looks::of($asked->stem[$last]),
                fn (string $look): bool => preg_match('/^(?:colour|highlight|bold|italic)/', $look) === 1,
            ),
            $before,
        ));
    }
}
