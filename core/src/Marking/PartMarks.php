<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** What a person gave for one part: {"criteria":{"c1":{"level":"l2"}}, "note":"…"}, or {"points":"3"} where there is no rubric. */
final readonly class PartMarks
{
    public const MOST_NOTE = 10_000;

    /**
     * @param  array<string, CriterionMark>  $criteria  by id
     * @param  BigRational|null  $points  for the whole part, where there is no rubric
     */
    private function __construct(public array $criteria, public ?BigRational $points, public string $note)
    {
    }

    public static function none(): self
    {
        return new self([], null, '');
    }

    /**
     * @param  BigRational  $most  points of the part
     *
     * @throws Malformed when a mark does not belong to the rubric
     */
    public static function read(mixed $json, string $path, ?Rubric $rubric, BigRational $most): self
    {
        $fields = Fields::of($json, $path, ['criteria', 'points', 'note']);
        $note = $fields->string('note', '', self::MOST_NOTE);
        if ($rubric === null || $rubric->criteria === []) {
            if ($fields->has('criteria')) {
                throw Malformed::outOfRange($fields->at('criteria'), Message::of('marking.no-rubric'), $fields->raw('criteria'));
            }

            return new self([], $fields->has('points') ? self::whole($fields, $most) : null, $note);
        }
        if ($fields->has('points')) {
            throw Malformed::outOfRange($fields->at('points'), Message::of('marking.by-criterion'), $fields->raw('points'));
        }

        return new self(self::criteria($fields, $rubric), null, $note);
    }

    /**
     * @return array<string, CriterionMark>
     *
     * @throws Malformed
     */
    private static function criteria(Fields $fields, Rubric $rubric): array
    {
        $given = $fields->has('criteria') ? $fields->raw('criteria') : new \stdClass();
        if (! ($given instanceof \stdClass)) {
            throw Malformed::wrongType($fields->at('criteria'), Message::of('marking.marks-of-criteria'), $given);
        }
        $marks = [];
        foreach (get_object_vars($given) as $id => $mark) {
            $id = (string) $id;
            $criterion = array_values(array_filter($rubric->marked(), fn (Criterion $one): bool => $one->id === $id))[0] ?? null;
            if ($criterion === null) {
                $known = Message::of('marking.criterion-of-rubric', ['list' => implode(', ', array_column($rubric->marked(), 'id'))]);
                throw Malformed::outOfRange($fields->at("criteria/$id"), $known, $id);
            }
            $marks[$id] = CriterionMark::read($mark, $fields->at("criteria/$id"), $criterion);
        }

        return $marks;
    }

    /** @throws Malformed */
    private static function whole(Fields $fields, BigRational $most): BigRational
    {
        $points = Exact::read($fields->exact('points', '')) ??
            throw Malformed::outOfRange($fields->at('points'), Message::of('marking.exact-number'), $fields->raw('points'));

        return ! $points->isNegative() && $points->isLessThanOrEqualTo($most)
            ? $points
            : throw Malformed::outOfRange($fields->at('points'), Message::of('marking.points-between', [
                'least' => '0',
                'most' => Exact::text($most),
            ]), $fields->raw('points'));
    }
}
