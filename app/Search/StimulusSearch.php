<?php

declare(strict_types=1);

namespace App\Search;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Search\Query;

/** Stimuli by words, bank, folder and whether any question shows them; in the order of their titles, a page at a time. */
final class StimulusSearch
{
    public const PAGE = 60;

    private const UNUSED = 'NOT EXISTS (SELECT 1 FROM question_stimuli WHERE stimulus_id = stimuli.id)';

    /**
     * @param  string|null  $bankId  one that the person may read; all of theirs otherwise
     * @param  array{words: string, folder: string, only: string, cursor: string}  $asked  only: '', unused or binned
     * @return array{list<\stdClass>, string|null, int} rows, the cursor of the next page, and how many there are
     *
     * @throws Malformed
     */
    public function page(User $person, ?string $bankId, array $asked): array
    {
        $query = $this->query($person, $bankId, $asked);
        $found = (clone $query)->count();
        if ($asked['cursor'] !== '') {
            [$title, $id] = $this->after($asked['cursor']);
            $query->whereRaw('(stimuli.title, stimuli.id) > (?, ?::uuid)', [$title, $id]);
        }
        $rows = array_values(
            $query
                ->join('banks', 'banks.id', '=', 'stimuli.bank_id')
                ->orderBy('stimuli.title')
                ->orderBy('stimuli.id')
                ->limit(self::PAGE + 1)
                ->select([
                    'stimuli.id',
                    'stimuli.title',
                    'stimuli.stem',
                    'stimuli.language',
                    'stimuli.revision',
                    'stimuli.updated_at',
                    'stimuli.binned_at',
                    'banks.slug AS bank',
                    'banks.name AS bank_name',
                ])
                ->selectRaw(
                    <<<'SQL'
                        (SELECT count(*) FROM question_stimuli WHERE stimulus_id = stimuli.id) AS questions,
                            stimuli.body LIKE '%data-media=%' AS has_figure, stimuli.body LIKE '%<table%' AS has_table
                        SQL,
                )
                ->get()
                ->all(),
        );
        $next = null;
        if (count($rows) > self::PAGE) {
            array_pop($rows);
            $last = $rows[self::PAGE - 1];
            $next = rtrim(strtr(base64_encode(json_encode([$last->title, $last->id], JSON_THROW_ON_ERROR)), '+/', '-_'), '=');
        }

        return [$rows, $next, $found];
    }

    /** @param  array{words: string, folder: string, only: string, cursor: string}  $asked */
    private function query(User $person, ?string $bankId, array $asked): Builder
    {
        $query = DB::table('stimuli');
        $placed =
            'stimuli.id IN (SELECT stimulus_id FROM stimulus_placements JOIN folders ON folders.id = folder_id WHERE folders.bank_id ';
        if ($bankId === null) {
            $query->where(
                fn (Builder $either) => $either
                    ->whereRaw('stimuli.bank_id IN (SELECT bank_id FROM bank_roles(?))', [$person->id])
                    ->orWhereRaw("$placed IN (SELECT bank_id FROM bank_roles(?)))", [$person->id]),
            );
        } else {
            $query->where(fn (Builder $either) => $either->where('stimuli.bank_id', $bankId)->orWhereRaw("$placed = ?)", [$bankId]));
        }
        if ($asked['only'] === 'binned') {
            $query->whereNotNull('stimuli.binned_at');
        } else {
            $query->whereNull('stimuli.binned_at');
        }
        if ($asked['only'] === 'unused') {
            $query->whereRaw(self::UNUSED);
        }
        if ($asked['folder'] !== '') {
            $query->whereRaw(
                'stimuli.id IN (SELECT stimulus_id FROM stimulus_placements JOIN folders ON folders.id = folder_id WHERE '.
                    'folders.path <@ (SELECT path FROM folders WHERE id = ?))',
                [$asked['folder']],
            );
        }
        $words = Query::parse($asked['words']);
        if (! $words->isEmpty()) {
            $query->whereRaw('stimuli.words @@ ?::tsquery', [Stems::tsquery($words)]);
        } elseif (trim($asked['words']) !== '') {
            $query->whereRaw('false'); // only marks were typed
        }

        return $query;
    }

    /**
     * @return array{string, string}
     *
     * @throws Malformed
     */
    private function after(string $cursor): array
    {
        $read = json_decode((string) base64_decode(strtr($cursor, '-_', '+/'), true), true, 4);
        if (
            ! is_array($read) ||
            ! is_string($read[0] ?? null) ||
            ! is_string($read[1] ?? null) ||
            preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $read[1]) !== 1
        ) {
            throw Malformed::outOfRange('/cursor', Message::of('app.search.cursor-earlier-page'), $cursor);
        }

        return [$read[0], $read[1]];
    }
}
