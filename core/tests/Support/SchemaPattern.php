<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/** A regular expression of XML Schema, judged by libxml2: a reading of the standard that is none of ours. */
final class SchemaPattern
{
    /** @return bool|null null when it is no expression of XML Schema */
    public static function matches(string $pattern, string $text): ?bool
    {
        $kept = libxml_use_internal_errors(true);
        libxml_clear_errors();
        $document = new \DOMDocument;
        $document->appendChild($document->createElement('answer'))->appendChild($document->createTextNode($text));
        $valid = @$document->schemaValidateSource(
            '<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema"><xs:element name="answer"><xs:simpleType>'.
                '<xs:restriction base="xs:string"><xs:pattern value="'.
                htmlspecialchars($pattern, ENT_XML1 | ENT_QUOTES).
                '"/></xs:restriction></xs:simpleType></xs:element></xs:schema>',
        );
        $unreadable =
            // the value does not fit
            array_filter(libxml_get_errors(), fn (\LibXMLError $error): bool => ! in_array($error->code, [1839, 1824], true)) !== [];
        libxml_clear_errors();
        libxml_use_internal_errors($kept);

        return $unreadable ? null : $valid;
    }
}
