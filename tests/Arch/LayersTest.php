<?php

declare(strict_types=1);

use Tests\Arch\Diagrams;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\PartKind;
use WideQuarry\Question\PartKinds;

arch('the core knows no framework and no interface')
    ->expect('WideQuarry')
    ->not->toUse(['Illuminate', 'Symfony', 'App', 'Laravel']);
arch('the core is final')->expect('WideQuarry')->classes()->toBeFinal()->ignoring('WideQuarry\Tests');
arch('strict types everywhere')
    ->expect(['WideQuarry', 'App', 'StandIns'])
    ->toUseStrictTypes();
arch('nothing prints, dumps or dies')
    ->expect(['WideQuarry', 'App'])
    ->not->toUse(['dd', 'dump', 'die', 'var_dump', 'print_r', 'eval']);
arch('the core does not ask for time or chance')
    ->expect('WideQuarry')
    ->not->toUse(['time', 'microtime', 'rand', 'mt_rand', 'random_int', 'random_bytes', 'shuffle', 'array_rand', 'date']);
arch('HTTP stays at the edge')
    ->expect('App\Http')
    ->toOnlyBeUsedIn(['App\Http', 'App\Providers']);
arch('stand-ins are systems of their own')
    ->expect('StandIns')
    ->not->toUse(['WideQuarry', 'App', 'Illuminate']);
arch('nobody but the edge knows a stand-in')
    ->expect('StandIns')
    ->toOnlyBeUsedIn(['StandIns', 'App\Http']);
arch('requests are requests')->expect('App\Http\Requests')->toExtend('Illuminate\Foundation\Http\FormRequest')->toHaveSuffix('Request');
it('keeps SQL out of controllers', function (): void {
    foreach (glob(__DIR__.'/../../app/Http/Controllers/*.php') ?: [] as $file) {
        expect((string) file_get_contents($file))->not->toMatch('/DB::(select|scalar|statement|insert|update|delete)\(/', basename($file));
    }
});

arch('models hold no actions')->expect('App\Models')->not->toUse('App\Actions');

it('keeps kinds apart from one another', function (): void {
    $folders = glob(__DIR__.'/../../core/src/Parts/*', GLOB_ONLYDIR) ?: [];
    $names = array_map(basename(...), $folders);
    foreach ($folders as $folder) {
        foreach (glob("$folder/*.php") ?: [] as $file) {
            foreach (array_diff($names, [basename($folder)]) as $other) {
                $uses = str_contains((string) file_get_contents($file), "Parts\\$other\\");
                expect($uses)->toBeFalse(basename($file)." uses $other");
            }
        }
    }
});

it('lists every kind that has a folder, here and in the interface', function (): void {
    $folders = array_map(
        fn (string $folder): string => strtolower(basename($folder)),
        glob(__DIR__.'/../../core/src/Parts/*', GLOB_ONLYDIR) ?: [],
    );
    $views = array_map(fn (string $index): string => basename(dirname($index)), glob(__DIR__.'/../../resources/js/parts/*/index.ts*') ?: []);
    $kinds = StandardKinds::all()->names();
    sort($kinds);

    expect($folders)->toBe($kinds)->and($views)->toBe($kinds);
    foreach ($kinds as $kind) {
        expect(StandardKinds::all()->find($kind))
            ->toBeInstanceOf(PartKind::class)
            ->and((string) file_get_contents(__DIR__.'/../../resources/js/parts/words.ts'))
            ->toContain("\n  '$kind',\n");
    }
});

it('asks kinds what they can do, and never which they are', function (): void {
    $names = implode('|', PartKinds::NAMES);
    $roots = ['core/src', 'app', 'database/seeders', 'resources/js'];
    $isKindFolder = fn (string $path): bool => str_contains($path, 'core/src/Parts/') ||
        preg_match('#resources/js/parts/[a-z]+/#', $path) === 1;
    foreach ($roots as $root) {
        $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__."/../../$root", FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            if (preg_match('/(?<!\.test)\.(php|tsx?)$/', (string) $file) === 1 && ! $isKindFolder((string) $file)) {
                preg_match(
                    '/\bkind(Name)?\b[^\n]{0,10}[!=]==?\s*[\'"]('.$names.')[\'"]/',
                    (string) file_get_contents((string) $file),
                    $found,
                );
                expect($found[0] ?? '')->toBe('', "$file compares the name of a kind");
            }
        }
    }
});

/*
 * Which module of the core may use which: those of a row, the ones above. What several need moves up; what needs several moves down.
 * docs/developers/architecture.md draws this.
 */
const MODULES = [
    ['Messages'],
    ['(root)', 'Random', 'Numbers', 'Content', 'Documents', 'Sharing'],
    ['Json', 'Maths', 'Units', 'Media', 'Geometry'],
    ['Variables', 'Standards', 'Selection'],
    ['Answer', 'Marking', 'Graph', 'Blueprints'],
    ['Question'],
    ['Scoring', 'Search', 'Assembly'],
    ['Presentation', 'Study', 'Specimens', 'Stimulus', 'Duplicates', 'Converting', 'Rehearsal', 'Forms'],
    ['Checks'],
    ['Printing', 'Bulk', 'Interchange'],
    ['Pictures', 'Migration'],
    ['Parts'],
    ['CommandLine'],
];

it('lets modules of the core use only those above them', function (): void {
    $row = $uses = [];
    foreach (MODULES as $i => $modules) {
        $row += array_fill_keys($modules, $i);
    }
    $root = (string) realpath(__DIR__.'/../../core/src');
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
        if (! str_ends_with((string) $file, '.php')) {
            continue;
        }
        $path = substr((string) $file, strlen($root) + 1);
        $module = str_contains($path, '/') ? explode('/', $path)[0] : '(root)';
        expect($row)->toHaveKey($module);
        preg_match_all(
            '/\bWideQuarry\\\\(?:(\w+)\\\\)?\w+/',
            (string) preg_replace('/^namespace .*/m', '', (string) file_get_contents((string) $file)),
            $used,
        );
        foreach (array_unique($used[1]) as $other) {
            $other = $other === '' ? '(root)' : $other;
            $isAllowed = $other === $module || ($row[$other] ?? 99) < $row[$module];
            expect($isAllowed)->toBeTrue("$path uses $other, which is not above $module");
            if ($other !== $module && $other !== '(root)' && $module !== '(root)') {
                $uses[$module][$other] = $other;
            }
        }
    }
    $shown = array_map(fn (array $modules): array => array_values(array_diff($modules, ['(root)'])), MODULES);
    $drawn = Diagrams::layers($shown, array_map(array_values(...), $uses));
    expect(Diagrams::isCurrent('modules', $drawn))->toBeTrue('docs/developers/architecture.md is out of date: run the test with '.
        'QUARRY_DRAW=1.');
});
