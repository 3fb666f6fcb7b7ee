<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\OpenApi\Shape;
use App\Infrastructure\PostgresArray;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use WideQuarry\Json\Json;

/** A staged question in the list of a review. */
final class StagedRowResource extends JsonResource implements Shape
{
    public static function shape(): array
    {
        return [
            'id' => 'string',
            'number' => 'integer',
            'title' => 'string',
            'stem' => 'string',
            'kinds' => 'string[]',
            'points' => 'number',
            'difficulty' => 'integer?',
            'status' => 'string',
            'is_complete' => 'boolean',
            'has_variables' => 'boolean',
            'tags' => 'string[]',
            'skipped' => 'boolean',
            'decision' => 'string?',
            'duplicate_by' => 'string?',
            'outcome' => 'string?',
            'question_id' => 'string?',
            'notices' => 'object',
        ];
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $row = (array) $this->resource;

        return [
            ...$row,
            'kinds' => PostgresArray::read($row['kinds']),
            'tags' => PostgresArray::read($row['tags']),
            'points' => (float) $row['points'],
            'notices' => Json::decode($row['notices'] ?? '{}'),
        ];
    }
}
