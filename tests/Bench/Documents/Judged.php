<?php

declare(strict_types=1);

namespace Tests\Bench\Documents;

use App\Infrastructure\OfficePrograms;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;

/** What was recognised of a typed exam, beside what is true of it. */
final class Judged
{
    public int $questions = 0;

    public int $found = 0;

    public int $keys = 0;

    public int $right = 0;

    public int $wronglySure = 0;

    public int $paragraphs = 0;

    public int $placed = 0;

    /** @var list<string> */
    public array $faults = [];

    public static function of(TypedExam $exam, string $file): self
    {
        $judged = new self;
        $source = new Source($file, basename($file));
        try {
            $found = PackageContents::collect(
                Formats::standard(StandardKinds::all(), new OfficePrograms)->for($source, Formats::QUESTIONS)->read($source),
            );
        } catch (\WideQuarry\CoreException $problem) {
            $found = new PackageContents;
            $judged->faults[] = $problem->getMessage();
        }
        $judged->questions = count($exam->truth);
        $judged->found = min(count($found->questions), $judged->questions) - max(0, count($found->questions) - $judged->questions);
        if (count($found->questions) !== $judged->questions) {
            $judged->faults[] = count($found->questions).' questions instead of '.$judged->questions;
        }
        foreach ($exam->truth as $i => ['kind' => $kind, 'key' => $key]) {
            $question = $found->questions[$i] ?? null;
            if ($key === null) {
                $judged->faults = [...$judged->faults, ...($question?->parts[0]->kind ?? '') === 'essay' ? [] : ["$i: no essay"]];

                continue;
            }
            $judged->keys++;
            $said = $question === null ? '' : self::key($question);
            $true = self::expected($kind, $key);
            if ($said === $true) {
                $judged->right++;
            } else {
                $judged->faults[] = "$i: $said instead of $true";
                $isSure = ($question->record->origin->fields->certainty ?? 0) >= 0.9;
                $judged->wronglySure += $isSure ? 1 : 0;
            }
        }
        $judged->places($exam, $found);

        return $judged;
    }

    private function places(TypedExam $exam, PackageContents $found): void
    {
        $ids = array_flip(array_map(fn (\stdClass $question): string => (string) $question->id, $found->questions));
        $lines = array_merge([], ...array_map(fn (\stdClass $document): array => $document->lines, $found->documents));
        $at = 0;
        foreach ($exam->paragraphs as $paragraph) {
            $texts = isset($paragraph['table'])
                ? array_map(fn (array $cell): string => implode('', array_column($cell, 0)), array_merge(...$paragraph['table']))
                : [implode('', array_column($paragraph['runs'], 0))];
            foreach ($texts as $text) {
                $this->paragraphs++;
                // a row is one line of plain text, so the next few are looked at
                for ($next = $at; $next < min(count($lines), $at + 4); $next++) {
                    $plain = self::plain(html_entity_decode(strip_tags($lines[$next]->html)));
                    $sought = self::plain($text);
                    if (($plain === '') === ($sought === '') && (str_contains($sought, $plain) || str_contains($plain, $sought))) {
                        break;
                    }
                }
                $line = $lines[$next] ?? null;
                $of = $line === null ? '' : ($line->is === 'question' ? (string) ($ids[$line->id] ?? '') : $line->is);
                if ($of === $paragraph['of']) {
                    $this->placed++;
                } else {
                    $this->faults[] = "“{$text}” went to “{$of}”, not “{$paragraph['of']}”";
                }
                $at = $next < min(count($lines), $at + 4) ? $next + (
                    isset($paragraph['table']) && str_contains(
                        self::plain(strip_tags($lines[$next]->html)),
                        self::plain($text),
                    ) && count($texts) > 1 ? 0 : 1
                ) : $at;
            }
        }
    }

    private static function plain(string $text): string
    {
        return mb_strtolower((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $text));
    }

    private static function expected(string $kind, mixed $key): string
    {
        if ($kind === 'number') {
            return (string) (float) $key[0].($key[1] === null ? '' : '±'.(float) $key[1]);
        }
        $key = array_map(fn (mixed $one): string => is_numeric($one) ? (string) (float) $one : self::plain((string) $one), (array) $key);
        if (in_array($kind, ['choice', 'text'], true)) {
            sort($key);
        }

        return implode('|', $key);
    }

    private static function key(\stdClass $question): string
    {
        return implode('|', array_map(function (\stdClass $part): string {
            $named = [];
            foreach ([
                ...$part->settings->options ?? [],
                ...$part->settings->left ?? [],
                ...$part->settings->right ?? [],
                ...$part->settings->items ?? [],
            ] as $one) {
                $named[$one->id] = self::plain(html_entity_decode(strip_tags($one->html)));
            }
            $keys = [];
            foreach ($part->key->rules ?? [] as $rule) {
                $on = $rule->on;
                array_push($keys, ...match (true) {
                    is_string($on) => [$named[$on]],
                    is_array($on) && $part->kind === 'match' => [$named[$on[0]].$named[$on[1]]],
                    is_array($on) => array_map(fn (array $rank): string => $named[$rank[0]], $on),
                    isset($on->text) => array_map(self::plain(...), $on->text),
                    isset($on->value) => [self::number($on->value).(isset($on->tolerance) ? '±'.self::number($on->tolerance->width) : '')],
                    default => ['?'],
                });
            }
            if (in_array($part->kind, ['choice', 'text'], true)) {
                sort($keys);
            }

            return implode('|', $keys);
        }, $question->parts));
    }

    private static function number(string $exact): string
    {
        [$over, $under] = [...explode('/', $exact), '1'];

        return (string) ((float) $over / (float) $under);
    }
}
