<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Content\RichText;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\PartKinds;
use WideQuarry\Random\Seed;
use WideQuarry\Standards\Alignment;

/** A well-formed assessment: sections of questions in an order. What it was read from is kept whole. */
final readonly class Assessment
{
    public const FORMAT = 'wide-quarry/assessment';

    private const FIELDS = [
        'format', 'version', 'id', 'title', 'language', 'instructions', 'time_limit', 'state', 'sections', 'origin', 'standards', 'run',
        'blueprint',
    ];

    /**
     * @param  list<Section>  $sections  draws without what they are to leave out
     * @param  Blueprint|null  $blueprint  what it was assembled from, as it was then
     */
    private function __construct(
        private \stdClass $json,
        public string $id,
        public string $title,
        public string $language,
        public string $instructions,
        public ?int $timeLimit,
        public string $state,
        public RunSettings $run,
        public array $sections,
        public ?Blueprint $blueprint = null,
    ) {
    }

    /** @throws Malformed naming the path of what does not fit the schema */
    public static function read(mixed $json, PartKinds $kinds): self
    {
        $fields = Fields::of($json, '', self::FIELDS)->need('format')->need('version')->need('id')->need('title')->need('sections');
        $fields->oneOf('format', [self::FORMAT], '');
        $fields->int('version', 0, 1, 1);
        $sections = [];
        $ids = [];
        foreach ($fields->list('sections', 200) as $i => $section) {
            $read = Section::read($section, "/sections/$i", $kinds);
            foreach ([$read->id, ...array_map(fn (Pick|Draw $entry): string => $entry->id, $read->entries)] as $id) {
                $ids["=$id"] = isset($ids["=$id"]) ? throw Malformed::repeatedId("/sections/$i", $id) : true;
            }
            $sections[] = $read;
        }
        Alignment::list($fields);
        $title = trim($fields->string('title', '', 500));
        assert($json instanceof \stdClass);

        return new self(
            $json,
            $fields->uuid(),
            $title !== '' ? $title : throw Malformed::outOfRange('/title', 'a title', ''),
            $fields->language(),
            RichText::read($fields->string('instructions', '', 400000))->html(),
            $fields->intOrNull('time_limit', null, 1, 86400),
            $fields->oneOf('state', ['draft', 'ready', 'used', 'archived'], 'draft'),
            RunSettings::read($fields->raw('run'), '/run'),
            self::apart($sections),
            self::assembledFrom($fields),
        );
    }

    /** @throws Malformed */
    private static function assembledFrom(Fields $fields): ?Blueprint
    {
        if ($fields->raw('blueprint') === null) {
            return null;
        }
        try {
            return Blueprint::read($fields->raw('blueprint'));
        } catch (Malformed $problem) {
            throw $problem->under('/blueprint');
        }
    }

    /**
     * Draws that are to stay apart ask nothing that is picked, and nothing of the pools of draws before them.
     *
     * @param  list<Section>  $sections
     * @return list<Section>
     */
    private static function apart(array $sections): array
    {
        $entries = array_merge(...array_map(fn (Section $section): array => $section->entries, $sections), ...[[]]);
        if (array_filter($entries, fn (Pick|Draw $entry): bool => $entry instanceof Draw && $entry->apart) === []) {
            return $sections;
        }
        $asked = [];
        foreach ($entries as $entry) {
            if ($entry instanceof Pick) {
                $asked[$entry->question] = true;
            }
        }
        foreach ($sections as $s => $section) {
            $kept = [];
            foreach ($section->entries as $entry) {
                $entry = $entry instanceof Draw && $entry->apart ? $entry->without($asked) : $entry;
                $asked += $entry instanceof Draw ? array_fill_keys($entry->pool, true) : [];
                $kept[] = $entry;
            }
            $sections[$s] = $section->of($kept);
        }

        return $sections;
    }

    /** @return list<array{draw: string, at: int, source: DrawSource}> what conditions are to be looked up */
    public function growing(): array
    {
        $growing = [];
        foreach ($this->draws() as $draw) {
            foreach ($draw->sources as $at => $source) {
                if ($source->grows) {
                    $growing[] = ['draw' => $draw->id, 'at' => $at, 'source' => $source];
                }
            }
        }

        return $growing;
    }

    /**
     * The same with what its conditions find. It is written as before: the pools are not.
     *
     * @param  array<string, array<int, list<string>>>  $pools  draw → source → questions
     */
    public function grown(array $pools): self
    {
        if ($pools === []) {
            return $this;
        }
        $sections = array_map(
            fn (Section $section): Section => $section->of(
                array_map(
                    fn (Pick|Draw $entry): Pick|Draw => $entry instanceof Draw ? $entry->of($pools[$entry->id] ?? []) : $entry,
                    $section->entries,
                ),
            ),
            $this->sections,
        );

        return new self(
            $this->json,
            $this->id,
            $this->title,
            $this->language,
            $this->instructions,
            $this->timeLimit,
            $this->state,
            $this->run,
            self::apart($sections),
            $this->blueprint,
        );
    }

    /** A copy whose draws grow no more: the pools are those they have now. */
    public function settled(): \stdClass
    {
        $json = $this->toJson();
        $draws = array_column($this->draws(), null, 'id');
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $entry) {
                $draw = $draws[self::idOf($entry)] ?? null;
                if ($entry instanceof \stdClass && $draw?->grows() === true) {
                    $settled = fn (DrawSource $one): \stdClass => (object) [...(array) $one->toJson(), 'pool' => $one->pool];
                    $entry->from = array_map($settled, $draw->sources);
                }
            }
        }

        return $json;
    }

    /**
     * With the entries of its sections in another order.
     *
     * @param  array<string, list<string>>  $order  section → entries
     */
    public function arranged(array $order, PartKinds $kinds): self
    {
        $json = $this->toJson();
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            assert($section instanceof \stdClass && is_array($section->entries) && is_string($section->id));
            $places = array_flip($order[$section->id] ?? []);
            $place = fn (mixed $entry): int => $places[self::idOf($entry)] ?? 0;
            usort($section->entries, fn (mixed $a, mixed $b): int => $place($a) <=> $place($b));
        }

        return self::read($json, $kinds);
    }

    private static function idOf(mixed $entry): string
    {
        return $entry instanceof \stdClass && is_string($entry->id ?? null) ? $entry->id : '';
    }

    /** @return list<string> what is set anywhere of how it is asked: attempts, feedback, tools, minutes, place, weight … */
    public function settingNames(): array
    {
        $json = $this->toJson()->run ?? null;
        $run = $json instanceof \stdClass ? array_keys(array_filter((array) $json, fn (mixed $value): bool => $value !== null)) : [];
        $names = array_fill_keys(array_diff($run, ['shuffle']), true) + ($this->run->shuffle ? ['order' => true] : []);
        foreach ($this->sections as $section) {
            $names += array_fill_keys($section->settings->set(), true);
            $names += $section->weight->isEqualTo(1) ? [] : ['weight' => true];
            $names += $section->timeLimit === null ? [] : ['section_time' => true];
            $names += $section->newPage ? ['new_page' => true] : [];
            foreach ($section->entries as $entry) {
                $names += array_fill_keys($entry->settings->set(), true);
                $names += $entry->place === EntryPlace::Anywhere ? [] : ['place' => true];
                $names += $entry->fixed ? ['fixed' => true] : [];
            }
        }

        return array_keys($names);
    }

    /** @return array<string, EntrySettings> entry → what holds of it here: its own settings, those of its section, those of the whole */
    public function settings(): array
    {
        $settings = [];
        foreach ($this->sections as $section) {
            foreach ($section->entries as $entry) {
                $settings[$entry->id] = $entry->settings->under($section->settings)->under($this->run->settings);
            }
        }

        return $settings;
    }

    public static function fresh(string $id, string $title): \stdClass
    {
        return (object) [
            'format' => self::FORMAT,
            'version' => 1,
            'id' => $id,
            'title' => $title,
            'sections' => [(object) ['id' => 's1', 'entries' => []]],
        ];
    }

    /** @return list<Pick> in their order, through all sections */
    public function picks(): array
    {
        return array_merge(...array_map(fn (Section $section): array => $section->picks, $this->sections), ...[[]]);
    }

    /** @return list<Draw> in their order, through all sections */
    public function draws(): array
    {
        return array_values(
            array_filter(
                array_merge(...array_map(fn (Section $section): array => $section->entries, $this->sections), ...[[]]),
                fn (Pick|Draw $entry): bool => $entry instanceof Draw,
            ),
        );
    }

    /** @return list<string> every question that is asked or may be drawn, once */
    public function questions(): array
    {
        return array_values(
            array_unique([
                ...array_map(fn (Pick $pick): string => $pick->question, $this->picks()),
                ...array_merge(...array_map(fn (Draw $draw): array => $draw->pool, $this->draws()), ...[[]]),
            ]),
        );
    }

    /** @return array<string, int> question → how many entries ask it or may draw it */
    public function timesAsked(): array
    {
        $times = [];
        foreach ($this->eachEntry() as $entry) {
            foreach ($entry instanceof Pick ? [$entry->question] : $entry->pool as $question) {
                $times[$question] = ($times[$question] ?? 0) + 1;
            }
        }

        return $times;
    }

    /** @return array<string, string> JSON Pointer → question, for every place that names one */
    public function namedQuestions(): array
    {
        $named = [];
        foreach ($this->eachEntry() as $path => $entry) {
            if ($entry instanceof Pick) {
                $named["$path/question"] = $entry->question;
            } else {
                $isList = count($entry->sources) === 1 && $entry->sources[0]->conditions === null;
                foreach ($entry->sources as $at => $source) {
                    foreach ($source->grows ? [] : $source->pool as $i => $question) {
                        $named[$isList ? "$path/pool/$i" : "$path/from/$at/pool/$i"] = $question;
                    }
                }
            }
        }

        return $named;
    }

    /** @return array<string, DrawSource> JSON Pointer → what is drawn by conditions */
    public function namedConditions(): array
    {
        $named = [];
        foreach ($this->eachEntry() as $path => $entry) {
            foreach ($entry instanceof Draw ? $entry->sources : [] as $at => $source) {
                if ($source->conditions !== null) {
                    $named["$path/from/$at"] = $source;
                }
            }
        }

        return $named;
    }

    /** @return array<string, string> JSON Pointer → stimulus: those pinned with a question, and those a variation shows */
    public function namedStimuli(): array
    {
        $named = [];
        foreach ($this->eachEntry() as $path => $entry) {
            foreach ($entry instanceof Pick ? array_keys($entry->stimuli) : [] as $stimulus) {
                $named["$path/stimuli/$stimulus"] = (string) $stimulus;
            }
            foreach ($entry instanceof Pick ? $entry->variation->stimuli ?? [] : [] as $i => $stimulus) {
                $named["$path/variation/stimuli/$i"] = $stimulus;
            }
        }

        return $named;
    }

    /** @return \Generator<string, Pick|Draw> JSON Pointer → entry */
    private function eachEntry(): \Generator
    {
        foreach ($this->sections as $s => $section) {
            foreach ($section->entries as $e => $entry) {
                yield "/sections/$s/entries/$e" => $entry;
            }
        }
    }

    /** How many questions somebody is asked; as many of what meets conditions as are to be drawn. */
    public function length(): int
    {
        return array_reduce(
            $this->draws(),
            fn (int $sum, Draw $draw): int => $sum + ($draw->grows() ? $draw->count : $draw->most(array_flip($draw->pool))),
            count($this->picks()),
        );
    }

    /** With one drawing in the place of every draw. */
    public function drawn(Seed $seed, PartKinds $kinds): self
    {
        return $this->drawnAs(
            array_map(fn (Draw $draw): array => $draw->drawn($seed), array_column($this->draws(), null, 'id')),
            $kinds,
        );
    }

    /**
     * With questions in the place of every draw.
     *
     * @param  array<string, list<string>>  $drawn  draw → questions
     */
    public function drawnAs(array $drawn, PartKinds $kinds): self
    {
        if ($this->draws() === []) {
            return $this;
        }
        $json = $this->toJson();
        foreach ($this->sections as $i => $section) {
            assert(is_array($json->sections) && $json->sections[$i] instanceof \stdClass && is_array($json->sections[$i]->entries));
            $entries = [];
            foreach ($section->entries as $at => $entry) {
                $written = $json->sections[$i]->entries[$at];
                assert($written instanceof \stdClass);
                array_push($entries, ...$entry instanceof Pick ? [$written] : self::asPicks($entry, $written, $drawn[$entry->id] ?? []));
            }
            $json->sections[$i]->entries = $entries;
        }

        return self::read($json, $kinds);
    }

    /** What the entry of a drawn question is called. @param  int  $number  which of the draw's questions it is, from 1 */
    public static function drawnEntry(string $draw, int $number): string
    {
        return mb_substr($draw, 0, 240)." $number";
    }

    /**
     * @param  list<string>  $questions
     * @return list<\stdClass> what one drawing asks, as entries
     */
    private static function asPicks(Draw $draw, \stdClass $written, array $questions): array
    {
        $kept = array_intersect_key((array) $written, ['points' => true, 'override' => true, 'place' => true, 'fixed' => true]);

        return array_map(
            fn (int $i, string $question): \stdClass => (object) [
                'id' => self::drawnEntry($draw->id, $i + 1),
                'question' => $question,
                ...$kept,
            ],
            array_keys($questions),
            $questions,
        );
    }

    /** A copy of what it was read from. */
    public function toJson(): \stdClass
    {
        $copy = Json::copy($this->json);
        assert($copy instanceof \stdClass);

        return $copy;
    }

    /**
     * With one entry asking its question otherwise, or as its bank has it again.
     *
     * @return \stdClass|null null when there is no such pick
     */
    public function varied(string $entry, ?\stdClass $question): ?\stdClass
    {
        $json = $this->toJson();
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $one) {
                if ($one instanceof \stdClass && $one->id === $entry && isset($one->question)) {
                    unset($one->variation);
                    if ($question !== null) {
                        $one->variation = $question;
                    }

                    return $json;
                }
            }
        }

        return null;
    }

    /** Whether some entry follows a question: asks its newest revision, unvaried. */
    public function follows(string $question): bool
    {
        return array_filter(
            $this->picks(),
            fn (Pick $pick): bool => $pick->question === $question && $pick->follow === Follow::Latest && $pick->variation === null,
        ) !== [];
    }

    /** A copy in which the entries that follow a question are pinned at a revision. */
    public function keeping(string $question, int $revision): \stdClass
    {
        $json = $this->toJson();
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $entry) {
                if (
                    $entry instanceof \stdClass &&
                    ($entry->question ?? null) === $question &&
                    ($entry->follow ?? 'latest') === 'latest' &&
                    ! isset($entry->variation)
                ) {
                    $entry->follow = 'pinned';
                    $entry->revision = $revision;
                }
            }
        }

        return $json;
    }

    /**
     * A copy that stays as it is now: every entry is pinned, unless it is varied here, and no draw grows.
     *
     * @param  array<string, array{int, int|null}>  $revisions  question → its newest revision, and the one that was approved
     */
    public function allPinned(array $revisions): \stdClass
    {
        $json = $this->settled();
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $entry) {
                $question = $entry instanceof \stdClass && is_string($entry->question ?? null) ? $entry->question : '';
                if ($entry instanceof \stdClass && isset($revisions[$question])) {
                    self::pin($entry, ...$revisions[$question]);
                }
            }
        }

        return $json;
    }

    /** A copy in which every question is asked as its bank has it, unless it is varied here. */
    public function following(): \stdClass
    {
        $json = $this->toJson();
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $entry) {
                if ($entry instanceof \stdClass && ! isset($entry->variation)) {
                    unset($entry->follow, $entry->revision, $entry->stimuli);
                }
            }
        }

        return $json;
    }

    private static function pin(\stdClass $entry, int $latest, ?int $approved): void
    {
        if (! isset($entry->variation)) {
            $follow = Follow::tryFrom(is_string($entry->follow ?? null) ? $entry->follow : '') ?? Follow::Latest;
            $entry->revision = $follow->revision($latest, $approved, is_int($entry->revision ?? null) ? $entry->revision : null);
            $entry->follow = Follow::Pinned->value;
        }
    }

    /** A copy in which the variation of an entry is a question of its own with the given id. */
    public function standingAlone(string $entry, string $question): \stdClass
    {
        $json = $this->varied($entry, null) ?? $this->toJson();
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $one) {
                if ($one instanceof \stdClass && $one->id === $entry && isset($one->question)) {
                    $one->question = $question;
                    unset($one->follow, $one->revision, $one->stimuli, $one->seen);
                }
            }
        }

        return $json;
    }

    /**
     * With what is pinned pinned whole: a question and the stimuli it shows; and every draw saying how many its sources draw.
     *
     * @param  callable(string, int): array<string, int>  $stimuli  question, its revision → the stimuli it names, and the revisions they
     *     have now
     */
    public function pinned(callable $stimuli): \stdClass
    {
        $json = $this->toJson();
        $draws = array_column($this->draws(), null, 'id');
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            foreach ($section instanceof \stdClass && is_array($section->entries) ? $section->entries : [] as $entry) {
                if ($entry instanceof \stdClass && isset($entry->draw, $draws[self::idOf($entry)])) {
                    $entry->draw = $draws[self::idOf($entry)]->count;
                } elseif ($entry instanceof \stdClass && is_string($entry->question ?? null)) {
                    self::pinStimuli($entry, $entry->question, $stimuli);
                }
            }
        }

        return $json;
    }

    /** @param  callable(string, int): array<string, int>  $stimuli */
    private static function pinStimuli(\stdClass $entry, string $question, callable $stimuli): void
    {
        if (($entry->follow ?? '') !== 'pinned' || ! is_int($entry->revision ?? null)) {
            unset($entry->stimuli);
        } elseif (! isset($entry->stimuli)) {
            $pins = $stimuli($question, $entry->revision);
            if ($pins !== []) {
                $entry->stimuli = (object) $pins;
            }
        }
    }

    /**
     * Asking questions as they are called elsewhere; those without a name there have no place. Revisions are numbered anew there, so
     * what was pinned follows again.
     *
     * @param  array<string, array{string, int}>  $there  question → its identifier there, and the revision it has
     */
    public function asking(array $there): \stdClass
    {
        $json = $this->toJson();
        unset($json->blueprint); // what it names is not there
        $draws = array_column($this->draws(), null, 'id');
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            assert($section instanceof \stdClass && is_array($section->entries));
            $kept = [];
            foreach ($section->entries as $entry) {
                if ($entry instanceof \stdClass && is_string($entry->question ?? null) && isset($there[$entry->question])) {
                    [$entry->question, $entry->seen] = $there[$entry->question];
                    unset($entry->follow, $entry->revision, $entry->stimuli);
                    $kept[] = $entry;
                } elseif ($entry instanceof \stdClass && isset($draws[self::idOf($entry)])) {
                    $kept[] = self::drawingFrom($entry, $draws[self::idOf($entry)], $there);
                }
            }
            $section->entries = $kept;
        }

        return $json;
    }

    /**
     * A draw over the same questions elsewhere; its conditions mean nothing there, so its pools are lists from then on.
     *
     * @param  array<string, array{string, int}>  $there
     */
    private static function drawingFrom(\stdClass $entry, Draw $draw, array $there): \stdClass
    {
        $pools = array_map(
            fn (DrawSource $source): array => array_values(
                array_unique(array_filter(array_map(fn (string $question): ?string => $there[$question][0] ?? null, $source->pool))),
            ),
            $draw->sources,
        );
        unset($entry->from, $entry->pool);
        if (count($pools) === 1) {
            $entry->pool = $pools[0];
        } else {
            $list = fn (DrawSource $source, array $pool): \stdClass => (object) [
                'title' => $source->title, 'draw' => $source->count, 'pool' => $pool,
            ];
            $entry->from = array_map($list, $draw->sources, $pools);
        }

        return $entry;
    }

    /**
     * With questions at the end of a section, those left out that it has already.
     *
     * @param  array<string, int>  $questions  question → the revision it has now
     * @param  string|null  $section  the last one otherwise
     */
    public function with(array $questions, ?string $section = null): \stdClass
    {
        $json = $this->toJson();
        $taken = array_flip($this->questions());
        $sections = is_array($json->sections) ? $json->sections : [];
        if ($sections === []) {
            $sections = $json->sections = [(object) ['id' => 's1', 'entries' => []]];
        }
        $at = array_search($section, array_map(fn (Section $one): string => $one->id, $this->sections), true);
        $target = $sections[$at === false ? count($sections) - 1 : $at];
        assert($target instanceof \stdClass && is_array($target->entries));
        foreach (array_diff_key($questions, $taken) as $question => $revision) {
            $target->entries[] = (object) ['id' => 'e-'.str_replace('-', '', $question), 'question' => $question, 'seen' => $revision];
        }

        return $json;
    }
}
