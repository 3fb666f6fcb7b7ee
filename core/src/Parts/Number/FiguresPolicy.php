<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberReading;
use WideQuarry\Finding;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Feedback;

/** With how many significant figures a number is to be written, and what share is left when it is not. */
final readonly class FiguresPolicy
{
    private function __construct(
        public int $digits,
        private bool $countsZeros,
        private string $credit,
        public ?Feedback $feedback,
        private string $path,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['digits', 'zeros', 'credit', 'feedback'])->need('digits');

        return new self(
            $fields->int('digits', 3, 1, 30),
            $fields->oneOf('zeros', ['count', 'may_count'], 'may_count') === 'count',
            $fields->exact('credit', '0'),
            Feedback::readSet($fields, ['feedback'])['feedback'] ?? null,
            $path,
        );
    }

    public function credit(): BigRational
    {
        return Exact::read($this->credit) ?? Exact::zero();
    }

    /** A fraction has no figures to count. */
    public function fits(NumberReading $given): bool
    {
        return $given->hasFigures($this->digits, $this->countsZeros);
    }

    /** @return list<Finding> */
    public function check(): array
    {
        return Exact::read($this->credit) === null
            ? [Finding::blocking('value.unreadable', "$this->path/credit", Message::of('parts.number.credit-unreadable', [
                'text' => $this->credit,
            ]))]
            : [];
    }
}
