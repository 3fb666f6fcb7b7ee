<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Numbers\Exact;

final readonly class Hint
{
    private function __construct(public string $id, public string $html, private string $cost, private string $path)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'html', 'cost'])->need('html');

        return new self($fields->id(), $fields->string('html', '', 400000), $fields->exact('cost', '0'), $path);
    }

    /** Share of the question's points that taking it costs. @throws NotScorable */
    public function cost(): BigRational
    {
        return Exact::read($this->cost) ?? throw NotScorable::unreadableNumber($this->cost, "$this->path/cost");
    }
}
