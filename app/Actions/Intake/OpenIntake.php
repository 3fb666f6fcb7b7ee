<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Indexing\QuestionIndex;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Storage\FileStore;
use App\Storage\Quota;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Messages\Message;

/** Takes files in, each kept by its hash, and opens an intake for them. */
final readonly class OpenIntake
{
    public const MOST = 50;

    public function __construct(private FileStore $files)
    {
    }

    /**
     * @param  list<array{path: string, name: string}>  $files
     * @param  Bank|null  $bank  where they are meant to go, when that is known already
     * @param  list<string>  $folder
     * @param  bool  $chooses  whether parts of packages are chosen before they are read
     *
     * @throws Refused
     */
    public function handle(array $files, User $person, ?Bank $bank = null, array $folder = [], bool $chooses = false): Intake
    {
        if ($files === []) {
            throw Refused::because('intake.nothing', Message::of('app.actions.intake.give-least-one-file'), '/files');
        }
        if (count($files) > self::MOST) {
            throw Refused::because('intake.too_many', Message::of('app.actions.intake.most-files-once', ['most' => self::MOST]), '/files');
        }
        $kept = $this->kept($files, $person);

        /** @var Intake */
        return DB::transaction(function () use ($kept, $person, $bank, $folder, $chooses): Intake {
            $title = $kept[0]['name'].(count($kept) > 1 ? ' and '.(count($kept) - 1).' more' : '');
            $intake = Intake::query()->create([
                'user_id' => $person->id,
                'title' => $title,
                'bank_id' => $bank?->id,
                'folder' => QuestionIndex::array($folder),
                'chooses' => $chooses,
            ]);
            self::insert($intake, $kept);

            return $intake->refresh();
        });
    }

    /**
     * Gives files to an intake that was opened before they were there.
     *
     * @param  non-empty-list<array{path: string, name: string}>  $files
     * @param  array<string, mixed>  $change  of the intake, with them
     *
     * @throws Refused
     */
    public function files(Intake $intake, array $files, User $person, array $change): void
    {
        $kept = $this->kept($files, $person);
        DB::transaction(function () use ($intake, $kept, $change): void {
            self::insert($intake, $kept);
            $intake->update($change);
        });
    }

    /**
     * @param  non-empty-list<array{path: string, name: string}>  $files
     * @return non-empty-list<array{name: string, sha256: string, bytes: int}>
     *
     * @throws Refused
     */
    private function kept(array $files, User $person): array
    {
        Quota::allowUpload($person, array_sum(array_map(fn (array $file): int => (int) @filesize($file['path']), $files)));

        return array_map(
            fn (array $file): array => [
                'name' => mb_strimwidth(basename(strtr(mb_scrub($file['name']), '\\', '/')) ?: 'file', 0, 200, '…'),
                ...$this->files->put($file['path']),
            ],
            $files,
        );
    }

    /** @param  list<array{name: string, sha256: string, bytes: int}>  $kept */
    private static function insert(Intake $intake, array $kept): void
    {
        foreach ($kept as $position => $file) {
            DB::table('intake_files')->insert([
                'id' => (string) Str::uuid7(),
                'intake_id' => $intake->id,
                'position' => $position,
                ...$file,
            ]);
        }
    }
}
