<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;
use WideQuarry\Converting\AnswerForm;
use WideQuarry\Forms\KeyPlaces;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\OptionForm;
use WideQuarry\Parts\SpotAndChoice;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\SetScoring;
use WideQuarry\Study\StudiedOptions;
use WideQuarry\Study\StudiedPart;

/** The learner picks one or several options. Response: {"chosen": ["a"]}. */
final class ChoiceKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'choice';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): ChoiceSettings
    {
        return ChoiceSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): string
    {
        return Fields::asId($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return self::settings($settings)->max === 1 ? Scheme::Weights : Scheme::All;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part->settings);
        $chosen = $response->chosen ?? null;
        if (! is_array($chosen) || ! self::areTexts($chosen)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.choice.response-choice'));
        }
        $given = array_values(array_unique($chosen));
        $unknown = array_values(array_diff($given, $settings->ids()));
        if ($unknown !== []) {
            return PartOutcome::unreadable('choice.unknown_option', Message::of('parts.choice.no-option', ['unknown' => $unknown[0]]));
        }
        $count = count($given);
        if ($count === 0) {
            return PartOutcome::unanswered();
        }
        if ($settings->max !== null && $count > $settings->max) {
            return PartOutcome::unreadable('choice.too_many', Message::of('parts.choice.most-may-chosen', [
                'max' => $settings->max,
                'count' => $count,
            ]));
        }
        if ($count < $settings->min) {
            return PartOutcome::unreadable('choice.too_few', Message::of('parts.choice.least-must-chosen', [
                'min' => $settings->min,
                'count' => $count,
            ]));
        }

        return $part->scheme === Scheme::Person
            ? PartOutcome::needsMarking()
            : SetScoring::score($part, $given, $settings->ids(), fn (Rule $rule): string => is_string($rule->on) ? $rule->on : '');
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);
        $options = $this->shown($settings, $part, $seed);

        return [
            'options' => array_map(
                fn (array $option): array => ['id' => $option['id'], 'body' => Tree::of($option['html'], $in->roll->filling())],
                $options,
            ),
            'min' => $settings->min,
            'max' => $settings->max,
            'layout' => $settings->layout,
            'columns' => $settings->columns,
            'labels' => $settings->labels,
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedChoice)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedChoice)->answers($part, $presented, $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new ChoiceCheck)->findings($part, self::settings($part->settings));
    }

    public function texts(Part $part): array
    {
        return array_column(self::settings($part->settings)->options, 'html');
    }

    public function keyPlace(Part $part): ?int
    {
        $settings = self::settings($part->settings);
        $right = array_values(array_filter($part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        $place = count($right) === 1 && $settings->max === 1 && ! $settings->shuffle
            ? array_search($right[0]->on, $settings->ids(), true)
            : false;

        return $place === false ? null : $place;
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        return array_column($this->shown(self::settings($part->settings), $part, $seed), 'id');
    }

    public function keyPlaces(Part $part): ?KeyPlaces
    {
        $settings = self::settings($part->settings);
        $right = self::right($part);
        $place = count($right) === 1 ? array_search($right[0], $settings->ids(), true) : false;
        if ($place === false) {
            return null;
        }
        $loose = array_keys(array_filter($settings->options, fn (array $option): bool => ! $option['fixed']));

        return new KeyPlaces(
            $right[0],
            count($settings->options),
            $settings->shuffle && in_array($place, $loose, true) ? $loose : [$place],
        );
    }

    public function answerLabels(Part $part, array $presented): array
    {
        $labels = self::settings($part->settings)->labels;
        $count = count(self::settings($part->settings)->options);

        return array_map(
            fn (int $place): string => OptionLabel::at($labels === 'none' ? 'A' : $labels, $place),
            $count === 0 ? [] : range(0, $count - 1),
        );
    }

    public function keyLabels(Part $part, array $shown): array
    {
        $labels = self::settings($part->settings)->labels;
        $places = array_keys(array_intersect($shown, self::right($part)));

        return array_map(fn (int $place): string => OptionLabel::at($labels === 'none' ? 'A' : $labels, $place), $places);
    }

    public function answerForm(): AnswerForm
    {
        return new OptionForm('choice');
    }

    public function conversions(): array
    {
        return ['spot' => SpotAndChoice::toSpot(...)];
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedOptions::of(array_column(self::settings($part->settings)->options, 'html', 'id'), StudiedOptions::right($part));
    }

    public function mapping(): KindMapping
    {
        return new ChoiceMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $options = new WrittenNames(
            array_map(
                fn (array $option): array => [$option['id'], RichText::read($option['html'])->plain()],
                self::settings($part->settings)->options,
            ),
        );

        return (object) ['chosen' => $options->several($written)];
    }

    /** @return list<string> the options that earn something */
    private static function right(Part $part): array
    {
        $earning = array_filter($part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive());

        return array_values(array_unique(array_filter(array_map(fn (Rule $rule): mixed => $rule->on, $earning), is_string(...))));
    }

    /**
     * Fixed options keep their place; the others change theirs where they may.
     *
     * @return list<array{id: string, html: string, fixed: bool}>
     */
    private function shown(ChoiceSettings $settings, Part $part, Seed $seed): array
    {
        if (! $settings->shuffle) {
            return $settings->options;
        }
        $loose = $seed
            ->stream('shuffle', $part->id)
            ->shuffled(array_values(array_filter($settings->options, fn (array $option): bool => ! $option['fixed'])));
        $shown = [];
        foreach ($settings->options as $option) {
            $shown[] = $option['fixed'] ? $option : array_shift($loose);
        }

        return array_values(array_filter($shown));
    }

    /**
     * @param  array<mixed>  $values
     *
     * @phpstan-assert-if-true array<string> $values
     */
    private static function areTexts(array $values): bool
    {
        return array_filter($values, fn (mixed $value): bool => ! is_string($value)) === [];
    }

    private static function settings(object $settings): ChoiceSettings
    {
        assert($settings instanceof ChoiceSettings);

        return $settings;
    }
}
