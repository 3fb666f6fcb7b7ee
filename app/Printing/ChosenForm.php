<?php

declare(strict_types=1);

namespace App\Printing;

use App\Models\FormSet as FormSets;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Forms\Form;
use WideQuarry\Forms\FormSet;
use WideQuarry\Question\PartKinds;
use WideQuarry\Random\Seed;

/** A form that is printed, and the set it is of. */
final readonly class ChosenForm
{
    /**
     * @param  Document  $made  the assessment the set was made of
     * @param  string  $labels  what options were called then: the letters of its keys
     */
    public function __construct(public FormSet $set, public Form $form, private Document $made, public string $labels)
    {
    }

    /**
     * @param  string  $letters  "A,C"
     * @return list<self> none without a set
     */
    public static function of(?FormSets $set, string $letters): array
    {
        if ($set === null) {
            return [];
        }
        $made = $set->made();
        $document = $set->document();
        $wanted = explode(',', $letters);
        $forms = array_values(array_filter($made->forms, fn (Form $form): bool => in_array($form->letter, $wanted, true)));

        return array_map(fn (Form $form): self => new self($made, $form, $document, $set->labels), $forms);
    }

    /** As this form asks it. */
    public function document(PartKinds $kinds): Document
    {
        return FormSet::asked($this->made, $this->form, $kinds);
    }

    /** @return array<string, Seed> by entry */
    public function seeds(): array
    {
        $seeds = [];
        foreach ($this->form->entries as $entry) {
            $seeds[$entry->drawnEntry()] = $entry->seed;
        }

        return $seeds;
    }
}
