<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use WideQuarry\Json\Fields;

/** What is overlooked when typed words are compared. Only what was set is kept, so that a part can override its question. */
final readonly class NormaliseOptions
{
    private const CHOICES = [
        'case' => ['ignore', 'keep'],
        'spaces' => ['collapse', 'trim', 'ignore'],
        'punctuation' => ['keep', 'ignore'],
        'accents' => ['keep', 'ignore'],
        'marks' => ['plain', 'keep'],
        'article' => ['keep', 'ignore'],
    ];

    /** @param  array<string, string>  $set */
    private function __construct(private array $set)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, array_keys(self::CHOICES));
        $set = [];
        foreach (self::CHOICES as $name => $choices) {
            if ($fields->has($name)) {
                $set[$name] = $fields->oneOf($name, $choices, '');
            }
        }

        return new self($set);
    }

    public function overriddenBy(self $other): self
    {
        return $other->set === [] ? $this : new self([...$this->set, ...$other->set]);
    }

    public function withCase(string $case): self
    {
        return new self([...$this->set, 'case' => $case]);
    }

    /** The first choice of each is the default. */
    public function is(string $name, string $choice): bool
    {
        return ($this->set[$name] ?? self::CHOICES[$name][0]) === $choice;
    }
}
