<?php

declare(strict_types=1);

namespace Database\Seeders;

use WideQuarry\Interchange\Package\ZipWriter;

/** A QTI 3.0 package as others send it, with its faults: what an intake has to cope with. demo/files/quarry-visit.zip is this. */
final class UntidyPackage
{
    private const ITEM = '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="%1$s" title="%2$s" '.
        'adaptive="false" time-dependent="false" '.
        'xml:lang="en-GB">%3$s<qti-item-body>%4$s</qti-item-body>%5$s</qti-assessment-item>';

    private const MATCH = '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>';

    public static function write(string $file): void
    {
        $zip = new ZipWriter($file);
        $resources = '';
        foreach (self::items() as $name => $xml) {
            $zip->add("items/$name.xml", $xml);
            $resources .= "<resource identifier=\"R-$name\" type=\"imsqti_item_xmlv3p0\" href=\"items/$name.xml\">".
                "<file href=\"items/$name.xml\"/></resource>";
        }
        $zip->add(
            'imsmanifest.xml',
            '<?xml version="1.0"?><manifest xmlns="http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1" identifier="M-1"><metadata>'.
                '<schema>QTI Package</schema><schemaversion>3.0.0</schemaversion></metadata><organizations/><resources>'.
                $resources.
                '<resource identifier="R-gone" type="imsqti_item_xmlv3p0" href="items/gone.xml"><file href="items/gone.xml"/>'.
                    '</resource></resources></manifest>',
        );
        $zip->close();
    }

    /** @return array<string, string> */
    private static function items(): array
    {
        return [
            'hardness' => self::choice(
                'q-01',
                'Hardness',
                '<p>Which of these scratches glass?</p>',
                ['Gypsum', 'Calcite', 'Quartz', 'Talc'],
                2,
            ),
            'bedding' => self::choice(
                'q-02',
                'Bedding',
                '<p>Beds of sandstone that slope within one layer show …</p><script>alert(1)</script>',
                ['cross-bedding', 'cleavage', 'foliation'],
                0,
            ),
            'picture' => self::choice(
                'q-03',
                'The face of the quarry',
                '<p>What is the dark band in the picture? <img src="../media/face.png" alt="A quarry face with a dark band"/></p>',
                ['a basalt sill', 'a coal seam', 'a fault'],
                0,
            ),
            'unkeyed' => str_replace(
                ['<qti-correct-response><qti-value>B</qti-value></qti-correct-response>', self::MATCH],
                '',
                self::choice('q-04', 'No key', '<p>Which process rounds pebbles?</p>', ['Cementation', 'Abrasion', 'Melting'], 1),
            ),
            'mapped' => sprintf(
                self::ITEM,
                'q-05',
                'A soft rock',
                self::declared(
                    'string',
                    '<qti-mapping default-value="0"><qti-map-entry map-key="chalk" mapped-value="2"/>'.
                        '<qti-map-entry map-key="limestone" mapped-value="1"/></qti-mapping>',
                ),
                '<p>The white cliffs are made of <qti-text-entry-interaction response-identifier="RESPONSE" expected-length="12"/>.</p>',
                '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/map_response.xml"/>',
            ),
            'custom' => sprintf(
                self::ITEM,
                'q-06',
                'Marked its own way',
                self::declared('identifier', '<qti-correct-response><qti-value>A</qti-value></qti-correct-response>'),
                '<qti-choice-interaction response-identifier="RESPONSE" max-choices="1">'.
                    '<qti-prompt>Slate splits along …</qti-prompt><qti-simple-choice identifier="A">cleavage</qti-simple-choice>'.
                    '<qti-simple-choice identifier="B">bedding</qti-simple-choice></qti-choice-interaction>',
                '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-random-float min="0" max="1"/>'.
                    '</qti-set-outcome-value></qti-response-processing>',
            ),
            'drawing' => sprintf(
                self::ITEM,
                'q-07',
                'Draw the section',
                self::declared('file', ''),
                '<p>Draw the section you saw.</p><qti-drawing-interaction response-identifier="RESPONSE">'.
                    '<object data="sheet.png" type="image/png"/></qti-drawing-interaction>',
                '',
            ),
            'broken' => '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="q-08" title="Cut off">'.
                '<qti-item-body><p>Which fossil',
            'again' => self::choice(
                'q-09',
                'Hardness once more',
                '<p>Which of these scratches <strong>glass</strong>?</p>',
                ['Talc', 'Quartz', 'Calcite', 'Gypsum'],
                1,
            ),
            'rate' => sprintf(
                self::ITEM,
                'q-10',
                'How fast it wears',
                self::declared('float', '<qti-correct-response><qti-value>0.5</qti-value></qti-correct-response>'),
                '<p>A step wears down 50 mm in 100 years. That is <qti-text-entry-interaction response-identifier="RESPONSE" '.
                    'expected-length="6"/> mm a year.</p>',
                self::MATCH,
            ),
        ];
    }

    /** @param  list<string>  $options */
    private static function choice(string $identifier, string $title, string $stem, array $options, int $right): string
    {
        $choices = '';
        foreach ($options as $i => $option) {
            $choices .= '<qti-simple-choice identifier="'.chr(65 + $i)."\">$option</qti-simple-choice>";
        }

        return sprintf(
            self::ITEM,
            $identifier,
            $title,
            self::declared('identifier', '<qti-correct-response><qti-value>'.chr(65 + $right).'</qti-value></qti-correct-response>'),
            "$stem<qti-choice-interaction response-identifier=\"RESPONSE\" max-choices=\"1\">$choices</qti-choice-interaction>",
            self::MATCH,
        );
    }

    private static function declared(string $type, string $inside): string
    {
        return "<qti-response-declaration identifier=\"RESPONSE\" cardinality=\"single\" base-type=\"$type\">$inside</qti-response-declaration>".
            '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>';
    }
}
