<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Pick;
use WideQuarry\Forms\FormMaker;
use WideQuarry\Forms\FormSet;
use WideQuarry\Forms\FormSettings;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** `quarry forms`: the forms of an assessment in the output of `read`. */
final readonly class MakeForms
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  string|null  $id  of the assessment, where there are several
     *
     * @throws Malformed
     */
    public function run(string $bytes, FormSettings $settings, ?string $id): FormSet
    {
        $json = Json::decode($bytes);
        $fields = Fields::of($json, '', ['questions', 'stimuli', 'groups', 'assessments', 'media', 'frameworks', 'notices', 'mapping']);
        $questions = [];
        foreach ($fields->list('questions', 1_000_000) as $i => $question) {
            try {
                $read = Question::read($question, $this->kinds);
            } catch (Malformed $problem) {
                throw $problem->under("/questions/$i");
            }
            $questions[$read->id] = $read;
        }

        return FormMaker::make(
            $this->assessment($fields, $id),
            $settings,
            function (Assessment $drawn) use ($questions): array {
                $asked = [];
                foreach ($drawn->picks() as $pick) {
                    $question = self::asks($pick, $questions);
                    if ($question !== null) {
                        $asked[$pick->id] = $question;
                    }
                }

                return $asked;
            },
            $this->kinds,
        );
    }

    /** @param  array<string, Question>  $questions */
    private static function asks(Pick $pick, array $questions): ?Question
    {
        return $pick->variation ?? $questions[$pick->question] ?? null;
    }

    /** @throws Malformed */
    private function assessment(Fields $fields, ?string $id): Assessment
    {
        $found = [];
        foreach ($fields->list('assessments', 1_000_000) as $i => $assessment) {
            try {
                $read = Assessment::read($assessment, $this->kinds);
            } catch (Malformed $problem) {
                throw $problem->under("/assessments/$i");
            }
            if ($id === null || $read->id === $id) {
                $found[] = $read;
            }
        }

        return count($found) === 1
            ? $found[0]
            : throw Malformed::outOfRange('/assessments', Message::of('commandLine.one-assessment'), count($found));
    }
}
