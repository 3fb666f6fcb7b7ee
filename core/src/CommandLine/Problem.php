<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** A problem as the command line and the API say it (RFC 9457). */
final class Problem
{
    /** @return array{type: string, title: string, detail: string, path: string|null} */
    public static function of(\Throwable $problem): array
    {
        $known = $problem instanceof CoreException;
        $rule = property_exists($problem, 'rule') && is_string($problem->rule) ? $problem->rule : ($known ? 'refused' : 'internal');
        $path = property_exists($problem, 'path') && is_string($problem->path) ? $problem->path : null;

        return [
            'type' => "urn:wide-quarry:problem:$rule",
            'title' => $known ? Message::of('commandLine.cannot-done-stands') : Message::of('commandLine.something-went-wrong'),
            'detail' => $problem->getMessage(),
            'path' => $path,
        ];
    }

    /** @return array{type: string, title: string, detail: string, path: null} */
    public static function nothingRead(string $rule, string $detail): array
    {
        return [
            'type' => "urn:wide-quarry:problem:$rule",
            'title' => Message::of('commandLine.nothing-could-read'),
            'detail' => $detail,
            'path' => null,
        ];
    }

    /** @return array{type: string, title: string, detail: string, path: null} */
    public static function usage(string $detail): array
    {
        return [
            'type' => 'urn:wide-quarry:problem:usage',
            'title' => Message::of('commandLine.command-understood'),
            'detail' => $detail,
            'path' => null,
        ];
    }
}
