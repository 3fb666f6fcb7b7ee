<?php

declare(strict_types=1);

namespace App\Search;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Where questions are looked for: in one bank, or in all that a person may read. Rights are settled here, before any condition. */
final readonly class Scope
{
    /** @param  list<string>  $banks */
    private function __construct(public array $banks, public bool $isOne)
    {
    }

    /** One bank, which the caller has seen may be read. */
    public static function bank(string $id): self
    {
        return new self([$id], true);
    }

    /** @param  bool  $bin  only those banks whose bin they may look into */
    public static function readableBy(User $person, bool $bin = false): self
    {
        return new self(
            array_values(
                array_filter(
                    DB::table(DB::raw('bank_roles(?) AS mine'))
                        ->setBindings([$person->id])
                        ->when($bin, fn (Builder $query): Builder => $query->whereIn('mine.role', ['writer', 'keeper']))
                        ->join('banks', 'banks.id', '=', 'mine.bank_id')
                        ->whereNull('archived_at')
                        ->orderBy('mine.bank_id')
                        ->pluck('mine.bank_id')
                        ->all(),
                    is_string(...),
                ),
            ),
            false,
        );
    }

    /** The questions that live there, and those placed in a folder there. */
    public function on(Builder $query): void
    {
        $list = '{'.implode(',', $this->banks).'}';
        $placed = DB::scalar(
            <<<'SQL'
                SELECT EXISTS (SELECT 1 FROM placements JOIN folders ON folders.id = placements.folder_id
                    JOIN questions ON questions.id = placements.question_id
                    WHERE folders.bank_id = ANY (?::uuid[]) AND questions.bank_id <> folders.bank_id)
                SQL,
            [$list],
        );
        $home = $this->isOne ? ['questions.bank_id = ?', [$this->banks[0]]] : ['questions.bank_id = ANY (?::uuid[])', [$list]];
        if ($placed === true) {
            $query->where(
                fn (Builder $either) => $either
                    ->whereRaw(...$home)
                    ->orWhereRaw(
                        <<<'SQL'
                            questions.id IN (SELECT placements.question_id FROM placements
                                JOIN folders ON folders.id = placements.folder_id WHERE folders.bank_id = ANY (?::uuid[]))
                            SQL,
                        [$list],
                    ),
            );
        } else {
            $query->whereRaw(...$home);
        }
    }
}
