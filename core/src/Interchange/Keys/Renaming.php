<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

/**
 * Things under names that are the same in every item: the first response is 0, its second option is its 1. Two items that differ in
 * nothing but their identifiers and what is shown read the same then.
 */
final readonly class Renaming
{
    /** @var array<string, array<string, string>> response → identifier → name; no text holds the mark before it */
    private array $names;

    /** @param  list<Response>  $responses */
    public function __construct(private array $responses)
    {
        $names = [];
        foreach ($responses as $response) {
            $names[$response->id] = [];
            foreach (['first' => $response->options, 'second' => $response->seconds] as $which => $ids) {
                foreach ($ids as $i => $id) {
                    $names[$response->id][$id] ??= "\0$which$i";
                }
            }
        }
        $this->names = $names;
    }

    /**
     * What is given in each response, in their order.
     *
     * @param  array<string, list<string>>  $given
     * @return list<list<string>>
     */
    public function given(array $given): array
    {
        return array_map(
            fn (Response $response): array => array_map(
                fn (string $thing): string => $this->thing($response, $thing),
                $given[$response->id] ?? [],
            ),
            $this->responses,
        );
    }

    /** Something chosen, typed or put in order; a pair is two things with a tab between. */
    public function thing(Response $response, string $thing): string
    {
        $names = $this->names[$response->id];

        return $names[$thing] ?? implode("\t", array_map(fn (string $one): string => $names[$one] ?? $one, explode("\t", $thing)));
    }

    /** JSON of a response's part, without what is shown in it. */
    public function json(Response $response, mixed $json): mixed
    {
        if (is_string($json)) {
            return $this->thing($response, $json);
        }
        if (! is_array($json) && ! ($json instanceof \stdClass)) {
            return $json;
        }
        $renamed = [];
        foreach ((array) $json as $name => $value) {
            $renamed[$name] = $name === 'html' ? '' : $this->json($response, $value);
        }

        return $renamed;
    }
}
