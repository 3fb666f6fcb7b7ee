<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Patterns;

/**
 * Shapes of our own as regular expressions of XML Schema (Part 2: Datatypes, appendix F), where they can be said there: no look-around, no
 * back-references, no bounds of words. What has no anchor of its own gets anything before and after it; what tells no capitals names both
 * letters.
 */
final class XsdPatternWriter
{
    private const CATEGORY = '/^\{?(?:L[ultmo]?|M[nce]?|N[dlo]?|P[cdseifo]?|Z[slp]?|S[mcko]?|C[cfon]?)\}?/';

    private const POSIX = [
        '[:alpha:]' => '\p{L}',
        '[:digit:]' => '\d',
        '[:alnum:]' => '\p{L}\p{N}',
        '[:upper:]' => '\p{Lu}',
        '[:lower:]' => '\p{Ll}',
        '[:space:]' => '\s',
    ];

    /** What `\w` is in our shapes; there it is another. */
    private const WORD = '\p{L}\p{N}_';

    /** Signs beyond which a range is not looked through for letters of two cases. */
    private const LONG_RANGE = 400;

    private const ANYTHING = '[\s\S]*';

    private int $depth = 0;

    private function __construct(private readonly Cursor $at, private readonly bool $ignoreCase)
    {
    }

    /** @return string|null null when XML Schema cannot say it */
    public static function pattern(string $shape, bool $anchored, bool $ignoreCase): ?string
    {
        $self = new self(new Cursor($shape), $ignoreCase);
        try {
            $branches = $self->branches();
            if ($shape === '' || ! $self->at->isAtEnd()) {
                return null;
            }
        } catch (UnsupportedPattern) {
            return null;
        }
        $bodies = array_unique(
            array_map(
                fn (array $branch): string => ($anchored || $branch[0] ? '' : self::ANYTHING).
                    '%'.
                    ($anchored || $branch[2] ? '' : self::ANYTHING),
                $branches,
            ),
        );
        $written = array_column($branches, 1);
        if (count($bodies) === 1) {
            // one frame around all of them
            $all = implode('|', $written);

            return str_replace('%', count($branches) > 1 && $bodies[0] !== '%' ? "($all)" : $all, $bodies[0]);
        }

        return implode(
            '|',
            array_map(
                fn (array $branch): string => ($branch[0] ? '' : self::ANYTHING).$branch[1].($branch[2] ? '' : self::ANYTHING),
                $branches,
            ),
        );
    }

    /** @return non-empty-list<array{bool, string, bool}> whether it is anchored before, what it is, and whether after */
    private function branches(): array
    {
        $branches = [$this->branch()];
        while ($this->at->takes('|')) {
            $branches[] = $this->branch();
        }

        return $branches;
    }

    /** @return array{bool, string, bool} */
    private function branch(): array
    {
        $begins = $this->depth === 0 && ($this->at->takes('^') || $this->at->takes('\A'));
        $pieces = '';
        while (! $this->at->isAtEnd() && ! in_array($this->at->see(), ['|', ')'], true)) {
            if ($this->depth === 0 && ($this->at->takes('$') || $this->at->takes('\z'))) {
                return $this->at->isAtEnd() || $this->at->see() === '|' ? [$begins, $pieces, true] : throw new UnsupportedPattern;
            }
            $pieces .= $this->atom().$this->quantifier();
        }

        return [$begins, $pieces, false];
    }

    private function quantifier(): string
    {
        $times = in_array($this->at->see(), ['?', '*', '+'], true) ? $this->at->take() : $this->at->match('/^\{\d+(?:,\d*)?\}/') ?? '';
        if ($times !== '' && $this->at->see() === '+') {
            throw new UnsupportedPattern;
        }
        if ($times !== '') {
            $this->at->takes('?');
        } // how much is tried first does not change what fits as a whole

        return $times;
    }

    private function atom(): string
    {
        $sign = $this->at->take();

        return match ($sign) {
            '(' => $this->group(),
            '[' => $this->charClass(),
            '.' => '.', // of answers without a lone carriage return, which no field gives
            '\\' => $this->escape(),
            '^', '$', '*', '+', '?' => throw new UnsupportedPattern,
            default => $this->letter($sign),
        };
    }

    private function group(): string
    {
        if ($this->at->see() === '?' && $this->at->match('/^\?(?::|P?<[A-Za-z_]\w*>)/') === null) {
            throw new UnsupportedPattern;
        }
        if ($this->at->see() === '*') {
            throw new UnsupportedPattern;
        }
        $this->depth++;
        $inner = implode('|', array_column($this->branches(), 1));
        $this->depth--;

        return $this->at->takes(')') ? "($inner)" : throw new UnsupportedPattern;
    }

    private function letter(string $sign): string
    {
        $both = $this->cases($sign);

        return count($both) === 1 ? self::literal($sign) : '['.implode('', $both).']';
    }

    /** @return list<string> the sign, and the other case of it where that is the same */
    private function cases(string $sign): array
    {
        $other = fn (string $case): array => mb_strlen($case) === 1 ? [$case] : [];

        return $this->ignoreCase
            ? array_values(array_unique([...$other(mb_strtolower($sign)), ...$other(mb_strtoupper($sign)), $sign]))
            : [$sign];
    }

    private function escape(): string
    {
        if (in_array($this->at->see(), ['w', 'W'], true)) {
            return ($this->at->take() === 'W' ? '[^' : '[').self::WORD.']';
        }
        $one = $this->escaped();

        return mb_strlen($one) === 1 ? $this->letter($one) : $one;
    }

    /** @return string one sign as itself, or an escape that is the same there */
    private function escaped(): string
    {
        $sign = $this->at->take();

        return match ($sign) {
            'n', 'r', 't', 'd', 'D', 's', 'S' => "\\$sign", // digits are Unicode's in both; answers in NFKC have no other spaces
            'x' => mb_chr(
                (int) hexdec(
                    trim($this->at->match('/^(?:\{[0-9A-Fa-f]{1,6}\}|[0-9A-Fa-f]{2})/') ?? throw new UnsupportedPattern, '{}'),
                ),
            ) ?:
            throw new UnsupportedPattern,
            'p', 'P' => $this->category($sign),
            default => $sign !== '' && preg_match('/^[\p{L}\p{N}]$/u', $sign) !== 1 ? $sign : throw new UnsupportedPattern,
        };
    }

    private function category(string $sign): string
    {
        $name = trim($this->at->match(self::CATEGORY) ?? throw new UnsupportedPattern, '{}');

        return $this->ignoreCase && in_array($name, ['Lu', 'Ll', 'Lt'], true) ? throw new UnsupportedPattern : "\\$sign{{$name}}";
    }

    private function charClass(): string
    {
        $in = $this->at->takes('^') ? '^' : '';
        for ($first = true; $first || ! $this->at->sees(']'); $first = false) {
            if ($this->at->isAtEnd()) {
                throw new UnsupportedPattern;
            }
            $posix = $this->at->match('/^\[:[a-z]+:\]/');
            if ($posix !== null) {
                $in .=
                    $this->ignoreCase && in_array($posix, ['[:upper:]', '[:lower:]'], true)
                        ? throw new UnsupportedPattern
                        : self::POSIX[$posix] ?? throw new UnsupportedPattern;

                continue;
            }
            $one = $this->member();
            if (mb_strlen($one) === 1 && $this->at->see() === '-' && $this->at->see(1) !== ']') {
                $this->at->take();
                $to = $this->member();
                $in .= mb_strlen($to) === 1 ? $this->range($one, $to) : throw new UnsupportedPattern;

                continue;
            }
            $in .= mb_strlen($one) === 1 ? implode('', array_map(self::inClass(...), $this->cases($one))) : $one;
        }
        $this->at->take();

        return "[$in]";
    }

    /** @return string one sign, or what stands there for several */
    private function member(): string
    {
        $sign = $this->at->take();
        if ($sign !== '\\') {
            return $sign;
        }
        if ($this->at->see() === 'W') {
            throw new UnsupportedPattern;
        }

        return $this->at->takes('w') ? self::WORD : $this->escaped();
    }

    private function range(string $from, string $to): string
    {
        [$first, $last] = [mb_ord($from), mb_ord($to)];
        if ($last < $first) {
            throw new UnsupportedPattern;
        }
        $range = self::inClass($from).'-'.self::inClass($to);
        if (! $this->ignoreCase) {
            return $range;
        }
        $others = [];
        for ($code = $first; $code <= $last && $last - $first <= self::LONG_RANGE; $code++) {
            foreach ($this->cases(mb_chr($code)) as $case) {
                if (mb_ord($case) < $first || mb_ord($case) > $last) {
                    $others[$case] = self::inClass($case);
                }
            }
        }

        return $last - $first > self::LONG_RANGE ? throw new UnsupportedPattern : $range.self::runs($others);
    }

    /**
     * Letters that follow one another as a range.
     *
     * @param  array<string, string>  $letters
     */
    private static function runs(array $letters): string
    {
        $codes = array_map(fn (int|string $letter): int => mb_ord((string) $letter), array_keys($letters));
        sort($codes);
        $runs = '';
        for ($i = 0; $i < count($codes); $i = $j + 1) {
            for ($j = $i; ($codes[$j + 1] ?? 0) === $codes[$j] + 1; $j++);
            $runs .= self::inClass(mb_chr($codes[$i])).($j > $i ? ($j > $i + 1 ? '-' : '').self::inClass(mb_chr($codes[$j])) : '');
        }

        return $runs;
    }

    private static function inClass(string $sign): string
    {
        return match ($sign) {
            "\n" => '\n',
            "\r" => '\r',
            "\t" => '\t',
            '\\', '[', ']', '-', '^' => "\\$sign",
            default => $sign,
        };
    }

    private static function literal(string $sign): string
    {
        return match ($sign) {
            "\n" => '\n',
            "\r" => '\r',
            "\t" => '\t',
            '\\', '|', '.', '?', '*', '+', '(', ')', '{', '}', '[', ']' => "\\$sign",
            default => $sign,
        };
    }
}
