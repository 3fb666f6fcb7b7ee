<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Question\Rule;

/** What a part earns, as terms that are added up: a condition, what it adds, and the rule it stands for. */
final readonly class Terms
{
    /**
     * @param  list<array{string, BigRational, Rule|null}>  $list
     * @param  string  $right  the condition of all that can be earned
     * @param  string  $some  the condition of anything that is earned; '' where none can be said
     * @param  bool  $bounded  whether the sum may leave what the part can earn, so that only bounds hold it
     * @param  list<array{string, string}>  $losses
     */
    public function __construct(
        public array $list,
        public string $right,
        public string $some,
        public bool $bounded,
        public array $losses = [],
    ) {
    }

    /** @param  list<string>  $conditions */
    public static function all(array $conditions): string
    {
        return count($conditions) === 1 ? $conditions[0] : '<and>'.implode('', $conditions).'</and>';
    }

    /** @param  list<string>  $conditions */
    public static function any(array $conditions): string
    {
        return count($conditions) === 1 ? $conditions[0] : '<or>'.implode('', $conditions).'</or>';
    }

    public static function not(string $condition): string
    {
        return "<not>$condition</not>";
    }
}
