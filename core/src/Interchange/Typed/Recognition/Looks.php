<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** What an option looks like where others may look otherwise. */
final class Looks
{
    /** Options may carry one sign of this kind before or after them; which one does not matter. */
    public const SIGN = '/^([^\p{L}\p{N}\s(\["\'“‘£$€−+.,\x{FFFC}-]{1,3})\s*(?=\S)|'.
        '(?<=\S)\s*([^\p{L}\p{N}\s)\]"\'”’.,?!%°:;…²³\x{FFFC}-]{1,3})$/u';

    /** "(correct)", "← right answer". */
    private const SAID = '/(?<=\S)\s*([(\[←<*–-]+\s*(?:(?:correct|right)(?:\s+answer)?|answer|key'.
        '|richtig|juste|correcta|corretta|juist|poprawna)\s*[)\]]?)$/iu';

    /** Looks that say nothing of a key: they belong to what is said. */
    private const WITHIN = ['sub', 'sup', 'code', 'auto'];

    /** @return list<string> `bold`, `highlight`, `highlight:yellow`, `sign:*`, `letter:bold` … */
    public static function of(Words $words, ?Words $label = null, string $sign = ''): array
    {
        $looks = self::marks($words);
        if ($label !== null) {
            foreach (self::marks($label) as $look) {
                $looks[] = "letter:$look";
            }
        }
        if ($sign !== '') {
            $looks[] = "sign:$sign";
        }
        if (preg_match(self::SIGN, $words->text(), $m) === 1) {
            $looks[] = 'sign:'.trim($m[1] !== '' ? $m[1] : $m[2]);
        }

        if (preg_match(self::SAID, $words->text(), $m) === 1) {
            $looks[] = 'sign:'.trim($m[1]);
        }

        return array_values(array_unique($looks));
    }

    /** @return list<string> */
    private static function marks(Words $words): array
    {
        $marks = array_values(array_diff($words->marks(), self::WITHIN));
        foreach ($marks as $mark) {
            if (str_contains($mark, ':')) {
                $marks[] = explode(':', $mark)[0];
            }
        }

        return array_values(array_unique($marks));
    }

    /** Without the look that gives the answer away. */
    public static function without(Words $words, string $look): Words
    {
        if (str_starts_with($look, 'sign:')) {
            $sign = preg_quote(substr($look, 5), '/');

            return $words->without("/^$sign\\s*(?=\\S)|(?<=\\S)\\s*$sign$/u");
        }
        foreach ($words->runs as $run) {
            foreach ($run->marks as $mark) {
                if ($mark === $look || explode(':', $mark)[0] === $look || ($look === 'unstruck' && $mark === 'strike')) {
                    $words = $words->withoutMark($mark);
                }
            }
        }

        return $words;
    }
}
