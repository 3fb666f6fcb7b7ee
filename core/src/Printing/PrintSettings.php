<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Json\Fields;
use WideQuarry\Question\Detail;
use WideQuarry\Random\Seed;

/** How an assessment stands on paper. */
final readonly class PrintSettings
{
    /** What was given is read by its name; spaces and rolls are lists by entry. */
    public const FIELDS = [
        'school', 'course', 'aids', 'name', 'date', 'group', 'score', 'boxes', 'points', 'points_at', 'columns', 'space', 'size', 'paper',
        'look', 'font', 'numbering', 'prefix', 'labels', 'stimuli', 'language', 'words', 'seed', 'spaces', 'rolls',
        'roll', 'standards', 'difficulty', 'source', 'details',
    ];

    /** What belongs to one test and its entries, and is no part of a template. */
    public const OF_ONE_TEST = ['seed', 'spaces', 'rolls', 'details'];

    private const MOST_SPACES = 1000; // entries of an assessment

    public string $school;

    public string $course;

    /** What is allowed, in the author's words. */
    public string $aids;

    /** A line for each of these at the top. */
    public bool $name;

    public bool $date;

    public bool $group;

    /** Room for the points of all, and a box for those of each question. */
    public bool $score;

    public bool $boxes;

    /** Whether the points of a question stand beside it, and where: margin or after (its text). */
    public bool $points;

    public string $pointsAt;

    public int $columns;

    /** tight, usual or wide. */
    public string $space;

    /** usual or large. */
    public string $size;

    /** A4 or letter. */
    public string $paper;

    /** usual, reading (wider lines and letters, for readers with dyslexia) or contrast. */
    public string $look;

    /** serif or sans. */
    public string $font;

    /** through (all sections) or section (each anew). */
    public string $numbering;

    /** What stands before every number. */
    public string $prefix;

    /** What options are called: one of OptionLabels::STYLES. */
    public string $labels;

    /** once (above the first of its questions), each (above every one) or facing (on a left page). */
    public string $stimuli;

    public PrintedWords $words;

    public Seed $seed;

    /** What is printed beside a question for its author: the number of its roll, codes of standards, difficulty, source. */
    public bool $roll;

    public bool $standards;

    public bool $difficulty;

    public bool $source;

    /** @var list<Detail> what stands below each question on the author's paper */
    public array $details;

    /**
     * @param  array<string, AnswerSpace>  $spaces  entry → where it is answered
     * @param  array<string, true>  $breaks  entries that begin a page
     * @param  array<string, Seed>  $rolls  entry → the roll that is kept for it, whatever the others roll
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private function __construct(private Fields $fields, private array $spaces, private array $breaks, private array $rolls)
    {
        $this->school = $fields->string('school', '', 200);
        $this->course = $fields->string('course', '', 200);
        $this->aids = $fields->string('aids', '', 1000);
        $this->name = $fields->bool('name', true);
        $this->date = $fields->bool('date', true);
        $this->group = $fields->bool('group', false);
        $this->score = $fields->bool('score', true);
        $this->boxes = $fields->bool('boxes', false);
        $this->points = $fields->bool('points', true);
        $this->pointsAt = $fields->oneOf('points_at', ['margin', 'after'], 'margin');
        $this->columns = $fields->int('columns', 1, 1, 2);
        $this->space = $fields->oneOf('space', ['tight', 'usual', 'wide'], 'usual');
        $this->size = $fields->oneOf('size', ['usual', 'large'], 'usual');
        $this->paper = $fields->oneOf('paper', ['A4', 'letter'], 'A4');
        $this->look = $fields->oneOf('look', ['usual', 'reading', 'contrast'], 'usual');
        $this->font = $fields->oneOf('font', ['serif', 'sans'], $this->look === 'reading' ? 'sans' : 'serif');
        $this->numbering = $fields->oneOf('numbering', ['through', 'section'], 'through');
        $this->prefix = $fields->string('prefix', '', 20);
        $this->labels = $fields->oneOf('labels', OptionLabels::STYLES, '');
        $this->stimuli = $fields->oneOf('stimuli', ['once', 'each', 'facing'], 'once');
        $this->words = PrintedWords::read($fields);
        $this->seed = Seed::of($fields->int('seed', 1, 0, Seed::MAX));
        $this->roll = $fields->bool('roll', false);
        $this->standards = $fields->bool('standards', false);
        $this->difficulty = $fields->bool('difficulty', false);
        $this->source = $fields->bool('source', false);
        $this->details = $fields->has('details') ? Detail::list($fields, 'details') : Detail::cases();
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS);
        [$spaces, $breaks] = self::spaces($fields);

        return new self($fields, $spaces, $breaks, self::rolls($fields));
    }

    /**
     * With the rolls of a form, which has one for each of its entries.
     *
     * @param  array<string, Seed>  $rolls
     */
    public function rolling(array $rolls): self
    {
        return new self($this->fields, $this->spaces, $this->breaks, $rolls);
    }

    /**
     * @return array{array<string, AnswerSpace>, array<string, true>}
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function spaces(Fields $fields): array
    {
        $spaces = $breaks = [];
        foreach ($fields->list('spaces', self::MOST_SPACES) as $i => $json) {
            $space = Fields::of($json, $fields->at("spaces/$i"), ['entry', 'as', 'lines', 'break']);
            $entry = $space->id('entry');
            if ($space->has('as') || $space->has('lines')) {
                $spaces[$entry] = AnswerSpace::read($space);
            }
            if ($space->bool('break', false)) {
                $breaks[$entry] = true;
            }
        }

        return [$spaces, $breaks];
    }

    /**
     * @return array<string, Seed>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function rolls(Fields $fields): array
    {
        $rolls = [];
        foreach ($fields->list('rolls', self::MOST_SPACES) as $i => $json) {
            $roll = Fields::of($json, $fields->at("rolls/$i"), ['entry', 'seed'])->need('seed');
            $rolls[$roll->id('entry')] = Seed::of($roll->int('seed', 1, 0, Seed::MAX));
        }

        return $rolls;
    }

    /** The roll of an entry's question: its own where one is kept. */
    public function seedOf(string $entry): Seed
    {
        return self::of($this->rolls, $entry) ?? $this->seed;
    }

    /** @return array<string, Seed> entry → the roll that is kept for it */
    public function kept(): array
    {
        return $this->rolls;
    }

    public function isKept(string $entry): bool
    {
        return self::of($this->rolls, $entry) !== null;
    }

    /** Where the question of an entry is answered; null where its author's own space will do. */
    public function spaceOf(string $entry): ?AnswerSpace
    {
        return self::of($this->spaces, $entry);
    }

    /** Whether a page begins before an entry. */
    public function breaksBefore(string $entry): bool
    {
        return self::of($this->breaks, $entry) ?? false;
    }

    /**
     * What holds of an entry; of what was drawn, what holds of its draw.
     *
     * @template Value
     *
     * @param  array<string, Value>  $values
     * @return Value|null
     */
    private static function of(array $values, string $entry): mixed
    {
        return $values[$entry] ?? $values[explode(' ', $entry)[0]] ?? null;
    }

    /** How much more or less room there is to write than usual. */
    public function room(): float
    {
        return match ($this->space) {
            'tight' => 0.6,
            'wide' => 1.6,
            default => 1.0,
        };
    }
}
