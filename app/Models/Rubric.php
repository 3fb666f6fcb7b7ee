<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A rubric of a bank, kept for reuse.
 *
 * @property string $id
 * @property string $bank_id
 * @property string $title
 * @property string $content JSON
 * @property int $revision
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class Rubric extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['revision' => 'integer', 'updated_at' => 'datetime'];
    }
}
