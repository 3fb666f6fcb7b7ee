<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Bank;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Storage\MediaStore;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Gives questions of a bank the content of others as revisions; what is said of them here stays. */
final readonly class TakeOver
{
    public function __construct(private PartKinds $kinds, private SaveQuestion $save)
    {
    }

    /**
     * @param  list<array{string, string}>  $pairs  question here, question whose content it gets
     * @return array{changed: int, left: list<array{title: string, why: string}>}
     */
    public function handle(Bank $bank, array $pairs, User $person): array
    {
        $readable = ReadableIds::of($person)->questions(array_column($pairs, 1));
        $changed = 0;
        $left = [];
        foreach ($pairs as [$here, $there]) {
            $mine = DB::table('questions')
                ->where('id', $here)
                ->where('bank_id', $bank->id)
                ->whereNull('binned_at')
                ->first(['revision', 'title']);
            $theirs = isset($readable[$there])
                ? DB::table('questions')
                    ->join('revisions', fn (JoinClause $join) => $join->on('question_id', 'questions.id')->on('number', 'revision'))
                    ->where('questions.id', $there)
                    ->first(['content', 'bank_id'])
                : null;
            $why = $mine === null || $theirs === null
                ? Message::of('app.actions.take-gone')
                : $this->put($here, $mine, $theirs, $there, $bank, $person);
            if ($why === null) {
                $changed++;
            } else {
                $left[] = ['title' => is_string($mine?->title) ? $mine->title : '', 'why' => $why];
            }
        }

        return ['changed' => $changed, 'left' => $left];
    }

    private function put(string $here, \stdClass $mine, \stdClass $theirs, string $there, Bank $bank, User $person): ?string
    {
        if (MediaStore::clashes([$there], $bank->id) !== []) {
            return Message::of('app.actions.take-media');
        }

        $why = DB::transaction(function () use ($here, $mine, $theirs, $there, $bank, $person): ?string {
            MediaStore::share([$there], is_string($theirs->bank_id) ? $theirs->bank_id : '', $bank->id);
            $json = Json::object(is_string($theirs->content) ? $theirs->content : '{}');
            $json->id = $here;
            unset($json->record);
            $note = Message::of('app.actions.take-note');
            $base = is_int($mine->revision) ? $mine->revision : 0;
            $revision = $this->save->revise(Question::read($json, $this->kinds), $base, $person, $note);

            return $revision === null ? Message::of('app.actions.take-changed') : null;
        });

        return is_string($why) ? $why : null;
    }
}
