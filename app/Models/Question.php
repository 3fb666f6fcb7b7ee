<?php

declare(strict_types=1);

namespace App\Models;

use App\Queries\QuestionStandards;
use App\Queries\Topics;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/**
 * @property string $id
 * @property string $bank_id
 * @property int $revision
 * @property string $status
 * @property int|null $difficulty
 * @property string $record JSON
 * @property string $title
 * @property string $stem
 * @property string $kinds a PostgreSQL array
 * @property string $points
 * @property bool $has_variables
 * @property bool $is_complete
 * @property string|null $binned_at when it was put into the bin
 * @property \Illuminate\Support\Carbon $updated_at
 * @property Bank $bank
 */
final class Question extends Model
{
    public $incrementing = false;

    protected $keyType = 'string';

    /** @return BelongsTo<Bank, $this> */
    public function bank(): BelongsTo
    {
        return $this->belongsTo(Bank::class);
    }

    /** The whole question as the core reads it: the newest revision's content with the record. */
    public function json(): \stdClass
    {
        $content = DB::scalar('SELECT content FROM revisions WHERE question_id = ? AND number = ?', [$this->id, $this->revision]);
        $json = Json::object(is_string($content) ? $content : '{}');
        $record = Json::object($this->record);
        $topics = Topics::paths([$this->id])[$this->id] ?? [];
        if ($topics !== []) {
            $record->topics = $topics;
        }
        QuestionStandards::refresh([$record]);
        $json->record = $record;
        $json->language ??= Fields::UNKNOWN_LANGUAGE; // revisions of old, and of packages, may have none

        return $json;
    }

    /** @return list<string> */
    public function kindNames(): array
    {
        return array_values(array_filter(explode(',', trim($this->kinds, '{}')), fn (string $kind): bool => $kind !== ''));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['has_variables' => 'boolean', 'is_complete' => 'boolean', 'revision' => 'integer', 'difficulty' => 'integer'];
    }
}
