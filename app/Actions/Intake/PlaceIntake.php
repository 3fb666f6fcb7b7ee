<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Indexing\QuestionIndex;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Says where an intake goes and what happens to questions that are there already. */
final readonly class PlaceIntake
{
    private const MOST_NAMES = 20_000;

    public function __construct(private DuplicateFinder $judge)
    {
    }

    /**
     * @param  Fields  $place  bank (slug) or new_bank (name), folder (names from the top), duplicates, regroup, group_names; what is left
     *     out stays
     *
     * @throws Refused|\WideQuarry\Json\Malformed
     */
    public function handle(Intake $intake, Fields $place, User $person): void
    {
        if ($intake->state !== 'review') {
            throw Refused::because('intake.not_in_review', Message::of('app.actions.intake.where-goes-can-changed'));
        }
        $change = [];
        if ($place->has('bank') && $place->raw('bank') !== null) {
            $bank = Bank::query()->where('slug', $place->string('bank'))->first();
            if ($bank === null || ! $person->canEdit($bank->id)) {
                throw Refused::because('intake.may_not_write', Message::of('app.actions.intake.bank-not-yours'), '/bank');
            }
            $change = ['bank_id' => $bank->id, 'new_bank' => null];
        } elseif ($place->has('new_bank')) {
            $name = trim($place->string('new_bank', '', 200));
            $change =
                $name !== ''
                    ? ['bank_id' => null, 'new_bank' => $name]
                    : throw Refused::because('bank.no_name', Message::of('app.actions.intake.bank-needs-name'), '/new_bank');
        }
        if ($place->has('folder')) {
            $steps = array_map(fn (mixed $step): string => is_string($step) ? trim($step) : '', $place->list('folder', 20));
            $change['folder'] = QuestionIndex::array(array_values(array_filter($steps, fn (string $step): bool => $step !== '')));
        }
        if ($place->has('duplicates')) {
            $change['duplicates'] = $place->oneOf('duplicates', ['skip', 'add', 'replace'], 'skip');
        }
        if ($place->has('regroup')) {
            $change['regroup'] = $place->bool('regroup', false);
        }
        if ($place->has('group_names')) {
            $change['group_names'] = Json::encode((object) $place->names('group_names', self::MOST_NAMES));
        }
        $intake->update([...$change, 'problem' => null]);
        $this->judge->handle($intake->id, $intake->bank_id);
    }
}
