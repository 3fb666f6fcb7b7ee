<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\PartKinds;

/** The forms of one test, and what could not be met. */
final readonly class FormSet implements \JsonSerializable
{
    /**
     * @param  non-empty-list<Form>  $forms
     * @param  list<string>  $limits  sentences
     */
    public function __construct(public array $forms, public array $limits)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', ['forms', 'balance', 'limits']);
        $forms = [];
        foreach ($fields->list('forms', FormSettings::MOST) as $i => $form) {
            $forms[] = Form::read($form, "/forms/$i");
        }

        return new self(
            $forms === [] ? throw Malformed::outOfRange('/forms', 'a form', '') : $forms,
            array_values(array_filter($fields->list('limits', 10_000), is_string(...))),
        );
    }

    /**
     * The assessment as one form asks it: its draws are what was drawn, its questions in their order.
     *
     * @param  Assessment  $assessment  the one the forms were made of
     */
    public static function asked(Assessment $assessment, Form $form, PartKinds $kinds): Assessment
    {
        $drawn = $assessment->drawnAs(
            array_map(
                fn (array $entries): array => array_map(fn (FormEntry $one): string => $one->question, $entries),
                self::byDraw($form),
            ),
            $kinds,
        );
        $places = array_flip(array_map(fn (FormEntry $one): string => $one->drawnEntry(), $form->entries));
        $order = [];
        foreach ($drawn->sections as $section) {
            $entries = array_values(array_filter(array_column($section->entries, 'id'), fn (string $id): bool => isset($places[$id])));
            usort($entries, fn (string $a, string $b): int => $places[$a] <=> $places[$b]);
            $order[$section->id] = $entries;
        }

        return $drawn->arranged($order, $kinds);
    }

    /** @return array<string, list<FormEntry>> draw → what was drawn, by number */
    private static function byDraw(Form $form): array
    {
        $draws = [];
        foreach ($form->entries as $entry) {
            if ($entry->drawNumber !== null) {
                $draws[$entry->entry][$entry->drawNumber] = $entry;
            }
        }
        foreach ($draws as $draw => $entries) {
            ksort($entries);
            $draws[$draw] = array_values($entries);
        }

        return $draws;
    }

    public function jsonSerialize(): \stdClass
    {
        $balance = [];
        foreach ($this->forms as $form) {
            $balance[$form->letter] = (object) $form->balance();
        }

        return (object) ['forms' => $this->forms, 'balance' => (object) $balance, 'limits' => $this->limits];
    }
}
