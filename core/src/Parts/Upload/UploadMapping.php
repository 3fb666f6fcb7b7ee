<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Upload;

use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MarkedByPeople;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;

/** qti-upload-interaction: one file of one type there; several files, several types and a size stand in attributes of our own. */
final class UploadMapping implements KindMapping
{
    use MarkedByPeople;

    private const LINES = 3;

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['files' => array_map(fn (string $name): \stdClass => (object) ['name' => $name], $given)];
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-upload-interaction';
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): \stdClass
    {
        $types = preg_split('/[\s,]+/', strtolower($interaction->getAttribute('type')), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $number = fn (string $name): int => ctype_digit($interaction->getAttribute($name)) ? (int) $interaction->getAttribute($name) : 0;

        return (object) [
            'kind' => 'upload',
            'points' => 1,
            'settings' => (object) array_filter([
                'types' => array_values(
                    array_filter($types, fn (string $type): bool => preg_match('~^[a-z]+/[a-z0-9.+*-]+$~D', $type) === 1),
                ),
                'size' => $number('data-size'),
                'count' => min(100, $number('data-count')),
            ]),
            'key' => new \stdClass(),
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = self::settings($part);
        $asked = Message::of('parts.upload.hand-in', [
            'count' => $settings->count,
            'kinds' => FileKinds::named($settings->types) ?: 'any',
        ]);

        return PlainPart::essay(self::LINES, '<p>'.htmlspecialchars($asked).'</p>', false, [
            ['upload.text', Message::of('parts.upload.becomes-text')],
        ]);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = self::settings($part);
        $types = $settings->types === [] ? '' : ' type="'.implode(' ', $settings->types).'"';
        $losses = [];
        if ($settings->count > 1) {
            $losses[] = ['upload.count', Message::of('parts.upload.one-file-there')];
        }

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" base-type=\"file\"/>",
            "<qti-upload-interaction response-identifier=\"$response\"$types data-size=\"$settings->size\" ".
                "data-count=\"$settings->count\"/>",
            '',
            $losses,
        );
    }

    private static function settings(Part $part): UploadSettings
    {
        assert($part->settings instanceof UploadSettings);

        return $part->settings;
    }
}
