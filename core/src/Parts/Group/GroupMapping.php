<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Group;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\MatchXml;
use WideQuarry\Interchange\Qti30\PairReader;
use WideQuarry\Interchange\Qti30\PairWriter;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;

/** qti-match-interaction whose second set are the groups; the standard has no word for it, so data-sort marks ours. */
final class GroupMapping implements KindMapping
{
    use MappingDefaults;

    public function shape(): AnswerShape
    {
        return AnswerShape::Pairs;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [self::identifiers($settings, 'items'), self::identifiers($settings, 'groups')];
    }

    public function mayRepeat(\stdClass $settings): bool
    {
        return false;
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        $groups = [];
        foreach (self::pairs($given) as [$item, $group]) {
            $groups[$group][] = $item;
        }

        return (object) ['groups' => (object) $groups];
    }

    public function on(string $value): array
    {
        return (new PairReader)->on($value);
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-match-interaction' &&
            $interaction->getAttribute('data-sort') === 'groups' &&
            ($declaration === null || $declaration->baseType === 'directedPair');
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        [$items, $groups] = MatchXml::sets($interaction, 'max', $content);
        $items = array_map(fn (array $item): array => ['id' => $item['id'], 'html' => $item['html']], $items);

        return (new PairReader)->part(
            'group',
            ['items' => $items, 'groups' => $groups, 'shuffle' => $interaction->getAttribute('shuffle') === 'true'],
            $declaration,
            $marking,
        );
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof GroupSettings);

        $limited = array_filter($settings->groups, fn (Item $group): bool => $group->limit !== null) !== [];

        return PlainPart::pairs(
            PlainPart::items($settings->items),
            PlainPart::items($settings->groups),
            false,
            true,
            false,
            $limited ? [['pairs.limits', Message::of('parts.group.how-many-things-group')]] : [],
            sorts: true,
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof GroupSettings);
        $items = array_map(fn (Item $item): Item => new Item($item->id, $item->html, 1, $item->path), $settings->items);

        return (new PairWriter($part, true, array_column($items, 'id'), array_column($settings->groups, 'id')))->write(
            $response,
            MatchXml::write($response, $items, $settings->groups, $settings->shuffle, 'first', ['data-sort' => 'groups'], $content),
        );
    }
}
