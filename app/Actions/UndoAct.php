<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\Refused;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Question\PathsChange;
use WideQuarry\Question\RecordChange;

/** Puts back what an act changed, wherever it is still as the act left it; itself an act. */
final readonly class UndoAct
{
    public function __construct(private Classify $classify)
    {
    }

    /**
     * @return array{act: string, changed: int, left: int} left: those changed again since
     *
     * @throws Refused when it was undone before
     */
    public function handle(string $act, User $person): array
    {
        if (DB::table('acts')->where('undoes', $act)->exists()) {
            throw Refused::because('act.undone', 'This was undone already.');
        }
        $newer = 'EXISTS (SELECT 1 FROM changes AS later WHERE later.question_id = changes.question_id AND later.field = changes.field AND later.id > changes.id)';
        $left = DB::table('changes')->where('act_id', $act)->whereRaw($newer)->distinct()->count('question_id');
        $rows = DB::table('changes')->join('questions', 'questions.id', '=', 'changes.question_id')->where('act_id', $act)->whereRaw("NOT $newer")->orderBy('changes.question_id')->get(['changes.question_id', 'questions.bank_id', 'field', 'before']);
        $groups = [];
        foreach ($rows as $row) {
            $groups[$row->question_id]['bank'] = $row->bank_id;
            $groups[$row->question_id]['fields'][$row->field] = $row->before;
        }
        $result = ['act' => Classify::begin('undo', $person, $act), 'changed' => 0, 'left' => $left];
        // questions that are put back to the same are put back together
        $alike = [];
        foreach ($groups as $question => $group) {
            $alike[Json::encode([$group['bank'], $group['fields']])][] = (string) $question;
        }
        foreach ($alike as $key => $questions) {
            $result = $this->restore($key, $questions, $person, $result);
        }

        return $result;
    }

    /**
     * @param  list<string>  $questions
     * @param  array{act: string, changed: int, left: int}  $result
     * @return array{act: string, changed: int, left: int}
     */
    private function restore(string $key, array $questions, User $person, array $result): array
    {
        [$bank, $fields] = (array) Json::decode($key);
        $record = new \stdClass;
        $paths = ['topics' => PathsChange::none(), 'folders' => PathsChange::none()];
        foreach ((array) $fields as $field => $before) {
            $value = Json::decode(is_string($before) ? $before : 'null');
            if ($field === 'origin') { // only what was left untranslated is ever changed of it
                $record->processing = (object) ['set' => $value->processing ?? null];
            } elseif (isset($paths[$field])) {
                $paths[$field] = PathsChange::to(is_array($value) ? $value : []); // @phpstan-ignore argument.type
            } elseif (in_array($field, [...RecordChange::LISTS, ...RecordChange::SINGLE], true)) {
                $record->{$field} = (object) ['set' => $value ?? (in_array($field, RecordChange::LISTS, true) ? [] : null)];
            }
        }
        assert(is_string($bank));
        $done = $this->classify->handle($bank, $questions, RecordChange::read($record, ''), $paths['topics'], $paths['folders'], $person, $result['act']);

        return ['act' => $result['act'], 'changed' => $result['changed'] + $done['changed'], 'left' => $result['left'] + count($done['left'])];
    }
}
