<?php

declare(strict_types=1);

namespace WideQuarry\Search;

/** Words to look for: "in quotes" as a phrase, -word to leave out; the last word may be unfinished. */
final readonly class Query
{
    /** More words than this find nothing that fewer do not; the rest is left out, and said so. */
    public const MOST = 60;

    /** @param  list<Term>  $terms */
    private function __construct(public array $terms, public bool $cut)
    {
    }

    public static function parse(string $typed): self
    {
        $terms = [];
        $count = 0;
        $typed = mb_substr(mb_scrub($typed, 'UTF-8'), 0, 20_000);
        preg_match_all('/(?<![^\s"])-?"([^"]*)"?|\S+/u', $typed, $found, PREG_SET_ORDER);
        foreach ($found as $i => $match) {
            $isPhrase = isset($match[1]);
            $negated = str_starts_with($match[0], '-');
            $words = array_slice(Splitter::words($isPhrase ? $match[1] : $match[0]), 0, self::MOST - $count);
            $count += count($words);
            $isLast = $i === count($found) - 1 && ! $isPhrase && preg_match('/\s$/u', $typed) !== 1;
            foreach ($isPhrase && $words !== [] ? [$words] : array_map(fn (Word $word): array => [$word], $words) as $j => $run) {
                $terms[] = new Term($run, $negated, $isLast && ! $negated && $j === count($words) - 1);
            }
            if ($count >= self::MOST) {
                return new self($terms, $i < count($found) - 1);
            }
        }

        return new self($terms, false);
    }

    public function isEmpty(): bool
    {
        return $this->terms === [];
    }

    /**
     * As a literal of PostgreSQL's type tsquery, which takes words as they are; to_tsquery would split them by its own rules once more.
     *
     * @param  array<string, string>  $stems  word → stem, of those a stem is known for
     */
    public function tsquery(array $stems = []): string
    {
        return implode(' & ', array_map(fn (Term $term): string => $term->tsquery($stems), $this->terms));
    }

    /** @return list<string> the words that may be found by their stems: not those of a phrase, nor what is left out */
    public function stemmable(): array
    {
        $words = [];
        foreach ($this->terms as $term) {
            if ($term->isStemmable()) {
                $words[] = $term->words[0]->whole;
            }
        }

        return array_values(array_unique($words));
    }

    /**
     * The text with what was found in it marked.
     *
     * @return list<array{string, bool}> pieces in order, and whether each is marked
     */
    public function marks(string $text): array
    {
        if (! $this->mayStandIn($text)) {
            return $text === '' ? [] : [[$text, false]];
        }
        $words = Splitter::words($text);
        $marked = [];
        foreach ($this->terms as $term) {
            for ($at = 0; ! $term->negated && $at <= count($words) - count($term->words); $at++) {
                if ($this->matches($term, $words, $at)) {
                    foreach (range($at, $at + count($term->words) - 1) as $i) {
                        $marked[$i] = true;
                    }
                }
            }
        }
        $pieces = [];
        $end = 0;
        foreach ($words as $i => $word) {
            if (isset($marked[$i])) {
                $pieces[] = [substr($text, $end, $word->offset - $end), false];
                $pieces[] = [$word->text, true];
                $end = $word->offset + strlen($word->text);
            }
        }
        $pieces[] = [substr($text, $end), false];

        return array_values(array_filter($pieces, fn (array $piece): bool => $piece[0] !== ''));
    }

    /** Whether splitting the text can show anything: most texts of a list hold none of the words. */
    private function mayStandIn(string $text): bool
    {
        $folded = str_replace("'", '', Splitter::fold(mb_scrub($text, 'UTF-8')));
        foreach ($this->terms as $term) {
            if (! $term->negated && (str_contains($folded, $term->words[0]->whole) || str_contains($folded, $term->words[0]->pieces[0]))) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Word>  $words  of a text, with as many from $at on as the term has */
    private function matches(Term $term, array $words, int $at): bool
    {
        foreach ($term->words as $i => $wanted) {
            if (! $words[$at + $i]->isFoundBy($wanted, $term->prefix && $i === count($term->words) - 1)) {
                return false;
            }
        }

        return true;
    }
}
