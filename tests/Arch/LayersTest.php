<?php

declare(strict_types=1);

use WideQuarry\Parts\PartKind;
use WideQuarry\Parts\Parts;

arch('the core knows no framework and no interface')->expect('WideQuarry')->not->toUse(['Illuminate', 'Symfony', 'App', 'Laravel']);
arch('the core is final')->expect('WideQuarry')->classes()->toBeFinal()->ignoring('WideQuarry\Tests');
arch('strict types everywhere')->expect(['WideQuarry', 'App', 'StandIns'])->toUseStrictTypes();
arch('nothing prints, dumps or dies')->expect(['WideQuarry', 'App'])->not->toUse(['dd', 'dump', 'die', 'var_dump', 'print_r', 'eval']);
arch('the core does not ask for time or chance')->expect('WideQuarry')->not->toUse(['time', 'microtime', 'rand', 'mt_rand', 'random_int', 'random_bytes', 'shuffle', 'array_rand', 'date']);
arch('HTTP stays at the edge')->expect('App\Http')->toOnlyBeUsedIn(['App\Http', 'App\Providers']);
arch('stand-ins are systems of their own')->expect('StandIns')->not->toUse(['WideQuarry', 'App', 'Illuminate']);
arch('nobody but the edge knows a stand-in')->expect('StandIns')->toOnlyBeUsedIn(['StandIns', 'App\Http']);
arch('requests are requests')->expect('App\Http\Requests')->toExtend('Illuminate\Foundation\Http\FormRequest')->toHaveSuffix('Request');
arch('models hold no actions')->expect('App\Models')->not->toUse('App\Actions');

it('keeps kinds apart from one another', function (): void {
    $folders = glob(__DIR__.'/../../core/src/Parts/*', GLOB_ONLYDIR) ?: [];
    $names = array_map(basename(...), $folders);
    foreach ($folders as $folder) {
        foreach (glob("$folder/*.php") ?: [] as $file) {
            foreach (array_diff($names, [basename($folder)]) as $other) {
                expect((string) file_get_contents($file))->not->toContain("Parts\\$other\\", basename($file)." uses $other");
            }
        }
    }
});

it('lists every kind that has a folder, here and in the interface', function (): void {
    $folders = array_map(fn (string $folder): string => strtolower(basename($folder)), glob(__DIR__.'/../../core/src/Parts/*', GLOB_ONLYDIR) ?: []);
    $views = array_map(basename(...), glob(__DIR__.'/../../resources/js/parts/*', GLOB_ONLYDIR) ?: []);
    $kinds = Parts::standard()->names();
    sort($kinds);

    expect($folders)->toBe($kinds)->and($views)->toBe($kinds);
    foreach ($kinds as $kind) {
        expect(Parts::standard()->find($kind))->toBeInstanceOf(PartKind::class)
            ->and((string) file_get_contents(__DIR__.'/../../resources/js/parts/index.ts'))->toContain("'./$kind'");
    }
});

it('names no kind in migrations, controllers or screens', function (): void {
    $files = [...glob(__DIR__.'/../../database/migrations/*.php') ?: [], ...glob(__DIR__.'/../../app/Http/Controllers/*.php') ?: [], ...glob(__DIR__.'/../../resources/js/screens/*.tsx') ?: []];
    foreach ($files as $file) {
        expect(preg_match('/[\'"](?:'.implode('|', array_diff(Parts::NAMES, ['text', 'number', 'label', 'order', 'group', 'match', 'point'])).')[\'"]/', (string) file_get_contents($file)))->toBe(0, basename($file));
    }
});
