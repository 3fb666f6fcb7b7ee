<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\BlueprintQuestions;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Blueprints\Arrangement;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\BlueprintProblem;
use WideQuarry\Blueprints\SolveOptions;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Group;
use WideQuarry\Selection\Groups;

/**
 * Makes assessments of tests that were found for a blueprint: one for each, lettered where there are several, all or none.
 *
 * @phpstan-import-type Entry from Arrangement
 */
final readonly class MakeAssessments
{
    public function __construct(private SaveAssessment $save)
    {
    }

    /**
     * @param  list<list<string>>  $tests  their questions
     * @param  array<string, string>  $place  columns of where they lie
     * @return list<Assessment>
     *
     * @throws Refused
     */
    public function handle(Blueprint $blueprint, string $title, string $bankId, array $tests, Seed $seed, array $place, User $person): array
    {
        $questions = BlueprintQuestions::of($blueprint, $person);
        $ids = array_values(array_unique(array_merge(...$tests, ...[[]])));
        $revisions = ReadableIds::of($person)->questions($ids);
        $known = array_column($questions->named($ids), null, 'id');
        foreach ($tests as $t => $test) {
            foreach ($test as $i => $id) {
                if (! isset($known[$id], $revisions[$id])) {
                    throw Refused::because('question.gone', Message::of('app.policies.question-does-not-exist'), "/tests/$t/$i");
                }
            }
        }
        $groups = $blueprint->layout->as === 'draws' ? self::groups($blueprint, $questions, $seed, $ids) : [];
        $topics = $blueprint->layout->order === 'topic' ? self::topics($ids) : [];
        $json = $blueprint->toJson();
        $json->seed = $seed->value;

        $documents = [];
        foreach ($tests as $t => $test) {
            $taken = array_map(fn (string $id): Candidate => $known[$id], $test);
            $name = count($tests) === 1 ? $title : "$title ".chr(ord('A') + $t);
            $documents[] = $document = self::document($name, Arrangement::of($blueprint, $taken, $groups, $topics), $revisions);
            $document->blueprint = $json;
        }
        $made = [];
        DB::transaction(function () use ($documents, $bankId, $person, $blueprint, $place, &$made): void {
            foreach ($documents as $document) {
                $made[] = $assessment = $this->save->create($document, $bankId, $person, null, $blueprint);
                $assessment->update($place);
            }
        });

        return $made;
    }

    /**
     * @param  list<string>  $named
     * @return list<Group>
     */
    private static function groups(Blueprint $blueprint, BlueprintQuestions $questions, Seed $seed, array $named): array
    {
        $tallies = $questions->tallies();
        $pool = $questions->candidates($tallies, $named, $seed, 1, Arrangement::POOL);

        return Groups::of(BlueprintProblem::of($blueprint, $pool, Availability::of($blueprint, $tallies), new SolveOptions($seed)))->all;
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, string> question → its first topic, from the top down
     */
    private static function topics(array $ids): array
    {
        return array_map(fn (array $paths): string => implode("\n", $paths[0] ?? []), Topics::paths($ids));
    }

    /**
     * @param  list<array{title: string, entries: list<Entry>}>  $sections
     * @param  array<string, int>  $revisions
     */
    private static function document(string $title, array $sections, array $revisions): \stdClass
    {
        $document = Document::fresh((string) Str::uuid7(), $title);
        $document->sections = [];
        $draws = 0;
        foreach ($sections as $s => $section) {
            $entries = [];
            foreach ($section['entries'] as $entry) {
                $entries[] = isset($entry['question'])
                    ? (object) [
                        'id' => 'e-'.str_replace('-', '', $entry['question']),
                        'question' => $entry['question'],
                        'seen' => $revisions[$entry['question']],
                    ]
                    : (object) ['id' => 'd'.++$draws, ...$entry];
            }
            $document->sections[] = (object) [
                'id' => 's'.($s + 1),
                ...$section['title'] === '' ? [] : ['title' => $section['title']],
                'entries' => $entries,
            ];
        }
        if ($document->sections === []) {
            $document->sections = [(object) ['id' => 's1', 'entries' => []]];
        }

        return $document;
    }
}
