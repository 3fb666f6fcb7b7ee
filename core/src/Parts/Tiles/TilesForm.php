<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\AnswerForm;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** A gap that takes a tile. All gaps of a question take theirs from one set of tiles. */
final class TilesForm implements AnswerForm
{
    public function normalises(): bool
    {
        return false;
    }

    public function answers(Draft $draft, \stdClass $part, ?string $gap): array
    {
        $rules = [];
        foreach (PartJson::rules($part) as $rule) {
            if (is_array($rule->on ?? null) && ($rule->on[0] ?? null) === $gap && is_string($rule->on[1] ?? null)) {
                $rules['='.$rule->on[1]] ??= $rule;
            }
        }

        return array_map(function (\stdClass $tile) use ($rules): AcceptedAnswer {
            $rule = $rules['='.PartJson::text($tile, 'id')] ?? null;
            $right = $rule !== null && Exact::read(PartJson::text($rule, 'credit'))?->isPositive() === true;

            return new AcceptedAnswer(PartJson::text($tile, 'html'), $right ? '1' : '0', $rule->feedback ?? null);
        }, PartJson::list($part->settings ?? null, 'tiles'));
    }

    public function make(Draft $draft, string $place, array $answers, \stdClass $old, int|float $points): void
    {
        $set = $this->setBeside($draft, $old);
        $isNew = $set === null;
        $set ??= $this->freshSet($draft);
        $id = PartJson::text($set, 'id');
        $gap = $draft->freshGap($id);
        $tiles = PartJson::list($set->settings, 'tiles');
        $rules = PartJson::rules($set);
        foreach ($answers as $answer) {
            if ($answer->words() === '' && ! str_contains($answer->html, '<img')) {
                continue;
            }
            $tile = $this->tile($tiles, $rules, $answer);
            if (! $answer->isSilent()) {
                if ($answer->isRight() && $answer->credit !== '1') {
                    $draft->lose(Message::of('parts.tiles.answers-earn-part-points'));
                }
                $rules[] = (object) array_filter(
                    [
                        'id' => self::fresh($rules, 'k'),
                        'on' => [$gap, $tile->id],
                        'credit' => $answer->isRight() ? '1' : '0',
                        'feedback' => $answer->feedback,
                    ],
                    fn (mixed $value): bool => $value !== null,
                );
            }
        }
        assert($set->settings instanceof \stdClass && $set->key instanceof \stdClass);
        $set->settings->tiles = $tiles;
        $set->key->rules = $rules;
        $set->points = Exact::number(PartJson::points($set)->plus(Exact::read((string) $points) ?? Exact::zero()));
        $draft->put($place, str_starts_with($place, '<div') ? '<p>'.Draft::gapPlace($gap, $id).'</p>' : Draft::gapPlace($gap, $id));
        if ($isNew) {
            $draft->append(Draft::blockPlace($id));
        }
        $oldId = PartJson::text($old, 'id');
        $draft->replace($oldId, $isNew ? [$set] : []);
    }

    /** The tiles that the question has already. */
    private function setBeside(Draft $draft, \stdClass $old): ?\stdClass
    {
        $others = array_filter($draft->parts(), fn (\stdClass $part): bool => $part->kind === 'tiles' && $part !== $old);

        return array_values($others)[0] ?? null;
    }

    private function freshSet(Draft $draft): \stdClass
    {
        return PartJson::part(
            $draft->freshPart(),
            'tiles',
            (object) ['label' => ''],
            0,
            ['tiles' => [], 'shuffle' => true],
            [],
            ['scheme' => 'each', 'cost' => '1'],
        );
    }

    /**
     * The tile with the words of an answer: one that is there, usable once more where the answer needs it, or a new one.
     *
     * @param  list<\stdClass>  $tiles
     * @param  list<\stdClass>  $rules
     */
    private function tile(array &$tiles, array $rules, AcceptedAnswer $answer): \stdClass
    {
        $words = mb_strtolower($answer->words());
        foreach ($tiles as $tile) {
            if (mb_strtolower((new AcceptedAnswer(PartJson::text($tile, 'html'), '0'))->words()) !== $words) {
                continue;
            }
            $uses = property_exists($tile, 'uses') ? $tile->uses : 1;
            if ($answer->isRight() && is_int($uses)) {
                $tile->uses = max($uses, $this->needed($rules, PartJson::text($tile, 'id')) + 1);
            }

            return $tile;
        }

        return $tiles[] = (object) ['id' => self::fresh($tiles, 't'), 'html' => $answer->html, 'uses' => 1];
    }

    /** @param  list<\stdClass>  $rules */
    private function needed(array $rules, string $tile): int
    {
        return count(
            array_filter(
                $rules,
                fn (\stdClass $rule): bool => is_array($rule->on ?? null) &&
                    ($rule->on[1] ?? null) === $tile &&
                    Exact::read(PartJson::text($rule, 'credit'))?->isPositive() === true,
            ),
        );
    }

    /** @param  list<\stdClass>  $taken */
    private static function fresh(array $taken, string $prefix): string
    {
        $ids = array_map(fn (\stdClass $one): mixed => $one->id ?? null, $taken);
        for ($n = 1; in_array("$prefix$n", $ids, true); $n++);

        return "$prefix$n";
    }
}
