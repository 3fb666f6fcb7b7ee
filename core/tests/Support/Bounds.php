<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/** Values at and just beyond every bound that a schema of core/schema names, itself or by what it refers to. */
final class Bounds
{
    /** Beyond every bound, for a place where a reader has one and the schema has none. */
    private const VERY_LARGE = 9_007_199_254_740_993;

    private const VERY_LONG = 5000;

    /** @var array<string, list<int>> keyword → values */
    private array $found = ['maxLength' => [self::VERY_LONG], 'minimum' => [-1], 'maximum' => [self::VERY_LARGE]];

    /** @var array<string, true> what has been looked into */
    private array $seen = [];

    /** @param  list<string>  $kinds  of the parts that stand in what is tried: schemas of others say nothing about it */
    public function __construct(string $schema, private readonly array $kinds)
    {
        $this->collect("$schema#");
        foreach ($this->found as $keyword => $bounds) {
            $beyond = $keyword === 'minimum' ? -1 : 1;
            $beside = array_merge(...array_map(fn (int $bound): array => [$bound, $bound + $beyond], $bounds));
            $this->found[$keyword] = array_values(array_unique($beside));
        }
    }

    /** @return list<mixed> to be tried in the place of a value: of its type, and some of others */
    public function around(mixed $value): array
    {
        $others = ['', 'x', true, 0, 1.5, null, [], new \stdClass];

        return match (true) {
            is_string($value) => [...$others, ...array_map(fn (int $n): string => str_repeat('x', $n), $this->found['maxLength'])],
            is_int($value), is_float($value) => [...$others, ...$this->found['minimum'], ...$this->found['maximum']],
            is_bool($value) => [...$others, false],
            default => $others,
        };
    }

    /** @param  string  $reference  a file of core/schema and a JSON Pointer into it: "common.json#/$defs/id" */
    private function collect(string $reference): void
    {
        [$file, $pointer] = explode('#', "$reference#");
        $isOfAnother = preg_match('~^parts/(\w+)\.json$~D', $file, $part) === 1 && ! in_array($part[1], $this->kinds, true);
        if ($isOfAnother || isset($this->seen["$file#$pointer"])) {
            return;
        }
        $this->seen["$file#$pointer"] = true;
        $node = json_decode(json_encode(Schemas::schema($file), JSON_THROW_ON_ERROR), true);
        foreach (array_slice(explode('/', $pointer), 1) as $step) {
            $node = is_array($node) ? $node[$step] ?? null : null;
        }
        if (! is_array($node)) {
            throw new \LogicException("Nothing stands at $file#$pointer.");
        }
        $this->within($file, $node);
    }

    /** @param  array<array-key, mixed>  $node */
    private function within(string $file, array $node): void
    {
        foreach ($node as $key => $value) {
            if ($key === '$ref' && is_string($value)) {
                [$to, $pointer] = explode('#', "$value#");
                $folder = str_starts_with($file, 'parts/') && ! str_starts_with($to, '../') ? 'parts/' : '';
                $this->collect(($to === '' ? $file : $folder.str_replace('../', '', $to))."#$pointer");
            } elseif (isset($this->found[$key]) && is_int($value)) {
                $this->found[$key][] = $value;
            } elseif (is_array($value) && $key !== '$defs') {
                $this->within($file, $value);
            }
        }
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
        $bounds = new self($schema, array_values(array_unique(array_column((array) ($valid->parts ?? []), 'kind'))));
        $tried = [];
        foreach (Schemas::paths($valid) as $path => $value) {
            $place = preg_replace('~/\d+(?=/)~', '/…', $path).' '.gettype($value);
            if (isset($tried[$place])) {
                continue; // the same field of another entry of the list
            }
            $tried[$place] = true;
            $mayBeLong = preg_match('~/(html|body|text|instructions|processing)$~D', $path) === 1;
            foreach (str_starts_with($path, $within) ? $bounds->around($value) : [] as $n => $other) {
                if (! getenv('QUARRY_LONG') && ($n + count($tried)) % 2 === 1) {
                    continue; // half of them at each place, the other half at the next
                }
                if (is_string($other) && strlen($other) > self::VERY_LONG && ! $mayBeLong) {
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
