<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Content\PictureView;
use WideQuarry\Messages\Message;

/**
 * Turns what a presentation holds into markup for paper. Nothing of it runs, and nothing is fetched but what `media` names.
 *
 * @phpstan-import-type Node from \WideQuarry\Content\Tree
 */
final readonly class Paper
{
    private const VOID = ['br', 'img', 'hr', 'col', 'wbr'];

    /** Scripts that are written from right to left, by the language that is (BCP 47). */
    private const FROM_RIGHT = ['ar', 'arc', 'dv', 'fa', 'he', 'ps', 'sd', 'ug', 'ur', 'yi'];

    /** So many signs of a formula fit on a line of one column; longer ones are set smaller, down to a third. */
    private const FORMULA = 64;

    private const SMALLEST = 0.33;

    /** Elements that paper can only name. */
    private const HEARD = ['audio', 'video'];

    /**
     * @param  \Closure(string): ?string  $media  medium → where its picture is; null when there is none
     * @param  AnswerSpace|null  $space  where the question is answered, where its author's own is not wanted
     */
    public function __construct(public PrintSettings $settings, private \Closure $media, private ?AnswerSpace $space = null)
    {
    }

    /** Where the picture of a medium is; null when there is none. */
    public function pictureOf(string $medium): ?string
    {
        return ($this->media)($medium);
    }

    /**
     * @param  list<Node>  $nodes
     * @param  array<string, string>  $parts  part → its markup, part, tab and gap → the gap's
     */
    public function html(array $nodes, array $parts = []): string
    {
        return implode(
            '',
            array_map(fn (string|array $node): string => is_string($node) ? self::text($node) : $this->element($node, $parts), $nodes),
        );
    }

    public static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE);
    }

    /** The language of what follows, and its direction where that is from the right, as attributes. */
    public static function language(string $language): string
    {
        $isFromRight = in_array(strtolower(explode('-', $language)[0]), self::FROM_RIGHT, true);

        return ' lang="'.self::text($language).'"'.($isFromRight ? ' dir="rtl"' : '');
    }

    /** A line to write on, so wide. @param  float  $em  of the question's type */
    public static function line(float $em): string
    {
        return '<span class="gap" style="width:'.number_format($em, 1, '.', '').'em"></span>';
    }

    /** A gap of the text, with the number it has on the key where there are several. */
    public function gap(?int $number): string
    {
        return ($number === null ? '' : "<sup class=\"gap-number\">$number</sup>").self::line(7 * $this->settings->room());
    }

    /**
     * Rich text inside a line: paragraphs stand one after the other.
     *
     * @param  list<Node>  $nodes
     */
    public function inline(array $nodes): string
    {
        return trim(
            implode(
                '',
                array_map(
                    fn (string|array $node): string => is_array($node) && $node[0] === 'p'
                        ? $this->html(array_slice($node, 2)).' ' // @phpstan-ignore argument.type
                        : $this->html([$node]),
                    $nodes,
                ),
            ),
        );
    }

    /** Ruled lines to write on. */
    public function lines(int $count): string
    {
        return str_repeat('<div class="rule"></div>', max(1, (int) round($count * $this->settings->room())));
    }

    /** Where a long answer is written. */
    public function answerSpace(int $lines): string
    {
        return $this->space === null
            ? AnswerSpace::lines($lines)->html($this->settings->room())
            : $this->space->html(1.0); // set for this question, whatever holds for the others
    }

    /**
     * @param  array<int, mixed>  $node
     * @param  array<string, string>  $parts
     */
    private function element(array $node, array $parts): string
    {
        [$name, $attributes] = [is_string($node[0]) ? $node[0] : 'span', (array) $node[1]];
        /** @var list<Node> $children */
        $children = array_slice($node, 2);
        $part = $attributes['data-part'] ?? null;
        if (is_string($part)) {
            return $parts[$part] ?? '';
        }
        if (is_string($attributes['data-gap'] ?? null) && is_string($attributes['data-of'] ?? null)) {
            return $parts["{$attributes['data-of']}\t{$attributes['data-gap']}"] ?? $this->gap(null);
        }
        $medium = $attributes['data-media'] ?? null;
        if (is_string($medium)) {
            return $this->medium($name, $medium, $attributes);
        }
        $written = '';
        foreach ($attributes as $attribute => $value) {
            if (is_string($value) && ! str_starts_with($attribute, 'data-') && $attribute !== 'href') {
                $written .= ' '.self::text($attribute).'="'.self::text($value).'"';
            }
        }

        $written .= match (true) {
            is_string($attributes['data-align'] ?? null) => ' class="align-'.self::text($attributes['data-align']).'"',
            is_string($attributes['data-colwidth'] ?? null) => ' style="width:'.(int) $attributes['data-colwidth'].'px"',
            $name === 'math' => $this->formula($children),
            default => '',
        };

        return in_array($name, self::VOID, true) ? "<$name$written>" : "<$name$written>".$this->html($children, $parts)."</$name>";
    }

    /**
     * A formula does not break at the end of a line, so one that is too long is set smaller.
     *
     * @param  list<Node>  $children
     */
    private function formula(array $children): string
    {
        $share = self::FORMULA / $this->settings->columns / max(1, self::signs($children));

        return $share >= 1 ? '' : ' style="font-size:'.number_format(max(self::SMALLEST, $share), 2, '.', '').'em"';
    }

    /**
     * Signs beside one another: a fraction counts with its longer half.
     *
     * @param  array<mixed>  $nodes
     */
    private static function signs(array $nodes): int
    {
        $signs = 0;
        foreach ($nodes as $node) {
            if (is_string($node)) {
                $signs += mb_strlen(trim($node));
            } elseif (is_array($node)) {
                $inside = array_slice($node, 2);
                $signs += in_array($node[0], ['mfrac', 'mover', 'munder', 'munderover', 'mtable'], true)
                    ? max([0, ...array_map(fn (mixed $one): int => self::signs([$one]), $inside)])
                    : self::signs($inside);
            }
        }

        return $signs;
    }

    /** @param  array<mixed>  $attributes */
    private function medium(string $name, string $medium, array $attributes): string
    {
        $alt = is_string($attributes['alt'] ?? null) ? $attributes['alt'] : '';
        if (in_array($name, self::HEARD, true)) {
            $title = is_string($attributes['title'] ?? null) ? $attributes['title'] : '';

            return self::instead(Message::of('printing.recording', [
                'kind' => $name,
                'title' => $title,
                'has' => $title === '' ? 'nothing' : 'words',
            ]));
        }
        $from = ($this->media)($medium);
        if ($from === null) {
            return self::instead(Message::of('printing.missing-picture', ['alt' => $alt, 'has' => $alt === '' ? 'nothing' : 'words']));
        }

        return self::picture($from, $alt, array_filter($attributes, is_string(...)));
    }

    private static function instead(string $words): string
    {
        return '<span class="spoken">['.self::text($words).']</span>';
    }

    /** @param  array<string>  $attributes  width, height, data-view */
    private static function picture(string $from, string $alt, array $attributes): string
    {
        $picture = '<img src="'.self::text($from).'" alt="'.self::text($alt).'"';
        $view = PictureView::read($attributes['data-view'] ?? '');
        if ($view !== null) {
            ['box' => $box, 'picture' => $inside] = $view->css();
            $width = (int) ($attributes['width'] ?? $view->width);

            return "<span class=\"viewed\" style=\"width:{$width}px;$box\">$picture style=\"$inside\"></span>";
        }
        foreach (['width', 'height'] as $side) {
            $picture .= ctype_digit($attributes[$side] ?? '') ? " $side=\"$attributes[$side]\"" : '';
        }

        return "$picture>";
    }
}
