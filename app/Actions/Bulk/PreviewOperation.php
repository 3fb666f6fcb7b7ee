<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Models\Bank;
use App\Models\User;
use App\Queries\QuestionUses;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use App\Storage\ChangeLog;
use WideQuarry\Bulk\BulkChange;
use WideQuarry\Bulk\QuestionSkipped;
use WideQuarry\Bulk\TextReplacement;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Differences;
use WideQuarry\Question\PartKinds;

/** What a change of many questions would do, judged by the same code that does it. */
final readonly class PreviewOperation
{
    /** How many are judged for the sample; of so many questions all are. */
    private const LOOKED_AT = 200;

    private const SHOWN = 8;

    private const PLACES = 200;

    public function __construct(private QuestionSearch $search, private PartKinds $kinds)
    {
    }

    /**
     * @param  list<string>|string  $target  ids, or a filter
     * @param  string|null  $from  the bank where the filter looks, when it is another
     * @return array{count: int, looked: int, changes: int, sample: list<array<string, mixed>>,
     *     left: list<array{id: string, title: string, why: string}>, uses?: array<string, mixed>} looked: how many were judged,
     *     changes: how many of them would differ, uses: the assessments that binning touches
     */
    public function handle(Bank $bank, array|string $target, BulkChange $change, User $person, ?string $from = null): array
    {
        [$count, $ids] = $this->some($from ?? $bank->id, $target, null, self::LOOKED_AT);
        $changes = 0;
        $sample = $left = [];
        foreach (ReadStates::of($ids, $bank->id, FieldsNeeded::of($change), $person, lock: false) as [$row, $now]) {
            try {
                $after = $change->apply($now, $this->kinds);
            } catch (QuestionSkipped|Malformed $problem) {
                $left[] = ['id' => $row->id, 'title' => $row->title, 'why' => $problem->getMessage()];

                continue;
            }
            $fields = array_map(
                fn (string $field, array $values): array => ['field' => $field, 'before' => $values[0], 'after' => $values[1]],
                array_keys($changed = ChangeLog::between($now->fields(), $after->fields())),
                $changed,
            );
            $differences =
                $now->content === null || $after->content === null || $now->content === $after->content
                    ? []
                    : Differences::between($now->content, $after->content);
            if ($now->isHome !== $after->isHome) {
                $fields[] = ['field' => 'home', 'before' => null, 'after' => $bank->name];
            }
            if ($fields !== [] || $differences !== []) {
                $changes++;
                if (count($sample) < self::SHOWN) {
                    $sample[] = ['id' => $row->id, 'title' => $row->title, 'fields' => $fields, 'differences' => $differences];
                }
            }
        }

        return [
            'count' => $count,
            'looked' => count($ids),
            'changes' => $changes,
            'sample' => $sample,
            'left' => array_slice($left, 0, self::SHOWN),
            ...$change->bins() ? ['uses' => QuestionUses::ofMany($ids, $person)] : [],
        ];
    }

    /**
     * @param  list<string>|string  $target
     * @return array{count: int, looked: int, questions: list<array{id: string, title: string, places: list<mixed>}>, next: string|null}
     */
    public function places(Bank $bank, array|string $target, TextReplacement $replacing, ?string $after, User $person): array
    {
        [$count, $ids] = $this->some($bank->id, $target, $after, self::PLACES);
        $found = [];
        foreach (
            ReadStates::of(
                $ids,
                $bank->id,
                FieldsNeeded::of(BulkChange::read((object) ['content' => (object) ['names' => true]])),
                $person,
                lock: false,
            ) as [$row, $now]
        ) {
            $places = $now->content === null ? [] : $replacing->in($now->content)['places'];
            if ($places !== []) {
                $found[] = ['id' => $row->id, 'title' => $row->title, 'places' => $places];
            }
        }

        return [
            'count' => $count,
            'looked' => count($ids),
            'questions' => $found,
            'next' => count($ids) === self::PLACES ? $ids[self::PLACES - 1] : null,
        ];
    }

    /**
     * @param  list<string>|string  $target
     * @return array{int, list<string>} how many there are in all, and some in the order of their ids
     */
    private function some(string $bankId, array|string $target, ?string $after, int $most): array
    {
        if (is_string($target)) {
            $filter = QuestionFilter::fromQuery($target);

            return [
                $this->search->count(Scope::bank($bankId), $filter),
                $this->search->ids(Scope::bank($bankId), $filter, $after, $most),
            ];
        }
        $ids = array_values(array_filter(array_unique($target), fn (string $id): bool => $id > ($after ?? '')));
        sort($ids);

        return [count(array_unique($target)), array_slice($ids, 0, $most)];
    }
}
