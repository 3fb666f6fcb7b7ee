<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/**
 * Whether an item has the shape that the information model of QTI gives it (2.1 and 2.2; 3.0 by the same names with hyphens): which
 * elements stand in which, in what order, with which attributes; identifiers; what refers to what. Written from the standard, with
 * nothing of the writers.
 */
final class ItemShape
{
    private const ROOT = [
        'responseDeclaration',
        'outcomeDeclaration',
        'templateDeclaration',
        'templateProcessing',
        'assessmentStimulusRef',
        'companionMaterialsInfo',
        'stylesheet',
        'itemBody',
        'responseProcessing',
        'modalFeedback',
    ];

    private const INLINE = 'a abbr b br cite code em i img q small span strong sub sup var math textEntryInteraction '.
        'inlineChoiceInteraction gap hottext printedVariable object audio video';

    private const BLOCK = 'p h1 h2 h3 h4 h5 h6 pre blockquote ul ol table div choiceInteraction orderInteraction matchInteraction '.
        'hotspotInteraction selectPointInteraction graphicGapMatchInteraction extendedTextInteraction sliderInteraction gapMatchInteraction hottextInteraction object audio video img math hr';

    private const VALUES = 'baseValue variable correct mapResponse mapResponsePoint inside truncate integerToFloat sum product subtract divide power roundTo mathOperator min max '.
        'multiple ordered index randomInteger random containerSize isNull match member contains not and or equal '.
        'mathConstant statsOperator gcd lcm integerModulus integerDivide round '.
        'equalRounded gt gte lt lte stringMatch substring patternMatch null default';

    /** Element → attributes, those that must be there with `!`; then what may stand in it. */
    private const ELEMENTS = [
        'assessmentItem' => ['identifier! title! adaptive! timeDependent! lang', '*'],
        'responseDeclaration' => ['identifier! cardinality! baseType', 'correctResponse mapping areaMapping'],
        'correctResponse' => ['', 'value'],
        'value' => ['', ''],
        'defaultValue' => ['', 'value'],
        'mapping' => ['defaultValue lowerBound upperBound', 'mapEntry'],
        'mapEntry' => ['mapKey! mappedValue! caseSensitive', ''],
        'outcomeDeclaration' => ['identifier! cardinality! baseType normalMaximum', 'defaultValue'],
        'templateDeclaration' => ['identifier! cardinality! baseType mathVariable', 'defaultValue'],
        'templateProcessing' => ['', 'setTemplateValue templateConstraint setCorrectResponse templateCondition'],
        'templateCondition' => ['', 'templateIf templateElseIf templateElse'],
        'templateIf' => ['', self::VALUES.' setTemplateValue templateCondition'],
        'templateElse' => ['', 'setTemplateValue templateCondition'],
        'mathConstant' => ['name!', ''],
        'statsOperator' => ['name!', self::VALUES],
        'gcd' => ['', self::VALUES],
        'lcm' => ['', self::VALUES],
        'round' => ['', self::VALUES],
        'companionMaterialsInfo' => ['', 'calculator rule protractor'],
        'calculator' => ['', 'calculatorType description'],
        'calculatorType' => ['', ''],
        'description' => ['', ''],
        'rule' => ['', 'description ruleSystemSi'],
        'ruleSystemSi' => ['', 'minimumLength minorIncrement majorIncrement'],
        'minimumLength' => ['', ''],
        'minorIncrement' => ['unit', ''],
        'majorIncrement' => ['unit', ''],
        'protractor' => ['', 'description incrementSi'],
        'incrementSi' => ['', 'minorIncrement majorIncrement'],
        'setTemplateValue' => ['identifier!', self::VALUES],
        'templateConstraint' => ['', self::VALUES],
        'setCorrectResponse' => ['identifier!', self::VALUES],
        'itemBody' => ['', self::BLOCK],
        'div' => ['class', self::BLOCK.' '.self::INLINE],
        'p' => ['class', self::INLINE],
        'hr' => ['', ''],
        'h3' => ['', self::INLINE],
        'h4' => ['', self::INLINE],
        'h5' => ['', self::INLINE],
        'pre' => ['', self::INLINE],
        'blockquote' => ['', self::BLOCK],
        'ul' => ['', 'li'],
        'ol' => ['class', 'li'],
        'li' => ['', self::BLOCK.' '.self::INLINE],
        'table' => ['', 'caption thead tbody'],
        'caption' => ['', self::INLINE],
        'thead' => ['', 'tr'],
        'tbody' => ['', 'tr'],
        'tr' => ['', 'th td'],
        'th' => ['scope colspan rowspan class', self::BLOCK.' '.self::INLINE],
        'td' => ['colspan rowspan class', self::BLOCK.' '.self::INLINE],
        'strong' => ['', self::INLINE],
        'em' => ['', self::INLINE],
        'sub' => ['', self::INLINE],
        'sup' => ['', self::INLINE],
        'code' => ['', self::INLINE],
        'span' => ['class', self::INLINE],
        'a' => ['href!', self::INLINE],
        'br' => ['', ''],
        'img' => ['src! alt! width height class', ''],
        'printedVariable' => ['identifier! format', ''],
        'choiceInteraction' => ['responseIdentifier! shuffle! maxChoices! minChoices orientation class', 'prompt simpleChoice'],
        'orderInteraction' => ['responseIdentifier! shuffle! orientation class', 'prompt simpleChoice'],
        'simpleChoice' => ['identifier! fixed', self::BLOCK.' '.self::INLINE],
        'matchInteraction' => ['responseIdentifier! shuffle! maxAssociations! class', 'prompt simpleMatchSet simpleMatchSet'],
        'simpleMatchSet' => ['', 'simpleAssociableChoice'],
        'simpleAssociableChoice' => ['identifier! matchMax! fixed', self::BLOCK.' '.self::INLINE],
        'gapMatchInteraction' => ['responseIdentifier! shuffle! class', 'prompt gapText '.self::BLOCK],
        'gapText' => ['identifier! matchMax!', ''],
        'gap' => ['identifier!', ''],
        'hottextInteraction' => ['responseIdentifier! maxChoices! minChoices class', 'prompt '.self::BLOCK],
        'hottext' => ['identifier!', self::INLINE],
        'hotspotInteraction' => ['responseIdentifier! maxChoices! minChoices class', 'prompt object img hotspotChoice'],
        'hotspotChoice' => ['identifier! shape! coords! hotspotLabel', ''],
        'selectPointInteraction' => ['responseIdentifier! maxChoices! minChoices', 'prompt object img'],
        'graphicGapMatchInteraction' => [
            'responseIdentifier! maxAssociations class',
            'prompt object img gapImg gapText associableHotspot',
        ],
        'gapImg' => ['identifier! matchMax! objectLabel', 'object'],
        'associableHotspot' => ['identifier! shape! coords! matchMax! hotspotLabel class', ''],
        'areaMapping' => ['defaultValue lowerBound upperBound', 'areaMapEntry'],
        'areaMapEntry' => ['shape! coords! mappedValue!', ''],
        'textEntryInteraction' => ['responseIdentifier! expectedLength patternMask', ''],
        'extendedTextInteraction' => ['responseIdentifier! expectedLines expectedLength format', 'prompt'],
        'inlineChoiceInteraction' => ['responseIdentifier! shuffle!', 'inlineChoice'],
        'inlineChoice' => ['identifier! fixed', ''],
        'sliderInteraction' => ['responseIdentifier! lowerBound! upperBound! step', 'prompt'],
        'responseProcessing' => ['template', 'responseCondition setOutcomeValue'],
        'responseCondition' => ['', 'responseIf responseElseIf responseElse'],
        'responseIf' => ['', self::VALUES.' setOutcomeValue responseCondition'],
        'responseElseIf' => ['', self::VALUES.' setOutcomeValue responseCondition'],
        'responseElse' => ['', 'setOutcomeValue responseCondition'],
        'setOutcomeValue' => ['identifier!', self::VALUES],
        'modalFeedback' => ['outcomeIdentifier! showHide! identifier! title', self::BLOCK.' '.self::INLINE],
        'baseValue' => ['baseType!', ''],
        'variable' => ['identifier!', ''],
        'correct' => ['identifier!', ''],
        'mapResponse' => ['identifier!', ''],
        'mapResponsePoint' => ['identifier!', ''],
        'inside' => ['shape! coords!', self::VALUES],
        'default' => ['identifier!', ''],
        'null' => ['', ''],
        'equal' => ['toleranceMode! tolerance includeLowerBound includeUpperBound', self::VALUES],
        'equalRounded' => ['roundingMode! figures!', self::VALUES],
        'roundTo' => ['roundingMode! figures!', self::VALUES],
        'mathOperator' => ['name!', self::VALUES],
        'stringMatch' => ['caseSensitive! substring', self::VALUES],
        'substring' => ['caseSensitive!', self::VALUES],
        'patternMatch' => ['pattern!', self::VALUES],
        'index' => ['n!', self::VALUES],
        'randomInteger' => ['min! max! step', ''],
    ];

    /** How many operands an operator takes. */
    private const TAKES = [
        'subtract' => 2,
        'divide' => 2,
        'power' => 2,
        'equal' => 2,
        'equalRounded' => 2,
        'gt' => 2,
        'gte' => 2,
        'lt' => 2,
        'lte' => 2,
        'match' => 2,
        'member' => 2,
        'contains' => 2,
        'stringMatch' => 2,
        'substring' => 2,
        'not' => 1,
        'isNull' => 1,
        'roundTo' => 1,
        'mathOperator' => 1,
        'index' => 1,
        'patternMatch' => 1,
        'containerSize' => 1,
        'random' => 1,
        'setOutcomeValue' => 1,
        'setTemplateValue' => 1,
        'setCorrectResponse' => 1,
        'templateConstraint' => 1,
    ];

    /** @return list<string> what is wrong, none when it is as it should be */
    public static function wrong(string $xml, string $version): array
    {
        $document = new \DOMDocument;
        if (! @$document->loadXML($xml)) {
            return ['not well-formed'];
        }
        $wrong = $names = $declared = [];
        foreach ($document->getElementsByTagName('*') as $e) {
            $name = self::name($e);
            if ($e->namespaceURI === 'http://www.w3.org/1998/Math/MathML') {
                continue;
            }
            [$attributes, $inner] =
                self::ELEMENTS[$name] ?? (in_array($name, explode(' ', self::VALUES), true) ? ['', self::VALUES] : [null, '']);
            if ($attributes === null || ($name !== $e->localName) !== ($version === '3.0' && str_starts_with($e->localName, 'qti-'))) {
                $later = match ($e->localName) {
                    'audio', 'video', 'track', 'source' => $version !== '2.1', // 2.2 took them over from HTML 5
                    'qti-content-body', 'u', 's', 'figure', 'figcaption' => $version === '3.0',
                    'object' => true,
                    default => false,
                };
                $later || ($wrong[] = "unknown: $e->localName");

                continue;
            }
            $has = [];
            foreach ($e->attributes as $attribute) {
                $has[] = $short =
                    $version === '3.0'
                        ? lcfirst(str_replace(' ', '', ucwords(str_replace('-', ' ', $attribute->localName))))
                        : $attribute->localName;
                $allowed =
                    in_array($short, explode(' ', str_replace('!', '', $attributes)), true) ||
                    ($version === '3.0' &&
                        (str_starts_with($attribute->nodeName, 'data-') ||
                            $attribute->nodeName === 'max-associations' ||
                            in_array($name, ['ol'], true))) ||
                    $short === 'lang';
                $allowed = $allowed && ! ($version === '2.1' && in_array($short, ['orientation', 'maxAssociations'], true) &&
                    in_array($name, ['choiceInteraction', 'graphicGapMatchInteraction'], true));
                $allowed || ($wrong[] = "$name has $attribute->nodeName");
            }
            foreach (explode(' ', $attributes) as $must) {
                str_ends_with($must, '!') && ! in_array(substr($must, 0, -1), $has, true) && ($wrong[] = "$name lacks $must");
            }
            foreach (self::children($e) as $child) {
                $inner === '*' ||
                    in_array(self::name($child), [...explode(' ', $inner), 'u', 's', 'contentBody', 'figure'], true) ||
                    ($wrong[] = self::name($child)." in $name");
            }
            isset(self::TAKES[$name]) &&
                count(self::children($e)) !== self::TAKES[$name] &&
                ($wrong[] = "$name of ".count(self::children($e)));
            $id = $e->getAttribute('identifier');
            $id === '' || preg_match('/^[\p{L}_][\p{L}\p{N}_.-]*$/uD', $id) === 1 || ($wrong[] = "identifier $id");
            str_ends_with($name, 'Declaration') && ($declared[$name][] = $id);
            in_array($name, ['simpleChoice', 'inlineChoice', 'gapText', 'gap', 'hottext', 'simpleAssociableChoice'], true) &&
                ($names[self::interaction($e)][] = $id);
        }
        foreach ($names as $ids) {
            array_unique($ids) === $ids || ($wrong[] = 'one identifier twice');
        }
        $all = array_merge(...array_values($declared ?: [[]]));
        array_unique($all) === $all || ($wrong[] = 'a variable declared twice');
        foreach ($document->getElementsByTagName('*') as $e) {
            $refers = in_array(
                self::name($e),
                ['variable', 'setOutcomeValue', 'setTemplateValue', 'setCorrectResponse', 'correct', 'mapResponse', 'printedVariable'],
                true,
            )
                ? [$e->getAttribute('identifier')]
                : array_filter([
                    $e->getAttribute('responseIdentifier') ?: $e->getAttribute('response-identifier'),
                    $e->getAttribute('outcomeIdentifier') ?: $e->getAttribute('outcome-identifier'),
                ]);
            array_diff($refers, $all) === [] || ($wrong[] = self::name($e).' refers to '.implode($refers));
        }
        $order = array_map(
            fn (\DOMElement $child): int => (int) array_search(self::name($child), self::ROOT, true),
            self::children($document->documentElement),
        );
        $sorted = $order;
        sort($sorted);
        $sorted === $order || ($wrong[] = 'children of the item out of order');

        return array_values(array_unique($wrong));
    }

    /** Identifiers are told apart within an interaction. */
    private static function interaction(\DOMElement $e): string
    {
        for ($up = $e; $up instanceof \DOMElement; $up = $up->parentNode) {
            if (str_ends_with(self::name($up), 'Interaction')) {
                return $up->getNodePath() ?? '';
            }
        }

        return '';
    }

    /** @return list<\DOMElement> */
    private static function children(\DOMElement $e): array
    {
        return array_values(
            array_filter(iterator_to_array($e->childNodes, false), fn (\DOMNode $node): bool => $node instanceof \DOMElement),
        );
    }

    private static function name(\DOMElement $e): string
    {
        return str_starts_with($e->localName, 'qti-')
            ? lcfirst(str_replace(' ', '', ucwords(str_replace('-', ' ', substr($e->localName, 4)))))
            : $e->localName;
    }
}
