<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Standards\ChangeFramework;
use App\Actions\Standards\ReadFramework;
use App\Actions\Standards\StoreFramework;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\Frameworks;
use App\Queries\FrameworksAlike;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\HeaderUtils;
use WideQuarry\Interchange\Case\CaseWriter;
use WideQuarry\Interchange\Notice;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Framework;

/** Frameworks of standards of the organisation. Everybody may see them; those who keep a shared bank look after them. */
final class FrameworkController
{
    private const HOW = ['new', 'over', 'beside'];

    private const MOST_NOTICES = 200;

    #[Operation(
        'Frameworks, with how many questions name a statement of each',
        response: ['data' => 'FrameworkRow[]', 'keeps' => 'boolean'],
    )]
    public function index(Request $request): JsonResponse
    {
        $person = User::asking($request);

        return new JsonResponse(['data' => Frameworks::all($person), 'keeps' => Frameworks::keptBy($person)]);
    }

    #[Operation(
        'Bring a framework in (multipart: file or text, and name): CASE JSON, a table or an outline. Without how only what it would do is '
            .'said; how=new stores it, how=over and how=beside with the one it is a newer state or version of (framework)',
        response: ['read' => 'FrameworkRead[]', 'notices' => 'Notice[]', 'stored' => 'string[]'],
    )]
    public function store(Request $request, ReadFramework $read, StoreFramework $store): JsonResponse
    {
        $person = self::keeper($request);
        [$frameworks, $notices] = self::given($request, $read);
        $how = $request->input('how');
        $stored = [];
        if (is_string($how)) {
            Fields::of((object) ['how' => $how], '', ['how'])->oneOf('how', self::HOW, '');
            $earlier = $how === 'new' ? null : Fields::asUuid($request->input('framework'), '/framework');
            abort_if($earlier !== null && ! Frameworks::exists($earlier), 404);
            if ($earlier !== null && count($frameworks) > 1) {
                throw Refused::because('framework.several', Message::of('app.http.controllers.several-frameworks'), '/how');
            }
            DB::transaction(function () use ($frameworks, $earlier, $how, $store, $person, &$stored): void {
                foreach ($frameworks as $framework) {
                    $stored[] = match (true) {
                        $earlier === null => $store->asNew($framework, $person),
                        $how === 'over' => $store->over($framework, $earlier),
                        default => $store->beside($framework, $earlier, $person),
                    };
                }
            });
        }

        return new JsonResponse([
            'read' => array_map(fn (Framework $one): array => FrameworksAlike::describe($one), $frameworks),
            'notices' => array_slice($notices, 0, self::MOST_NOTICES),
            'stored' => $stored,
        ]);
    }

    /** @return array{list<Framework>, list<Notice>} from a file, or from what was pasted */
    private static function given(Request $request, ReadFramework $read): array
    {
        $file = $request->file('file');
        if ($file instanceof UploadedFile && $file->isValid()) {
            return $read->handle($file->path(), mb_scrub(basename($file->getClientOriginalName())));
        }
        $text = $request->input('text');
        if (! is_string($text) || trim($text) === '') {
            throw Refused::because('framework.missing', Message::of('app.http.controllers.give-a-framework'), '/file');
        }
        $name = $request->input('name');
        $name = is_string($name) && trim($name) !== '' ? mb_strcut(mb_scrub(basename($name)), 0, 200) : 'framework.txt';
        $path = (string) tempnam(sys_get_temp_dir(), 'framework');
        try {
            file_put_contents($path, $text);

            return $read->handle($path, $name);
        } finally {
            unlink($path);
        }
    }

    #[Operation('A framework with its statements in tree order', response: ['data' => 'WholeFramework'])]
    public function show(Request $request, string $framework): JsonResponse
    {
        $person = User::asking($request);
        $rows = array_values(array_filter(Frameworks::all($person), fn (\stdClass $row): bool => $row->id === $framework));

        return new JsonResponse([
            'data' => [
                ...(array) ($rows[0] ?? abort(404)),
                'statements' => Frameworks::statements($framework),
                'associations' => Frameworks::associations($framework),
                'keeps' => Frameworks::keptBy($person),
            ],
        ]);
    }

    #[Operation(
        'Change what a framework is called, or retire it',
        body: ['title' => 'string?', 'version' => 'string?', 'publisher' => 'string?', 'retired' => 'boolean?'],
        status: 204,
    )]
    public function update(Request $request, string $framework, ChangeFramework $change): Response
    {
        self::keeper($request);
        $change->handle($framework, Fields::of(Json::decode($request->getContent()), '', ChangeFramework::FIELDS));

        return new Response('', 204);
    }

    #[Operation('Delete a framework that nothing names', status: 204)]
    public function destroy(Request $request, string $framework, ChangeFramework $change): Response
    {
        self::keeper($request);
        $change->remove($framework);

        return new Response('', 204);
    }

    #[Operation('The framework as CASE JSON')]
    public function file(string $framework): Response
    {
        $whole = Frameworks::whole($framework) ?? abort(404);
        $name = preg_replace('/[^A-Za-z0-9]+/', '-', trim("$whole->title $whole->version"));

        return new Response(Json::pretty((new CaseWriter)->package($whole))."\n", 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', (trim((string) $name, '-') ?: 'framework').'.json'),
        ]);
    }

    public static function keeper(Request $request): User
    {
        $person = User::asking($request);
        abort_unless(Frameworks::keptBy($person), 403);

        return $person;
    }
}
