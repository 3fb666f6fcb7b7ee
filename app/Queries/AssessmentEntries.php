<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\DrawCheck;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Totals;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * What stands behind the entries of an assessment, for one reader: the questions they follow as they are now, in three queries.
 *
 * @phpstan-import-type Entry from Totals
 * @phpstan-import-type Facts from PoolFacts
 *
 * @phpstan-type AskedRow object{id: string, title: string, stem: string, kinds: string, points: string, difficulty: int|null,
 *     status: string, revision: int, approved_revision: int|null, has_variables: bool, is_complete: bool, minutes: string|null,
 *     source: string, marking: string, bank: string, bank_name: string, stimuli: list<string>, topics: list<list<string>>,
 *     purposes: list<string>, standards: list<string>, codes: list<string>}&\stdClass
 * @phpstan-type HiddenRow object{id: string, points: string, kinds: string, hidden: bool}&\stdClass
 */
final readonly class AssessmentEntries
{
    /**
     * @param  array<string, AskedRow>  $rows  question → row; only those that are there and may be read
     * @param  array<string, HiddenRow>  $hidden  question → points and kinds of questions this person cannot view; totals count them
     *     for everybody
     * @param  array<string, string>  $stimuli  stimulus → what it is called
     * @param  array<string, Facts>  $pools  draw by conditions → what its pool has in common; its questions are not among the rows
     */
    private function __construct(
        private Assessment $assessment,
        private User $person,
        private array $rows,
        private array $hidden,
        private array $stimuli,
        private array $pools,
        private PartKinds $kinds,
    ) {
    }

    /** @param  bool  $isRemembered  whether what was found in pools a moment ago will do */
    public static function of(Assessment $assessment, User $person, PartKinds $kinds, bool $isRemembered = false): self
    {
        $ids = self::each($assessment);
        /** @var list<object{id: string, stimuli: string|null, purpose: string}&\stdClass> $rows with more columns, see AskedRow */
        $rows = DB::select(
            <<<'SQL'
            SELECT questions.id, questions.title, stem, kinds, points, difficulty, status, questions.revision, approved_revision,
                questions.purpose, marking,
                has_variables, is_complete, record->>'minutes' AS minutes, coalesce(record->>'source', '') AS source,
                (SELECT content->'stimuli' FROM revisions WHERE question_id = questions.id
                    AND number = questions.revision) AS stimuli, banks.slug AS bank, banks.name AS bank_name
            FROM questions JOIN banks ON banks.id = questions.bank_id
            WHERE questions.id = ANY (?::uuid[]) AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible
                WHERE visible.id = questions.id OFFSET 0)
            SQL,
            ['{'.implode(',', $ids).'}', $person->id],
        );
        $topics = Topics::paths($ids);
        $standards = QuestionStandards::of($ids);
        $by = [];
        foreach ($rows as $row) {
            $row->topics = $topics[$row->id] ?? [];
            $row->purposes = PostgresArray::read($row->purpose);
            $row->standards = QuestionStandards::names($standards[$row->id] ?? []);
            $row->codes = QuestionStandards::codes($standards[$row->id] ?? []);
            $row->stimuli = $row->stimuli === null ? [] : Json::decode($row->stimuli);
            $by[$row->id] = $row;
        }
        /** @var array<string, AskedRow> $by */

        // those of questions that may not be read say so
        $others = array_values(array_diff($ids, array_keys($by)));
        /** @var array<string, HiddenRow> $hidden */
        $hidden =
            $others === []
                ? []
                : array_column(
                    DB::select('SELECT id, points, kinds, true AS hidden FROM questions WHERE id = ANY (?::uuid[]) AND binned_at IS NULL', [
                        '{'.implode(',', $others).'}',
                    ]),
                    null,
                    'id',
                );

        $stimuli = self::titles($assessment, $by, $person);

        return new self($assessment, $person, $by, $hidden, $stimuli, PoolFacts::of($assessment, $person, $isRemembered), $kinds);
    }

    /** @return list<string> questions that are looked at one by one: those asked, and those in lists that are drawn from */
    private static function each(Assessment $assessment): array
    {
        $lists = array_map(fn (Draw $draw): array => $draw->grows() ? [] : $draw->pool, $assessment->draws());

        return array_values(
            array_unique(array_merge(array_map(fn (Pick $pick): string => $pick->question, $assessment->picks()), ...$lists)),
        );
    }

    /** The same rows for an assessment that asks the same, in another order. */
    public function under(Assessment $assessment): self
    {
        return new self($assessment, $this->person, $this->rows, $this->hidden, $this->stimuli, $this->pools, $this->kinds);
    }

    /**
     * @param  array<string, AskedRow>  $rows
     * @return array<string, string>
     */
    private static function titles(Assessment $assessment, array $rows, User $person): array
    {
        $named = array_unique(
            array_merge(
                ...array_map(
                    fn (Pick $pick): array => $pick->variation->stimuli ?? ($rows[$pick->question]->stimuli ?? []),
                    $assessment->picks(),
                ),
                ...[[]],
            ),
        );

        /** @var array<string, string> */
        return $named === []
            ? []
            : array_column(
                DB::select(
                    <<<'SQL'
                        SELECT id, coalesce(nullif(title, ''), left(stem, 60)) AS title FROM stimuli WHERE id IN (SELECT id
                            FROM readable_stimuli(?, ?::uuid[]))
                        SQL,
                    [$person->id, '{'.implode(',', $named).'}'],
                ),
                'title',
                'id',
            );
    }

    /** @return array<string, array<string, mixed>> entry → what is known of it */
    public function facts(): array
    {
        $binned = $this->binned();
        $names = ConditionNames::of($this->assessment, $this->person);
        $facts = [];
        $idle = $this->idle();
        $folders = QuestionPlaces::folders($this->asked(), $this->person);
        foreach ($this->assessment->picks() as $pick) {
            $facts[$pick->id] = [
                ...$this->ofPick($pick, $binned[$pick->question] ?? ''),
                ...$this->details($this->rows[$pick->question] ?? null, $folders[$pick->question] ?? []),
                'idle' => $idle[$pick->id] ?? [],
            ];
        }
        $times = $this->assessment->timesAsked();
        foreach ($this->assessment->draws() as $draw) {
            $facts[$draw->id] = $this->ofDraw($draw, $names, $times);
        }

        return $facts;
    }

    /** @return list<string> questions of picks that may be read */
    private function asked(): array
    {
        $asked = array_map(fn (Pick $pick): string => $pick->question, $this->assessment->picks());

        return array_values(array_intersect(array_unique($asked), array_keys($this->rows)));
    }

    /**
     * What can stand beside a question, of what its record says.
     *
     * @param  AskedRow|null  $row
     * @param  list<string>  $folders  paths
     * @return array{standards: list<string>, places: list<string>, source: string}
     */
    private function details(?\stdClass $row, array $folders): array
    {
        return [
            'standards' => $row->codes ?? [],
            'places' => [...$folders, ...array_map(fn (array $path): string => implode(' › ', $path), $row->topics ?? [])],
            'source' => $row->source ?? '',
        ];
    }

    /** @return array<string, list<string>> entry → those of its own settings that its question cannot have */
    private function idle(): array
    {
        $set = array_filter(
            $this->assessment->picks(),
            fn (Pick $pick): bool => $pick->settings->shuffle !== null || $pick->settings->rubric !== null,
        );
        $questions = $set === [] ? [] : $this->questions();
        $idle = [];
        foreach ($set as $pick) {
            if (isset($questions[$pick->id])) {
                $idle[$pick->id] = $pick->settings->idleOn($questions[$pick->id], $this->kinds);
            }
        }

        return $idle;
    }

    /** @return array<string, mixed> */
    private function ofPick(Pick $pick, string $binned): array
    {
        $row = $this->rows[$pick->question] ?? null;
        $varied =
            $pick->variation === null
                ? []
                : ['title' => $pick->variation->title !== '' ? $pick->variation->title : $row->title ?? ''];

        return [
            'gone' => $row === null && ! isset($this->hidden[$pick->question]),
            'hidden' => isset($this->hidden[$pick->question]),
            'title' => $varied['title'] ?? ($row->title ?? $binned),
            'stem' => $row->stem ?? '',
            'kinds' => $row === null ? [] : PostgresArray::read($row->kinds),
            'points' => Exact::number($this->points($pick)),
            'difficulty' => $row->difficulty ?? null,
            'status' => $row->status ?? null,
            'revision' => $row->revision ?? null,
            'varies' => $row->has_variables ?? false,
            'complete' => $row->is_complete ?? false,
            'bank' => $row->bank ?? null,
            'bank_name' => $row->bank_name ?? null,
            'changed' => $row !== null && $pick->changedSince($row->revision),
            'varied' => $pick->variation !== null,
            'stimuli' => $row === null && $pick->variation === null
                    ? []
                    : array_map(
                        fn (string $id): array => ['id' => $id, 'title' => $this->stimuli[$id] ?? ''],
                        $pick->variation->stimuli ?? ($row->stimuli ?? []),
                    ),
        ];
    }

    /**
     * @param  array<string, int>  $times
     * @return array<string, mixed>
     */
    private function ofDraw(Draw $draw, ConditionNames $names, array $times): array
    {
        $there = $this->pool($draw);
        $findings = DrawCheck::of($draw, $this->assessment, $there, $times);

        return [
            'gone' => false,
            'hidden' => false,
            'title' => $draw->title,
            'stem' => '',
            'kinds' => ['draw'],
            'points' => $there === [] ? 0 : Exact::number($draw->points($there[array_key_first($there)])),
            'difficulty' => null,
            'status' => null,
            'revision' => null,
            'varies' => false,
            'complete' => true,
            'bank' => null,
            'bank_name' => null,
            'changed' => false,
            'varied' => false,
            'stimuli' => [],
            ...$this->details(null, []),
            'pool' => count($there),
            'overlaps' => array_filter($findings, fn (Finding $finding): bool => $finding->code === 'draw.overlap') !== [],
            'sources' => array_map($names->said(...), $draw->sources),
            'findings' => [
                ...array_map(fn (Finding $finding): string => $finding->message, $findings),
                ...self::goneIn($draw, $names),
                ...$this->hiddenIn($draw),
            ],
        ];
    }

    /**
     * @return array<string, string> questions in the bin of a bank this person reads → title; of any other that is gone, nothing is shown
     */
    private function binned(): array
    {
        $gone = array_values(array_diff(self::each($this->assessment), array_keys($this->rows)));

        /** @var array<string, string> */
        return $gone === []
            ? []
            : array_column(
                DB::select(
                    <<<'SQL'
                    SELECT questions.id, questions.title FROM questions JOIN bank_roles(?) AS mine ON mine.bank_id = questions.bank_id
                    WHERE questions.id = ANY (?::uuid[]) AND binned_at IS NOT NULL
                    SQL,
                    [$this->person->id, '{'.implode(',', $gone).'}'],
                ),
                'title',
                'id',
            );
    }

    /** @return array<string, \Brick\Math\BigRational> question → points, for the questions of a pool that exist, visible or not */
    private function pool(Draw $draw): array
    {
        $facts = $this->pools[$draw->id] ?? null;
        if ($facts !== null || $draw->grows()) {
            // whether all of them are worth the same is all that is asked of their points
            [$low, $high] = [Exact::of($facts['low'] ?? '0'), Exact::of($facts['high'] ?? '0')];

            return [...array_fill_keys($draw->pool, $high), ...array_fill_keys(array_slice($draw->pool, 0, 1), $low)];
        }
        $there = [];
        foreach ($draw->pool as $question) {
            $row = $this->rows[$question] ?? ($this->hidden[$question] ?? null);
            if ($row !== null) {
                $there[$question] = Exact::of($row->points);
            }
        }

        return $there;
    }

    /** @return list<string> a sentence when conditions name what is gone */
    private static function goneIn(Draw $draw, ConditionNames $names): array
    {
        $gone = array_merge(...array_map($names->gone(...), $draw->sources), ...[[]]);

        return $gone === [] ? [] : [Message::of('app.queries.condition-gone', ['what' => $gone[0]])];
    }

    /** @return list<string> a sentence when some questions of the pool cannot be viewed, else empty */
    private function hiddenIn(Draw $draw): array
    {
        $n = $this->pools[$draw->id]['hidden'] ?? count(array_intersect_key($this->hidden, array_flip($draw->pool)));

        return $n === 0
            ? []
            : [
                Message::of('app.queries.you-cannot-view-questions', ['n' => $n, 'count' => count($draw->pool)]),
            ];
    }

    /**
     * Why this cannot be printed or exported: questions that are deleted, or in banks this person cannot view.
     *
     * @return list<string> one sentence per question, in assessment order
     */
    public function missing(): array
    {
        $binned = $this->binned();
        $missing = [];
        $number = 0;
        foreach ($this->assessment->sections as $section) {
            foreach ($section->entries as $entry) {
                if ($entry instanceof Draw) {
                    array_push($missing, ...$this->hiddenIn($entry));
                    $number += min($entry->count, count($entry->pool));

                    continue;
                }
                $number++;
                if ($entry->variation !== null || isset($this->rows[$entry->question])) {
                    continue;
                }
                $title = $binned[$entry->question] ?? '';
                $called = Message::of('app.queries.question-numbered', [
                    'number' => $number,
                    'named' => $title === '' ? 'no' : 'yes',
                    'title' => $title,
                ]);
                $missing[] = isset($this->hidden[$entry->question])
                    ? Message::of('app.queries.you-cannot-view-bank', ['called' => $called])
                    : Message::of('app.queries.not-in-bank-any-more', ['called' => $called]);
            }
        }

        return $missing;
    }

    public function totals(): Totals
    {
        $entries = [];
        $settings = $this->assessment->settings();
        foreach ($this->assessment->sections as $i => $section) {
            $name = $section->title !== '' ? $section->title : (string) ($i + 1);
            foreach ($section->entries as $entry) {
                $minutes = $settings[$entry->id]->minutes;
                foreach ($entry instanceof Draw ? $this->drawn($entry, $minutes) : $this->picked($entry, $minutes) as $one) {
                    $entries[] = [...$one, 'points' => Exact::times($section->weight, $one['points']), 'section' => $name];
                }
            }
        }

        return Totals::of($entries);
    }

    /**
     * @param  string|null  $minutes  how long it takes here; null for as long as the question says
     * @return list<Entry>
     */
    private function picked(Pick $pick, ?string $minutes): array
    {
        $row = $this->rows[$pick->question] ?? $this->hidden[$pick->question] ?? null;

        return $row === null && $pick->variation === null ? [] : [$this->entry($row, $this->points($pick), $minutes)];
    }

    /** @return list<Entry> */
    private function drawn(Draw $draw, ?string $minutes): array
    {
        $facts = $this->pools[$draw->id] ?? null;
        if ($facts !== null) {
            $each = [...$facts['each'], 'points' => $draw->points($facts['each']['points'])];
            $each['minutes'] = $minutes === null ? $each['minutes'] : Exact::read($minutes);

            return Totals::times($draw->most($this->pool($draw)), $each);
        }
        $pool = [];
        foreach ($draw->grows() ? [] : $this->pool($draw) as $question => $points) {
            $pool[] = $this->entry($this->rows[$question] ?? $this->hidden[$question], $draw->points($points), $minutes);
        }

        return Totals::drawn($draw->count, $pool);
    }

    /**
     * @param  AskedRow|HiddenRow|null  $row
     * @return Entry
     */
    private function entry(?\stdClass $row, \Brick\Math\BigRational $points, ?string $minutes): array
    {
        if ($row !== null && isset($row->hidden)) {
            return ['points' => $points, ...self::unseen($row)];
        }

        /** @var AskedRow|null $row */
        return ['points' => $points, ...self::counted($row, $minutes)];
    }

    /**
     * @param  AskedRow|null  $row
     * @param  string|null  $minutes  how long it takes here; null for as long as the question says
     * @return array{kinds: list<string>, topics: list<list<string>>, standards: list<string>, difficulty: int|null,
     *     minutes: \Brick\Math\BigRational|null, purposes: list<string>, marking: string}
     */
    private static function counted(?\stdClass $row, ?string $minutes): array
    {
        $minutes ??= $row?->minutes;

        return [
            'kinds' => $row === null ? [] : PostgresArray::read($row->kinds),
            'topics' => $row->topics ?? [],
            'standards' => $row->standards ?? [],
            'difficulty' => $row->difficulty ?? null,
            'minutes' => $minutes === null ? null : Exact::read($minutes),
            'purposes' => $row->purposes ?? [],
            'marking' => $row->marking ?? '',
        ];
    }

    /**
     * @param  HiddenRow|AskedRow  $row
     * @return array{kinds: list<string>, topics: list<list<string>>, standards: list<string>, difficulty: null, minutes: null,
     *     purposes: list<string>, marking: string} of a question that may not be read: that it is there
     */
    private static function unseen(\stdClass $row): array
    {
        return [
            'kinds' => PostgresArray::read($row->kinds) === [] ? [] : ['hidden'],
            'topics' => [[Totals::HIDDEN]],
            'standards' => [Totals::HIDDEN],
            'difficulty' => null,
            'minutes' => null,
            'purposes' => [Totals::HIDDEN],
            'marking' => Totals::HIDDEN,
        ];
    }

    /** @return array<string, int> question → the revision that is asked here; those that are gone or only here are missing */
    public function revisions(): array
    {
        return array_column($this->wanted(), 1, 0);
    }

    /** @return array<string, array{string, int}> entry → the question it follows, and the revision */
    private function wanted(): array
    {
        $wanted = [];
        foreach ($this->assessment->picks() as $pick) {
            $row = $this->rows[$pick->question] ?? null;
            if ($row !== null && $pick->variation === null) {
                $wanted[$pick->id] = [$pick->question, $pick->follow->revision($row->revision, $row->approved_revision, $pick->revision)];
            }
        }

        return $wanted;
    }

    /** @return array<string, Question> entry → the question as it is asked here, with its record; those that are gone are missing */
    public function questions(): array
    {
        $wanted = $this->wanted();
        $contents = AskedContents::of(array_values($wanted));
        $records = AskedContents::records($this->asked());
        $questions = [];
        foreach ($this->assessment->picks() as $pick) {
            $content = isset($wanted[$pick->id]) ? $contents[implode(' ', $wanted[$pick->id])] ?? null : null;
            $json = $pick->variation?->toJson() ?? ($content === null ? null : Json::decode($content));
            if ($json instanceof \stdClass) {
                $record = isset($records[$pick->question]) ? Json::decode($records[$pick->question]) : null;
                $json->record = $record ?? $json->record ?? new \stdClass();
                $questions[$pick->id] = Question::read($json, $this->kinds);
            }
        }

        return $questions;
    }

    public function points(Pick $pick): \Brick\Math\BigRational
    {
        $row = $this->rows[$pick->question] ?? ($this->hidden[$pick->question] ?? null);

        return $pick->points($row === null ? null : Exact::of($row->points));
    }

    /** The slug of the bank a pick's pictures come from. */
    public function bankOf(Pick $pick): ?string
    {
        return $this->rows[$pick->question]->bank ?? null;
    }
}
