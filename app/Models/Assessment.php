<?php

declare(strict_types=1);

namespace App\Models;

use App\Queries\DrawPools;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/**
 * @property string $id
 * @property string $bank_id
 * @property int $version
 * @property string $title
 * @property string $state
 * @property string $content JSON
 * @property string $print JSON
 * @property string $folder names from the top down, as an array of PostgreSQL
 * @property string $course
 * @property string $term
 * @property \Illuminate\Support\Carbon|null $binned_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property Bank $bank
 */
final class Assessment extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    protected $guarded = [];

    /** @return BelongsTo<Bank, $this> */
    public function bank(): BelongsTo
    {
        return $this->belongsTo(Bank::class);
    }

    /** As it is now, with what the conditions of its draws find. */
    public function document(): Document
    {
        return DrawPools::grow($this->stored());
    }

    /** As it is stored: conditions, and not what they find. */
    public function stored(): Document
    {
        return Document::read(Json::decode($this->content), app(PartKinds::class));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['version' => 'integer', 'binned_at' => 'datetime'];
    }
}
