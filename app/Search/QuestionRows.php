<?php

declare(strict_types=1);

namespace App\Search;

use App\Models\User;
use App\Queries\QuestionPlaces;
use App\Queries\QuestionStandards;
use Illuminate\Support\Facades\DB;
use WideQuarry\Content\RichText;
use WideQuarry\Question\Detail;
use WideQuarry\Search\Query;

/**
 * Rows of a list with what was found in them marked: in the title, the stem, or where else it stands.
 *
 * @phpstan-type FoundRow object{id: string, bank_id: string, title: string, stem: string}&\stdClass
 */
final class QuestionRows
{
    /** Characters around the first mark in a long text. */
    private const AROUND = 28;

    /**
     * @param  list<FoundRow>  $rows
     * @param  User  $person  whose choice of details says whether places and sources are looked up: lists are read often
     * @return list<\stdClass>
     */
    public static function of(array $rows, Query $words, User $person): array
    {
        $elsewhere = [];
        $banks = DB::table('banks')
            ->whereIn('id', array_unique(array_column($rows, 'bank_id')))
            ->get(['id', 'slug', 'name'])
            ->keyBy('id');
        $ids = array_column($rows, 'id');
        $standards = QuestionStandards::of($ids);
        $wanted = $person->details();
        $places = in_array(Detail::Place->value, $wanted, true) ? QuestionPlaces::all($ids, $person) : [];
        $sources = in_array(Detail::Source->value, $wanted, true) ? QuestionPlaces::sources($ids) : [];
        foreach ($rows as $row) {
            $id = $row->id;
            $row->standards = $standards[$id] ?? [];
            $row->places = $places[$id] ?? [];
            $row->source = $sources[$id] ?? '';
            $row->title_marks = $words->isEmpty() ? [[$row->title, false]] : $words->marks($row->title);
            $row->stem_marks = $words->isEmpty()
                ? [[$row->stem, false]]
                : self::near($words->marks($row->stem));
            $row->bank = $banks[$row->bank_id]->slug ?? '';
            $row->bank_name = $banks[$row->bank_id]->name ?? '';
            $row->found_in = null;
            $row->found_marks = null;
            if (! $words->isEmpty() && self::first($row->title_marks) === null && self::first($row->stem_marks) === null) {
                $elsewhere[$row->id] = $row;
            }
        }
        /** @var iterable<object{question_id: string, answers: string, rest: string}&\stdClass> $texts */
        $texts =
            $elsewhere === []
                ? []
                : DB::table('question_search')
                    ->whereIn('question_id', array_keys($elsewhere))
                    ->get(['question_id', 'answers', 'rest']);
        foreach ($texts as $text) {
            foreach (['answers', 'rest'] as $where) {
                $marks = $words->marks(mb_strcut($where === 'answers' ? $text->answers : $text->rest, 0, 20_000));
                if (self::first($marks) !== null) {
                    $elsewhere[$text->question_id]->found_in = $where;
                    $elsewhere[$text->question_id]->found_marks = self::near($marks);
                    break;
                }
            }
        }
        self::inStimuli(array_filter($elsewhere, fn (\stdClass $row): bool => $row->found_in === null), $words);

        return $rows;
    }

    /** @param  array<string, FoundRow>  $rows  by question id; those whose own text does not match */
    private static function inStimuli(array $rows, Query $words): void
    {
        if ($rows === []) {
            return;
        }
        /** @var iterable<object{question_id: string, title: string, body: string}&\stdClass> $stimuli */
        $stimuli = DB::table('question_stimuli')
            ->join('stimuli', 'stimuli.id', '=', 'stimulus_id')
            ->whereIn('question_id', array_keys($rows))
            ->orderBy('stimulus_id')
            ->get(['question_id', 'stimuli.title', 'stimuli.body']);
        foreach ($stimuli as $stimulus) {
            $row = $rows[$stimulus->question_id];
            $marks = $words->marks(mb_strcut("$stimulus->title\n".RichText::read($stimulus->body)->plain(), 0, 20_000));
            if ($row->found_in === null && self::first($marks) !== null) {
                $row->found_in = 'stimuli';
                $row->found_marks = self::near($marks);
            }
        }
    }

    /**
     * The first mark within sight of the beginning.
     *
     * @param  list<array{string, bool}>  $marks
     * @return list<array{string, bool}>
     */
    private static function near(array $marks): array
    {
        $first = self::first($marks);
        if ($first === null || $first === 0) {
            return $marks;
        }
        $before = implode('', array_column(array_slice($marks, 0, $first), 0));
        if (mb_strlen($before) <= self::AROUND) {
            return $marks;
        }
        $kept = mb_substr($before, -self::AROUND);

        return [['… '.ltrim((string) mb_substr($kept, (int) mb_strpos($kept, ' '))), false], ...array_slice($marks, $first)];
    }

    /** @param  list<array{string, bool}>  $marks */
    private static function first(array $marks): ?int
    {
        foreach ($marks as $i => [, $marked]) {
            if ($marked) {
                return $i;
            }
        }

        return null;
    }
}
