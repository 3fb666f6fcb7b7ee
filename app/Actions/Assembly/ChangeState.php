<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\AssessmentRevisions;
use App\Queries\ReadyQuestions;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\Pick;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\PrintSettings;

/**
 * Draft, ready, used, archived. Only what was checked becomes ready; what was used stays as it was then, with the questions at their
 * revisions.
 */
final readonly class ChangeState
{
    private const MOST_OCCASIONS = 500;

    public function __construct(private SaveAssessment $save)
    {
    }

    /**
     * @param  string  $state  draft, ready or archived; draft also takes back that it was archived; one that was used is used again then
     * @return bool false when somebody else has saved since
     *
     * @throws Refused when it is not ready, or was used
     */
    public function change(Assessment $assessment, int $base, string $state, User $person): bool
    {
        $isUsed = DB::table('assessment_occasions')->where('assessment_id', $assessment->id)->exists();
        if ($state === 'ready') {
            $this->allowReady($assessment->document(), $person);
        }
        if ($isUsed && $state !== 'archived') {
            $state = $state === 'draft' && $assessment->state === 'archived' ? 'used' : throw Refused::because(
                'assessment.used',
                Message::of('app.actions.assembly.used-already'),
                '/state',
            );
        }

        $state = in_array($state, ['ready', 'used', 'archived'], true) ? $state : 'draft';

        return $this->save->revise($assessment, $assessment->document()->toJson(), $base, $person, state: $state);
    }

    /**
     * Notes that it was used. From then on it is pinned and cannot be changed.
     *
     * @param  string  $date  YYYY-MM-DD
     * @return bool false when somebody else has saved since
     *
     * @throws Refused when it is not ready
     */
    public function used(Assessment $assessment, int $base, string $date, string $group, User $person): bool
    {
        $document = $assessment->document();
        $this->allowReady($document, $person);

        return (bool) DB::transaction(function () use ($assessment, $document, $base, $date, $group, $person): bool {
            $revisions = AssessmentRevisions::newest($document);
            $isFirst = $assessment->state !== 'used';
            if ($isFirst && ! $this->save->revise($assessment, $document->allPinned($revisions), $base, $person, state: 'used')) {
                return false;
            }
            if (DB::table('assessment_occasions')->where('assessment_id', $assessment->id)->count() >= self::MOST_OCCASIONS) {
                $why = Message::of('app.actions.assembly.used-too-often', ['most' => self::MOST_OCCASIONS]);

                throw Refused::because('assessment.occasions', $why);
            }
            DB::table('assessment_occasions')->insert([
                'id' => (string) Str::uuid7(),
                'assessment_id' => $assessment->id,
                'used_on' => $date,
                'with_whom' => $group,
                'asked' => Json::encode(self::asked($assessment->refresh()->document(), $revisions, $assessment->print)),
                'print' => $assessment->print,
                'recorded_by' => $person->id,
            ]);

            return true;
        });
    }

    /** That it was not used after all. @return bool false when somebody else has saved since */
    public function unused(Assessment $assessment, int $base, User $person): bool
    {
        return (bool) DB::transaction(function () use ($assessment, $base, $person): bool {
            $isStored = $this->save->revise($assessment, $assessment->document()->toJson(), $base, $person, state: 'draft');
            if ($isStored) {
                DB::table('assessment_occasions')->where('assessment_id', $assessment->id)->delete();
            }

            return $isStored;
        });
    }

    /** @throws Refused naming the first thing that keeps it from being ready */
    private function allowReady(Document $document, User $person): void
    {
        foreach (ReadyQuestions::check($document, $person) as $finding) {
            if ($finding->isBlocking()) {
                throw Refused::because('assessment.not_ready', $finding->message, '/state');
            }
        }
    }

    /**
     * @param  array<string, array{int, int|null}>  $revisions
     * @return list<array{entry: string, question: string, revision: int|null}> of a draw the drawing of the roll that is printed
     */
    private static function asked(Document $document, array $revisions, string $print): array
    {
        $asked = [];
        $settings = PrintSettings::read(Json::decode($print), '/print');
        foreach ($document->sections as $section) {
            foreach ($section->entries as $entry) {
                foreach ($entry instanceof Draw ? $entry->drawn($settings->seedOf($entry->id)) : [$entry->question] as $question) {
                    $revision = ($entry instanceof Pick ? $entry->revision : null) ?? $revisions[$question][0] ?? null;
                    $asked[] = ['entry' => $entry->id, 'question' => $question, 'revision' => $revision];
                }
            }
        }

        return $asked;
    }
}
