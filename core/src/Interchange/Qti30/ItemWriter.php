<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Content\Element;
use WideQuarry\Content\Filling;
use WideQuarry\Content\Gaps;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\CoreException;
use WideQuarry\Interchange\MarkerText;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\PackedMedia;
use WideQuarry\Interchange\Plain\SharedAnswers;
use WideQuarry\Interchange\StandardLosses;
use WideQuarry\Interchange\ToolLosses;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Scoring\SharedRules;
use WideQuarry\Variables\Roll;

/** One question as an assessment item. What the standard cannot say is written as the nearest, with a notice. */
final class ItemWriter
{
    /** @var list<Notice> */
    private array $notices = [];

    /** @var array<string, string> part id → interaction */
    private array $interactions = [];

    /** @var array<string, string> part, tab and gap → what stands there */
    private array $gaps = [];

    /** @var array<string, string> parts whose interaction stands around the text that has their gaps → response */
    private array $around = [];

    /** @param  array<string, string>  $files media id → path in the package */
    public function __construct(private readonly array $files)
    {
    }

    /**
     * @param  list<string>  $stimuli  ids of those that are in the package
     * @param  list<string>  $passages  rich text of stimuli that have no document of their own
     */
    public function write(Question $question, array $stimuli, array $passages = []): WrittenItem
    {
        $templates = TemplateWriter::of($question);
        $in = new WriteContext(
            $question->language,
            $question->normalise,
            $this->roll($question, $templates),
            new Gaps($question->body),
            GapText::scattered($question),
            $templates,
        );
        $values = $templates?->printed() ?? $in->roll->filling();
        $score = new ScoreWriter($question);
        $feedback = new FeedbackWriter(fn (string $html): string => self::content($html, $this->files, $values));
        $sent = $this->parts($question, $in, $values, $score);
        foreach ($sent as $i => [$part, $response, $written]) {
            $feedback->part($part, $response, $written, $i + 1, $score->taken()[$part->id] ?? '');
        }
        if ($sent !== []) {
            $feedback->question($question, array_column($sent, 1), $score->isAddedUp());
        }
        $this->questionLosses($question, $feedback, $score);
        if ($passages !== []) {
            $this->lose($question, 'qti.stimulus_inside', Message::of('interchange.qti30.stimuli-repeated-every-item'));
        }
        $rules = $score->rules().$feedback->conditions();
        $xml =
            self::head($question).
            implode('', array_map(fn (array $one): string => $one[2]->declaration, $sent)).
            $score->declarations().
            self::outcomes($question).
            $feedback->declaration().
            $templates?->declarations().
            ($templates?->processing() ?? '').
            self::references($question, $stimuli).
            CompanionMaterials::xml($question).
            '<qti-item-body>'.
            $this->passages($passages).
            $this->body($question, $values).
            $this->forMarkers($question, $values).
            '</qti-item-body>'.
            ($rules === '' ? '' : "<qti-response-processing>$rules</qti-response-processing>").
            $feedback->modals().
            "</qti-assessment-item>\n";

        return new WrittenItem(
            $xml,
            array_values(array_unique([...QuestionMedia::in($passages), ...QuestionMedia::of($question)])),
            $this->notices,
        );
    }

    /**
     * Writes what the parts have for themselves: declarations, interactions, gaps, scores.
     *
     * @param  Filling|array<string, Element>  $values  filled in, or what prints each
     * @return array<int, array{Part, string, WrittenPart}> place → part, response identifier, what was written
     */
    private function parts(Question $question, WriteContext $in, Filling|array $values, ScoreWriter $score): array
    {
        $sent = [];
        foreach ($question->parts as $i => $own) {
            if ($question->scoring->isInstead($own->id)) {
                $this->interactions[$own->id] = ''; // told as a loss of the question

                continue;
            }
            $part = $own->withKey(SharedRules::keyFor($question, $own));
            $response = 'RESPONSE'.($i === 0 ? '' : $i + 1);
            $written = $this->part($question, $part, $response, $in, $values);
            if ($written === null) {
                $this->lose($question, 'qti.kind', Message::of('interchange.qti30.part-kind-cannot-written', [
                    'kind' => $part->kindName,
                ]));

                continue;
            }
            $this->interactions[$part->id] = $written->interaction;
            foreach ($written->gaps as $gap => $xml) {
                $this->gaps["$part->id\t$gap"] = $xml;
            }
            if ($written->gaps !== [] && ! in_array($part->id, $in->scattered, true)) {
                $this->around[$part->id] = $response;
            }
            $sent[$i] = [$part, $response, $written];
            $score->add($part, $response, $written);
            foreach ($written->losses as [$code, $sentence]) {
                $this->lose($question, $code, $sentence);
            }
        }

        return $sent;
    }

    /** @param  Filling|array<string, Element>  $values  filled in, or what prints each */
    private function part(Question $question, Part $part, string $response, WriteContext $in, Filling|array $values): ?WrittenPart
    {
        if ($part->kind === null) {
            return null;
        }
        try {
            return Mappings::of($part->kind)?->write(
                $part,
                $response,
                $in,
                fn (string $html): string => self::content($html, $this->files, $values),
            );
        } catch (CoreException $problem) {
            $this->lose($question, 'key.unready', Message::of('interchange.qti30.part-could-not-be-written', ['why' => $problem->getMessage()]));

            return null;
        }
    }

    private static function head(Question $question): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n".
            '<qti-assessment-item xmlns="'.
            Qti30Format::NAMESPACE.
            "\" identifier=\"Q-$question->id\" title=\"".
            Xml::escape($question->title).
            "\" adaptive=\"false\" time-dependent=\"false\" xml:lang=\"$question->language\">";
    }

    private static function outcomes(Question $question): string
    {
        $max = ScoreFloats::float($question->points());

        return "<qti-outcome-declaration identifier=\"SCORE\" cardinality=\"single\" base-type=\"float\" normal-maximum=\"$max\">".
            '<qti-default-value><qti-value>0</qti-value></qti-default-value></qti-outcome-declaration>'.
            '<qti-outcome-declaration identifier="MAXSCORE" cardinality="single" base-type="float"><qti-default-value>'.
            "<qti-value>$max</qti-value></qti-default-value></qti-outcome-declaration>";
    }

    /** @param  list<string>  $stimuli  those that are in the package */
    private static function references(Question $question, array $stimuli): string
    {
        return implode(
            '',
            array_map(
                fn (string $id): string => "<qti-assessment-stimulus-ref identifier=\"S-$id\" href=\"../stimuli/$id.xml\"/>",
                array_values(array_intersect($question->stimuli, $stimuli)),
            ),
        );
    }

    /**
     * What whoever marks it sees beside the item: rubrics, then model answers.
     *
     * @param  Filling|array<string, Element>  $values  filled in, or what prints each
     */
    private function forMarkers(Question $question, Filling|array $values): string
    {
        $texts = [...array_values(MarkerText::rubrics($question)), ...array_merge(...array_values(MarkerText::models($question)))];

        return implode(
            '',
            array_map(
                fn (string $html): string => '<qti-rubric-block use="scoring" view="scorer"><qti-content-body>'.
                    self::content(RichText::read($html)->html(), $this->files, $values).
                    '</qti-content-body></qti-rubric-block>',
                $texts,
            ),
        );
    }

    /** @param  list<string>  $passages */
    private function passages(array $passages): string
    {
        return implode(
            '',
            array_map(fn (string $html): string => '<div class="stimulus">'.self::content($html, $this->files).'</div>', $passages),
        );
    }

    /**
     * Rich text as an item holds it: media by path, MathML in its namespace.
     *
     * @param  array<string, string>  $files
     * @param  Filling|array<string, Element>  $values  filled in, or what prints each
     */
    public static function content(string $html, array $files, Filling|array $values = []): string
    {
        return Serialiser::html(self::outward(RichText::read($html)->nodes, $files, $values, []));
    }

    /** @param  Filling|array<string, Element>  $values  filled in, or what prints each */
    private function body(Question $question, Filling|array $values): string
    {
        $nodes = RichText::read($question->body)->nodes;
        foreach ($this->around as $id => $response) {
            $settings = $question->part((string) $id)?->settings;
            $nodes = GapText::wrapped($nodes, (string) $id, $response, isset($settings->shuffle) && $settings->shuffle === true);
        }
        $nodes = self::outward($nodes, $this->files, $values, $this->interactions);
        $nodes = $nodes === [] ? [new Element('p')] : $nodes;
        $inline =
            array_filter(
                $nodes,
                fn (Element|string $node): bool => is_string($node) ||
                    ! (isset(\WideQuarry\Content\AllowList::BLOCK[$node->name]) || $node->name === 'qti-gap-match-interaction'),
            ) !== [];
        $html = Serialiser::html($inline ? [new Element('p', [], $nodes)] : $nodes);
        foreach ($this->interactions as $id => $interaction) {
            $mark = Xml::escape($id);
            $html = str_replace(["<div data-part=\"$mark\"></div>", "<span data-part=\"$mark\"></span>"], $interaction, $html);
        }

        foreach ($this->gaps as $place => $xml) {
            [$part, $gap] = array_map(Xml::escape(...), explode("\t", (string) $place));
            $html = str_replace("<span data-gap=\"$gap\" data-of=\"$part\"></span>", $xml, $html);
        }

        return $html;
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  array<string, string>  $files
     * @param  Filling|array<string, Element>  $values  filled in, or what prints each
     * @param  array<string, string>  $parts
     * @return list<Element|string>
     */
    private static function outward(array $nodes, array $files, Filling|array $values, array $parts): array
    {
        if ($values instanceof Filling) {
            return self::outward($values->nodes($nodes), $files, [], $parts);
        }
        $out = [];
        foreach ($nodes as $node) {
            $value = $node instanceof Element ? $node->attribute('data-value') : null;
            $media = $node instanceof Element ? $node->attribute('data-media') : null;
            $out[] = match (true) {
                is_string($node) => $node,
                $value !== null => self::shown($node->name, $value, $values[$value] ?? $value),
                $media !== null => PackedMedia::element($node, $files, '../'),
                $node->name === 'math' => new Element(
                    'math',
                    [...$node->attributes, 'xmlns' => 'http://www.w3.org/1998/Math/MathML'],
                    self::outward($node->children, $files, $values, $parts),
                ),
                default => $node->withChildren(self::outward($node->children, $files, $values, $parts)),
            };
        }

        return $out;
    }

    /** What stands for a value: the variable that prints it, or its name where nothing does. */
    private static function shown(string $element, string $name, string|Element $value): Element|string
    {
        return $element === 'mi' ? new Element('mi', [], [$name]) : $value;
    }

    private function roll(Question $question, ?TemplateWriter $templates): Roll
    {
        if ($question->variables->list !== [] && $templates === null) {
            $this->lose($question, 'qti.templates', Message::of('interchange.qti30.qti-cannot-express-how'));
        }

        return $question->variables->anyRoll($question->language);
    }

    private function questionLosses(Question $question, FeedbackWriter $feedback, ScoreWriter $score): void
    {
        $losses = [
            ...ToolLosses::of($question, true),
            ...StandardLosses::of($question, true),
            ...PackedMedia::losses(Json::encode($question->content())),
        ];
        foreach ($losses as [$code, $sentence]) {
            $this->lose($question, $code, $sentence);
        }
        if (! SharedAnswers::areDistinct($question)) {
            $this->lose($question, 'qti.once', Message::of('interchange.qti30.where-answer-fits-several'));
        }
        if (! $score->saysGates()) {
            $this->lose($question, 'qti.gates', Message::of('interchange.qti30.parts-wait-others-cannot'));
        }
        if ($question->scoring->instead !== []) {
            $this->lose($question, 'qti.instead', Message::of('interchange.qti30.parts-instead-of-others'));
        }
        if (MarkerText::isIn($question)) {
            $this->lose($question, 'rubric.text', Message::of('interchange.rubric-as-text'));
        }
        if ($question->hints !== []) {
            $this->lose($question, 'qti.hints', Message::of('interchange.qti30.hints-not-written-qti'));
        }
        if ($feedback->losesTime()) {
            $this->lose(
                $question,
                'qti.feedback_time',
                Message::of('interchange.qti30.feedback-shows-after-each'),
            );
        }
    }

    private function lose(Question $question, string $code, string $sentence): void
    {
        $this->notices[] = Notice::loss($code, $sentence, null, null, $question->id);
    }
}
