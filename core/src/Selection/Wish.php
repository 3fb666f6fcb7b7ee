<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** Each question taken that is meant adds the weight; the sum is to be largest. */
final readonly class Wish
{
    public function __construct(public string $id, public BigRational $weight, public Where $where)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'weight', 'where'])->need('weight');
        $given = $fields->raw('weight');
        $text = is_int($given) || is_float($given) ? $fields->decimal('weight', Range::MOST) : $fields->exact('weight', '');
        $weight = strlen($text) <= 20 ? Exact::read($text) : null;
        if ($weight === null || $weight->isNegative() || $weight->isGreaterThan(BigRational::of(Range::MOST))) {
            throw Malformed::outOfRange($fields->at('weight'), Message::of('selection.weight'), $given);
        }

        return new self($fields->id(), $weight, Where::read($fields, 'where'));
    }
}
