<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use App\Infrastructure\OfficePrograms;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

/** Typed exams of every kind of file, read as a user gives them. */
final class Typed
{
    public static function read(string $bytes, string $name = 'exam.txt'): PackageContents
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'typed');
        file_put_contents($file, $bytes);
        try {
            $source = new Source($file, $name);

            return PackageContents::collect(
                Formats::standard(StandardKinds::all(), new OfficePrograms)->for($source, Formats::QUESTIONS)->read($source),
            );
        } finally {
            unlink($file);
        }
    }

    /** @return list<string> of each question its kinds, what is offered and what is right */
    public static function keys(PackageContents $found): array
    {
        return array_map(
            fn (\stdClass $question): string => implode(' + ', array_map(self::key(...), $question->parts)),
            $found->questions,
        );
    }

    private static function key(\stdClass $part): string
    {
        $names = [];
        foreach (['options', 'left', 'right', 'items', 'groups'] as $list) {
            foreach ($part->settings->{$list} ?? [] as $one) {
                $names[$one->id] = trim(html_entity_decode(strip_tags($one->html)));
            }
        }
        $said = fn (mixed $on): string => match (true) {
            is_string($on) => $names[$on],
            is_array($on) => implode('=', array_map(fn (mixed $id): string => $names[is_array($id) ? $id[0] : $id], $on)),
            isset($on->text) => implode('/', $on->text),
            isset($on->from) => "$on->from..$on->to",
            default => $on->value.(isset($on->tolerance) ? '±'.$on->tolerance->width.($on->tolerance->kind === 'percent' ? '%' : '') : ''),
        };

        return "$part->kind: ".implode(', ', array_map(fn (\stdClass $rule): string => $said($rule->on), $part->key->rules ?? []));
    }

    /** @return list<string> codes of notices, each with its line */
    public static function notices(PackageContents $found): array
    {
        return array_map(fn (Notice $notice): string => trim("$notice->code $notice->line"), $found->notices);
    }

    /**
     * A DOCX of these paragraphs.
     *
     * @param  string  $body  WordprocessingML
     * @param  array<string, string>  $more  other files of it
     */
    public static function docx(string $body, array $more = []): string
    {
        $w = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" '.
            'xmlns:w14="http://schemas.microsoft.com/office/word/2010/wordml"';
        $type = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml';
        $relations = 'http://schemas.openxmlformats.org/package/2006/relationships';
        $office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument';
        $types = 'http://schemas.openxmlformats.org/package/2006/content-types';
        $files = [
            '[Content_Types].xml' => "<Types xmlns=\"$types\"><Default Extension=\"rels\" ".
                'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" '.
                'ContentType="application/xml"/>'.
                "<Override PartName=\"/word/document.xml\" ContentType=\"$type\"/></Types>",
            '_rels/.rels' => "<Relationships xmlns=\"$relations\"><Relationship Id=\"r1\" Type=\"$office\" ".
            'Target="word/document.xml"/></Relationships>',
            'word/document.xml' => "<w:document $w><w:body>$body</w:body></w:document>",
            ...$more,
        ];

        return self::zip($files);
    }

    /** @param  array<string, string>  $files */
    public static function zip(array $files): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new ZipWriter($file);
        foreach ($files as $name => $bytes) {
            $zip->add($name, $bytes);
        }
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }

    /** Paragraphs, each a text or `[text, run properties]`. */
    public static function paragraphs(string|array ...$paragraphs): string
    {
        return implode('', array_map(function (string|array $one): string {
            [$text, $look] = is_array($one) ? $one : [$one, ''];

            return '<w:p><w:r>'.($look === ''
                ? ''
                : "<w:rPr>$look</w:rPr>").'<w:t xml:space="preserve">'.htmlspecialchars($text, ENT_XML1).'</w:t></w:r></w:p>';
        }, $paragraphs));
    }
}
