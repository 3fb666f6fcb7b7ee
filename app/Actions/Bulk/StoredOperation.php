<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** An operation as it is stored: whose it is, what it does to which questions, and how far it is. */
final readonly class StoredOperation
{
    /**
     * @param  string  $kind  change, copy, carry, merge, remove, undo
     * @param  string|null  $bankId  acts of one question had none once
     * @param  string|null  $last  the question it came to last: those after it are to be done
     * @param  \stdClass  $what  what was asked for, as it came
     */
    private function __construct(
        public string $id,
        public string $userId,
        public string $kind,
        public string $state,
        public ?string $bankId,
        public int $total,
        public int $done,
        public int $changed,
        public ?string $last,
        public ?string $createdAt,
        public \stdClass $what,
    ) {
    }

    /** 404 where there is none. */
    public static function find(string $id): self
    {
        /** @var (object{id: string, user_id: string, kind: string, state: string, bank_id: string|null, total: int, done: int,
            changed: int, last: string|null, created_at: string|null, what: string|null}&\stdClass)|null $row */
        $row = DB::table('bulk_operations')->where('id', $id)->first();
        if ($row === null) {
            abort(404);
        }
        $what = $row->what === null ? null : Json::decode($row->what);

        return new self(
            $row->id,
            $row->user_id,
            $row->kind,
            $row->state,
            $row->bank_id,
            $row->total,
            $row->done,
            $row->changed,
            $row->last,
            $row->created_at,
            $what instanceof \stdClass ? $what : new \stdClass,
        );
    }

    /** A text of what was asked for; null where there is none. */
    public function text(string $name): ?string
    {
        $value = $this->what->{$name} ?? null;

        return is_string($value) ? $value : null;
    }

    /** The bank it is of; '' where it has none. */
    public function bank(): string
    {
        return $this->bankId ?? '';
    }

    /** @return list<string>|null the questions that were named; null for those that a filter finds */
    public function ids(): ?array
    {
        $ids = $this->what->ids ?? null;

        return is_array($ids) ? array_values(array_filter($ids, is_string(...))) : null;
    }

    /** @return 'folders'|'topics' the tree that is merged or cleared */
    public function tree(): string
    {
        return match ($this->text('tree')) {
            'folders' => 'folders',
            'topics' => 'topics',
            default => throw new \LogicException("Operation $this->id names no tree."),
        };
    }
}
