<?php

declare(strict_types=1);

namespace WideQuarry\Search;

/** What a query asks for at one place: a word or a phrase, wanted or not. */
final readonly class Term
{
    /**
     * @param  non-empty-list<Word>  $words
     * @param  bool  $prefix  whether the last word may go on
     */
    public function __construct(public array $words, public bool $negated, public bool $prefix)
    {
    }

    public function isStemmable(): bool
    {
        return ! $this->negated && count($this->words) === 1 && $this->words[0]->pieces === [$this->words[0]->whole];
    }

    /**
     * In the notation of PostgreSQL's type tsquery. Stems stand in the index with a ~ before them.
     *
     * @param  array<string, string>  $stems
     */
    public function tsquery(array $stems = []): string
    {
        $last = count($this->words) - 1;
        $steps = array_map(
            fn (int $i, Word $word): string => self::word($word, $this->prefix && $i === $last),
            array_keys($this->words),
            $this->words,
        );
        $stem = $this->isStemmable() ? $stems[$this->words[0]->whole] ?? null : null;
        if ($stem !== null) {
            return "($steps[0] | ".SearchText::quoted("~$stem").')';
        }

        return ($this->negated ? '!' : '').(count($steps) === 1 ? $steps[0] : '('.implode(' <-> ', $steps).')');
    }

    private static function word(Word $word, bool $prefix): string
    {
        $end = $prefix ? ':*' : '';
        $whole = SearchText::quoted($word->whole).$end;
        if ($word->pieces === [$word->whole]) {
            return $whole;
        }
        $last = count($word->pieces) - 1;
        $pieces = array_map(
            fn (int $i, string $piece): string => SearchText::quoted($piece).($i === $last ? $end : ''),
            array_keys($word->pieces),
            $word->pieces,
        );

        return "($whole | ".(count($pieces) === 1 ? $pieces[0] : '('.implode(' <-> ', $pieces).')').')';
    }
}
