<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\SequenceScoring;
use WideQuarry\Study\StudiedOptions;
use WideQuarry\Study\StudiedPart;

/** The learner puts items in sequence. Response: {"sequence": ["c", "a"]}, without the items that are given. */
final class OrderKind implements Kind
{
    use KindDefaults;

    private const TRIES = 40;

    public function name(): string
    {
        return 'order';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): OrderSettings
    {
        return OrderSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): Ranks
    {
        return Ranks::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEQUENCES;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Pairs;
    }

    public function extras(): array
    {
        return [];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $sequence = $response->sequence ?? null;
        if (! is_array($sequence) || ! array_is_list($sequence) || array_filter($sequence, is_string(...)) !== $sequence) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.order.response-order'));
        }
        $loose = self::settings($part)->loose();
        $unknown = array_values(array_diff($sequence, $loose));
        if ($unknown !== []) {
            return PartOutcome::unreadable('order.unknown_item', Message::of('parts.order.nothing-put-order', [
                'unknown' => $unknown[0],
            ]));
        }
        if (count(array_unique($sequence)) < count($sequence)) {
            return PartOutcome::unreadable('order.twice', Message::of('parts.order.item-sequence-twice'));
        }
        if ($sequence === []) {
            return PartOutcome::unanswered();
        }

        return $part->scheme === Scheme::Person ? PartOutcome::needsMarking() : $this->judged($part, $loose, $sequence);
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        $settings = self::settings($part);

        return array_column($this->shown($part, $settings, Item::filled($settings->items), $seed), 'id');
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);
        $items = Item::filled($settings->items);

        return [
            'items' => array_map(
                fn (Item $item): array => [...$item->shown($in->roll->filling()), 'given' => in_array($item->id, $settings->given, true)],
                $this->shown($part, $settings, $items, $seed),
            ),
            'layout' => $settings->layout,
            'columns' => $settings->columns,
            'caption' => (object) ['from' => $settings->from, 'to' => $settings->to],
            'labels' => $settings->labels,
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedOrder)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedOrder)->answers(self::ranks($part), $presented, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new OrderCheck)->findings($part, self::settings($part));
    }

    public function texts(Part $part): array
    {
        return array_column(self::settings($part)->items, 'html');
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedOptions::of(array_column(self::settings($part)->items, 'html', 'id'));
    }

    public function mapping(): KindMapping
    {
        return new OrderMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $settings = self::settings($part);

        return (object) [
            'sequence' => array_values(array_diff(WrittenNames::items($settings->items)->several($written), $settings->given)),
        ];
    }

    /**
     * @param  list<string>  $loose
     * @param  list<string>  $sequence
     */
    private function judged(Part $part, array $loose, array $sequence): PartOutcome
    {
        $ranks = self::ranks($part)->of($loose);
        if (count($ranks) < 2) {
            throw NotScorable::nothingRight("$part->path/key/rules");
        }
        $credit = (new SequenceScoring(
            $ranks,
            array_values(array_filter($sequence, fn (string $id): bool => isset($ranks[$id]))),
        ))->credit($part->scheme);
        $rule = $part->key->rules[0];
        $trace = [
            [
                'step' => 'sequence.counted',
                'scheme' => $part->scheme->value,
                'of' => count($ranks),
                'given' => count($sequence),
                'credit' => Exact::text($credit),
            ],
        ];

        return PartOutcome::given($credit->multipliedBy($rule->credit()), $credit->isEqualTo(1) ? [$rule] : [], $trace);
    }

    /**
     * Given items in the place they have in the key; the others around them in an order that is not right.
     *
     * @param  list<Item>  $items
     * @return list<Item>
     */
    private function shown(Part $part, OrderSettings $settings, array $items, Seed $seed): array
    {
        $ids = array_column($items, 'id');
        $right = array_values(array_unique([...array_intersect(self::ranks($part)->flat(), $ids), ...$ids]));
        $loose = array_values(array_filter($items, fn (Item $item): bool => ! in_array($item->id, $settings->given, true)));
        $ranks = self::ranks($part)->of(array_column($loose, 'id'));
        $stream = $seed->stream('shuffle', $part->id);
        for ($try = 0; $try < self::TRIES; $try++) {
            $loose = $stream->shuffled($loose);
            $sequence = array_values(array_filter(array_column($loose, 'id'), fn (string $id): bool => isset($ranks[$id])));
            if (
                count($ranks) < 2 ||
                count(array_unique($ranks)) < 2 ||
                ! (new SequenceScoring($ranks, $sequence))->credit(Scheme::All)->isEqualTo(1)
            ) {
                break;
            }
        }
        $shown = [];
        foreach ($right as $id) {
            $shown[] = in_array($id, $settings->given, true) ? Item::find($items, $id) : array_shift($loose);
        }

        return array_values(array_filter($shown));
    }

    private static function ranks(Part $part): Ranks
    {
        $on = ($part->key->rules[0] ?? null)?->on;

        return $on instanceof Ranks ? $on : Ranks::read([], '');
    }

    private static function settings(Part $part): OrderSettings
    {
        assert($part->settings instanceof OrderSettings);

        return $part->settings;
    }
}
