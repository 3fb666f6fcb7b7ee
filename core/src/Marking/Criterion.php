<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Standards\Alignment;

/** What an answer is judged by: levels with points; on a checklist, one point to be made. */
final readonly class Criterion
{
    private const FIELDS = ['id', 'title', 'html', 'levels', 'weight', 'cap', 'negative', 'group', 'needs', 'accept', 'reject', 'standards'];

    public const MOST_LEVELS = 20;

    public const MOST_WORDINGS = 50;

    /**
     * @param  string  $html  what is judged, in rich text, under the title
     * @param  list<Level>  $levels
     * @param  string|null  $group  id of the group it is in
     * @param  list<string>  $needs  ids of criteria it depends on: without points there, it earns none
     * @param  list<string>  $accept  wordings that earn it
     * @param  list<string>  $reject  wordings that do not
     * @param  list<Alignment>  $standards
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $html,
        public array $levels,
        private string $weight,
        private ?string $cap,
        public bool $mayBeNegative,
        public ?string $group,
        public array $needs,
        public array $accept,
        public array $reject,
        public array $standards,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('title')->need('levels');
        $levels = [];
        foreach ($fields->list('levels', self::MOST_LEVELS) as $i => $given) {
            $level = Level::read($given, "$path/levels/$i");
            if (isset($levels["=$level->id"])) {
                throw Malformed::repeatedId("$path/levels/$i/id", $level->id);
            }
            $levels["=$level->id"] = $level;
        }

        return new self(
            $fields->id(),
            $fields->string('title'),
            $fields->string('html', '', 400000),
            array_values($levels),
            $fields->exact('weight', '1'),
            $fields->decimalOrNull('cap', '100000'),
            $fields->bool('negative', false),
            $fields->raw('group') === null ? null : $fields->id('group'),
            $fields->ids('needs', Rubric::MOST_CRITERIA),
            $fields->strings('accept', self::MOST_WORDINGS),
            $fields->strings('reject', self::MOST_WORDINGS),
            Alignment::list($fields),
            $path,
        );
    }

    public function level(string $id): ?Level
    {
        foreach ($this->levels as $level) {
            if ($level->id === $id) {
                return $level;
            }
        }

        return null;
    }

    /**
     * Its levels from the fewest points to the most.
     *
     * @return list<Level>
     */
    public function ascending(): array
    {
        $levels = $this->levels;
        usort(
            $levels,
            fn (Level $one, Level $other): int => $one->to()->compareTo($other->to()) ?: $one->from()->compareTo($other->from()),
        );

        return $levels;
    }

    /** The level that points stand for: the one whose range holds them, or else the highest below. */
    public function levelAt(BigRational $points): ?Level
    {
        $below = null;
        foreach ($this->ascending() as $level) {
            if ($level->holds($points)) {
                return $level;
            }
            $below = $level->to()->isLessThanOrEqualTo($points) ? $level : $below;
        }

        return $below;
    }

    /** The least that can be given: 0, or less where a level says so. */
    public function lowest(): BigRational
    {
        return array_reduce(
            $this->levels,
            fn (BigRational $least, Level $level): BigRational => $level->from()->isLessThan($least) ? $level->from() : $least,
            Exact::zero(),
        );
    }

    /** The most that can be given. */
    public function highest(): BigRational
    {
        $highest = null;
        foreach ($this->levels as $level) {
            $highest = $highest === null || $level->to()->isGreaterThan($highest) ? $level->to() : $highest;
        }

        return $highest ?? Exact::zero();
    }

    /** What points given for it are worth in the rubric: no more than its most, times its weight. */
    public function worth(BigRational $points): BigRational
    {
        $cap = $this->cap();
        $counted = $cap !== null && $points->isGreaterThan($cap) ? $cap : $points;

        return Exact::times($counted, $this->weight() ?? Exact::one());
    }

    public function cap(): ?BigRational
    {
        return $this->cap === null ? null : Exact::of($this->cap);
    }

    /** @return BigRational|null null when what stands there is no number */
    public function weight(): ?BigRational
    {
        return Exact::read($this->weight);
    }
}
