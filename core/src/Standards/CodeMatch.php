<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/**
 * Which statement a code means that came with a package. One is sure only when the code stands once in the framework that is named, or,
 * where none is named, once in all that are in force. Anything less is left to a person.
 *
 * @phpstan-type Candidate array{id: string, framework: string, title: string, version: string, publisher: string, inForce: bool}
 */
final class CodeMatch
{
    /** @param  list<Candidate>  $candidates  statements of this code */
    public static function of(Alignment $given, array $candidates): ?string
    {
        $named = self::folded($given->framework);
        $fit = array_values(
            array_filter(
                $candidates,
                fn (array $one): bool => $named === ''
                    ? $one['inForce']
                    : in_array($named, [
                        self::folded($one['title']),
                        self::folded("{$one['title']} {$one['version']}"),
                        self::folded($one['framework']),
                        self::folded($one['publisher']),
                    ], true),
            ),
        );
        // two versions side by side: the one in force is meant
        $inForce = array_values(array_filter($fit, fn (array $one): bool => $one['inForce']));
        $fit = $inForce === [] ? $fit : $inForce;

        return count($fit) === 1 ? $fit[0]['id'] : null;
    }

    private static function folded(string $name): string
    {
        return mb_strtolower(trim((string) preg_replace('/[\s\p{P}]+/u', ' ', $name)));
    }
}
