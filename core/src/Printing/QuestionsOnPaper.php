<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/** What can be seen of questions in the markup of a paper: whether a picture is made smaller, and how many lines there are to write on. */
final class QuestionsOnPaper
{
    /** Beside the number and the points of a question, in pixels of 1/96 inch, for one column and for two. */
    private const WIDE = [1 => 585, 2 => 235];

    /** The style sheet's largest height, 200 mm. */
    private const HIGH = 756;

    /**
     * @param  string  $body  as Sheet made it, pictures inside
     * @return array<string, array{shrunk: bool, lines: int}> by the identifier in the document; shrunk: whether a picture is larger than
     *     its place, so that the style sheet makes it smaller
     */
    public static function in(string $body, PrintSettings $settings): array
    {
        preg_match_all('~<article class="question[^"]*" id="([^"]+)">(.*?)</article>~s', $body, $articles, PREG_SET_ORDER);
        $questions = [];
        $wide = self::WIDE[$settings->columns] ?? self::WIDE[1];
        foreach ($articles as [, $id, $html]) {
            preg_match_all('~<img [^>]*>~', $html, $pictures);
            $large = array_filter($pictures[0], fn (string $one): bool => self::isTooLarge($one, $wide));
            $questions[html_entity_decode($id)] = ['shrunk' => $large !== [], 'lines' => substr_count($html, '<div class="rule">')];
        }

        return $questions;
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
