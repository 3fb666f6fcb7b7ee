<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Messages\Message;

/** How folders are called after what is in them: "{quiz} › {kind}". What a question has no value for makes no folder. */
final readonly class NamePattern
{
    public const NAMES = ['quiz', 'heading', 'kind', 'points', 'topic', 'number', 'title'];

    private const LONGEST = 200;

    /** @param  list<string>  $levels  the folders, from the top */
    private function __construct(private array $levels)
    {
    }

    /** @throws PatternProblem */
    public static function read(string $pattern): self
    {
        preg_match_all('/\{([^{}]*)\}/u', $pattern, $found);
        foreach ($found[1] as $name) {
            if (! in_array(mb_strtolower(trim($name)), self::NAMES, true)) {
                throw PatternProblem::unknown($name, self::NAMES);
            }
        }
        if (preg_match('/[{}]/', (string) preg_replace('/\{[^{}]*\}/u', '', $pattern)) === 1) {
            throw PatternProblem::unclosed();
        }
        $levels = array_map(trim(...), preg_split('/\s*[›>]\s*/u', trim($pattern)) ?: []);
        $levels = array_values(array_filter($levels, fn (string $level): bool => $level !== ''));

        return count($levels) > 10 ? throw PatternProblem::tooDeep() : new self($levels);
    }

    /** @return list<string> names of folders from the top */
    public function path(SourceQuestion $question): array
    {
        $path = [];
        foreach ($this->levels as $level) {
            $isEmpty = false;
            $name = (string) preg_replace_callback('/\{([^{}]*)\}/u', function (array $m) use ($question, &$isEmpty): string {
                $value = self::value($question, mb_strtolower(trim($m[1])));
                $isEmpty = $isEmpty || $value === '';

                return $value;
            }, $level);
            if (! $isEmpty && trim($name) !== '') {
                $path[] = mb_substr(trim($name), 0, self::LONGEST);
            }
        }

        return $path;
    }

    /** As one line, for a title. */
    public function line(SourceQuestion $question): string
    {
        return implode(' › ', $this->path($question));
    }

    private static function value(SourceQuestion $question, string $name): string
    {
        return match ($name) {
            'quiz' => $question->quiz(),
            'heading' => implode(', ', array_slice($question->groups, 1)),
            'kind' => $question->kind(),
            'points' => Message::of('migration.points', ['points' => (float) $question->points]),
            'topic' => implode(', ', $question->topic),
            'number' => (string) $question->number,
            default => $question->title,
        };
    }
}
