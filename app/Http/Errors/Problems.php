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

/** Errors as application/problem+json (RFC 9457), each with a sentence. */
final class Problems
{
    private const SENTENCES = [
        401 => 'You are signed out. Sign in again; what you typed is still here.',
        403 => 'You may not do this here.',
        404 => 'There is nothing here, or it is not yours to see.',
        405 => 'This cannot be done at this address.',
        413 => 'This is larger than can be taken in.',
        419 => 'This page has been open too long. Reload it; what you typed is saved.',
        429 => 'That was too often. Wait a minute and try again.',
        503 => 'The application is being worked on. Try again in a minute.',
    ];

    private const NO_DATABASE = 'The database cannot be reached. Your work is saved; try again in a minute.';

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
                ? new ServiceUnavailableHttpException(60, self::NO_DATABASE, $problem)
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
                'title' => $status >= 500 ? 'Something went wrong here' : 'This cannot be done as it stands',
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
                'Someone else did the same at the same moment. Check the current state, then try again.',
            ),
            in_array($state, ['40001', '40P01', '55P03'], true) => self::json(
                409,
                'conflict',
                'Someone else is changing the same thing. Try again in a moment.',
                [],
                ['Retry-After' => '1'],
            ),
            $state === '57014' => self::json(
                503,
                'too_long',
                'This took too long and was stopped. Nothing was changed. Narrow it down, then try again.',
            ),
            $state === '53100' => self::json(
                507,
                'storage.full',
                'The server\'s disk is full. Nothing was stored; what you typed is still here. Tell whoever runs the server.',
            ),
            str_starts_with($state, '22') => self::json(
                422,
                'value',
                'One of the values sent is outside what can be stored or compared.',
            ),
            $state === '23503' => self::json(409, 'conflict', 'Something this refers to no longer exists. Load it again.'),
            default => null,
        };
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
            $errors = $problem->errors();

            return self::json(422, 'validation', (string) array_values($errors)[0][0], [
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
                'This took too long and was stopped. Nothing was changed. Make it smaller, then try again.',
            );
        }
        if ($problem instanceof FatalError && str_contains($problem->getMessage(), 'Allowed memory size')) {
            return self::json(413, 'too_large', 'This is too large to work on at once. Make it smaller, then try again.');
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
            self::SENTENCES[$status] ??
                ($status >= 500 ? 'Something went wrong here. It was written down; nothing of yours is lost.' : 'This cannot be done.'),
            [],
            array_map(strval(...), $headers),
        );
    }
}
