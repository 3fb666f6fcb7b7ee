<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Patterns;

/**
 * Regular expressions of XML Schema (Part 2: Datatypes, appendix F), which QTI's pattern match is written in, as shapes of our own.
 * There nothing anchors since everything is anchored, `\d` and `\w` are those of Unicode, and classes can be taken from one another.
 */
final readonly class XsdPatternReader
{
    /** General categories of Unicode; blocks (`\p{IsGreek}`) have no name in our shapes. */
    private const CATEGORY = '/^\{(?:L[ultmo]?|M[nce]?|N[dlo]?|P[cdseifo]?|Z[slp]?|S[mcko]?|C[cfon]?)\}/';

    private const MOST_TIMES = 65535;

    /** Bytes; a shape of ours has 500 signs at most. */
    private const LONGEST = 2000;

    private function __construct(private Cursor $at)
    {
    }

    /** @return string|null null when it cannot be said in our shapes, or is no expression of XML Schema */
    public static function pattern(string $pattern): ?string
    {
        if (strlen($pattern) > self::LONGEST) {
            return null;
        }
        $self = new self(new Cursor($pattern));
        try {
            $ours = $self->alternatives();

            return $self->at->isAtEnd() ? $ours : null;
        } catch (UnsupportedPattern) {
            return null;
        }
    }

    private function alternatives(): string
    {
        $branches = [$this->branch()];
        while ($this->at->takes('|')) {
            $branches[] = $this->branch();
        }

        return implode('|', $branches);
    }

    private function branch(): string
    {
        $pieces = '';
        while (! $this->at->isAtEnd() && ! in_array($this->at->see(), ['|', ')'], true)) {
            $pieces .= $this->atom().$this->quantifier();
        }

        return $pieces;
    }

    private function quantifier(): string
    {
        if (in_array($this->at->see(), ['?', '*', '+'], true)) {
            $times = $this->at->take();
        } elseif ($this->at->see() === '{') {
            $times = $this->at->match('/^\{\d{1,5}(?:,\d{0,5})?\}/') ?? throw new UnsupportedPattern;
            if (max(0, ...array_map(intval(...), explode(',', trim($times, '{}')))) > self::MOST_TIMES) {
                throw new UnsupportedPattern;
            }
        } else {
            return '';
        }

        // a second one would be lazy or possessive in our shapes, and is no expression there
        return in_array($this->at->see(), ['?', '*', '+', '{'], true) ? throw new UnsupportedPattern : $times;
    }

    private function atom(): string
    {
        $sign = $this->at->take();

        return match ($sign) {
            '(' => $this->group(),
            '[' => $this->charClass(),
            '.' => '.',
            '\\' => $this->escape(),
            '?', '*', '+', ']', '{', '}' => throw new UnsupportedPattern,
            default => self::literal($sign),
        };
    }

    private function group(): string
    {
        $inner = $this->alternatives();

        return $this->at->takes(')') ? "($inner)" : throw new UnsupportedPattern;
    }

    /** Classes of signs are those of Unicode in both; a "word" there is what is neither punctuation nor space. */
    private function escape(bool $inClass = false): string
    {
        $sign = $this->at->take();
        $class = ['w' => '\p{L}\p{M}\p{N}\p{S}', 'W' => '\p{P}\p{Z}\p{C}'][$sign] ?? null;

        return match (true) {
            $class !== null => $inClass ? $class : "[$class]",
            in_array($sign, ['n', 'r', 't', 'd', 'D', 's', 'S'], true) => "\\$sign",
            $sign === 'p' || $sign === 'P' => "\\$sign".($this->at->match(self::CATEGORY) ?? throw new UnsupportedPattern),
            default => $sign !== '' && preg_match('/^[\p{L}\p{N}]$/u', $sign) !== 1
                ? self::literal($sign)
                : throw new UnsupportedPattern,
        };
    }

    private function charClass(): string
    {
        $in = $this->at->takes('^') ? '^' : '';
        for ($first = true; ! $this->at->takes(']'); $first = false) {
            if ($this->at->sees('-[') && ! $first) {
                $this->at->takes('-[');
                $without = $this->charClass();

                return $this->at->takes(']') ? "(?:(?!$without)[$in])" : throw new UnsupportedPattern;
            }
            $in .= $this->member($first);
        }

        return $in === '' || $in === '^' ? throw new UnsupportedPattern : "[$in]";
    }

    /** One sign, a range, or an escape. */
    private function member(bool $first): string
    {
        $from = $this->sign();
        if (
            $this->at->see() !== '-' ||
            in_array($this->at->see(1), [']', '['], true) ||
            ! self::isOne($from) ||
            ($first && $from === '\-')
        ) {
            return $from;
        }
        $this->at->take();
        $to = $this->sign();

        return self::isOne($to) ? "$from-$to" : throw new UnsupportedPattern;
    }

    private function sign(): string
    {
        $sign = $this->at->take();

        return match ($sign) {
            '', '[' => throw new UnsupportedPattern,
            '\\' => $this->escape(true),
            default => in_array($sign, ['-', '^', ']'], true) ? "\\$sign" : $sign,
        };
    }

    /** Whether it stands for one sign alone. */
    private static function isOne(string $written): bool
    {
        return preg_match('/^(?:[^\\\\]|\\\\[^dDsSpP])$/u', $written) === 1;
    }

    private static function literal(string $sign): string
    {
        return in_array($sign, ['\\', '^', '$', '.', '[', ']', '|', '(', ')', '?', '*', '+', '{', '}', '-'], true) ? "\\$sign" : $sign;
    }
}
