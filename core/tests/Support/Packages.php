<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

/** Packages made on the spot, and what a reader makes of them. */
final class Packages
{
    /** @param  array<string, string>  $entries  file → bytes; a manifest is made when there is none and more than one file */
    public static function read(array $entries): PackageContents
    {
        $file = self::zip($entries);
        try {
            return self::of($file);
        } finally {
            unlink($file);
        }
    }

    public static function of(string $file, string $name = 'sent.zip'): PackageContents
    {
        $source = new Source($file, $name);

        return PackageContents::collect((fn () => (yield from Formats::standard(StandardKinds::all())->for($source)->read($source)))());
    }

    /** One document by itself. */
    public static function document(string $bytes, string $name = 'sent.xml'): PackageContents
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'doc');
        file_put_contents($file, $bytes);
        try {
            return self::of($file, $name);
        } finally {
            unlink($file);
        }
    }

    /** @param  array<string, string>  $entries */
    public static function zip(array $entries): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'pkg');
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::OVERWRITE);
        foreach ($entries as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();

        return $file;
    }

    /**
     * A manifest that names files by their types.
     *
     * @param  array<string, string>  $files  file → type, such as imsqti_item_xmlv3p0
     */
    public static function manifest(array $files, string $metadata = ''): string
    {
        $resource = fn (string $type, string $file): string => '<resource identifier="r'.
            md5($file).
            "\" type=\"$type\" href=\"$file\">$metadata<file href=\"$file\"/></resource>";

        return '<manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1" identifier="m"><resources>'.
            implode('', array_map($resource, $files, array_keys($files))).
            '</resources></manifest>';
    }

    /**
     * An item of 3.0.
     *
     * @param  string  $declarations  responses and outcomes
     * @param  string  $attributes  more of them, such as xml:lang
     */
    public static function item30(string $declarations, string $body, string $processing, string $attributes = ''): string
    {
        return "<qti-assessment-item xmlns=\"http://www.imsglobal.org/xsd/imsqtiasi_v3p0\" identifier=\"i\" title=\"T\" adaptive=\"false\" time-dependent=\"false\" $attributes>$declarations<qti-outcome-declaration identifier=\"SCORE\" cardinality=\"single\" base-type=\"float\"/>".
            "<qti-item-body>$body</qti-item-body>$processing</qti-assessment-item>";
    }

    /** An item of 2.1. @param  string  $attributes  more of them, such as xml:lang */
    public static function item21(string $declarations, string $body, string $processing, string $attributes = ''): string
    {
        return "<assessmentItem xmlns=\"http://www.imsglobal.org/xsd/imsqti_v2p1\" identifier=\"i\" title=\"T\" adaptive=\"false\" timeDependent=\"false\" $attributes>$declarations<outcomeDeclaration identifier=\"SCORE\" cardinality=\"single\" baseType=\"float\"/>".
            "<itemBody>$body</itemBody>$processing</assessmentItem>";
    }

    /** A document of 1.2.1 with one item. */
    public static function document12(string $presentation, string $processing, string $attributes = ''): string
    {
        return "<questestinterop><item ident=\"i12\" title=\"T\" $attributes><presentation><material><mattext>How much?</mattext>".
            "</material>$presentation</presentation>$processing</item></questestinterop>";
    }

    /** @return list<string> codes of what the reader said */
    public static function codes(PackageContents $found): array
    {
        return array_values(array_unique(array_map(fn (Notice $notice): string => $notice->code, $found->notices)));
    }
}
