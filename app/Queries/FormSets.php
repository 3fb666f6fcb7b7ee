<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use App\Models\FormSet;
use App\Models\User;
use App\Policies\ReadableIds;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Forms\Form;
use WideQuarry\Forms\FormEntry;

/** The forms of an assessment, for one reader: keys of questions they may not read are left out. */
final readonly class FormSets
{
    /** @return list<array<mixed>> the newest first, as FormSetRow */
    public static function of(Assessment $assessment): array
    {
        /** @var list<\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT form_sets.id, to_char(made_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS made_at, users.name AS made_by,
                seed, longest_run, jsonb_array_length(made->'forms') AS count
            FROM form_sets LEFT JOIN users ON users.id = made_by WHERE assessment_id = ?
            ORDER BY form_sets.made_at DESC, form_sets.id DESC
            SQL,
            [$assessment->id],
        );

        return array_map(fn (\stdClass $row): array => (array) $row, $rows);
    }

    /** @return array<string, mixed> */
    public static function shown(FormSet $set, Assessment $assessment, User $person): array
    {
        $made = $set->made();
        $questions = array_values(
            array_unique(array_merge(...array_map(fn (Form $form): array => array_column($form->entries, 'question'), $made->forms))),
        );
        $now = ReadableIds::of($person)->questions($questions);
        $titles = array_column(
            DB::select("SELECT id, coalesce(nullif(title, ''), stem) AS title FROM questions WHERE id = ANY (?::uuid[])", [
                '{'.implode(',', array_keys($now)).'}',
            ]),
            'title',
            'id',
        );
        $was = $set->revisions();
        $isNewer = fn (int $revision, string $id): bool => ($was[$id] ?? $revision) < $revision;

        return [
            'id' => $set->id,
            'made_at' => $set->made_at->toIso8601ZuluString(),
            'made_by' => DB::table('users')->where('id', $set->made_by)->value('name'),
            'seed' => $set->seed,
            'longest_run' => $set->longest_run,
            'forms' => array_map(
                fn (Form $form): array => [
                    ...get_object_vars($form->jsonSerialize()),
                    'balance' => (object) $form->balance(),
                    'entries' => array_map(fn (FormEntry $entry): array => self::entry($entry, $now), $form->entries),
                ],
                $made->forms,
            ),
            'limits' => $made->limits,
            'titles' => (object) array_intersect_key($titles, $now),
            'changed' => array_keys(array_filter($now, $isNewer, ARRAY_FILTER_USE_BOTH)),
            'is_current' => self::isCurrent($set->document(), $assessment->document()),
        ];
    }

    /** Whether the assessment still asks what the forms ask, in what may be another order. */
    private static function isCurrent(Document $then, Document $now): bool
    {
        $asks = fn (Document $one): array => array_merge(...array_map(
            fn (Section $section): array => array_map(
                fn (Pick|Draw $entry): array => [$entry->id, $entry instanceof Pick ? $entry->question : $entry->count],
                $section->entries,
            ),
            $one->sections,
        ), ...[[]]);

        return $asks($then) === $asks($now);
    }

    /**
     * @param  array<string, int>  $readable
     * @return array<mixed>
     */
    private static function entry(FormEntry $entry, array $readable): array
    {
        $isReadable = isset($readable[$entry->question]);

        return [
            ...get_object_vars($entry->jsonSerialize()),
            'options' => (object) ($isReadable ? $entry->options : []),
            'key' => (object) ($isReadable ? $entry->key : []),
        ];
    }
}
