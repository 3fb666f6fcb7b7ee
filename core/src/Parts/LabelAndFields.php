<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use Brick\Math\BigRational;
use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Converting\PartPlaces;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Pictures\PictureInText;
use WideQuarry\Pictures\PlainRegions;

/** Labels of a picture as a list with a drop-down or a field for each target; a drop-down or a field as a picture with one target. */
final class LabelAndFields
{
    public static function toMenus(Draft $draft, \stdClass $part): void
    {
        $options = array_map(
            fn (\stdClass $label): \stdClass => (object) ['id' => $label->id, 'html' => PartJson::text($label, 'html')],
            PartJson::list(PartJson::settings($part), 'labels'),
        );
        self::split($draft, $part, 'menu', fn (string $target): array => [
            ['options' => $options, 'shuffle' => PartJson::settings($part)->shuffle ?? true],
            self::about($part, $target, fn (mixed $on): ?string => is_array($on) && is_string($on[1] ?? null) ? $on[1] : null),
        ]);
    }

    public static function toTexts(Draft $draft, \stdClass $part): void
    {
        $words = [];
        foreach (PartJson::list(PartJson::settings($part), 'labels') as $label) {
            $words['='.PartJson::text($label, 'id')] = (new AcceptedAnswer(PartJson::text($label, 'html'), '0'))->words();
        }
        self::split($draft, $part, 'text', fn (string $target): array => [
            array_filter(
                ['width' => 16, 'normalise' => PartJson::settings($part)->normalise ?? null],
                fn (mixed $value): bool => $value !== null,
            ),
            self::about($part, $target, function (mixed $on) use ($words): ?\stdClass {
                if ($on instanceof \stdClass) {
                    $on = clone $on;
                    unset($on->piece);

                    return $on;
                }
                $text = is_array($on) && is_string($on[1] ?? null) ? $words["=$on[1]"] ?? '' : '';

                return $text === '' ? null : (object) ['answer' => 'is', 'text' => [$text]];
            }),
        ]);
    }

    public static function fromMenu(Draft $draft, \stdClass $part): void
    {
        $labels = array_map(
            fn (\stdClass $option): \stdClass => (object) ['id' => $option->id, 'html' => PartJson::text($option, 'html'), 'uses' => 1],
            PartJson::list(PartJson::settings($part), 'options'),
        );
        self::one($draft, $part, 'menu', $labels, fn (mixed $on): mixed => is_string($on) ? ['t1', $on] : null);
    }

    public static function fromText(Draft $draft, \stdClass $part): void
    {
        self::one($draft, $part, 'typing', [], function (mixed $on): ?\stdClass {
            $about = $on instanceof \stdClass ? clone $on : null;
            if ($about !== null) {
                $about->piece = 't1';
            }

            return $about;
        });
    }

    /**
     * A part for each target, in a numbered list below the picture.
     *
     * @param  \Closure(string): array{array<string, mixed>, list<array<string, mixed>>}  $made  target → settings and rules
     */
    private static function split(Draft $draft, \stdClass $part, string $kind, \Closure $made): void
    {
        $id = PartJson::text($part, 'id');
        $targets = PartJson::list(PartJson::settings($part), 'targets');
        $draft->lose(Message::of('parts.targets-become-names'));
        if (isset($part->feedback) && count($targets) > 1) {
            $draft->lose(Message::of('parts.feedback-of-the-whole-lost'));
        }
        $points = Exact::number(Exact::toPlaces(PartJson::points($part)->dividedBy(max(1, count($targets))), 4)->toBigRational());
        if (! BigRational::of((string) $points)->multipliedBy(max(1, count($targets)))->isEqualTo(PartJson::points($part))) {
            $draft->lose(Message::of('parts.points-do-not-divide', ['points' => $points, 'count' => count($targets)]));
        }
        PictureInText::above($draft, PartJson::settings($part), $id);
        $parts = [];
        $list = '';
        foreach ($targets as $i => $target) {
            $new = $i === 0 ? $id : self::fresh($draft, $parts);
            $old = clone $part;
            if (count($targets) > 1) {
                unset($old->feedback);
            }
            [$settings, $rules] = $made(PartJson::text($target, 'id'));
            $json = PartJson::part($new, $kind, $old, $points, $settings, $rules, ['scheme' => 'weights']);
            $parts[] = $json;
            $list .= '<li><p>'.PlainRegions::name(PartJson::text($target, 'label'), $i).' '.Draft::inlinePlace($new).'</p></li>';
        }
        $draft->put(Draft::blockPlace($id), $list === '' ? '' : "<ol>$list</ol>");
        $draft->replace($id, $parts);
    }

    /** @param  list<\stdClass>  $made  parts that are not in the draft yet */
    private static function fresh(Draft $draft, array $made): string
    {
        $taken = array_map(fn (\stdClass $part): mixed => $part->id, [...$draft->parts(), ...$made]);
        for ($n = 1; in_array("p$n", $taken, true); $n++);

        return "p$n";
    }

    /**
     * @param  \Closure(mixed): mixed  $on  what a rule is about there; null leaves it out
     * @return list<array<string, mixed>>
     */
    private static function about(\stdClass $part, string $target, \Closure $on): array
    {
        $rules = [];
        foreach (PartJson::rules($part) as $rule) {
            $about = is_array($rule->on ?? null) ? $rule->on[0] ?? null : PartJson::text($rule->on ?? null, 'piece');
            $new = $about === $target ? $on($rule->on) : null;
            if ($new !== null) {
                $rules[] = [
                    'id' => 'r'.(count($rules) + 1),
                    'on' => $new,
                    'credit' => PartJson::text($rule, 'credit', '0'),
                    'feedback' => $rule->feedback ?? null,
                ];
            }
        }

        return $rules;
    }

    /**
     * @param  list<\stdClass>  $labels
     * @param  \Closure(mixed): mixed  $on
     */
    private static function one(Draft $draft, \stdClass $part, string $by, array $labels, \Closure $on): void
    {
        $id = PartJson::text($part, 'id');
        $picture = PictureInText::taken($draft);
        $draft->lose(Message::of($picture === null ? 'parts.targets-need-a-picture' : 'parts.targets-stand-in-rows'));
        [[$x, $y]] = PictureInText::rows($picture, 1);
        $rules = [];
        foreach (PartJson::rules($part) as $rule) {
            $about = $on($rule->on ?? null);
            if ($about !== null) {
                $rules[] = [
                    'id' => $rule->id,
                    'on' => $about,
                    'credit' => PartJson::text($rule, 'credit', '0'),
                    'feedback' => $rule->feedback ?? null,
                ];
            }
        }
        $settings = [
            'picture' => $picture,
            'targets' => [(object) ['id' => 't1', 'at' => [(string) $x, (string) $y], 'label' => '']],
            'labels' => $labels,
            'by' => $by,
            'shuffle' => PartJson::settings($part)->shuffle ?? true,
        ];
        $normalise = PartJson::settings($part)->normalise ?? null;
        if ($by === 'typing' && $normalise !== null) {
            $settings['normalise'] = $normalise;
        }
        $new = PartJson::part($id, 'label', $part, Exact::number(PartJson::points($part)), $settings, $rules, ['scheme' => 'weights']);
        PartPlaces::settle($draft, PartPlaces::find($draft, $id), $part, $new, false);
    }
}
