<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** Where an answer is written on paper: ruled lines, a box, nothing, squares, or graph paper, so many lines high. */
final readonly class AnswerSpace
{
    public const KINDS = ['lines', 'box', 'blank', 'squared', 'graph'];

    private const MOST_LINES = 400;

    /** Millimetres. */
    private const LINE = 8.5;

    private const SQUARE = 5;

    private const FINE = 2;

    private const BOLD = 10;

    private function __construct(public string $kind, public int $lines)
    {
    }

    /** @throws Malformed */
    public static function read(Fields $fields): self
    {
        return new self($fields->oneOf('as', self::KINDS, 'lines'), $fields->int('lines', 12, 0, self::MOST_LINES));
    }

    public static function lines(int $lines): self
    {
        return new self('lines', $lines);
    }

    /** @param  float  $room  how much more or less than usual */
    public function html(float $room): string
    {
        $lines = (int) round($this->lines * $room);
        if ($lines < 1) {
            return '';
        }
        $height = number_format($lines * self::LINE, 1, '.', '');

        return match ($this->kind) {
            'lines' => '<div class="rules">'.str_repeat('<div class="rule"></div>', $lines).'</div>',
            'box' => "<div class=\"space box-space\" style=\"height:{$height}mm\"></div>",
            'blank' => "<div class=\"space\" style=\"height:{$height}mm\"></div>",
            'squared' => self::grid($height, self::SQUARE, null),
            default => self::grid($height, self::FINE, self::BOLD),
        };
    }

    /** Squares as a pattern of SVG, which prints where backgrounds do not. */
    private static function grid(string $height, int $step, ?int $bold): string
    {
        $side = $bold ?? $step;
        $fine = '';
        for ($at = $step; $at < $side; $at += $step) {
            $fine .= "M{$at} 0V{$side}M0 {$at}H{$side}";
        }
        $pattern = 'squares-'.$step;

        return "<svg class=\"space squares\" style=\"height:{$height}mm\" aria-hidden=\"true\"><defs>".
            "<pattern id=\"$pattern\" width=\"{$side}mm\" height=\"{$side}mm\" patternUnits=\"userSpaceOnUse\" viewBox=\"0 0 $side $side\">".
            ($fine === '' ? '' : "<path d=\"$fine\" stroke=\"#999\" stroke-width=\".08\" fill=\"none\"/>").
            "<path d=\"M0 0H{$side}M0 0V{$side}\" stroke=\"#777\" stroke-width=\".25\" fill=\"none\"/></pattern></defs>".
            "<rect width=\"100%\" height=\"100%\" fill=\"url(#$pattern)\" stroke=\"#777\" stroke-width=\".6\"/></svg>";
    }
}
