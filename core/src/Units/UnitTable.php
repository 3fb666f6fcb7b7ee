<?php

declare(strict_types=1);

namespace WideQuarry\Units;

use WideQuarry\Numbers\Exact;

/**
 * The units that are known: those of the SI with its prefixes, the ones accepted beside it (BIPM 2019, tables 2, 4, 7 and 8), and others
 * that schools use, with the values of NIST Special Publication 811 (2008), appendix B.
 *
 * @phpstan-type Entry array{factor: string, base: array<string, int>, prefixed: bool, offset?: string, system?: 'imperial'}
 */
final class UnitTable
{
    /** Decimal prefixes, BIPM 2019, table 7, with those of 2022. */
    public const PREFIXES = [
        'Q' => 30, 'R' => 27, 'Y' => 24, 'Z' => 21, 'E' => 18, 'P' => 15, 'T' => 12, 'G' => 9, 'M' => 6, 'k' => 3, 'h' => 2, 'da' => 1,
        'd' => -1, 'c' => -2, 'm' => -3, 'µ' => -6, 'n' => -9, 'p' => -12, 'f' => -15, 'a' => -18, 'z' => -21, 'y' => -24, 'r' => -27,
        'q' => -30,
    ];

    private const PREFIX_NAMES = [
        'quetta' => 'Q', 'ronna' => 'R', 'yotta' => 'Y', 'zetta' => 'Z', 'exa' => 'E', 'peta' => 'P', 'tera' => 'T', 'giga' => 'G',
        'mega' => 'M', 'kilo' => 'k', 'hecto' => 'h', 'deca' => 'da', 'deci' => 'd', 'centi' => 'c', 'milli' => 'm', 'micro' => 'µ',
        'nano' => 'n', 'pico' => 'p', 'femto' => 'f', 'atto' => 'a', 'zepto' => 'z', 'yocto' => 'y', 'ronto' => 'r', 'quecto' => 'q',
    ];

    /** symbol → [factor to coherent SI, base units, whether prefixes may stand before it] */
    private const SI = [
        'm' => ['1', ['m' => 1], true],
        'g' => ['1/1000', ['kg' => 1], true],
        's' => ['1', ['s' => 1], true],
        'A' => ['1', ['A' => 1], true],
        'K' => ['1', ['K' => 1], true],
        'mol' => ['1', ['mol' => 1], true],
        'cd' => ['1', ['cd' => 1], true],
        'rad' => ['1', [], true],
        'sr' => ['1', [], true],
        'Hz' => ['1', ['s' => -1], true],
        'N' => ['1', ['m' => 1, 'kg' => 1, 's' => -2], true],
        'Pa' => ['1', ['m' => -1, 'kg' => 1, 's' => -2], true],
        'J' => ['1', ['m' => 2, 'kg' => 1, 's' => -2], true],
        'W' => ['1', ['m' => 2, 'kg' => 1, 's' => -3], true],
        'C' => ['1', ['s' => 1, 'A' => 1], true],
        'V' => ['1', ['m' => 2, 'kg' => 1, 's' => -3, 'A' => -1], true],
        'F' => ['1', ['m' => -2, 'kg' => -1, 's' => 4, 'A' => 2], true],
        'Ω' => ['1', ['m' => 2, 'kg' => 1, 's' => -3, 'A' => -2], true],
        'S' => ['1', ['m' => -2, 'kg' => -1, 's' => 3, 'A' => 2], true],
        'Wb' => ['1', ['m' => 2, 'kg' => 1, 's' => -2, 'A' => -1], true],
        'T' => ['1', ['kg' => 1, 's' => -2, 'A' => -1], true],
        'H' => ['1', ['m' => 2, 'kg' => 1, 's' => -2, 'A' => -2], true],
        'lm' => ['1', ['cd' => 1], true],
        'lx' => ['1', ['m' => -2, 'cd' => 1], true],
        'Bq' => ['1', ['s' => -1], true],
        'Gy' => ['1', ['m' => 2, 's' => -2], true],
        'Sv' => ['1', ['m' => 2, 's' => -2], true],
        'kat' => ['1', ['mol' => 1, 's' => -1], true],
        // accepted beside the SI
        'min' => ['60', ['s' => 1], false],
        'h' => ['3600', ['s' => 1], false],
        'd' => ['86400', ['s' => 1], false],
        'au' => ['149597870700', ['m' => 1], false],
        'ha' => ['10000', ['m' => 2], false],
        'L' => ['1/1000', ['m' => 3], true],
        't' => ['1000', ['kg' => 1], true],
        'Da' => ['1.66053906660e-27', ['kg' => 1], true],
        'eV' => ['1.602176634e-19', ['m' => 2, 'kg' => 1, 's' => -2], true],
        // used in schools
        'bar' => ['100000', ['m' => -1, 'kg' => 1, 's' => -2], true],
        'atm' => ['101325', ['m' => -1, 'kg' => 1, 's' => -2], false],
        'mmHg' => ['133.322387415', ['m' => -1, 'kg' => 1, 's' => -2], false],
        'cal' => ['4.184', ['m' => 2, 'kg' => 1, 's' => -2], true],
        'Å' => ['1e-10', ['m' => 1], false],
        'ly' => ['9460730472580800', ['m' => 1], false],
        'week' => ['604800', ['s' => 1], false],
        'a' => ['31557600', ['s' => 1], true], // the Julian year of 365.25 days, as the IAU has it
        'nmi' => ['1852', ['m' => 1], false],
        'kn' => ['463/900', ['m' => 1, 's' => -1], false],
        'rpm' => ['1/60', ['s' => -1], false],
    ];

    private const IMPERIAL = [
        'in' => ['0.0254', ['m' => 1]],
        'ft' => ['0.3048', ['m' => 1]],
        'yd' => ['0.9144', ['m' => 1]],
        'mi' => ['1609.344', ['m' => 1]],
        'mph' => ['0.44704', ['m' => 1, 's' => -1]],
        'oz' => ['0.028349523125', ['kg' => 1]],
        'lb' => ['0.45359237', ['kg' => 1]],
        'st' => ['6.35029318', ['kg' => 1]],
        'acre' => ['4046.8564224', ['m' => 2]],
        'gal' => ['0.00454609', ['m' => 3]],
        'pt' => ['0.00056826125', ['m' => 3]],
        'psi' => ['6894.757293168361', ['m' => -1, 'kg' => 1, 's' => -2]],
        'hp' => ['745.69987158227022', ['m' => 2, 'kg' => 1, 's' => -3]],
    ];

    /** π to 30 figures: an angle in degrees is worked with exactly, and in radians to that many. */
    private const DEGREE = '0.0174532925199432957692369076849';

    /** Other spellings, and names in English. Those of SI units take the prefixes' names. */
    private const ALIASES = [
        'l' => 'L', 'ℓ' => 'L', 'ohm' => 'Ω', 'sec' => 's', 'secs' => 's', 'hr' => 'h', 'hrs' => 'h', 'mins' => 'min', 'deg' => '°',
        'u' => 'Da', 'amu' => 'Da', 'yr' => 'a', 'NM' => 'nmi', 'lbs' => 'lb', 'cc' => 'cm³', 'kph' => 'km/h', '℃' => '°C',
        '℉' => '°F', 'rev/min' => 'rpm', 'Wh' => 'W h', 'kWh' => 'kW h', 'MWh' => 'MW h', 'GWh' => 'GW h', 'Ah' => 'A h',
        'mAh' => 'mA h',
    ];

    private const NAMES = [
        'metre' => 'm', 'meter' => 'm', 'gram' => 'g', 'gramme' => 'g', 'second' => 's', 'ampere' => 'A', 'amp' => 'A', 'kelvin' => 'K',
        'mole' => 'mol', 'candela' => 'cd', 'radian' => 'rad', 'hertz' => 'Hz', 'newton' => 'N', 'pascal' => 'Pa', 'joule' => 'J',
        'watt' => 'W', 'coulomb' => 'C', 'volt' => 'V', 'farad' => 'F', 'ohm' => 'Ω', 'siemens' => 'S', 'weber' => 'Wb', 'tesla' => 'T',
        'henry' => 'H', 'lumen' => 'lm', 'lux' => 'lx', 'becquerel' => 'Bq', 'gray' => 'Gy', 'sievert' => 'Sv', 'minute' => 'min',
        'hour' => 'h', 'day' => 'd', 'week' => 'week', 'year' => 'a', 'hectare' => 'ha', 'litre' => 'L', 'liter' => 'L', 'tonne' => 't',
        'dalton' => 'Da', 'electronvolt' => 'eV', 'bar' => 'bar', 'atmosphere' => 'atm', 'calorie' => 'cal', 'degree' => '°',
        'inch' => 'in', 'inche' => 'in', 'foot' => 'ft', 'feet' => 'ft', 'yard' => 'yd', 'mile' => 'mi', 'knot' => 'kn', 'ounce' => 'oz',
        'pound' => 'lb', 'stone' => 'st', 'acre' => 'acre', 'gallon' => 'gal', 'pint' => 'pt', 'ångström' => 'Å', 'angstrom' => 'Å',
    ];

    /** @return Entry|null a unit by its symbol, without a prefix */
    public static function symbol(string $symbol): ?array
    {
        if (isset(self::SI[$symbol])) {
            [$factor, $base, $prefixed] = self::SI[$symbol];

            return ['factor' => $factor, 'base' => $base, 'prefixed' => $prefixed];
        }
        if (isset(self::IMPERIAL[$symbol])) {
            [$factor, $base] = self::IMPERIAL[$symbol];

            return ['factor' => $factor, 'base' => $base, 'prefixed' => false, 'system' => 'imperial'];
        }

        return match ($symbol) {
            '°C' => ['factor' => '1', 'base' => ['K' => 1], 'prefixed' => false, 'offset' => '273.15'],
            '°F' => ['factor' => '5/9', 'base' => ['K' => 1], 'prefixed' => false, 'offset' => '45967/180', 'system' => 'imperial'],
            '°' => ['factor' => self::DEGREE, 'base' => [], 'prefixed' => false],
            '′' => ['factor' => self::degrees(60), 'base' => [], 'prefixed' => false],
            '″' => ['factor' => self::degrees(3600), 'base' => [], 'prefixed' => false],
            default => null,
        };
    }

    private static function degrees(int $below): string
    {
        return Exact::text(Exact::of(self::DEGREE)->dividedBy($below));
    }

    /** The symbol for another spelling or a name, with a prefix where the name has one. */
    public static function spelled(string $typed): ?string
    {
        if (isset(self::ALIASES[$typed])) {
            return self::ALIASES[$typed];
        }
        $name = mb_strtolower($typed);
        foreach ([$name, (string) preg_replace('/s$/', '', $name)] as $one) {
            if (isset(self::NAMES[$one])) {
                return self::NAMES[$one];
            }
            foreach (self::PREFIX_NAMES as $prefix => $letter) {
                $rest = str_starts_with($one, $prefix) ? substr($one, strlen($prefix)) : '';
                $symbol = self::NAMES[$rest] ?? null;
                if ($symbol !== null && (self::SI[$symbol][2] ?? false)) {
                    return $letter.$symbol;
                }
            }
        }

        return null;
    }

    /** @return list<string> every symbol, for suggestions */
    public static function symbols(): array
    {
        return [...array_keys(self::SI), ...array_keys(self::IMPERIAL), '°C', '°F', '°', '′', '″'];
    }
}
