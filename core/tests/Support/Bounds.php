<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/** Values at and just beyond every bound that some schema of core/schema names. */
final class Bounds
{
    /** @return list<mixed> to be tried in the place of a value: of its type, and some of others */
    public static function around(mixed $value): array
    {
        $others = ['', 'x', true, 0, 1.5, null, [], new \stdClass];

        return match (true) {
            is_string($value) => [...$others, ...array_map(fn (int $length): string => str_repeat('x', $length), self::of('maxLength'))],
            is_int($value), is_float($value) => [...$others, ...self::of('minimum'), ...self::of('maximum')],
            is_bool($value) => [...$others, false],
            default => $others,
        };
    }

    /** @return list<int> a bound's values in all schemas, with those one below and one above */
    private static function of(string $keyword): array
    {
        /** @var array<string, list<int>> $known */
        static $known = [];
        if (! isset($known[$keyword])) {
            $found = [];
            foreach (glob(__DIR__.'/../../schema/{*,*/*}.json', GLOB_BRACE) ?: [] as $file) {
                preg_match_all("/\"$keyword\": *(\\d+)/", (string) file_get_contents($file), $matches);
                $found = [...$found, ...array_map(intval(...), $matches[1])];
            }
            $beside = fn (int $bound): array => [$bound - 1, $bound, $bound + 1];
            $around = array_merge(...array_map($beside, array_values(array_unique($found))));
            $known[$keyword] = array_values(array_unique($around));
        }

        return $known[$keyword];
    }

    /**
     * Places where a reader takes what the schema does not, or the other way round, each as "/path = value".
     *
     * @param  string  $within  JSON Pointer of the part of it that is tried
     * @param  callable(\stdClass): mixed  $read  throws Malformed for what does not fit
     * @return list<string>
     */
    public static function disagreements(string $schema, \stdClass $valid, callable $read, string $within = ''): array
    {
        $found = [];
        foreach (Schemas::paths($valid) as $path => $value) {
            $mayBeLong = preg_match('~/(html|body|text|instructions|processing)$~D', $path) === 1;
            foreach (str_starts_with($path, $within) ? self::around($value) : [] as $other) {
                if (is_string($other) && strlen($other) > 5000 && ! $mayBeLong) {
                    continue; // takes its time, and says nothing that 5,000 characters do not
                }
                $changed = Schemas::patched($valid, [(object) ['op' => 'replace', 'path' => $path, 'value' => $other]]);
                try {
                    $read($changed);
                    $isRead = true;
                } catch (\WideQuarry\Json\Malformed) {
                    $isRead = false;
                }
                if ($isRead !== (Schemas::problem($schema, $changed) === null)) {
                    $said = is_string($other) ? strlen($other).' characters' : json_encode($other);
                    $found[] = "$path = $said is ".($isRead ? 'read' : 'refused');
                }
            }
        }

        return $found;
    }
}
