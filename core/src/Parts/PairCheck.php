<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use Brick\Math\BigRational;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Item;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** What an author should mend where two lists are brought together. */
final class PairCheck
{
    /**
     * Rows that are empty though the key names them, and rows that say the same.
     *
     * @param  list<Item>  $items
     * @param  string  $called  such as "tile"
     * @param  array<string, bool>  $named  identifiers the key names, each behind "="
     * @return list<Finding>
     */
    public static function items(array $items, string $called, array $named): array
    {
        $findings = [];
        $seen = [];
        foreach ($items as $item) {
            $text = RichText::read($item->html)->html();
            if ($text === '') {
                if (isset($named["=$item->id"])) {
                    $findings[] = Finding::blocking(
                        "$called.empty",
                        "$item->path/html",
                        Message::of('parts.empty-add-text-delete', ['called' => $called]),
                    );
                }
            } elseif (isset($seen[$text])) {
                $findings[] = Finding::blocking("$called.equal", "$item->path/html", Message::of('parts.same-another-one', [
                    'called' => $called,
                ]), [
                    'same_as' => $seen[$text],
                ]);
            } else {
                $seen[$text] = $item->id;
            }
        }

        return $findings;
    }

    /**
     * Rules that name what is not there, or the same pair twice; and a key that gives nothing, or never all.
     *
     * @param  list<string>  $firsts
     * @param  list<string>  $seconds
     * @param  array{string, string}  $called  such as ["gap", "tile"]
     * @return list<Finding>
     */
    public static function key(Part $part, array $firsts, array $seconds, array $called): array
    {
        $findings = [];
        $seen = [];
        $earns = false;
        $known = [
            array_fill_keys(array_map(fn (string $id): string => "=$id", $firsts), true),
            array_fill_keys(array_map(fn (string $id): string => "=$id", $seconds), true),
        ];
        foreach ($part->key->rules as $rule) {
            $on = $rule->on;
            $earns = $earns || self::credit($rule)->isPositive();
            if (! ($on instanceof PairTarget)) {
                continue; // about typed words
            }
            foreach ([$on->first, $on->second] as $side => $id) {
                if (! isset($known[$side]["=$id"])) {
                    $findings[] = Finding::blocking(
                        'key.unknown',
                        "$rule->path/on",
                        Message::of('parts.key-names-nothing-there', ['called' => $called[$side], 'id' => $id]),
                        ['gone' => $id],
                    );
                }
            }
            $pair = PairTarget::key($on->first, $on->second);
            if (isset($seen[$pair])) {
                $findings[] = Finding::blocking('key.listed_twice', "$rule->path/on", Message::of('parts.two-rules-name-pair'));
            }
            $seen[$pair] = true;
        }
        if ($part->scheme !== Scheme::Person && ! $earns) {
            return [
                ...$findings,
                Finding::blocking('key.nothing_right', "$part->path/key/rules", Message::of('parts.nothing-marked-right')),
            ];
        }

        return $findings;
    }

    /**
     * Under `weights`, what the best answer can earn at most.
     *
     * @param  list<BigRational>  $best  the most that each first thing can add
     * @return list<Finding>
     */
    public static function reach(Part $part, array $best): array
    {
        $sum = array_reduce($best, fn (BigRational $sum, BigRational $credit): BigRational => $sum->plus($credit), Exact::zero());
        if ($part->scheme !== Scheme::Weights || ! $sum->isPositive() || $sum->isEqualTo(1)) {
            return [];
        }
        $percent = Exact::number(Exact::toPlaces($sum->multipliedBy(100), 1)->toBigRational());
        $words = $sum->isLessThan(1)
            ? Message::of('parts.best-answer-earns-points', ['percent' => $percent])
            : Message::of('parts.credits-best-answer-add', ['percent' => $percent]);

        return [
            Finding::warning(
                $sum->isLessThan(1) ? 'key.full_credit_out_of_reach' : 'key.more_than_full',
                "$part->path/key/rules",
                $words,
                ['best' => Exact::text($sum)],
            ),
        ];
    }

    /**
     * The credits of the right pairs of each first thing, the highest first.
     *
     * @return array<string, list<BigRational>> first thing behind "=" → credits
     */
    public static function credits(Part $part): array
    {
        $credits = [];
        foreach ($part->key->rules as $rule) {
            $credit = self::credit($rule);
            if ($rule->on instanceof PairTarget && $credit->isPositive()) {
                $credits['='.$rule->on->first][] = $credit;
            }
        }
        foreach ($credits as &$of) {
            usort($of, fn (BigRational $a, BigRational $b): int => $b->compareTo($a));
        }

        return $credits;
    }

    /** @return array<string, bool> what the key names, behind "=" */
    public static function named(Part $part): array
    {
        $named = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof PairTarget) {
                $named += ['='.$rule->on->first => true, '='.$rule->on->second => true];
            }
        }

        return $named;
    }

    /** How an item is called in a sentence: its words, if they are few. */
    public static function words(Item $item): string
    {
        $words = RichText::read($item->html)->plain();

        return '“'.(mb_strlen($words) > 40 ? mb_substr($words, 0, 39).'…' : ($words === '' ? $item->id : $words)).'”';
    }

    private static function credit(Rule $rule): BigRational
    {
        try {
            return $rule->credit();
        } catch (NotScorable) {
            return Exact::zero(); // found by the check of every key
        }
    }
}
