<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WideQuarry\Blueprints\Blueprint as Document;
use WideQuarry\Json\Json;

/**
 * @property string $id
 * @property string $bank_id
 * @property int $version
 * @property string $title
 * @property string $content JSON
 * @property \Illuminate\Support\Carbon|null $binned_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property Bank $bank
 */
final class Blueprint extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @return BelongsTo<Bank, $this> */
    public function bank(): BelongsTo
    {
        return $this->belongsTo(Bank::class);
    }

    public function document(): Document
    {
        return Document::read(Json::decode($this->content));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['version' => 'integer', 'binned_at' => 'datetime'];
    }
}
