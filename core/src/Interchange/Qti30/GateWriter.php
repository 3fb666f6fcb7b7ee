<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Question\Question;

/** Parts that earn nothing until others are right: their outcomes are put back, those first that others wait for. */
final class GateWriter
{
    /**
     * @param  array<string, array{string, string}>  $worth  part → its outcome, and what that reaches when it is right
     * @return string|null null when it cannot be said: parts wait for one another, or for one that is marked by hand
     */
    public static function rules(Question $question, array $worth): ?string
    {
        $needs = [];
        foreach ($question->scoring->gates as $gate) {
            $needs[$gate['part']] = array_values(array_unique([...$needs[$gate['part']] ?? [], ...$gate['needs']]));
        }
        $rules = '';
        while ($needs !== []) {
            $next = array_filter($needs, fn (array $all): bool => array_intersect($all, array_keys($needs)) === []);
            if ($next === []) {
                return null;
            }
            foreach ($next as $part => $all) {
                if (! isset($worth[$part]) || array_diff($all, array_keys($worth)) !== []) {
                    return null;
                }
                $tests = implode(
                    '',
                    array_map(
                        fn (
                            string $id,
                        ): string => "<qti-gte><qti-variable identifier=\"{$worth[$id][0]}\"/>".
                            "<qti-base-value base-type=\"float\">{$worth[$id][1]}</qti-base-value></qti-gte>",
                        $all,
                    ),
                );
                $rules .=
                    '<qti-response-condition><qti-response-if><qti-not>'.
                    (count($all) > 1 ? "<qti-and>$tests</qti-and>" : $tests).
                    "</qti-not><qti-set-outcome-value identifier=\"{$worth[$part][0]}\">".
                        '<qti-base-value base-type="float">0</qti-base-value></qti-set-outcome-value></qti-response-if>'.
                        '</qti-response-condition>';
            }
            $needs = array_diff_key($needs, $next);
        }

        return $rules;
    }
}
