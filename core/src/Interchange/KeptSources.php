<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\CoreException;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\QuestionMedia;

/**
 * Questions whose source was kept because it could not be translated when they came in, as packages to be read once more: those alone
 * that can be translated by now. Their pictures are those the bank has.
 */
final class KeptSources
{
    /** Format of the origin → the type of an item in a manifest, and the family that its package is of. */
    private const TYPES = [
        'qti30' => ['imsqti_item_xmlv3p0', 'qti'],
        'qti22' => ['imsqti_item_xmlv2p2', 'qti'],
        'qti21' => ['imsqti_item_xmlv2p1', 'qti'],
        'qti20' => ['imsqti_item_xmlv2p0', 'qti'],
        'qti12' => ['imsqti_xmlv1p2', 'qti12'],
    ];

    /** Attributes that name a file. */
    private const LINKS = '/\b(src|data|uri)="([^"]*)"/';

    /** @var array<string, array<string, string>> family → files of its package */
    private array $files = [];

    /** @var array<string, string> family → resources of its manifest */
    private array $resources = [];

    /** How large the files of the next packages are. */
    public int $bytes = 0;

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    /** @param  PackageContents  $content  questions with their records, and media with their bytes */
    public function add(PackageContents $content): void
    {
        $media = [];
        foreach ($content->media as $medium) {
            $media[$medium->id] = $medium;
        }
        foreach ($content->questions as $question) {
            $origin = self::origin($question);
            [$format, $source] = [$origin->format ?? null, $origin->processing ?? null];
            if (! is_string($format) || ! is_string($source) || ! isset(self::TYPES[$format]) || ! is_string($question->id ?? null)) {
                continue;
            }
            $own = array_values(array_intersect_key($media, array_flip(QuestionMedia::in($question))));
            [$type, $family] = self::TYPES[$format];
            $files = $this->package($question->id, $format === 'qti12' ? "<questestinterop>$source</questestinterop>" : $source, $own);
            $name = "items/$question->id.xml";
            $resource = "<resource identifier=\"R-$question->id\" type=\"$type\" href=\"$name\"><file href=\"$name\"/></resource>";
            if ($this->isReadNow($files, $resource)) {
                $this->files[$family] = [...$this->files[$family] ?? [], ...$files];
                $this->bytes += array_sum(array_map(strlen(...), $files));
                $this->resources[$family] = ($this->resources[$family] ?? '').$resource;
            }
        }
    }

    /**
     * Writes packages of what was added since the last time.
     *
     * @param  \Closure(): string  $file  a place for one
     * @return array<string, string> family → the file
     */
    public function write(\Closure $file): array
    {
        $written = [];
        foreach ($this->files as $family => $files) {
            $written[$family] = $file();
            self::zip($written[$family], $files, $this->resources[$family]);
        }
        [$this->files, $this->resources, $this->bytes] = [[], [], 0];

        return $written;
    }

    /**
     * @param  list<Medium>  $media
     * @return array<string, string> name → bytes
     */
    private function package(string $id, string $source, array $media): array
    {
        $files = [];
        $named = fn (string $href): ?Medium => array_values(
            array_filter($media, fn (Medium $one): bool => strcasecmp($one->name, rawurldecode(basename($href))) === 0),
        )[0] ?? (count($media) === 1 ? $media[0] : null); // the only one, whatever the bank calls it now
        $xml = preg_replace_callback(self::LINKS, function (array $m) use ($named, &$files): string {
            $medium = $m[2] === '' || preg_match('/^(?:https?|data):/i', $m[2]) === 1 ? null : $named($m[2]);
            if ($medium === null) {
                return $m[0];
            }
            $name = "media/$medium->sha256.".Medium::extension($medium->type);
            $files[$name] = $medium->bytes;

            return "$m[1]=\"../$name\"";
        }, $source);

        return ["items/$id.xml" => (string) $xml, ...$files];
    }

    /** @param  array<string, string>  $files */
    private function isReadNow(array $files, string $resource): bool
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'kept');
        try {
            self::zip($file, $files, $resource);
            $source = new Source($file, 'kept.zip');
            $format = Formats::standard($this->kinds)->for($source);
            $found = PackageContents::collect($format->read($source));
        } catch (CoreException) {
            return false; // cut off, because it was too long to keep
        } finally {
            unlink($file);
        }
        $read = $found->questions[0] ?? null;

        return $read !== null && ! isset(self::origin($read)->processing);
    }

    private static function origin(\stdClass $question): ?\stdClass
    {
        $record = $question->record ?? null;
        $origin = $record instanceof \stdClass ? $record->origin ?? null : null;

        return $origin instanceof \stdClass ? $origin : null;
    }

    /** @param  array<string, string>  $files */
    private static function zip(string $file, array $files, string $resources): void
    {
        $zip = new ZipWriter($file);
        $zip->add(
            'imsmanifest.xml',
            '<manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1" identifier="kept"><organizations/>'.
                "<resources>$resources</resources></manifest>",
        );
        foreach ($files as $name => $bytes) {
            $zip->add($name, $bytes);
        }
        $zip->close();
    }
}
