<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Machine\Installation;
use Tests\Machine\Questions;

// Files on a disk of 4 MB that is full: nothing is stored half, everything that failed says why, and works once there is room again.

it('stores whole files or none on a full disk, and says so', function (): void {
    $disk = dirname(__DIR__, 2).'/var/machine/disk';
    (new Process(['umount', $disk]))->run();
    is_dir($disk) || mkdir($disk, 0777, true);
    if ((new Process(['mount', '-t', 'tmpfs', '-o', 'size=4m,mode=0777', 'tmpfs', $disk]))->run() !== 0) {
        $this->markTestSkipped('This machine mounts no file systems.');
    }
    $here = new Installation('fulldisk', ['QUARRY_STORAGE' => $disk]);
    try {
        foreach (['app/private', 'logs', 'framework/cache/data', 'framework/sessions', 'framework/views'] as $folder) {
            is_dir("$disk/$folder") || mkdir("$disk/$folder", 0777, true);
        }
        $here->start();
        $here->until(fn (): bool => ($here->health()['worker'] ?? false) === true, 'the worker');
        $ines = $here->person('full');
        $slug = $ines->ask('POST', '/banks', ['name' => 'Full'])->json('data.slug');
        foreach (range(1, 3) as $i) {
            $ines->ask('POST', "/banks/$slug/questions", ['question' => Questions::one("Question $i")]);
        }
        $fill = "$disk/filler";
        exec('dd if=/dev/zero of='.escapeshellarg($fill).' bs=4k 2>/dev/null');

        expect($here->health())->toMatchArray(['ready' => false, 'disk' => false, 'database' => true]);
        $begun = $ines->ask('POST', '/dispatches', ['format' => 'pack', 'bank' => $slug]);
        expect($begun->status)->toBe(201, $begun->body);
        $export = $begun->json('data.id');
        $here->until(fn (): bool => $ines->ask('GET', "/dispatches/$export")->json('data.state') !== 'writing', 'the export to fail');
        expect($ines->ask('GET', "/dispatches/$export")->json('data'))
            ->toMatchArray(['state' => 'failed'])
            ->and($ines->ask('GET', "/dispatches/$export")->json('data.problem'))
            ->toContain('disk');
        $upload = $ines->ask('POST', '/intakes', ['text' => Questions::exam(200), 'bank' => $slug]);
        expect($upload->status)->toBe(422)->and($upload->json('detail'))->toContain('disk');
        $picture = ['medium' => ['noise.png', Questions::picture(7, 200)]];
        $refused = $ines->ask('POST', "/banks/$slug/media", $picture);
        expect($refused->status)->toBeGreaterThanOrEqual(422)->and($refused->json('detail'))->toContain('disk');
        // typing and saving need no files, so they go on
        expect($ines->ask('PUT', '/autosaves/new:full', ['content' => ['a' => 1]])->status)
            ->toBe(204)
            ->and($ines->ask('POST', "/banks/$slug/questions", ['question' => Questions::one('Saved all the same')])->status)
            ->toBe(201);
        $empty = array_filter(
            glob("$disk/app/private/*/*/*") ?: [],
            fn (string $file): bool => filesize($file) === 0 || str_ends_with($file, '.new'),
        );
        expect($empty)->toBe([]);

        unlink($fill);
        expect($ines->ask('POST', "/work/dispatch/$export/retry", new stdClass())->status)->toBe(204);
        $here->until(fn (): bool => $ines->ask('GET', "/dispatches/$export")->json('data.state') === 'ready', 'the export, again');
        $file = $ines->ask('GET', "/dispatches/$export/file");
        expect($file->status)
            ->toBe(200)
            ->and(hash('sha256', $file->body))
            ->toBe($ines->ask('GET', "/dispatches/$export")->json('data.body.sha256'))
            ->and($ines->ask('POST', '/intakes', ['text' => Questions::exam(2), 'bank' => $slug])->status)
            ->toBe(201)
            ->and($ines->ask('POST', "/banks/$slug/media", $picture)->status)
            ->toBe(201);
    } finally {
        $here->stop();
        (new Process(['umount', '-l', $disk]))->run();
    }
});
