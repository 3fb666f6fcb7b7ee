<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Intake;
use App\Queries\DocumentPage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;

/** A typed document of an intake beside its questions. */
final class DocumentController
{
    #[Operation('The document as it was read, with what was made of each stretch', response: ['data' => 'TypedDocument'])]
    public function show(Request $request, Intake $intake, string $file, DocumentPage $page): JsonResponse
    {
        Gate::authorize('work', $intake);
        $from = $request->query('from');
        $data = $page->of($intake->id, $file, is_string($from) && ctype_digit($from) && strlen($from) < 8 ? (int) $from : 0);
        abort_if($data === null, 404);

        return new JsonResponse(Json::encode(['data' => $data]), json: true);
    }
}
