<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Range;

/** A further rule, said in a sentence. */
final readonly class BlueprintRule
{
    /** What may be counted by value. */
    public const ATTRIBUTES = ['stimulus', 'topic', 'tag', 'source', 'author', 'work', 'kind'];

    private const FIELDS = [
        'at_most' => ['attribute', 'n'],
        'all_or_none' => [],
        'never_together' => ['questions'],
        'must_include' => ['questions'],
        'exclude' => ['questions'],
        'unused_since' => ['since'],
        'not_in' => ['assessments'],
        'some' => ['where', 'count', 'points'],
        'key_spread' => ['n'],
        'mean_difficulty' => ['min', 'max'],
    ];

    /**
     * @param  array<string, list<string>>|null  $where  of 'some'
     * @param  array<string, Range>  $ranges  of 'some', by measure
     * @param  list<string>  $questions
     * @param  list<string>  $assessments
     */
    private function __construct(
        public string $id,
        public string $rule,
        public string $title,
        public string $attribute = '',
        public int $n = 0,
        public array $questions = [],
        public array $assessments = [],
        public ?string $since = null,
        public ?array $where = null,
        public array $ranges = [],
        public ?Range $mean = null,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $name = $json instanceof \stdClass ? $json->rule ?? null : null;
        $fields = Fields::of($json, $path, ['id', 'rule', 'title', ...is_string($name) ? self::FIELDS[$name] ?? [] : []]);
        $rule = $fields->oneOf('rule', array_keys(self::FIELDS), '');
        $range = fn (string $field, bool $isWhole): ?Range => Range::read($fields, $field, $isWhole);

        return new self(
            $fields->id(),
            $rule,
            $fields->string('title', '', 500),
            match ($rule) {
                'at_most' => $fields->oneOf('attribute', self::ATTRIBUTES, 'stimulus'),
                'all_or_none' => 'stimulus',
                'key_spread' => 'key',
                'mean_difficulty' => 'difficulty',
                default => '',
            },
            $fields->int('n', 1, $rule === 'at_most' ? 1 : 0, Blueprint::QUESTIONS),
            self::uuids($fields, 'questions', Blueprint::QUESTIONS),
            self::uuids($fields, 'assessments', 100),
            $rule === 'unused_since' ? Blueprint::day($fields->need('since'), 'since') : null,
            $rule === 'some' ? Conditions::read($fields, 'where') : null,
            $rule === 'some' ? array_filter(['count' => $range('count', true), 'points' => $range('points', false)]) : [],
            $rule === 'mean_difficulty' ? self::mean($fields) : null,
        );
    }

    /**
     * @return list<string>
     *
     * @throws Malformed
     */
    private static function uuids(Fields $fields, string $field, int $most): array
    {
        $ids = [];
        foreach ($fields->list($field, $most) as $i => $id) {
            $ids[Fields::asUuid($id, $fields->at("$field/$i"))] = true;
        }

        return array_keys($ids);
    }

    /** @throws Malformed */
    private static function mean(Fields $fields): Range
    {
        $end = fn (string $field): ?BigRational => $fields->raw($field) === null ? null : Exact::of($fields->decimal($field, '5', '1'));
        $range = new Range($end('min'), $end('max'));

        return $range->isUpsideDown()
            ? throw Malformed::outOfRange($fields->at('min'), Message::of('selection.range-order'), $fields->raw('min'))
            : $range;
    }
}
