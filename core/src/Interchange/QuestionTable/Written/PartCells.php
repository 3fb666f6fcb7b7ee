<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use Brick\Math\BigRational;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** The cells of what is chosen from, paired or put in order, and of its key. */
final readonly class PartCells
{
    /** @param  \Closure(string): string  $outward  rich text as a cell */
    public function __construct(
        private WrittenRow $row,
        private PlainPart $plain,
        private \stdClass $part,
        private \Closure $outward,
    ) {
    }

    public function options(): void
    {
        $rules = self::byOption($this->part);
        $credits = array_map(fn (\stdClass $rule): BigRational => self::credit($rule), $rules);
        $isWeighted = array_filter($credits, fn (BigRational $one): bool => ! $one->isZero() && ! $one->isEqualTo(1)) !== [];
        $letters = $marks = $feedback = [];
        foreach ($this->plain->options as $i => $option) {
            $credit = $credits[$option['id']] ?? BigRational::zero();
            if ($credit->isEqualTo(1)) {
                $letters[] = $i < 26 ? chr(65 + $i) : (string) ($i + 1);
            }
            $marks[] = $credit->isZero() ? '0' : self::percent($credit);
            $feedback[] = ($this->outward)(self::htmlOf($rules[$option['id']]->feedback ?? null));
        }
        $this->row->put(Meaning::Option, ...array_map(fn (array $one): string => ($this->outward)($one['html']), $this->plain->options));
        if ($isWeighted) {
            $this->row->put(Meaning::Mark, ...$marks);
        } else {
            $this->row->put(Meaning::Answer, implode(', ', $letters));
        }
        $this->row->put(Meaning::OptionFeedback, ...$feedback);
        $scoring = $this->part->scoring ?? null;
        $scheme = $scoring instanceof \stdClass ? $scoring->scheme ?? null : null;
        if ($this->plain->limits->several && is_string($scheme) && $scheme !== ($isWeighted ? 'weights' : 'all')) {
            $this->row->lose('lost-scoring');
        }
    }

    public function pairs(): void
    {
        $left = array_column($this->plain->options, 'html', 'id');
        $right = array_column($this->plain->seconds, 'html', 'id');
        $cells = $used = $placed = [];
        foreach (self::rules($this->part) as $rule) {
            [$a, $b] = is_array($rule->on ?? null) ? [...$rule->on, '', ''] : ['', ''];
            if (! is_string($a) || ! is_string($b) || ! isset($left[$a], $right[$b]) || ! self::credit($rule)->isEqualTo(1)) {
                $this->row->lose('lost-key');

                continue;
            }
            $used[$b] = $placed[$a] = true;
            $cells[] = self::pair(($this->outward)($left[$a]), ($this->outward)($right[$b]));
        }
        if (array_diff_key($left, $placed) !== []) {
            $this->row->lose('lost-key');
        }
        foreach (array_diff_key($right, $used) as $html) {
            $cells[] = '→ '.($this->outward)($html);
        }
        $this->row->put(Meaning::Option, ...$cells);
    }

    private static function pair(string $left, string $right): string
    {
        return preg_match('/[=→↔]|->|::/u', $left.$right) === 1 ? "$left → $right" : "$left = $right";
    }

    /** In the right order, which is the key. */
    public function sequence(): void
    {
        $items = array_column($this->plain->options, 'html', 'id');
        $on = (self::rules($this->part)[0] ?? null)?->on;
        $sequence = [];
        foreach (is_array($on) ? $on : [] as $rank) {
            if (! is_array($rank) || count($rank) !== 1) {
                $this->row->lose('lost-key');
            }
            array_push($sequence, ...array_filter(is_array($rank) ? $rank : [], is_string(...)));
        }
        $sequence = array_values(array_unique([...$sequence, ...array_keys($items)]));
        $this->row->put(Meaning::Option, ...array_map(fn (string $id): string => ($this->outward)($items[$id] ?? ''), $sequence));
    }

    /** @return list<\stdClass> */
    public static function rules(\stdClass $part): array
    {
        $key = $part->key ?? null;
        $rules = $key instanceof \stdClass && is_array($key->rules ?? null) ? $key->rules : [];

        return array_values(array_filter($rules, fn (mixed $rule): bool => $rule instanceof \stdClass));
    }

    /** @return array<string, \stdClass> */
    private static function byOption(\stdClass $part): array
    {
        $found = [];
        foreach (self::rules($part) as $rule) {
            if (is_string($rule->on ?? null)) {
                $found[$rule->on] = $rule;
            }
        }

        return $found;
    }

    public static function credit(\stdClass $rule): BigRational
    {
        try {
            return BigRational::of(is_string($rule->credit ?? null) ? $rule->credit : '1');
        } catch (MathException) {
            return BigRational::zero();
        }
    }

    private static function percent(BigRational $credit): string
    {
        return rtrim(rtrim((string) $credit->multipliedBy(100)->toScale(4, RoundingMode::HALF_EVEN), '0'), '.');
    }

    public static function htmlOf(mixed $thing): string
    {
        return $thing instanceof \stdClass && is_string($thing->html ?? null) ? $thing->html : '';
    }
}
