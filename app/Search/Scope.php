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
    private function __construct(public array $banks, public bool $isOne, private ?bool $isPlaced = null)
    {
    }

    /** The same, with what every query in it has to know looked up once. */
    public function known(): self
    {
        return new self($this->banks, $this->isOne, $this->isPlaced());
    }

    /** One bank, which the caller has seen may be read. */
    public static function bank(string $id): self
    {
        return new self([$id], true);
    }

    /**
     * Some banks; the caller sees to it that nobody reads in them who may not.
     *
     * @param  list<string>  $ids
     */
    public static function banks(array $ids): self
    {
        return new self($ids, count($ids) === 1);
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
        $home = $this->isOne ? ['questions.bank_id = ?', [$this->banks[0]]] : ['questions.bank_id = ANY (?::uuid[])', [$list]];
        if ($this->isPlaced ?? $this->isPlaced()) {
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

    /** Whether questions of other banks are placed in folders there. */
    private function isPlaced(): bool
    {
        return DB::scalar(
            <<<'SQL'
                SELECT EXISTS (SELECT 1 FROM placements JOIN folders ON folders.id = placements.folder_id
                    JOIN questions ON questions.id = placements.question_id
                    WHERE folders.bank_id = ANY (?::uuid[]) AND questions.bank_id <> folders.bank_id)
                SQL,
            ['{'.implode(',', $this->banks).'}'],
        ) === true;
    }
}
