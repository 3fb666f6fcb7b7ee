<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use WideQuarry\Standards\Comparison;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;

/** What is here already of a framework that was read: the same one, or other versions of it. */
final class FrameworksAlike
{
    private const FIRST = 12;

    /** @return array<string, mixed> the framework in short, and each one that is here with what is different in it */
    public static function describe(Framework $read): array
    {
        /** @var list<object{id: string, title: string, version: string}&\stdClass> $here */
        $here = DB::table('frameworks')
            ->where('identifier', $read->id)
            ->orWhereRaw('lower(title) = lower(?)', [$read->title])
            ->orderByDesc('updated_at')
            ->limit(5)
            ->get(['id', 'title', 'version'])
            ->all();
        $alike = [];
        foreach ($here as $row) {
            $whole = Frameworks::whole($row->id);
            if ($whole !== null) {
                $alike[] = [
                    'id' => $row->id,
                    'title' => $row->title,
                    'version' => $row->version,
                    'difference' => Comparison::between($whole->statements, $read->statements),
                ];
            }
        }
        $same = array_values(array_filter($alike, fn (array $one): bool => $one['version'] === $read->version));

        return [
            'title' => $read->title,
            'version' => $read->version,
            'statements' => count($read->statements),
            'retired' => count(array_filter($read->statements, fn (Statement $one): bool => $one->retired)),
            'associations' => count($read->associations),
            'first' => array_map(
                fn (Statement $one): array => [
                    'code' => $one->code,
                    'text' => mb_strimwidth($one->text, 0, 120, '…'),
                    'depth' => self::depth($one, $read),
                ],
                array_slice($read->statements, 0, self::FIRST),
            ),
            'alike' => $alike,
            // the same version again is a newer state of it; another version stands beside
            'how' => $alike === [] ? 'new' : ($same === [] ? 'beside' : 'over'),
            'framework' => ($same[0] ?? $alike[0] ?? null)['id'] ?? null,
        ];
    }

    private static function depth(Statement $statement, Framework $read): int
    {
        $parents = array_column($read->statements, 'parent', 'id');
        $depth = 0;
        for ($parent = $statement->parent; $parent !== null; $parent = $parents[$parent] ?? null) {
            $depth++;
        }

        return $depth;
    }
}
