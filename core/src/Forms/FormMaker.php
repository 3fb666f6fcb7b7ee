<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\SectionUnits;
use WideQuarry\Assembly\Sequence;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;

/**
 * Makes the forms of a test. Each form draws and orders for itself; then the right options of all get their places, and each question a
 * seed under which its options stand so. Nothing but the assessment, its questions and the seed decides, so forms can be made again.
 */
final class FormMaker
{
    /** Seeds that are looked through for one that shows the options as wanted, for each order of keys that can come. */
    private const SEEDS = 40;

    /** Seeds with the wanted keys that are looked at for values and orders no earlier form has. */
    private const FRESH = 12;

    /** Orders of keys of one question up to which each can be asked for; with more, its keys come as they come. */
    private const COMBINATIONS = 256;

    /** Seeds in a row whose values cannot be rolled, after which no more are looked at. */
    private const FAILED = 8;

    private const BELOW = 2 ** 31;

    /** @var array<string, UnitOrders> by section and the sizes of what moves in it */
    private array $orders = [];

    /** @var array<string, array<string, true>> question → how forms have shown it */
    private array $shown = [];

    /** @var array<string, VaryingQuestion>|null by entry, where nothing is drawn */
    private ?array $same = null;

    private readonly FormLimits $limits;

    /**
     * @param  \Closure(Assessment): array<string, Question>  $questions  by entry of an assessment without draws; those that are gone are
     *     missing
     */
    private function __construct(
        private readonly Assessment $assessment,
        private readonly FormSettings $settings,
        private readonly \Closure $questions,
        private readonly PartKinds $kinds,
    ) {
        $this->limits = new FormLimits($assessment, $settings);
    }

    /** @param  \Closure(Assessment): array<string, Question>  $questions  as above */
    public static function make(Assessment $assessment, FormSettings $settings, \Closure $questions, PartKinds $kinds): FormSet
    {
        $maker = new self($assessment, $settings, $questions, $kinds);
        $drafts = array_map(fn (int $i): FormDraft => $maker->draft(chr(ord('A') + $i)), range(0, $settings->count - 1));
        $wanted = (new FormKeys($settings))->places(array_map($maker->keys(...), $drafts));
        $forms = array_map($maker->form(...), $drafts, $wanted);
        array_map($maker->limits->look(...), $forms, $drafts);

        return new FormSet($forms, $maker->limits->sentences());
    }

    private function draft(string $letter): FormDraft
    {
        $drawn = $this->assessment->drawn(Seed::of($this->settings->seed->stream('form', $letter)->below(self::BELOW)), $this->kinds);
        $questions = $this->questionsOf($drawn);

        return new FormDraft($letter, $drawn, $questions, $drawn->arranged($this->ordered($drawn, $questions), $this->kinds)->picks());
    }

    /** @return array<string, VaryingQuestion> by entry, under its settings */
    private function questionsOf(Assessment $drawn): array
    {
        if ($this->same !== null) {
            return $this->same;
        }
        $settings = $drawn->settings();
        $questions = [];
        foreach (($this->questions)($drawn) as $entry => $question) {
            $questions[$entry] = new VaryingQuestion($settings[$entry]->on($question, $this->kinds));
        }
        if ($this->assessment->draws() === []) {
            $this->same = $questions;
        }

        return $questions;
    }

    /**
     * @param  array<string, VaryingQuestion>  $questions
     * @return array<string, list<string>> section → entries
     */
    private function ordered(Assessment $drawn, array $questions): array
    {
        $behind = Sequence::behind($drawn, array_map(fn (VaryingQuestion $one): Question => $one->question, $questions));
        $order = [];
        foreach ($drawn->sections as $section) {
            $units = SectionUnits::of($drawn, $section, $behind);
            $this->limits->moves($section, $units);
            // forms whose draws hang together otherwise have other orders
            $kind = $section->id."\t".implode(',', array_map(count(...), $units->loose()));
            $this->orders[$kind] ??= new UnitOrders(
                count($units->loose()),
                $this->settings->seed->stream('form order', $section->id),
            );
            $order[$section->id] = $units->ordered($this->orders[$kind]->next());
        }

        return $order;
    }

    /** @return list<array{entry: string, part: string, of: string, places: non-empty-list<int>}> where the keys of a form may stand */
    private function keys(FormDraft $draft): array
    {
        $keys = [];
        foreach ($draft->asked as $pick) {
            $question = $draft->questions[$pick->id] ?? null;
            if ($question === null) {
                continue;
            }
            $given = $this->given($pick, $question);
            $places = $given === null
                ? array_map(fn (KeyPlaces $key): array => $key->places, $question->keys)
                : array_map(fn (int $place): array => [$place], $question->places($given));
            foreach ($places as $part => $may) {
                $keys[] = ['entry' => $pick->id, 'part' => (string) $part, 'of' => "$pick->question\t$part", 'places' => $may];
            }
        }

        return $keys;
    }

    /** The seed of a question that has the same in every form: one that is kept, or of one with more keys than can be placed. */
    private function given(Pick $pick, VaryingQuestion $question): ?Seed
    {
        return $this->settings->kept[$pick->id]
            ?? ($question->combinations() > self::COMBINATIONS ? $this->candidate('', $pick->id, 0) : null);
    }

    /** @param  array<string, array<string, int>>  $wanted  entry → part → place */
    private function form(FormDraft $draft, array $wanted): Form
    {
        $numbers = $draft->numbers();
        $masters = $draft->masters();
        $origins = $this->origins($draft->drawn);
        $entries = [];
        foreach ($draft->asked as $pick) {
            $question = $draft->questions[$pick->id] ?? null;
            $seed = $question === null
                ? $this->candidate($draft->letter, $pick->id, 0)
                : $this->given($pick, $question) ?? $this->found($pick, $question, $wanted[$pick->id] ?? [], $draft->letter);
            if ($question !== null) {
                $this->shown[$pick->question][(string) $question->look($seed)] = true;
            }
            [$entry, $drawNumber] = $origins[$pick->id] ?? [$pick->id, null];
            $entries[] = new FormEntry(
                $entry,
                $drawNumber,
                $pick->question,
                $numbers[$pick->id],
                $masters[$pick->id],
                $seed,
                $question?->options($seed) ?? [],
                $question?->labels($seed) ?? [],
                $question === null ? Exact::zero() : $pick->points($question->question->points()),
            );
        }

        return new Form($draft->letter, $entries, ...$draft->load());
    }

    /** @return array<string, array{string, int}> what was drawn → its draw, and which of its questions it is */
    private function origins(Assessment $drawn): array
    {
        $there = array_flip(array_map(fn (Pick $pick): string => $pick->id, $drawn->picks()));
        $origins = [];
        foreach ($this->assessment->draws() as $draw) {
            for ($i = 1; isset($there[Assessment::drawnEntry($draw->id, $i)]); $i++) {
                $origins[Assessment::drawnEntry($draw->id, $i)] = [$draw->id, $i];
            }
        }

        return $origins;
    }

    /**
     * A seed under which the keys stand as wanted, with values and orders no earlier form has where there are such.
     *
     * @param  array<string, int>  $wanted  part → place
     */
    private function found(Pick $pick, VaryingQuestion $question, array $wanted, string $letter): Seed
    {
        $tries = self::SEEDS * $question->combinations();
        $usable = $right = null;
        $left = self::FRESH;
        $failed = 0;
        for ($try = 0; $try < $tries && $left > 0 && $failed < self::FAILED; $try++) {
            $seed = $this->candidate($letter, $pick->id, $try);
            $isRight = $question->places($seed) === $wanted;
            if (! $isRight && $usable !== null) {
                continue;
            }
            $look = $question->look($seed);
            if ($look === null) {
                $failed++;

                continue;
            }
            $failed = 0;
            $usable ??= $seed;
            if ($isRight) {
                $right ??= $seed;
                $left--;
                if (! isset($this->shown[$pick->question][$look])) {
                    return $seed;
                }
            }
        }

        return $right ?? $usable ?? $this->candidate($letter, $pick->id, 0);
    }

    private function candidate(string $letter, string $entry, int $try): Seed
    {
        return Seed::of($this->settings->seed->stream('form seed', "$letter|$entry|$try")->below(self::BELOW));
    }
}
