<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** A grid or number line as SVG: its lines, axes and numbers. In black and greys, so that it is the same on paper. */
final readonly class GridDrawing
{
    private const LINE = '#c9c4ba';

    private const MINOR = '#e6e2da';

    private const AXIS = '#3b3833';

    /** Pixels that a number beside an axis needs. */
    private const NUMBER = 30.0;

    /** @param  bool  $isNamed  whether its axes have numbers and names */
    public function __construct(private Frame $frame, private bool $isNamed = true)
    {
    }

    /** What is below the figures. */
    public function grid(): string
    {
        $grid = $this->frame->grid;
        if ($grid->y === null) {
            return $this->numberLine();
        }
        $svg = '';
        foreach ([[$grid->x->minor, $grid->y->minor, self::MINOR], [$grid->x->step, $grid->y->step, self::LINE]] as [$x, $y, $colour]) {
            $across = $x === null ? '' : $this->lines($grid->x->lines($x), true);
            $up = $y === null ? '' : $this->lines($grid->y->lines($y), false);
            $svg .= $across.$up === '' ? '' : "<path d=\"$across$up\" stroke=\"$colour\" fill=\"none\"/>";
        }

        return $svg.$this->axes();
    }

    /** @param  list<BigRational>  $at */
    private function lines(array $at, bool $upright): string
    {
        $frame = $this->frame;
        $path = '';
        foreach ($at as $value) {
            $n = Frame::number($upright ? $frame->x($value) : $frame->y($value));
            $path .= $upright
                ? "M$n ".Frame::number($frame->top).'V'.Frame::number($frame->bottom)
                : 'M'.Frame::number($frame->left)." {$n}H".Frame::number($frame->right);
        }

        return $path;
    }

    private function axes(): string
    {
        $frame = $this->frame;
        [$x, $y] = [$frame->grid->x, $frame->grid->y];
        assert($y !== null);
        // where 0 is not shown, an axis stands at the edge
        $atY = $frame->y($y->holds(Exact::zero()) ? Exact::zero() : $y->from);
        $atX = $frame->x($x->holds(Exact::zero()) ? Exact::zero() : $x->from);
        $path = 'M'.Frame::number($frame->left - 6).' '.Frame::number($atY).'H'.Frame::number($frame->right + 10).
            'M'.Frame::number($atX).' '.Frame::number($frame->bottom + 6).'V'.Frame::number($frame->top - 10);

        return "<path d=\"$path\" stroke=\"".self::AXIS.'" stroke-width="1.5" fill="none"/>'.
            $this->arrow($frame->right + 14, $atY, true).
            $this->arrow($atX, $frame->top - 14, false).
            $this->numbers($x, fn (float $at): array => [$at, $atY + 15, 'middle'], true).
            $this->numbers($y, fn (float $at): array => [$atX - 6, $at + 4, 'end'], false).
            ($this->isCrossed() && $x->labels !== 'none' ? $this->text($atX - 6, $atY + 15, 'end', '0') : '').
            $this->name($x, $frame->right + 18, $atY - 8, 'end').
            $this->name($y, $atX + 10, $frame->top - 10, 'start');
    }

    private function arrow(float $x, float $y, bool $right): string
    {
        [$a, $b] = [Frame::number($x), Frame::number($y)];
        $shape = $right ? 'l-8 -4v8z' : 'l-4 8h8z';

        return "<path d=\"M$a $b$shape\" fill=\"".self::AXIS.'"/>';
    }

    /** @param  \Closure(float): array{float, float, string}  $place */
    private function numbers(Axis $axis, \Closure $place, bool $across): string
    {
        if ($axis->labels === 'none') {
            return '';
        }
        $lines = $axis->lines();
        $apart = abs(($across ? $this->frame->perX : $this->frame->perY) * $axis->step->toFloat());
        $every = max(1, (int) ceil(($across ? self::NUMBER : self::NUMBER / 2) / $apart));
        $svg = '';
        // numbers stand at multiples of the step, counted from 0
        $first = $lines === [] ? 0 : $lines[0]->dividedBy($axis->step)->toScale(0)->toInt();
        foreach ($lines as $i => $value) {
            if (($first + $i) % $every !== 0 || ($value->isZero() && $this->frame->grid->y !== null && $this->isCrossed())) {
                continue;
            }
            [$x, $y, $anchor] = $place($across ? $this->frame->x($value) : $this->frame->y($value));
            $svg .= $this->text($x, $y, $anchor, self::label($value, $axis->labels));
        }

        return $svg;
    }

    /** Whether both axes go through 0, where their numbers would lie on one another. */
    private function isCrossed(): bool
    {
        $grid = $this->frame->grid;

        return $grid->x->holds(Exact::zero()) && $grid->y?->holds(Exact::zero()) === true;
    }

    private static function label(BigRational $value, string $labels): string
    {
        if ($labels !== 'pi') {
            return FigureWords::number($value).($labels === 'degrees' ? '°' : '');
        }
        $value = $value->simplified();
        if ($value->isZero()) {
            return '0';
        }
        $above = (string) $value->getNumerator()->abs();
        $below = (string) $value->getDenominator();

        return ($value->isNegative() ? '−' : '').($above === '1' ? '' : $above).'π'.($below === '1' ? '' : "/$below");
    }

    private function name(Axis $axis, float $x, float $y, string $anchor): string
    {
        $words = trim($axis->name.($axis->unit === '' ? '' : " ($axis->unit)"));

        return $words === '' ? '' : $this->text($x, $y, $anchor, $words, ' font-style="italic"');
    }

    private function numberLine(): string
    {
        $frame = $this->frame;
        $axis = $frame->grid->x;
        $y = Frame::number($frame->bottom);
        $ticks = '';
        foreach ($axis->lines() as $value) {
            $ticks .= 'M'.Frame::number($frame->x($value)).' '.Frame::number($frame->bottom - 6).'v12';
        }
        foreach ($axis->minor === null ? [] : $axis->lines($axis->minor) as $value) {
            $ticks .= 'M'.Frame::number($frame->x($value)).' '.Frame::number($frame->bottom - 3).'v6';
        }

        return '<path d="M'.Frame::number($frame->left - 16)." {$y}H".Frame::number($frame->right + 16)."$ticks\" stroke=\"".self::AXIS.
            '" stroke-width="1.5" fill="none"/>'.
            $this->arrow($frame->right + 22, $frame->bottom, true).
            $this->numbers($axis, fn (float $at): array => [$at, $frame->bottom + 22, 'middle'], true).
            $this->name($axis, $frame->right + 36, $frame->bottom - 10, 'end');
    }

    private function text(float $x, float $y, string $anchor, string $words, string $more = ''): string
    {
        if (! $this->isNamed) {
            return '';
        }
        [$x, $y] = [Frame::number($x), Frame::number($y)];

        return "<text x=\"$x\" y=\"$y\" text-anchor=\"$anchor\" font-size=\"12\" fill=\"".self::AXIS.
            "\" stroke=\"#fff\" stroke-width=\"3\" paint-order=\"stroke\"$more>".
            htmlspecialchars($words, ENT_QUOTES | ENT_SUBSTITUTE).'</text>';
    }
}
