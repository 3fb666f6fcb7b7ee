<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/** Which questions have pictures that are larger than their place on the page, so that the style sheet makes them smaller. */
final class ShrunkPictures
{
    /** Beside the number and the points of a question, in pixels of 1/96 inch, for one column and for two. */
    private const WIDE = [1 => 585, 2 => 235];

    /** The style sheet's largest height, 200 mm. */
    private const HIGH = 756;

    /**
     * @param  string  $body  as Sheet made it, pictures inside
     * @return list<string> identifiers of questions in the document
     */
    public static function in(string $body, PrintSettings $settings): array
    {
        preg_match_all('~<article class="question[^"]*" id="([^"]+)">(.*?)</article>~s', $body, $articles, PREG_SET_ORDER);
        $shrunk = [];
        foreach ($articles as [, $id, $html]) {
            preg_match_all('~<img [^>]*>~', $html, $pictures);
            if (array_filter($pictures[0], fn (string $one): bool => self::isTooLarge($one, self::WIDE[$settings->columns] ?? 585)) !== []) {
                $shrunk[] = html_entity_decode($id);
            }
        }

        return $shrunk;
    }

    private static function isTooLarge(string $picture, int $wide): bool
    {
        if (preg_match('/ width="(\d+)/', $picture, $set) === 1) {
            return (int) $set[1] > $wide;
        }
        if (preg_match('~ src="data:image/(?:png|jpeg|gif|webp);base64,([^"]+)"~', $picture, $data) !== 1) {
            return false;
        }
        $size = @getimagesizefromstring((string) base64_decode($data[1], true));

        return $size !== false && ($size[0] > $wide || $size[1] > self::HIGH);
    }
}
