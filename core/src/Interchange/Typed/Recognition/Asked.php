<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** One thing that a question asks for: the question itself, or a part of it. What makes a part of our JSON is told from it. */
final class Asked
{
    /** @var list<Item> options to choose from */
    public array $options = [];

    public ?Unit $unit = null;

    /** @var array{string, string}|null */
    public ?array $pair = null;

    /** Of a part: "(a)". */
    public string $label = '';

    /** @var list<Words> paragraphs */
    public array $stem = [];

    /** @var list<string> as they were typed */
    public array $answers = [];

    public Sign $sign = Sign::AnswerLine;

    public ?string $points = null;

    public int $space = 0;

    /** @var list<Menu> lists in brackets */
    public array $menus = [];

    public bool $isDisputed = false;

    /** What the answer says besides: "B – because it cools slowly". */
    public string $because = '';

    public function text(): string
    {
        return implode(' ', array_map(fn (Words $words): string => $words->text(), $this->stem));
    }
}
