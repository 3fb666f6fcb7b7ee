<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** Takes pictures out of rich text and names them in the row. */
final readonly class PictureNames
{
    /** @param  array<string, string>  $names  medium → its file */
    public function __construct(private array $names)
    {
    }

    public function without(string $html, WrittenRow $row): string
    {
        $pictures = $row->cells[Meaning::Picture->value] ?? [];
        $texts = $row->cells[Meaning::PictureText->value] ?? [];
        $left = (string) preg_replace_callback('~<img\b[^>]*>~', function (array $m) use (&$pictures, &$texts, $row): string {
            $id = preg_match('/data-media="([^"]*)"/', $m[0], $found) === 1 ? $found[1] : '';
            $pictures[] = $this->names[$id] ?? $id;
            $texts[] = preg_match('/\balt="([^"]*)"/', $m[0], $found) === 1 ? html_entity_decode($found[1], ENT_QUOTES) : '';
            $row->lose('lost-pictures');

            return '';
        }, $html);
        if ($pictures !== []) {
            $row->put(Meaning::Picture, ...$pictures);
            $row->cells[Meaning::PictureText->value] = $texts;
        }

        return (string) preg_replace(['~<figure>\s*</figure>~', '~<p>\s*</p>~'], '', $left);
    }
}
