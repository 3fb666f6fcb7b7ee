<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\RunSpecimens;
use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use App\Jobs\RunAllSpecimens;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Documents\SpreadsheetCells;
use WideQuarry\Json\Json;
use WideQuarry\Specimens\ResponseTable;

/** Test responses: a table of them read, and all of a bank run. */
final class SpecimenController
{
    private const LARGE = 2000; // questions

    private const FIELDS = [
        'id', 'state', 'total', 'done', 'specimens', 'failing', 'varying', 'bad', 'changed', 'created_at', 'finished_at',
    ];

    #[Operation(
        'Read a pasted table of responses as specimens of a question that need not be saved',
        response: 'ReadTable',
        body: ['question' => 'object', 'text' => 'string', 'columns' => 'string[]?', 'head' => 'boolean?'],
    )]
    public function table(Request $request, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'text', 'columns', 'head']);
        $columns =
            $fields->raw('columns') === null
                ? null
                : array_map(
                    fn (mixed $one): string => is_string($one) ? $one : '',
                    $fields->list('columns', SpreadsheetCells::MOST_COLUMNS),
                );
        $head = $fields->raw('head') === null ? null : $fields->bool('head', false);

        return new JsonResponse(
            Json::encode(
                ResponseTable::read($question, SpreadsheetCells::read($fields->string('text', '', 500_000), true), $columns, $head),
            ),
            json: true,
        );
    }

    #[Operation(
        'Check a bank in the background: run all its specimens, study all rolls of values that vary',
        response: ['data' => 'SpecimenRun'],
        status: 202,
    )]
    public function start(Request $request, Bank $bank, RunSpecimens $specimens): JsonResponse
    {
        Gate::authorize('write', $bank);
        $person = $request->user();
        $run = $specimens->begin($bank->id, $person instanceof User ? $person : null);
        RunAllSpecimens::dispatch(
            $run,
            User::asking($request)->id,
            DB::table('specimen_runs')->where('id', $run)->value('total') > self::LARGE,
        );

        return new JsonResponse(['data' => DB::table('specimen_runs')->where('id', $run)->first(self::FIELDS)], 202);
    }

    #[Operation(
        'The newest run of a bank’s specimens, with how far it is; null when there was none',
        response: ['data' => 'SpecimenRun|null'],
    )]
    public function latest(Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);

        return new JsonResponse([
            'data' => DB::table('specimen_runs')->where('bank_id', $bank->id)->orderByDesc('id')->first(self::FIELDS),
        ]);
    }

    #[Operation('Stop a run', status: 204)]
    public function stop(string $run): Response
    {
        $bank = Bank::query()->find(DB::table('specimen_runs')->where('id', $run)->value('bank_id')) ?? abort(404);
        Gate::authorize('write', $bank);
        DB::table('specimen_runs')
            ->where('id', $run)
            ->where('state', 'running')
            ->update(['state' => 'stopped', 'finished_at' => now()]);

        return new Response('', 204);
    }
}
