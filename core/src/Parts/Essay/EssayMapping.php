<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Essay;

use WideQuarry\Content\RichText;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MarkedByPeople;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Part;

/**
 * qti-extended-text-interaction that no rule marks. The word limits and the spelling help have no attribute there: they stand in
 * attributes of our own, and the limits in the length that is expected as well.
 */
final class EssayMapping implements KindMapping
{
    use MarkedByPeople;

    private const CHARACTERS_OF_A_WORD = 6;

    private const CHARACTERS_OF_A_LINE = 60;

    /** What a source that says nothing gets. */
    private const LINES = 12;

    private const FEWEST_LINES = 3;

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['text' => $given[0] ?? ''];
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-extended-text-interaction';
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        if ($marking !== null) {
            return null; // a typed answer that rules can mark
        }
        $lines = (int) $interaction->getAttribute('expected-lines');
        $length = (int) $interaction->getAttribute('expected-length');
        $whole = fn (string $name): ?int => ctype_digit($interaction->getAttribute("data-$name"))
            ? min(100_000, (int) $interaction->getAttribute("data-$name"))
            : null;
        $most = $whole('most');

        return (object) [
            'kind' => 'essay',
            'points' => 1,
            'settings' => (object) [
                'lines' => match (true) {
                    $lines > 0 => min(EssaySettings::MOST_LINES, $lines),
                    $length > 0 => min(EssaySettings::MOST_LINES, max(self::FEWEST_LINES, intdiv($length, self::CHARACTERS_OF_A_LINE) + 1)),
                    default => self::LINES,
                },
                'format' => $interaction->getAttribute('format') === 'xhtml' ? 'rich' : 'plain',
                'words' => (object) ['min' => $whole('least'), 'max' => $most === 0 ? null : $most],
                'start' => self::start($declaration, $interaction),
                'spelling' => $interaction->getAttribute('data-spelling') !== 'off',
            ],
            'key' => new \stdClass(),
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    /** What stands in the field at the beginning, or is shown in it while it is empty. */
    private static function start(?Declaration $declaration, \DOMElement $interaction): string
    {
        $words =
            $declaration !== null && $declaration->initial !== ''
                ? $declaration->initial
                : $interaction->getAttribute('placeholder-text');

        if ($interaction->getAttribute('format') === 'xhtml') {
            return RichText::read($words)->html();
        }
        $lines = array_filter(preg_split('/\s*\n\s*/u', trim($words)) ?: [], fn (string $line): bool => $line !== '');

        return implode('', array_map(fn (string $line): string => '<p>'.htmlspecialchars($line, ENT_NOQUOTES).'</p>', $lines));
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = self::settings($part);

        return PlainPart::essay($settings->lines, self::prompts($settings).self::limit($settings), $settings->isRich);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = self::settings($part);
        $start = $settings->isRich ? $settings->start : RichText::read($settings->start)->plain();
        $default = $start === '' ? '' : '<qti-default-value><qti-value>'.Xml::escape($start).'</qti-value></qti-default-value>';
        $prompt = $content(self::prompts($settings));
        $length = $settings->most === null ? '' : ' expected-length="'.$settings->most * self::CHARACTERS_OF_A_WORD.'"';
        $own =
            ($settings->least === null ? '' : " data-least=\"$settings->least\"").
            ($settings->most === null ? '' : " data-most=\"$settings->most\"").
            ($settings->checksSpelling ? '' : ' data-spelling="off"');

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" base-type=\"string\">".
                "$default</qti-response-declaration>",
            "<qti-extended-text-interaction response-identifier=\"$response\" expected-lines=\"$settings->lines\"$length format=\"".
                ($settings->isRich ? 'xhtml' : 'plain').
                "\"$own>".
                ($prompt === '' ? '' : "<qti-prompt>$prompt</qti-prompt>").
                '</qti-extended-text-interaction>',
            '',
        );
    }

    private static function prompts(EssaySettings $settings): string
    {
        $prompts = $settings->filledPrompts();

        return count($prompts) > 1
            ? '<ul>'.implode('', array_map(fn (string $html): string => "<li>$html</li>", $prompts)).'</ul>'
            : $prompts[0] ?? '';
    }

    private static function limit(EssaySettings $settings): string
    {
        $limit = $settings->limit();

        return $limit === '' ? '' : '<p>'.htmlspecialchars($limit).'</p>';
    }

    private static function settings(Part $part): EssaySettings
    {
        assert($part->settings instanceof EssaySettings);

        return $part->settings;
    }
}
