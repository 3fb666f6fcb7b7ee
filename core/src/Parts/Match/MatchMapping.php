<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Match;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Association;
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

/** qti-match-interaction; a table to tick is told by the standard's class for it. */
final class MatchMapping implements KindMapping
{
    use MappingDefaults;

    private const GRID = 'qti-match-tabular';

    public function shape(): AnswerShape
    {
        return AnswerShape::Pairs;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [self::identifiers($settings, 'left'), self::identifiers($settings, 'right')];
    }

    /** Something on the left may be joined more than once unless its uses are limited to one. */
    public function mayRepeat(\stdClass $settings): bool
    {
        foreach (is_array($settings->left ?? null) ? $settings->left : [] as $left) {
            if ((((array) $left)['uses'] ?? null) !== 1) {
                return true;
            }
        }

        return false;
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['pairs' => self::pairs($given)];
    }

    public function on(string $value): array
    {
        return (new PairReader)->on($value);
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        if ($interaction->localName === 'qti-associate-interaction') {
            return $declaration?->baseType === 'pair';
        }

        return $interaction->localName === 'qti-match-interaction' &&
            ($declaration === null || $declaration->baseType === 'directedPair');
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        if ($interaction->localName === 'qti-associate-interaction') {
            return $declaration === null ? null : $this->associated($interaction, $declaration, $marking, $content);
        }
        [$left, $right] = MatchXml::sets($interaction, 'uses', $content);
        $by = in_array(self::GRID, explode(' ', $interaction->getAttribute('class')), true)
            ? 'grid'
            : ($interaction->getAttribute('data-by') === 'menus'
                ? 'menus'
                : 'lines');

        return (new PairReader)->part(
            'match',
            ['left' => $left, 'right' => $right, 'by' => $by, 'shuffle' => $interaction->getAttribute('shuffle') === 'true'],
            $declaration,
            $marking,
        );
    }

    /** @param  \Closure(\DOMElement): string  $content */
    private function associated(\DOMElement $interaction, Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $columns = Association::read($interaction, $declaration, $content);
        $settings = [
            'left' => $columns->left ?? [],
            'right' => $columns->right ?? [],
            'by' => 'lines',
            'shuffle' => $interaction->getAttribute('shuffle') === 'true',
        ];

        return $columns === null ? null : (new PairReader)->part('match', $settings, $columns->declaration, $marking);
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof MatchSettings);

        $several = array_filter($settings->left, fn (Item $left): bool => $left->limit !== 1) !== [];
        $limited = array_filter($settings->right, fn (Item $right): bool => $right->limit !== null) !== [];

        return PlainPart::pairs(
            PlainPart::items($settings->left),
            PlainPart::items($settings->right),
            $several,
            false,
            false,
            $limited ? [['pairs.limits', Message::of('parts.match.how-often-answer-may')]] : [],
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof MatchSettings);
        $how = match ($settings->by) {
            'grid' => ['class' => self::GRID],
            'menus' => ['data-by' => 'menus'],
            default => [],
        };

        return (new PairWriter($part, false, array_column($settings->left, 'id'), array_column($settings->right, 'id')))->write(
            $response,
            MatchXml::write(
                $response,
                $settings->left,
                $settings->right,
                $settings->shuffle,
                $settings->by === 'grid' ? 'first' : 'second',
                $how,
                $content,
            ),
        );
    }
}
