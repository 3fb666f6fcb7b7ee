<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;
use WideQuarry\Interchange\Typed\Sources\ListNumber;

/** The letter, number or bullet that a line or a stretch of one begins with. */
final readonly class Label
{
    public const TICKED = ['☑', '☒', '✓', '✔', '✅', '◉', '●', '[x]', '[X]', '[✓]', '(x)', '(X)', '(*)', '■'];

    public const OPEN = ['☐', '○', '◯', '□', '◎', '[ ]', '[]', '( )'];

    private const BOX = '(?:[☐☑☒✓✔✅◉◎○◯□●■](?!\p{L})|[☐☑☒✓✔✅◉◎○◯□●■]|\[[ xX✓]?\]|\([ xX*]\))';

    private const SIGN = '[^\p{L}\p{N}\s(\["\'“‘£$€−+.,\x{FFFC}☐-☒✓✔✅◉◎○◯□●■•▪▫◦‣⁃∙–—-]{1,3}';

    private const LETTER = '(?<l>[A-Za-z]|[ivxIVX]{2,5}|\d{1,2})';

    /**
     * @param  'upper'|'lower'|'roman'|'number'|'bullet'|'box'  $type
     * @param  int  $value  from 1; 0 for a bullet or a box
     * @param  string  $mark  what stands around the letter: `.`, `)`, `()`
     * @param  string  $sign  a sign before the letter, if any
     * @param  bool|null  $ticked  of a box before or behind it; null without one
     * @param  int  $length  of all this, in bytes
     */
    private function __construct(
        public string $type,
        public int $value,
        public string $mark,
        public string $sign,
        public ?bool $ticked,
        public int $length,
        public int $level = 0,
    ) {
    }

    /** @return list<self> what it may be: "i." is a letter and a number */
    public static function at(string $text, int $level = 0): array
    {
        $start = '/^(?<sign>'.self::SIGN.'\s*)?(?<box>'.self::BOX.'\s*)?';
        if (
            preg_match(
                $start.'(?!\[[ xX✓]\]|\([xX*]\))(?<open>[(\[]?)'.self::LETTER.'(?<close>[)\]](?!\s*[=×*\/^])|[.:](?=\s)|'.
                    '[-–—](?=\s)|(?=\t|\s{2,})|\s+[-–—](?=\s))\s*(?=\S)/u',
                $text,
                $m,
            ) === 1 &&
            ($m['open'] === '' || in_array(trim($m['close']), [')', ']'], true))
        ) {
            $mark = $m['open'].trim($m['close']);
            $ticked = $m['box'] === '' ? null : in_array(trim($m['box']), self::TICKED, true);
            [$after, $length] = [substr($text, strlen($m[0])), strlen($m[0])];
            if ($ticked === null &&
                preg_match('/^('.self::BOX.')\s*(?=\S)/u', $after, $box) === 1 &&
                ! in_array($box[1], ['●', '■'], true)) {
                $ticked = in_array($box[1], self::TICKED, true);
                $length += strlen($box[0]);
            }
            $found = array_map(
                fn (array $is): self => new self($is[0], $is[1], $mark, trim($m['sign']), $ticked, $length, $level),
                self::values($m['l']),
            );

            return $found;
        }
        if (preg_match($start.'\s*(?=\S)/u', $text, $m) === 1 && ($m['box'] ?? '') !== '') {
            return [new self('box', 0, '', trim($m['sign'] ?? ''), in_array(trim($m['box']), self::TICKED, true), strlen($m[0]), $level)];
        }
        if (preg_match('/^(?:[•●○▪▫◦‣⁃∙■□]|[-–—*](?=\s)|o(?=\t|\s{2,}))\s*(?=\S)/u', $text, $m) === 1) {
            $inner = self::at(substr($text, strlen($m[0])), $level);
            if (($inner[0]->type ?? '') === 'box') {
                return [new self('box', 0, '', '', $inner[0]->ticked, strlen($m[0]) + $inner[0]->length, $level)]; // a list of tasks
            }

            return [new self('bullet', 0, $m[0][0], '', null, strlen($m[0]), $level)];
        }

        return [];
    }

    /** @return list<array{'upper'|'lower'|'roman'|'number', int}> */
    private static function values(string $letters): array
    {
        if (ctype_digit($letters)) {
            return [['number', (int) $letters]];
        }
        $found = [];
        if (strlen($letters) === 1) {
            $found[] = [ctype_upper($letters) ? 'upper' : 'lower', ord(strtolower($letters)) - 96];
        }
        $roman = ListNumber::ofRoman($letters);
        if ($roman !== null) {
            $found[] = ['roman', $roman];
        }

        return $found;
    }

    /** Whether it belongs to the list of the other. */
    public function isLike(self $other): bool
    {
        return $this->type === $other->type &&
            ($this->mark === $other->mark || $this->mark === '' || $other->mark === '') &&
            $this->level === $other->level;
    }

    /**
     * Where the next of the same list stands in a line: "A. Granite   B. Basalt".
     *
     * @return array{int, int}|null where the text before it ends, and where it begins
     */
    private function next(string $text, int $from): ?array
    {
        $value = $this->value + 1;
        $letter = match ($this->type) {
            'upper' => $value > 26 ? null : chr(64 + $value),
            'lower' => $value > 26 ? null : chr(96 + $value),
            'number' => (string) $value,
            'roman' => ListNumber::text($value, 'i'),
            default => null,
        };
        if ($letter === null) {
            return $this->type === 'box' ? self::nextBox($text, $from) : null;
        }
        $letter = $this->type === 'roman' ? "(?i:$letter)" : $letter;
        $marked = match ($this->mark) {
            '()' => "\\($letter\\)\\s*",
            '[]' => "\\[$letter\\]\\s*",
            ')' => "\\(?$letter\\)\\s*",
            ']' => "$letter\\]\\s*",
            '.' => "$letter\\.\\s+",
            ':' => "$letter:\\s+",
            '' => "$letter(?:\\t|\\s{2,})",
            default => "$letter\\s?[-–—]\\s+",
        };
        $sign = '(?:'.self::SIGN.'\s*)?';
        if (preg_match('/(?:\t|\s{3,})(?=\S)/u', $text, $m, PREG_OFFSET_CAPTURE, $from) === 1) {
            // the next stands below, and another column beside: "a. basalt     c. obsidian"
            $at = $m[0][1] + strlen($m[0][0]);
            $others = array_filter(
                self::at(substr($text, $at), $this->level),
                fn (self $one): bool => $this->isLike($one) && $one->value > $this->value,
            );
            if ($others !== []) {
                return [$m[0][1], $at];
            }
        }
        $between = $this->type === 'number' || $this->mark === '' ? '(?:\t|\s{2,}|[,;]\s)' : '(?:\s+|[,;]\s*)';
        if (preg_match("/$between($sign(?:".self::BOX."\\s*)?$marked)(?=\\S)/u", $text, $m, PREG_OFFSET_CAPTURE, $from) !== 1) {
            return null;
        }

        return [$m[0][1], $m[1][1]];
    }

    /**
     * The next of the same list in a line that goes on with this one.
     *
     * @return array{int, int}|null where the text before it ends, and where it begins
     */
    public function nextIn(string $text): ?array
    {
        $next = $this->next($text, 0);

        return $next !== null && preg_match('/^[,;]?(?:\t|\s{2,})/u', substr($text, $next[0])) === 1 ? $next : null;
    }

    /** @return array{int, int}|null */
    private static function nextBox(string $text, int $from): ?array
    {
        return preg_match('/\s+('.self::BOX.')\s*(?=\S)/u', $text, $m, PREG_OFFSET_CAPTURE, $from) === 1 ? [$m[0][1], $m[1][1]] : null;
    }

    /**
     * Labelled stretches of one line that run on.
     *
     * @return list<array{self, Words}>
     */
    public function split(Words $words): array
    {
        $text = $words->text();
        $items = [];
        $label = $this;
        $start = 0;
        while (true) {
            $next = $label->next($text, $start + $label->length);
            $end = $next[0] ?? strlen($text);
            $began = $start;
            $items[] = [$label, $words->slice($start + $label->length, $end - $start - $label->length)->trimmed()];
            if ($next === null) {
                return $items;
            }
            $start = $next[1];
            $before = $label;
            $following = array_values(array_filter(
                self::at(substr($text, $start), $this->level),
                fn (self $one): bool => $one->type === $before->type && ($one->value > $before->value || $one->type === 'box'),
            ));
            if ($following === []) {
                array_pop($items);

                return [...$items, [$label, $words->slice($began + $label->length)->trimmed()]];
            }
            $label = $following[0];
        }
    }
}
