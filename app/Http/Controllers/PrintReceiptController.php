<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\KeepPrint;
use App\Http\Files\FileName;
use App\Http\OpenApi\Operation;
use App\Infrastructure\PostgresArray;
use App\Models\Assessment;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\PrintReceipts;
use App\Storage\FileStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** What was printed, kept so that it can be printed again as it was. */
final class PrintReceiptController
{
    #[Operation('Keep a print as a receipt: what it was made of, and its file', response: ['data' => 'PrintReceipt'], status: 201)]
    public function store(Request $request, Assessment $assessment, string $print, KeepPrint $keep): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $id = $keep->handle($assessment, User::asking($request), $print) ?? abort(404);

        return new JsonResponse(['data' => PrintReceipts::find($assessment, $id)], 201);
    }

    #[Operation('What was printed, the newest first', response: ['data' => 'PrintReceipt[]'])]
    public function index(Assessment $assessment): JsonResponse
    {
        Gate::authorize('view', $assessment);

        return new JsonResponse(['data' => PrintReceipts::of($assessment)]);
    }

    #[Operation('The PDF of a receipt, as it was printed')]
    public function pdf(Request $request, Assessment $assessment, string $receipt, FileStore $files): Response
    {
        Gate::authorize('view', $assessment);
        $row = DB::table('print_receipts')->where('assessment_id', $assessment->id)->where('id', $receipt)->first() ?? abort(404);
        /** @var object{questions: string, sha256: string, title: string, which: string, forms: string}&\stdClass $row */
        abort_unless(ReadableIds::of(User::asking($request))->readsAll(PostgresArray::read($row->questions)), 404);

        return new Response((string) file_get_contents($files->path($row->sha256)), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => FileName::attachment(
                $row->title,
                $assessment->id,
                PrintController::suffix($row->which, $row->forms).'.pdf',
            ),
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
