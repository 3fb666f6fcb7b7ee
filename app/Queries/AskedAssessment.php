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
        $drawn = self::inOrder($assessment->document()->drawn($seed, $kinds), $person, $kinds);
        $order = Sequence::of($drawn->document, $seed, Sequence::behind($drawn->document, $drawn->questions));
        $arranged = $drawn->document->arranged($order, $kinds);

        return new self($arranged, $drawn->entries->under($arranged), $drawn->questions);
    }

    /** Whatever is drawn and in order already, such as a form. @param  Document  $document  picks alone */
    public static function inOrder(Document $document, User $person, PartKinds $kinds): self
    {
        $settings = $document->settings();
        $entries = AssessmentEntries::of($document, $person, $kinds);
        $questions = [];
        foreach ($entries->questions() as $entry => $question) {
            $questions[$entry] = $settings[$entry]->on($question, $kinds);
        }

        return new self($document, $entries, $questions);
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
