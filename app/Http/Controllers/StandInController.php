<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Files\FileName;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Policies\DispatchRights;
use App\Storage\FileStore;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use StandIns\ReceivingDesk\Desk;
use StandIns\SendingDesk\Desk as SendingDesk;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Other systems in small: the receiving desk, to which a dispatch can be handed, and the sending desk, which hands out old quizzes. */
final class StandInController
{
    public function show(): View
    {
        return view('standins.receiving', [
            'arrivals' => $this->desk()->arrivals(),
            'versions' => Desk::VERSIONS,
            'most' => Desk::MOST_ITEMS,
            'largest' => Desk::LARGEST,
            'interactions' => array_values(Desk::INTERACTIONS),
            'names' => Desk::INTERACTIONS,
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $given = $request->file('package');
        if (! ($given instanceof UploadedFile) || ! $given->isValid()) {
            abort(422, Message::of('app.http.controllers.hand-package'));
        }
        $arrival = $this->desk()->receive($given->getPathname(), $given->getClientOriginalName());

        return redirect("/stand-ins/receiving#{$arrival['id']}");
    }

    public function sending(): View
    {
        abort_unless(config('app.demo') === true, 404);

        return view('standins.sending', ['quizzes' => (new SendingDesk)->quizzes()]);
    }

    /** What the sending desk gives away. */
    public function sent(string $file): Response
    {
        abort_unless(config('app.demo') === true, 404);
        $desk = new SendingDesk;

        return match ($file) {
            'flat.zip', 'draws.zip' => new Response($desk->export($file === 'flat.zip'), 200, [
                'Content-Type' => 'application/zip',
                'Content-Disposition' => "attachment; filename=\"old-quizzes-$file\"",
            ]),
            'truth.csv' => new Response($desk->truth(), 200, [
                'Content-Type' => 'text/csv; charset=UTF-8',
                'Content-Disposition' => 'attachment; filename="old-quizzes-truth.csv"',
            ]),
            default => abort(404),
        };
    }

    /** The mail of the demo, which is sent nowhere. */
    public function outbox(): View
    {
        abort_unless(config('app.demo') === true, 404);

        return view('standins.outbox', ['mails' => DB::table('outbox')->orderByDesc('id')->limit(50)->get()]);
    }

    #[Operation('Hand a dispatch to the receiving desk of the demo; what it counted comes back', response: ['data' => 'Arrival'])]
    public function deliver(Request $request, string $dispatch, FileStore $files): JsonResponse
    {
        abort_unless(config('app.demo') === true, 404);
        /** @var object{id: string, title: string, format: string, what: string, sha256: string}&\stdClass $row */
        $row =
            DB::table('dispatches')
                ->where('id', $dispatch)
                ->where('user_id', User::asking($request)->id)
                ->whereNotNull('sha256')
                ->first() ?? abort(404);
        if (! DispatchRights::allow(User::asking($request), Json::object($row->what))) {
            abort(404);
        }
        $arrival = $this->desk()->receive($files->path($row->sha256), FileName::of($row->title, $row->id, "-$row->format.zip"));

        return new JsonResponse(['data' => [...$arrival, 'interactions' => (object) $arrival['interactions']]]);
    }

    private function desk(): Desk
    {
        abort_unless(config('app.demo') === true, 404);

        return new Desk(config()->string('app.receiving_desk'));
    }
}
