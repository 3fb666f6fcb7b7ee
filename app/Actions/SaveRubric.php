<?php

declare(strict_types=1);

namespace App\Actions;

use App\Actions\Bulk\BeginOperation;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\Rubric;
use App\Models\User;
use App\Queries\RubricUses;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Stores the rubrics of a bank, and changes the questions that follow one. */
final readonly class SaveRubric
{
    public const MOST = 500;

    public function __construct(private BeginOperation $begin)
    {
    }

    /**
     * @param  \stdClass  $content  as the core reads a rubric, without a link
     * @return bool false when there is one with this identifier, and nothing was stored
     */
    public function create(string $id, Bank $bank, string $title, \stdClass $content, ?User $author): bool
    {
        $made = DB::transaction(function () use ($id, $bank, $title, $content, $author): bool {
            DB::table('banks')->where('id', $bank->id)->lockForUpdate()->value('id'); // two at once count one after the other
            if (DB::table('rubrics')->where('bank_id', $bank->id)->count() >= self::MOST) {
                throw Refused::because('rubric.most', Message::of('app.actions.rubrics-most', ['most' => self::MOST]));
            }
            $made = DB::table('rubrics')->insertOrIgnore([
                'id' => $id,
                'bank_id' => $bank->id,
                'title' => $title,
                'content' => Json::encode($content),
                'created_by' => $author?->id,
            ]);
            if ($made === 1) {
                $this->revision($id, 1, $content, $author);
            }

            return $made === 1;
        });

        return $made === true;
    }

    /**
     * @param  int  $base  the revision it was started from
     * @param  bool  $follow  whether the questions that follow it are changed, too
     * @return array{int, string|null}|null the new revision and the act that changes them; null when somebody else has saved since
     */
    public function revise(Rubric $rubric, string $title, \stdClass $content, int $base, bool $follow, User $person): ?array
    {
        $revision = DB::transaction(function () use ($rubric, $title, $content, $base, $person): ?int {
            $stored = DB::table('rubrics')
                ->where('id', $rubric->id)
                ->where('revision', $base)
                ->update(['revision' => $base + 1, 'title' => $title, 'content' => Json::encode($content), 'updated_at' => now()]);
            if ($stored !== 1) {
                return null;
            }
            $this->revision($rubric->id, $base + 1, $content, $person);

            return $base + 1;
        });
        if (! is_int($revision)) {
            return null;
        }
        $questions = $follow ? RubricUses::writable($rubric->id, $person) : [];
        $bank = Bank::query()->whereKey($rubric->bank_id)->firstOrFail();

        return [
            $revision,
            $questions === []
                ? null
                : $this->begin->change($bank, $questions, self::change($rubric->id, $revision, $content), $person),
        ];
    }

    /** What is done to a question that follows a rubric; BulkChange reads it. */
    private static function change(string $rubric, int $revision, \stdClass $content): \stdClass
    {
        return (object) ['content' => (object) ['rubric' => (object) ['id' => $rubric, 'revision' => $revision, 'rubric' => $content]]];
    }

    private function revision(string $id, int $number, \stdClass $content, ?User $author): void
    {
        DB::table('rubric_revisions')->insert([
            'rubric_id' => $id,
            'number' => $number,
            'content' => Json::encode($content),
            'author_id' => $author?->id,
        ]);
    }
}
