<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\Bulk\BulkOperation;
use App\Actions\SaveQuestion;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\ChangesSinceImport;
use App\Queries\IntakeReceipt;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Takes an intake back: what it made and nobody has changed or uses since goes, what it replaced and is unchanged since is put
 * back, the rest stays and is listed. The intake is then in review again; its receipts are kept.
 *
 * @phpstan-import-type SettledRow from ChangesSinceImport
 */
final readonly class UndoIntake
{
    private const CHUNK = 200;

    public function __construct(
        private PartKinds $kinds,
        private SaveQuestion $save,
        private ImportedSurroundings $surroundings,
        private ImportedAssessments $assessments,
    ) {
    }

    /** @throws Refused */
    public function begin(Intake $intake, User $person): void
    {
        if ($intake->bank_id === null || ! $person->canEdit($intake->bank_id)) {
            throw Refused::because(
                'intake.may_not_write',
                Message::of(
                    $intake->bank_id === null
                        ? 'app.actions.intake.bank-imported-into-no-longer-exists'
                        : 'app.actions.intake.you-cannot-edit-bank-imported',
                ),
            );
        }
        DB::transaction(function () use ($intake, $person): void {
            $made = $intake->made();
            $made->undo = BulkOperation::begin('undo', $person, ['undoes' => $intake->operation_id]);
            if (
                Intake::query()
                    ->whereKey($intake->id)
                    ->where('state', 'committed')
                    ->update(['state' => 'undoing', 'made' => Json::encode($made)]) === 0
            ) {
                throw Refused::because('intake.not_committed', Message::of('app.actions.intake.nothing-to-undo'));
            }
        });
    }

    /** @return array{string, User|null} the act that takes it back, and whose it is */
    private static function begun(Intake $intake): array
    {
        $undo = $intake->made()->undo ?? null;
        $undo = is_string($undo) ? $undo : null;
        $person = User::query()
            ->where('id', DB::table('bulk_operations')->where('id', $undo)->select('user_id'))
            ->first();

        return [$undo ?? '', $person];
    }

    public function handle(Intake $intake): void
    {
        [$undo, $person] = self::begun($intake);
        $bank = Bank::query()->find($intake->bank_id);
        if ($person === null || $bank === null) {
            $intake->update(['state' => 'review', 'problem' => Message::of('app.actions.intake.bank-imported-into-no-longer-exists')]);

            return;
        }
        $this->assessments->takeOut($intake);
        $after = 0;
        do {
            /** @var int|null $after */
            $after = DB::transaction(function () use ($intake, $person, $bank, $after): ?int {
                DB::table('banks')->where('id', $bank->id)->lockForUpdate()->value('id');
                if (! $person->canEdit($bank->id)) {
                    $intake->update([
                        'state' => 'committed',
                        'problem' => Message::of('app.actions.intake.undo-stopped'),
                    ]);

                    return null;
                }
                $rows = ChangesSinceImport::rows($intake->id, (string) $intake->operation_id, $after, self::CHUNK);
                $this->takeBack(array_values(array_filter($rows, fn (\stdClass $row): bool => $row->why === null)), $person);

                return $rows === [] ? null : $rows[count($rows) - 1]->number;
            });
        } while ($after !== null);
        if ($intake->state === 'committed') {
            return;
        }
        DB::transaction(function () use ($intake, $person, $bank, $undo): void {
            IntakeReceipt::write('undo', $intake, $person, $bank, $undo);
            $this->surroundings->takeOut($intake, $bank);
            $intake->update(['state' => 'review', 'operation_id' => null]);
        });
    }

    /** @param  list<SettledRow>  $rows  those that can be taken back */
    private function takeBack(array $rows, User $person): void
    {
        $added = array_filter($rows, fn (\stdClass $row): bool => $row->outcome === 'added');
        DB::table('questions')->whereIn('id', array_filter(array_column($added, 'question_id')))->delete();
        foreach ($rows as $row) {
            if ($row->outcome === 'replaced' && $row->now !== null) {
                $this->putBack($row, $person);
            }
        }
        DB::table('staged_questions')
            ->whereIn('id', array_column($rows, 'id'))
            ->update(['outcome' => null, 'question_id' => null, 'revision' => null, 'before' => null]);
    }

    /** @param  SettledRow  $row */
    /** @param  SettledRow  $row */
    private function putBack(\stdClass $row, User $person): void
    {
        /** @var object{revision: int, record: \stdClass, topics: list<list<string>>}&\stdClass $before */
        $before = Json::object($row->before ?? '{}');
        $content = DB::table('revisions')->where('question_id', $row->question_id)->where('number', $before->revision)->value('content');
        if (! is_string($content)) {
            return;
        }
        $json = Json::object($content);
        if ($before->topics !== []) {
            $before->record->topics = $before->topics;
        }
        $json->record = $before->record;
        $this->save->revise(Question::read($json, $this->kinds), $row->revision ?? 1, $person, 'put back as it was before an intake', true);
    }
}
