<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Interchange\UnreadableFile;

/**
 * A typed exam in blocks: questions with what belongs to them, headings, instructions, and the key apart from them. Recognised
 * as people type, by numbers that run on, letters that run on, blank lines and the words before a colon.
 */
final class TypedExam
{
    private const HEADING = 80;

    /**
     * At most this many numbers may be missing between two questions; a larger gap means a year or a quantity, unless the line asks
     * something.
     */
    private const SKIPPED = 10;

    /**
     * Lines that one question may take. Each line is put together with those before it, so without a limit a text that never begins a
     * second question would take time as the square of its length.
     */
    private const LINES = 2000;

    /** @var list<Block> */
    private array $blocks = [];

    /** @var array<int, string> */
    public array $key = [];

    /** @var list<array{int, string}> lines that were not used, with their numbers */
    public array $unused = [];

    /** @var list<array{int, int, int}> skipped numbers: first, last, and the line after the gap */
    public array $skipped = [];

    /** @var list<array{int, int}> numbers that came out of turn, though they were there: number and line */
    public array $twice = [];

    private ?Block $open = null;

    /** The punctuation after the first question's number; a number with other punctuation is an option label. */
    private ?string $mark = null;

    private bool $apart = true; // a blank line came before

    /** The number of the last question, kept so that a long exam need not be looked through for each line. */
    private ?int $last = null;

    private function __construct()
    {
    }

    public static function read(string $text): self
    {
        $exam = new self();
        $lines = preg_split('/\R/u', $text) ?: [];
        foreach ($lines as $i => $line) {
            // tabs and wide gaps stay: they part columns
            $line = trim((string) preg_replace(['/[\x{200B}-\x{200D}\x{FEFF}\x{00AD}]/u', '/[\p{Zs}]/u'], ['', ' '], $line));
            if ($line === '') {
                $exam->apart = true;

                continue;
            }
            if (LineMarkers::isKeyHeading($line)) {
                $unused = [];
                $exam->keyed(KeySection::read(self::rest($lines, $i + 1), $unused), $i + 1);
                foreach ($unused as $at => $words) {
                    $exam->unused[] = [$at + 1, $words];
                }
                break;
            }
            $exam->line($line, $i + 1, self::next($lines, $i + 1));
            $exam->apart = false;
            if ($exam->open !== null && $i + 1 - $exam->open->line > self::LINES) {
                throw UnreadableFile::endlessQuestion($exam->open->line, self::LINES);
            }
        }
        $exam->close();

        return $exam;
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return $this->blocks;
    }

    /** @param  string  $next  the line with words that comes after it */
    private function line(string $line, int $at, string $next): void
    {
        $key = LineMarkers::keyLine($line);
        if ($key !== null) {
            $this->keyed(KeySection::read([$key]), $at);

            return;
        }
        $short = $this->last === null || ! $this->isAnswered() ? [] : KeySection::short($line);
        if ($short !== []) {
            $this->keyed($short, $at);

            return;
        }
        $start = LineMarkers::question($line);
        $isOption = $start !== null && $this->isNumberedOption($start[0], $start[2]);
        $runsOn = $start !== null && $this->runsOn($start[0]);
        if ($start !== null && ! $isOption && ($runsOn || $this->asksAnew($start, $next))) {
            $this->close();
            if ($this->last !== null && ! $runsOn && $start[0] <= $this->last) {
                $this->twice[] = [$start[0], $at];
            }
            $this->mark ??= $start[2];
            $this->begin($start[0], $start[1], $at);
        } elseif ($isOption && $this->open !== null) {
            $this->open = $this->open->with([
                'options' => [...$this->open->options, self::spaced($start[1])],
                'firstOption' => $this->open->options === [] ? $line : $this->open->firstOption,
            ]);
        } elseif (
            ($bare = LineMarkers::bareNumber($line)) !== null &&
            ($this->last === null ? $bare[0] === 1 : $bare[0] === $this->last + 1 && $this->isAnswered())
        ) {
            $this->close();
            $this->begin($bare[0], $bare[1], $at);
        } elseif ($this->open?->kind === 'question') {
            $this->within($this->open, $line, $at);
        } else {
            $this->loose($line, $at);
        }
    }

    /**
     * Adds to the key. A second answer to the same question is ignored and reported.
     *
     * @param  array<int, string>  $answers
     * @param  int  $at  where they begin
     */
    private function keyed(array $answers, int $at): void
    {
        foreach ($answers as $number => $answer) {
            if (isset($this->key[$number]) && $this->key[$number] !== $answer) {
                $this->unused[] = [$at, "$number: $answer"];
            }
            $this->key[$number] ??= $answer;
        }
    }

    private function begin(int $number, string $text, int $at): void
    {
        [$text, $points] = LineMarkers::points($text);
        [$stem, $options] = LineMarkers::options($text, 0);
        [$options, $ticked] = LineMarkers::boxed(array_map(self::spaced(...), $options));
        if ($this->last !== null && $number > $this->last + 1) {
            $this->skipped[] = [$this->last + 1, $number - 1, $at];
        }
        $this->last = $number;
        $this->open = new Block('question', $at, $number, $stem === '' ? [] : [self::spaced($stem)], $options, $ticked, points: $points);
    }

    private function within(Block $block, string $line, int $at): void
    {
        $answer = LineMarkers::answer($line);
        $feedback = LineMarkers::feedback($line);
        $bullet = LineMarkers::bullet($line);
        [$before, $options] = LineMarkers::options($line, count($block->options));
        if ($answer !== null) {
            $this->open = $block->with(['answer' => trim($block->answer.' '.$answer)]);
        } elseif ($feedback !== null) {
            $this->open = $block->with(['feedback' => trim("$block->feedback $feedback")]);
        } elseif ($options !== [] && $before === '') {
            [$options, $ticked] = LineMarkers::boxed(array_map(self::spaced(...), $options));
            $ticked = array_map(fn (int $i): int => count($block->options) + $i, $ticked);
            $this->open = $block->with([
                'options' => [...$block->options, ...$options],
                'ticked' => [...$block->ticked, ...$ticked],
                'firstOption' => $block->options === [] ? $line : $block->firstOption,
            ]);
        } elseif ($bullet !== null && $block->stem !== []) {
            $this->open = $block->with([
                'options' => [...$block->options, self::spaced($bullet[0])],
                'ticked' => $bullet[1] ? [...$block->ticked, count($block->options)] : $block->ticked,
            ]);
        } elseif (preg_match('/^(true|false|yes|no)$/i', $line) === 1 && count($block->options) < 2) {
            $this->open = $block->with(['options' => [...$block->options, $line]]);
        } elseif ($this->apart && ($block->options !== [] || $block->answer !== null || self::isHeading($line))) {
            $this->close();
            $this->loose($line, $at);
        } else {
            $this->goesOn($block, $line);
        }
    }

    private function goesOn(Block $block, string $line): void
    {
        [$line, $points] = LineMarkers::points($line);
        $more = $points === null ? [] : ['points' => $points];
        if ($line === '') {
            $this->open = $block->with($more);
        } elseif ($block->feedback !== '') {
            $this->open = $block->with([...$more, 'feedback' => "$block->feedback $line"]);
        } elseif ($block->options !== []) {
            $options = $block->options;
            $options[count($options) - 1] .= ' '.self::spaced($line);
            $first =
                count($options) === 1 && $block->firstOption !== '' ? "$block->firstOption ".self::spaced($line) : $block->firstOption;
            $this->open = $block->with([...$more, 'options' => $options, 'firstOption' => $first]);
        } else {
            [$stem, $options] = LineMarkers::options($line, 0);
            $this->open = $block->with([
                ...$more,
                'stem' => $stem === '' ? $block->stem : self::longer($block->stem, self::spaced($stem)),
                'options' => array_map(self::spaced(...), $options),
            ]);
        }
    }

    /**
     * A line that begins small goes on with the last one; any other is a paragraph of its own.
     *
     * @param  list<string>  $stem
     * @return list<string>
     */
    private static function longer(array $stem, string $line): array
    {
        $last = count($stem) - 1;
        if ($last < 0 || preg_match('/^\p{Ll}/u', $line) !== 1 || preg_match('/[.?!:]$/u', $stem[$last]) === 1) {
            return [...$stem, $line];
        }

        return [...array_slice($stem, 0, $last), "$stem[$last] $line"];
    }

    /** A line outside of questions: a heading, or an instruction to what follows. */
    private function loose(string $line, int $at): void
    {
        if ($this->open?->kind === 'instruction' && ! $this->apart) {
            $this->open = $this->open->with(['stem' => [...$this->open->stem, self::spaced($line)]]);

            return;
        }
        $this->close();
        $this->open = new Block(self::isHeading($line) ? 'heading' : 'instruction', $at, 0, [self::spaced($line)]);
        if ($this->open->kind === 'heading') {
            $this->close();
        }
    }

    private function close(): void
    {
        if ($this->open !== null) {
            $this->blocks[] = $this->open;
        }
        $this->open = null;
    }

    /** Whether the stem of the current question is finished: by options, points, an answer or a blank line. */
    private function isAnswered(): bool
    {
        return $this->apart || ($this->open !== null && ($this->open->options !== [] || $this->open->answer !== null));
    }

    /** A number with another mark than those of the questions, where an option may stand: "1) slate" below "3. Which rock splits?". */
    private function isNumberedOption(int $number, string $mark): bool
    {
        return $this->open?->kind === 'question' &&
            $this->open->answer === null &&
            $this->open->stem !== [] &&
            $mark !== '' &&
            $this->mark !== null &&
            $mark !== $this->mark &&
            $number === count($this->open->options) + 1;
    }

    /** Question numbers continue, or restart at 1 after a heading. A few may be skipped where a question can start. */
    private function runsOn(int $number): bool
    {
        $before = $this->open ?? ($this->blocks[count($this->blocks) - 1] ?? null);

        return $this->last === null ||
            $number === $this->last + 1 ||
            ($number > $this->last && $number <= $this->last + self::SKIPPED && $this->isAnswered()) ||
            ($number === 1 && $before?->kind !== 'question');
    }

    /**
     * A number out of turn begins a question too, where the one before is finished and the line asks something or options follow it.
     *
     * @param  array{int, string, string}  $start
     */
    private function asksAnew(array $start, string $next): bool
    {
        [$number, $text, $mark] = $start;
        [$before, $options] = LineMarkers::options($next, 0);

        return $number > 0 &&
            $mark !== '' &&
            $text !== '' &&
            $this->open?->kind === 'question' &&
            ($this->open->options !== [] || $this->open->answer !== null) &&
            (preg_match('/\?$|_{3,}/u', $text) === 1 || ($before === '' && $options !== []));
    }

    /** @param  array<int, string>  $lines */
    private static function next(array $lines, int $from): string
    {
        for ($i = $from; isset($lines[$i]); $i++) {
            if (trim($lines[$i]) !== '') {
                return self::spaced($lines[$i]);
            }
        }

        return '';
    }

    private static function isHeading(string $line): bool
    {
        return mb_strlen($line) <= self::HEADING && preg_match('/[.?!;,]$/u', $line) !== 1 && preg_match('/_{3,}/', $line) !== 1;
    }

    private static function spaced(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $text));
    }

    /**
     * @param  array<int, string>  $lines
     * @return array<int, string> those that have words, under the same index
     */
    private static function rest(array $lines, int $from): array
    {
        return array_filter(array_map(self::spaced(...), array_slice($lines, $from, null, true)), fn (string $line): bool => $line !== '');
    }
}
