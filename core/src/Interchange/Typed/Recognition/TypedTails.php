<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Run;
use WideQuarry\Interchange\Typed\Document\Words;

/** Answers below questions that only their look tells: a line in red under each question that has no options. */
final class TypedTails
{
    private const SHARE = 0.6;

    private const FEW = 2;

    /** @param  list<Recognised>  $questions */
    public function find(array $questions): void
    {
        $open = array_values(array_filter($questions, self::isOpen(...)));
        $this->underlined($open);
        $this->bracketed(array_values(array_filter($open, self::isOpen(...))));
        $open = array_values(array_filter($open, self::isOpen(...)));
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

    /**
     * Words underlined in sentences that ask for nothing else: blanks that are filled in already.
     *
     * @param  list<Recognised>  $open
     */
    private function underlined(array $open): void
    {
        $filled = array_filter($open, fn (Recognised $question): bool => self::inSentence($question->asked[0]->stem) !== []);
        if (count($filled) < self::FEW || count($filled) < self::SHARE * count($open)) {
            return;
        }
        foreach ($filled as $question) {
            $asked = $question->asked[0];
            $asked->answers = [implode('; ', self::inSentence($asked->stem))];
            $asked->sign = Sign::Underlined;
            $asked->stem = array_map(fn (Words $words): Words => Words::of(array_map(
                fn (Run $run): Run => in_array('underline', $run->marks, true) ? new Run('____') : $run,
                $words->runs,
            )), $asked->stem);
        }
    }

    /**
     * Answers in brackets behind the questions: "Which is the largest ocean? (Pacific)". Other remarks stand so too.
     *
     * @param  list<Recognised>  $open
     */
    private function bracketed(array $open): void
    {
        $is = '/(?<=[?.!:_])\s*\(([^()]{1,60})\)\s*$/u';
        $last = fn (Recognised $question): string => (
            $question->asked[0]->stem[count($question->asked[0]->stem) - 1] ?? null
        )?->text() ?? '';
        $found = array_filter($open, fn (Recognised $question): bool => preg_match($is, $last($question)) === 1);
        if (count($found) < self::FEW || count($found) < self::SHARE * count($open)) {
            return;
        }
        foreach ($found as $question) {
            $asked = $question->asked[0];
            if (preg_match($is, $last($question), $m) === 1) {
                $words = array_pop($asked->stem);
                $asked->stem = [...$asked->stem, ...$words === null ? [] : [$words->without($is)]];
                [$asked->answers, $asked->sign, $asked->isDisputed] = [[$m[1]], Sign::AnswerWithin, true];
            }
        }
    }

    /**
     * @param  list<Words>  $stem
     * @return list<string> what is underlined of a sentence; nothing where all of it is
     */
    private static function inSentence(array $stem): array
    {
        $found = [];
        foreach ($stem as $words) {
            foreach (in_array('underline', $words->marks(), true) ? [] : $words->runs as $run) {
                if (in_array('underline', $run->marks, true) && preg_match('/[\p{L}\p{N}]/u', $run->text) === 1) {
                    $found[] = trim($run->text);
                }
            }
        }

        return $found;
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
