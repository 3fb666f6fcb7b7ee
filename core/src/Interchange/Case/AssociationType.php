<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Case;

use WideQuarry\Standards\Association;

/** The names that CASE has for how statements stand to one another (CFAssociation.associationType, CASE 1.1, table B.2.3). */
final class AssociationType
{
    public const CHILD = 'isChildOf';

    private const KINDS = [
        'exactMatchOf' => Association::EXACT,
        'isPartOf' => Association::BROADER,
        'isPeerOf' => Association::RELATED,
        'isRelatedTo' => Association::RELATED,
        'replacedBy' => Association::REPLACED_BY,
    ];

    private const TYPES = [
        Association::EXACT => 'exactMatchOf',
        Association::BROADER => 'isPartOf',
        Association::RELATED => 'isRelatedTo',
        Association::REPLACED_BY => 'replacedBy',
    ];

    /** Others keep their own name. */
    public static function kind(string $type): string
    {
        return self::KINDS[$type] ?? $type;
    }

    public static function type(string $kind): string
    {
        return self::TYPES[$kind] ?? $kind;
    }
}
