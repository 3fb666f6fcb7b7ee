<?php

declare(strict_types=1);

namespace WideQuarry\Units;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * Reads a unit as people type it: "km", "m/s", "m s⁻²", "kg·m^-3", "J/(kg K)", "kilometres per hour". A stroke divides by what follows
 * it up to the next space, point or stroke; where that leaves two readings ("J/kg K"), it is refused.
 *
 * @phpstan-import-type Entry from UnitTable
 *
 * @phpstan-type Factor array{entry: Entry, symbol: string, prefix: string, power: int}
 */
final class UnitReader
{
    private const LONGEST = 60;

    private const SUPER = [
        '⁰' => '0', '¹' => '1', '²' => '2', '³' => '3', '⁴' => '4',
        '⁵' => '5', '⁶' => '6', '⁷' => '7', '⁸' => '8', '⁹' => '9', '⁻' => '-',
    ];

    private const FACTOR = '/^(?<unit>°[CF]?|℃|℉|[′″]|[\p{L}µμΩΩÅ]+)(?:\^?(?<power>[+-]?\d{1,2}))?/u';

    /** @var array<string, Unit> */
    private static array $read = [];

    /** @throws UnitProblem */
    public static function read(string $typed): Unit
    {
        return self::$read[$typed] ??= self::unit($typed);
    }

    private static function unit(string $typed): Unit
    {
        if (mb_strlen($typed) > self::LONGEST) {
            throw UnitProblem::tooLong();
        }
        $alias = UnitTable::spelled(trim($typed));
        $factors = self::factors($alias ?? $typed, $typed);
        self::checkSystems($factors, $typed);
        $alone = count($factors) === 1 && $factors[0]['power'] === 1;
        $factor = Exact::one();
        $dimension = Dimension::of([]);
        foreach ($factors as ['entry' => $entry, 'power' => $power, 'prefix' => $prefix]) {
            $one = Exact::of($entry['factor'])->multipliedBy(self::ten(UnitTable::PREFIXES[$prefix] ?? 0));
            $factor = $factor->multipliedBy($power >= 0 ? $one->power($power) : $one->power(-$power)->reciprocal())->simplified();
            $dimension = $dimension->times(Dimension::of($entry['base']), $power);
        }

        return new Unit(
            self::written($factors),
            $factor,
            // a difference of temperatures, as in J/°C, has no zero of its own
            Exact::of($alone ? $factors[0]['entry']['offset'] ?? '0' : '0'),
            $dimension,
            self::root($factors),
        );
    }

    /**
     * @return list<Factor>
     *
     * @throws UnitProblem
     */
    private static function factors(string $text, string $typed): array
    {
        $rest = trim(self::plain($text));
        $factors = [];
        $isOpen = false; // a stroke without brackets has been passed
        while ($rest !== '') {
            $stroke = self::took('/^\s*[\/÷]\s*/u', $rest) !== null;
            if (! $stroke && self::took('/^\s*[*·⋅×.]\s*|^\s+/u', $rest) !== null && $isOpen && preg_match('/^[\/÷]/u', $rest) !== 1) {
                self::refuseTwoReadings($rest, $typed);
            }
            $group = self::took('/^\(([^()]*)\)\s*/u', $rest);
            if ($group !== null) {
                array_push($factors, ...self::raised(self::factors($group[1], $typed), $stroke ? -1 : 1));
            } elseif (self::took('/^1(?=\s*[\/÷])/u', $rest) === null) { // "1/s"
                $one = self::took(self::FACTOR, $rest) ?? throw UnitProblem::unknown($typed, null);
                $power = (int) (($one['power'] ?? '') === '' ? '1' : $one['power']);
                array_push($factors, ...self::factor($one['unit'], $stroke ? -$power : $power, $typed));
                $isOpen = $isOpen || $stroke;
            }
        }

        return $factors === [] ? throw UnitProblem::unknown($typed, null) : $factors;
    }

    /**
     * Takes what matches from the beginning.
     *
     * @return array<string|int, string>|null
     */
    private static function took(string $pattern, string &$rest): ?array
    {
        if (preg_match($pattern, $rest, $m) !== 1) {
            return null;
        }
        $rest = substr($rest, strlen($m[0]));

        return $m;
    }

    /**
     * @param  list<Factor>  $factors
     * @return list<Factor>
     */
    private static function raised(array $factors, int $power): array
    {
        return array_map(fn (array $factor): array => [...$factor, 'power' => $factor['power'] * $power], $factors);
    }

    /** "J/kg K" may be meant either way; "J/kg/K" and "J/kg K⁻¹" may not. */
    private static function refuseTwoReadings(string $rest, string $typed): void
    {
        $isSure = preg_match(self::FACTOR, $rest, $m) === 1 && str_starts_with($m['power'] ?? '', '-');
        if (! $isSure) {
            [$above, $below] = preg_split('/[\/÷]/u', trim($typed), 2) ?: [$typed, ''];
            $below = preg_split('/[*·⋅×\s]+/u', trim($below)) ?: [];
            throw UnitProblem::ambiguous(
                $typed,
                trim($above).'/('.implode(' ', $below).')',
                trim($above).' '.implode(' ', array_slice($below, 1)).'/'.($below[0] ?? ''),
            );
        }
    }

    /**
     * One symbol with its power, or what a spelling stands for.
     *
     * @return list<Factor>
     *
     * @throws UnitProblem
     */
    private static function factor(string $symbol, int $power, string $typed): array
    {
        $entry = UnitTable::symbol($symbol);
        if ($entry !== null) {
            return [['entry' => $entry, 'symbol' => $symbol, 'prefix' => '', 'power' => $power]];
        }
        foreach (array_keys(UnitTable::PREFIXES) as $prefix) {
            $typedPrefix = $prefix === 'µ' && str_starts_with($symbol, 'u') ? 'u' : $prefix;
            $rest = str_starts_with($symbol, $typedPrefix) ? substr($symbol, strlen($typedPrefix)) : '';
            $rest = ['l' => 'L', 'ohm' => 'Ω'][$rest] ?? $rest;
            $entry = $rest === '' ? null : UnitTable::symbol($rest);
            if ($entry !== null && $entry['prefixed']) {
                return [['entry' => $entry, 'symbol' => $rest, 'prefix' => $prefix, 'power' => $power]];
            }
        }
        $spelled = UnitTable::spelled($symbol);
        if ($spelled !== null && $spelled !== $symbol) {
            return self::raised(self::factors($spelled, $typed), $power);
        }
        throw UnitProblem::unknown($symbol, self::suggestion($symbol));
    }

    /** The same in another case, or with a letter that is easily confused: "KM", "Kg", "M". */
    private static function suggestion(string $symbol): ?string
    {
        $found = [];
        foreach (UnitTable::symbols() as $known) {
            if (mb_strtolower($known) === mb_strtolower($symbol)) {
                $found[] = $known;
            }
            foreach (array_keys(UnitTable::PREFIXES) as $prefix) {
                if (mb_strtolower($prefix.$known) === mb_strtolower($symbol) && (UnitTable::symbol($known)['prefixed'] ?? false)) {
                    $found[] = $prefix.$known;
                }
            }
        }

        return count($found) >= 1 ? $found[0] : null;
    }

    /**
     * "m in" is no unit, and may be meant for "min".
     *
     * @param  list<Factor>  $factors
     *
     * @throws UnitProblem
     */
    private static function checkSystems(array $factors, string $typed): void
    {
        $together = (string) preg_replace('/\s+/u', '', $typed);
        if ($together !== trim($typed) && (UnitTable::symbol($together) !== null)) {
            $product = implode(' · ', array_map(fn (array $one): string => $one['prefix'].$one['symbol'], $factors));
            throw UnitProblem::ambiguous($typed, $together, $product);
        }
        foreach ($factors as $one) {
            foreach ($factors as $other) {
                $isSame = Dimension::of($one['entry']['base'])->equals(Dimension::of($other['entry']['base']));
                if ($isSame && ($one['entry']['system'] ?? 'si') !== ($other['entry']['system'] ?? 'si')) {
                    throw UnitProblem::mixed($typed, $one['prefix'].$one['symbol'], $other['prefix'].$other['symbol']);
                }
            }
        }
    }

    private static function plain(string $text): string
    {
        $text = strtr($text, [
            ...self::SUPER, '−' => '-', '–' => '-', 'μ' => 'µ', "\u{2126}" => 'Ω', "\u{212B}" => 'Å', "\u{A0}" => ' ', "\u{202F}" => ' ',
            "\u{2009}" => ' ', 'º' => '°', '˚' => '°', "'" => '′', '"' => '″', '’' => '′', '”' => '″', '**' => '^',
        ]);
        $text = (string) preg_replace('/\s+per\s+/u', '/', $text);
        $text = (string) preg_replace(['/\b(square|cubic)\s+(\p{L}+)/u', '/(\p{L}+)\s+squared\b/u', '/(\p{L}+)\s+cubed\b/u'], [
            '$2^$1', '$1^2', '$1^3',
        ], $text);

        return strtr($text, ['^square' => '^2', '^cubic' => '^3', '° C' => '°C', '° F' => '°F']);
    }

    /**
     * With a stroke where something is above it, as schools write units: "m/s²", "J/(kg K)", "s⁻¹".
     *
     * @param  list<Factor>  $factors
     */
    private static function written(array $factors): string
    {
        $above = array_filter($factors, fn (array $one): bool => $one['power'] > 0);
        $below = array_filter($factors, fn (array $one): bool => $one['power'] < 0);
        if ($above === [] || $below === []) {
            return self::joined($factors, 1);
        }
        $under = self::joined($below, -1);

        return self::joined($above, 1).'/'.(count($below) > 1 ? "($under)" : $under);
    }

    /** @param  array<int, Factor>  $factors */
    private static function joined(array $factors, int $sign): string
    {
        return implode(' ', array_map(
            fn (array $one): string => $one['prefix'].$one['symbol'].self::power($sign * $one['power']),
            $factors,
        ));
    }

    private static function power(int $power): string
    {
        return $power === 1 ? '' : strtr((string) $power, array_flip(self::SUPER));
    }

    /** @param  list<Factor>  $factors */
    private static function root(array $factors): string
    {
        $powers = [];
        foreach ($factors as $one) {
            $powers[$one['symbol']] = ($powers[$one['symbol']] ?? 0) + $one['power'];
        }
        ksort($powers);

        return (string) json_encode(array_filter($powers));
    }

    private static function ten(int $power): BigRational
    {
        return BigRational::of("1e$power");
    }
}
