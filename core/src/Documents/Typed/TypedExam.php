<?php

declare(strict_types=1);

namespace WideQuarry\Documents\Typed;

use WideQuarry\Interchange\Unreadable;

/**
 * A typed exam in blocks: questions with what belongs to them, headings, instructions, and the key apart from them. Recognised
 * as people type, by numbers that run on, letters that run on, blank lines and the words before a colon.
 */
final class TypedExam
{
    private const HEADING = 80;

    /**
     * Lines that one question may take. Each line is put together with those before it, so without a limit a text that never begins a second
     * question would take time as the square of its length.
     */
    private const LINES = 2000;

    /** @var list<Block> */
    private array $blocks = [];

    /** @var array<int, string> */
    public array $key = [];

    private ?Block $open = null;

    private bool $apart = true; // a blank line came before

    /** The number of the last question, kept so that a long exam need not be looked through for each line. */
    private ?int $last = null;

    private function __construct()
    {
    }

    public static function read(string $text): self
    {
        $exam = new self;
        $lines = preg_split('/\R/u', $text) ?: [];
        foreach ($lines as $i => $line) {
            // tabs and wide gaps stay: they part columns
            $line = trim((string) preg_replace(['/[\x{200B}-\x{200D}\x{FEFF}\x{00AD}]/u', '/[\p{Zs}]/u'], ['', ' '], $line));
            if ($line === '') {
                $exam->apart = true;

                continue;
            }
            if (Marks::isKeyHeading($line)) {
                $exam->key += KeySection::read(self::rest($lines, $i + 1));
                break;
            }
            $exam->line($line, $i + 1);
            $exam->apart = false;
            if ($exam->open !== null && $i + 1 - $exam->open->line > self::LINES) {
                throw Unreadable::endlessQuestion($exam->open->line, self::LINES);
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

    private function line(string $line, int $at): void
    {
        $key = Marks::keyLine($line);
        if ($key !== null) {
            $this->key += KeySection::read([$key]);

            return;
        }
        $start = Marks::question($line);
        if ($start !== null && $this->runsOn($start[0])) {
            $this->close();
            $this->begin($start[0], $start[1], $at);
        } elseif ($this->open?->kind === 'question') {
            $this->within($this->open, $line, $at);
        } else {
            $this->loose($line, $at);
        }
    }

    private function begin(int $number, string $text, int $at): void
    {
        [$text, $points] = Marks::points($text);
        [$stem, $options] = Marks::options($text, 0);
        $this->last = $number;
        $this->open = new Block('question', $at, $number, $stem === '' ? [] : [self::spaced($stem)], array_map(self::spaced(...), $options), points: $points);
    }

    private function within(Block $block, string $line, int $at): void
    {
        $answer = Marks::answer($line);
        $feedback = Marks::feedback($line);
        $bullet = Marks::bullet($line);
        [$before, $options] = Marks::options($line, count($block->options));
        if ($answer !== null) {
            $this->open = $block->with(['answer' => trim($block->answer.' '.$answer)]);
        } elseif ($feedback !== null) {
            $this->open = $block->with(['feedback' => trim("$block->feedback $feedback")]);
        } elseif ($options !== [] && $before === '') {
            $this->open = $block->with(['options' => [...$block->options, ...array_map(self::spaced(...), $options)], 'firstOption' => $block->options === [] ? $line : $block->firstOption]);
        } elseif ($bullet !== null && $block->stem !== []) {
            $this->open = $block->with(['options' => [...$block->options, self::spaced($bullet[0])], 'ticked' => $bullet[1] ? [...$block->ticked, count($block->options)] : $block->ticked]);
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
        [$line, $points] = Marks::points($line);
        $more = $points === null ? [] : ['points' => $points];
        if ($line === '') {
            $this->open = $block->with($more);
        } elseif ($block->feedback !== '') {
            $this->open = $block->with([...$more, 'feedback' => "$block->feedback $line"]);
        } elseif ($block->options !== []) {
            $options = $block->options;
            $options[count($options) - 1] .= ' '.self::spaced($line);
            $this->open = $block->with([...$more, 'options' => $options]);
        } else {
            [$stem, $options] = Marks::options($line, 0);
            $this->open = $block->with([...$more, 'stem' => $stem === '' ? $block->stem : self::longer($block->stem, self::spaced($stem)), 'options' => array_map(self::spaced(...), $options)]);
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

    /** Questions are numbered on from the last one, or begin again at 1 after a heading. */
    private function runsOn(int $number): bool
    {
        $before = $this->open ?? $this->blocks[count($this->blocks) - 1] ?? null;

        return $this->last === null || $number === $this->last + 1 || ($number === 1 && $before?->kind !== 'question');
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
     * @return list<string>
     */
    private static function rest(array $lines, int $from): array
    {
        return array_values(array_filter(array_map(self::spaced(...), array_slice($lines, $from)), fn (string $line): bool => $line !== ''));
    }
}
