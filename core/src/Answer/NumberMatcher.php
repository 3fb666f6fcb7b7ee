<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\Value;
use WideQuarry\Variables\ValueFormat;

/** What a typed number must be for a rule to match: a value, one of a set, within a range, or anything else. */
final readonly class NumberMatcher
{
    /** @param  list<Value>  $values */
    private function __construct(
        public string $answer,
        public array $values,
        public ?Value $from,
        public ?Value $to,
        public string $ends,
        public ?Tolerance $tolerance,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['answer', 'value', 'values', 'from', 'to', 'ends', 'tolerance'])->need('answer');
        $answer = $fields->oneOf('answer', ['value', 'set', 'range', 'otherwise'], '');
        $values = $fields->has('value') && $answer === 'value' ? [Value::readNumber($fields->raw('value'), "$path/value")] : [];
        foreach ($fields->list('values', 200) as $i => $value) {
            $values[] = Value::readNumber($value, "$path/values/$i");
        }
        $end = fn (string $name): ?Value => $fields->raw($name) === null ? null : Value::readNumber($fields->raw($name), "$path/$name");

        return new self(
            $answer,
            $values,
            $end('from'),
            $end('to'),
            $fields->oneOf('ends', ['both', 'from', 'to', 'none'], 'both'),
            $fields->has('tolerance') ? Tolerance::read($fields->raw('tolerance'), "$path/tolerance") : null,
        );
    }

    /** @return list<string> the values as they were written */
    public function sources(): array
    {
        return array_map(
            fn (Value $value): string => $value->source(),
            array_values(array_filter([...$this->values, $this->from, $this->to])),
        );
    }

    /** @throws \WideQuarry\Variables\RollProblem */
    public function matches(NumberReading $given, Roll $roll): bool
    {
        $value = $given->value ?? throw new \LogicException('An unreadable number is not compared.');

        return match ($this->answer) {
            'range' => $this->inRange($value, $roll),
            'otherwise' => true,
            default => array_filter(
                $this->values,
                fn (Value $key): bool => $this->tolerance === null
                    ? $value->isEqualTo($key->number($roll))
                    : $this->tolerance->accepts($key->number($roll), $given, $roll),
            ) !== [],
        };
    }

    /** Whether a number is accepted, however it is typed. @throws \WideQuarry\Variables\RollProblem */
    public function accepts(BigRational $number, Roll $roll): bool
    {
        return self::isWithin($number, $this->intervals($roll));
    }

    /** @param  list<array{BigRational|null, BigRational|null, 'both'|'from'|'to'|'none'}>  $intervals */
    public static function isWithin(BigRational $number, array $intervals): bool
    {
        foreach ($intervals as [$from, $to, $ends]) {
            $isAbove =
                $from === null || $number->isGreaterThan($from) || ($number->isEqualTo($from) && in_array($ends, ['both', 'from'], true));
            $isBelow = $to === null || $number->isLessThan($to) || ($number->isEqualTo($to) && in_array($ends, ['both', 'to'], true));
            if ($isAbove && $isBelow) {
                return true;
            }
        }

        return false;
    }

    /** As it stands on a key: "2.65 ± 0.05", "from 3 to 4". @throws \WideQuarry\Variables\RollProblem */
    public function inWords(Roll $roll, string $language): string
    {
        $write = fn (Value $value): string => ValueFormat::plain()->write($value->number($roll), $language);
        if ($this->answer === 'range') {
            $without = match ($this->ends) {
                'both' => '',
                'from' => Message::of('answer.without-end'),
                'to' => Message::of('answer.without-beginning'),
                default => Message::of('answer.without-ends'),
            };

            return match (true) {
                $this->from === null && $this->to === null => '',
                $this->from === null => Message::of('answer.up-to', ['to' => $write($this->to)]),
                $this->to === null => Message::of('answer.from-on', ['from' => $write($this->from)]),
                default => Message::of('answer.from-to', ['from' => $write($this->from), 'to' => $write($this->to)]),
            }.$without;
        }

        return $this->answer === 'otherwise'
            ? Message::of('answer.any-other-number')
            : implode(' / ', array_map(
                fn (Value $value): string => $this->tolerance?->keyInWords($value->number($roll), $language) ?? $write($value),
                $this->values,
            )).($this->tolerance?->inWords($roll, $language) ?? '');
    }

    public function isEmpty(): bool
    {
        return match ($this->answer) {
            'range' => $this->from === null && $this->to === null,
            'otherwise' => false,
            default => $this->values === [],
        };
    }

    /**
     * Every value that has to be readable.
     *
     * @return list<Value>
     */
    public function values(): array
    {
        return array_values(
            array_filter([
                ...$this->values,
                $this->from,
                $this->to,
                $this->tolerance?->usesWidth() === true ? $this->tolerance->width : null,
            ]),
        );
    }

    private function inRange(BigRational $value, Roll $roll): bool
    {
        $from = $this->from?->number($roll);
        $to = $this->to?->number($roll);
        $above =
            $from === null || $value->isGreaterThan($from) || (in_array($this->ends, ['both', 'from'], true) && $value->isEqualTo($from));

        return $above &&
            ($to === null || $value->isLessThan($to) || (in_array($this->ends, ['both', 'to'], true) && $value->isEqualTo($to)));
    }

    public function asksForWriting(): bool
    {
        return $this->tolerance?->written === true;
    }

    /**
     * Everything that matches, as stretches of numbers; null for an open end.
     *
     * @return list<array{BigRational|null, BigRational|null, 'both'|'from'|'to'|'none'}>
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function intervals(Roll $roll): array
    {
        if ($this->answer === 'range') {
            return [
                [
                    $this->from?->number($roll),
                    $this->to?->number($roll),
                    match ($this->ends) {
                        'from' => 'from',
                        'to' => 'to',
                        'none' => 'none',
                        default => 'both',
                    },
                ],
            ];
        }

        return array_map(
            fn (Value $value): array => $this->tolerance === null
                ? [$value->number($roll), $value->number($roll), 'both']
                : $this->tolerance->interval($value->number($roll), $roll),
            $this->values,
        );
    }
}
