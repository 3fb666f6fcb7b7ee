<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\PlaceIntake;
use App\Actions\Intake\RereadSources;
use App\Actions\Intake\UndoIntake;
use App\Http\OpenApi\Operation;
use App\Http\Requests\GiveRequest;
use App\Http\Resources\IntakeResource;
use App\Infrastructure\WorkLock;
use App\Jobs\WorkOnIntake;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** An intake from what was given to its receipt. */
final class IntakeController
{
    #[Operation(
        'Give files (multipart, files[]) or text to be read, and the bank they are meant for, if known; choose to be asked which parts of '.
            'packages to read',
        response: ['data' => 'Intake'],
        body: ['text' => 'string?', 'bank' => 'string?', 'choose' => 'boolean?'],
        status: 201,
    )]
    public function store(GiveRequest $request, OpenIntake $open): JsonResponse
    {
        $intake = $open->handle(
            $request->given(),
            User::asking($request),
            $request->bank(),
            chooses: $request->boolean('choose'),
        );
        WorkOnIntake::begin($intake);

        return (new IntakeResource($intake->refresh()))->response()->setStatusCode(201);
    }

    #[Operation('Read the kept sources of a bank again', response: ['data' => 'Intake'], status: 201)]
    public function again(Request $request, Bank $bank, RereadSources $reread): JsonResponse
    {
        Gate::authorize('write', $bank);
        $intake = $reread->open($bank, User::asking($request));
        WorkOnIntake::begin($intake);

        return (new IntakeResource($intake->refresh()))->response()->setStatusCode(201);
    }

    #[Operation('One intake: how far it is, what was found', response: ['data' => 'Intake'])]
    public function show(Intake $intake): IntakeResource
    {
        Gate::authorize('work', $intake);

        return new IntakeResource($intake);
    }

    #[Operation(
        'Choose where it goes, and what happens to duplicates',
        response: ['data' => 'Intake'],
        body: [
            'bank' => 'string?',
            'new_bank' => 'string?',
            'folder' => 'string[]?',
            'duplicates' => 'string?',
            'regroup' => 'boolean?',
            'group_names' => 'object?',
        ],
    )]
    public function update(Request $request, Intake $intake, PlaceIntake $place): IntakeResource
    {
        Gate::authorize('work', $intake);
        $place->handle(
            $intake,
            Fields::of(Json::decode($request->getContent()), '', ['bank', 'new_bank', 'folder', 'duplicates', 'regroup', 'group_names']),
            User::asking($request),
        );

        return new IntakeResource($intake->refresh());
    }

    /** States in which no question of an import is in a bank. */
    private const DELETABLE = ['choosing', 'review', 'failed', 'cancelled'];

    #[Operation('Stop reading, or throw away what was not brought in', status: 204)]
    public function destroy(Intake $intake): JsonResponse
    {
        Gate::authorize('work', $intake);
        if (
            Intake::query()
                ->whereKey($intake->id)
                ->where('state', 'reading')
                ->update(['stop_asked' => true]) === 0
        ) {
            Intake::query()->whereKey($intake->id)->whereIn('state', self::DELETABLE)->delete(); // its receipts stay
        }

        return new JsonResponse(null, 204);
    }

    #[Operation('Bring it in; or go on after it was stopped', response: ['data' => 'Intake'])]
    public function commit(Request $request, Intake $intake, CommitIntake $commit): IntakeResource
    {
        Gate::authorize('work', $intake);
        if ($intake->state === 'committing' && $intake->problem !== null) {
            $intake->update(['problem' => null]);
            WorkLock::again($intake->id);
        } else {
            $commit->begin($intake, User::asking($request));
        }
        WorkOnIntake::begin($intake);

        return new IntakeResource($intake->refresh());
    }

    #[Operation('Take it back: what is unchanged and unused since', response: ['data' => 'Intake'])]
    public function undo(Request $request, Intake $intake, UndoIntake $undo): IntakeResource
    {
        Gate::authorize('work', $intake);
        $undo->begin($intake, User::asking($request));
        WorkOnIntake::begin($intake);

        return new IntakeResource($intake->refresh());
    }
}
