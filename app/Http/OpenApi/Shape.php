<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

/** A resource that says what it looks like, for the API description. */
interface Shape
{
    /**
     * @return array<string, string> field → string, uuid, integer, number, boolean, object, paths (lists of names), marks (pieces of text
     * with whether each was found), with [] for lists and ? for null
     */
    public static function shape(): array;
}
