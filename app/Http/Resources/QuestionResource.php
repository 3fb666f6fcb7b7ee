<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Question;
use App\Models\User;
use App\Queries\Folders;
use App\Queries\QuestionFindings;
use App\Queries\QuestionStandards;
use App\Queries\QuestionUses;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question as CoreQuestion;
use WideQuarry\Question\UnhelpfulTitle;

/**
 * A whole question with what is found in it.
 *
 * @mixin Question
 */
final class QuestionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = $request->user();
        $json = $this->json();
        $question = CoreQuestion::read($json, app(PartKinds::class));

        return [
            'id' => $this->id,
            'name' => $question->name(),
            'revision' => $this->revision,
            'may_write' => $user instanceof User && $user->can('update', $this->resource),
            'bank' => ['slug' => $this->bank->slug, 'name' => $this->bank->name],
            'question' => $json,
            'standards' => QuestionStandards::of([$this->id])[$this->id] ?? [],
            'findings' => QuestionFindings::of($question, $this->bank_id),
            'folders' => Folders::paths([$this->id], $this->bank_id)[$this->id] ?? [],
            'places' => $user instanceof User ? Folders::places($this->id, $user) : [],
            'binned' => $this->binned_at !== null,
            'proposed_name' => trim($question->title) !== '' && UnhelpfulTitle::saysNothing($question->title)
                    ? UnhelpfulTitle::proposal($question)
                    : null,
            'uses' => $user instanceof User ? QuestionUses::of($this->id, $user) : ['assessments' => [], 'others' => 0],
            'updated_at' => $this->updated_at->toIso8601String(),
        ];
    }
}
