<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Messages\Message;

/** What the old system is said to have had against what was found: line by line, what does not add up first. */
final readonly class Tally
{
    /**
     * @param  list<TallyLine>  $lines
     * @param  list<TalliedQuiz>  $quizzes
     */
    private function __construct(public array $lines, public array $quizzes)
    {
    }

    /** @param  list<StatedDraw>  $stated */
    public static function of(Regrouping $found, array $stated): self
    {
        $quizzes = [];
        foreach ($found->folders() as $folder) {
            foreach ($folder['questions'] as $question) {
                $quizzes[self::folded($question->quiz())] ??= $question->quiz();
            }
        }
        $lines = [];
        foreach ($stated as $draw) {
            $lines[] = self::line($draw, $found, $quizzes);
        }
        $lines = [...$lines, ...self::unstated($found, $lines)];
        usort($lines, fn (TallyLine $a, TallyLine $b): int => $a->agrees() <=> $b->agrees());
        $tallied = array_map(
            fn (string $quiz): TalliedQuiz => TalliedQuiz::of($quiz, $lines, $found),
            array_values($quizzes),
        );

        return new self($lines, $tallied);
    }

    /** @param  array<string, string>  $quizzes */
    private static function line(StatedDraw $draw, Regrouping $found, array $quizzes): TallyLine
    {
        $quiz = $quizzes[self::folded($draw->quiz)] ?? null;
        if ($quiz === null) {
            return new TallyLine($draw, [], null, [[
                Message::of('migration.no-such-quiz', ['quiz' => $draw->quiz]),
                Message::of('migration.mend-quiz', ['list' => self::listed($quizzes)]),
            ]]);
        }
        [$path, $questions] = self::pool($draw->of, $quiz, $found);
        if ($questions === []) {
            $names = array_map(
                fn (array $folder): string => $folder['path'][count($folder['path']) - 1] ?? '',
                self::foldersOf($quiz, $found),
            );

            return new TallyLine($draw, [], null, [[
                Message::of('migration.nothing-of-that', ['of' => $draw->of, 'quiz' => $quiz]),
                Message::of('migration.mend-of', ['list' => self::listed($names)]),
            ]]);
        }

        return new TallyLine($draw, $questions, $path, self::differences($draw, $questions));
    }

    /**
     * @param  list<SourceQuestion>  $questions
     * @return list<array{string, string}> what does not add up, and what would mend it
     */
    private static function differences(StatedDraw $draw, array $questions): array
    {
        $there = array_values(array_filter($questions, fn (SourceQuestion $one): bool => ! $one->isLeftOut));
        [$count, $left] = [count($there), count($questions) - count($there)];
        $said = [];
        if ($draw->draw > $count) {
            $said[] = [
                Message::of('migration.too-small', ['draw' => $draw->draw, 'count' => $count]),
                Message::of('migration.mend-too-small', ['count' => $count]),
            ];
        }
        if ($draw->pool !== null && $draw->pool !== $count) {
            $said[] = [
                Message::of($draw->pool > $count ? 'migration.missing' : 'migration.more', [
                    'pool' => $draw->pool,
                    'count' => $count,
                    'differ' => abs($draw->pool - $count),
                ]),
                $left > 0 ? Message::of('migration.mend-left-out', ['left' => $left]) : Message::of('migration.mend-pool'),
            ];
        }
        $twice = self::twice($there);
        if ($twice > 0) {
            $said[] = [Message::of('migration.twice', ['count' => $twice]), Message::of('migration.mend-twice')];
        }
        $points = array_unique(array_map(fn (SourceQuestion $one): string => (string) (float) $one->points, $there));
        if ($draw->points === null && count($points) > 1) {
            sort($points);
            $list = implode(', ', $points);
            $said[] = [Message::of('migration.unequal', ['list' => $list]), Message::of('migration.mend-unequal')];
        }

        return $said;
    }

    /** @param  list<SourceQuestion>  $questions */
    private static function twice(array $questions): int
    {
        $prints = array_map(fn (SourceQuestion $one): string => $one->fingerprint, $questions);
        $prints = array_filter($prints, fn (string $one): bool => $one !== '');

        return count($prints) - count(array_unique($prints));
    }

    /**
     * What the words name: a folder of the quiz by its name or by words of it, a kind, a heading; nothing for all of the quiz.
     *
     * @return array{list<string>|null, list<SourceQuestion>}
     */
    private static function pool(string $of, string $quiz, Regrouping $found): array
    {
        $folders = self::foldersOf($quiz, $found);
        $all = array_merge([], ...array_column($folders, 'questions'));
        $words = self::folded((string) preg_replace('/\bquestions?\b/iu', '', $of));
        if ($words === '' || in_array($words, ['all', 'everything', 'the quiz', 'quiz'], true)) {
            return [[$quiz], $all];
        }
        foreach ([true, false] as $isExact) {
            foreach ($folders as $folder) {
                $last = self::folded($folder['path'][count($folder['path']) - 1] ?? '');
                $isMeant = $isExact
                    ? $words === $last || $words === self::folded(implode(' › ', $folder['path']))
                    : self::means($words, $last);
                if ($isMeant) {
                    return [$folder['path'], $folder['questions']];
                }
            }
        }
        $like = array_values(array_filter(
            $all,
            fn (SourceQuestion $one): bool => self::means($words, self::folded($one->kind())) ||
                array_filter($one->groups, fn (string $group): bool => self::folded($group) === $words) !== [] ||
                array_filter($one->topic, fn (string $topic): bool => self::folded($topic) === $words) !== [],
        ));

        return [null, $like];
    }

    /** "map questions" means "Maps", "multiple-choice" means "multiple choice". */
    private static function means(string $words, string $name): bool
    {
        $stems = fn (string $text): array => array_map(
            fn (string $word): string => (string) preg_replace('/(?:ing|es|s)$/u', '', $word),
            preg_split('/[^\p{L}\p{N}]+/u', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [],
        );
        [$wanted, $has] = [$stems($words), $stems($name)];

        return $wanted !== [] && array_diff($wanted, $has) === [];
    }

    /** @return list<array{path: list<string>, questions: list<SourceQuestion>}> */
    private static function foldersOf(string $quiz, Regrouping $found): array
    {
        $folders = [];
        foreach ($found->folders() as $folder) {
            $own = array_values(array_filter($folder['questions'], fn (SourceQuestion $one): bool => $one->quiz() === $quiz));
            if ($own !== []) {
                $folders[] = ['path' => $folder['path'], 'questions' => $own];
            }
        }

        return $folders;
    }

    /**
     * Folders of quizzes with statements that no statement draws from.
     *
     * @param  list<TallyLine>  $lines
     * @return list<TallyLine>
     */
    private static function unstated(Regrouping $found, array $lines): array
    {
        $used = $quizzes = [];
        foreach ($lines as $line) {
            foreach ($line->questions as $question) {
                $used[$question->id] = true;
                $quizzes[$question->quiz()] = true;
            }
        }
        $more = [];
        foreach ($found->folders() as $folder) {
            $quiz = $folder['questions'][0]->quiz();
            $left = array_filter($folder['questions'], fn (SourceQuestion $one): bool => ! isset($used[$one->id]) && ! $one->isLeftOut);
            if (isset($quizzes[$quiz]) && $left !== []) {
                $more[] = new TallyLine(null, array_values($left), $folder['path'], [[
                    Message::of('migration.unstated', ['count' => count($left), 'folder' => implode(' › ', $folder['path'])]),
                    Message::of('migration.mend-unstated'),
                ]]);
            }
        }

        return $more;
    }

    public static function folded(string $words): string
    {
        return mb_strtolower(trim((string) preg_replace('/[\s\x{2010}-\x{2015}_-]+/u', ' ', $words)));
    }

    /** @param  array<string>  $names */
    private static function listed(array $names): string
    {
        $names = array_values(array_unique(array_filter($names, fn (string $one): bool => $one !== '')));

        return implode(', ', array_slice($names, 0, 12)).(count($names) > 12 ? ' …' : '');
    }
}
