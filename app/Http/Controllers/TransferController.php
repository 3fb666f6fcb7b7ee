<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Files\FileName;
use App\Http\Files\ReceiptTable;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\Transfers;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** What came in and went out, and the receipts of it. */
final class TransferController
{
    #[Operation('Intakes and dispatches one may see, the newest first; of: in or out, before: a time', response: ['data' => 'Transfer[]'])]
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => Transfers::of(User::asking($request), $this->before($request))]);
    }

    #[Operation('A receipt; with ?download as a file', response: ['data' => 'AnyReceipt'])]
    public function receipt(Request $request, string $receipt): JsonResponse|Response
    {
        $user = User::asking($request);
        $row =
            DB::table('receipts')
                ->where('id', $receipt)
                ->where(fn (Builder $any) => $any
                    ->whereRaw(Transfers::MINE, [$user->id, $user->id])
                    ->orWhereIn('id', DB::table('assumptions')->where('asked_id', $user->id)->select('receipt_id')))
                ->first() ?? abort(404);
        $body = Json::decode(is_string($row->body) ? $row->body : '{}');
        $whole = [
            'id' => $row->id,
            'kind' => $row->kind,
            'title' => $row->title,
            'at' => $row->created_at,
            'person' => DB::table('users')->where('id', $row->user_id)->value('name'),
            'intake' => $row->intake_id,
            'body' => $body,
            'assumptions' => self::assumptions($receipt, $user),
        ];
        if (! $request->has('download')) {
            return new JsonResponse(Json::encode(['data' => $whole]), json: true);
        }
        $questions = DB::table('staged_questions')
            ->where('intake_id', $row->intake_id)
            ->whereNotNull('outcome')
            ->orderBy('number')
            ->get(['number', 'title', 'outcome', 'question_id'])
            ->all();

        $title = is_string($row->title) ? $row->title : '';
        if ($request->query('download') === 'csv' && $body instanceof \stdClass) {
            $listed = $row->intake_id === null ? [] : array_values($questions);
            $csv = ReceiptTable::csv($title, is_string($row->created_at) ? $row->created_at : '', $body, $listed);

            return self::file($csv, 'text/csv; charset=utf-8', FileName::attachment("receipt $title", $receipt, '.csv'));
        }
        $json = Json::pretty($row->intake_id === null ? $whole : [...$whole, 'questions' => $questions])."\n";

        return self::file($json, 'application/json', FileName::attachment("receipt $title", $receipt, '.json'));
    }

    /** @return list<array<string, mixed>> what was assumed of the old system, and who confirmed it */
    private static function assumptions(string $receipt, User $user): array
    {
        return array_values(DB::table('assumptions')
            ->leftJoin('users AS asked', 'asked.id', '=', 'asked_id')
            ->leftJoin('users AS sure', 'sure.id', '=', 'confirmed_by')
            ->where('receipt_id', $receipt)
            ->orderBy('number')
            ->get(['number', 'statement', 'asked_id', 'asked.name AS asked', 'sure.name AS confirmed', 'confirmed_at'])
            ->map(fn (\stdClass $row): array => [
                'number' => $row->number,
                'statement' => Json::decode(is_string($row->statement) ? $row->statement : '{}'),
                'asked' => $row->asked,
                'confirmed' => $row->confirmed,
                'confirmed_at' => $row->confirmed_at,
                'mine' => $row->asked_id === $user->id && $row->confirmed_at === null,
            ])
            ->all());
    }

    private static function file(string $content, string $type, string $disposition): Response
    {
        return new Response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => $disposition]);
    }

    private function before(Request $request): ?string
    {
        $before = $request->query('before');

        if (! is_string($before) || $before === '') {
            return null;
        }

        // PostgreSQL reads other times than PHP does ("next monday"), so only those of RFC 3339 and its own are passed on
        return preg_match('/^\d{4}-\d\d-\d\d[T ]\d\d:\d\d:\d\d(\.\d{1,6})?([+-]\d\d(:?\d\d)?|Z)?$/D', $before) === 1 &&
            strtotime($before) !== false
            ? $before
            : throw Malformed::outOfRange('/before', Message::of('app.http.controllers.time-such-2026-11'), $before);
    }
}
