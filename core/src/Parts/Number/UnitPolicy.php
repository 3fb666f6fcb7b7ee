<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use Brick\Math\BigRational;
use WideQuarry\Finding;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Feedback;
use WideQuarry\Units\Unit;
use WideQuarry\Units\UnitProblem;
use WideQuarry\Units\UnitReader;

/** Whether a number is typed with a unit, and what it earns where the unit is missing, another, or wrong. */
final readonly class UnitPolicy
{
    /** What may be the matter with a unit; each has a credit and feedback of its own, by these names. */
    public const MATTERS = ['other', 'missing', 'wrong', 'prefix'];

    private const CHOICES = 30;

    /**
     * @param  string  $policy  none, optional or required
     * @param  string  $unit  of the key, as the author wrote it
     * @param  string  $other  what happens to another unit of the same dimension: convert, refuse or credit
     * @param  array<string, string>  $credits  exact share of what the number earns, by matter
     * @param  array<string, Feedback>  $feedback  by matter
     * @param  list<string>  $choices  units to choose from, instead of typing one
     */
    private function __construct(
        public string $policy,
        public string $unit,
        public string $other,
        private array $credits,
        private array $feedback,
        public array $choices,
        private string $path,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(Fields $fields, bool $isGiven, string $path): self
    {
        if ($isGiven) {
            $fields->need('policy');
        }
        $credits = [];
        foreach (self::MATTERS as $matter) {
            $credits[$matter] = $fields->exact("{$matter}_credit", '0');
        }
        $feedback = Feedback::readSet($fields, array_map(fn (string $matter): string => "{$matter}_feedback", self::MATTERS));
        $choices = [];
        foreach ($fields->list('choices', self::CHOICES) as $i => $choice) {
            $choices[] = Fields::asText($choice, "$path/choices/$i", 60);
        }

        return new self(
            $fields->oneOf('policy', ['none', 'optional', 'required'], 'none'),
            $fields->string('unit', '', 60),
            $fields->oneOf('other', ['convert', 'refuse', 'credit'], 'convert'),
            $credits,
            array_combine(
                array_map(fn (string $name): string => substr($name, 0, -strlen('_feedback')), array_keys($feedback)),
                array_values($feedback),
            ),
            $choices,
            $path,
        );
    }

    /** @return list<string> */
    public static function fields(): array
    {
        $more = array_map(fn (string $matter): array => ["{$matter}_credit", "{$matter}_feedback"], self::MATTERS);

        return ['policy', 'unit', 'other', 'choices', ...array_merge(...$more)];
    }

    public function isAsked(): bool
    {
        return $this->policy !== 'none';
    }

    /** @throws UnitProblem */
    public function keyUnit(): Unit
    {
        return UnitReader::read($this->unit);
    }

    /** What share of the credit is left; unreadable text has been found by check(). */
    public function credit(string $matter): BigRational
    {
        return Exact::read($this->credits[$matter] ?? '0') ?? Exact::zero();
    }

    public function feedback(string $matter): ?Feedback
    {
        return $this->feedback[$matter] ?? null;
    }

    /** @return list<Finding> */
    public function check(): array
    {
        if (! $this->isAsked()) {
            return [];
        }
        $findings = [];
        try {
            $key = $this->keyUnit();
        } catch (UnitProblem $problem) {
            $findings[] = Finding::blocking('number.unit', "$this->path/unit", trim($this->unit) === ''
                ? Message::of('parts.number.unit-missing')
                : $problem->getMessage());
            $key = null;
        }
        $fits = false;
        foreach ($this->choices as $i => $choice) {
            try {
                $unit = UnitReader::read($choice);
                $fits = $fits || ($key !== null && $unit->isSame($key));
            } catch (UnitProblem $problem) {
                $findings[] = Finding::blocking('number.unit', "$this->path/choices/$i", $problem->getMessage());
            }
        }
        if ($this->choices !== [] && $key !== null && ! $fits) {
            $findings[] = Finding::warning('number.unit_choice', "$this->path/choices", Message::of('parts.number.unit-not-among', [
                'unit' => $key->symbol,
            ]));
        }
        foreach ($this->credits as $matter => $credit) {
            if (Exact::read($credit) === null) {
                $findings[] = Finding::blocking('value.unreadable', "$this->path/{$matter}_credit", Message::of(
                    'parts.number.credit-unreadable',
                    ['text' => $credit],
                ));
            }
        }

        return $findings;
    }
}
