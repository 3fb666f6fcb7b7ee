<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti2;

/**
 * Elements and attributes of QTI 2.1 and 2.2 (IMS QTI ASI Information Model, 2012 and 2015) by what 3.0 calls them: the same words with
 * hyphens, and `qti-` before an element. Words of HTML and MathML are the same in all versions and are not listed.
 */
final class Vocabulary
{
    private const ELEMENTS = [
        // items and what they declare
        'assessmentItem',
        'assessmentStimulus',
        'assessmentStimulusRef',
        'stimulusBody',
        'responseDeclaration',
        'outcomeDeclaration',
        'templateDeclaration',
        'correctResponse',
        'defaultValue',
        'value',
        'mapping',
        'mapEntry',
        'areaMapping',
        'areaMapEntry',
        'matchTable',
        'matchTableEntry',
        'interpolationTable',
        'interpolationTableEntry',
        'stylesheet',
        'itemBody',
        'modalFeedback',
        'rubricBlock',
        'feedbackBlock',
        'feedbackInline',
        'templateBlock',
        'templateInline',
        'printedVariable',
        'infoControl',
        // interactions and what is in them
        'choiceInteraction',
        'orderInteraction',
        'associateInteraction',
        'matchInteraction',
        'gapMatchInteraction',
        'inlineChoiceInteraction',
        'textEntryInteraction',
        'extendedTextInteraction',
        'hottextInteraction',
        'hotspotInteraction',
        'selectPointInteraction',
        'graphicOrderInteraction',
        'graphicAssociateInteraction',
        'graphicGapMatchInteraction',
        'positionObjectInteraction',
        'positionObjectStage',
        'sliderInteraction',
        'mediaInteraction',
        'drawingInteraction',
        'uploadInteraction',
        'endAttemptInteraction',
        'customInteraction',
        'prompt',
        'simpleChoice',
        'simpleAssociableChoice',
        'simpleMatchSet',
        'inlineChoice',
        'hottext',
        'hotspotChoice',
        'associableHotspot',
        'gap',
        'gapText',
        'gapImg',
        // processing
        'responseProcessing',
        'responseProcessingFragment',
        'responseCondition',
        'responseIf',
        'responseElseIf',
        'responseElse',
        'setOutcomeValue',
        'lookupOutcomeValue',
        'exitResponse',
        'templateProcessing',
        'templateCondition',
        'templateIf',
        'templateElseIf',
        'templateElse',
        'setTemplateValue',
        'setCorrectResponse',
        'setDefaultValue',
        'exitTemplate',
        'templateConstraint',
        'outcomeProcessing',
        'outcomeCondition',
        'outcomeIf',
        'outcomeElseIf',
        'outcomeElse',
        'exitTest',
        // expressions
        'baseValue',
        'variable',
        'default',
        'correct',
        'mapResponse',
        'mapResponsePoint',
        'mathConstant',
        'null',
        'randomInteger',
        'randomFloat',
        'multiple',
        'ordered',
        'containerSize',
        'isNull',
        'index',
        'fieldValue',
        'random',
        'member',
        'delete',
        'contains',
        'substring',
        'not',
        'and',
        'or',
        'anyN',
        'match',
        'stringMatch',
        'patternMatch',
        'equal',
        'equalRounded',
        'inside',
        'lt',
        'gt',
        'lte',
        'gte',
        'durationLT',
        'durationGTE',
        'sum',
        'product',
        'subtract',
        'divide',
        'power',
        'integerDivide',
        'integerModulus',
        'truncate',
        'round',
        'roundTo',
        'integerToFloat',
        'statsOperator',
        'mathOperator',
        'max',
        'min',
        'gcd',
        'lcm',
        'repeat',
        'customOperator',
        'testVariables',
        'outcomeMaximum',
        'outcomeMinimum',
        'numberCorrect',
        'numberIncorrect',
        'numberPresented',
        'numberResponded',
        'numberSelected',
        // tests
        'assessmentTest',
        'testPart',
        'assessmentSection',
        'assessmentSectionRef',
        'assessmentItemRef',
        'itemSessionControl',
        'timeLimits',
        'selection',
        'ordering',
        'weight',
        'preCondition',
        'branchRule',
        'templateDefault',
        'variableMapping',
        'testFeedback',
    ];

    private const ATTRIBUTES = [
        'timeDependent',
        'toolName',
        'toolVersion',
        'baseType',
        'defaultValue',
        'lowerBound',
        'upperBound',
        'mapKey',
        'mappedValue',
        'caseSensitive',
        'normalMaximum',
        'normalMinimum',
        'masteryValue',
        'longInterpretation',
        'mathVariable',
        'paramVariable',
        'responseIdentifier',
        'maxChoices',
        'minChoices',
        'templateIdentifier',
        'showHide',
        'outcomeIdentifier',
        'matchMax',
        'matchMin',
        'matchGroup',
        'maxAssociations',
        'minAssociations',
        'expectedLength',
        'patternMask',
        'placeholderText',
        'expectedLines',
        'maxStrings',
        'minStrings',
        'countAttempt',
        'stepLabel',
        'objectLabel',
        'hotspotLabel',
        'centerPoint',
        'sourceValue',
        'targetValue',
        'includeBoundary',
        'toleranceMode',
        'includeLowerBound',
        'includeUpperBound',
        'roundingMode',
        'fieldIdentifier',
        'numberRepeats',
        'powerForm',
        'mappingIndicator',
        'navigationMode',
        'submissionMode',
        'maxAttempts',
        'showFeedback',
        'allowReview',
        'showSolution',
        'allowComment',
        'validateResponses',
        'allowSkipping',
        'minTime',
        'maxTime',
        'allowLateSubmission',
        'keepTogether',
        'withReplacement',
        'sectionIdentifier',
        'includeCategory',
        'excludeCategory',
        'weightIdentifier',
        'variableIdentifier',
        'externalScored',
        'variableIdentifierRef',
        'sourceIdentifier',
        'templateLocation',
    ];

    /** @var array<string, string>|null */
    private static ?array $elements = null;

    /** @var array<string, string>|null */
    private static ?array $attributes = null;

    /** What 3.0 calls an element; null when it is none of QTI 2. Whoever wrote it in the wrong case is understood. */
    public static function element(string $name): ?string
    {
        self::$elements ??= self::table(self::ELEMENTS, 'qti-');

        return self::$elements[strtolower($name)] ?? null;
    }

    public static function attribute(string $name): string
    {
        self::$attributes ??= self::table(self::ATTRIBUTES, '');

        return self::$attributes[strtolower($name)] ?? $name;
    }

    /** What 2.x calls an element of 3.0; the name itself when it has none. @param  string  $name  with `qti-` before it */
    public static function elementThere(string $name): string
    {
        $short = substr($name, 4);

        return match ($short) {
            'duration-lt' => 'durationLT',
            'duration-gte' => 'durationGTE',
            default => self::camel($short),
        };
    }

    public static function attributeThere(string $name): string
    {
        return preg_match('/^(?:data-|aria-)|:/', $name) === 1 ? $name : self::camel($name);
    }

    /**
     * @param  list<string>  $names
     * @return array<string, string> in small letters → with hyphens
     */
    private static function table(array $names, string $before): array
    {
        $table = [];
        foreach ($names as $name) {
            $table[strtolower($name)] = $before.strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', '-', $name));
        }

        return $table;
    }

    private static function camel(string $name): string
    {
        return lcfirst(str_replace('-', '', ucwords($name, '-')));
    }
}
