<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\OrderPrint;
use App\Actions\Assembly\PrintAssessment;
use App\Actions\Assembly\WriteDocument;
use App\Http\Files\FileName;
use App\Http\OpenApi\Operation;
use App\Infrastructure\PostgresArray;
use App\Models\Assessment;
use App\Models\FormSet;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Printing\ChosenForm;
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

/**
 * An assessment on paper.
 *
 * @phpstan-type PrintRow object{id: string, questions: string, which: string, forms: string, sha256: string, pages: int,
 *     outline: string}&\stdClass
 */
final class PrintController
{
    private const LONGEST = 100;

    /** More papers than these are printed in the background. */
    private const AT_ONCE = 3;

    #[Operation(
        'A paper as a document for the screen; which: cover, learner, answers, key, keys, scheme, notes, author, contents, or several '.
        'with commas between; set and forms: of which set of forms, and which of them, by commas',
        response: ['html' => 'string'],
    )]
    public function sheet(Request $request, Assessment $assessment, SheetPage $page): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $which = self::which($request->query('which'));
        [$forms] = self::forms($assessment, $request->query('set'), $request->query('forms'));
        $person = User::asking($request);
        $settings = self::settingsFor($assessment, $person);

        return new JsonResponse([
            'html' => $page->html($assessment, $person, $which, $settings, false, $forms)->html,
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
        'Print papers; which, set and forms as for the screen. The same content is printed once. outline: where questions stand. Many '.
        'papers are printed in the background: then there is an order to ask about',
        response: ['id' => 'string?', 'pages' => 'number?', 'outline' => 'PrintedPaper[]?', 'order' => 'string?'],
        body: ['which' => 'string', 'set' => 'uuid?', 'forms' => 'string?'],
    )]
    public function store(Request $request, Assessment $assessment, PrintAssessment $print, OrderPrint $order): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $person = User::asking($request);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['which', 'set', 'forms']);
        $which = self::which($fields->string('which', 'learner', self::LONGEST));
        $set = $fields->raw('set') === null ? null : Fields::asUuid($fields->raw('set'), '/set');
        [$forms, $of] = self::forms($assessment, $set, $fields->string('forms', '', self::LONGEST));
        if (PaperKind::count($which, count($forms)) > self::AT_ONCE) {
            return new JsonResponse(['order' => $order->handle($assessment, $person, $which, $forms, $of)], 202);
        }

        return new JsonResponse($print->handle($assessment, $person, $which, $forms, $of));
    }

    #[Operation(
        'How far papers are that are printed in the background: of done and total, each paper counts twice; print once they are there',
        response: ['done' => 'number', 'total' => 'number', 'problem' => 'string?', 'print' => 'PrintMade?'],
    )]
    public function ordered(Request $request, Assessment $assessment, string $order): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $person = User::asking($request);
        /** @var (object{done: int, total: int, problem: string|null, print_id: string|null}&\stdClass)|null $row */
        $row = DB::table('print_orders')
            ->where('assessment_id', $assessment->id)
            ->where('id', $order)
            ->where('user_id', $person->id)
            ->first();
        if ($row === null) {
            abort(404);
        }
        $print = $row->print_id === null ? null : $this->row($assessment, $row->print_id, $person);

        return new JsonResponse([
            'done' => $row->done,
            'total' => $row->total,
            'problem' => $row->problem,
            'print' => $print === null ? null : [
                'id' => $print->id, 'pages' => $print->pages, 'outline' => Json::decode($print->outline),
            ],
        ]);
    }

    #[Operation(
        'Papers as one file: format html (everything in it; the default), or docx or odt, which can be changed; which, set and forms as '.
        'for the screen',
    )]
    public function file(Request $request, Assessment $assessment, SheetPage $page, WriteDocument $write): Response
    {
        Gate::authorize('view', $assessment);
        $which = self::which($request->query('which'));
        [$forms] = self::forms($assessment, $request->query('set'), $request->query('forms'));
        $format = $request->query('format') ?? 'html';
        if (! is_string($format) || $format !== 'html' && ! isset(WriteDocument::FORMATS[$format])) {
            throw Malformed::notOneOf('/format', ['html', ...array_keys(WriteDocument::FORMATS)], $format);
        }
        $person = User::asking($request);
        $made = $page->html($assessment, $person, $which, self::settingsFor($assessment, $person), true, $forms);
        $bytes = $format === 'html' ? $made->html : $write->handle($made->body, $assessment->stored()->language, $format);
        $letters = implode(',', array_map(fn (ChosenForm $one): string => $one->form->letter, $forms));
        $suffix = self::suffix(implode(',', array_column($which, 'value')), $letters);

        return new Response($bytes, 200, [
            'Content-Type' => WriteDocument::FORMATS[$format] ?? 'text/html; charset=utf-8',
            'Content-Disposition' => FileName::attachment($assessment->title, $assessment->id, "$suffix.$format"),
        ]);
    }

    private static function settingsFor(Assessment $assessment, User $person): PrintSettings
    {
        return PrintSettings::read(Json::decode(SheetPage::settingsFor($assessment, $person)), '');
    }

    /**
     * @param  mixed  $set  an identifier; null or '' for the assessment as it stands
     * @param  mixed  $letters  "A,C"; none for all
     * @return array{list<ChosenForm>, string|null}
     *
     * @throws Malformed
     */
    public static function forms(Assessment $assessment, mixed $set, mixed $letters): array
    {
        if ($set === null || $set === '') {
            return [[], null];
        }
        $found = FormSet::query()->where('assessment_id', $assessment->id)->find(Fields::asUuid($set, '/set')) ?? abort(404);
        $all = array_column($found->made()->forms, 'letter');
        $wanted = is_string($letters) && $letters !== '' ? explode(',', $letters) : $all;
        foreach (array_diff($wanted, $all) as $unknown) {
            throw Malformed::notOneOf('/forms', $all, $unknown);
        }

        return [ChosenForm::of($found, implode(',', $wanted)), $found->id];
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

    /** What the name of a file ends with: "-key-A-B". @param  string  $which  as it is stored */
    public static function suffix(string $which, string $forms): string
    {
        $names = array_filter(explode(',', $which), fn (string $name): bool => $name !== PaperKind::Learner->value);

        return implode('', array_map(fn (string $name): string => "-$name", array_filter([...$names, ...explode(',', $forms)])));
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
                self::suffix($row->which, $row->forms).'.pdf',
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

        $isSmall = $request->query('size') === 'small';

        return new Response($printer->picture($row->sha256, $page, $isSmall ? 24 : 110), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    /**
     * A print is for whoever made it, as long as they may read every question in it.
     *
     * @return PrintRow
     */
    private function row(Assessment $assessment, string $print, User $person): \stdClass
    {
        /** @var PrintRow $row */
        $row =
            DB::table('prints')->where('assessment_id', $assessment->id)->where('id', $print)->where('user_id', $person->id)->first() ??
            abort(404);

        return ReadableIds::of($person)->readsAll(PostgresArray::read($row->questions)) ? $row : abort(404);
    }
}
