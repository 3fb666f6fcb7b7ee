<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\PrintAssessment;
use App\Http\Files\FileName;
use App\Http\OpenApi\Operation;
use App\Infrastructure\PostgresArray;
use App\Models\Assessment;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Printing\SheetPage;
use App\Queries\EntryRolls;
use App\Storage\FileStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintSettings;

/** An assessment on paper. */
final class PrintController
{
    private const LONGEST = 100;

    #[Operation(
        'A paper as a document for the screen; which: learner, key, scheme, notes, or several with commas between',
        response: ['html' => 'string'],
    )]
    public function sheet(Request $request, Assessment $assessment, SheetPage $page): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $which = self::which($request->query('which'));

        return new JsonResponse([
            'html' => $page->html($assessment, User::asking($request), $which, SheetPage::settings($assessment), false),
        ]);
    }

    #[Operation('The rolls of its questions as they stand on paper', response: ['data' => 'EntryRoll[]'])]
    public function rolls(Request $request, Assessment $assessment, EntryRolls $rolls): JsonResponse
    {
        Gate::authorize('view', $assessment);

        return new JsonResponse(['data' => $rolls->of($assessment, User::asking($request))]);
    }

    #[Operation('Set how it stands on paper', body: ['settings' => 'object'], status: 204)]
    public function settings(Request $request, Assessment $assessment): JsonResponse
    {
        Gate::authorize('update', $assessment);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['settings'])->need('settings');
        PrintSettings::read($fields->raw('settings'), '/settings');
        $assessment->update(['print' => Json::encode($fields->raw('settings'))]);

        return new JsonResponse(null, 204);
    }

    #[Operation(
        'Print papers; which: learner, key, scheme, notes, or several with commas between. The same content is printed once',
        response: ['id' => 'string', 'pages' => 'number'],
        body: ['which' => 'string'],
    )]
    public function store(Request $request, Assessment $assessment, PrintAssessment $print): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $which = Fields::of(Json::decode($request->getContent()), '', ['which'])->string('which', 'learner', self::LONGEST);

        return new JsonResponse($print->handle($assessment, User::asking($request), self::which($which)));
    }

    #[Operation('Papers as one HTML file with everything in it; which as for a print')]
    public function html(Request $request, Assessment $assessment, SheetPage $page): Response
    {
        Gate::authorize('view', $assessment);
        $which = self::which($request->query('which'));
        $html = $page->html($assessment, User::asking($request), $which, SheetPage::settings($assessment), true);

        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Content-Disposition' => FileName::attachment($assessment->title, $assessment->id, self::suffix($which).'.html'),
        ]);
    }

    /**
     * @return list<PaperKind>
     *
     * @throws Malformed
     */
    private static function which(mixed $asked): array
    {
        $names = array_column(PaperKind::cases(), 'value');

        return PaperKind::list(is_string($asked) ? $asked : PaperKind::Learner->value)
            ?? throw Malformed::notOneOf('/which', $names, $asked);
    }

    /** @param  list<PaperKind>  $which */
    private static function suffix(array $which): string
    {
        $names = array_filter(array_column($which, 'value'), fn (string $name): bool => $name !== PaperKind::Learner->value);

        return $names === [] ? '' : '-'.implode('-', $names);
    }

    #[Operation('A printed sheet as PDF')]
    public function pdf(Request $request, Assessment $assessment, string $print, FileStore $files): Response
    {
        Gate::authorize('view', $assessment);
        $row = $this->row($assessment, $print, User::asking($request));

        return new Response((string) file_get_contents($files->path($row->sha256)), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => FileName::attachment(
                $assessment->title,
                $assessment->id,
                self::suffix(PaperKind::list(is_string($row->which) ? $row->which : '') ?? []).'.pdf',
            ),
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    #[Operation('A page of a printed sheet as a picture')]
    public function page(Request $request, Assessment $assessment, string $print, int $page, PrintAssessment $printer): Response
    {
        Gate::authorize('view', $assessment);
        $row = $this->row($assessment, $print, User::asking($request));
        if ($page < 1 || $page > $row->pages) {
            abort(404);
        }

        return new Response($printer->picture($row->sha256, $page), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    /** A print is for whoever made it, as long as they may read every question in it. */
    private function row(Assessment $assessment, string $print, User $person): \stdClass
    {
        $row =
            DB::table('prints')->where('assessment_id', $assessment->id)->where('id', $print)->where('user_id', $person->id)->first() ??
            abort(404);

        return ReadableIds::of($person)->readsAll(PostgresArray::read($row->questions)) ? $row : abort(404);
    }
}
