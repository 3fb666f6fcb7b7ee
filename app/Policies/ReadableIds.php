<?php

declare(strict_types=1);

namespace App\Policies;

use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/**
 * Looks up the ids that a person names in a request. Every id in a body goes through here: what the person may not read is
 * answered exactly as if it did not exist.
 */
final readonly class ReadableIds
{
    private function __construct(private User $person)
    {
    }

    public static function of(User $person): self
    {
        return new self($person);
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, int> question → its newest revision, in the order given; what is in the bin is left out
     */
    public function questions(array $ids): array
    {
        $found = [];
        /** @var list<object{id: string, revision: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT questions.id, revision FROM unnest(?::uuid[]) WITH ORDINALITY AS given (id, place)
                JOIN questions ON questions.id = given.id
            WHERE EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = questions.id OFFSET 0) ORDER BY place
            SQL,
            [self::array($ids), $this->person->id],
        );
        foreach ($rows as $row) {
            $found[$row->id] = $row->revision;
        }

        return $found;
    }

    /**
     * Whether they may read every one of these that still exists, in or out of the bin: asked of files that hold them.
     *
     * @param  array<mixed>  $ids
     */
    public function readsAll(array $ids): bool
    {
        return DB::scalar(
            <<<'SQL'
            SELECT EXISTS (
                SELECT 1 FROM questions WHERE id = ANY (?::uuid[]) AND bank_id NOT IN (SELECT bank_id FROM bank_roles(?)) AND NOT EXISTS (
                    SELECT 1 FROM placements JOIN folders ON folders.id = folder_id
                        WHERE question_id = questions.id AND folders.bank_id IN (SELECT bank_id FROM bank_roles(?))))
            SQL,
            [self::array(array_values(array_filter($ids, is_string(...)))), $this->person->id, $this->person->id],
        ) === false;
    }

    /**
     * @param  array<string, string>  $named  JSON Pointer → question
     * @param  list<string>  $before  what stood there already: it may stay, whatever became of it
     *
     * @throws Refused at the first question that is not there for this person
     */
    public function allowQuestions(array $named, array $before): void
    {
        $new = array_diff($named, $before);
        $found = $new === [] ? [] : $this->questions(array_values(array_unique($new)));
        foreach ($new as $path => $id) {
            if (! isset($found[$id])) {
                throw Refused::because('question.gone', Message::of('app.policies.question-does-not-exist'), $path);
            }
        }
    }

    /**
     * Stimuli that are to be shown: each exists, may be read and is not in the bin. They stay locked to the end of the transaction.
     *
     * @param  array<string, string>  $named  JSON Pointer → stimulus
     * @param  list<string>  $before  those named already: they may stay, whatever became of them
     *
     * @throws Refused
     */
    public function allowStimuli(array $named, array $before): void
    {
        $new = array_diff($named, $before);
        if ($new === []) {
            return;
        }
        $ids = array_values(array_unique($new));
        $found = DB::table('stimuli')
            ->whereIn('id', $ids)
            ->whereRaw('id IN (SELECT id FROM readable_stimuli(?, ?::uuid[]))', [$this->person->id, self::array($ids)])
            ->sharedLock()
            ->get(['id', 'title', 'binned_at'])
            ->keyBy('id');
        foreach ($new as $path => $id) {
            $stimulus = $found->get($id);
            if ($stimulus === null) {
                throw Refused::because(
                    'stimulus.gone',
                    Message::of('app.policies.stimulus-does-not-exist'),
                    $path,
                );
            }
            if ($stimulus->binned_at !== null) {
                $name = is_string($stimulus->title) && $stimulus->title !== '' ? "“{$stimulus->title}”" : 'A stimulus';
                throw Refused::because(
                    'stimulus.binned',
                    Message::of('app.policies.bin-remove-restore-bin', ['name' => $name]),
                    $path,
                );
            }
        }
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, true> banks of these that they may read
     */
    public function banks(array $ids): array
    {
        /** @var list<object{bank_id: string}&\stdClass> $found */
        $found = DB::select('SELECT bank_id FROM bank_roles(?) AS mine WHERE bank_id = ANY (?::uuid[])', [
            $this->person->id,
            self::array($ids),
        ]);

        return array_fill_keys(array_column($found, 'bank_id'), true);
    }

    /** @param  list<string>  $ids  UUIDs */
    private static function array(array $ids): string
    {
        return '{'.implode(',', $ids).'}';
    }
}
