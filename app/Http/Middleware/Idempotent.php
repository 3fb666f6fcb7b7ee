<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Support\Problems;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/** A request that creates may carry an Idempotency-Key: sent twice, it is done once and answered the same. */
final class Idempotent
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $key = $request->header('Idempotency-Key');
        $user = $request->user();
        if (! is_string($key) || $key === '' || strlen($key) > 200 || ! $user instanceof User) {
            return $next($request);
        }
        $where = ['user_id' => $user->id, 'key' => $key];
        $fingerprint = hash('sha256', $request->method().$request->path().$request->getContent());
        if (DB::table('idempotency_keys')->insertOrIgnore([...$where, 'fingerprint' => $fingerprint]) === 0) {
            $kept = DB::table('idempotency_keys')->where($where)->first();

            return match (true) {
                $kept?->fingerprint !== $fingerprint => Problems::json(422, 'idempotency.other_request', 'This key was used for another request.'),
                $kept->status === null => Problems::json(409, 'idempotency.under_way', 'The same request is still being worked on.'),
                default => new \Illuminate\Http\Response($kept->body, $kept->status, ['Content-Type' => 'application/json']),
            };
        }
        $response = $next($request);
        $response->isSuccessful()
            ? DB::table('idempotency_keys')->where($where)->update(['status' => $response->getStatusCode(), 'body' => $response->getContent()])
            : DB::table('idempotency_keys')->where($where)->delete();

        return $response;
    }
}
