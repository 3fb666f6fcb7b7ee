<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** An example of an answer, what it would earn, and the examiner's remarks on passages of it. */
final readonly class ModelAnswer
{
    private const MOST_REMARKS = 100;

    /**
     * @param  string  $html  the answer; a passage with a remark stands in <span data-remark="r1">
     * @param  string|null  $points  what it earns where there is no rubric
     * @param  \stdClass|null  $marks  as a person would give them: {"criteria": {…}}
     * @param  string  $remarks  on the whole answer
     * @param  list<array{id: string, html: string, path: string}>  $passages  the remarks on its passages
     * @param  string  $missing  what such answers commonly lack
     * @param  string  $alternatives  what is to be accepted as well
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $html,
        public ?string $points,
        public ?\stdClass $marks,
        public string $remarks,
        public array $passages,
        public string $missing,
        public string $alternatives,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, [
            'id',
            'title',
            'html',
            'points',
            'criteria',
            'remarks',
            'passages',
            'missing',
            'alternatives',
        ])->need('html');
        $criteria = $fields->has('criteria') ? MarksShape::ofCriteria($fields->raw('criteria'), "$path/criteria") : null;

        return new self(
            $fields->id(),
            $fields->string('title'),
            $fields->string('html', '', 400000),
            $fields->has('points') ? $fields->decimal('points', '100000') : null,
            $criteria === null ? null : (object) ['criteria' => $criteria],
            $fields->string('remarks', '', 400000),
            self::passages($fields),
            $fields->string('missing', '', 400000),
            $fields->string('alternatives', '', 400000),
            $path,
        );
    }

    /**
     * @return list<array{id: string, html: string, path: string}>
     *
     * @throws Malformed
     */
    private static function passages(Fields $fields): array
    {
        $remarks = [];
        foreach ($fields->list('passages', self::MOST_REMARKS) as $i => $json) {
            $at = $fields->at("passages/$i");
            $remark = Fields::of($json, $at, ['id', 'html'])->need('html');
            $id = $remark->id();
            if (isset($remarks["=$id"])) {
                throw Malformed::repeatedId("$at/id", $id);
            }
            $remarks["=$id"] = ['id' => $id, 'html' => $remark->string('html', '', 400000), 'path' => $at];
        }

        return array_values($remarks);
    }
}
