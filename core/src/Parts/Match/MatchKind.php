<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Match;

use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\LabelAndMatch;
use WideQuarry\Parts\MatchAndGroup;
use WideQuarry\Parts\PairScoring;
use WideQuarry\Parts\ShuffledItems;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Study\StudiedOptions;
use WideQuarry\Study\StudiedPart;

/** The learner joins left to right. Response: {"pairs": [["l1", "r2"]]}. */
final class MatchKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'match';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): MatchSettings
    {
        return MatchSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): PairTarget
    {
        return PairTarget::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Each;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part);
        $pairs = $response->pairs ?? null;
        if (! is_array($pairs)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.match.response-match'));
        }
        $given = [];
        $times = [[], []];
        foreach ($pairs as $pair) {
            if (! is_array($pair) || ! array_is_list($pair) || count($pair) !== 2 || ! is_string($pair[0]) || ! is_string($pair[1])) {
                return PartOutcome::unreadable('response.shape', Message::of('parts.match.pair-list-two-identifiers'));
            }
            $given[PairTarget::key($pair[0], $pair[1])] = [$pair[0], $pair[1]];
        }
        foreach ($given as $pair) {
            foreach ([$settings->left, $settings->right] as $side => $items) {
                $item = Item::find($items, $pair[$side]);
                if ($item === null) {
                    return PartOutcome::unreadable('match.unknown', Message::of('parts.match.nothing-join', [
                        'pair' => $pair[$side],
                    ]));
                }
                $times[$side]["=$item->id"] = ($times[$side]["=$item->id"] ?? 0) + 1;
                if ($item->limit !== null && $times[$side]["=$item->id"] > $item->limit) {
                    return PartOutcome::unreadable('match.too_often', Message::of('parts.match.may-joined-times-most', [
                        'id' => $item->id,
                        'limit' => $item->limit,
                    ]));
                }
            }
        }

        return $given === []
            ? PartOutcome::unanswered()
            : PairScoring::each(
                $part,
                array_values($given),
                count(Item::filled($settings->left)) * count(Item::filled($settings->right)),
            );
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);
        [$left, $right] = $this->shown($part, $seed);
        $shown = fn (Item $item): array => [...$item->shown($in->roll->filling()), 'uses' => $item->limit];

        return ['left' => array_map($shown, $left), 'right' => array_map($shown, $right), 'by' => $settings->by];
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        [$left, $right] = $this->shown($part, $seed);

        return array_column(self::settings($part)->by === 'grid' ? $left : $right, 'id');
    }

    /** @return array{list<Item>, list<Item>} the two sides in shown order */
    private function shown(Part $part, Seed $seed): array
    {
        $settings = self::settings($part);
        [$left, $right] = [Item::filled($settings->left), Item::filled($settings->right)];
        $pairs = PairTarget::earning($part);
        if ($settings->shuffle && $settings->by === 'grid') {
            // the heads of a table keep their order, its rows change theirs
            $left = ShuffledItems::away($seed, $part->id, $left, PairTarget::along($pairs, $settings->right, 'second'), true);
        } elseif ($settings->shuffle) {
            $right = ShuffledItems::away($seed, $part->id, $right, PairTarget::along($pairs, $settings->left, 'first'));
        }

        return [$left, $right];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedMatch)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedMatch)->answers($part, $presented, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new MatchCheck)->findings($part, self::settings($part));
    }

    public function texts(Part $part): array
    {
        return array_column([...self::settings($part)->left, ...self::settings($part)->right], 'html');
    }

    public function conversions(): array
    {
        return ['group' => MatchAndGroup::toGroups(...), 'label' => LabelAndMatch::toLabel(...)];
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedOptions::of(array_column(self::settings($part)->right, 'html', 'id'));
    }

    public function mapping(): KindMapping
    {
        return new MatchMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $settings = self::settings($part);

        return (object) [
            'pairs' => array_map(
                fn (string $pair): array => WrittenNames::items($settings->left)->pairWith(WrittenNames::items($settings->right), $pair),
                WrittenNames::pieces($written),
            ),
        ];
    }

    private static function settings(Part $part): MatchSettings
    {
        assert($part->settings instanceof MatchSettings);

        return $part->settings;
    }
}
