<?php

declare(strict_types=1);

namespace WideQuarry\Question;

/** Kinds of part by name. */
final readonly class PartKinds
{
    /** Every kind the schema knows, whether it can be scored yet or not. */
    public const NAMES = [
        'choice',
        'text',
        'number',
        'formula',
        'menu',
        'tiles',
        'match',
        'group',
        'order',
        'spot',
        'point',
        'label',
        'highlight',
        'amend',
        'graph',
        'slider',
        'essay',
        'upload',
        'survey',
    ];

    /** @param  array<string, PartKind>  $kinds */
    private function __construct(private array $kinds)
    {
    }

    public static function of(PartKind ...$kinds): self
    {
        $named = [];
        foreach ($kinds as $kind) {
            $named[$kind->name()] = $kind;
        }

        return new self($named);
    }

    public function find(string $name): ?PartKind
    {
        return $this->kinds[$name] ?? null;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->kinds);
    }

    /** @return list<PartKind> */
    public function all(): array
    {
        return array_values($this->kinds);
    }
}
