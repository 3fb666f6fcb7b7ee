<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\QuestionTable\Mapping\Likeness;
use WideQuarry\Json\Json;

/** A table of an intake: its first rows, how it was read, what is wrong in it, and mappings kept for tables like it. */
final readonly class TablePage
{
    /** How alike the headings are for a kept mapping to be offered. */
    private const ALIKE = 0.6;

    /** @return array<string, mixed>|null null when the file is no table */
    public function of(string $intake, string $file, string $person): ?array
    {
        /** @var (object{id: string, name: string, corrections: string}&\stdClass)|null $row */
        $row = DB::table('intake_files')->where('intake_id', $intake)->where('id', $file)->first();
        $held = $row === null ? null : DB::table('staged_things')->where('file_id', $file)->where('type', 'table')->value('value');
        $table = is_string($held) ? Json::decode($held) : null;
        if ($row === null || ! $table instanceof \stdClass) {
            return null;
        }

        return [
            'file' => ['id' => $row->id, 'name' => $row->name, 'type' => $table->type ?? 'csv'],
            'corrections' => Json::decode($row->corrections),
            'mapping' => $table->mapping ?? new \stdClass,
            'sheets' => $table->sheets ?? [],
            'wrong' => $table->wrong ?? [],
            'wrong_rows' => $table->wrong_rows ?? 0,
            'kept' => $this->kept($person, $table->mapping ?? null),
        ];
    }

    /** @return list<array{id: string, name: string, mapping: mixed, alike: bool}> the most alike first */
    private function kept(string $person, mixed $mapping): array
    {
        $kept = [];
        /** @var object{id: string, name: string, mapping: string}&\stdClass $row */
        foreach (DB::table('table_mappings')->where('user_id', $person)->orderBy('name')->get() as $row) {
            $own = Json::decode($row->mapping);
            $likeness = Likeness::of($own, $mapping);
            $kept[] = [$likeness, ['id' => $row->id, 'name' => $row->name, 'mapping' => $own, 'alike' => $likeness >= self::ALIKE]];
        }
        usort($kept, fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column($kept, 1);
    }
}
