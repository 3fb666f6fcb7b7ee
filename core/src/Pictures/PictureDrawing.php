<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;
use WideQuarry\Printing\Paper;

/**
 * A picture on paper with what is drawn on it, as SVG: lines and numbers stay sharp, and are as large whatever the picture's units are.
 */
final class PictureDrawing
{
    /** As wide as the text of a page, and as high as leaves room for the question, in CSS pixels. */
    private const ASKED = [620, 640];

    /** In the key it is for looking up. */
    private const IN_KEY = [400, 420];

    private string $drawn = '';

    /** Picture units in a CSS pixel of the page. */
    private readonly float $unit;

    /** @param  array{int, int}  $most  how wide and high it may be */
    private function __construct(private readonly Picture $picture, private readonly ?string $from, array $most)
    {
        $this->unit = max(1, $picture->width / $most[0], $picture->height / $most[1]);
    }

    public static function asked(Paper $paper, Picture $picture): self
    {
        return new self($picture, $paper->pictureOf($picture->media), self::ASKED);
    }

    public static function inKey(Paper $paper, Picture $picture): self
    {
        return new self($picture, $paper->pictureOf($picture->media), self::IN_KEY);
    }

    /**
     * @param  array{shape: string, at: list<string>}  $area  as Area::shown()
     * @param  'dashed'|'right'|'partly'  $look
     */
    public function area(array $area, string $look): void
    {
        $at = $area['at'];
        $shape = match ($area['shape']) {
            'circle' => "<circle cx=\"$at[0]\" cy=\"$at[1]\" r=\"$at[2]\"",
            'ellipse' => "<ellipse cx=\"$at[0]\" cy=\"$at[1]\" rx=\"$at[2]\" ry=\"$at[3]\"",
            'rectangle' => '<rect x="'.self::least($at[0], $at[2]).'" y="'.self::least($at[1], $at[3]).'" width="'.
                self::apart($at[0], $at[2]).'" height="'.self::apart($at[1], $at[3]).'"',
            default => '<polygon points="'.implode(' ', $at).'"',
        };
        [$width, $fill, $dash] = match ($look) {
            'dashed' => [1.25, 'none', ' stroke-dasharray="'.$this->size(5).' '.$this->size(3).'"'],
            'right' => [2.5, '#000', ''],
            default => [1.25, '#000', ' stroke-dasharray="'.$this->size(2).' '.$this->size(2).'"'],
        };
        $filled = $look === 'dashed' ? 0.0 : 0.12;
        foreach ([['#fff', $width + 2, '', 0.0], ['#000', $width, $dash, $filled]] as [$stroke, $line, $dashes, $inside]) {
            // white below black, so that the line is seen on any ground
            $this->drawn .= "$shape fill=\"$fill\" fill-opacity=\"$inside\" stroke=\"$stroke\" ".
                "stroke-width=\"{$this->size($line)}\"$dashes/>";
        }
    }

    /** A number or a sign in a ring. */
    public function mark(Point $at, string $sign): void
    {
        [$x, $y] = [self::number($at->x), self::number($at->y)];
        $this->drawn .= "<circle cx=\"$x\" cy=\"$y\" r=\"{$this->size(9.5)}\" fill=\"#fff\" stroke=\"#000\" ".
            "stroke-width=\"{$this->size(1)}\"/>".
            "<text x=\"$x\" y=\"$y\" dy=\".35em\" text-anchor=\"middle\" font-size=\"{$this->size(12)}\" font-weight=\"600\">".
            Paper::text($sign).'</text>';
    }

    /** A line from a number to the place it is about, which gets a dot. */
    public function leader(Point $from, Point $to): void
    {
        [$x1, $y1, $x2, $y2] = array_map(self::number(...), [$from->x, $from->y, $to->x, $to->y]);
        foreach ([['#fff', 3.5], ['#000', 1.25]] as [$stroke, $width]) {
            $this->drawn .= "<line x1=\"$x1\" y1=\"$y1\" x2=\"$x2\" y2=\"$y2\" stroke=\"$stroke\" stroke-width=\"{$this->size($width)}\"/>";
        }
        $this->drawn .= "<circle cx=\"$x2\" cy=\"$y2\" r=\"{$this->size(3)}\" stroke=\"#fff\" stroke-width=\"{$this->size(1)}\"/>";
    }

    public function svg(): string
    {
        [$width, $height] = [$this->picture->width, $this->picture->height];
        $picture = $this->from === null
            ? "<rect width=\"$width\" height=\"$height\" fill=\"none\" stroke=\"#000\" stroke-width=\"{$this->size(1)}\"/>".
                "<text x=\"{$this->size(10)}\" y=\"{$this->size(24)}\" font-size=\"{$this->size(12)}\">".
                Paper::text($this->picture->alt).
                '</text>'
            : '<image href="'.Paper::text($this->from)."\" width=\"$width\" height=\"$height\"/>";

        return '<svg class="picture" role="img" aria-label="'.Paper::text($this->picture->alt)."\" viewBox=\"0 0 $width $height\" width=\"".
            self::decimal($width / $this->unit).'" height="'.self::decimal($height / $this->unit)."\">$picture$this->drawn</svg>";
    }

    private function size(float $pixels): string
    {
        return self::decimal($pixels * $this->unit);
    }

    private static function least(string $a, string $b): string
    {
        return Exact::compare(Exact::of($a), Exact::of($b)) <= 0 ? $a : $b;
    }

    private static function apart(string $a, string $b): string
    {
        return self::number(Exact::of($a)->minus(Exact::of($b))->abs());
    }

    private static function number(BigRational $number): string
    {
        return Exact::decimal($number) ?? (string) Exact::toPlaces($number, 3);
    }

    private static function decimal(float $number): string
    {
        return rtrim(rtrim(number_format($number, 2, '.', ''), '0'), '.');
    }
}
