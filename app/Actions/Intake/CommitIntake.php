<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\Bulk\BulkOperation;
use App\Actions\MakeBank;
use App\Actions\Media\DescribeImported;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\IntakeReceipt;
use App\Storage\Quota;
use Illuminate\Support\Facades\DB;
use WideQuarry\Duplicates\DuplicateMatch;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/**
 * Brings the questions of an intake into its bank, chunk by chunk, under one act. What is in is marked in the transaction that
 * brought it in, so running again after a crash goes on and adds nothing twice.
 *
 * @phpstan-import-type StagedRow from ImportChunk
 */
final readonly class CommitIntake
{
    private const CHUNK = 500;

    /** Of a StagedRow; content, record and words, the longest of it, go from table to table. */
    private const COLUMNS = [
        'id',
        'source_id',
        'topics',
        'grp',
        'duplicate_of',
        'duplicate_by',
        'skipped',
        'decision',
    ];

    public function __construct(
        private DuplicateFinder $judge,
        private ImportChunk $chunk,
        private MakeBank $make,
        private ImportedAssessments $assessments,
        private DescribeImported $describe,
    ) {
    }

    /**
     * Claims the intake for bringing it in; whoever comes second is told so.
     *
     * @throws Refused
     */
    public function begin(Intake $intake, User $person): void
    {
        if ($intake->bank_id === null && ($intake->new_bank ?? '') === '') {
            throw Refused::because('intake.no_place', Message::of('app.actions.intake.choose-bank-goes-first'), '/bank');
        }
        if ($intake->bank_id !== null && ! $person->canEdit($intake->bank_id)) {
            throw Refused::because(
                'intake.may_not_write',
                Message::of('app.actions.intake.you-cannot-edit-bank'),
                '/bank',
            );
        }
        if ($intake->bank_id !== null) {
            Quota::allowMedia($intake->bank_id, $intake->id);
        }
        DB::transaction(function () use ($intake, $person): void {
            $act = BulkOperation::begin('intake', $person);
            if (
                Intake::query()
                    ->whereKey($intake->id)
                    ->where('state', 'review')
                    ->update(['state' => 'committing', 'operation_id' => $act, 'problem' => null]) === 0
            ) {
                throw Refused::because(
                    'intake.not_in_review',
                    match (Intake::query()->whereKey($intake->id)->value('state')) {
                        'committing', 'committed' => Message::of('app.actions.intake.already-imported'),
                        default => Message::of('app.actions.intake.not-in-this-state'),
                    },
                );
            }
        });
    }

    public function handle(Intake $intake): void
    {
        $person = User::query()
            ->where('id', DB::table('bulk_operations')->where('id', $intake->operation_id)->select('user_id'))
            ->first();
        if ($person === null) {
            $this->back($intake, Message::of('app.actions.intake.person-started-import-no-longer-exists'));

            return;
        }
        while (true) {
            $done = DB::transaction(function () use ($intake, $person): bool {
                $bank = $this->bank($intake, $person);
                if ($bank === null) {
                    $this->back($intake, Message::of('app.actions.intake.bank-is-gone'));

                    return true;
                }
                if (! $this->mayWrite($person, $bank)) {
                    $this->back($intake, Message::of('app.actions.intake.stopped-not-yours'));

                    return true;
                }
                $ids = DB::table('staged_questions')
                    ->where('intake_id', $intake->id)
                    ->whereNull('outcome')
                    ->orderBy('number')
                    ->limit(self::CHUNK)
                    ->pluck('id')
                    ->all();
                if ($ids === []) {
                    $this->settle($intake, $person, $bank);

                    return true;
                }
                $this->judge->again($intake->id, $bank->id, $ids); // @phpstan-ignore argument.type
                /** @var \Illuminate\Support\Collection<int, StagedRow> $rows */
                $rows = DB::table('staged_questions')->whereIn('id', $ids)->orderBy('number')->get(self::COLUMNS);
                $by = ['added' => [], 'replaced' => [], 'skipped' => []];
                foreach ($rows as $row) {
                    $found = $row->duplicate_by === null ? null : DuplicateMatch::from($row->duplicate_by);
                    $by[DuplicateMatch::outcome($row->skipped, $found, $row->decision, $intake->duplicates)][] = $row;
                }
                $this->chunk->store($intake, $bank, $person, $by);

                return false;
            });
            if ($done) {
                return;
            }
        }
    }

    private function mayWrite(User $person, Bank $bank): bool
    {
        return $person->canEdit($bank->id);
    }

    /** The bank, held while a chunk goes in, with what the questions need there; made on the first chunk when it is new. */
    private function bank(Intake $intake, User $person): ?Bank
    {
        if ($intake->bank_id === null && $intake->new_bank !== null) {
            $bank = $this->make->handle(['name' => $intake->new_bank], $person);
            $made = $intake->made();
            $made->bank = $bank->id;
            $intake->update(['bank_id' => $bank->id, 'made' => Json::encode($made)]);
        }

        $held = $intake->bank_id === null ? null : DB::table('banks')->where('id', $intake->bank_id)->lockForUpdate()->value('id');

        return is_string($held) ? Bank::query()->find($held) : null;
    }

    private function settle(Intake $intake, User $person, Bank $bank): void
    {
        $this->assessments->make($intake, $bank, $person);
        $intake->update(['state' => 'committed']);
        $this->describe->handle($bank->id);
        IntakeReceipt::write('intake', $intake, $person, $bank, (string) $intake->operation_id);
    }

    private function back(Intake $intake, string $problem): void
    {
        $gone = $intake->bank_id !== null && ! Bank::query()->whereKey($intake->bank_id)->exists();
        DB::table('staged_questions')
            ->where('intake_id', $intake->id)
            ->whereIn('outcome', ['added', 'replaced'])
            ->whereNull('question_id')
            ->update(['outcome' => null, 'duplicate_of' => null, 'duplicate_by' => null]);
        if ($gone) {
            DB::table('staged_questions')
                ->where('intake_id', $intake->id)
                ->where('outcome', 'skipped')
                ->update(['outcome' => null]);
        }
        $intake->update([
            'state' => 'review',
            'problem' => $problem,
            ...$gone ? ['bank_id' => null, 'new_bank' => null, 'made' => '{}'] : [],
        ]);
    }
}
