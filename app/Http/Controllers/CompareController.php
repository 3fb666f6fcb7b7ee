<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeOver;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use App\Queries\BankComparison;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** A bank beside another bank, or beside a file. */
final class CompareController
{
    private const MOST = 500;

    #[Operation(
        'Compare what of a bank meets a filter with a file (multipart), or with what of another bank meets one',
        response: ['data' => 'BankComparison'],
        body: ['filter' => 'string?', 'with' => 'string?', 'with_filter' => 'string?'],
    )]
    public function store(Request $request, Bank $bank, BankComparison $comparison): JsonResponse
    {
        Gate::authorize('view', $bank);
        $file = $request->file('file');
        if ($file instanceof UploadedFile) {
            $filter = $request->input('filter');
            $here = $comparison->ofBank($bank, is_string($filter) ? mb_substr($filter, 0, 20_000) : '');
            $there = $comparison->ofFile($file->getPathname(), $file->getClientOriginalName());
        } else {
            $fields = Fields::of(Json::decode($request->getContent()), '', ['filter', 'with', 'with_filter'])->need('with');
            $other = Bank::query()->where('slug', $fields->string('with', '', 100))->first() ?? abort(404);
            Gate::authorize('view', $other);
            $here = $comparison->ofBank($bank, $fields->string('filter', '', 20_000));
            $there = $comparison->ofBank($other, $fields->string('with_filter', '', 20_000));
        }

        return new JsonResponse(Json::encode(['data' => $comparison->of($here, $there)]), json: true);
    }

    #[Operation(
        'Take over, as revisions of questions here, the content of questions of another bank',
        response: ['changed' => 'number', 'left' => 'SkippedByTitle[]'],
        body: ['pairs' => 'object[]'],
    )]
    public function take(Request $request, Bank $bank, TakeOver $take): JsonResponse
    {
        Gate::authorize('write', $bank);
        $pairs = [];
        foreach (Fields::of(Json::decode($request->getContent()), '', ['pairs'])->need('pairs')->list('pairs', self::MOST) as $i => $one) {
            $pair = Fields::of($one, "/pairs/$i", ['here', 'there'])->need('here')->need('there');
            $pairs[] = [$pair->uuid('here'), $pair->uuid('there')];
        }

        return new JsonResponse($take->handle($bank, $pairs, User::asking($request)));
    }
}
