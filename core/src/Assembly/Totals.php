<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * What an assessment adds up to. A question with two topics counts under both; the total counts it once. Points are those that count: the
 * weight of a section is in them.
 *
 * @phpstan-type Entry array{points: BigRational, kinds: list<string>, topics: list<list<string>>, standards?: list<string>,
 *     difficulty: int|null, minutes: BigRational|null, section?: string, purposes?: list<string>, marking?: string}
 * @phpstan-type Line array{name: string, questions: int, points: BigRational}
 */
final readonly class Totals implements \JsonSerializable
{
    /** What questions are counted by. */
    private const BY = ['kinds', 'topics', 'standards', 'difficulties', 'sections', 'purposes', 'markings'];

    /** Placeholder for the topic of a question the person cannot view; no topic can have this title. */
    public const HIDDEN = '⟨hidden⟩';

    /**
     * @param  list<Line>  $kinds
     * @param  list<Line>  $topics
     * @param  list<Line>  $standards  by what they are called: code and words
     * @param  list<Line>  $difficulties
     * @param  list<Line>  $sections  by their titles, in their order
     * @param  list<Line>  $purposes
     * @param  list<Line>  $markings  itself, hand, or both
     */
    private function __construct(
        public int $questions,
        public BigRational $points,
        public ?BigRational $minutes,
        public array $kinds,
        public array $topics,
        public array $standards,
        public array $difficulties,
        public array $sections,
        public array $purposes,
        public array $markings,
    ) {
    }

    /**
     * What a draw adds: as many as are drawn, each with what all of the pool have in common, and with the middle of their points and
     * minutes.
     *
     * @param  list<Entry>  $pool
     * @return list<Entry>
     */
    public static function drawn(int $count, array $pool): array
    {
        if ($pool === []) {
            return [];
        }
        $same = fn (string $of): bool => count(array_unique(array_column($pool, $of), SORT_REGULAR)) === 1;
        $common = array_values(
            array_filter(
                $pool[0]['topics'],
                fn (array $topic): bool => array_filter($pool, fn (array $one): bool => ! in_array($topic, $one['topics'], true)) === [],
            ),
        );
        $each = [
            'points' => self::middle(array_column($pool, 'points')) ?? Exact::zero(),
            'kinds' => $same('kinds') ? $pool[0]['kinds'] : ['draw'],
            'topics' => $common,
            'standards' => array_values(array_intersect(...array_map(fn (array $one): array => $one['standards'] ?? [], $pool))),
            'difficulty' => $same('difficulty') ? $pool[0]['difficulty'] : null,
            'minutes' => self::middle(array_column($pool, 'minutes')),
            'section' => $pool[0]['section'] ?? '',
            'purposes' => array_values(array_intersect(...array_map(fn (array $one): array => $one['purposes'] ?? [], $pool))),
            'marking' => $same('marking') ? $pool[0]['marking'] ?? '' : '',
        ];

        return self::times(min($count, count($pool)), $each);
    }

    /**
     * @param  Entry  $each  what every one of so many that are drawn adds
     * @return list<Entry>
     */
    public static function times(int $count, array $each): array
    {
        return $count === 0 ? [] : array_fill(0, $count, $each);
    }

    /**
     * Adds exactly, so that three thirds make one.
     *
     * @param  list<BigRational|null>  $values
     */
    private static function middle(array $values): ?BigRational
    {
        $known = array_filter($values, fn (?BigRational $value): bool => $value !== null);

        return $known === []
            ? null
            : array_reduce($known, fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one), Exact::zero())->dividedBy(
                count($known),
            );
    }

    /**
     * @param  list<Entry>  $entries
     */
    public static function of(array $entries): self
    {
        $lines = array_fill_keys(self::BY, []);
        $points = Exact::zero();
        $minutes = null;
        $questions = 0;
        foreach ($entries as $entry) {
            $points = $points->plus($entry['points']);
            $minutes = $entry['minutes'] === null ? $minutes : $entry['minutes']->plus($minutes ?? Exact::zero());
            if ($entry['kinds'] === []) {
                continue; // a page of text takes time, and asks nothing
            }
            $questions++;
            $under = [
                'kinds' => [implode('+', array_unique($entry['kinds']))],
                'topics' => $entry['topics'] === [] ? [''] : array_map(fn (array $path): string => implode(' › ', $path), $entry['topics']),
                'standards' => ($entry['standards'] ?? []) === [] ? [''] : $entry['standards'],
                'difficulties' => [$entry['difficulty'] === null ? '' : (string) $entry['difficulty']],
                'sections' => [$entry['section'] ?? ''],
                'purposes' => ($entry['purposes'] ?? []) === [] ? [''] : $entry['purposes'],
                'markings' => [$entry['marking'] ?? ''],
            ];
            foreach ($under as $by => $names) {
                foreach (array_unique($names) as $name) {
                    $line = $lines[$by]["=$name"] ?? ['name' => $name, 'questions' => 0, 'points' => Exact::zero()];
                    $lines[$by]["=$name"] = [
                        'name' => $name,
                        'questions' => $line['questions'] + 1,
                        'points' => $line['points']->plus($entry['points']),
                    ];
                }
            }
        }
        $sorted = function (array $some): array {
            uksort($some, strnatcasecmp(...)); // '=' alone, what has none, comes first
            $none = isset($some['=']) ? [$some['=']] : [];
            unset($some['=']);

            return [...array_values($some), ...$none];
        };

        return new self(
            $questions,
            $points,
            $minutes,
            $sorted($lines['kinds']), // @phpstan-ignore argument.type
            $sorted($lines['topics']), // @phpstan-ignore argument.type
            $sorted($lines['standards']), // @phpstan-ignore argument.type
            $sorted($lines['difficulties']), // @phpstan-ignore argument.type
            array_values($lines['sections']),
            $sorted($lines['purposes']), // @phpstan-ignore argument.type
            $sorted($lines['markings']), // @phpstan-ignore argument.type
        );
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'questions' => $this->questions,
            'points' => Exact::number($this->points),
            'minutes' => $this->minutes === null ? null : Exact::number($this->minutes),
            'kinds' => self::written($this->kinds),
            'topics' => self::written($this->topics),
            'standards' => self::written($this->standards),
            'difficulties' => self::written($this->difficulties),
            'sections' => self::written($this->sections),
            'purposes' => self::written($this->purposes),
            'markings' => self::written($this->markings),
        ];
    }

    /**
     * @param  list<Line>  $lines
     * @return list<array{name: string, questions: int, points: int|float}>
     */
    private static function written(array $lines): array
    {
        return array_map(
            fn (array $line): array => [
                'name' => $line['name'],
                'questions' => $line['questions'],
                'points' => Exact::number($line['points']),
            ],
            $lines,
        );
    }
}
