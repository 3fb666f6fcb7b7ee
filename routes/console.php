<?php

declare(strict_types=1);

use App\Actions\Reindex;
use App\Http\OpenApi\Description;
use App\Jobs\ReindexAll;
use App\Models\User;
use Database\Seeders\LargeBankSeeder;
use Database\Seeders\SamplePackages;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

Artisan::command('quarry:people {--count}', function (): void {
    $this->line((string) User::query()->count());
})->purpose('How many people can sign in');

Artisan::command('quarry:reindex-if-due', function (): void {
    if (! Reindex::isDue()) {
        return;
    }
    if (DB::table('questions')->exists()) {
        ReindexAll::dispatch('reindex', null, true);
    } else {
        DB::table('settings')->upsert([['name' => 'index_version', 'value' => (string) Reindex::VERSION]], ['name']);
    }
})->purpose('Rebuild in the background what an upgrade derives otherwise');

Artisan::command('quarry:ready-for {environment}', function (): int {
    $demo = User::query()->where('email', 'like', '%@fellmoor.example')->pluck('email')->all();
    if ($this->argument('environment') === 'production' && $demo !== []) {
        $this->error(
            'People of the demo are in this database, and their password is public: '.
                implode(', ', $demo).
                '. Use an empty database, or delete them first: bin/quarry person remove EMAIL.',
        );

        return 1;
    }

    return 0;
})->purpose('Refuse to run for a school with the demo in it');

Artisan::command('api:description', function (Description $description): void {
    $json = json_encode($description->build(), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
    file_put_contents(base_path('var/openapi.json'), "$json\n");
})->purpose('Write the API description for the front end, which makes its types from it (npm run api)');

Artisan::command('demo:files', function (): void {
    foreach (SamplePackages::all() as $name => $write) {
        $write(base_path("demo/files/$name"));
        $this->line($name);
    }
})->purpose('Write the sample packages of demo/files');

Artisan::command('bank:generate {count} {--seed=1} {--keeper=orla@fellmoor.example}', function (LargeBankSeeder $seeder): int {
    $keeper = User::query()->where('email', $this->option('keeper'))->first();
    if ($keeper === null) {
        $this->error('There is nobody with this address to keep the bank.');

        return 1;
    }
    $this->line($seeder->make((int) $this->argument('count'), (int) $this->option('seed'), $keeper->id));

    return 0;
})->purpose('Make a bank of any size for measuring');
