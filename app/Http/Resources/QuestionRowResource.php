<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use WideQuarry\Presentation\Thumbnail;
use WideQuarry\Question\Features;
use WideQuarry\Question\PartKinds;

/** A question as a row of a list; marks are pieces of text with whether each was found. */
final class QuestionRowResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $row = $this->resource;
        assert($row instanceof \stdClass);

        return [
            'id' => $row->id,
            'bank' => $row->bank,
            'bank_name' => $row->bank_name,
            'title' => $row->title,
            'title_marks' => $row->title_marks,
            'stem_marks' => $row->stem_marks,
            'found_in' => $row->found_in,
            'found_marks' => $row->found_marks,
            'kinds' => self::list($row->kinds),
            'has_thumbnail' => Thumbnail::isThere(self::list($row->kinds), app(PartKinds::class)),
            'points' => is_numeric($row->points) ? (float) $row->points : 0.0,
            'difficulty' => $row->difficulty,
            'status' => $row->status,
            'revision' => $row->revision,
            'named' => $row->named,
            'uses' => $row->uses,
            'has_variables' => $row->has_variables,
            'has_bad_rolls' => in_array(Features::BAD_ROLLS, self::list($row->has), true),
            'is_complete' => $row->is_complete,
            'specimens' => $row->specimens,
            'specimens_failing' => $row->specimens_failing,
            'tags' => self::list($row->tags),
            'standards' => $row->standards,
            'places' => $row->places,
            'source' => $row->source,
            'author' => $row->author,
            'updated_at' => $row->updated_at,
        ];
    }

    /** @return list<string> the texts of a PostgreSQL array */
    private static function list(mixed $array): array
    {
        preg_match_all(
            '/"((?:[^"\\\\]|\\\\.)*)"|([^{},"]+)/',
            is_string($array) ? $array : '',
            $found,
            PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL,
        );

        return array_map(fn (array $match): string => $match[2] ?? stripslashes((string) $match[1]), $found);
    }
}
