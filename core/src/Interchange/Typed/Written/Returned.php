<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use WideQuarry\Interchange\NoConverter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Typed\TypedReader;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/**
 * A question that went out as a document and came back: a document says less than a question holds, so what is the same in the document
 * stays as it was, and only what was edited is taken from it.
 */
final readonly class Returned
{
    /** What a document says of a question. */
    private const FIELDS = ['body', 'parts', 'feedback', 'hints'];

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  \stdClass  $original  as it is stored
     * @param  \stdClass  $read  as it was read from the document
     * @return \stdClass the original with what was edited; itself, equal, when nothing was
     */
    public function merged(\stdClass $original, \stdClass $read): \stdClass
    {
        $sent = $this->sent($original);
        $merged = Json::copy($original);
        if ($sent === null || ! $merged instanceof \stdClass) {
            return $read;
        }
        foreach (self::FIELDS as $field) {
            $now = $read->{$field} ?? null;
            if (self::plain($now) === self::plain($sent->{$field} ?? null)) {
                continue;
            }
            if ($field === 'parts' && is_array($now) && is_array($original->parts ?? null) && is_array($sent->parts ?? null)) {
                $merged->parts = $this->parts($original->parts, $sent->parts, $now);
            } elseif ($now === null) {
                unset($merged->{$field});
            } else {
                $merged->{$field} = $now;
            }
        }

        return $merged;
    }

    /**
     * A part that reads as it did when it was sent stays whole.
     *
     * @param  array<mixed>  $original
     * @param  array<mixed>  $sent
     * @param  array<mixed>  $now
     * @return list<mixed>
     */
    private function parts(array $original, array $sent, array $now): array
    {
        $parts = [];
        foreach (array_values($now) as $at => $part) {
            $isSame = isset($sent[$at], $original[$at]) && self::plain($sent[$at]) === self::plain($part);
            $parts[] = $isSame ? $original[$at] : $part;
        }

        return $parts;
    }

    /** How the original reads once it has been written. */
    private function sent(\stdClass $original): ?\stdClass
    {
        $content = new PackageContents;
        $content->questions = [$original];
        [$html] = DocumentWriter::of($content, $this->kinds);

        return array_values((new TypedReader(new NoConverter))->ofHtml($html))[0] ?? null;
    }

    /** Pictures have other names in a document, and spaces are no edit. */
    private static function plain(mixed $json): string
    {
        return (string) preg_replace(['/ (?:data-media|width|height)=\\\\?"[^"\\\\]*\\\\?"/', '/\s+/'], ['', ' '], Json::encode($json));
    }
}
