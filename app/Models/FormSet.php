<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Forms\FormSet as Made;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/**
 * The forms of an assessment as they were made once.
 *
 * @property string $id
 * @property string $assessment_id
 * @property int $seed
 * @property int $longest_run
 * @property string $document JSON
 * @property string $made JSON
 * @property string $revisions JSON: question → its newest revision then
 * @property string $labels what options were called on paper then: one of OptionLabels::STYLES
 * @property string|null $made_by
 * @property \Illuminate\Support\Carbon $made_at
 */
final class FormSet extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $keyType = 'string';

    protected $guarded = [];

    public function made(): Made
    {
        return Made::read(Json::decode($this->made));
    }

    /** The assessment they were made of. */
    public function document(): Document
    {
        return Document::read(Json::decode($this->document), app(PartKinds::class));
    }

    /** @return array<string, int> */
    public function revisions(): array
    {
        return array_filter((array) Json::decode($this->revisions), is_int(...)); // @phpstan-ignore return.type (keys are questions)
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seed' => 'integer', 'longest_run' => 'integer', 'made_at' => 'datetime'];
    }
}
