<?php

declare(strict_types=1);

namespace WideQuarry\Checks;

use WideQuarry\Content\Anchors;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\ModelAnswer;
use WideQuarry\Marking\PartMarks;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;

/** Whether there are model answers where markers need them, and whether their remarks and marks still fit. */
final class ModelCheck
{
    /** From so many points on, a question marked by hand should have a model answer. */
    public const WANTED_FROM = 6;

    /** @return list<Finding> */
    public static function ofPart(Part $part): array
    {
        $findings = self::nothing($part);
        foreach ($part->key->models as $model) {
            array_push($findings, ...self::remarks($model), ...self::marks($model, $part));
        }

        return $findings;
    }

    /** @return list<Finding> */
    public static function ofQuestion(Question $question): array
    {
        $byHand = array_values(
            array_filter(
                $question->parts,
                fn (Part $part): bool => $part->scheme === Scheme::Person && ! $question->scoring->isInstead($part->id),
            ),
        );
        $hasModel = array_filter($byHand, fn (Part $part): bool => $part->key->models !== []) !== [];

        return $byHand !== [] && ! $hasModel && $question->points()->isGreaterThanOrEqualTo(self::WANTED_FROM)
            ? [
                Finding::warning('models.missing', $byHand[0]->path.'/key/models', Message::of('checks.models-missing', [
                    'points' => Exact::text($question->points()),
                ])),
            ]
            : [];
    }

    /**
     * Only of kinds that no rule marks: others are marked by hand for reasons of their own.
     *
     * @return list<Finding>
     */
    private static function nothing(Part $part): array
    {
        return $part->kind?->hasRules() === false &&
            $part->key->rubric === null &&
            $part->key->models === [] &&
            $part->points()->isPositive()
            ? [Finding::warning('rubric.missing', "$part->path/key/rubric", Message::of('checks.nothing-to-mark-by'))]
            : [];
    }

    /** @return list<Finding> */
    private static function remarks(ModelAnswer $model): array
    {
        $anchored = Anchors::in(RichText::read($model->html)->nodes)->remarks;
        $findings = [];
        foreach ($model->passages as $remark) {
            if (! in_array($remark['id'], $anchored, true)) {
                $findings[] = Finding::warning('models.remark_lost', $remark['path'], Message::of('checks.remark-without-passage'));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function marks(ModelAnswer $model, Part $part): array
    {
        if ($model->marks === null || $part->key->rubric === null) {
            return [];
        }
        try {
            PartMarks::read($model->marks, $model->path, $part->key->rubric, $part->points());
        } catch (Malformed $problem) {
            return [Finding::warning('models.marks', $problem->path, Message::of('checks.model-marks-outdated'))];
        }

        return [];
    }
}
