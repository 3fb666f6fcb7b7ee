<?php

declare(strict_types=1);

namespace App\Search;

use App\Support\QuestionIndex;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Builds SQL from a filter. Rights stand outside: a bank is asked for only by who may read it. */
final class Conditions
{
    /**
     * The questions of a bank, its own and those placed in its folders, that meet a filter.
     *
     * @param  string|null  $except  a dimension that is left out, for its own facet
     * @param  bool  $few  whether few questions have the words; see words()
     */
    public static function on(string $bankId, QuestionFilter $filter, ?string $except = null, bool $few = true): Builder
    {
        $query = DB::table('questions');
        self::bank($query, $bankId);
        if (! $filter->words->isEmpty()) {
            self::words($query, $filter, $few);
        } elseif (trim($filter->typed) !== '') {
            $query->whereRaw('false'); // only marks were typed, and no question has them
        }
        foreach ($filter->values as $name => $values) {
            if ($values !== [] && $name !== $except) {
                self::dimension($query, $name, $values);
            }
        }

        return $query;
    }

    private static function bank(Builder $query, string $bankId): void
    {
        $placed = DB::scalar('SELECT EXISTS (SELECT 1 FROM placements JOIN folders ON folders.id = placements.folder_id JOIN questions ON questions.id = placements.question_id WHERE folders.bank_id = ? AND questions.bank_id <> folders.bank_id)', [$bankId]);
        $placed === true
            ? $query->where(fn (Builder $either) => $either->where('questions.bank_id', $bankId)->orWhereRaw('questions.id IN (SELECT placements.question_id FROM placements JOIN folders ON folders.id = placements.folder_id WHERE folders.bank_id = ?)', [$bankId]))
            : $query->where('questions.bank_id', $bankId);
    }

    /**
     * Few matches are found by their words first and then sorted; with many, the order's own index is walked until the page
     * is full. The planner cannot tell which, so it is told: OFFSET 0 keeps it from turning the first into the second.
     */
    private static function words(Builder $query, QuestionFilter $filter, bool $few): void
    {
        $tsquery = Stems::tsquery($filter->words);
        if (! $few) {
            $query->join('question_search AS found', 'found.question_id', '=', 'questions.id')->whereRaw("found.words @@ to_tsquery('simple', ?)", [$tsquery]);

            return;
        }
        $query->joinSub(DB::table('question_search')->select($filter->sort === 'best' ? ['question_id', 'words'] : ['question_id'])->whereRaw("words @@ to_tsquery('simple', ?)", [$tsquery])->offset(0), 'found', 'found.question_id', '=', 'questions.id');
    }

    /** @param  list<string>  $values */
    private static function dimension(Builder $query, string $name, array $values): void
    {
        match ($name) {
            'kind' => $query->whereRaw('(questions.kinds && ?::text[]'.(in_array(QuestionFilter::PAGE, $values, true) ? " OR questions.kinds = '{}')" : ')'), [QuestionIndex::array($values)]),
            'tag' => $query->whereRaw('questions.tags && ?::text[]', [QuestionIndex::array($values)]),
            'status' => $query->whereIn('questions.status', $values),
            'difficulty' => $query->whereIn('questions.difficulty', array_map(intval(...), $values)),
            'author' => $query->whereIn('questions.author', $values),
            'topic' => $query->whereRaw('questions.id IN (SELECT question_topics.question_id FROM question_topics JOIN topics ON topics.id = question_topics.topic_id WHERE topics.path <@ ANY (SELECT path FROM topics WHERE id = ANY (?::uuid[])))', [QuestionIndex::array($values)]),
            'folder' => $query->whereRaw('questions.id IN (SELECT placements.question_id FROM placements JOIN folders ON folders.id = placements.folder_id WHERE folders.path <@ ANY (SELECT path FROM folders WHERE id = ANY (?::uuid[])))', [QuestionIndex::array($values)]),
            'stimulus' => $query->whereRaw('questions.id IN (SELECT question_id FROM question_stimuli WHERE stimulus_id = ANY (?::uuid[]))', [QuestionIndex::array($values)]),
            'no' => array_map(fn (string $value): Builder => self::without($query, $value), $values),
            default => array_map(fn (string $value): Builder => match ($value) {
                'shares' => $query->whereRaw('EXISTS (SELECT 1 FROM question_stimuli WHERE question_stimuli.question_id = questions.id)'),
                'specimens' => $query->where('questions.specimens', '>', 0),
                'failing' => $query->where('questions.specimens_failing', '>', 0),
                'varies' => $query->where('questions.has_variables', true),
                'complete' => $query->where('questions.is_complete', true),
                default => $query->where('questions.is_complete', false),
            }, $values),
        };
    }

    private static function without(Builder $query, string $what): Builder
    {
        return match ($what) {
            'topic' => $query->whereRaw('NOT EXISTS (SELECT 1 FROM question_topics WHERE question_topics.question_id = questions.id)'),
            'folder' => $query->whereRaw('NOT EXISTS (SELECT 1 FROM placements WHERE placements.question_id = questions.id)'),
            'tag' => $query->whereRaw("questions.tags = '{}'"),
            'author' => $query->where('questions.author', ''),
            default => $query->whereNull('questions.difficulty'),
        };
    }
}
