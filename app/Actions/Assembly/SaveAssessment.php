<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\User;
use App\Policies\BlueprintTerms;
use App\Policies\DrawConditions;
use App\Policies\ReadableIds;
use App\Queries\DrawPools;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\Pick;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/**
 * Stores an assessment: a new one, or the next version of one that is there. A question or stimulus that it did not name before
 * has to be readable by the person who saves it.
 */
final readonly class SaveAssessment
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  Document|null  $like  the assessment it was copied from; what that names may stay
     * @param  Blueprint|null  $from  the blueprint it was assembled from; what that names may stay
     *
     * @throws \WideQuarry\Json\Malformed|Refused
     */
    public function create(\stdClass $json, string $bankId, User $person, ?Document $like = null, ?Blueprint $from = null): Assessment
    {
        $document = $this->read($json, $person, $like, $from);
        if (Assessment::query()->whereKey($document->id)->exists()) {
            throw Refused::because('assessment.exists', Message::of('app.actions.assembly.assessment-identifier-exists-already'), '/id');
        }

        /** @var Assessment */
        return DB::transaction(function () use ($document, $bankId, $person): Assessment {
            $assessment = Assessment::query()->create([
                'id' => $document->id,
                'bank_id' => $bankId,
                'created_by' => $person->id,
                ...self::columns($document),
            ]);
            $this->uses($document, $person);
            KeptRevisions::keep($document->id, Json::encode($document->toJson()), $person);

            return $assessment->refresh();
        });
    }

    /**
     * @param  int  $base  the version it was started from
     * @param  'draft'|'ready'|'used'|'archived'|null  $state  null for a change of what it asks, which those that were used refuse
     * @param  int|null  $broughtBack  the revision whose content it is; what that names may stay
     * @return bool false when somebody else has saved since, and nothing was stored
     *
     * @throws \WideQuarry\Json\Malformed|Refused
     */
    public function revise(
        Assessment $assessment,
        \stdClass $json,
        int $base,
        User $person,
        ?int $broughtBack = null,
        ?string $state = null,
    ): bool {
        $json = clone $json;
        unset($json->state); // who changes one that was ready has it checked again
        if ($state !== null && $state !== 'draft') {
            $json->state = $state;
        }
        $before = $broughtBack === null ? $assessment->stored() : Document::read($json, $this->kinds);
        $document = $this->read($json, $person, $before);
        if ($document->id !== $assessment->id) {
            throw Refused::because('assessment.other_id', Message::of('app.actions.assembly.identifier-not-assessment-address'), '/id');
        }

        /** @var bool */
        return DB::transaction(function () use ($assessment, $document, $base, $person, $broughtBack, $state): bool {
            KeptRevisions::begin($assessment);
            $stored = Assessment::query()
                ->whereKey($assessment->id)
                ->where('version', $base)
                ->when($state === null, fn (Builder $query) => $query->whereNull('binned_at')->whereIn('state', ['draft', 'ready']))
                ->update(['version' => $base + 1, 'updated_at' => now(), ...self::columns($document)]);
            if ($stored === 1) {
                $this->uses($document, $person);
                KeptRevisions::keep($document->id, Json::encode($document->toJson()), $person, $broughtBack);
            }

            return $stored === 1;
        });
    }

    /** @throws \WideQuarry\Json\Malformed|Refused */
    private function read(\stdClass $json, User $person, ?Document $before, ?Blueprint $from = null): Document
    {
        $document = Document::read($json, $this->kinds);
        $readable = ReadableIds::of($person);
        $readable->allowQuestions($document->namedQuestions(), self::stood($document, $before));
        DrawConditions::allow($document, $before, $person);
        if ($document->blueprint !== null) {
            self::allowBlueprint($document->blueprint, $from ?? $before?->blueprint, $person);
        }
        $readable->allowStimuli($document->namedStimuli(), array_values($before?->namedStimuli() ?? []));
        $pins = fn (string $question, int $revision): array => $readable->questions([$question]) === []
            ? []
            : self::stimuli($question, $revision);

        return Document::read($document->pinned($pins), $this->kinds);
    }

    /** @throws \WideQuarry\Json\Malformed|Refused */
    private static function allowBlueprint(Blueprint $blueprint, ?Blueprint $before, User $person): void
    {
        try {
            BlueprintTerms::allow($blueprint, $before, $person);
        } catch (Refused $refused) {
            throw $refused->under('/blueprint');
        }
    }

    /** @return list<string> questions that may stay; what conditions found is looked up only where they are to grow no more */
    private static function stood(Document $document, ?Document $before): array
    {
        $stood = $before?->questions() ?? [];
        $isSettled = $before !== null && count($before->growing()) > count($document->growing());

        return $isSettled ? DrawPools::grow($before)->questions() : $stood;
    }

    /** @return array<string, int> stimulus that a revision of a question shows → its newest revision */
    private static function stimuli(string $question, int $revision): array
    {
        /** @var list<object{id: string, revision: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT stimuli.id, stimuli.revision FROM revisions CROSS
                JOIN LATERAL jsonb_array_elements_text(coalesce(content->'stimuli', '[]')) AS named (id)
            JOIN stimuli ON stimuli.id::text = named.id WHERE question_id = ? AND number = ?
            SQL,
            [$question, $revision],
        );

        return array_column($rows, 'revision', 'id');
    }

    /** @return array<string, mixed> */
    private static function columns(Document $document): array
    {
        return [
            'title' => $document->title,
            'state' => $document->state,
            'asked' => $document->length(),
            'content' => Json::encode($document->toJson()),
        ];
    }

    /** Which questions it picks or has in the list of a draw, and who put each there. What merely meets conditions is not used. */
    private function uses(Document $document, User $person): void
    {
        $uses = array_map(fn (Pick $pick): array => [$pick->id, $pick->question], $document->picks());
        foreach ($document->draws() as $draw) {
            array_push($uses, ...array_map(fn (string $question): array => [$draw->id, $question], $draw->listed()));
        }
        /** @var list<object{entry: string, question_id: string, user_id: string|null}&\stdClass> $stored */
        $stored = DB::table('assessment_uses')
            ->where('assessment_id', $document->id)
            ->orderBy('position')
            ->get(['entry', 'question_id', 'user_id'])
            ->all();
        if ($uses === array_map(fn (\stdClass $row): array => [$row->entry, $row->question_id], $stored)) {
            return; // a title or points were changed, as is most often
        }
        $before = array_column($stored, 'user_id', 'question_id');
        DB::table('assessment_uses')->where('assessment_id', $document->id)->delete();
        foreach (array_chunk($uses, 500, true) as $some) {
            DB::table('assessment_uses')->insert(
                array_map(
                    fn (array $use, int $i): array => [
                        'assessment_id' => $document->id,
                        'entry' => $use[0],
                        'question_id' => $use[1],
                        'position' => $i,
                        'title' => '',
                        'user_id' => array_key_exists($use[1], $before) ? $before[$use[1]] : $person->id,
                    ],
                    $some,
                    array_keys($some),
                ),
            );
        }
    }
}
