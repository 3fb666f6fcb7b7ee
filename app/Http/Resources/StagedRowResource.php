<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Infrastructure\PostgresArray;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use WideQuarry\Json\Json;

/** A staged question in the list of a review. */
final class StagedRowResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var array{kinds: string, tags: string, points: string, notices: string|null} $row with what else a row has */
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
