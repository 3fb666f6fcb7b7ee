<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Errors\Problems;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;
use WideQuarry\Messages\Message;

/**
 * A request that creates may carry an Idempotency-Key: sent twice, it is done once and answered the same. What it creates and the answer
 * are stored in one transaction, so a process that dies leaves neither; its claim on the key ends by itself.
 */
final class Idempotent
{
    /** Longer than any request may take (deploy/php-fpm.conf), so that nobody takes over from one that is still at work. */
    private const CLAIM = '150 seconds';

    private const LONGEST = 200;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $key = $request->header('Idempotency-Key');
        $user = $request->user();
        if (! is_string($key) || $key === '' || ! ($user instanceof User)) {
            return $next($request);
        }
        if (strlen($key) > self::LONGEST || ! mb_check_encoding($key, 'UTF-8')) {
            return Problems::json(400, 'idempotency.key', Message::of('app.http.middleware.idempotency-key-text-most', [
                'longest' => self::LONGEST,
            ]));
        }
        $where = ['user_id' => $user->id, 'key' => $key];
        $fingerprint = hash('sha256', $request->method().$request->path().$request->getContent());
        if (! $this->claim($where, $fingerprint)) {
            return $this->answered($where, $fingerprint);
        }
        DB::beginTransaction();
        $response = $next($request);
        $isDone =
            $response->isSuccessful() &&
            DB::table('idempotency_keys')
                ->where($where)
                ->update(['status' => $response->getStatusCode(), 'body' => $response->getContent()]) === 1;
        if ($isDone) {
            DB::commit();
        } else {
            DB::rollBack();
        }
        if (! $isDone) {
            DB::table('idempotency_keys')->where($where)->whereNull('status')->delete();
        }

        return $response;
    }

    /** @param  array{user_id: string, key: string}  $where */
    private function claim(array $where, string $fingerprint): bool
    {
        return DB::affectingStatement(
            <<<'SQL'
            INSERT INTO idempotency_keys (user_id, key, fingerprint) VALUES (?, ?, ?)
            ON CONFLICT (user_id, key) DO UPDATE SET created_at = now()
            WHERE idempotency_keys.status IS NULL AND idempotency_keys.fingerprint = excluded.fingerprint
                AND idempotency_keys.created_at < now() - ?::interval
            SQL,
            [$where['user_id'], $where['key'], $fingerprint, self::CLAIM],
        ) === 1;
    }

    /** @param  array{user_id: string, key: string}  $where */
    private function answered(array $where, string $fingerprint): Response
    {
        /** @var (object{fingerprint: string, status: int|null, body: string|null}&\stdClass)|null $kept */
        $kept = DB::table('idempotency_keys')->where($where)->first();

        return match (true) {
            $kept?->fingerprint !== $fingerprint => Problems::json(
                422,
                'idempotency.other_request',
                Message::of('app.http.middleware.key-used-another-request'),
            ),
            $kept->status === null => Problems::json(
                409,
                'idempotency.under_way',
                Message::of('app.http.middleware.same-request-still-being'),
                [],
                ['Retry-After' => '5'],
            ),
            default => new \Illuminate\Http\Response($kept->body, $kept->status, ['Content-Type' => 'application/json']),
        };
    }
}
