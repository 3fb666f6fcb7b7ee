<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use Brick\Math\BigRational;
use WideQuarry\Content\Unicode;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Numbers\NumberSymbols;

/** Reads a number as people type it: signs, thousands marks, powers of ten, per cent, fractions, mixed numbers. */
final readonly class NumberReader
{
    public const NOTATIONS = ['decimal', 'separators', 'scientific', 'percent', 'fraction', 'mixed'];

    private const MINUS = [
        '−' => '-',
        '﹣' => '-',
        '－' => '-',
        '‐' => '-',
        '‑' => '-',
        '‒' => '-',
        '–' => '-',
        '—' => '-',
        '＋' => '+',
        '⁄' => '/',
        '∕' => '/',
        '÷' => '/',
    ];

    private const SUPER = [
        '⁰' => '0',
        '¹' => '1',
        '²' => '2',
        '³' => '3',
        '⁴' => '4',
        '⁵' => '5',
        '⁶' => '6',
        '⁷' => '7',
        '⁸' => '8',
        '⁹' => '9',
        '⁻' => '-',
        '⁺' => '+',
    ];

    private const LONGEST = 120;

    private NumberSymbols $marks;

    /** @param  list<string>  $notations what may be typed besides a sign and digits */
    public function __construct(string $language, private array $notations = self::NOTATIONS)
    {
        $this->marks = NumberSymbols::of($language);
    }

    public function read(string $typed): NumberReading
    {
        $text = trim($this->plain($typed));
        if (mb_strlen($text) > self::LONGEST) {
            return NumberReading::refused('number.too_long', Message::of('answer.too-long-one-number'));
        }
        $sign = str_starts_with($text, '-') ? -1 : 1;
        $body = ltrim((string) preg_replace('/^[+-]/', '', $text));

        return match (true) {
            $body === '' => NumberReading::refused('number.not_a_number', Message::of('answer.not-a-number', ['typed' => $typed])),
            preg_match('/^(.+?)\s*(%|‰)$/u', $body, $m) === 1 => $this->share($m[1], $m[2], $sign, $typed),
            str_contains($body, '/') => $this->fraction($body, $sign, $typed),
            preg_match('/^(.+?)\s*(?:[eE]|[×·*x]\s*10\s*\^?\s*)\s*\(?([+-]?\d{1,4})\)?$/u', $body, $m) === 1 => $this->scientific(
                $m[1],
                $m[2],
                $sign,
                $typed,
            ),
            default => $this->decimal($body, $sign, $typed),
        };
    }

    private function plain(string $typed): string
    {
        $text = strtr(mb_scrub($typed, 'UTF-8'), self::MINUS);
        $text = (string) preg_replace_callback('/(?<=10)[⁰¹²³⁴-⁹⁻⁺]+/u', fn (array $m): string => '^'.strtr($m[0], self::SUPER), $text);
        $text = (string) preg_replace_callback(
            '/[¼½¾⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]/u',
            fn (array $m): string => ' '.strtr(Unicode::nfkc($m[0]), ['⁄' => '/']),
            $text,
        );

        return strtr(Unicode::nfkc($text), self::MINUS);
    }

    private function share(string $body, string $mark, int $sign, string $typed): NumberReading
    {
        $number = $this->allows('percent')
            ? $this->digits($body, $typed)
            : NumberReading::refused('number.notation', Message::of('answer.percentage-not-asked'));

        if ($number->value === null) {
            return $number;
        }
        $read = fn (NumberReading $one): NumberReading => $one->as(
            $one->value?->multipliedBy($sign)->dividedBy($mark === '%' ? 100 : 1000) ?? Exact::zero(),
            'percent',
            $one->places === null ? null : $one->places + ($mark === '%' ? 2 : 3),
        );

        return $number->grouped === null ? $read($number) : $read($number)->or($read($number->grouped));
    }

    private function fraction(string $body, int $sign, string $typed): NumberReading
    {
        if (preg_match('~^(?:(\d{1,40})\s+)?(\d{1,40})\s*/\s*(\d{1,40})$~', $body, $m) !== 1) {
            return NumberReading::refused('number.not_a_number', Message::of('answer.not-a-number', ['typed' => $typed]));
        }
        $mixed = $m[1] !== '';
        if (! $this->allows($mixed ? 'mixed' : 'fraction')) {
            return NumberReading::refused(
                'number.notation',
                $mixed ? Message::of('answer.mixed-number-not-asked') : Message::of('answer.fraction-not-asked'),
            );
        }
        if (trim($m[3], '0') === '') {
            return NumberReading::refused('number.division_by_zero', Message::of('answer.fraction-cannot-0-below'));
        }
        $value = BigRational::of($m[2])
            ->dividedBy($m[3])
            ->plus($mixed ? $m[1] : 0)
            ->multipliedBy($sign)
            ->simplified();

        return NumberReading::understood($value, $mixed ? 'mixed' : 'fraction', null, null);
    }

    private function scientific(string $body, string $exponent, int $sign, string $typed): NumberReading
    {
        if (! $this->allows('scientific')) {
            return NumberReading::refused('number.notation', Message::of('answer.power-ten-not-asked'));
        }
        if (abs((int) $exponent) > 400) {
            return NumberReading::refused('number.too_large', Message::of('answer.power-ten-beyond-400'));
        }
        $number = $this->digits($body, $typed);
        if ($number->value === null) {
            return $number;
        }
        $value = $number->value->multipliedBy($sign)->multipliedBy(Exact::of("1e$exponent"))->simplified();

        // in scientific notation every digit is significant, and a lone mark is the decimal sign
        return NumberReading::understood($value, 'scientific', max(0, ($number->places ?? 0) - (int) $exponent), $number->figures);
    }

    private function decimal(string $body, int $sign, string $typed): NumberReading
    {
        $number = $this->digits($body, $typed);

        if ($number->value === null || $sign === 1) {
            return $number;
        }
        $read = fn (NumberReading $one): NumberReading => $one->as($one->value?->negated() ?? Exact::zero(), $one->notation, $one->places);

        return $number->grouped === null ? $read($number) : $read($number)->or($read($number->grouped));
    }

    /** Digits with marks in them. Which mark is which: by the language, else by position, else it is refused. */
    private function digits(string $body, string $typed): NumberReading
    {
        if (preg_match("/^[\d.,' ’\u{202F}\u{2009}\u{A0}]+$/u", $body) !== 1 || preg_match('/\d/', $body) !== 1) {
            return NumberReading::refused('number.not_a_number', Message::of('answer.not-a-number', ['typed' => $typed]));
        }
        $body = strtr($body, ['’' => "'"]); // wide, thin and no-break spaces are plain ones since plain()
        $sign = $this->decimalSign($body);
        if ($sign === null && preg_match('/^[1-9]\d{0,2}([.,])\d{3}$/', $body, $m) === 1) {
            return match (
                true // by the notations allowed; when both are, the key decides
            ) {
                ! $this->allows('decimal') => $this->parsed($body, '', $typed),
                ! $this->allows('separators') => $this->parsed($body, $m[1], $typed),
                default => $this->parsed($body, $m[1], $typed)->or($this->parsed($body, '', $typed)),
            };
        }
        if ($sign === null) {
            return NumberReading::refused('number.ambiguous', Message::of('answer.could-two-numbers-write', ['typed' => $typed]));
        }

        return $this->parsed($body, $sign, $typed);
    }

    /** @param  string  $sign  the decimal sign; '' when there is none */
    private function parsed(string $body, string $sign, string $typed): NumberReading
    {
        [$whole, $part] =
            $sign === ''
                ? [$body, null]
                : [substr($body, 0, (int) strrpos($body, $sign)), substr($body, (int) strrpos($body, $sign) + 1)];
        $grouped = preg_match('/[^\d]/', $whole) === 1;
        if (
            ($grouped && preg_match("/^\d{1,3}(([., '])\d{3})(\\2\d{3})*$/", $whole) !== 1) ||
            ($part !== null && preg_match('/^\d*$/', $part) !== 1)
        ) {
            return NumberReading::refused('number.separators', Message::of('answer.thousands-marks-not-in-threes', ['typed' => $typed]));
        }
        if ($grouped && ! $this->allows('separators')) {
            return NumberReading::refused('number.notation', Message::of('answer.thousands-marks-not-asked'));
        }
        if ($part !== null && ! $this->allows('decimal')) {
            return NumberReading::refused('number.notation', Message::of('answer.whole-number-fraction-asked'));
        }
        $digits = ((string) preg_replace('/\D/', '', $whole)).($part ?? '');
        $value = Exact::of(((string) preg_replace('/\D/', '', $whole) ?: '0').($part === null || $part === '' ? '' : ".$part"));

        $figures = max(1, strlen(ltrim($digits, '0')));

        return NumberReading::understood(
            $value,
            $grouped ? 'separators' : 'decimal',
            strlen($part ?? ''),
            $figures,
            $part === null ? max(1, strlen(trim($digits, '0'))) : $figures,
        );
    }

    /** @return string|null '' when there is no decimal sign, null when it cannot be told */
    private function decimalSign(string $body): ?string
    {
        $points = substr_count($body, '.');
        $commas = substr_count($body, ',');
        if ($points + $commas === 0) {
            return '';
        }
        if ($points > 0 && $commas > 0) {
            // the last one is the decimal sign if it stands alone
            $last = strrpos($body, '.') > strrpos($body, ',') ? '.' : ',';

            return substr_count($body, $last) === 1 ? $last : null;
        }
        $mark = $points > 0 ? '.' : ',';
        if ($points + $commas > 1) {
            return '';
        }
        $grouping = preg_match('/^[1-9]\d{0,2}'.preg_quote($mark, '/').'\d{3}$/', $body) === 1;
        if (! $grouping || ($mark === $this->marks->decimal && $this->marks->known)) {
            return $mark;
        }

        return $this->marks->known && $mark === $this->marks->group ? '' : null;
    }

    private function allows(string $notation): bool
    {
        return in_array($notation, $this->notations, true);
    }
}
