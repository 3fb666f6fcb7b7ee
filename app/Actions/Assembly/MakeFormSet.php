<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\FormSet;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Printing\SheetPage;
use App\Queries\AssessmentEntries;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Forms\Form;
use WideQuarry\Forms\FormMaker;
use WideQuarry\Forms\FormSettings;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\OptionLabels;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;

/** Makes the forms of an assessment and keeps them; those made before stay. */
final readonly class MakeFormSet
{
    /** So many sets one assessment can have. */
    private const MOST = 100;

    public function __construct(private PartKinds $kinds)
    {
    }

    /** @throws Refused */
    public function handle(Assessment $assessment, User $person, int $count, Seed $seed, int $longestRun): FormSet
    {
        if (FormSet::query()->where('assessment_id', $assessment->id)->count() >= self::MOST) {
            throw Refused::because('forms.many', Message::of('app.actions.assembly.many-form-sets', ['most' => self::MOST]));
        }
        $document = $this->document($assessment, $person, $count);
        $print = SheetPage::settings($assessment);
        $settings = new FormSettings($count, $seed, $longestRun, $print->kept());
        $made = FormMaker::make(
            $document,
            $settings,
            fn (Document $drawn): array => array_map(
                fn (Question $question): Question => OptionLabels::on($question, $print->labels, $this->kinds),
                AssessmentEntries::of($drawn, $person, $this->kinds)->questions(),
            ),
            $this->kinds,
        );
        $asked = array_merge(...array_map(fn (Form $form): array => array_column($form->entries, 'question'), $made->forms));

        return FormSet::query()->create([
            'id' => (string) Str::uuid7(),
            'assessment_id' => $assessment->id,
            'seed' => $seed->value,
            'longest_run' => $longestRun,
            'document' => Json::encode($document->toJson()),
            'labels' => $print->labels,
            'made' => Json::encode($made),
            'revisions' => Json::encode((object) ReadableIds::of($person)->questions(array_values(array_unique($asked)))),
            'made_by' => $person->id,
            'made_at' => now(),
        ]);
    }

    /**
     * The assessment, its pools settled.
     *
     * @throws Refused where forms cannot be made of it
     */
    private function document(Assessment $assessment, User $person, int $count): Document
    {
        $document = Document::read($assessment->document()->settled(), $this->kinds);
        $entries = AssessmentEntries::of($document, $person, $this->kinds);
        if ($entries->missing() !== []) {
            throw Refused::because('assessment.missing', SheetPage::refusal('made', $entries->missing()));
        }
        if ($document->length() === 0) {
            throw Refused::because('forms.empty', Message::of('app.actions.assembly.no-questions-for-forms'));
        }
        $most = max(1, intdiv(FormSettings::MOST_QUESTIONS, $document->length()));
        if ($count > $most) {
            throw Refused::because('forms.large', Message::of('app.actions.assembly.forms-large', [
                'questions' => $document->length(), 'most' => $most,
            ]));
        }

        return $document;
    }
}
