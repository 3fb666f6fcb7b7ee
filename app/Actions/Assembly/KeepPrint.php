<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Infrastructure\PostgresArray;
use App\Models\Assessment;
use App\Models\FormSet;
use App\Models\User;
use App\Policies\ReadableIds;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;
use WideQuarry\Printing\PrintSettings;

/** Keeps what somebody takes away, with what it was made of: one receipt each time. */
final readonly class KeepPrint
{
    /** @return string|null the receipt; null where this person has no such print */
    public function handle(Assessment $assessment, User $person, string $print): ?string
    {
        /** @var (object{questions: string, forms: string, form_set_id: string|null, settings: string}&\stdClass)|null $row */
        $row = DB::table('prints')->where('assessment_id', $assessment->id)->where('id', $print)->where('user_id', $person->id)->first();
        if ($row === null || ! ReadableIds::of($person)->readsAll(PostgresArray::read($row->questions))) {
            return null;
        }
        $set = $row->form_set_id === null ? null : FormSet::query()->whereKey($row->form_set_id)->first();
        $seeds = $set === null
            ? ['' => PrintSettings::read(Json::decode($row->settings), '')->seed->value]
            : array_fill_keys(explode(',', $row->forms), $set->seed);
        $id = (string) Str::uuid7();
        DB::table('print_receipts')->insert([
            'id' => $id,
            'assessment_id' => $assessment->id,
            'title' => $assessment->title,
            'which' => $row->which,
            'form_set_id' => $row->form_set_id,
            'forms' => $row->forms,
            'seeds' => Json::encode((object) $seeds),
            'settings' => $row->settings,
            'questions' => $row->questions,
            'revisions' => $row->revisions,
            'sha256' => $row->sha256,
            'pages' => $row->pages,
            'printed_by' => $person->id,
        ]);

        return $id;
    }
}
