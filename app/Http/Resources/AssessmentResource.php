<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Infrastructure\PostgresArray;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\AssessmentEntries;
use App\Queries\DrawPools;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Totals;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/** @mixin Assessment */
final class AssessmentResource extends JsonResource
{
    /** Whether somebody is changing it at this moment: pools may be as they were a moment ago. */
    public bool $isJustStored = false;

    /** What it comes to, once it was written. */
    public ?Totals $totals = null;

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = User::asking($request);
        $document = DrawPools::grow($this->stored(), $this->isJustStored);
        $entries = AssessmentEntries::of($document, $user, app(PartKinds::class), $this->isJustStored);

        return [
            'id' => $this->id,
            'title' => $this->title,
            'version' => $this->version,
            'state' => $this->state,
            'bank' => ['slug' => $this->bank->slug, 'name' => $this->bank->name],
            'may_write' => $this->binned_at === null && in_array($this->state, ['draft', 'ready'], true) && $user->canEdit($this->bank_id),
            'may_change_state' => $this->binned_at === null && $user->canEdit($this->bank_id),
            'may_restore' => $this->binned_at !== null && $user->canEdit($this->bank_id),
            'binned_at' => $this->binned_at?->toIso8601String(),
            'content' => $document->toJson(),
            'entries' => (object) $entries->facts(),
            'totals' => $this->totals = $entries->totals(),
            'folder' => PostgresArray::read($this->folder),
            'course' => $this->course,
            'term' => $this->term,
            'print' => Json::decode($this->print),
            'occasions' => DB::select(
                <<<'SQL'
                SELECT used_on, with_whom, users.name AS person FROM assessment_occasions LEFT JOIN users ON users.id = recorded_by
                WHERE assessment_id = ? ORDER BY used_on, assessment_occasions.id
                SQL,
                [$this->id],
            ),
            'updated_at' => $this->updated_at->toIso8601String(),
        ];
    }
}
