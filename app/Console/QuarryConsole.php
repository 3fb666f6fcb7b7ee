<?php

declare(strict_types=1);

namespace App\Console;

use App\Actions\Backup\Backup;
use App\Actions\Backup\BackupFolder;
use App\Actions\Backup\Restore;
use App\Actions\ExportBank;
use App\Actions\ImportQuestions;
use App\Actions\Reindex;
use App\Actions\RunSpecimens;
use App\Actions\VerifyFiles;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\User;
use Database\Seeders\LargeBankSeeder;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\CommandLine\Arguments;
use WideQuarry\CommandLine\Problem;
use WideQuarry\CoreException;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Sharing\Role;

/** The commands that need the database; the same actions as the screens. */
final readonly class QuarryConsole
{
    public function __construct(
        private ImportQuestions $import,
        private ExportBank $export,
        private RunSpecimens $specimens,
        private PartKinds $kinds,
    ) {
    }

    /** @param  list<string>  $given */
    public function run(array $given): int
    {
        $arguments = Arguments::parse($given);
        try {
            return match ($arguments->words[0] ?? '') {
                'import' => $this->import($arguments),
                'export' => $this->export($arguments),
                'specimens' => $this->specimens($arguments),
                'generate' => $this->generate($arguments),
                'person' => $this->person($arguments),
                'backup' => $this->backup($arguments),
                'restore' => $this->restore($arguments),
                'verify' => $this->verify($arguments),
                'reindex' => $this->reindex(),
                default => $this->fail(
                    Problem::usage(
                        Message::of('app.console.known-read-write-score'),
                    ),
                ),
            };
        } catch (CoreException $problem) {
            return $this->fail(Problem::of($problem));
        } catch (Refused $problem) {
            return $this->fail([
                'type' => "urn:wide-quarry:problem:$problem->rule",
                'title' => Message::of('app.console.cannot-done-stands'),
                'detail' => $problem->getMessage(),
                'path' => $problem->path === '' ? null : $problem->path,
            ]);
        } catch (QueryException|\PDOException $problem) {
            return $this->fail([
                'type' => 'urn:wide-quarry:problem:database',
                'title' => Message::of('app.console.database-cannot-reached'),
                'detail' => Message::of('app.console.start-bin-start-look', ['why' => (string) strtok($problem->getMessage(), "\n")]),
                'path' => null,
            ]);
        }
    }

    private function import(Arguments $arguments): int
    {
        $file = $arguments->words[1] ?? null;
        $duplicates = $arguments->options['duplicates'] ?? 'skip';
        if (
            $file === null ||
            $arguments->unknown(['bank', 'folder', 'duplicates', 'as']) !== [] ||
            ! in_array($duplicates, ['skip', 'add', 'replace'], true)
        ) {
            return $this->fail(
                Problem::usage(Message::of('app.console.quarry-import-file-bank')),
            );
        }
        if (! is_file($file) || ! is_readable($file)) {
            throw UnreadableFile::notFound($file);
        }
        $bank = $this->bank($arguments);
        $person = $bank === null ? null : $this->actor($arguments, $bank);
        if ($bank === null || $person === null) {
            return $this->fail(
                Problem::usage(
                    $bank === null
                        ? Message::of('app.console.no-such-bank')
                        : Message::of('app.console.no-person-who-may-write'),
                ),
            );
        }
        $folder = array_values(
            array_filter(array_map(trim(...), explode('/', $arguments->options['folder'] ?? '')), fn (string $step): bool => $step !== ''),
        );
        $receipt = $this->import->handle($file, basename($file), $bank, $folder, $person, $duplicates);
        echo Json::encode(['receipt' => $receipt->id, 'intake' => $receipt->intake, ...(array) $receipt->body])."\n";

        return 0;
    }

    private function export(Arguments $arguments): int
    {
        $formats = Formats::standard($this->kinds);
        $name = $arguments->words[1] ?? '';
        $format = in_array($name, $formats->namesForQuestions(), true) ? $formats->named($name) : null;
        $out = $arguments->options['out'] ?? '';
        $bank = $this->bank($arguments);
        if ($format === null || $out === '' || $bank === null || ! is_writable(dirname($out))) {
            return $this->fail(
                Problem::usage(
                    Message::of('app.console.quarry-export-bank-slug', [
                        'list' => implode(', ', $formats->namesForQuestions()),
                    ]),
                ),
            );
        }
        $person = $this->actor($arguments, $bank);
        if ($person === null) {
            return $this->fail(Problem::usage(Message::of('app.console.no-person-who-may-read')));
        }
        $receipt = $this->export->handle($bank, $format->name(), $out, $person);
        echo Json::encode(['receipt' => $receipt->id, 'bank' => $bank->slug, 'file' => $out, ...(array) $receipt->body])."\n";

        return 0;
    }

    /** All specimens of a bank: 0 when each scores as stated, 1 otherwise. */
    private function specimens(Arguments $arguments): int
    {
        $bank = $this->bank($arguments);
        if ($bank === null || $arguments->unknown(['bank']) !== []) {
            return $this->fail(Problem::usage(Message::of('app.console.quarry-specimens-bank-slug')));
        }
        $run = $this->specimens->begin($bank->id, null);
        $this->specimens->handle($run);
        $result = DB::table('specimen_runs')
            ->where('id', $run)
            ->first(['state', 'done AS questions', 'specimens', 'failing', 'varying', 'bad']);
        $failing = DB::table('questions')
            ->where('bank_id', $bank->id)
            ->where('specimens_failing', '>', 0)
            ->whereNull('binned_at')
            ->orderBy('title')
            ->get(['id', 'title', 'specimens', 'specimens_failing']);
        echo Json::encode(['bank' => $bank->slug, ...(array) $result, 'questions_failing' => $failing->all()])."\n";

        return $failing->isEmpty() ? 0 : 1;
    }

    /** A bank of any size, the same for the same seed, for measuring and practising. */
    private function generate(Arguments $arguments): int
    {
        $count = $arguments->words[1] ?? '';
        $seed = $arguments->options['seed'] ?? '1';
        $email = strtolower($arguments->options['as'] ?? '');
        $keeper = User::query()->where('email', $email)->first();
        if (
            ! ctype_digit($count) ||
            (int) $count < 1 ||
            (int) $count > 1_000_000 ||
            ! ctype_digit($seed) ||
            $keeper === null ||
            $arguments->unknown(['seed', 'as']) !== []
        ) {
            return $this->fail(
                Problem::usage(
                    Message::of('app.console.quarry-generate-count-email'),
                ),
            );
        }
        if (
            Bank::query()
                ->where('slug', "large-$count")
                ->exists()
        ) {
            return $this->fail(Problem::usage(Message::of('app.console.bank-large-already', ['count' => $count])));
        }
        $from = hrtime(true);
        $slug = (new LargeBankSeeder)->make((int) $count, (int) $seed, $keeper->id);
        echo Json::encode(['bank' => $slug, 'questions' => (int) $count, 'seconds' => round((hrtime(true) - $from) / 1e9, 1)])."\n";

        return 0;
    }

    private function backup(Arguments $arguments): int
    {
        $folder = $arguments->words[1] ?? '';
        if ($folder === '' || $arguments->unknown([]) !== []) {
            return $this->fail(Problem::usage(Message::of('app.console.quarry-backup-dir-run')));
        }
        echo Json::encode(app(Backup::class)->handle($folder))."\n";

        return 0;
    }

    private function restore(Arguments $arguments): int
    {
        $folder = $arguments->words[1] ?? '';
        if ($folder === '' || $arguments->unknown([]) !== []) {
            return $this->fail(Problem::usage(Message::of('app.console.quarry-restore-dir-into')));
        }
        echo Json::encode(app(Restore::class)->handle($folder))."\n";

        return 0;
    }

    /** Every stored file and every reference to one; with a folder, a backup. 1 when something is missing or damaged. */
    private function verify(Arguments $arguments): int
    {
        $folder = $arguments->words[1] ?? '';
        $report = $folder === '' ? app(VerifyFiles::class)->handle() : ['problems' => (new BackupFolder($folder))->problems()];
        echo Json::encode($report)."\n";

        return [...$report['damaged'] ?? [], ...$report['missing'] ?? [], ...$report['problems'] ?? []] === [] ? 0 : 1;
    }

    private function reindex(): int
    {
        $from = hrtime(true);
        echo Json::encode(['questions' => app(Reindex::class)->handle(), 'seconds' => round((hrtime(true) - $from) / 1e9, 1)])."\n";

        return 0;
    }

    private function person(Arguments $arguments): int
    {
        $email = strtolower($arguments->words[2] ?? '');
        $does = $arguments->words[1] ?? '';
        if (! in_array($does, ['add', 'remove'], true) || filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            return $this->fail(Problem::usage(Message::of('app.console.quarry-person-add-email')));
        }
        if ($does === 'remove') {
            return $this->remove($email);
        }
        if (User::query()->where('email', $email)->exists()) {
            return $this->fail(Problem::usage(Message::of('app.console.person-address-already', ['email' => $email])));
        }
        $password = Str::password(16, symbols: false);
        User::query()->create([
            'name' => $arguments->options['name'] ?? '' ?: Str::before($email, '@'),
            'email' => $email,
            'password' => $password,
            'is_administrator' => isset($arguments->options['administrator']),
        ]);
        echo Json::encode(['email' => $email, 'password' => $password])."\n";

        return 0;
    }

    /** Somebody who is the only one to manage a bank is not removed: nobody could share it again. */
    private function remove(string $email): int
    {
        $person = User::query()->where('email', $email)->first();
        if ($person === null) {
            return $this->fail(Problem::usage(Message::of('app.console.nobody-address', ['email' => $email])));
        }
        /** @var list<object{slug: string}&\stdClass> $alone */
        $alone = DB::select(
            <<<'SQL'
                SELECT banks.slug FROM bank_grants JOIN banks ON banks.id = bank_id
                    WHERE user_id = ? AND role = 'keeper' AND NOT EXISTS (SELECT 1 FROM bank_grants AS other
                    WHERE other.bank_id = banks.id AND other.role = 'keeper' AND other.id <> bank_grants.id)
                SQL,
            [$person->id],
        );
        if ($alone !== []) {
            return $this->fail(
                Problem::usage(
                    Message::of('app.console.nobody-else-manages-hand', ['list' => implode(', ', array_column($alone, 'slug'))]),
                ),
            );
        }
        $person->delete();
        echo Json::encode(['removed' => $email])."\n";

        return 0;
    }

    private function bank(Arguments $arguments): ?Bank
    {
        return Bank::query()
            ->where('slug', $arguments->options['bank'] ?? '')
            ->first();
    }

    /** Who is named with --as; otherwise a keeper of the bank. */
    private function actor(Arguments $arguments, Bank $bank): ?User
    {
        $email = $arguments->options['as'] ?? null;
        $keeper = DB::table('bank_grants')
            ->where('bank_id', $bank->id)
            ->where('role', Role::Keeper->value)
            ->whereNotNull('user_id')
            ->orderBy('id')
            ->value('user_id');

        return User::query()
            ->where($email === null ? 'id' : 'email', $email === null ? $keeper : strtolower($email))
            ->first();
    }

    /** @param  array<string, mixed>  $problem */
    private function fail(array $problem): int
    {
        fwrite(STDERR, Json::encode($problem)."\n");

        return 1;
    }
}
