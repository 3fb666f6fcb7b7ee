<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Content\Gaps;
use WideQuarry\CoreException;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\MarkerText;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\PackedMedia;
use WideQuarry\Interchange\Plain\ContentExporter;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Plain\PlainPicture;
use WideQuarry\Interchange\Plain\SharedAnswers;
use WideQuarry\Interchange\Qti30\Mappings;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Interchange\StandardLosses;
use WideQuarry\Interchange\ToolLosses;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\SharedRules;
use WideQuarry\Standards\Alignment;

/** One question as an item of QTI 1.2.1. What the standard cannot say is written as the nearest, with a notice. */
final class ItemWriter
{
    /** @var list<Notice> */
    private array $notices = [];

    /** @var array<string, PlainPart> */
    private array $plain = [];

    /** @var array<string, Terms> */
    private array $terms = [];

    private Question $question;

    private ContentExporter $outward;

    /** @param  array<string, string>  $files  media id → reference in the document */
    public function __construct(private readonly array $files)
    {
    }

    /**
     * @param  string  $ident  what the item is called
     * @param  list<string>  $passages  rich text of the stimuli it shows
     */
    public function write(Question $question, string $ident, array $passages = [], string $metadata = ''): string
    {
        $this->question = $question;
        $this->outward = ContentExporter::of($question, $this->files);
        if ($question->variables->varies()) {
            $this->lose('qti12.templates', Message::of('interchange.qti12.values-that-vary'));
        }
        $in = new WriteContext($question->language, $question->normalise, $this->outward->roll, new Gaps($question->body), []);
        foreach ($question->parts as $own) {
            if ($question->scoring->isInstead($own->id)) {
                continue; // told as a loss of the question
            }
            $part = $own->withKey(SharedRules::keyFor($question, $own));
            $plain = Mappings::of($part->kind)?->plain($part, $in);
            if ($plain === null) {
                $this->lose(
                    'qti12.kind',
                    Message::of('interchange.qti12.part-kind-cannot-written', ['kind' => $part->kindName]),
                );
                $plain = PlainPart::words(40);
            } else {
                $this->marking($plain->as ?? $part, $plain, $in);
            }
            $this->plain[$part->id] = $plain;
        }
        $layout = Layout::of(
            implode('', array_map(fn (string $html): string => "<div>$html</div>", $passages)).$question->body,
            $this->material(...),
            $this->response(...),
            $this->outward->nodes(...),
        );
        if ($layout->losesLayout) {
            $this->lose('qti12.layout', Message::of('interchange.qti12.answers-tables-lists-follow'));
        }
        $guards = new Preconditions($question, $this->terms);
        if (! $guards->areWhole()) {
            $this->lose('qti12.gates', Message::of('interchange.qti12.parts-wait-others-cannot'));
        }
        $this->terms = $guards->terms();
        $feedback = new FeedbackWriter($question, $this->terms, $this->material(...));
        $processing = $this->processing($feedback);
        $this->questionLosses($feedback);
        $language = $question->language === 'und' ? '' : " xml:lang=\"$question->language\"";

        return '<item ident="'.
            Xml::escape($ident).
            '" title="'.
            Xml::escape($question->title).
            "\"$language>".
            ($metadata === '' ? $this->metadata() : $metadata).
            $this->rubrics().
            "<presentation>{$layout->xml()}</presentation>$processing".
            $feedback->items().
            $this->models().
            '</item>';
    }

    /** @return list<Notice> what could not be said of everything written so far */
    public function notices(): array
    {
        return $this->notices;
    }

    private function rubrics(): string
    {
        return implode(
            '',
            array_map(
                fn (string $html): string => '<rubric view="Scorer">'.$this->material($this->html($html)).'</rubric>',
                MarkerText::rubrics($this->question),
            ),
        );
    }

    private function models(): string
    {
        $solutions = '';
        foreach (array_merge(...array_values(MarkerText::models($this->question))) as $i => $html) {
            $solutions .= '<itemfeedback ident="M-'.($i + 1).'" view="Scorer"><solution feedbackstyle="Complete"><solutionmaterial>'.
                $this->material($this->html($html)).
                '</solutionmaterial></solution></itemfeedback>';
        }

        return $solutions;
    }

    private function marking(Part $part, PlainPart $plain, WriteContext $in): void
    {
        try {
            $terms = (new TermWriter(
                $part,
                $plain,
                new WriteContext($in->language, $in->normalise, $in->roll, $in->gaps, []),
                fn (string $first): string => $this->ident($part->id, $plain, $first),
            ))->terms();
        } catch (CoreException $problem) {
            $terms = null;
            $this->lose('key.unready', Message::of('interchange.qti12.key-could-not-be-written', ['why' => $problem->getMessage()]));
        }
        if ($terms !== null) {
            $this->terms[$part->id] = $terms;
        }
        foreach ($terms->losses ?? $plain->losses as [$code, $sentence]) {
            $this->lose($code, $sentence);
        }
        if ($terms?->bounded === true && count($this->question->parts) > 1) {
            $this->lose(
                'qti12.bounds',
                Message::of('interchange.qti12.question-several-answers-one'),
            );
        }
    }

    /** A response of the item: of the part, or of one of its rows and gaps. */
    private function ident(string $part, PlainPart $plain, string $first): string
    {
        return $plain->shape === AnswerShape::Pairs && $first !== ''
            ? (count($this->question->parts) > 1
                ? "$part.$first"
                : $first)
            : $part;
    }

    private function response(string $id, ?string $gap): string
    {
        $plain = $this->plain[$id] ?? null;
        if ($plain === null || ($plain->inline && $plain->shape === AnswerShape::Pairs && $gap === null)) {
            return '';
        }
        if ($gap !== null) {
            return $this->lid($this->ident($id, $plain, $gap), '', $plain->seconds, false, null, false);
        }
        if ($plain->picture !== null) {
            return $this->hotspot($id, $plain, $plain->picture);
        }
        $text = $plain->text === '' ? '' : $this->material($this->outward->html($plain->text));

        return $text.
            match ($plain->shape) {
                AnswerShape::Picks => $this->lid(
                    $id,
                    '',
                    $plain->options,
                    $plain->limits->several,
                    $plain->limits->max,
                    $plain->limits->shuffle,
                ),
                AnswerShape::Words => '<response_str ident="'.
                    Xml::escape($id).
                    '" rcardinality="Single"><render_fib fibtype="String"'.
                    ($plain->field->lines > 1 ? " rows=\"{$plain->field->lines}\"" : '').
                    ($plain->field->width > 0 ? " columns=\"{$plain->field->width}\"" : '').
                    '/></response_str>',
                AnswerShape::Number => '<response_num ident="'.
                    Xml::escape($id).
                    '" rcardinality="Single" numtype="Decimal">'.
                    ($plain->field->scale === null
                        ? '<render_fib fibtype="Decimal"'.($plain->field->width > 0 ? " columns=\"{$plain->field->width}\"" : '').'/>'
                        : "<render_slider lowerbound=\"{$plain->field->scale[0]}\" upperbound=\"{$plain->field->scale[1]}\" ".
                            "step=\"{$plain->field->scale[2]}\"/>").
                    '</response_num>',
                AnswerShape::Sequence => $this->lid($id, '', $plain->options, false, null, true, 'Ordered'),
                AnswerShape::Pairs => implode(
                    '',
                    array_map(
                        fn (array $first): string => $this->lid(
                            $this->ident($id, $plain, $first['id']),
                            $this->html($first['html']),
                            $plain->seconds,
                            $plain->limits->several,
                            null,
                            false,
                        ),
                        $plain->options,
                    ),
                ),
            };
    }

    /** @param  list<array{id: string, html: string, fixed?: bool}>  $options */
    private function lid(
        string $ident,
        string $prompt,
        array $options,
        bool $several,
        ?int $max,
        bool $shuffle,
        ?string $cardinality = null,
    ): string {
        $labels = implode(
            '',
            array_map(
                fn (array $option): string => '<response_label ident="'.
                    Xml::escape($option['id']).
                    '"'.
                    ($option['fixed'] ?? false ? ' rshuffle="No"' : '').
                    '>'.
                    $this->material($this->html($option['html'])).
                    '</response_label>',
                $options,
            ),
        );

        return '<response_lid ident="'.
            Xml::escape($ident).
            '" rcardinality="'.
            ($cardinality ?? ($several ? 'Multiple' : 'Single')).
            '">'.
            ($prompt === '' ? '' : $this->material($prompt)).
            '<render_choice shuffle="'.
            ($shuffle ? 'Yes' : 'No').
            '"'.
            ($several && $max !== null ? " maxnumber=\"$max\"" : '').
            ">$labels</render_choice></response_lid>";
    }

    private function hotspot(string $ident, PlainPart $plain, PlainPicture $picture): string
    {
        $labels = '';
        foreach ($picture->isPlaced ? [] : $plain->options as $option) {
            $area = $picture->areas[$option['id']] ?? null;
            [$kind, $numbers] = $area === null ? ['Bounded', ''] : HotspotAreas::write($area['shape'], $area['at']);
            $labels .= '<response_label ident="'.Xml::escape($option['id'])."\" rarea=\"$kind\">$numbers".
                $this->material($this->html($option['html'])).
                '</response_label>';
        }
        $most = $plain->limits->several && $plain->limits->max !== null ? " maxnumber=\"{$plain->limits->max}\"" : '';

        $name = $picture->isPlaced ? 'response_xy' : 'response_lid';

        return "<$name ident=\"".Xml::escape($ident).'" rcardinality="'.($plain->limits->several ? 'Multiple' : 'Single').'">'.
            "<render_hotspot$most>{$this->image($picture)}$labels</render_hotspot></$name>";
    }

    private function image(PlainPicture $picture): string
    {
        $attributes = '';
        foreach (['src' => 'uri', 'alt' => 'label', 'width' => 'width', 'height' => 'height'] as $from => $to) {
            $attributes .= preg_match("~ $from=\"([^\"]*)\"~", $this->html($picture->html), $m) === 1 ? " $to=\"$m[1]\"" : '';
        }
        $type = Medium::typeNamed(preg_match('~ uri="([^"]*)"~', $attributes, $m) === 1 ? $m[1] : '', 'image');

        return "<material><matimage imagtype=\"$type\"$attributes/></material>";
    }

    private function html(string $html): string
    {
        return $this->outward->html($html);
    }

    private function material(string $html): string
    {
        $plain = strip_tags($html) === $html ? html_entity_decode($html, ENT_QUOTES | ENT_HTML5) : null;

        return '<material>'.
            ($plain === null
                ? '<mattext texttype="text/html">'.Xml::escape($html).'</mattext>'
                : '<mattext>'.Xml::escape($plain).'</mattext>').
            '</material>';
    }

    private function processing(FeedbackWriter $feedback): string
    {
        $max = ScoreFloats::float($this->question->points());
        if (
            $this->terms === [] ||
            count($this->terms) < count(array_filter($this->question->parts, fn (Part $part): bool => ! $part->points()->isZero()))
        ) {
            $conditions = '';
            foreach ($feedback->always() as $condition) {
                $conditions .= $condition;
            }

            // an empty condition carries the maximum, which manual marking needs; 0 says that nothing is marked
            $conditions =
                $conditions === '' && $this->question->parts !== []
                    ? '<respcondition continue="Yes"><conditionvar><other/></conditionvar></respcondition>'
                    : $conditions;

            return $conditions === ''
                ? ''
                : "<resprocessing><outcomes><decvar varname=\"SCORE\" vartype=\"Decimal\" defaultval=\"0\" maxvalue=\"$max\"/>".
                    "</outcomes>$conditions</resprocessing>";
        }
        $conditions = '';
        $all = $this->question->scoring->all && count($this->question->parts) > 1;
        foreach ($this->terms as $id => $terms) {
            foreach ($terms->list as $i => [$test, $value, $rule]) {
                $shows = $feedback->shown((string) $id, $i, $rule);
                $set = $value->isZero() || $all ? '' : '<setvar varname="SCORE" action="Add">'.ScoreFloats::float($value).'</setvar>';
                $conditions .=
                    $set.$shows === ''
                        ? ''
                        : "<respcondition continue=\"Yes\"><conditionvar>$test</conditionvar>$set$shows</respcondition>";
            }
        }
        if ($all) {
            $conditions .=
                '<respcondition continue="Yes"><conditionvar>'.
                Terms::all(array_values(array_map(fn (Terms $terms): string => $terms->right, $this->terms))).
                "</conditionvar><setvar varname=\"SCORE\" action=\"Add\">$max</setvar></respcondition>";
        }
        $conditions .= implode('', $feedback->conditions());
        [$low, $high] = [$this->question->scoring->low(), $this->question->scoring->high()];
        if (count($this->question->parts) === 1) {
            [$own, $most] = [$this->question->parts[0]->bound('low'), $this->question->parts[0]->bound('high')];
            [$low, $high] = [$own->isGreaterThan($low) ? $own : $low, $most->isLessThan($high) ? $most : $high];
        }
        $bounds =
            ' minvalue="'.
            ScoreFloats::float($low->multipliedBy($this->question->points())).
            '" maxvalue="'.
            ScoreFloats::float($high->multipliedBy($this->question->points())).
            '"';

        // there has to be one
        $conditions = $conditions === '' ? '<respcondition><conditionvar><other/></conditionvar></respcondition>' : $conditions;

        return '<resprocessing scoremodel="SumofScores"><outcomes>'.
            "<decvar varname=\"SCORE\" vartype=\"Decimal\" defaultval=\"0\"$bounds/></outcomes>$conditions</resprocessing>";
    }

    private function metadata(): string
    {
        $record = $this->question->toJson()->record ?? new \stdClass();
        assert($record instanceof \stdClass);
        $topic =
            is_array($record->topics ?? null) && is_array($record->topics[0] ?? null)
                ? implode(' > ', array_filter($record->topics[0], is_string(...)))
                : '';
        $tags = is_array($record->tags ?? null) ? implode(', ', array_filter($record->tags, is_string(...))) : '';
        $difficulty =
            [1 => 'very easy', 2 => 'easy', 3 => 'medium', 4 => 'difficult', 5 => 'very difficult'][
                is_int($record->difficulty ?? null) ? $record->difficulty : 0
            ] ?? '';
        $field = fn (string $label, mixed $entry): string => is_string($entry) && $entry !== ''
            ? "<qtimetadatafield><fieldlabel>$label</fieldlabel><fieldentry>".Xml::escape($entry).'</fieldentry></qtimetadatafield>'
            : '';
        $fields =
            $field('qmd_topic', $topic).
            $field('qmd_keywords', $tags).
            $field('qmd_levelofdifficulty', $difficulty).
            $field('qmd_author', $record->author ?? '').
            implode('', array_map(
                fn (Alignment $one): string => $field(Metadata::STANDARD, Metadata::standardEntry($one)),
                $this->question->record->classification->standards,
            )).
            $field('qmd_maximumscore', ScoreFloats::float($this->question->points()));

        return "<itemmetadata><qtimetadata>$fields</qtimetadata></itemmetadata>";
    }

    private function questionLosses(FeedbackWriter $feedback): void
    {
        $losses = [
            ...ToolLosses::of($this->question, false),
            ...StandardLosses::of($this->question, true),
            ...PackedMedia::losses(Json::encode($this->question->content())),
        ];
        foreach ($losses as [$code, $sentence]) {
            $this->lose($code, $sentence);
        }
        if (! SharedAnswers::areDistinct($this->question)) {
            $this->lose('qti12.once', Message::of('interchange.qti12.where-answer-fits-several'));
        }
        if (MarkerText::isIn($this->question)) {
            $this->lose('rubric.text', Message::of('interchange.rubric-as-text'));
        }
        if ($this->question->scoring->instead !== []) {
            $this->lose('qti.instead', Message::of('interchange.qti30.parts-instead-of-others'));
        }
        if (array_filter($this->question->hints, fn ($hint): bool => true) !== []) {
            $this->lose('qti12.hints', Message::of('interchange.qti12.hints-go-along-they'));
        }
        if ($feedback->losesTime()) {
            $this->lose(
                'qti12.feedback_time',
                Message::of('interchange.qti12.feedback-shows-after-each'),
            );
        }
        if ($feedback->losesStates()) {
            $this->lose('qti12.feedback', Message::of('interchange.qti12.some-feedback-depends-how'));
        }
    }

    private function lose(string $code, string $sentence): void
    {
        foreach ($this->notices as $notice) {
            if ($notice->code === $code && $notice->question === $this->question->id) {
                return;
            }
        }
        $this->notices[] = Notice::loss($code, $sentence, null, null, $this->question->id);
    }
}
