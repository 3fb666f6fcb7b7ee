<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;

/** @mixin User */
final class PersonResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'email' => $this->email,
            'is_administrator' => $this->is_administrator,
            'details' => $this->details(),
            'second_factor' => $this->second_factor_on,
            'unread' => DB::table('notifications')->where('user_id', $this->id)->whereNull('read_at')->count(),
        ];
    }
}
