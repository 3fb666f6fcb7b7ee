<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

/**
 * The content models of QTI 1.2.1 (ASI DTD) of what can be written: order, number and attributes of elements; and those of the profile of
 * Common Cartridge 1.3, which is narrower.
 */
final class Dtd12
{
    private const MODELS = <<<'DTD'
    <!ELEMENT questestinterop (qticomment?, (objectbank | assessment | (section | item)+))>
    <!ELEMENT qticomment (#PCDATA)>
    <!ELEMENT objectbank (qticomment?, qtimetadata*, (section | item)+)>
    <!ATTLIST objectbank ident CDATA #REQUIRED>
    <!ELEMENT assessment (qticomment?, duration?, qtimetadata*, presentation_material?, selection_ordering?, (section)+)>
    <!ATTLIST assessment ident CDATA #REQUIRED title CDATA #IMPLIED xml:lang CDATA #IMPLIED>
    <!ELEMENT duration (#PCDATA)>
    <!ELEMENT section (qticomment?, duration?, qtimetadata*, presentation_material?, selection_ordering?, (itemref | item | section)*)>
    <!ATTLIST section ident CDATA #REQUIRED title CDATA #IMPLIED xml:lang CDATA #IMPLIED>
    <!ELEMENT presentation_material (qticomment?, flow_mat+)>
    <!ELEMENT selection_ordering (qticomment?, selection*, order?)>
    <!ATTLIST selection_ordering sequence_type CDATA #IMPLIED>
    <!ELEMENT selection (sourcebank_ref?, selection_number?)>
    <!ELEMENT sourcebank_ref (#PCDATA)>
    <!ELEMENT selection_number (#PCDATA)>
    <!ELEMENT order EMPTY>
    <!ATTLIST order order_type CDATA #REQUIRED>
    <!ELEMENT itemref (#PCDATA)>
    <!ATTLIST itemref linkrefid CDATA #REQUIRED>
    <!ELEMENT item (qticomment?, duration?, itemmetadata?, presentation?, resprocessing*, itemfeedback*)>
    <!ATTLIST item ident CDATA #REQUIRED title CDATA #IMPLIED label CDATA #IMPLIED maxattempts CDATA #IMPLIED xml:lang CDATA #IMPLIED>
    <!ELEMENT itemmetadata (qtimetadata*)>
    <!ELEMENT qtimetadata (qtimetadatafield+)>
    <!ELEMENT qtimetadatafield (fieldlabel, fieldentry)>
    <!ELEMENT fieldlabel (#PCDATA)>
    <!ELEMENT fieldentry (#PCDATA)>
    <!ELEMENT presentation (qticomment?, (flow | (material | response_lid | response_str | response_num | response_grp)+))>
    <!ATTLIST presentation label CDATA #IMPLIED xml:lang CDATA #IMPLIED>
    <!ELEMENT flow (flow | material | response_lid | response_str | response_num | response_grp)+>
    <!ATTLIST flow class CDATA #IMPLIED>
    <!ELEMENT response_lid (material?, render_choice, material?)>
    <!ATTLIST response_lid ident CDATA #REQUIRED rcardinality (Single | Multiple | Ordered) "Single" rtiming (Yes | No) "No">
    <!ELEMENT response_str (material?, render_fib, material?)>
    <!ATTLIST response_str ident CDATA #REQUIRED rcardinality (Single | Multiple | Ordered) "Single">
    <!ELEMENT response_num (material?, (render_fib | render_slider), material?)>
    <!ATTLIST response_num ident CDATA #REQUIRED rcardinality (Single | Multiple | Ordered) "Single" numtype (Integer | Decimal | Scientific) "Integer">
    <!ELEMENT response_grp (material?, render_choice, material?)>
    <!ATTLIST response_grp ident CDATA #REQUIRED rcardinality (Single | Multiple | Ordered) "Single">
    <!ELEMENT render_choice (material | response_label)*>
    <!ATTLIST render_choice shuffle (Yes | No) "No" minnumber CDATA #IMPLIED maxnumber CDATA #IMPLIED>
    <!ELEMENT render_fib (material | response_label)*>
    <!ATTLIST render_fib fibtype (String | Integer | Decimal | Scientific) "String" rows CDATA #IMPLIED columns CDATA #IMPLIED maxchars CDATA #IMPLIED prompt (Box | Dashline | Asterisk | Underline) #IMPLIED>
    <!ELEMENT render_slider (material | response_label)*>
    <!ATTLIST render_slider lowerbound CDATA #REQUIRED upperbound CDATA #REQUIRED step CDATA #IMPLIED orientation (Horizontal | Vertical) #IMPLIED>
    <!ELEMENT response_label (#PCDATA | material | flow_mat)*>
    <!ATTLIST response_label ident CDATA #REQUIRED rshuffle (Yes | No) "Yes" match_group CDATA #IMPLIED match_max CDATA #IMPLIED>
    <!ELEMENT material (mattext)+>
    <!ELEMENT mattext (#PCDATA)>
    <!ATTLIST mattext texttype CDATA "text/plain" xml:lang CDATA #IMPLIED>
    <!ELEMENT flow_mat (flow_mat | material)+>
    <!ATTLIST flow_mat class CDATA #IMPLIED>
    <!ELEMENT resprocessing (qticomment?, outcomes, respcondition+)>
    <!ATTLIST resprocessing scoremodel CDATA #IMPLIED>
    <!ELEMENT outcomes (qticomment?, decvar+)>
    <!ELEMENT decvar (#PCDATA)>
    <!ATTLIST decvar varname CDATA "SCORE" vartype (Integer | String | Decimal | Scientific | Boolean | Enumerated | Set) "Integer" defaultval CDATA #IMPLIED minvalue CDATA #IMPLIED maxvalue CDATA #IMPLIED>
    <!ELEMENT respcondition (qticomment?, conditionvar, setvar*, displayfeedback*)>
    <!ATTLIST respcondition title CDATA #IMPLIED continue (Yes | No) "No">
    <!ELEMENT conditionvar (not | and | or | unanswered | other | varequal | varlt | varlte | vargt | vargte | varsubset | varsubstring)+>
    <!ELEMENT not (and | or | not | unanswered | other | varequal | varlt | varlte | vargt | vargte | varsubset | varsubstring)>
    <!ELEMENT and (not | and | or | unanswered | other | varequal | varlt | varlte | vargt | vargte | varsubset | varsubstring)+>
    <!ELEMENT or (not | and | or | unanswered | other | varequal | varlt | varlte | vargt | vargte | varsubset | varsubstring)+>
    <!ELEMENT unanswered (#PCDATA)>
    <!ATTLIST unanswered respident CDATA #REQUIRED>
    <!ELEMENT other (#PCDATA)>
    <!ELEMENT varequal (#PCDATA)>
    <!ATTLIST varequal respident CDATA #REQUIRED case (Yes | No) "No" index CDATA #IMPLIED>
    <!ELEMENT varsubstring (#PCDATA)>
    <!ATTLIST varsubstring respident CDATA #REQUIRED case (Yes | No) "No" index CDATA #IMPLIED>
    <!ELEMENT varsubset (#PCDATA)>
    <!ATTLIST varsubset respident CDATA #REQUIRED setmatch (Exact | Partial) "Exact" index CDATA #IMPLIED>
    <!ELEMENT varlt (#PCDATA)>
    <!ATTLIST varlt respident CDATA #REQUIRED index CDATA #IMPLIED>
    <!ELEMENT varlte (#PCDATA)>
    <!ATTLIST varlte respident CDATA #REQUIRED index CDATA #IMPLIED>
    <!ELEMENT vargt (#PCDATA)>
    <!ATTLIST vargt respident CDATA #REQUIRED index CDATA #IMPLIED>
    <!ELEMENT vargte (#PCDATA)>
    <!ATTLIST vargte respident CDATA #REQUIRED index CDATA #IMPLIED>
    <!ELEMENT setvar (#PCDATA)>
    <!ATTLIST setvar varname CDATA "SCORE" action (Set | Add | Subtract | Multiply | Divide) "Set">
    <!ELEMENT displayfeedback (#PCDATA)>
    <!ATTLIST displayfeedback feedbacktype (Response | Solution | Hint) "Response" linkrefid CDATA #REQUIRED>
    <!ELEMENT itemfeedback ((flow_mat | material) | solution | hint)+>
    <!ATTLIST itemfeedback ident CDATA #REQUIRED view CDATA "All" title CDATA #IMPLIED>
    <!ELEMENT solution (qticomment?, solutionmaterial+)>
    <!ELEMENT solutionmaterial (material+ | flow_mat+)>
    <!ELEMENT hint (qticomment?, hintmaterial+)>
    <!ELEMENT hintmaterial (material+ | flow_mat+)>
    DTD;

    /** What the profile of the cartridge has otherwise: no languages, one response, a weight, no order or slider. */
    private const PROFILE = [
        '/<!ELEMENT presentation .*/' => '<!ELEMENT presentation (material?, (response_lid | response_str)?)>',
        '/<!ATTLIST item .*/' => '<!ATTLIST item ident CDATA #REQUIRED title CDATA #IMPLIED>',
        '/ \| Ordered\)/' => ')',
        '/<!ELEMENT conditionvar .*/' => '<!ELEMENT conditionvar (other | and | or | not | varequal | varsubstring)+>',
        '/<!ELEMENT resprocessing .*/' => '<!ELEMENT resprocessing (outcomes, respcondition+)>',
    ];

    /** @return list<string> */
    public static function wrong(string $xml, bool $profile = false): array
    {
        $models = $profile ? (string) preg_replace(array_keys(self::PROFILE), array_values(self::PROFILE), self::MODELS) : self::MODELS;
        $xml = (string) preg_replace(
            ['/^<\?xml.*?\?>\s*/', '/<!DOCTYPE[^>]*>/', '/ xmlns(:xsi)?="[^"]*"| xsi:schemaLocation="[^"]*"/'],
            '',
            $xml,
        );
        libxml_use_internal_errors(true);
        $document = new \DOMDocument;
        $document->loadXML("<!DOCTYPE questestinterop [\n$models\n]>$xml");
        $document->validate();
        $wrong = array_values(array_unique(array_map(fn (\LibXMLError $error): string => trim($error->message), libxml_get_errors())));
        libxml_clear_errors();
        libxml_use_internal_errors(false);

        return $wrong;
    }
}
