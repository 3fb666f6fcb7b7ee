<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Messages\Message;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Demand;
use WideQuarry\Selection\Problem;
use WideQuarry\Selection\Range;
use WideQuarry\Selection\Rules\AllOrNone;
use WideQuarry\Selection\Rules\AtMost;
use WideQuarry\Selection\Rules\Exclude;
use WideQuarry\Selection\Rules\Mean;
use WideQuarry\Selection\Rules\MustInclude;
use WideQuarry\Selection\Rules\NeverTogether;
use WideQuarry\Selection\Rules\Rule;
use WideQuarry\Selection\Rules\Spread;
use WideQuarry\Selection\Where;
use WideQuarry\Selection\Wish;

/** A blueprint over the questions of its banks, as a problem to be solved. */
final class BlueprintProblem
{
    public const KEPT = 'kept';

    public const WITHOUT = 'without';

    public const LARGEST = 'largest';

    /** @param  list<Candidate>  $pool  of a status that may be taken, with each key they meet as an attribute */
    public static function of(Blueprint $blueprint, array $pool, Availability $availability, SolveOptions $options): Problem
    {
        $there = [];
        foreach ($pool as $candidate) {
            $there[$candidate->id] = true;
        }
        $named = fn (string ...$ids): array => array_values(array_filter($ids, fn (string $id): bool => isset($there[$id])));
        $rules = array_map(fn (BlueprintRule $rule): ?Rule => self::rule($rule, $named), $blueprint->rules);
        $wishes = array_map(
            fn (BlueprintWish $wish): Wish => new Wish($wish->id, $wish->weight, self::meeting(["wish/$wish->id"])),
            $blueprint->wishes,
        );
        $kept = $named(...$options->kept);
        $without = $named(...$options->without);

        return new Problem(
            self::placed($blueprint, $pool),
            self::demands($blueprint, $availability),
            [...array_values(array_filter($rules)), ...$kept === [] ? [] : [new MustInclude(self::KEPT, $kept)],
                ...$without === [] ? [] : [new Exclude(self::WITHOUT, $without)]],
            $wishes,
            $options->seed,
            $named(...$options->apartFrom),
            $options->tests,
            $options->common,
        );
    }

    /**
     * @param  list<Candidate>  $pool
     * @return list<Candidate> each with the tables that do not ask for it
     */
    private static function placed(Blueprint $blueprint, array $pool): array
    {
        $placed = $known = [];
        foreach ($pool as $candidate) {
            $met = implode("\n", array_keys($candidate->attributes));
            $outside = $known[$met] ??= self::outside($blueprint, $candidate);
            $placed[] = $outside === []
                ? $candidate
                : new Candidate(
                    $candidate->id,
                    $candidate->points,
                    $candidate->minutes,
                    [...$candidate->attributes, ...$outside],
                    $candidate->words,
                    $candidate->like,
                );
        }

        return $placed;
    }

    /** @return array<string, list<string>> */
    private static function outside(Blueprint $blueprint, Candidate $candidate): array
    {
        $keys = array_map(strval(...), array_keys($candidate->attributes));
        $outside = [];
        foreach ($blueprint->tables as $table) {
            $outside += Reduction::isOutside($table, $keys) ? [Places::outside($table) => ['1']] : [];
        }

        return $outside;
    }

    /** @return list<Demand> */
    public static function demands(Blueprint $blueprint, Availability $availability): array
    {
        $demands = [];
        foreach ($blueprint->tables as $table) {
            foreach ($table->cells as $cell) {
                $id = Places::id($table, $cell->row, $cell->column);
                $ranges = $cell->isAll ? ['count' => Range::exactly($availability->at($id)['usable'])] : $cell->ranges;
                $where = self::meeting($table->needs($cell->row, $cell->column));
                $demands[] = new Demand($id, $where, $ranges, $table->name($cell->row, $cell->column));
            }
            $demands[] = self::none(Places::outside($table), [Places::outside($table) => ['1']], Message::of('blueprints.outside'));
        }
        $demands[] = new Demand(Places::TOTAL, new Where([]), $blueprint->total, Message::of('blueprints.whole-test'));
        $most = new Range(null, Range::exactly(Blueprint::QUESTIONS)->max);
        $demands[] = new Demand(self::LARGEST, new Where([]), ['count' => $most], Message::of('blueprints.whole-test'));
        foreach ($blueprint->rules as $rule) {
            $demand = self::asDemand($rule);
            if ($demand !== null) {
                $demands[] = $demand;
            }
        }

        return $demands;
    }

    private static function asDemand(BlueprintRule $rule): ?Demand
    {
        return match ($rule->rule) {
            'some' => new Demand($rule->id, self::meeting(["rule/$rule->id"]), $rule->ranges, $rule->title),
            'unused_since' => self::none(
                $rule->id,
                ["rule/$rule->id" => ['1']],
                Message::of('blueprints.used-since', ['day' => $rule->since ?? '']),
            ),
            'not_in' => self::none(
                $rule->id,
                ["rule/$rule->id" => ['1']],
                Message::of('blueprints.in-assessments', ['n' => count($rule->assessments)]),
            ),
            default => null,
        };
    }

    /** @param  array<string, list<string>>  $where */
    private static function none(string $id, array $where, string $title): Demand
    {
        return new Demand($id, new Where($where), ['count' => Range::exactly(0)], $title);
    }

    /** @param  callable(string...): list<string>  $named  those of some questions that are in the pool */
    private static function rule(BlueprintRule $rule, callable $named): ?Rule
    {
        $what = Message::of('blueprints.attribute', ['attribute' => $rule->attribute]);

        return match ($rule->rule) {
            'at_most' => new AtMost($rule->id, $rule->attribute, $rule->n, $what),
            'all_or_none' => new AllOrNone($rule->id, $rule->attribute, $what),
            'never_together' => new NeverTogether($rule->id, $named(...$rule->questions)),
            'must_include' => new MustInclude($rule->id, $rule->questions),
            'exclude' => new Exclude($rule->id, $named(...$rule->questions)),
            'key_spread' => new Spread($rule->id, $rule->attribute, $rule->n, null, $what),
            'mean_difficulty' => $rule->mean === null ? null : new Mean($rule->id, $rule->attribute, $rule->mean, $what),
            default => null,
        };
    }

    /** @param  list<string>  $keys */
    private static function meeting(array $keys): Where
    {
        return new Where(array_fill_keys($keys, ['1']));
    }
}
