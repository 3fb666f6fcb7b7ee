<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Menu;

use WideQuarry\Converting\AnswerForm;
use WideQuarry\Finding;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\LabelAndFields;
use WideQuarry\Parts\OptionForm;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\SetScoring;
use WideQuarry\Study\StudiedOptions;
use WideQuarry\Study\StudiedPart;

/** The learner picks one option from a drop-down inside a sentence. Response: {"chosen": ["b"]}. */
final class MenuKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'menu';
    }

    public function isInline(): bool
    {
        return true;
    }

    public function readSettings(mixed $json, string $path): MenuSettings
    {
        return MenuSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): string
    {
        return Fields::asId($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_ONE;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Weights;
    }

    public function extras(): array
    {
        return [];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $chosen = $response->chosen ?? null;
        if (! is_array($chosen) || ! array_is_list($chosen) || count($chosen) > 1 || array_filter($chosen, is_string(...)) !== $chosen) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.menu.response-drop-down'));
        }
        if ($chosen === []) {
            return PartOutcome::unanswered();
        }
        $ids = array_column(self::settings($part)->options, 'id');
        if (! in_array($chosen[0], $ids, true)) {
            return PartOutcome::unreadable('menu.unknown_option', Message::of('parts.menu.no-option', ['chosen' => $chosen[0]]));
        }

        return $part->scheme === Scheme::Person
            ? PartOutcome::needsMarking()
            : SetScoring::score($part, $chosen, $ids, fn (Rule $rule): string => is_string($rule->on) ? $rule->on : '');
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        return array_column($this->offered($part, $seed), 'id');
    }

    /** @return list<Item> */
    private function offered(Part $part, Seed $seed): array
    {
        $settings = self::settings($part);
        $options = Item::filled($settings->options);

        return $settings->shuffle ? $seed->stream('shuffle', $part->id)->shuffled($options) : $options;
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $options = $this->offered($part, $seed);

        return ['options' => array_map(fn (Item $option): array => $option->shown($in->roll->filling()), $options)];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        $options = array_map(fn (array $option): string => $paper->inline($option['body']), self::shown($presented));

        return '<span class="pick">('.implode(' <span class="or">/</span> ', $options).')</span>';
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $answers = [];
        foreach (self::shown($presented) as $option) {
            foreach ($part->key->rules as $rule) {
                if ($rule->on === $option['id'] && $rule->credit()->isPositive()) {
                    $answers[] = new PrintedAnswer($paper->inline($option['body']), $rule->credit());
                }
            }
        }
        usort($answers, fn (PrintedAnswer $a, PrintedAnswer $b): int => $b->credit->compareTo($a->credit));

        return $answers;
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $options = self::settings($part)->options;
        $named = [];
        $findings = [];
        $best = Exact::zero();
        foreach ($part->key->rules as $rule) {
            $on = is_string($rule->on) ? $rule->on : '';
            if (Item::find($options, $on) === null) {
                $findings[] = Finding::blocking(
                    'key.unknown_option',
                    "$rule->path/on",
                    Message::of('parts.menu.key-names-no-option', ['on' => $on]),
                );
            } elseif (isset($named["=$on"])) {
                $findings[] = Finding::blocking(
                    'key.listed_twice',
                    "$rule->path/on",
                    Message::of('parts.menu.two-rules-name-option'),
                );
            }
            $named["=$on"] = true;
            try {
                $best = $rule->credit()->isGreaterThan($best) ? $rule->credit() : $best;
            } catch (NotScorable) {
                continue; // found by the check of every key
            }
        }
        if (count(Item::filled($options)) < 2) {
            $findings[] = Finding::blocking(
                'menu.too_few_options',
                "$part->path/settings/options",
                Message::of('parts.menu.drop-down-needs-least'),
            );
        }
        if ($part->scheme !== Scheme::Person && ! $best->isPositive()) {
            $findings[] = Finding::blocking('key.nothing_right', "$part->path/key/rules", Message::of('parts.menu.no-option-marked-right'));
        } elseif ($part->scheme === Scheme::Weights && $best->isLessThan(1)) {
            $findings[] = Finding::warning(
                'key.full_credit_out_of_reach',
                "$part->path/key/rules",
                Message::of('parts.menu.no-answer-earns-all-points'),
                [
                    'best' => Exact::text($best),
                ],
            );
        }

        return [...PairCheck::items($options, 'option', $named), ...$findings];
    }

    public function texts(Part $part): array
    {
        return array_column(self::settings($part)->options, 'html');
    }

    public function answerForm(): AnswerForm
    {
        return new OptionForm('menu');
    }

    public function conversions(): array
    {
        return ['label' => LabelAndFields::fromMenu(...)];
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedOptions::of(array_column(self::settings($part)->options, 'html', 'id'), StudiedOptions::right($part));
    }

    public function mapping(): KindMapping
    {
        return new MenuMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        return (object) ['chosen' => [WrittenNames::items(self::settings($part)->options)->one($written)]];
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{id: string, body: list<string|array<int, mixed>>}>
     */
    private static function shown(array $presented): array
    {
        return is_array($presented['options'] ?? null) ? $presented['options'] : []; // @phpstan-ignore return.type
    }

    private static function settings(Part $part): MenuSettings
    {
        assert($part->settings instanceof MenuSettings);

        return $part->settings;
    }
}
