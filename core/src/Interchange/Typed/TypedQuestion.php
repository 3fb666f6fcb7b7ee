<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Messages\Message;
use WideQuarry\Question\FieldWidth;

/** A recognised question as JSON of ours, with the signs it was recognised by and what is missing. */
final readonly class TypedQuestion
{
    private const GAP = '/_{3,}/u';

    /**
     * @param  list<Sign>  $signs  what it was recognised by
     * @param  list<string>  $missing  sentences about what could not be told
     */
    private function __construct(public \stdClass $json, public array $signs, public array $missing)
    {
    }

    /**
     * @param  string|null  $answer  from a line below it or from the key
     * @param  Sign  $where  where the answer stood
     * @param  int|null  $marked  the option that carries a mark of its own
     */
    public static function of(Block $block, string $id, ?string $answer, Sign $where, ?int $marked): self
    {
        [$parts, $body, $signs, $missing] = match (true) {
            count($block->options) > 1 => self::choice($block, $answer, $where, $marked),
            self::isTrueFalse($block, $answer) => self::trueFalse($block, $answer, $where),
            default => self::typed($block, $answer, $where),
        };
        $json = [
            'format' => 'wide-quarry/question',
            'version' => 1,
            'id' => $id,
            'language' => 'und',
            'body' => $body,
            'parts' => $parts,
        ];
        if ($block->feedback !== '') {
            $json['feedback'] = (object) [
                'general' => (object) ['html' => '<p>'.self::html($block->feedback).'</p>', 'show' => 'after'],
            ];
        }

        return new self((object) $json, [Sign::Number, ...$signs], $missing);
    }

    /** @param  bool  $disputed  whether something else in the document says another key */
    public function certainty(bool $disputed): float
    {
        $certainty = max([0.0, ...array_map(fn (Sign $sign): float => $sign->certainty(), $this->signs)]);

        return $disputed ? min($certainty, Sign::DISPUTED) : $certainty;
    }

    /** @return array{list<\stdClass>, string, list<Sign>, list<string>} */
    private static function choice(Block $block, ?string $answer, Sign $where, ?int $marked): array
    {
        $right = match (true) {
            $block->ticked !== [] => $block->ticked,
            $answer !== null => TypedAnswer::options($answer, $block->options),
            $marked !== null => [$marked],
            default => null,
        };
        $sign = match (true) {
            $block->ticked !== [] => Sign::TickedBox,
            $answer !== null => $where,
            default => Sign::MarkedOption,
        };
        $missing = match (true) {
            $block->ticked !== [] && $answer !== null && TypedAnswer::options($answer, $block->options) !== $block->ticked => [
                Message::of('interchange.typed.ticked-boxes-taken-right-answer-says-otherwise-not-used', ['answer' => $answer]),
            ],
            $right !== null => [],
            $answer !== null => [Message::of('interchange.typed.answer-names-none-options', ['answer' => $answer])],
            default => [Message::of('interchange.typed.no-answer-no-option')],
        };

        return [
            [self::options($block, $block->options, $right ?? [])],
            self::body($block->stem).'<div data-part="p1"></div>',
            [Sign::Options, ...$right === null ? [] : [$sign]],
            $missing,
        ];
    }

    /** @return array{list<\stdClass>, string, list<Sign>, list<string>} */
    private static function trueFalse(Block $block, ?string $answer, Sign $where): array
    {
        $truth = $answer === null ? null : TypedAnswer::truth($answer);
        $stem = array_map(
            fn (string $line): string => trim(
                (string) preg_replace('~[(\[]?\s*\b(?:true|t)\s*(?:/|or)\s*(?:false|f)\b\s*[)\]]?\s*[:?.]?~iu', '', $line),
            ),
            $block->stem,
        );
        $missing = $truth === null ? [Message::of('interchange.typed.no-answer-true-or-false')] : [];

        return [
            [self::options($block, ['True', 'False'], $truth === null ? [] : [$truth ? 0 : 1])],
            self::body(array_values(array_filter($stem, fn (string $line): bool => $line !== ''))).'<div data-part="p1"></div>',
            [Sign::TrueFalse, ...$truth === null ? [] : [$where]],
            $missing,
        ];
    }

    /** @return array{list<\stdClass>, string, list<Sign>, list<string>} */
    private static function typed(Block $block, ?string $answer, Sign $where): array
    {
        $body = self::body([...$block->stem, ...$block->firstOption !== '' ? [$block->firstOption] : $block->options]);
        $gaps = preg_match_all(self::GAP, $body);
        $given = $answer === null ? [] : ($gaps > 1 ? array_map(trim(...), preg_split('/\s*[;,]\s*/u', $answer) ?: []) : [$answer]);
        if ($answer !== null && count($given) !== max(1, (int) $gaps)) {
            return self::unkeyed($block, $body, (int) $gaps, [
                Message::of('interchange.typed.gaps-answers-none-taken', [
                    'gaps' => (int) $gaps,
                    'count' => count($given),
                    'answer' => $answer,
                ]),
            ]);
        }
        if ($answer === null) {
            return self::unkeyed($block, $body, (int) $gaps, [Message::of('interchange.typed.answer-found-needs-manual')]);
        }
        $parts = [];
        foreach ($given as $i => $one) {
            [$parts[], $after] = self::part($block, 'p'.($i + 1), $one, count($given));
            $place = '<span data-part="p'.($i + 1).'"></span>'.($after === '' || $gaps > 0 ? '' : ' '.self::html($after));
            $body = $gaps > 0 ? (string) preg_replace(self::GAP, $place, $body, 1) : $body."<p>$place</p>";
        }

        return [$parts, $body, [...$gaps > 0 ? [Sign::Gaps] : [], $where], []];
    }

    /** @return array{\stdClass, string} the part, and the unit to be written after it */
    private static function part(Block $block, string $id, string $answer, int $of): array
    {
        $points = self::points($block, $of);
        $number = TypedAnswer::number($answer);
        if ($number !== null) {
            $on = [
                'answer' => 'value',
                'value' => $number['value'],
                ...$number['width'] === null ? [] : ['tolerance' => (object) ['kind' => 'absolute', 'width' => $number['width']]],
            ];

            return [self::keyed($id, 'number', $points, (object) ['width' => 8], $on), $number['unit']];
        }
        $words = TypedAnswer::words($answer);

        return [
            self::keyed($id, 'text', $points, (object) ['width' => FieldWidth::for(...$words)], ['answer' => 'is', 'text' => $words]),
            '',
        ];
    }

    /**
     * @param  list<string>  $missing
     * @return array{list<\stdClass>, string, list<Sign>, list<string>}
     */
    private static function unkeyed(Block $block, string $body, int $gaps, array $missing): array
    {
        $parts = [];
        for ($i = 1; $i <= max(1, $gaps); $i++) {
            $parts[] = (object) [
                'id' => "p$i",
                'kind' => 'text',
                'points' => self::points($block, max(1, $gaps)),
                'settings' => (object) ($gaps > 0 ? ['width' => 20] : ['width' => 60, 'lines' => 4]),
                'scoring' => (object) ['scheme' => 'person'],
            ];
            $body =
                $gaps > 0
                    ? (string) preg_replace(self::GAP, "<span data-part=\"p$i\"></span>", $body, 1)
                    : $body."<p><span data-part=\"p$i\"></span></p>";
        }

        return [$parts, $body, $gaps > 0 ? [Sign::Gaps] : [], $missing];
    }

    /** @param  array<string, mixed>  $on */
    private static function keyed(string $id, string $kind, int|float $points, \stdClass $settings, array $on): \stdClass
    {
        return (object) [
            'id' => $id,
            'kind' => $kind,
            'points' => $points,
            'settings' => $settings,
            'key' => (object) ['rules' => [(object) ['id' => 'r1', 'on' => (object) $on, 'credit' => '1']], 'default' => '0'],
        ];
    }

    /**
     * @param  list<string>  $options
     * @param  list<int>  $right
     */
    private static function options(Block $block, array $options, array $right): \stdClass
    {
        $id = fn (int $i): string => chr(97 + intdiv($i, 26)).($i < 26 ? '' : 'x').chr(97 + ($i % 26));
        $ids = array_map(fn (int $i): string => $i < 26 ? chr(97 + $i) : $id($i), array_keys($options));

        return (object) [
            'id' => 'p1',
            'kind' => 'choice',
            'points' => self::points($block, 1),
            'settings' => (object) [
                'options' => array_map(
                    fn (string $option, string $id): \stdClass => (object) ['id' => $id, 'html' => self::html($option)],
                    $options,
                    $ids,
                ),
                'max' => count($right) > 1 ? null : 1,
            ],
            'key' => (object) [
                'rules' => array_map(
                    fn (int $i): \stdClass => (object) ['id' => 'r-'.$ids[$i], 'on' => $ids[$i], 'credit' => '1'],
                    $right,
                ),
                'default' => '0',
            ],
        ];
    }

    private static function isTrueFalse(Block $block, ?string $answer): bool
    {
        return preg_match('~\b(?:true\s*(?:/|or)\s*false|t\s*/\s*f)\b~iu', implode(' ', $block->stem)) === 1 ||
            ($block->options === [] && $answer !== null && TypedAnswer::truth($answer) !== null && strlen($answer) > 1);
    }

    /** Points of the question, shared by its parts where that comes out even; else each has one. */
    private static function points(Block $block, int $parts): int|float
    {
        $all = (float) ($block->points ?? $parts);
        $each = $all / $parts;

        return fmod($each * 10000, 1.0) === 0.0 ? (floor($each) === $each ? (int) $each : $each) : 1;
    }

    /** @param  list<string>  $lines */
    private static function body(array $lines): string
    {
        return implode('', array_map(fn (string $line): string => '<p>'.self::html($line).'</p>', $lines));
    }

    private static function html(string $text): string
    {
        return htmlspecialchars($text, ENT_NOQUOTES | ENT_SUBSTITUTE);
    }
}
