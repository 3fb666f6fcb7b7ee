<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\OpenApi\Shape;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin User */
final class PersonResource extends JsonResource implements Shape
{
    public static function shape(): array
    {
        return ['id' => 'string', 'name' => 'string', 'email' => 'string', 'is_administrator' => 'boolean'];
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'email' => $this->email, 'is_administrator' => $this->is_administrator];
    }
}
