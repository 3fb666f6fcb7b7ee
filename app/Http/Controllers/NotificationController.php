<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** What a person was told. */
final class NotificationController
{
    #[Operation('What you were told, the newest first', response: ['data' => 'Notification[]', 'unread' => 'number'])]
    public function index(Request $request): JsonResponse
    {
        $rows = DB::table('notifications')
            ->where('user_id', User::asking($request)->id)
            ->orderByDesc('id')
            ->limit(50)
            ->get(['id', 'kind', 'text', 'words', 'link', 'read_at', 'created_at']);

        return new JsonResponse(['data' => $rows, 'unread' => $rows->whereNull('read_at')->count()]);
    }

    #[Operation('Mark all as read', status: 204)]
    public function read(Request $request): Response
    {
        DB::table('notifications')
            ->where('user_id', User::asking($request)->id)
            ->whereNull('read_at')
            ->update(['read_at' => now()]);

        return new Response('', 204);
    }
}
