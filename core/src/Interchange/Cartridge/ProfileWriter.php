<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberOn;
use WideQuarry\Answer\TypedOn;
use WideQuarry\Content\Gaps;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\CoreException;
use WideQuarry\Interchange\Keys\Shape;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Plain\Outward;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Credit;
use WideQuarry\Interchange\Qti30\Mappings;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\Scheme;

/**
 * One question by the QTI profile of Common Cartridge 1.3: one answer of six kinds, right or wrong, in percent, with a weight. What does not fit is
 * an essay there.
 */
final class ProfileWriter
{
    /** @var list<Notice> */
    private array $notices = [];

    private Question $question;

    private Outward $outward;

    /** @param  array<string, string>  $files  media id → path in the cartridge */
    public function __construct(private readonly array $files)
    {
    }

    /** @return list<Notice> */
    public function notices(): array
    {
        return $this->notices;
    }

    /** @param  list<string>  $passages  rich text of the stimuli it shows */
    public function write(Question $question, string $ident, BigRational $weight, array $passages): string
    {
        $this->question = $question;
        $this->outward = Outward::of($question, $this->files, '$IMS-CC-FILEBASE$/');
        $question->variables->list === [] || $this->lose('cc.templates', 'Values that vary cannot be said in a cartridge: one set of them stands in the question.');
        $part = $question->parts[0] ?? null;
        $in = new WriteContext($question->language, $question->normalise, $this->outward->roll, new Gaps($question->body), []);
        $plain = $part?->kind === null || count($question->parts) > 1 ? null : Mappings::for($part->kindName)?->plain($part, $in);
        [$profile, $response, $right] = $part === null || $plain === null ? ['cc.essay.v0p1', '', []] : $this->answer($part, $plain);
        if (count($question->parts) > 1) {
            $this->lose('cc.several', 'A question in a cartridge has one answer: this one, which has several, goes along to be marked by hand.');
        } elseif ($profile === 'cc.essay.v0p1' && $part !== null && $part->scheme !== Scheme::Person) {
            $this->lose('cc.kind', "A part of the kind \"$part->kindName\" does not fit into a cartridge: the question goes along to be marked by hand.");
        }
        $response = $response !== '' ? $response : '<response_str ident="response1" rcardinality="Single"><render_fib/></response_str>';
        $text = implode('', $passages).$this->body($plain);
        $this->losses();

        return '<item ident="'.Xml::escape($ident).'" title="'.Xml::escape($question->title).'"><itemmetadata><qtimetadata>'.self::field('cc_profile', $profile).self::field('cc_weighting', Credit::float($weight)).($profile === 'cc.essay.v0p1' ? self::field('qmd_scoringpermitted', 'Yes').self::field('qmd_computerscored', 'No') : '').'</qtimetadata></itemmetadata>'
            .'<presentation>'.$this->material($text)."$response</presentation>".($profile === 'cc.essay.v0p1' ? '' : $this->processing($right)).$this->feedback().'</item>';
    }

    public static function field(string $label, string $entry): string
    {
        return "<qtimetadatafield><fieldlabel>$label</fieldlabel><fieldentry>".Xml::escape($entry).'</fieldentry></qtimetadatafield>';
    }

    /** @return array{string, string, list<string>} profile, response, and conditions of what is right; an essay without a response when it does not fit */
    private function answer(Part $part, PlainPart $plain): array
    {
        $essay = ['cc.essay.v0p1', '', []];
        $right = array_values(array_filter($part->key->rules, fn (Rule $rule): bool => $this->credit($rule)->isGreaterThanOrEqualTo(1) || ($part->scheme !== Scheme::Weights && $this->credit($rule)->isPositive())));
        if ($plain->byHand || $part->scheme === Scheme::Person || $right === []) {
            return $essay;
        }
        if (array_filter($part->key->rules, fn (Rule $rule): bool => $this->credit($rule)->isPositive() && ! in_array($rule, $right, true)) !== []) {
            $this->lose('cc.partial', 'In a cartridge an answer is right or wrong: what earned a part of the points earns nothing there.');
        }

        return match ($plain->shape) {
            Shape::Picks => $plain->several ? $this->several($plain, $part, $right) : $this->one($plain, $right),
            Shape::Words => $this->words($plain, $right),
            Shape::Number => $plain->scale === null ? $this->numbers($right) : $essay,
            default => $essay,
        };
    }

    private function credit(Rule $rule): BigRational
    {
        try {
            return $rule->credit();
        } catch (CoreException) {
            return BigRational::zero();
        }
    }

    /**
     * @param  list<Rule>  $right
     * @return array{string, string, list<string>}
     */
    private function one(PlainPart $plain, array $right): array
    {
        $words = array_map(fn (array $option): string => mb_strtolower(trim(strip_tags($option['html']))), $plain->options);
        sort($words);

        return [$words === ['false', 'true'] ? 'cc.true_false.v0p1' : 'cc.multiple_choice.v0p1', $this->choice($plain, 'Single'), array_map(fn (Rule $rule): string => $this->equal(is_string($rule->on) ? $rule->on : ''), $right)];
    }

    /**
     * @param  list<Rule>  $right
     * @return array{string, string, list<string>}
     */
    private function several(PlainPart $plain, Part $part, array $right): array
    {
        if ($part->scheme !== Scheme::All) {
            $this->lose('cc.all_or_nothing', 'In a cartridge several right answers count only together: a part of them earns nothing there.');
        }
        $ids = array_map(fn (Rule $rule): string => is_string($rule->on) ? $rule->on : '', $right);
        $not = array_map(fn (string $id): string => '<not>'.$this->equal($id).'</not>', array_values(array_diff(array_column($plain->options, 'id'), $ids)));

        return ['cc.multiple_response.v0p1', $this->choice($plain, 'Multiple'), ['<and>'.implode('', array_map($this->equal(...), $ids)).implode('', $not).'</and>']];
    }

    /**
     * @param  list<Rule>  $right
     * @return array{string, string, list<string>}
     */
    private function words(PlainPart $plain, array $right): array
    {
        $conditions = [];
        $contains = false;
        foreach ($right as $rule) {
            $on = $rule->on;
            if (! $on instanceof TypedOn || $on->texts === [] || ! in_array($on->answer, ['is', 'slips', 'holds', 'holds_any'], true)) {
                $this->lose('cc.rule', 'A rule of this answer cannot be said in a cartridge; it is left out there.');

                continue;
            }
            $on->answer === 'slips' && $this->lose('text.slips', 'Answers with slips of spelling are not accepted there.');
            $holds = in_array($on->answer, ['holds', 'holds_any'], true);
            $contains = $contains || $holds;
            $case = ($on->case === null ? $plain->ignoresCase : $on->case === 'ignore') ? 'No' : 'Yes';
            foreach ($on->texts as $text) {
                $name = $holds ? 'varsubstring' : 'varequal';
                $conditions[] = "<$name respident=\"response1\" case=\"$case\">".Xml::escape($text->words($this->outward->roll, $this->question->language))."</$name>";
            }
        }
        $contains && $this->lose('text.word_bounds', 'A cartridge looks for letters, not whole words: an answer that only contains the letters will be accepted there.');

        return $conditions === [] ? ['cc.essay.v0p1', '', []] : [$contains ? 'cc.pattern_match.v0p1' : 'cc.fib.v0p1', '<response_str ident="response1" rcardinality="Single"><render_fib prompt="Dashline"/></response_str>', $conditions];
    }

    /**
     * @param  list<Rule>  $right
     * @return array{string, string, list<string>}
     */
    private function numbers(array $right): array
    {
        $conditions = [];
        foreach ($right as $rule) {
            foreach ($rule->on instanceof NumberOn && in_array($rule->on->answer, ['value', 'set'], true) ? $rule->on->intervals($this->outward->roll) : [] as [$from, $to]) {
                if ($from !== null && $to !== null) {
                    $conditions[] = $this->equal(Credit::float($from->plus($to)->dividedBy(2)));
                }
            }
        }
        if ($conditions !== []) {
            $this->lose('cc.number', 'A cartridge knows no numbers: only the number as it is written here is right there, not what is near or written otherwise.');
        }

        return $conditions === [] ? ['cc.essay.v0p1', '', []] : ['cc.fib.v0p1', '<response_str ident="response1" rcardinality="Single"><render_fib prompt="Dashline"/></response_str>', $conditions];
    }

    private function choice(PlainPart $plain, string $cardinality): string
    {
        return "<response_lid ident=\"response1\" rcardinality=\"$cardinality\"><render_choice shuffle=\"".($plain->shuffle ? 'Yes' : 'No').'">'.implode('', array_map(fn (array $option): string => '<response_label ident="'.Xml::escape($option['id']).'">'.$this->material($option['html']).'</response_label>', $plain->options)).'</render_choice></response_lid>';
    }

    private function equal(string $value): string
    {
        return '<varequal respident="response1">'.Xml::escape($value).'</varequal>';
    }

    /** @param  list<string>  $right */
    private function processing(array $right): string
    {
        $show = fn (string $ident): string => "<displayfeedback feedbacktype=\"Response\" linkrefid=\"$ident\"/>";
        $has = fn (string $state): bool => isset($this->question->feedback[$state]) || isset($this->question->parts[0]->feedback[$state]);
        $conditions = isset($this->question->feedback['general']) ? '<respcondition continue="Yes"><conditionvar><other/></conditionvar>'.$show('general_fb').'</respcondition>' : '';
        foreach ($this->question->parts[0]->key->rules as $rule) {
            $conditions .= $rule->feedback !== null && is_string($rule->on) ? '<respcondition continue="Yes"><conditionvar>'.$this->equal($rule->on).'</conditionvar>'.$show(Xml::escape("$rule->on").'_fb').'</respcondition>' : '';
        }
        foreach ($right as $test) {
            $conditions .= "<respcondition continue=\"No\"><conditionvar>$test</conditionvar><setvar action=\"Set\" varname=\"SCORE\">100</setvar>".($has('right') ? $show('correct_fb') : '').'</respcondition>';
        }
        $conditions .= $has('wrong') ? '<respcondition continue="Yes"><conditionvar><other/></conditionvar>'.$show('general_incorrect_fb').'</respcondition>' : '';

        return "<resprocessing><outcomes><decvar maxvalue=\"100\" minvalue=\"0\" varname=\"SCORE\" vartype=\"Decimal\"/></outcomes>$conditions</resprocessing>";
    }

    private function feedback(): string
    {
        $item = fn (string $ident, ?Feedback $said): string => $said === null ? '' : "<itemfeedback ident=\"$ident\"><flow_mat>".$this->material($said->html).'</flow_mat></itemfeedback>';
        $of = fn (string $state): ?Feedback => $this->question->feedback[$state] ?? $this->question->parts[0]->feedback[$state] ?? null;
        $rules = implode('', array_map(fn (Rule $rule): string => is_string($rule->on) ? $item(Xml::escape($rule->on).'_fb', $rule->feedback) : '', $this->question->parts[0]->key->rules ?? []));
        if ($of('partly') !== null) {
            $this->lose('cc.partial', 'In a cartridge an answer is right or wrong: what earned a part of the points earns nothing there.');
        }

        return $rules.$item('general_fb', $this->question->feedback['general'] ?? null).$item('correct_fb', $of('right')).$item('general_incorrect_fb', $of('wrong'));
    }

    /** What is asked, with a line where something stands in the text. */
    private function body(?PlainPart $plain): string
    {
        $text = $plain === null || $plain->text === '' ? '' : $plain->text;

        return (string) preg_replace(['~<div data-part="[^"]*"></div>~', '~<span data-(?:part|gap)="[^"]*"(?: data-of="[^"]*")?></span>~'], [$text, '_____'], Serialiser::html(RichText::read($this->question->body)->nodes));
    }

    private function material(string $html): string
    {
        $html = $this->outward->html($html);

        return '<material><mattext texttype="text/html">'.Xml::escape($html).'</mattext></material>';
    }

    private function losses(): void
    {
        if ($this->question->hints !== []) {
            $this->lose('cc.hints', 'Hints do not go along in a cartridge.');
        }
    }

    private function lose(string $code, string $sentence): void
    {
        foreach ($this->notices as $notice) {
            if ($notice->code === $code) {
                return;
            }
        }
        $this->notices[] = Notice::loss($code, $sentence, null, null, $this->question->id);
    }
}
