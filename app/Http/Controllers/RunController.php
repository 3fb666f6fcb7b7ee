<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\Assessment;
use App\Models\User;
use App\Printing\SheetPage;
use App\Queries\AskedAssessment;
use App\Queries\Stimuli;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Assembly\Pick;
use WideQuarry\Content\Tree;
use WideQuarry\CoreException;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Presentation\ReadingLoad;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Rehearsal\Given;
use WideQuarry\Rehearsal\LearnerRun;
use WideQuarry\Scoring\Scorer;

/** An assessment rehearsed as a learner goes through it. Nothing is stored about anybody. */
final class RunController
{
    private const BYTES = 4_000_000;

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    #[Operation('What one learner is asked, in order and under the settings; seed: which learner', response: ['data' => 'RunPlan'])]
    public function show(Request $request, Assessment $assessment): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $seed = Seed::of(min(max(0, $request->integer('seed', 1)), Seed::MAX));
        $asked = $this->asked($assessment, $seed->value, User::asking($request));
        $run = new LearnerRun($asked->document, $asked->questions, $asked->points(), $seed, $request->boolean('practise'));
        $questions = [];
        foreach ($asked->document->picks() as $pick) {
            if (isset($asked->questions[$pick->id])) {
                $questions[$pick->id] = [
                    'question' => $asked->questions[$pick->id]->content(),
                    'bank' => $asked->entries->bankOf($pick),
                    'stored' => $pick->variation === null,
                ];
            }
        }

        return new JsonResponse(Json::encode(['data' => [...$run->plan(), 'asked' => (object) $questions]]), json: true);
    }

    #[Operation(
        'What a learner comes to, with the trace; given: entry to response, earlier wrong tries and hints',
        response: ['data' => 'RunReport'],
        body: ['seed' => 'integer', 'practise' => 'boolean?', 'given' => 'object'],
    )]
    public function report(Request $request, Assessment $assessment, Scorer $scorer): JsonResponse
    {
        Gate::authorize('view', $assessment);
        abort_if(strlen($request->getContent()) > self::BYTES, 413);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['seed', 'practise', 'given'])->need('given');
        $seed = $fields->int('seed', 1, 0, Seed::MAX);
        $asked = $this->asked($assessment, $seed, User::asking($request));
        $given = self::given($fields, array_map(fn (Pick $pick): string => $pick->id, $asked->document->picks()));
        $isPractising = $fields->bool('practise', false);
        $run = new LearnerRun($asked->document, $asked->questions, $asked->points(), Seed::of($seed), $isPractising);

        return new JsonResponse(Json::encode(['data' => $run->report($scorer, $given)]), json: true);
    }

    #[Operation('How many words a learner reads, by section; of draws one drawing', response: ['data' => 'ReadingLoad'])]
    public function reading(Request $request, Assessment $assessment, Presenter $presenter): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $person = User::asking($request);
        $asked = AskedAssessment::of($assessment, Seed::of(1), $person, $this->kinds);
        $sections = $shown = [];
        foreach ($asked->document->sections as $section) {
            $words = 0;
            foreach ($section->picks as $pick) {
                $question = $asked->questions[$pick->id] ?? null;
                $shown += array_fill_keys($question->stimuli ?? [], true);
                $words += $question === null ? 0 : self::words($question, $presenter);
            }
            $sections[] = ['id' => $section->id, 'title' => $section->title, 'words' => $words];
        }
        $stimuli = Stimuli::shown(array_map(strval(...), array_keys($shown)), $person);
        $alone = array_map(fn (\stdClass $one): int => ReadingLoad::inTree(Tree::of($one->body)), $stimuli);

        return new JsonResponse([
            'data' => [
                'words' => array_sum($alone) + array_sum(array_column($sections, 'words')),
                'stimuli' => array_sum($alone),
                'sections' => $sections,
            ],
        ]);
    }

    private static function words(Question $question, Presenter $presenter): int
    {
        try {
            return ReadingLoad::words($presenter->present($question, Seed::of(1)));
        } catch (CoreException) {
            return 0; // it cannot be shown yet, which is said where it stands
        }
    }

    /**
     * @param  list<string>  $entries
     * @return array<string, Given>
     *
     * @throws Malformed
     */
    private static function given(Fields $fields, array $entries): array
    {
        $given = [];
        $raw = $fields->raw('given');
        if (! $raw instanceof \stdClass) {
            throw Malformed::wrongType($fields->at('given'), Message::of('app.http.controllers.entry-to-response'), $raw);
        }
        foreach (get_object_vars($raw) as $entry => $answer) {
            if (! in_array((string) $entry, $entries, true)) {
                throw Malformed::unknownField("/given/$entry", (string) $entry);
            }
            $given[(string) $entry] = Given::read($answer, "/given/$entry");
        }

        return $given;
    }

    /** @throws Refused when a question is gone, or this person may not view it */
    private function asked(Assessment $assessment, int $seed, User $person): AskedAssessment
    {
        $asked = AskedAssessment::of($assessment, Seed::of($seed), $person, $this->kinds);
        $missing = $asked->entries->missing();
        if ($missing !== []) {
            throw Refused::because('assessment.missing', SheetPage::refusal('rehearsed', $missing));
        }

        return $asked;
    }
}
