<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Question\Differences;

/** The revisions of a question or a stimulus, for who may read it. */
final readonly class Revisions
{
    private const MOST = 500;

    private function __construct(private string $table, private string $column, private string $id)
    {
    }

    /** @param  'question'|'stimulus'  $what */
    public static function of(string $what, string $id): self
    {
        return $what === 'question' ? new self('revisions', 'question_id', $id) : new self('stimulus_revisions', 'stimulus_id', $id);
    }

    /** Who saved what and when, the newest first. */
    public function list(): JsonResponse
    {
        $rows = DB::table("$this->table AS made")
            ->leftJoin('users', 'users.id', '=', 'made.author_id')
            ->where($this->column, $this->id)
            ->orderByDesc('number')
            ->limit(self::MOST)
            ->get(['number', 'note', 'users.name AS person', 'made.created_at AS at']);

        return new JsonResponse(['data' => $rows]);
    }

    /** @param  mixed  $since  the number of the revision it is compared with; the one before it otherwise */
    public function one(int $number, mixed $since): JsonResponse
    {
        $json = $this->content($number) ?? abort(404);
        $before = $this->content(is_string($since) && ctype_digit($since) ? (int) $since : $number - 1);

        return new JsonResponse(
            Json::encode([
                'number' => $number,
                'content' => $json,
                'differences' => $before === null ? [] : Differences::between($before, $json),
            ]),
            json: true,
        );
    }

    private function content(int $number): ?\stdClass
    {
        $stored = DB::table($this->table)->where($this->column, $this->id)->where('number', $number)->value('content');
        $json = is_string($stored) ? Json::decode($stored) : null;

        return $json instanceof \stdClass ? $json : null;
    }
}
