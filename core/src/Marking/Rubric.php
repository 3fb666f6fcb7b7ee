<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** What people mark an answer by, so that everybody marks alike. Its shape is core/schema/common.json#/$defs/rubric. */
final readonly class Rubric
{
    public const MOST_CRITERIA = 50;

    private const MOST_GROUPS = 20;

    /**
     * @param  string  $html  what whoever marks should know first
     * @param  list<Criterion>  $criteria
     * @param  list<CriteriaGroup>  $groups
     * @param  array{string, int}|null  $link  the rubric of a bank it follows, and the revision it has; null when it is the question's own
     */
    private function __construct(
        public RubricScheme $scheme,
        public string $title,
        public string $html,
        public array $criteria,
        public array $groups,
        private ?string $cap,
        public ?array $link,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['scheme', 'title', 'html', 'criteria', 'groups', 'cap', 'link'])->need('criteria');
        $scheme = RubricScheme::from($fields->oneOf('scheme', array_column(RubricScheme::cases(), 'value'), RubricScheme::Analytic->value));
        /** @var list<Criterion> $criteria */
        $criteria = self::named($fields->list('criteria', self::MOST_CRITERIA), "$path/criteria", Criterion::read(...));
        /** @var list<CriteriaGroup> $groups */
        $groups = self::named($fields->list('groups', self::MOST_GROUPS), "$path/groups", CriteriaGroup::read(...));

        return new self(
            $scheme,
            $fields->string('title'),
            $fields->string('html', '', 400000),
            $criteria,
            $groups,
            $fields->decimalOrNull('cap', '100000'),
            $fields->raw('link') === null ? null : self::link($fields),
            $path,
        );
    }

    /**
     * @param  list<mixed>  $list
     * @param  callable(mixed, string): (Criterion|CriteriaGroup)  $read
     * @return list<Criterion|CriteriaGroup>
     *
     * @throws Malformed
     */
    private static function named(array $list, string $path, callable $read): array
    {
        $named = [];
        foreach ($list as $i => $json) {
            $one = $read($json, "$path/$i");
            if (isset($named["=$one->id"])) {
                throw Malformed::repeatedId("$path/$i/id", $one->id);
            }
            $named["=$one->id"] = $one;
        }

        return array_values($named);
    }

    /**
     * @return array{string, int}
     *
     * @throws Malformed
     */
    private static function link(Fields $fields): array
    {
        $link = $fields->object('link', ['rubric', 'revision'])->need('revision');

        return [$link->uuid('rubric'), $link->int('revision', 1, 1, 1_000_000)];
    }

    public function criterion(string $id): ?Criterion
    {
        foreach ($this->criteria as $criterion) {
            if ($criterion->id === $id) {
                return $criterion;
            }
        }

        return null;
    }

    /**
     * Criteria that are marked: all, or the first one where the whole answer gets one level.
     *
     * @return list<Criterion>
     */
    public function marked(): array
    {
        return $this->scheme === RubricScheme::Holistic ? array_slice($this->criteria, 0, 1) : $this->criteria;
    }

    /** The most points the rubric counts; null: as many as there are. */
    public function cap(): ?BigRational
    {
        return $this->cap === null ? null : Exact::of($this->cap);
    }

    /** The most it can give. */
    public function highest(): BigRational
    {
        $best = [];
        foreach ($this->marked() as $criterion) {
            $best[$criterion->id] = $criterion->worth($criterion->highest());
        }

        return (new RubricTotal($this))->of($best)['points'];
    }
}
