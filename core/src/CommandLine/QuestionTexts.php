<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\Json\Json;

/** The questions of what `read` has printed, or one question, each as its own text: as objects, 20,000 of them would take 300 MB. */
final class QuestionTexts
{
    /**
     * @return list<string>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public static function of(string $json): array
    {
        if (preg_match('/^\s*\{\s*"questions"\s*:\s*\[/', $json, $m) !== 1) {
            $whole = Json::decode($json);
            $questions = $whole instanceof \stdClass && is_array($whole->questions ?? null) ? array_values($whole->questions) : [$whole];

            return array_map(fn (mixed $one): string => Json::encode($one), $questions);
        }
        $texts = [];
        $depth = 0;
        $start = 0;
        for ($at = strlen($m[0]); $at < strlen($json); $at++) {
            $at += strcspn($json, '"{}[]', $at);
            $sign = $json[$at] ?? '';
            if ($sign === '"') {
                $at = self::end($json, $at);
            } elseif ($sign === '{' || $sign === '[') {
                $start = $depth === 0 ? $at : $start;
                $depth++;
            } elseif ($sign === ']' && $depth === 0) {
                return $texts;
            } elseif (--$depth === 0) {
                $texts[] = Json::encode(Json::decode(substr($json, $start, $at - $start + 1)));
            }
        }
        Json::decode($json); // says where it ends too early

        return $texts;
    }

    /** Where a string ends (RFC 8259, 7). */
    private static function end(string $json, int $at): int
    {
        do {
            $at = strpos($json, '"', $at + 1);
            if ($at === false) {
                return strlen($json);
            }
            $before = substr($json, max(0, $at - 64), min(64, $at));
            $slashes = strlen($before) - strlen(rtrim($before, '\\'));
        } while ($slashes % 2 === 1);

        return $at;
    }
}
