<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** The HTML of a question, with places for its parts. */
final class Body
{
    public const GAP = '/_{3,}|\.{6,}|…{3,}/u';

    private string $html = '';

    /**
     * @param  list<Words>  $paragraphs
     * @param  list<array{int, string}>  $tables  each before the paragraph of that index
     */
    public function paragraphs(array $paragraphs, array $tables = []): self
    {
        foreach ($paragraphs as $i => $words) {
            $this->tables($tables, $i, $i + 1);
            $this->html .= '<p>'.$words->html().'</p>';
        }

        return $this->tables($tables, count($paragraphs), PHP_INT_MAX);
    }

    /** @param  list<array{int, string}>  $tables */
    private function tables(array $tables, int $from, int $to): self
    {
        foreach ($tables as [$at, $html]) {
            $this->html .= $at >= $from && $at < $to ? $html : '';
        }

        return $this;
    }

    /**
     * Paragraphs with something in the place of some of their words.
     *
     * @param  list<Words>  $paragraphs
     * @param  list<array{int, int, int, string}>  $instead  paragraph, from where, how many bytes, HTML
     * @param  list<array{int, string}>  $tables
     */
    public function filled(array $paragraphs, array $instead, array $tables = []): self
    {
        foreach ($paragraphs as $i => $words) {
            $this->tables($tables, $i, $i + 1);
            $html = '';
            $from = 0;
            foreach (array_filter($instead, fn (array $one): bool => $one[0] === $i) as [, $at, $length, $place]) {
                $html .= $words->slice($from, $at - $from)->html().$place;
                $from = $at + $length;
            }
            $this->html .= '<p>'.$html.($from < strlen($words->text()) ? $words->slice($from)->html() : '').'</p>';
        }

        return $this->tables($tables, count($paragraphs), PHP_INT_MAX);
    }

    public function block(string $part): self
    {
        $this->html .= "<div data-part=\"$part\"></div>";

        return $this;
    }

    public function line(string $html): self
    {
        $this->html .= "<p>$html</p>";

        return $this;
    }

    public static function place(string $part): string
    {
        return "<span data-part=\"$part\"></span>";
    }

    public function html(): string
    {
        return $this->html;
    }

    /**
     * @param  list<Words>  $paragraphs
     * @return list<array{int, int, int}> paragraph, from where, how many bytes
     */
    public static function gaps(array $paragraphs): array
    {
        $gaps = [];
        foreach ($paragraphs as $i => $words) {
            preg_match_all(self::GAP, $words->text(), $found, PREG_OFFSET_CAPTURE);
            foreach ($found[0] as [$gap, $at]) {
                $gaps[] = [$i, $at, strlen($gap)];
            }
        }

        return $gaps;
    }
}
