<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WideQuarry\Json\Json;
use WideQuarry\Stimulus\Stimulus as CoreStimulus;

/**
 * @property string $id
 * @property string $bank_id
 * @property int $revision
 * @property string $title
 * @property string $language
 * @property string $body
 * @property string $stem
 * @property string|null $origin JSON
 * @property string $standards JSON
 * @property \Carbon\CarbonInterface|null $binned_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property Bank $bank
 */
final class Stimulus extends Model
{
    public $incrementing = false;

    protected $table = 'stimuli';

    protected $keyType = 'string';

    /** @return BelongsTo<Bank, $this> */
    public function bank(): BelongsTo
    {
        return $this->belongsTo(Bank::class);
    }

    /** As the core reads it: its newest revision. */
    public function core(): CoreStimulus
    {
        return CoreStimulus::read(
            (object) array_filter(
                [
                    'id' => $this->id,
                    'title' => $this->title,
                    'language' => $this->language,
                    'body' => $this->body,
                    'origin' => $this->origin === null ? null : Json::decode($this->origin),
                    'standards' => $this->standards === '[]' ? null : Json::decode($this->standards),
                ],
                fn (mixed $value): bool => $value !== null,
            ),
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['revision' => 'integer', 'binned_at' => 'datetime'];
    }
}
