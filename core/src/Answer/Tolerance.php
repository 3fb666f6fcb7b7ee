<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\Value;
use WideQuarry\Variables\ValueFormat;

/** How far a response may sit from the key. */
final readonly class Tolerance
{
    /** Characters of a decimal that are read with ease, and figures that are left of a longer one. */
    private const READABLE = 9;

    private const FIGURES = 6;

    private function __construct(
        public ToleranceKind $kind,
        public Value $width,
        public int $digits,
        public bool $written,
        private bool $countsZeros,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['kind', 'width', 'digits', 'written', 'zeros'])->need('kind');
        $kind = ToleranceKind::from($fields->oneOf('kind', array_column(ToleranceKind::cases(), 'value'), ''));

        return new self(
            $kind,
            Value::readNumber($fields->has('width') ? $fields->raw('width') : '0', "$path/width"),
            $fields->int('digits', $kind === ToleranceKind::Figures ? 3 : 2, 0, 30),
            $fields->bool('written', false),
            $fields->oneOf('zeros', ['count', 'may_count'], 'may_count') === 'count',
        );
    }

    public function usesWidth(): bool
    {
        return $this->kind === ToleranceKind::Absolute || $this->kind === ToleranceKind::Percent;
    }

    /** @throws \WideQuarry\Variables\RollProblem */
    public function inWords(Roll $roll, string $language): string
    {
        $width = fn (): string => ValueFormat::plain()->write($this->width->number($roll), $language);

        return match ($this->kind) {
            ToleranceKind::Absolute => ' ± '.$width(),
            ToleranceKind::Percent => ' ± '.$width().' %',
            ToleranceKind::Places => Message::of('answer.to-decimals', ['digits' => $this->digits]),
            ToleranceKind::Figures => Message::of('answer.to-figures', ['digits' => $this->digits]),
        };
    }

    /** A key as somebody reads it who marks by it: no longer than the tolerance makes sense of. */
    public function keyInWords(BigRational $key, string $language): string
    {
        $decimal = Exact::decimal($key);
        $rounded = match (true) {
            $this->kind === ToleranceKind::Places => Exact::toPlaces($key, $this->digits),
            $this->kind === ToleranceKind::Figures => Exact::toFigures($key, max(1, $this->digits)),
            $decimal === null || strlen($decimal) > self::READABLE => Exact::toFigures($key, self::FIGURES),
            default => $key,
        };

        return ValueFormat::plain()->write($rounded->toBigRational(), $language);
    }

    /**
     * The edge counts as inside.
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function accepts(BigRational $key, NumberReading $given, Roll $roll): bool
    {
        $value = $given->value ?? throw new \LogicException('An unreadable number is not compared.');
        $near = match ($this->kind) {
            ToleranceKind::Absolute => $value
                ->minus($key)
                ->abs()
                ->isLessThanOrEqualTo($this->width->number($roll)->abs()),
            ToleranceKind::Percent => $value
                ->minus($key)
                ->abs()
                ->isLessThanOrEqualTo(
                    $key
                        ->abs()
                        ->multipliedBy($this->width->number($roll)->abs())
                        ->dividedBy(100),
                ),
            ToleranceKind::Places => Exact::toPlaces($value, $this->digits)->isEqualTo(Exact::toPlaces($key, $this->digits)),
            ToleranceKind::Figures => Exact::toFigures($value, max(1, $this->digits))->isEqualTo(
                Exact::toFigures($key, max(1, $this->digits)),
            ),
        };

        return $near && (! $this->written || $this->writtenSo($given));
    }

    private function writtenSo(NumberReading $given): bool
    {
        return match ($this->kind) {
            ToleranceKind::Places => $given->places === $this->digits,
            ToleranceKind::Figures => $given->hasFigures($this->digits, $this->countsZeros),
            default => true,
        };
    }

    /**
     * From where to where a number is accepted, and which ends belong.
     *
     * @return array{BigRational, BigRational, 'both'|'from'|'to'|'none'}
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function interval(BigRational $key, Roll $roll): array
    {
        if ($this->usesWidth()) {
            $width = $this->width->number($roll)->abs();
            $width = $this->kind === ToleranceKind::Percent ? $key->abs()->multipliedBy($width)->dividedBy(100) : $width;

            return [$key->minus($width), $key->plus($width), 'both'];
        }
        $figures = $this->kind === ToleranceKind::Figures;
        $rounded = ($figures ? Exact::toFigures($key, max(1, $this->digits)) : Exact::toPlaces($key, $this->digits))->toBigRational();
        $size = $rounded->isZero() ? 0 : (int) floor(log10(abs($rounded->toFloat())) + 1e-12);
        $step = fn (int $size): BigRational => $figures
            ? BigRational::of('1e'.($size - max(1, $this->digits) + 1))
            : BigRational::of("1e-$this->digits");
        $outer = $step($size)->dividedBy(2);
        // below a power of ten, figures lie ten times as close
        $inner =
            $figures && ! $rounded->isZero() && $rounded->abs()->isEqualTo(BigRational::of("1e$size")) ? $outer->dividedBy(10) : $outer;

        return match (
            true // half is rounded away from zero
        ) {
            $rounded->isZero() => [$outer->negated(), $outer, 'none'],
            $rounded->isPositive() => [$rounded->minus($inner), $rounded->plus($outer), 'from'],
            default => [$rounded->minus($outer), $rounded->plus($inner), 'to'],
        };
    }
}
