<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** The response processing of a part that is marked by its correct response or by a mapping. */
final class ScoredResponse
{
    /**
     * @param  string  $added  what is added to the mapping whenever something was answered; '' for nothing
     * @param  list<string>  $responses  whose mappings are added up, or must all be correct
     * @param  string  $else  what is marked when something was answered; '' for the mapping with what is added
     */
    public static function processing(
        Part $part,
        string $outcome,
        array $responses,
        string $added = '',
        ?Scheme $scheme = null,
        string $else = '',
    ): string {
        $scheme ??= $part->scheme;
        if ($scheme === Scheme::Person) {
            return '';
        }
        $each = fn (string $xml): string => implode('', array_map(fn (string $response): string => sprintf($xml, $response), $responses));
        $several = count($responses) > 1;
        if ($scheme === Scheme::All) {
            $matches = $each('<qti-match><qti-variable identifier="%1$s"/><qti-correct identifier="%1$s"/></qti-match>');

            return '<qti-response-condition><qti-response-if>'.
                ($several ? "<qti-and>$matches</qti-and>" : $matches).
                "<qti-set-outcome-value identifier=\"$outcome\"><qti-base-value base-type=\"float\">".
                ScoreFloats::float($part->points()).
                '</qti-base-value></qti-set-outcome-value></qti-response-if></qti-response-condition>';
        }
        $nulls = $each('<qti-is-null><qti-variable identifier="%1$s"/></qti-is-null>');
        $value = $each('<qti-map-response identifier="%1$s"/>');
        $value =
            $added !== ''
                ? "<qti-sum>$value<qti-base-value base-type=\"float\">$added</qti-base-value></qti-sum>"
                : ($several
                    ? "<qti-sum>$value</qti-sum>"
                    : $value);

        return '<qti-response-condition><qti-response-if>'.
            ($several ? "<qti-and>$nulls</qti-and>" : $nulls).
            "<qti-set-outcome-value identifier=\"$outcome\"><qti-base-value base-type=\"float\">0</qti-base-value>".
                '</qti-set-outcome-value></qti-response-if>'.
            ($else === ''
                ? "<qti-response-else><qti-set-outcome-value identifier=\"$outcome\">$value</qti-set-outcome-value></qti-response-else>"
                : $else).
            '</qti-response-condition>';
    }

    /**
     * A mapping from which each thing beyond so many takes something: branches after the one for no answer.
     *
     * @param  int  $n  how many right ones there are
     * @param  BigRational  $cost  points that each one more costs
     */
    public static function costly(string $outcome, string $response, int $n, BigRational $cost): string
    {
        $given = "<qti-container-size><qti-variable identifier=\"$response\"/></qti-container-size>";
        $most = "<qti-base-value base-type=\"integer\">$n</qti-base-value>";
        $set = fn (string $value): string => "<qti-set-outcome-value identifier=\"$outcome\">$value</qti-set-outcome-value>";
        $mapped = "<qti-map-response identifier=\"$response\"/>";
        $less =
            '<qti-product><qti-base-value base-type="float">'.
            ScoreFloats::float($cost).
            "</qti-base-value><qti-subtract>$given$most</qti-subtract></qti-product>";

        return "<qti-response-else-if><qti-gt>$given$most</qti-gt>".
            $set("<qti-max><qti-base-value base-type=\"float\">0</qti-base-value><qti-subtract>$mapped$less</qti-subtract></qti-max>").
            '</qti-response-else-if><qti-response-else>'.
            $set($mapped).
            '</qti-response-else>';
    }
}
