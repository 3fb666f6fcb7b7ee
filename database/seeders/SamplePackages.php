<?php

declare(strict_types=1);

namespace Database\Seeders;

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Parts\StandardKinds;

/**
 * The packages of demo/files in every version of the open standards: clean ones, and ones broken as real ones are. They hold nothing of
 * ours beside the standard. `php artisan demo:files` writes them anew; the same content gives the same bytes.
 */
final class SamplePackages
{
    /** @return array<string, callable(string): void> name → what writes the file */
    public static function all(): array
    {
        return [
            'fossils-and-soil-3.0.zip' => fn (string $file) => self::clean(
                'qti30',
                Samples::withTest('Fossils and soil', ['Fossils', 'Soil'], 3, 2),
                $file,
            ),
            'oceans-and-air-2.2.zip' => fn (string $file) => self::clean(
                'qti22',
                Samples::withTest('Oceans and air', ['Oceans', 'Air and climate'], 4, 1),
                $file,
            ),
            'oceans-2.1.zip' => fn (string $file) => self::clean('qti21', Samples::withTest('Oceans', ['Oceans'], 3, 1), $file),
            'soil-untidy-3.0.zip' => self::untidy30(...),
            'soil-course-1.3.zip' => fn (string $file) => self::clean('cc13', Samples::withTest('Soil', ['Soil'], 3, 1), $file),
            'air-untidy-2.1.zip' => self::untidy21(...),
            'fossils-untidy-2.2.zip' => self::untidy22(...),
            'old-quizzes-with-pools-1.2.zip' => self::pools12(...),
            'course-untidy-1.1.zip' => self::course11(...),
        ];
    }

    /** As another system would write it: by the standard, with nothing of ours. */
    private static function clean(string $format, PackageContents $content, string $file): void
    {
        $zip = new ZipWriter($file);
        foreach (self::entries($format, $content) as $name => $bytes) {
            $zip->add($name, $bytes);
        }
        $zip->close();
    }

    /** @return array<string, string> */
    private static function entries(string $format, PackageContents $content): array
    {
        $whole = (string) tempnam(sys_get_temp_dir(), 'sample');
        Formats::standard(StandardKinds::all())->named($format)?->write($content, $whole);
        $zip = new \ZipArchive;
        $zip->open($whole);
        $entries = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $name = (string) $zip->getNameIndex($i);
            if (! str_contains($name, '.wide-quarry.')) {
                $entries[$name] = (string) preg_replace(
                    ['~<resource [^>]*href="[^"]*wide-quarry[^"]*">.*?</resource>~', '~<file href="[^"]*wide-quarry[^"]*"/>~'],
                    '',
                    (string) $zip->getFromIndex($i),
                );
            }
        }
        $zip->close();
        unlink($whole);

        return $entries;
    }

    /** No manifest; each item is wrong in a way of its own. */
    private static function untidy21(string $file): void
    {
        $items = array_values(
            array_filter(
                self::entries('qti21', Samples::of(['Air and climate'])),
                fn (string $name): bool => str_starts_with($name, 'items/'),
                ARRAY_FILTER_USE_KEY,
            ),
        );
        $wrong = [
            fn (string $xml): string => (string) preg_replace('/ xmlns="[^"]*"/', '', $xml),
            fn (string $xml): string => (string) preg_replace_callback(
                '~(</?)([a-zA-Z]+)~',
                fn (array $m): string => $m[1].strtolower($m[2]),
                $xml,
            ),
            fn (string $xml): string => str_replace('?</p>', '?&nbsp;&hellip;</p>', $xml),
            fn (string $xml): string => str_replace('Rain', "Caf\xe9 rain", $xml),
            fn (string $xml): string => (string) preg_replace('~<responseProcessing>.*</responseProcessing>~s', '', $xml),
            fn (string $xml): string => str_replace('Four days', '&lt;b&gt;Four&lt;/b&gt; days', $xml),
            fn (string $xml): string => str_replace('<itemBody>', '<itemBody><vendorBanner>for printing only</vendorBanner>', $xml),
            fn (string $xml): string => (string) preg_replace('/identifier="Q-[^"]*"/', 'identifier="item-1"', $xml),
            fn (string $xml): string => (string) preg_replace('/identifier="Q-[^"]*"/', 'identifier="item-1"', $xml),
            fn (string $xml): string => (string) preg_replace_callback(
                '~<(/?)(\w+)(?=[ >/])~',
                fn (array $m): string => "<$m[1]q:$m[2]",
                (string) preg_replace('/ xmlns=/', ' xmlns:q=', (string) preg_replace('~<(/?)p>~', '<$1p>', $xml)),
            ),
            fn (string $xml): string => substr($xml, 0, intdiv(strlen($xml), 2)),
            fn (string $xml): string => str_replace('By day', 'Wind & waves: by day', $xml),
        ];
        $zip = new ZipWriter($file);
        foreach ($items as $i => $xml) {
            $zip->add('Export of 2019/item '.($i + 1).'.xml', ($wrong[$i] ?? fn (string $same): string => $same)($xml));
        }
        $zip->add('Export of 2019/readme.txt', 'Exported by hand.');
        $zip->close();
    }

    /** A manifest without types, in a folder of its own; items that are wrong each in another way. */
    private static function untidy30(string $file): void
    {
        $items = array_values(
            array_filter(
                self::entries('qti30', Samples::of(['Soil'])),
                fn (string $name): bool => str_starts_with($name, 'items/'),
                ARRAY_FILTER_USE_KEY,
            ),
        );
        $unmarked = fn (string $xml): string => (string) preg_replace(
            '~<qti-response-processing>.*</qti-response-processing>~s',
            '',
            $xml,
        );
        $wrong = [
            fn (string $xml): string => (string) preg_replace(
                '/ xmlns="[^"]*"/',
                ' xmlns="http://www.imsglobal.org/xsd/qti/qtiv3p0/imsqti_asiv3p0_v1p0.xsd"',
                $xml,
            ),
            fn (string $xml): string => (string) preg_replace_callback(
                '~<(/?)(qti-[a-z-]+)~',
                fn (array $m): string => "<$m[1]".strtoupper($m[2]),
                $xml,
            ),
            fn (string $xml): string => (string) preg_replace('~</p>~', '&nbsp;&ndash; think &amp; choose & answer</p>', $xml, 1),
            $unmarked,
            fn (string $xml): string => (string) preg_replace('/identifier="Q-[^"]*"/', 'identifier="soil"', $xml),
            fn (string $xml): string => (string) preg_replace('/identifier="Q-[^"]*"/', 'identifier="soil"', $xml),
            fn (string $xml): string => str_replace(
                '<qti-item-body>',
                '<qti-item-body><qti-rubric-block use="scoring" view="scorer"><qti-content-body><p>Accept other words for it.</p>'.
                    '</qti-content-body></qti-rubric-block>',
                $xml,
            ),
            fn (string $xml): string => "\n\n".(string) preg_replace('/^<\?xml[^>]*>/', '<?xml version="1.0" encoding="UTF-16"?>', $xml),
        ];
        $zip = new ZipWriter($file);
        $resources = '';
        foreach ($items as $i => $xml) {
            $zip->add('soil/Soil questions/'.($i + 1).'.XML', ($wrong[$i] ?? fn (string $same): string => $same)($xml));
            $resources .= '<RESOURCE IDENTIFIER="r'.$i.'"><FILE HREF="Soil%20questions/'.($i + 1).'.xml"/></RESOURCE>';
        }
        $zip->add('soil/imsmanifest.xml', "<MANIFEST><RESOURCES>$resources</RESOURCES></MANIFEST>");
        $zip->close();
    }

    /** A manifest that names types as files, misses some, names one that is not there, and refers with %20 and in another case. */
    private static function untidy22(string $file): void
    {
        $entries = self::entries('qti22', Samples::withTest('Fossils, old test', ['Fossils'], 4, 2));
        $zip = new ZipWriter($file);
        $resources = '';
        $n = 0;
        foreach ($entries as $name => $xml) {
            if (str_starts_with($name, 'items/')) {
                $n++;
                $path = "Items/Item $n.xml";
                $entries = array_map(
                    fn (string $one): string => str_replace('../'.$name, '../items/Item%20'.$n.'.xml', $one),
                    $entries,
                );
                $zip->add(
                    $path,
                    $n === 2
                        ? (string) preg_replace(
                            '~<responseProcessing>.*</responseProcessing>~s',
                            '<responseProcessing template="http://www.imsglobal.org/question/qti_v2p1/rptemplates/match_correct"/>',
                            $xml,
                        )
                        : $xml,
                );
                $resources .=
                    $n === 3
                        ? ''
                        : "<resource identifier=\"R$n\" type=\"".
                            ($n % 4 === 0 ? 'webcontent' : 'imsqti_item_xmlv2p2').
                            "\" href=\"items/item%20$n.xml\"/>";
            }
        }
        foreach ($entries as $name => $xml) {
            if (str_starts_with($name, 'tests/')) {
                $zip->add($name, $xml);
                $resources .= "<resource identifier=\"T1\" type=\"imsqti_test_xmlv2p2\" href=\"$name\"/>";
            }
        }
        $zip->add(
            'imsmanifest.xml',
            '<manifest identifier="M"><resources>'.
                $resources.
                '<resource identifier="gone" type="imsqti_item_xmlv2p2" href="items/gone.xml"/></resources></manifest>',
        );
        $zip->close();
    }

    /** Quizzes of an older system: pools in banks of their own, drawn from by reference, escaped HTML, two files, no manifest. */
    private static function pools12(string $file): void
    {
        $bank = function (string $ident, string $topic): string {
            $items = '';
            foreach (Samples::of([$topic])->questions as $question) {
                $one = new PackageContents;
                $one->questions = [$question];
                preg_match('~<item .*</item>~s', self::entries('qti12', $one)['questions.xml'], $m);
                $items .= (string) preg_replace(
                    '/<qtimetadatafield><fieldlabel>qmd_maximumscore.*?<\/qtimetadatafield>/',
                    '',
                    $m[0] ?? '',
                );
            }

            return "<objectbank ident=\"$ident\"><qtimetadata><qtimetadatafield><fieldlabel>bank_title</fieldlabel>".
                "<fieldentry>$topic</fieldentry></qtimetadatafield></qtimetadata>$items</objectbank>";
        };
        $draw = fn (
            string $title,
            string $bank,
            int $n,
            string $points,
        ): string => "<section ident=\"$bank-s\" title=\"$title\"><selection_ordering><selection><sourcebank_ref>$bank</sourcebank_ref>".
            "<selection_number>$n</selection_number><selection_extension><points_per_item>$points</points_per_item>".
            '</selection_extension></selection><order order_type="Random"/></selection_ordering></section>';
        $own =
            '<item ident="own-1" title="Which came first"><presentation><material>'.
                '<mattext texttype="text/plain">&lt;p&gt;Which is &lt;b&gt;older&lt;/b&gt;?&lt;/p&gt;</mattext></material>'.
                '<response_lid ident="R" rcardinality="Single"><render_choice><response_label ident="A"><material>'.
                '<mattext>the Jurassic</mattext></material></response_label><response_label ident="B"><material>'.
                '<mattext>the Devonian</mattext></material></response_label></render_choice></response_lid></presentation>'.
                '<resprocessing><outcomes><decvar varname="SCORE" vartype="Decimal" maxvalue="1"/></outcomes><respcondition>'.
                '<conditionvar><varequal respident="R">B</varequal></conditionvar><setvar action="Set">1</setvar></respcondition>'.
                '</resprocessing></item>';
        $zip = new ZipWriter($file);
        $zip->add(
            'pools/fossil questions.xml',
            '<?xml version="1.0" encoding="UTF-8"?><!DOCTYPE questestinterop SYSTEM "ims_qtiasiv1p2p1.dtd"><questestinterop>'.
                $bank('pool-fossils', 'Fossils').
                '</questestinterop>',
        );
        $zip->add(
            'pools/soil questions.xml',
            '<questestinterop xmlns="http://www.imsglobal.org/xsd/ims_qtiasiv1p2">'.$bank('pool-soil', 'Soil').'</questestinterop>',
        );
        $zip->add(
            'quiz 1.xml',
            '<?xml version="1.0"?><questestinterop><assessment ident="quiz-1" title="Autumn quiz">'.
                '<duration>P0Y0M0DT0H30M0S</duration><section ident="root" title="">'.
                $own.
                $draw('Fossils', 'pool-fossils', 4, '2').
                $draw('Soil', 'pool-soil', 3, '1').
                '</section></assessment></questestinterop>',
        );
        $zip->add('notes.doc', 'not a question');
        $zip->close();
    }

    /** A course of which only a part are questions, with pictures named from the root of its files. */
    private static function course11(string $file): void
    {
        $entries = self::entries('cc13', Samples::withTest('Week 3: oceans', ['Oceans'], 5, 1));
        $zip = new ZipWriter($file);
        $resources = '';
        $n = 0;
        foreach ($entries as $name => $xml) {
            if (str_ends_with($name, '.xml') && $name !== 'imsmanifest.xml') {
                $n++;
                $zip->add(
                    "i$n/assessment.xml",
                    str_replace(
                        'Which salt is there most of in sea water?',
                        'Which salt is there most of in sea water? &lt;img '.
                            'src=&quot;%24IMS-CC-FILEBASE%24/pictures/sea%20water.png&quot; alt=&quot;A beaker of sea water&quot;/&gt;',
                        $xml,
                    ),
                );
                $resources .= "<resource identifier=\"r$n\" type=\"imsqti_xmlv1p2/imscc_xmlv1p1/assessment\">".
                    "<file href=\"i$n/assessment.xml\"/></resource>";
            }
        }
        $zip->add(
            'web_resources/pictures/sea water.png',
            (string) base64_decode(
                'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
                true,
            ),
        );
        $zip->add('web_resources/welcome.html', '<p>Welcome to the course.</p>');
        $zip->add('links/link.xml', '<webLink><title>Tide tables</title></webLink>');
        $zip->add(
            'imsmanifest.xml',
            '<?xml version="1.0"?><manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imsccv1p1/imscp_v1p1"><metadata>'.
                '<schema>IMS Common Cartridge</schema><schemaversion>1.1.0</schemaversion></metadata><organizations/><resources>'.
                $resources.
                '<resource identifier="w" type="webcontent" href="web_resources/welcome.html"/>'.
                    '<resource identifier="l" type="imswl_xmlv1p1"><file href="links/link.xml"/></resource>'.
                    '<resource identifier="d" type="imsdt_xmlv1p1"><file href="gone.xml"/></resource></resources></manifest>',
        );
        $zip->close();
    }
}
