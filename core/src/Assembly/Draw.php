<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;

/** So many questions of a pool, drawn anew for everybody; or so many of each of several pools. */
final readonly class Draw
{
    private const FIELDS = ['id', 'title', 'draw', 'pool', 'from', 'apart', 'points', 'override', 'place', 'fixed'];

    /** @var list<string> questions of all its sources, in an order that drawings keep */
    public array $pool;

    /**
     * @param  int  $count  of all its sources together, whatever it says itself
     * @param  list<DrawSource>  $sources
     * @param  bool  $apart  whether what is asked elsewhere in the assessment is left out
     * @param  string|null  $points  of each that is drawn; null for those of each question
     * @param  bool  $fixed  whether what is drawn keeps its place when the section is shuffled
     */
    private function __construct(
        public string $id,
        public string $title,
        public int $count,
        public array $sources,
        public bool $apart,
        private ?string $points,
        public EntrySettings $settings,
        public EntryPlace $place,
        public bool $fixed,
    ) {
        $this->pool = array_values(array_unique(array_merge(...array_map(fn (DrawSource $one): array => $one->pool, $sources), ...[[]])));
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('draw');
        $sources = self::sources($fields, $fields->int('draw', 1, 1, 2000), $path);

        return new self(
            $fields->id(),
            $fields->string('title', '', 500),
            array_sum(array_map(fn (DrawSource $source): int => $source->count, $sources)),
            $sources,
            $fields->bool('apart', false),
            $fields->raw('points') === null ? null : $fields->decimal('points', '100000'),
            EntrySettings::read($fields->raw('override'), $fields->at('override')),
            EntryPlace::read($fields),
            $fields->bool('fixed', false),
        );
    }

    /**
     * @return list<DrawSource>
     *
     * @throws Malformed
     */
    private static function sources(Fields $fields, int $count, string $path): array
    {
        if (! $fields->has('from')) {
            return [new DrawSource('', $count, null, [], DrawSource::pool($fields->need('pool')), false)];
        }
        if ($fields->has('pool')) {
            throw Malformed::unknownField("$path/pool", 'pool'); // each source has its own
        }
        $sources = [];
        $given = $fields->list('from', DrawSource::MOST);
        if ($given === []) {
            throw Malformed::outOfRange($fields->at('from'), Message::of('assembly.a-source'), '');
        }
        foreach ($given as $i => $source) {
            $sources[] = DrawSource::read($source, "$path/from/$i");
        }

        return $sources;
    }

    /** Of one that is drawn. @param  BigRational|null  $ofQuestion  null when it is gone */
    public function points(?BigRational $ofQuestion): BigRational
    {
        return $this->points !== null ? Exact::of($this->points) : $ofQuestion ?? Exact::zero();
    }

    /** @return list<string> questions of its pool that stand in a list: put there, or found by conditions that grow no more */
    public function listed(): array
    {
        $lists = array_filter($this->sources, fn (DrawSource $source): bool => ! $source->grows);

        return array_values(array_unique(array_merge(...array_map(fn (DrawSource $one): array => $one->pool, $lists), ...[[]])));
    }

    /** Whether some of its pools are whatever meets conditions now. */
    public function grows(): bool
    {
        return array_filter($this->sources, fn (DrawSource $source): bool => $source->grows) !== [];
    }

    /** @param  array<int, list<string>>  $pools  source → the questions it has now */
    public function of(array $pools): self
    {
        $sources = [];
        foreach ($this->sources as $i => $source) {
            $sources[] = isset($pools[$i]) ? $source->of($pools[$i]) : $source;
        }

        return new self(
            $this->id,
            $this->title,
            $this->count,
            $sources,
            $this->apart,
            $this->points,
            $this->settings,
            $this->place,
            $this->fixed,
        );
    }

    /** @param  array<string, true>  $asked  questions that are asked elsewhere */
    public function without(array $asked): self
    {
        $left = fn (DrawSource $one): array => array_values(
            array_filter($one->pool, fn (string $question): bool => ! isset($asked[$question])),
        );

        return $this->of(array_map($left, $this->sources));
    }

    /**
     * How many can be drawn of the questions that are there.
     *
     * @param  array<string, mixed>  $there  by question
     */
    public function most(array $there): int
    {
        $pools = array_map(
            fn (DrawSource $one): array => array_values(array_filter($one->pool, fn (string $question): bool => isset($there[$question]))),
            $this->sources,
        );

        return count(Drawing::of($pools, $this->counts()));
    }

    /** @return list<string> questions of one drawing, in the order of the pool; as many as there are where it is too small */
    public function drawn(Seed $seed): array
    {
        $stream = $seed->stream('draw', $this->id);
        $pools = array_map(fn (DrawSource $source): array => $stream->shuffled($source->pool), $this->sources);
        $picked = Drawing::of($pools, $this->counts());

        return array_values(array_filter($this->pool, fn (string $question): bool => isset($picked[$question])));
    }

    /** @return list<int> */
    private function counts(): array
    {
        return array_map(fn (DrawSource $source): int => $source->count, $this->sources);
    }

    /**
     * For places that know one pool a draw: a draw for each source, a question in the first that has it.
     *
     * @return list<self>
     */
    public function alone(): array
    {
        if (count($this->sources) === 1) {
            return [$this];
        }
        $draws = [];
        $taken = [];
        foreach ($this->sources as $i => $source) {
            $pool = array_values(array_filter($source->pool, fn (string $question): bool => ! isset($taken[$question])));
            $taken += array_fill_keys($pool, true);
            $title = $source->title !== '' ? $source->title : trim("$this->title ".($i + 1));
            $id = mb_substr($this->id, 0, 240).' '.($i + 1);
            $alone = [new DrawSource('', $source->count, null, [], $pool, false)];
            $draws[] = new self($id, $title, $source->count, $alone, false, $this->points, $this->settings, $this->place, $this->fixed);
        }

        return $draws;
    }

    /**
     * A draw as it is written, as draws of one list each: for what reads assessments without checking them.
     *
     * @return list<\stdClass>
     */
    public static function lists(\stdClass $entry): array
    {
        if (! is_array($entry->from ?? null)) {
            return [$entry];
        }
        $lists = [];
        foreach ($entry->from as $source) {
            $source = $source instanceof \stdClass ? $source : new \stdClass;
            $lists[] = (object) [
                ...array_diff_key((array) $entry, ['from' => true]),
                'title' => ($source->title ?? '') ?: $entry->title ?? '',
                'draw' => $source->draw ?? 1,
                'pool' => $source->pool ?? [],
            ];
        }

        return $lists;
    }
}
