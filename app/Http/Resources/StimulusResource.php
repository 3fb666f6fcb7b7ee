<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Stimulus;
use App\Models\User;
use App\Queries\Stimuli;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use WideQuarry\Content\Tree;

/**
 * A whole stimulus, drawn as it is shown, with what is found in it and where it is shown.
 *
 * @mixin Stimulus
 */
final class StimulusResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $user = User::asking($request);
        $core = $this->core();

        return [
            'id' => $this->id,
            'name' => $core->name(),
            'revision' => $this->revision,
            'may_write' => $user->can('update', $this->resource),
            'bank' => ['slug' => $this->bank->slug, 'name' => $this->bank->name],
            'stimulus' => $core->toJson(),
            'shown' => Tree::of($core->text->html()),
            'findings' => $core->findings(),
            'folders' => Stimuli::folders($this->id),
            'uses' => Stimuli::uses($this->id, $user),
            'binned_at' => $this->binned_at?->toIso8601String(),
            'updated_at' => $this->updated_at->toIso8601String(),
        ];
    }
}
