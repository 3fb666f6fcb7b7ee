<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Machine\Installation;
use Tests\Machine\Questions;

/** @return array<string, string> table → a hash of all its rows, without what lives only while it runs */
function contents(Installation $of): array
{
    $tables = explode(
        "\n",
        trim(
            $of->sql(
                <<<'SQL'
                    SELECT tablename FROM pg_tables WHERE schemaname = 'public' AND tablename NOT IN ('sessions', 'cache',
                        'cache_locks', 'jobs', 'workers', 'queue_turns', 'work_tries', 'security_log') ORDER BY 1
                    SQL,
            ),
        ),
    );

    return array_combine(
        $tables,
        array_map(
            fn (string $table): string => trim(
                $of->sql("SELECT count(*) || ' ' || coalesce(md5(string_agg(one::text, '|' ORDER BY one::text)), '') FROM $table AS one"),
            ),
            $tables,
        ),
    );
}

/** @return array<string, string> path → hash of everything stored */
function storedFiles(Installation $of): array
{
    $files = [];
    foreach (glob("$of->folder/storage/app/private/{media,files}/*/*", GLOB_BRACE) ?: [] as $file) {
        $files[substr($file, strlen("$of->folder/storage/app/private/"))] = (string) hash_file('sha256', $file);
    }

    return $files;
}

it('restores a backup that equals its source, and repairs one that was stopped', function (): void {
    $here = Installation::shared();
    $ines = $here->person('keeper');
    $slug = $ines->ask('POST', '/banks', ['name' => 'Backed up'])->json('data.slug');
    $package = (glob(dirname(__DIR__, 2).'/demo/files/*.zip') ?: [])[0];
    $intake = $ines->ask('POST', '/intakes', ['files' => new CURLFile($package)])->json('data.id');
    $here->until(
        fn (): bool => in_array($ines->ask('GET', "/intakes/$intake")->json('data.state'), ['review', 'failed'], true),
        'the package to be read',
    );
    $ines->ask('PATCH', "/intakes/$intake", ['bank' => $slug]);
    $ines->ask('POST', "/intakes/$intake/commit", new stdClass());
    $here->until(fn (): bool => $ines->ask('GET', "/intakes/$intake")->json('data.state') === 'committed', 'the import');
    $ines->ask('POST', "/banks/$slug/questions", ['question' => Questions::one()]);
    $export = $ines->ask('POST', '/dispatches', ['format' => 'qti30', 'bank' => $slug])->json('data.id');
    $here->until(fn (): bool => $ines->ask('GET', "/dispatches/$export")->json('data.state') === 'ready', 'the export');

    $folder = "$here->folder/backup";
    $made = $here->quarry('backup', $folder);
    expect($made['files'])->toBeGreaterThan(0);
    $stored = glob("$folder/{media,files}/*/*", GLOB_BRACE) ?: [];
    file_put_contents($stored[0], 'damaged');
    unlink("$folder/manifest.json"); // stopped before its end, on a disk that went bad
    expect($here->quarry('verify', $folder)['type'] ?? '')->toEndWith('backup.none');
    file_put_contents("$folder/manifest.json", '{"format": "wide-quarry/backup"}'); // says nothing of what has to be there
    expect($here->quarry('verify', $folder)['type'] ?? '')->toEndWith('backup.none');
    expect($here->quarry('backup', $folder)['files'])
        ->toBe($made['files'])
        ->and($here->quarry('verify', $folder))
        ->toBe(['problems' => []])
        ->and($here->quarry('verify'))
        ->toMatchArray(['damaged' => [], 'missing' => []]);

    $there = (new Installation('restored'))->start();
    $before = contents($here);
    expect($here->quarry('restore', $folder)['type'] ?? '')->toEndWith('restore.not_empty');
    $said = $there->quarry('restore', $folder);
    expect($said['questions'] ?? $said)->toBeGreaterThan(1);
    expect(contents($there))
        ->toBe($before)
        ->and(array_diff_assoc(storedFiles($there), storedFiles($here)))
        ->toBe([])
        ->and($there->quarry('verify'))
        ->toMatchArray(['damaged' => [], 'missing' => []])
        ->and(file_get_contents("$there->folder/run/key"))
        ->toBe(file_get_contents("$here->folder/run/key"));
    $there->stop();

    $file = array_key_first(storedFiles($here));
    $path = "$here->folder/storage/app/private/$file";
    $whole = (string) file_get_contents($path);
    file_put_contents($path, '');
    expect($here->quarry('verify')['damaged'])->toBe([dirname(dirname($file)).'/'.basename($file)]);
    file_put_contents($path, $whole);
});

it('brings every landed schema up to date, and derives what is new', function (string $dump): void {
    $here = (new Installation('upgrade'))->start();
    $schema = fn (): string => (string) preg_replace(
        '/^\\\\(un)?restrict.*$/m',
        '',
        (new Process(
            [
                'pg_dump',
                '--schema-only',
                '--no-owner',
                '--no-privileges',
                '-h',
                "$here->folder/run/postgres.socket",
                '-U',
                'quarry',
                'quarry',
            ],
            null,
            ['PGPASSWORD' => (string) file_get_contents("$here->folder/run/postgres.password")],
        ))
            ->mustRun()
            ->getOutput(),
    );
    $fresh = $schema();
    $here->sql('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
    $here->sql((string) gzdecode((string) file_get_contents($dump)));
    $questions = trim($here->sql('SELECT count(*) FROM questions'));
    $here->stop();
    $here->start()->untilReady(); // migrates, and derives in the background
    $here->until(
        fn (): bool => trim($here->sql("SELECT count(*) FROM questions WHERE near <> '{}'")) === $questions,
        'the near prints',
    );
    [$upgraded, $fresh] = [explode("\n", $schema()), explode("\n", $fresh)];
    // dropping the schema public leaves a comment behind, which is none of ours
    expect(
        array_values(
            array_filter(
                array_diff($upgraded, $fresh),
                fn (string $line): bool => ! str_starts_with($line, '--') && ! str_contains($line, 'SCHEMA public'),
            ),
        ),
    )
        ->toBe([])
        ->and(array_values(array_diff($fresh, $upgraded)))
        ->toBe([])
        ->and($here->quarry('reindex')['questions'])
        ->toBe((int) $questions);
    $here->stop();
})->with(array_combine($dumps = glob(__DIR__.'/upgrades/*.sql.gz') ?: [], array_map(fn (string $dump): array => [$dump], $dumps)));
