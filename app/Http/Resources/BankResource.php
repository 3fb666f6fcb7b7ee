<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Bank;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use WideQuarry\Json\Json;
use WideQuarry\Sharing\Role;

/** @mixin Bank */
final class BankResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'slug' => $this->slug,
            'name' => $this->name,
            'purpose' => $this->purpose,
            'subject' => $this->subject,
            'level' => $this->level,
            'course' => $this->course,
            'term' => $this->term,
            'archived' => $this->archived_at !== null,
            'lends' => $this->lends,
            'team' => $this->team_id !== null,
            'my_role' => $this->my_role,
            'may_write' => Role::tryFrom($this->my_role ?? '')?->canEdit() === true,
            'may_manage' => Role::tryFrom($this->my_role ?? '')?->canManage() === true,
            'question_count' => $this->question_count ?? 0,
            'strata' => (object) ($this->strata ?? []),
            'shared_with' => $this->shared_with,
            'keepers' => $this->keepers ?? [],
            'defaults' => Json::decode($this->defaults),
            'updated_at' => $this->updated_at->toIso8601String(),
        ];
    }
}
