<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

/**
 * Keys that were found and scored before. Items of a package mostly differ in their identifiers and what they show alone; what was once
 * seen to score as its item does need not be scored again for the next one.
 *
 * @phpstan-type Outcomes array{rules: array<string, list<int>>, credits: array<string, array<int, string>>}
 */
final class KnownKeys
{
    private const KEPT = 1000;

    /** @var array<string, array{combine: string, scheme: string, key: string, outcomes: Outcomes}> by what was asked */
    private static array $known = [];

    private readonly Renaming $renaming;

    private readonly string $asked;

    /**
     * @param  list<Response>  $responses
     * @param  list<array{given: array<string, list<string>>, score: \Brick\Math\BigRational, shows: list<string>}>  $rows
     */
    public function __construct(private readonly array $responses, array $rows, \stdClass $question)
    {
        $this->renaming = $renaming = new Renaming($responses);
        $parts = is_array($question->parts) ? $question->parts : [];
        $this->asked = self::hash([
            $question->language ?? '',
            count($parts),
            array_map(
                fn (Response $one): array => [
                    $one->kind,
                    $one->shape->name,
                    $one->several,
                    $renaming->json($one, $one->settings),
                    array_map(fn (Probe $probe): array => [$probe->how, $renaming->thing($one, $probe->value), $probe->case], $one->probes),
                ],
                $responses,
            ),
            array_map(fn (array $row): array => [$renaming->given($row['given']), (string) $row['score']], $rows),
        ]);
    }

    /** @return array{combine: string, scheme: string}|null how the same was keyed before */
    public function how(): ?array
    {
        return self::$known[$this->asked] ?? null;
    }

    /**
     * What came out when the same key was scored before, for a key made in the same way.
     *
     * @return Outcomes|null null where it is another key after all
     */
    public function outcomes(\stdClass $keyed): ?array
    {
        $known = self::$known[$this->asked] ?? null;

        return $known !== null && $known['key'] === $this->key($keyed)
            ? $this->renamed($known['outcomes'], array_flip($this->numbers()))
            : null;
    }

    /** @param  Outcomes  $outcomes */
    public function remember(\stdClass $keyed, string $combine, string $scheme, array $outcomes): void
    {
        self::$known = count(self::$known) < self::KEPT ? self::$known : [];
        self::$known[$this->asked] = [
            'combine' => $combine,
            'scheme' => $scheme,
            'key' => $this->key($keyed),
            'outcomes' => $this->renamed($outcomes, $this->numbers()),
        ];
    }

    /** @return array<string, string> response → its number */
    private function numbers(): array
    {
        return array_combine(
            array_map(fn (Response $one): string => $one->id, $this->responses),
            array_map(strval(...), array_keys($this->responses)),
        );
    }

    /**
     * @param  Outcomes  $outcomes
     * @param  array<array-key, string>  $names  of parts
     * @return Outcomes
     */
    private function renamed(array $outcomes, array $names): array
    {
        $renamed = ['rules' => [], 'credits' => []];
        foreach ($outcomes['rules'] as $place => $rows) {
            [$part, $rule] = [...explode("\t", $place, 2), ''];
            $renamed['rules'][($names[$part] ?? $part)."\t$rule"] = $rows;
        }
        foreach ($outcomes['credits'] as $part => $credits) {
            $renamed['credits'][$names[$part] ?? $part] = $credits;
        }

        return $renamed;
    }

    private function key(\stdClass $keyed): string
    {
        $parts = [];
        foreach (is_array($keyed->parts) ? $keyed->parts : [] as $i => $part) {
            assert($part instanceof \stdClass);
            $response = $this->responses[$i];
            $parts[] = [$part->points, $this->renaming->json($response, $part->key), $part->scoring];
        }
        $numbers = $this->numbers();
        $scoring = (array) $keyed->scoring;
        foreach (['gates', 'once'] as $naming) {
            if (isset($scoring[$naming])) {
                $scoring[$naming] = self::numbered($scoring[$naming], $numbers);
            }
        }

        return self::hash([$parts, $scoring]);
    }

    /** @param  array<string, string>  $numbers */
    private static function numbered(mixed $json, array $numbers): mixed
    {
        return is_string($json)
            ? "\0".($numbers[$json] ?? $json)
            : (is_array($json) || $json instanceof \stdClass
                ? array_map(fn (mixed $value): mixed => self::numbered($value, $numbers), (array) $json)
                : $json);
    }

    /** @param  array<mixed>  $things */
    private static function hash(array $things): string
    {
        return hash('xxh128', serialize($things));
    }
}
