<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Question\Question;
use WideQuarry\Question\Tools;

/** Tools of a question as companion materials of an item (QTI 3.0 ASI, 5.24): calculators, rulers, protractors. */
final class CompanionMaterials
{
    public static function xml(Question $question): string
    {
        $tools = Tools::of($question);
        $xml = $tools->calculator === 'none'
            ? ''
            : "<qti-calculator><qti-calculator-type>$tools->calculator</qti-calculator-type>".
                "<qti-description>$tools->calculator calculator</qti-description></qti-calculator>";
        $xml .= $tools->ruler
            ? '<qti-rule><qti-description>ruler</qti-description><qti-rule-system-si><qti-minimum-length>0</qti-minimum-length>'.
                '<qti-minor-increment unit="Millimeter">1</qti-minor-increment>'.
                '<qti-major-increment unit="Centimeter">1</qti-major-increment>'.
                '</qti-rule-system-si></qti-rule>'
            : '';
        $xml .= $tools->protractor
            ? '<qti-protractor><qti-description>protractor</qti-description><qti-increment-si>'.
                '<qti-minor-increment unit="Degree">1</qti-minor-increment><qti-major-increment unit="Degree">10</qti-major-increment>'.
                '</qti-increment-si></qti-protractor>'
            : '';

        return $xml === '' ? '' : "<qti-companion-materials-info>$xml</qti-companion-materials-info>";
    }

    /** @return \stdClass|null tools; null where there are none */
    public static function read(\DOMElement $item): ?\stdClass
    {
        $tools = [];
        $info = Xml::child($item, 'qti-companion-materials-info');
        foreach ($info === null ? [] : Xml::children($info) as $material) {
            $type = trim(Xml::child($material, 'qti-calculator-type')->textContent ?? '');
            $tools = [...$tools, ...match ($material->localName) {
                'qti-calculator' => ['calculator' => $type === 'basic' ? 'basic' : 'scientific'],
                'qti-rule' => ['ruler' => true],
                'qti-protractor' => ['protractor' => true],
                default => [],
            }];
        }

        return $tools === [] ? null : (object) $tools;
    }

    /** Whether there is something that no tool of ours is. */
    public static function hasMore(\DOMElement $info): bool
    {
        $known = ['qti-calculator', 'qti-rule', 'qti-protractor'];

        return Xml::children($info) === [] ||
            array_filter(Xml::children($info), fn (\DOMElement $one): bool => ! in_array($one->localName, $known, true)) !== [];
    }
}
