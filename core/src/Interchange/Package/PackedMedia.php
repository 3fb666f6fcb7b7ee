<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

use WideQuarry\Content\Element;
use WideQuarry\Messages\Message;

/** Pictures and recordings of rich text as a package has them: files by their paths, captions in a track (HTML, 4.8.8 to 4.8.11). */
final class PackedMedia
{
    /**
     * @param  Element  $node  with data-media
     * @param  array<string, string>  $files  medium → its path in the package
     * @param  string  $before  what stands before every path
     */
    public static function element(Element $node, array $files, string $before): Element
    {
        $path = fn (string $medium): string => $before.($files[$medium] ?? "media/$medium");
        $captions = $node->attribute('data-captions');
        $attributes = [
            ...array_diff_key($node->attributes, ['data-media' => 1, 'data-captions' => 1]),
            ...$node->name === 'img' ? ['alt' => $node->attribute('alt') ?? ''] : ['controls' => 'controls'],
            'src' => $path((string) $node->attribute('data-media')),
        ];

        return new Element(
            $node->name,
            $attributes,
            $captions === null ? [] : [new Element('track', ['kind' => 'captions', 'src' => $path($captions)])],
        );
    }

    /**
     * What no other system is bound to follow.
     *
     * @param  string  $written  a question or stimulus as JSON
     * @return list<array{string, string}> code, sentence
     */
    public static function losses(string $written): array
    {
        $said = [
            'data-view=' => ['media.view', 'interchange.package.pictures-shown-part'],
            'data-plays=' => ['media.plays', 'interchange.package.plays-limited'],
            'data-transcript=' => ['media.transcript', 'interchange.package.transcripts-only-here'],
        ];

        return array_values(
            array_map(
                fn (array $loss): array => [$loss[0], Message::of($loss[1])],
                array_filter($said, fn (string $attribute): bool => str_contains($written, $attribute), ARRAY_FILTER_USE_KEY),
            ),
        );
    }
}
