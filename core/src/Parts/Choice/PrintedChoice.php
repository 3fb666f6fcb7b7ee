<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\ScoringContext;

/** Options with a box each, in as many columns as they have room for. */
final class PrintedChoice
{
    /** Letters of the longest option up to which so many columns stand beside one another on a page. */
    private const COLUMNS = [4 => 12, 3 => 18, 2 => 34];

    /** Letters of an option, in one column, from which on it may run over a page: browsers lay one that may not over what follows. */
    private const LONG = 1500;

    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        $options = self::options($presented);
        $html = '';
        foreach ($options as $i => $option) {
            $label = self::label($presented, $i);
            $isLong = self::length($option['body']) > self::LONG / $paper->settings->columns;
            $html .=
                ($isLong ? '<li class="long">' : '<li>').'<span class="box"></span>'.
                ($label === '' ? '' : "<span class=\"letter\">$label</span>").
                '<span class="option">'.
                $paper->html($option['body']).
                '</span></li>';
        }

        $columns = $this->columns($presented, $options, $paper->settings->columns);

        return '<ul class="options'.($columns > 2 ? ' many' : '')."\" style=\"--columns:$columns\">$html</ul>";
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $answers = [];
        $options = self::options($presented);
        foreach ($options as $at => $option) {
            foreach ($part->key->rules as $rule) {
                if ($rule->on === $option['id'] && $rule->credit()->isPositive()) {
                    $label = self::label($presented, $at);
                    $answers[] = new PrintedAnswer(
                        ($label === '' ? '' : "<strong>$label</strong> ").$paper->html($option['body']),
                        $rule->credit(),
                    );
                }
            }
        }
        usort($answers, fn (PrintedAnswer $a, PrintedAnswer $b): int => $b->credit->compareTo($a->credit));

        return $answers;
    }

    /**
     * @param  array<mixed>  $presented
     * @param  list<array{id: string, body: list<mixed>}>  $options
     */
    private function columns(array $presented, array $options, int $onPage): int
    {
        if (($presented['layout'] ?? '') === 'grid' && is_int($presented['columns'] ?? null)) {
            return $presented['columns'];
        }
        $longest = max([0, ...array_map(fn (array $option): int => self::length($option['body']), $options)]);
        foreach (self::COLUMNS as $columns => $letters) {
            if ($longest <= $letters / $onPage && count($options) >= $columns && ($columns !== 3 || count($options) % 3 === 0)) {
                return $columns;
            }
        }

        return 1;
    }

    /**
     * Letters of the text; a picture takes the whole line.
     *
     * @param  array<mixed>  $nodes
     */
    private static function length(array $nodes): int
    {
        $length = 0;
        foreach ($nodes as $node) {
            if (is_string($node)) {
                $length += mb_strlen($node);
            } elseif (is_array($node)) {
                $length += in_array($node[0], ['img', 'table', 'video'], true) ? 1000 : self::length(array_slice($node, 2));
            }
        }

        return $length;
    }

    /** @param  array<mixed>  $presented */
    private static function label(array $presented, int $at): string
    {
        $style = is_string($presented['labels'] ?? null) ? $presented['labels'] : 'A';
        $label = OptionLabel::at($style, $at);

        return $label === '' ? '' : "$label.";
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{id: string, body: list<string|array<int, mixed>>}>
     */
    private static function options(array $presented): array
    {
        return is_array($presented['options'] ?? null) ? $presented['options'] : []; // @phpstan-ignore return.type
    }
}
