<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Intake;
use App\Queries\StagedQuestions;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** @mixin Intake */
final class IntakeResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $intake = $this->resource;
        assert($intake instanceof Intake);
        /** @var \Illuminate\Support\Collection<int, object{id: string, name: string, format: string|null, state: string,
            problem: string|null, bytes: int, bytes_read: int, bytes_all: int}&\stdClass> $files */
        $files = DB::table('intake_files')
            ->where('intake_id', $this->id)
            ->orderBy('position')
            ->get(['id', 'name', 'format', 'state', 'problem', 'bytes', 'bytes_read', 'bytes_all']);
        $all = (int) $files->sum(fn (\stdClass $file): int => $file->bytes);
        // A file counts by its size; within it, unpacked bytes read of all.
        $read = $files->sum(
            fn (\stdClass $file): float => $file->state === 'waiting'
                ? ($file->bytes_all > 0
                    ? ($file->bytes * $file->bytes_read) / $file->bytes_all
                    : 0)
                : $file->bytes,
        );
        $kinds = DB::select(
            'SELECT kind, count(*) AS times FROM staged_questions, unnest(kinds) AS kind WHERE intake_id = ? GROUP BY kind ORDER BY kind',
            [$this->id],
        );

        return [
            'id' => $this->id,
            'title' => $this->title,
            'state' => $this->state,
            'problem' => $this->problem,
            'files' => $files
                ->map(
                    fn (\stdClass $file): array => [
                        'id' => $file->id,
                        'name' => $file->name,
                        'format' => $file->format,
                        'state' => $file->state,
                        'problem' => $file->problem,
                        'bytes' => $file->bytes,
                    ],
                )
                ->all(),
            'found' => DB::table('staged_questions')->where('intake_id', $this->id)->count(),
            'read' => $all > 0 ? round($read / $all, 4) : 0,
            'settled' => DB::table('staged_questions')->where('intake_id', $this->id)->whereNotNull('outcome')->count(),
            'counts' => (object) StagedQuestions::counts($intake),
            'coming' => StagedQuestions::coming($intake),
            'kinds' => (object) array_column($kinds, 'times', 'kind'),
            'notices' => DB::table('staged_things')
                ->where('intake_id', $this->id)
                ->where('type', 'notice')
                ->whereNull('question')
                ->orderBy('position')
                ->limit(200)
                ->pluck('value')
                ->map(fn (mixed $value): mixed => Json::decode(is_string($value) ? $value : '{}'))
                ->all(),
            'bank' => $this->bank === null ? null : ['slug' => $this->bank->slug, 'name' => $this->bank->name],
            'new_bank' => $this->new_bank,
            'folder' => $this->folderPath(),
            'duplicates' => $this->duplicates,
            'regroup' => $this->regroup,
            'groups' => $intake->grouping()->tree(),
            'assessments' => DB::table('staged_things')
                ->where('intake_id', $this->id)
                ->where('type', 'assessment')
                ->orderBy('position')
                ->limit(50)
                ->selectRaw("value->>'title' AS title")
                ->pluck('title')
                ->all(),
            'documents' => DB::table('staged_things')
                ->where('intake_id', $this->id)
                ->where('type', 'document')
                ->orderBy('file_id')
                ->selectRaw("file_id, value->>'type' AS type, (SELECT count(*) FROM jsonb_array_elements(value->'lines') AS one
                    WHERE one->>'is' = 'unused') AS unused")
                ->get()
                ->map(fn (\stdClass $row): array => ['file' => $row->file_id, 'type' => $row->type, 'unused' => $row->unused])
                ->all(),
            'tables' => DB::table('staged_things')
                ->where('intake_id', $this->id)
                ->where('type', 'table')
                ->orderBy('file_id')
                ->selectRaw("file_id, value->>'type' AS type, (value->>'wrong_rows')::int AS wrong")
                ->get()
                ->map(fn (\stdClass $row): array => ['file' => $row->file_id, 'type' => $row->type, 'wrong' => $row->wrong])
                ->all(),
            'receipts' => DB::table('receipts')
                ->where('intake_id', $this->id)
                ->orderByDesc('id')
                ->get(['id', 'kind', 'created_at'])
                ->all(),
            'created_at' => $this->created_at->toIso8601String(),
        ];
    }
}
