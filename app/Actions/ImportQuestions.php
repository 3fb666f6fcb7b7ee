<?php

declare(strict_types=1);

namespace App\Actions;

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Errors\Refused;
use App\Infrastructure\WorkLock;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** A file into a bank without a review, as the command line does: the intake's own steps, one after the other. */
final readonly class ImportQuestions
{
    public function __construct(private OpenIntake $open, private ReadIntake $read, private CommitIntake $commit)
    {
    }

    /**
     * @param  list<string>  $folder
     * @param  'skip'|'add'|'replace'  $duplicates  what happens to a question that is there already
     * @return \stdClass the receipt: id, intake, body
     *
     * @throws Refused when nothing of the file can be read
     */
    public function handle(string $file, string $name, Bank $bank, array $folder, User $person, string $duplicates = 'skip'): \stdClass
    {
        $intake = $this->open->handle([['path' => $file, 'name' => $name]], $person, $bank, $folder);
        $intake->update(['duplicates' => $duplicates]);
        WorkLock::alone($intake->id, function () use ($intake, $person): void {
            $this->read->handle($intake);
            $intake->refresh();
            if ($intake->state === 'failed') {
                throw Refused::because('intake.failed', $intake->problem ?? '');
            }
            $this->commit->begin($intake, $person);
            $this->commit->handle($intake->refresh());
        });
        /** @var (object{id: string, body: string}&\stdClass)|null $receipt */
        $receipt = DB::table('receipts')
            ->where('intake_id', $intake->id)
            ->first(['id', 'body']);
        if ($receipt === null) {
            throw Refused::because('intake.failed', $intake->refresh()->problem ?? Message::of('app.actions.stopped-half-way'));
        }

        return (object) ['id' => $receipt->id, 'intake' => $intake->id, 'body' => Json::decode($receipt->body)];
    }
}
