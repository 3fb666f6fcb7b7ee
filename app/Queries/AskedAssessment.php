<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use App\Models\User;
use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\Sequence;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;

/** An assessment as it is asked once, on paper or in a run: draws drawn, questions under their settings, in the order those say. */
final readonly class AskedAssessment
{
    /**
     * @param  Document  $document  picks alone, in the order they are asked
     * @param  array<string, Question>  $questions  entry → its question; those that are gone are missing
     */
    private function __construct(public Document $document, public AssessmentEntries $entries, public array $questions)
    {
    }

    public static function of(Assessment $assessment, Seed $seed, User $person, PartKinds $kinds): self
    {
        $document = $assessment->document()->drawn($seed, $kinds);
        $settings = $document->settings();
        $entries = AssessmentEntries::of($document, $person, $kinds);
        $questions = [];
        foreach ($entries->questions() as $entry => $question) {
            $questions[$entry] = $settings[$entry]->on($question, $kinds);
        }
        $order = Sequence::of($document, $seed, Sequence::behind($document, $questions));
        $arranged = $document->arranged($order, $kinds);

        return new self($arranged, $entries->under($arranged), $questions);
    }

    /** @return array<string, BigRational> entry → what it is worth here */
    public function points(): array
    {
        $points = [];
        foreach ($this->document->picks() as $pick) {
            $points[$pick->id] = $this->entries->points($pick);
        }

        return $points;
    }
}
