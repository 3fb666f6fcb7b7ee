<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use Brick\Math\BigRational;
use WideQuarry\Json\Json;
use WideQuarry\Maths\Approximation;
use WideQuarry\Question\Question;

/** The values that learners read, and whether one of them is too long to be read. */
final readonly class ShownValues
{
    private const DECIMALS = 6;

    private const DIGITS = 9;

    /** @param  list<string>  $names  of values that nothing shortens */
    private function __construct(private array $names)
    {
    }

    public static function of(Question $question): self
    {
        $written = Json::encode($question->content());
        preg_match_all('/data-value=\\\\"([A-Za-z]\w*)|\\\\\\\\val\{([A-Za-z]\w*)/', $written, $m);
        $shown = array_flip([...$m[1], ...$m[2]]);
        $names = [];
        foreach ($question->variables->list as $variable) {
            foreach ($variable->names as $name) {
                if (isset($shown[$name]) && ! $variable->show->isShort()) {
                    $names[] = $name;
                }
            }
        }

        return new self($names);
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, string>  $written
     */
    public function areUgly(array $values, array $written): bool
    {
        foreach ($this->names as $name) {
            $value = $values[$name] ?? null;
            if (is_int($value) ? abs($value) >= 10 ** self::DIGITS : $value instanceof BigRational || $value instanceof Approximation) {
                $digits = (string) preg_replace('/[^\d.,\/]/', '', $written[$name] ?? '');
                $decimals = strlen(preg_split('/[.,]/', $digits)[1] ?? '');
                if ($decimals > self::DECIMALS || strlen((string) preg_replace('/\D/', '', $digits)) > self::DIGITS) {
                    return true;
                }
            }
        }

        return false;
    }
}
