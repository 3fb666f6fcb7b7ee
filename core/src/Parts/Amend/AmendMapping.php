<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Amend;

use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;

/**
 * No standard has words to be put right in a text: it goes out as the text, and a field to write it anew, marked by hand. It is never
 * read.
 */
final class AmendMapping implements KindMapping
{
    use MappingDefaults;

    /** @return array{string, string} */
    private static function byHand(): array
    {
        return ['amend.by_hand', Message::of('parts.amend.cannot-be-scored-there')];
    }

    public function shape(): null
    {
        return null;
    }

    public function on(string $value): null
    {
        return null;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return false;
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): null
    {
        return null;
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        return PlainPart::byHand($this->text($part), [self::byHand()]);
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" base-type=\"string\"/>",
            '<div>'.
                $content($this->text($part)).
                "</div><qti-extended-text-interaction response-identifier=\"$response\" expected-lines=\"3\"/>",
            '',
            [self::byHand()],
        );
    }

    private function text(Part $part): string
    {
        $settings = $part->settings;
        assert($settings instanceof AmendSettings);

        return (string) preg_replace('~<span data-piece="[^"]*">(.*?)</span>~s', '$1', $settings->text);
    }
}
