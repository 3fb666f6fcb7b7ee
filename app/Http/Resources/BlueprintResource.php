<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Blueprint;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\QuestionTitles;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;

/** @mixin Blueprint */
final class BlueprintResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = User::asking($request);
        $document = $this->document();
        $banks = array_keys(ReadableIds::of($user)->banks($document->banks));
        $questions = array_values(array_unique(array_merge(...array_values($document->questions()), ...[[]])));

        return [
            'id' => $this->id,
            'title' => $this->title,
            'version' => $this->version,
            'bank' => ['slug' => $this->bank->slug, 'name' => $this->bank->name],
            'may_write' => $this->binned_at === null && $user->canEdit($this->bank_id),
            'may_restore' => $this->binned_at !== null && $user->canEdit($this->bank_id),
            'content' => $document->toJson(),
            'banks' => DB::table('banks')->whereIn('id', $banks)->orderBy('name')->get(['id', 'slug', 'name'])->all(),
            'hidden_banks' => count($document->banks) - count($banks),
            'questions' => (object) QuestionTitles::of($questions, $user),
            'updated_at' => $this->updated_at->toIso8601String(),
        ];
    }
}
