<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Document;

/** A stretch of text with one look, or one thing that stands in the text: a picture, an equation. */
final readonly class Run
{
    /** What stands in the text for a thing that is none (Unicode: object replacement character). */
    public const THING = "\u{FFFC}";

    /** Marks that rich text keeps, from the outside in. */
    private const ELEMENTS = [
        'bold' => 'strong', 'italic' => 'em', 'underline' => 'u', 'strike' => 's', 'sub' => 'sub', 'sup' => 'sup', 'code' => 'code',
    ];

    /**
     * @param  list<string>  $marks  `bold`, `italic`, `underline`, `strike`, `sub`, `sup`, `code`, `colour:ff0000`, `highlight:ffff00`;
     *                              `auto` for a number or letter that the word processor set
     * @param  string|null  $html  of a thing
     */
    public function __construct(public string $text, public array $marks = [], public ?string $html = null)
    {
    }

    public static function thing(string $html): self
    {
        return new self(self::THING, [], $html);
    }

    public function with(string $text): self
    {
        return new self($text, $this->marks, $this->html);
    }

    public function without(string $mark): self
    {
        return new self($this->text, array_values(array_filter($this->marks, fn (string $one): bool => $one !== $mark)), $this->html);
    }

    public function html(): string
    {
        $html = $this->html ?? htmlspecialchars($this->text, ENT_NOQUOTES | ENT_SUBSTITUTE);
        foreach (array_reverse(self::ELEMENTS) as $mark => $element) {
            if (in_array($mark, $this->marks, true)) {
                $html = "<$element>$html</$element>";
            }
        }

        return $html;
    }
}
