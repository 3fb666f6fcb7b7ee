<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

/**
 * Generates an example that matches a pattern, for people who do not read regular expressions. The result is checked against the pattern.
 */
final class PatternExample
{
    private const LETTERS = 'abcdefghijklmnopqrstuvwxyz';

    private int $at = 0;

    private int $made = 0;

    private function __construct(private readonly string $pattern)
    {
    }

    /** @return string|null null when no example was found */
    public static function of(string $pattern, bool $anchored, bool $ignoreCase): ?string
    {
        $example = (new self($pattern))->alternatives();
        $example = $example === null ? null : trim($example);

        return $example !== null && $example !== '' && Pattern::of($pattern, $anchored, $ignoreCase)->matches($example) === true
            ? $example
            : null;
    }

    /** The first alternative; null for syntax that is not supported. */
    private function alternatives(): ?string
    {
        $first = $this->sequence();
        while ($first !== null && $this->peek() === '|') {
            $this->at++;
            if ($this->sequence() === null) {
                return null;
            }
        }

        return $first;
    }

    private function sequence(): ?string
    {
        $text = '';
        while ($this->at < strlen($this->pattern) && ! in_array($this->peek(), ['|', ')'], true)) {
            $from = $this->at;
            $one = $this->atom();
            if ($one === null) {
                return null;
            }
            $to = $this->at;
            $times = $this->times();
            for ($i = 0; $i < $times; $i++) {
                // a new one each time, so that digits and letters count up
                $after = $this->at;
                $this->at = $from;
                $text .= $i === 0 ? $one : (string) $this->atom();
                $this->at = max($to, $after);
            }
        }

        return $text;
    }

    private function atom(): ?string
    {
        $sign = $this->next();

        return match ($sign) {
            '^', '$' => '',
            '.' => self::LETTERS[$this->made++ % 26],
            '(' => $this->group(),
            '[' => $this->set(),
            '\\' => $this->escaped($this->next()),
            '*', '+', '?', '{' => null,
            default => $sign,
        };
    }

    private function group(): ?string
    {
        if ($this->peek() === '?') {
            if (preg_match('/\G\?(?::|<[A-Za-z]\w*>|[imsx]*:)/', $this->pattern, $m, 0, $this->at) !== 1) {
                return null; // lookaround is not supported
            }
            $this->at += strlen($m[0]);
        }
        $inside = $this->alternatives();

        return $inside !== null && $this->next() === ')' ? $inside : null;
    }

    private function set(): ?string
    {
        if (preg_match('/\G(\^?)((?:\\\\.|[^\]\\\\])+)\]/u', $this->pattern, $m, 0, $this->at) !== 1) {
            return null;
        }
        $this->at += strlen($m[0]);
        $signs = [];
        foreach (['0123456789', 'ABCDEFGHIJKLMNOPQRSTUVWXYZ', self::LETTERS, ' -.,/:'] as $known) {
            foreach (str_split($known) as $sign) {
                if (preg_match('/^['.$m[1].$m[2].']$/u', $sign) === 1) {
                    $signs[] = $sign;
                }
            }
        }
        $signs = $signs === [] && $m[1] === '' ? [mb_substr(stripslashes($m[2]), 0, 1)] : $signs;

        return $signs === [] ? null : $signs[($signs[0] === '0' && count($signs) > 1 ? ++$this->made : $this->made++) % count($signs)];
    }

    private function escaped(string $sign): ?string
    {
        return match (true) {
            $sign === 'd' => (string) (++$this->made % 10),
            $sign === 'w' => self::LETTERS[$this->made++ % 26],
            $sign === 's' => ' ',
            in_array($sign, ['b', 'B', 'A', 'z', 'Z'], true) => '',
            $sign !== '' && ! ctype_alnum($sign) => $sign,
            default => null,
        };
    }

    private function times(): int
    {
        if (preg_match('/\G(?:([*+?])|\{(\d{1,3})(?:,\d*)?\})[?+]?/', $this->pattern, $m, 0, $this->at) !== 1) {
            return 1;
        }
        $this->at += strlen($m[0]);

        return isset($m[2]) ? (int) $m[2] : ($m[1] === '+' ? 1 : 0);
    }

    private function peek(): string
    {
        return $this->pattern[$this->at] ?? '';
    }

    private function next(): string
    {
        preg_match('/\G./us', $this->pattern, $m, 0, $this->at);
        $this->at += strlen($m[0] ?? '');

        return $m[0] ?? '';
    }
}
