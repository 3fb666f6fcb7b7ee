<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Queries\Folders;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** A question to be stored: {"question": …, "note": "…"}. Its shape is the core's business, so it is read by the core. */
final class SaveQuestionRequest extends FormRequest
{
    public function authorize(): bool
    {
        $stored = $this->route('question');
        Gate::authorize($stored === null ? 'write' : 'update', $stored ?? $this->route('bank'));

        return true;
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [];
    }

    /**
     * @param  string|null  $id  what it is to be called instead
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function question(?string $id = null): Question
    {
        $json = $this->fields()->need('question')->raw('question');
        if ($id !== null && $json instanceof \stdClass) {
            $json->id = $id;
        }

        return Question::read($json, app(PartKinds::class));
    }

    public function note(): string
    {
        return $this->fields()->string('note', '', 500);
    }

    /**
     * Paths of the folders a new question goes into; missing folders are created.
     *
     * @return list<list<string>>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function folders(): array
    {
        return Folders::read($this->fields());
    }

    private function fields(): Fields
    {
        return Fields::of(Json::decode($this->getContent()), '', ['question', 'note', 'folders']);
    }
}
