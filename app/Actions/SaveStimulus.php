<?php

declare(strict_types=1);

namespace App\Actions;

use App\Errors\Refused;
use App\Indexing\QuestionIndex;
use App\Jobs\ReindexShowing;
use App\Models\User;
use App\Queries\Folders;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Stimulus\Stimulus;

/** Stores a stimulus: a new one, a new revision of one, where it lies, and whether it is in the bin. */
final readonly class SaveStimulus
{
    private const STEM = 400;

    /** Update the search words of up to this many questions in the same transaction; more are left to a job. */
    private const AT_ONCE = 200;

    public function __construct(private Reindex $index)
    {
    }

    /** @return bool false when there is one with this identifier, and nothing was stored */
    public function create(Stimulus $stimulus, string $bankId, ?User $author, string $note = ''): bool
    {
        /** @var bool */
        return DB::transaction(function () use ($stimulus, $bankId, $author, $note): bool {
            $origin = $stimulus->toJson()->origin ?? null;
            if (
                DB::table('stimuli')->insertOrIgnore([
                    'id' => $stimulus->id,
                    'bank_id' => $bankId,
                    'revision' => 1,
                    'created_by' => $author?->id,
                    'origin' => $origin === null ? null : Json::encode($origin),
                    ...$this->columns($stimulus),
                ]) !== 1
            ) {
                return false;
            }
            $this->revision($stimulus, 1, $author, $note);

            return true;
        });
    }

    /**
     * @param  int  $base  the revision it was started from
     * @return int|null the number of the new revision; null when somebody else has saved since, and nothing was stored
     */
    public function revise(Stimulus $stimulus, int $base, User $author, string $note = ''): ?int
    {
        /** @var int|null */
        return DB::transaction(function () use ($stimulus, $base, $author, $note): ?int {
            if (
                DB::table('stimuli')
                    ->where('id', $stimulus->id)
                    ->where('revision', $base)
                    ->update(['revision' => $base + 1, 'updated_at' => now(), ...$this->columns($stimulus)]) !== 1
            ) {
                return null;
            }
            $this->revision($stimulus, $base + 1, $author, $note);
            if (! $this->index->showing($stimulus->id, self::AT_ONCE)) {
                ReindexShowing::dispatch($stimulus->id, $author->id, true)->afterCommit();
            }
            DB::table('autosaves')
                ->where('user_id', $author->id)
                ->where('subject', "stimulus:$stimulus->id")
                ->delete();

            return $base + 1;
        });
    }

    /** @param  list<list<string>>  $paths  folders of its bank, made where they are missing */
    public function place(string $id, string $bankId, array $paths): void
    {
        DB::transaction(function () use ($id, $bankId, $paths): void {
            $folders = array_filter(array_map(fn (array $path): ?string => Folders::at($path, $bankId), $paths));
            DB::delete(
                'DELETE FROM stimulus_placements USING folders WHERE folders.id = folder_id AND folders.bank_id = ? AND stimulus_id = ?',
                [$bankId, $id],
            );
            DB::table('stimulus_placements')->insertOrIgnore(
                array_map(fn (string $folder): array => ['stimulus_id' => $id, 'folder_id' => $folder], array_values($folders)),
            );
        });
    }

    /**
     * Into the bin, from which it comes back whole. The row is locked, so that no question begins to show it meanwhile.
     * Refused while questions show it.
     */
    public function bin(string $id): void
    {
        DB::transaction(function () use ($id): void {
            DB::table('stimuli')->where('id', $id)->lockForUpdate()->value('id');
            $questions = DB::table('question_stimuli')->where('stimulus_id', $id)->count();
            if ($questions > 0) {
                throw Refused::because(
                    'stimulus.used',
                    Message::of('app.actions.stimulus-used', ['questions' => $questions]),
                );
            }
            DB::table('stimuli')
                ->where('id', $id)
                ->update(['binned_at' => now()]);
        });
    }

    public function restore(string $id): void
    {
        DB::table('stimuli')
            ->where('id', $id)
            ->update(['binned_at' => null]);
    }

    /** @return array<string, mixed> */
    private function columns(Stimulus $stimulus): array
    {
        $words = DB::scalar("SELECT ?::tsvector || stems('english', ?)", [
            $stimulus->vector(),
            mb_strcut("$stimulus->title\n{$stimulus->text->plain()}", 0, 500_000),
        ]);

        return [
            'title' => $stimulus->title,
            'language' => $stimulus->language,
            'body' => $stimulus->text->html(),
            'stem' => mb_substr(strtr($stimulus->text->plain(), ["\n" => ' ']), 0, self::STEM),
            'words' => $words,
            'standards' => Json::encode($stimulus->toJson()->standards ?? []),
            'media' => QuestionIndex::array(QuestionMedia::in($stimulus->text->html())),
        ];
    }

    private function revision(Stimulus $stimulus, int $number, ?User $author, string $note): void
    {
        DB::table('stimulus_revisions')->insert([
            'stimulus_id' => $stimulus->id,
            'number' => $number,
            'content' => Json::encode($stimulus->toJson()),
            'note' => $note,
            'author_id' => $author?->id,
        ]);
    }
}
