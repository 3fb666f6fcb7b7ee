<?php

declare(strict_types=1);

namespace App\Support;

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
        foreach (array_unique([...array_keys($before), ...array_keys($after)]) as $field) {
            [$old, $new] = [Json::encode(self::plain($before[$field] ?? null)), Json::encode(self::plain($after[$field] ?? null))];
            if ($old !== $new) {
                $rows[] = ['question_id' => $question, 'field' => (string) $field, 'before' => $old, 'after' => $new, 'user_id' => $user, 'act_id' => $act];
            }
        }
        $rows === [] || DB::table('changes')->insert($rows);

        return count($rows);
    }

    /** Nothing, an empty list and an empty text are the same. */
    private static function plain(mixed $value): mixed
    {
        return $value === [] || $value === '' ? null : $value;
    }
}
