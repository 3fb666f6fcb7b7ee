<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** What is to be changed of the places of a question, topics or folders: paths of names set, added or taken out. */
final readonly class PlacesChange
{
    /** @param  array{set?: list<list<string>>, add?: list<list<string>>, remove?: list<list<string>>}  $paths */
    private function __construct(private array $paths)
    {
    }

    /** @throws Malformed */
    public static function read(Fields $change): self
    {
        $paths = [];
        foreach (['set', 'add', 'remove'] as $how) {
            if ($change->has($how)) {
                $paths[$how] = [];
                foreach ($change->list($how, 100) as $i => $path) {
                    $steps = is_array($path)
                        ? array_values(
                            array_filter(
                                $path,
                                fn (mixed $step): bool => is_string($step) && trim($step) !== '' && mb_strlen($step) <= 200,
                            ),
                        )
                        : [];
                    $paths[$how][] =
                        $steps !== [] ? $steps : throw Malformed::wrongType(
                            $change->at("$how/$i"),
                            Message::of('question.path-names'),
                            $path,
                        );
                }
            }
        }

        return new self($paths);
    }

    /** @param  list<list<string>>  $paths */
    public static function to(array $paths): self
    {
        return new self(['set' => $paths]);
    }

    public function isEmpty(): bool
    {
        return ! isset($this->paths['set']) && ($this->paths['add'] ?? []) === [] && ($this->paths['remove'] ?? []) === [];
    }

    public static function none(): self
    {
        return new self([]);
    }

    /**
     * @param  list<list<string>>  $present
     * @return list<list<string>>
     */
    public function apply(array $present): array
    {
        $after =
            $this->paths['set'] ??
            array_values(array_filter($present, fn (array $path): bool => ! in_array($path, $this->paths['remove'] ?? [], true)));
        foreach ($this->paths['add'] ?? [] as $path) {
            $after = in_array($path, $after, true) ? $after : [...$after, $path];
        }

        return $after;
    }
}
