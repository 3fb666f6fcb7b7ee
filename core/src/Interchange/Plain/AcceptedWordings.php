<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Answer\Normaliser;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Messages\Message;

/**
 * Accepted wordings for formats that compare strings: what we ignore (articles, accents, spaces, punctuation) becomes several
 * wordings where those are few, and a loss where they are not.
 */
final class AcceptedWordings
{
    /** Languages with more articles than this would produce too many wordings. */
    private const ARTICLES = 4;

    private const MOST = 60;

    /** @var array<string, array{string, string}> code → code and sentence */
    private array $losses = [];

    public function __construct(private readonly NormaliseOptions $options, private readonly string $language)
    {
    }

    /**
     * @param  list<string>  $words  as the rule has them
     * @return list<string> each once, the rule's own first
     */
    public function of(TextMatcher $on, array $words): array
    {
        $this->tell($on);
        if (! in_array($on->answer, ['is', 'slips'], true)) {
            return $words;
        }
        $all = [];
        foreach ($words as $word) {
            foreach ($this->written($word) as $variant) {
                $all[$variant] = $variant;
            }
        }
        $all = array_map(strval(...), array_values($all));

        return count($all) > self::MOST ? $words : array_values(array_unique([...$words, ...$all]));
    }

    /** @return list<array{string, string}> code and sentence */
    public function losses(): array
    {
        return array_values($this->losses);
    }

    /** @return list<string> */
    private function written(string $word): array
    {
        $variants = [$word];
        $variants = $this->with(
            $variants,
            fn (string $one): array => [$one, str_replace('’', "'", $one), str_replace("'", '’', $one)],
            $this->options->is('marks', 'plain'),
        );
        $variants = $this->with(
            $variants,
            fn (string $one): array => [$one, Normaliser::withoutAccents($one)],
            $this->options->is('accents', 'ignore'),
        );
        $variants = $this->with(
            $variants,
            fn (string $one): array => [$one, Normaliser::withoutPunctuation($one)],
            $this->options->is('punctuation', 'ignore'),
        );
        $variants = $this->with(
            $variants,
            fn (string $one): array => [$one, (string) preg_replace('/\s+/u', '', $one)],
            $this->options->is('spaces', 'ignore'),
        );

        return $this->with($variants, $this->articles(...), $this->options->is('article', 'ignore'));
    }

    /**
     * @param  list<string>  $variants
     * @param  \Closure(string): list<string>  $more
     * @return list<string>
     */
    private function with(array $variants, \Closure $more, bool $asked): array
    {
        return $asked ? array_values(array_unique(array_merge(...array_map($more, $variants)))) : $variants;
    }

    /** @return list<string> with each article, and without */
    private function articles(string $word): array
    {
        $articles = Normaliser::articles($this->language);
        $bare = Normaliser::withoutArticle($word, $this->language);
        if ($articles === [] || count($articles) > self::ARTICLES) {
            return [$word, $bare];
        }

        return [
            $word,
            $bare,
            ...array_map(fn (string $article): string => $article.(str_ends_with($article, "'") ? '' : ' ').$bare, $articles),
        ];
    }

    private function tell(TextMatcher $on): void
    {
        $exact = in_array($on->answer, ['is', 'slips'], true);
        $articles = Normaliser::articles($this->language);
        $lost = [
            'text.article' => $articles !== [] && $this->options->is('article', 'ignore') && (! $exact || count($articles) > self::ARTICLES)
                    ? Message::of('interchange.plain.leading-article-ignored-exact')
                    : null,
            'text.punctuation' => $this->options->is('punctuation', 'ignore')
                ? Message::of('interchange.plain.punctuation-ignored-exact-words')
                : null,
            'text.accents' => $this->options->is('accents', 'ignore')
                ? Message::of('interchange.plain.accents-ignored-exact-words')
                : null,
            'text.spaces' => $this->options->is('spaces', 'ignore')
                ? Message::of('interchange.plain.spaces-ignored-exact-words')
                : null,
        ];
        foreach (array_filter($lost) as $code => $sentence) {
            $this->losses[$code] = [$code, $sentence];
        }
    }
}
