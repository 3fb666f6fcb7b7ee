<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;
use WideQuarry\Marking\ModelText;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;

/** Example answers of a part, each with the examiner's remarks and what it earns. */
final readonly class MarkersNotes
{
    public function __construct(private ScoringContext $in, private Paper $paper)
    {
    }

    /** @return string empty where a part has none */
    public function html(Part $part): string
    {
        if ($part->scheme !== Scheme::Person) {
            return '';
        }
        $models = $part->key->models;
        $html = '';
        foreach ($models as $i => $model) {
            $text = (new ModelText($model, $part->key->rubric))->html(count($models) > 1 ? $i + 1 : null);
            $html .= '<section class="model">'.
                $this->paper->html(Tree::of(RichText::read($text)->html(), $this->in->roll->filling())).
                '</section>';
        }

        return $html;
    }
}
