<?php

declare(strict_types=1);

namespace App\Http\Errors;

use App\Errors\Refused;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use WideQuarry\CommandLine\Problem;
use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** Errors as application/problem+json (RFC 9457), each with a sentence. */
final class Problems
{
    /** Statuses with a sentence of their own. */
    private const SAID = [401, 403, 404, 405, 413, 419, 429, 503];

    /** SQLSTATE of a connection that was not made, was lost, or is refused while the server starts or stops; 7 is libpq's own. */
    private const UNREACHABLE = ['7', '08000', '08001', '08003', '08004', '08006', '57P01', '57P02', '57P03'];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->render(
            fn (\Throwable $problem, Request $request): ?JsonResponse => $request->is('api/*') ? self::respond($problem) : null,
        );
        $exceptions->map(
            QueryException::class,
            fn (QueryException $problem): \Throwable => in_array((string) $problem->getCode(), self::UNREACHABLE, true)
                ? new ServiceUnavailableHttpException(60, Message::of('app.http.errors.no-database'), $problem)
                : $problem,
        );
        $exceptions->dontReport([CoreException::class, Refused::class]);
        $exceptions->report(fn (QueryException $problem) => self::log($problem))->stop();
    }

    /**
     * @param  array<string, mixed>  $more
     * @param  array<string, string>  $headers
     */
    public static function json(int $status, string $rule, string $detail, array $more = [], array $headers = []): JsonResponse
    {
        return new JsonResponse(
            [
                'type' => "urn:wide-quarry:problem:$rule",
                'title' => Message::of($status >= 500 ? 'app.http.errors.went-wrong' : 'app.http.errors.cannot-be-done'),
                'status' => $status,
                'detail' => $detail,
                'path' => null,
                ...$more,
            ],
            $status,
            [...$headers, 'Content-Type' => 'application/problem+json'],
        );
    }

    /** A failed statement is logged without its values and PostgreSQL's details: they hold people's questions. */
    private static function log(QueryException $problem): void
    {
        $first = strtok($problem->getPrevious()?->getMessage() ?? '', "\n");
        if (str_contains((string) $first, 'due to user request')) {
            return; // overtaken by the next words (StopOvertaken)
        }
        $place =
            array_values(
                array_filter($problem->getTrace(), fn (array $step): bool => str_starts_with($step['file'] ?? '', app_path())),
            )[0] ?? [];
        logger()->error('A statement failed.', [
            'state' => $problem->getCode(),
            'said' => $first,
            'sql' => $problem->getSql(),
            'at' => ($place['file'] ?? '').':'.($place['line'] ?? ''),
        ]);
    }

    /** What PostgreSQL refuses because of what was sent (classes 22 and 23 of SQLSTATE), or because of somebody else at the same time. */
    private static function ofStatement(QueryException $problem): ?JsonResponse
    {
        $state = (string) $problem->getCode();

        return match (true) {
            $state === '23505' => self::json(
                409,
                'conflict',
                Message::of('app.http.errors.someone-else-did-same'),
            ),
            in_array($state, ['40001', '40P01', '55P03'], true) => self::json(
                409,
                'conflict',
                Message::of('app.http.errors.someone-else-changing-same'),
                [],
                ['Retry-After' => '1'],
            ),
            $state === '57014' => self::json(
                503,
                'too_long',
                Message::of('app.http.errors.took-too-long-stopped'),
            ),
            $state === '53100' => self::json(
                507,
                'storage.full',
                Message::of('app.http.errors.server-s-disk-full'),
            ),
            str_starts_with($state, '22') => self::json(
                422,
                'value',
                Message::of('app.http.errors.one-values-sent-outside'),
            ),
            $state === '23503' => self::json(409, 'conflict', Message::of('app.http.errors.something-refers-no-longer-exists')),
            default => null,
        };
    }

    /** Somebody else has stored another version of an assessment since. */
    public static function superseded(int $version): JsonResponse
    {
        $sentence = Message::of('app.http.errors.someone-else-changed-assessment');

        return self::json(412, 'revision.superseded', $sentence, ['current_revision' => $version]);
    }

    /** What a policy says, where it is not the role that is missing. */
    private static function deniedWhy(\Throwable $problem): ?string
    {
        $denied = $problem instanceof AuthorizationException ? $problem : $problem->getPrevious();
        $response = $denied instanceof AuthorizationException ? $denied->response() : null;

        return $response?->message();
    }

    private static function respond(\Throwable $problem): JsonResponse
    {
        $status = match (true) {
            $problem instanceof AuthenticationException => 401,
            $problem instanceof AuthorizationException => 403,
            $problem instanceof ModelNotFoundException => 404,
            $problem instanceof TokenMismatchException => 419,
            $problem instanceof HttpExceptionInterface => $problem->getStatusCode(),
            default => 500,
        };
        if ($problem instanceof Refused) {
            return self::json($problem->status, $problem->rule, $problem->getMessage(), ['path' => $problem->path]);
        }
        if ($problem instanceof CoreException) {
            $known = Problem::of($problem);

            return self::json(422, substr($known['type'], 24), $known['detail'], ['path' => $known['path']]);
        }
        if ($problem instanceof ValidationException) {
            /** @var array<string, list<string>> $errors */
            $errors = $problem->errors();

            return self::json(422, 'validation', array_values($errors)[0][0] ?? '', [
                'path' => '/'.str_replace('.', '/', (string) array_key_first($errors)),
                'errors' => $errors,
            ]);
        }

        if ($problem instanceof QueryException && ($known = self::ofStatement($problem)) !== null) {
            return $known;
        }
        if ($problem instanceof FatalError && str_contains($problem->getMessage(), 'Maximum execution time')) {
            return self::json(
                503,
                'too_long',
                Message::of('app.http.errors.took-too-long-stopped-nothing'),
            );
        }
        if ($problem instanceof FatalError && str_contains($problem->getMessage(), 'Allowed memory size')) {
            return self::json(413, 'too_large', Message::of('app.http.errors.too-large-work-once'));
        }
        $why = self::deniedWhy($problem);
        if ($why !== null) {
            return self::json(403, '403', $why);
        }
        if ($problem instanceof ServiceUnavailableHttpException && $problem->getMessage() !== '') {
            return self::json(503, '503', $problem->getMessage());
        }

        $headers =
            $problem instanceof HttpExceptionInterface
                ? array_filter($problem->getHeaders(), fn (string $name): bool => $name === 'Retry-After', ARRAY_FILTER_USE_KEY)
                : [];

        return self::json(
            $status,
            (string) $status,
            Message::of(match (true) {
                in_array($status, self::SAID, true) => "app.http.errors.status-$status",
                $status >= 500 => 'app.http.errors.something-went-wrong-written',
                default => 'app.http.errors.cannot-done',
            }),
            [],
            array_map(fn (mixed $value): string => is_scalar($value) ? (string) $value : '', $headers),
        );
    }
}
