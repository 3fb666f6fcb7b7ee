<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Document;

/** Text with its looks, that can be cut like plain text: offsets are those of text(), in bytes. */
final readonly class Words
{
    private string $text;

    /** @param  list<Run>  $runs  none of them empty */
    private function __construct(public array $runs)
    {
        $this->text = implode('', array_map(fn (Run $run): string => $run->text, $runs));
    }

    /** @param  list<Run>  $runs */
    public static function of(array $runs): self
    {
        return new self(array_values(array_filter($runs, fn (Run $run): bool => $run->text !== '')));
    }

    public static function plain(string $text): self
    {
        return self::of([new Run($text)]);
    }

    public function text(): string
    {
        return $this->text;
    }

    public function isEmpty(): bool
    {
        return preg_match('/^[\s\p{Z}]*$/u', $this->text) === 1;
    }

    public function slice(int $from, ?int $length = null): self
    {
        $to = $length === null ? strlen($this->text) : $from + $length;
        if ($from <= 0 && $to >= strlen($this->text)) {
            return $this;
        }
        $runs = [];
        $at = 0;
        foreach ($this->runs as $run) {
            $end = $at + strlen($run->text);
            if ($end > $from && $at < $to) {
                $start = max(0, $from - $at);
                $runs[] = $run->with(substr($run->text, $start, min($to, $end) - $at - $start));
            }
            $at = $end;
        }

        return self::of($runs);
    }

    public function trimmed(): self
    {
        $start = strlen($this->text) - strlen(ltrim($this->text));

        return $this->slice($start, strlen(trim($this->text)));
    }

    /** Spaces and tabs within as one space each. */
    public function spaced(): self
    {
        if (preg_match('/[\t\n]|\s{2,}|^\s|\s$/u', $this->text) !== 1) {
            return $this;
        }
        $runs = [];
        $ended = true; // with a space
        foreach ($this->runs as $run) {
            $text = $run->html === null ? (string) preg_replace('/\s+/u', ' ', $run->text) : $run->text;
            $text = $ended && str_starts_with($text, ' ') ? substr($text, 1) : $text;
            $ended = $text === '' ? $ended : str_ends_with($text, ' ');
            $runs[] = $run->with($text);
        }

        return self::of($runs)->trimmed();
    }

    public function followedBy(self $more, string $between = ' '): self
    {
        return self::of([...$this->runs, ...($this->runs === [] || $more->runs === [] ? [] : [new Run($between)]), ...$more->runs]);
    }

    /** Without what a pattern finds: the text before it and after it. */
    public function without(string $pattern, int $limit = 1): self
    {
        $words = $this;
        $from = 0;
        while ($limit-- > 0 && preg_match($pattern, $words->text, $m, PREG_OFFSET_CAPTURE, $from) === 1 && $m[0][0] !== '') {
            [$found, $at] = $m[0];
            $space = $at > 0 && $at + strlen($found) < strlen($words->text) ? [new Run(' ')] : [];
            $words = self::of([
                ...$words->slice(0, $at)->runs, ...$space, ...$words->slice($at + strlen($found))->runs,
            ]);
            $from = $at;
        }

        return $words->trimmed();
    }

    public function withoutMark(string $mark): self
    {
        return new self(array_map(fn (Run $run): Run => $run->without($mark), $this->runs));
    }

    /**
     * The marks that every letter of the text has; an equation or a picture has those of its neighbours.
     *
     * @return list<string>
     */
    public function marks(): array
    {
        $marks = null;
        foreach ($this->runs as $run) {
            if ($run->html === null && preg_match('/[\p{L}\p{N}]/u', $run->text) === 1) {
                $marks = $marks === null ? $run->marks : array_values(array_intersect($marks, $run->marks));
            }
        }

        return array_values(array_unique($marks ?? []));
    }

    public function html(): string
    {
        return implode('', array_map(fn (Run $run): string => $run->html(), $this->runs));
    }
}
