<?php

declare(strict_types=1);

use WideQuarry\Numbers\Exact;
use WideQuarry\Units\Dimension;
use WideQuarry\Units\UnitProblem;
use WideQuarry\Units\UnitReader;
use WideQuarry\Units\UnitTable;

// The SI Brochure (BIPM 2019), tables 4, 7 and 8; NIST SP 811 (2008), appendix B; and arithmetic.
it('converts as the tables say', function (string $number, string $from, string $to, string $result): void {
    $converted = UnitReader::read($from)->convert(Exact::of($number), UnitReader::read($to));
    expect(Exact::text($converted))->toBe(Exact::text(Exact::of($result)));
})->with([
    ['2500', 'm', 'km', '2.5'],
    ['1', 'km', 'µm', '1e9'],
    ['36', 'km/h', 'm/s', '10'],
    ['1', 'g/cm3', 'kg/m3', '1000'],
    ['1', 'N', 'kg m s⁻²', '1'],
    ['1', 'J', 'N m', '1'],
    ['1', 'W', 'V A', '1'],
    ['1', 'Ω', 'V/A', '1'],
    ['1', 'Pa', 'N/m²', '1'],
    ['1', 'T', 'Wb m⁻²', '1'],
    ['1', 'F', 'C/V', '1'],
    ['1', 'H', 'Wb/A', '1'],
    ['1', 'kWh', 'J', '3600000'],
    ['1', 'min', 's', '60'],
    ['1', 'h', 'min', '60'],
    ['1', 'd', 'h', '24'],
    ['1', 'au', 'm', '149597870700'],
    ['1', 'ha', 'm²', '10000'],
    ['1', 'L', 'dm³', '1'],
    ['1', 'mL', 'cm³', '1'],
    ['1', 't', 'kg', '1000'],
    ['1', 'bar', 'kPa', '100'],
    ['1', 'atm', 'Pa', '101325'],
    ['1013.25', 'hPa', 'atm', '1'],
    ['1', 'eV', 'J', '1.602176634e-19'],
    ['1', 'Da', 'kg', '1.66053906660e-27'],
    ['1', 'cal', 'J', '4.184'],
    ['1', 'nmi', 'm', '1852'],
    ['1', 'kn', 'km/h', '1.852'],
    ['12', 'in', 'ft', '1'],
    ['3', 'ft', 'yd', '1'],
    ['5280', 'ft', 'mi', '1'],
    ['1', 'in', 'cm', '2.54'],
    ['1', 'mi', 'km', '1.609344'],
    ['1', 'lb', 'kg', '0.45359237'],
    ['16', 'oz', 'lb', '1'],
    ['1', 'mph', 'm/s', '0.44704'],
    ['0', '°C', 'K', '273.15'],
    ['100', '°C', '°F', '212'],
    ['-40', '°F', '°C', '-40'],
    ['1', 'J/°C', 'J/K', '1'],
    ['60', '′', '°', '1'],
    ['3600', '″', '°', '1'],
    ['1', 'mol/L', 'mol/m³', '1000'],
    ['60', 'rpm', 'Hz', '1'],
]);

it('reads a unit however it is written', function (string $typed, string $symbol): void {
    expect(UnitReader::read($typed)->symbol)->toBe($symbol);
})->with([
    ['m/s', 'm/s'], ['m s-1', 'm/s'], ['m·s⁻¹', 'm/s'], ['m*s^-1', 'm/s'], ['m / s', 'm/s'], ['metres per second', 'm/s'],
    ['m/s/s', 'm/(s s)'], ['m/s2', 'm/s²'], ['m s⁻²', 'm/s²'], ['kg m^-3', 'kg/m³'], ['J/(kg K)', 'J/(kg K)'],
    ['J kg-1 K-1', 'J/(kg K)'], ['J/kg/K', 'J/(kg K)'], ['1/s', 's⁻¹'], ['square metres', 'm²'], ['cubic centimetres', 'cm³'],
    ['metres squared', 'm²'], ['kilometers', 'km'], ['Kilometres per hour', 'km/h'], ['um', 'µm'], ['μm', 'µm'], ["\u{2126}", 'Ω'],
    ['kohm', 'kΩ'], ['ml', 'mL'], ['l', 'L'], ['º', '°'], ['feet', 'ft'], ['inches', 'in'], ['hrs', 'h'], ['min', 'min'],
]);

it('knows every unit of its table, with every prefix that may stand before it', function (): void {
    $dimensions = [];
    foreach (UnitTable::symbols() as $symbol) {
        $entry = UnitTable::symbol($symbol);
        expect($entry)->not->toBeNull()->and(UnitReader::read($symbol)->dimension)->toEqual(Dimension::of($entry['base'] ?? []));
        foreach ($entry['prefixed'] ?? false ? array_keys(UnitTable::PREFIXES) : [] as $prefix) {
            $unit = UnitReader::read($prefix.$symbol);
            // "cd" is the candela, not the centiday; "Pa" the pascal, not the petayear
            $isSame = $unit->dimension->equals(UnitReader::read($symbol)->dimension);
            $dimensions[] = [$prefix.$symbol, $isSame || UnitTable::symbol($prefix.$symbol) !== null];
        }
    }
    expect(array_filter($dimensions, fn (array $one): bool => ! $one[1]))->toBe([]);
});

it('goes there and back without loss', function (): void {
    $metre = UnitReader::read('m')->dimension;
    $length = array_filter(UnitTable::symbols(), fn (string $one): bool => UnitReader::read($one)->dimension->equals($metre));
    foreach ($length as $from) {
        foreach ($length as $to) {
            $there = UnitReader::read($from)->convert(Exact::of('7/3'), UnitReader::read($to));
            expect(Exact::text(UnitReader::read($to)->convert($there, UnitReader::read($from))))->toBe('7/3');
        }
    }
});

it('tells a wrong prefix from another unit', function (): void {
    [$km, $m, $mile] = array_map(UnitReader::read(...), ['km', 'm', 'mi']);
    expect($km->differsByPrefix($m))->toBeTrue()->and($km->differsByPrefix($mile))->toBeFalse()
        ->and(UnitReader::read('g/cm3')->differsByPrefix(UnitReader::read('kg/m3')))->toBeTrue()
        ->and(UnitReader::read('J')->isSame(UnitReader::read('N m')))->toBeTrue()
        ->and(UnitReader::read('°C')->isSame(UnitReader::read('K')))->toBeFalse();
});

it('says why a unit is none', function (string $typed, string $rule, string $said): void {
    expect(fn () => UnitReader::read($typed))->toThrow(
        fn (UnitProblem $problem) => expect($problem->rule)->toBe($rule)->and($problem->getMessage())->toContain($said),
    );
})->with([
    'unknown' => ['foos', 'unit.unknown', '“foos”'],
    'the wrong case' => ['KM', 'unit.unknown', 'Did you mean “km”?'],
    'kilograms with a capital' => ['Kg', 'unit.unknown', 'Did you mean “kg”?'],
    'two readings of a stroke' => ['J/kg K', 'unit.ambiguous', 'J/(kg K)'],
    'a space too many' => ['m in', 'unit.ambiguous', 'min'],
    'mixed systems' => ['ft m', 'unit.mixed', 'different systems'],
    'a number' => ['5', 'unit.unknown', '“5”'],
    'nothing' => ['', 'unit.unknown', ''],
    'endless' => [str_repeat('m ', 40), 'unit.too_long', ''],
    'a stroke and nothing' => ['m/', 'unit.unknown', ''],
]);
