<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Models\Assessment;
use App\Models\User;
use App\Support\Refused;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\Pick;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;

/** Stores an assessment: a new one, or the next version of one that is there. */
final readonly class SaveAssessment
{
    public function __construct(private Parts $kinds)
    {
    }

    /** @throws \WideQuarry\Json\Malformed|Refused */
    public function create(\stdClass $json, string $bankId, User $person): Assessment
    {
        $document = $this->whole($json);
        if (Assessment::query()->whereKey($document->id)->exists()) {
            throw Refused::because('assessment.exists', 'There is an assessment with this identifier already.', '/id');
        }

        return DB::transaction(function () use ($document, $bankId, $person): Assessment {
            $assessment = Assessment::query()->create(['id' => $document->id, 'bank_id' => $bankId, 'title' => $document->title, 'state' => $document->state, 'asked' => $document->length(), 'content' => Json::encode($document->toJson()), 'created_by' => $person->id]);
            $this->uses($document, []);

            return $assessment->refresh();
        });
    }

    /**
     * @param  int  $base  the version it was started from
     * @return bool false when somebody else has saved since, and nothing was stored
     *
     * @throws \WideQuarry\Json\Malformed|Refused
     */
    public function revise(Assessment $assessment, \stdClass $json, int $base): bool
    {
        $document = $this->whole($json);
        if ($document->id !== $assessment->id) {
            throw Refused::because('assessment.other_id', 'The identifier is not that of the assessment at this address.', '/id');
        }

        return DB::transaction(function () use ($assessment, $document, $base): bool {
            $titles = DB::table('assessment_uses')->where('assessment_id', $assessment->id)->pluck('title', 'question_id')->all();
            $stored = Assessment::query()->whereKey($assessment->id)->where('version', $base)->update(['version' => $base + 1, 'title' => $document->title, 'state' => $document->state, 'asked' => $document->length(), 'content' => Json::encode($document->toJson()), 'updated_at' => now()]);
            $stored === 1 && $this->uses($document, $titles);

            return $stored === 1;
        });
    }

    /** @throws \WideQuarry\Json\Malformed */
    private function whole(\stdClass $json): Document
    {
        $named = fn (string $question, int $revision): array => DB::table('revisions')->crossJoin(DB::raw("LATERAL jsonb_array_elements_text(coalesce(content->'stimuli', '[]')) AS named (id)"))->join('stimuli', DB::raw('stimuli.id::text'), '=', 'named.id')->where('question_id', $question)->where('number', $revision)->pluck('stimuli.revision', 'stimuli.id')->all();

        return Document::read(Document::read($json, $this->kinds)->pinned($named), $this->kinds);
    }

    /**
     * Which questions it picks or may draw, with their titles as they are now; a question that is gone keeps the last one known.
     *
     * @param  array<mixed>  $known
     */
    private function uses(Document $document, array $known): void
    {
        $uses = array_map(fn (Pick $pick): array => [$pick->id, $pick->question], $document->picks());
        foreach ($document->draws() as $draw) {
            array_push($uses, ...array_map(fn (string $question): array => [$draw->id, $question], $draw->pool));
        }
        $titles = DB::table('questions')->whereIn('id', $document->questions())->pluck('title', 'id')->all();
        DB::table('assessment_uses')->where('assessment_id', $document->id)->delete();
        foreach (array_chunk($uses, 500, true) as $some) {
            DB::table('assessment_uses')->insert(array_map(fn (array $use, int $i): array => ['assessment_id' => $document->id, 'entry' => $use[0], 'question_id' => $use[1], 'position' => $i, 'title' => $titles[$use[1]] ?? $known[$use[1]] ?? ''], $some, array_keys($some)));
        }
    }
}
