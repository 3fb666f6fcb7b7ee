<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Mappings;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Result;
use WideQuarry\Scoring\Scorer;

/**
 * Keys from conditions, by what they do: the item is marked for responses that between them show all it can do, a key is made of what
 * came out, and it is taken only if our own scorer then gives every one of them the same. So no shape of conditions is recognised by
 * its look, and none is guessed.
 */
final class KeySearch
{
    private const MOST = 160;

    /** Less than any mark that is told apart. */
    private const NEAR = '1/2000';

    /** So many words are tried with one another. */
    private const MOST_SHARED = 40;

    /** So many answers are tried beside the best of all others. */
    private const BESIDE = 3;

    /** @var array<string, list<list<string>>> */
    private array $tries = [];

    /** @var array<string, list<array{list<string>, BigRational}>> */
    private array $gains = [];

    /** @var list<int> rows by which keys were refused, the last first */
    private array $telling = [];

    /** @var array{rules: array<string, list<int>>, credits: array<string, array<int, string>>} */
    private array $outcomes = ['rules' => [], 'credits' => []];

    /** @var list<array{given: array<string, list<string>>, score: BigRational, shows: list<string>}> */
    public readonly array $rows;

    /**
     * @param  list<Response>  $responses
     */
    public function __construct(
        public readonly array $responses,
        private readonly ItemMarking $processing,
        private readonly PartKinds $kinds,
    ) {
        foreach ($responses as $response) {
            $this->tries[$response->id] = $this->tries($response);
        }
        $rows = [];
        foreach ($this->combinations() as $given) {
            [$score, $shows] = $processing->run($this->asked($given));
            $rows[] = ['given' => $given, 'score' => $score->simplified(), 'shows' => $shows];
        }
        $this->rows = $rows;
    }

    /**
     * @param  \stdClass  $question  without keys
     * @return \stdClass|null the question with keys that score as the item does; null when there are none of ours
     */
    public function of(\stdClass $question): ?\stdClass
    {
        if (! $this->processing->isWhole() || $this->processing->isEmpty() || $this->responses === []) {
            return null;
        }
        $known = new KnownKeys($this->responses, $this->rows, $question);
        // less than nothing is given where some answers earn it, and only there; "all or nothing" where an answer earns nothing alone
        $below = array_filter($this->rows, fn (array $row): bool => $row['score']->isNegative()) !== [];
        $how = $known->how();
        $again = $how === null ? null : $this->again($known, $this->keyed($question, $how['combine'], $how['scheme'], $below));
        if ($again !== null) {
            return $again;
        }
        $together =
            count($this->responses) > 1 &&
            array_filter(
                $this->responses,
                fn (Response $one): bool => array_filter(
                    $this->gains($one, 'sum', $this->score([])),
                    fn (array $gain): bool => ! $gain[1]->isZero(),
                ) === [],
            ) !== [];
        foreach ($together ? ['all', 'gates'] : ['sum', ...$this->alike() === [] ? [] : ['once']] as $combine) {
            foreach ($this->schemes() as $scheme) {
                $tried = $this->keyed($question, $combine, $scheme, $below);
                if ($tried !== null && $this->agrees($tried)) {
                    $known->remember($tried, $combine, $scheme, $this->outcomes);

                    return $tried;
                }
            }
        }

        return null;
    }

    /** @return \stdClass|null the key, where the same was scored before; what it scores is known then */
    private function again(KnownKeys $known, ?\stdClass $keyed): ?\stdClass
    {
        $outcomes = $keyed === null ? null : $known->outcomes($keyed);
        if ($outcomes === null) {
            return null;
        }
        try {
            Question::read($keyed, $this->kinds); // identifiers differ, and not all can be ours
        } catch (Malformed) {
            return null;
        }
        $this->outcomes = $outcomes;

        return $keyed;
    }

    /**
     * What is tried of a response: what it names, and what seems best by what each single thing earns.
     *
     * @return list<list<string>>
     */
    private function tries(Response $response): array
    {
        $tried = $response->tried();
        if (! $response->isJoined()) {
            return $tried;
        }
        $nothing = $this->processing->run($this->asked([]))[0];
        $gains = [];
        foreach ($tried as $given) {
            if (count($given) === 1) {
                $gains[$given[0]] = $this->processing->run($this->asked([$response->id => $given]))[0]->minus($nothing);
            }
        }
        $lowest = array_reduce(
            $gains,
            fn (?BigRational $low, BigRational $gain): BigRational => $low === null || Exact::compare($gain, $low) < 0 ? $gain : $low,
        );
        $sets = [];
        foreach (
            [
                fn (BigRational $gain): bool => $gain->isPositive(),
                fn (BigRational $gain): bool => $lowest !== null && Exact::compare($gain, $lowest) > 0,
            ] as $seems
        ) {
            array_push($sets, ...$response->around(array_map(strval(...), array_keys(array_filter($gains, $seems)))));
        }

        return Response::unlike([...$tried, ...$sets]);
    }

    /** @return list<string> every scheme that one of the responses may be marked by */
    private function schemes(): array
    {
        return array_values(
            array_unique(array_merge(...array_map(fn (Response $one): array => $one->shape->schemes($one->several), $this->responses))),
        );
    }

    /**
     * @param  array<string, list<string>>  $given  by our responses
     * @return array<string, list<string>> by those of the item
     */
    private function asked(array $given): array
    {
        $asked = [];
        foreach ($this->responses as $response) {
            $asked = array_replace($asked, $response->asked($given[$response->id] ?? []));
        }

        return $asked;
    }

    /**
     * What our own scorer made of every row, once there is a key.
     *
     * @return array{rules: array<string, list<int>>, credits: array<string, array<int, string>>} part and rule → rows it matched in; part
     *     → row → credit
     */
    public function outcomes(): array
    {
        return $this->outcomes;
    }

    public function most(): BigRational
    {
        return array_reduce(
            $this->rows,
            fn (BigRational $most, array $row): BigRational => Exact::compare($row['score'], $most) > 0 ? $row['score'] : $most,
            Exact::zero(),
        );
    }

    /**
     * Everything that may be given to one response with everything for the others; where that is too much, one after the other and
     * together.
     *
     * @return list<array<string, list<string>>>
     */
    private function combinations(): array
    {
        $all = [[]];
        foreach ($this->responses as $response) {
            $next = [];
            foreach ($all as $given) {
                foreach ($this->tries[$response->id] as $value) {
                    $next[] = array_replace($given, [$response->id => $value]);
                }
            }
            if (count($next) > self::MOST) {
                return $this->some();
            }
            $all = $next;
        }

        return $all;
    }

    /** @return list<array<string, list<string>>> */
    private function some(): array
    {
        $blank = array_fill_keys(array_map(fn (Response $one): string => $one->id, $this->responses), []);
        $all = [$blank];
        $best = $blank;
        $nothing = $this->score([]);
        foreach ($this->responses as $response) {
            $top = $nothing;
            foreach ($this->tries[$response->id] as $value) {
                $all[] = $given = array_replace($blank, [$response->id => $value]);
                $score = $this->processing->run($this->asked($given))[0];
                if (Exact::compare($score, $top) > 0) {
                    [$top, $best[$response->id]] = [$score, $value];
                }
            }
            // what earns nothing alone may do so with others
            $best[$response->id] = $best[$response->id] === [] ? $response->guess() : $best[$response->id];
        }
        foreach ($this->responses as $response) {
            $others = array_filter($this->tries[$response->id], fn (array $value): bool => $value !== $best[$response->id]);
            foreach ([$best[$response->id], ...array_slice($others, 0, self::BESIDE)] as $value) {
                $all[] = array_replace($best, [$response->id => $value]);
            }
        }

        return array_values(array_unique($all, SORT_REGULAR));
    }

    /** @param  bool  $below  whether a score may fall below nothing */
    private function keyed(\stdClass $question, string $combine, string $scheme, bool $below): ?\stdClass
    {
        $copy = Json::copy($question);
        assert($copy instanceof \stdClass && is_array($copy->parts));
        $nothing = $this->score([]);
        $gates = [];
        $once = $combine === 'once' ? $this->alike() : [];
        $sharing = array_merge(...array_map(fn (array $list): array => array_slice($list, 1), $once));
        foreach ($copy->parts as $i => $part) {
            assert($part instanceof \stdClass);
            $response = $this->responses[$i] ?? null;
            [$needs, $gains] =
                $response === null
                    ? [[], []]
                    : ($combine === 'gates'
                        ? $this->gated($response, $nothing)
                        : [[], $this->gains($response, $combine, $nothing)]);
            if ($needs !== []) {
                $gates[] = (object) ['part' => $part->id, 'needs' => $needs];
            }
            $points = array_reduce(
                $gains,
                fn (BigRational $most, array $gain): BigRational => Exact::compare($gain[1], $most) > 0 ? $gain[1] : $most,
                Exact::zero(),
            );
            if ($response === null || $points->isZero()) {
                return null;
            }
            $part->points = ScoreFloats::points($combine === 'all' ? $this->most()->dividedBy(count($this->responses)) : $points);
            $own = $response->shape->schemes($response->several);
            $by = in_array($scheme, $own, true) ? $scheme : $own[0];
            $rules = $this->shared($response, $once, $gains, $points) ?? Rules::of($response, $gains, $points, $by);
            if ($rules === null) {
                return null;
            }
            $part->key = (object) ['rules' => in_array($response->id, $sharing, true) ? [] : $rules, 'default' => '0'];
            $part->scoring = (object) [
                'scheme' => $by === 'margins' ? 'weights' : $by,
                ...$below ? ['low' => '-1000'] : [],
                ...$by === 'each' ? ['cost' => Rules::costOfExtra($gains, $points, $rules) ?? '0'] : [],
            ];
        }
        $copy->scoring = (object) [
            'combine' => $combine === 'all' ? 'all' : 'sum',
            ...$gates === [] ? [] : ['gates' => $gates],
            ...$once === [] ? [] : ['once' => $once],
            ...$below ? ['low' => '-1000'] : [],
        ];

        return $copy;
    }

    /**
     * What each response earns beyond nothing: alone, or beside the best of all others.
     *
     * @return list<array{list<string>, BigRational}>
     */
    private function gains(Response $response, string $combine, BigRational $nothing): array
    {
        $kept = "$response->id\n$combine";
        if (isset($this->gains[$kept])) {
            return $this->gains[$kept];
        }
        $best = [];
        foreach ($this->rows as $row) {
            $alone = count(array_filter($row['given'])) - ($row['given'][$response->id] === [] ? 0 : 1) === 0;
            $value = implode("\n", $row['given'][$response->id]);
            if (($combine === 'all' || $alone) && (! isset($best[$value]) || Exact::compare($row['score'], $best[$value]) > 0)) {
                $best[$value] = $row['score'];
            }
        }

        return $this->gains[$kept] = array_map(
            fn (array $value): array => [$value, ($best[implode("\n", $value)] ?? $nothing)->minus($nothing)->simplified()],
            $this->tries[$response->id],
        );
    }

    /** Whether an answer is typed, so that it may be anything. */
    public function isTyped(Response $response): bool
    {
        return $this->kinds->find($response->kind)?->canShareAnswers() === true;
    }

    /** @return list<list<string>> typed responses that earn the same for the same answers: their rules may be shared */
    private function alike(): array
    {
        $lists = [];
        $nothing = $this->score([]);
        foreach ($this->responses as $response) {
            if ($this->isTyped($response)) {
                $lists[
                    serialize(
                        array_map(fn (array $gain): array => [$gain[0], Exact::text($gain[1])], $this->gains($response, 'sum', $nothing)),
                    )
                ][] = $response->id;
            }
        }

        return array_values(array_filter($lists, fn (array $list): bool => count($list) > 1));
    }

    /**
     * Rules that several responses share: words of which only one earns where two responses give two of them are one rule.
     *
     * @param  list<list<string>>  $once
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null null when it shares none, or not in this way
     */
    private function shared(Response $response, array $once, array $gains, BigRational $points): ?array
    {
        $list = array_values(array_filter($once, fn (array $list): bool => $list[0] === $response->id))[0] ?? [];
        $of = [];
        foreach ($gains as [$given, $gain]) {
            if ($gain->isPositive() && in_array($given[0] ?? '', $response->named(), true)) {
                $of[$given[0]] = $gain;
            }
        }
        $words = array_map(strval(...), array_keys($of));
        if (count($list) < 2 || count($words) > self::MOST_SHARED) {
            return null;
        }
        $nothing = $this->score([]);
        $alike = $groups = [];
        foreach ($words as $i => $word) {
            foreach (array_slice($words, $i) as $other) {
                // the other way round it is the same, or no scorer of ours agrees in the end
                $alike[$word][$other] = $alike[$other][$word] = $this->score([$list[0] => [$word], $list[1] => [$other]])
                    ->minus($nothing)
                    ->isLessThan($of[$word]->plus($of[$other]));
            }
        }
        foreach ($words as $word) {
            $groups[implode("\n", array_filter($words, fn (string $other): bool => $alike[$word][$other]))][] = $word;
        }
        foreach ($groups as $with => $group) {
            if ($with !== implode("\n", $group)) {
                return null;
            }
        }

        return Rules::alternatives(
            $response,
            array_values($groups),
            fn (string $word): string => Exact::text($of[$word]->dividedBy($points)),
        );
    }

    /**
     * A response that earns nothing alone may do so beside what another one needs to be right, or all others.
     *
     * @return array{list<string>, list<array{list<string>, BigRational}>} what it needs, and what it earns then
     */
    private function gated(Response $response, BigRational $nothing): array
    {
        $alone = $this->gains($response, 'sum', $nothing);
        $others = array_map(
            fn (Response $one): string => $one->id,
            array_values(array_filter($this->responses, fn (Response $one): bool => $one !== $response)),
        );
        if (array_filter($alone, fn (array $gain): bool => ! $gain[1]->isZero()) !== []) {
            return [[], $alone];
        }
        foreach (count($others) > 1 ? [...array_map(fn (string $one): array => [$one], $others), $others] : [$others] as $needs) {
            $base = [];
            foreach ($this->responses as $other) {
                if (in_array($other->id, $needs, true)) {
                    $base[$other->id] = $this->best($other, $nothing);
                }
            }
            $before = $this->score($base);
            $gains = array_map(
                fn (array $value): array => [
                    $value,
                    $this->score([...$base, $response->id => $value])
                        ->minus($before)
                        ->simplified(),
                ],
                $this->tries[$response->id],
            );
            if (array_filter($gains, fn (array $gain): bool => $gain[1]->isPositive()) !== []) {
                return [$needs, $gains];
            }
        }

        return [[], $alone];
    }

    /** @return list<string> what earns most alone; where nothing does, what is named first */
    private function best(Response $response, BigRational $nothing): array
    {
        $best = [[], Exact::zero()];
        foreach ($this->gains($response, 'sum', $nothing) as $gain) {
            $best = Exact::compare($gain[1], $best[1]) > 0 ? $gain : $best;
        }

        return $best[0] === [] ? $response->guess() : $best[0];
    }

    /** @param  array<string, list<string>>  $given */
    private function score(array $given): BigRational
    {
        return $this->processing->run($this->asked($given))[0];
    }

    private function agrees(\stdClass $json): bool
    {
        try {
            $question = Question::read($json, $this->kinds);
            foreach ($this->telling as $i) {
                // what told another key from the item mostly tells this one too
                if (! $this->isSame($this->scored($question, $i), $i)) {
                    return false;
                }
            }
            $outcomes = ['rules' => [], 'credits' => []];
            foreach ($this->rows as $i => $row) {
                $result = $this->scored($question, $i);
                if (! $this->isSame($result, $i)) {
                    array_unshift($this->telling, $i);

                    return false;
                }
                foreach ($result->parts as $part) {
                    $outcomes['credits'][$part->id][$i] = (string) $part->credit;
                    foreach ($part->matched as $rule) {
                        $outcomes['rules']["$part->id\t$rule"][] = $i;
                    }
                }
            }
            $this->outcomes = $outcomes;
        } catch (Malformed|NotScorable) {
            return false;
        }

        return true;
    }

    /** Points have four decimals: thirds of one are as near as that. */
    private function isSame(Result $result, int $row): bool
    {
        return Exact::compare($result->exact, $this->rows[$row]['score']) === 0 ||
            $result->exact->minus($this->rows[$row]['score'])->abs()->isLessThanOrEqualTo(self::NEAR);
    }

    private function scored(Question $question, int $row): Result
    {
        $response = new \stdClass();
        foreach ($this->responses as $one) {
            if ($this->rows[$row]['given'][$one->id] !== []) {
                $response->{$one->id} = Mappings::of($this->kinds->find($one->kind))?->toResponse(
                    $this->rows[$row]['given'][$one->id],
                    $question->language,
                    $one->settings,
                );
            }
        }

        return (new Scorer)->score($question, new Attempt($response, Seed::of(1)));
    }
}
