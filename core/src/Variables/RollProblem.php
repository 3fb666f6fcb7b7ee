<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\CoreException;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Messages\Message;

/** Values that cannot be drawn, with the place in the question. */
final class RollProblem extends \DomainException implements CoreException
{
    public const TOO_MUCH = 'variable.too_much';

    /** @param  int|null  $offset  where in the expression at that place, in characters from 0 */
    private function __construct(
        public readonly string $rule,
        string $message,
        public readonly string $path,
        public readonly ?int $offset = null,
    ) {
        parent::__construct($message);
    }

    public static function unreadable(string $text, string $path): self
    {
        return new self(
            'value.unreadable',
            $text === '' ? Message::of('variables.number-missing') : Message::of('variables.not-an-exact-number', ['text' => $text]),
            $path,
        );
    }

    public static function emptyRange(string $name, string $path): self
    {
        return new self('variable.empty', Message::of('variables.no-value-could-take', ['name' => $name]), $path);
    }

    public static function stepTooSmall(string $name, string $path): self
    {
        return new self('variable.step', Message::of('variables.step-must-above-0', ['name' => $name]), $path);
    }

    public static function notWhole(string $name, string $path): self
    {
        return new self('variable.not_whole', Message::of('variables.whole-number-ends-step', ['name' => $name]), $path);
    }

    public static function reserved(string $name, string $path): self
    {
        return new self('variable.reserved', Message::of('variables.name-is-taken', ['name' => $name]), $path);
    }

    public static function ragged(int $row, int $cells, int $columns, string $path): self
    {
        return new self(
            'variable.ragged',
            Message::of('variables.row-ragged', ['row' => $row, 'cells' => $cells, 'columns' => $columns]),
            $path,
        );
    }

    public static function sampleTooLarge(string $name, int $size, int $items, string $path): self
    {
        return new self(
            'variable.sample',
            Message::of('variables.sample-too-large', ['name' => $name, 'size' => $size, 'items' => $items]),
            $path,
        );
    }

    public static function tooMuch(string $path): self
    {
        return new self(self::TOO_MUCH, Message::of('variables.too-much-work'), $path);
    }

    /** @param  list<string>  $names  each is worked out from the next, the last from the first */
    public static function circular(array $names, string $path): self
    {
        return new self(
            'variable.circular',
            count($names) === 1
                ? Message::of('variables.circular-alone', ['name' => $names[0]])
                : Message::of('variables.circular', ['names' => '"'.implode('", "', $names).'"']),
            $path,
        );
    }

    public static function repeated(string $name, string $path): self
    {
        return new self('variable.repeated', Message::of('variables.two-variables-called', ['name' => $name]), $path);
    }

    public static function expression(MathsProblem $problem, string $path): self
    {
        return new self($problem->rule, $problem->getMessage(), $path, $problem->offset);
    }

    public static function noCondition(string $path): self
    {
        return new self('variable.condition', Message::of('variables.condition-must-compare-use'), $path);
    }

    /** @param  string  $condition  the one that failed most often */
    public static function neverMet(int $tries, string $condition, string $path): self
    {
        return new self(
            'variable.conditions_not_met',
            Message::of('variables.no-values-met-conditions', ['tries' => $tries, 'condition' => $condition]),
            $path,
        );
    }
}
