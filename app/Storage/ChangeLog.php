<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** The log of record fields: what was, what is, who, and in which act. */
final class ChangeLog
{
    /**
     * @param  array<mixed>  $before
     * @param  array<mixed>  $after
     * @return int how many fields differ
     */
    public static function write(string $question, array $before, array $after, ?string $user, ?string $act = null): int
    {
        $rows = [];
        foreach (self::between($before, $after) as $field => [$old, $new]) {
            $rows[] = ['question' => $question, 'field' => $field, 'before' => $old, 'after' => $new];
        }
        self::rows($rows, $user, $act);

        return count($rows);
    }

    /**
     * @param  array<mixed>  $before
     * @param  array<mixed>  $after
     * @return array<string, array{mixed, mixed}> those fields that differ
     */
    public static function between(array $before, array $after): array
    {
        $fields = [];
        foreach (array_unique([...array_keys($before), ...array_keys($after)]) as $field) {
            [$old, $new] = [self::plain($before[$field] ?? null), self::plain($after[$field] ?? null)];
            if ($old !== $new && Json::encode($old) !== Json::encode($new)) {
                $fields[(string) $field] = [$old, $new];
            }
        }

        return $fields;
    }

    /**
     * Where an act comes to a question twice, what was before it stays.
     *
     * @param  list<array{question: string, field: string, before: mixed, after: mixed}>  $rows
     */
    public static function rows(array $rows, ?string $user, ?string $act): void
    {
        foreach (array_chunk($rows, 5000) as $some) {
            DB::insert(
                <<<'SQL'
                    INSERT INTO changes (question_id, field, before, after, user_id, operation_id)
                        SELECT question, field, before, after, ?, ?
                        FROM jsonb_to_recordset(?::jsonb) AS one (question uuid, field text, before jsonb, after jsonb)
                        ON CONFLICT (operation_id, question_id, field) WHERE operation_id IS NOT NULL DO UPDATE SET after = excluded.after
                    SQL,
                [$user, $act, Json::encode($some)],
            );
        }
    }

    /** Nothing, an empty list and an empty text are the same. */
    private static function plain(mixed $value): mixed
    {
        return $value === [] || $value === '' ? null : $value;
    }
}
