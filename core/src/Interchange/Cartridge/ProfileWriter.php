<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\Gaps;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\CoreException;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\MarkerText;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\PackedMedia;
use WideQuarry\Interchange\Plain\AcceptedWordings;
use WideQuarry\Interchange\Plain\ContentExporter;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Mappings;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Interchange\StandardLosses;
use WideQuarry\Interchange\ToolLosses;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

/**
 * One question by the QTI profile of Common Cartridge 1.3: one answer of six kinds, in percent, with a weight. What does not fit is
 * an essay there.
 */
final class ProfileWriter
{
    /** With up to this many options, every subset is written. */
    private const SUBSETS = 6;

    private const STEPS = 400;

    private const FIELD = '<response_str ident="response1" rcardinality="Single"><render_fib prompt="Dashline"/></response_str>';

    /** @var list<Notice> */
    private array $notices = [];

    private Question $question;

    private ContentExporter $outward;

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
        $this->outward = ContentExporter::of($question, $this->files, '$IMS-CC-FILEBASE$/');
        if ($question->variables->varies()) {
            $this->lose('cc.templates', Message::of('interchange.cartridge.cartridge-cannot-express-values'));
        }
        $parts = array_values(array_filter($question->parts, fn (Part $one): bool => ! $question->scoring->isInstead($one->id)));
        $part = $parts[0] ?? null;
        $in = new WriteContext($question->language, $question->normalise, $this->outward->roll, new Gaps($question->body), []);
        $plain = $part === null || count($parts) > 1 ? null : Mappings::of($part->kind)?->plain($part, $in);
        [$profile, $response, $earned] = $part === null || $plain === null ? ['cc.essay.v0p1', '', []] : $this->answer($part, $plain);
        if (count($parts) > 1) {
            $this->lose(
                'cc.several',
                Message::of('interchange.cartridge.question-cartridge-one-answer'),
            );
        } elseif ($profile === 'cc.essay.v0p1' && $part !== null && $part->scheme !== Scheme::Person) {
            $this->lose(
                'cc.kind',
                Message::of('interchange.cartridge.part-kind-does-not-fit-into', ['kind' => $part->kindName]),
            );
        }
        foreach ($plain?->byHand === true ? $plain->losses : [] as [$code, $sentence]) {
            $this->lose($code, $sentence);
        }
        if ($plain?->picture !== null && $profile !== 'cc.essay.v0p1') {
            $this->lose('spot.names', Message::of('interchange.cartridge.names-of-regions'));
        }
        $response = $response !== '' ? $response : '<response_str ident="response1" rcardinality="Single"><render_fib/></response_str>';
        $text = implode('', $passages).$this->body($plain);
        $this->losses();

        return '<item ident="'.
            Xml::escape($ident).
            '" title="'.
            Xml::escape($question->title).
            '"><itemmetadata><qtimetadata>'.
            self::field('cc_profile', $profile).
            self::field('cc_weighting', ScoreFloats::float($weight)).
            ($profile === 'cc.essay.v0p1' ? self::field('qmd_scoringpermitted', 'Yes').self::field('qmd_computerscored', 'No') : '').
            '</qtimetadata></itemmetadata>'.
            '<presentation>'.
            $this->material($text).
            "$response</presentation>".
            ($profile === 'cc.essay.v0p1' ? '' : $this->processing($earned)).
            $this->feedback().
            $this->solutions().
            '</item>';
    }

    public static function field(string $label, string $entry): string
    {
        return "<qtimetadatafield><fieldlabel>$label</fieldlabel><fieldentry>".Xml::escape($entry).'</fieldentry></qtimetadatafield>';
    }

    /**
     * @return array{string, string, list<array{string, BigRational}>} profile, response, and conditions with the share each earns; an
     * essay without a response when it does not fit
     */
    private function answer(Part $part, PlainPart $plain): array
    {
        $essay = ['cc.essay.v0p1', '', []];
        if ($plain->byHand || $plain->picture?->isPlaced === true || $part->scheme === Scheme::Person || $part->key->rules === []) {
            return $essay;
        }
        $answer = match ($plain->shape) {
            AnswerShape::Picks => $plain->limits->several ? $this->several($plain, $part) : $this->one($plain, $part),
            AnswerShape::Words => $this->words($plain, $part),
            AnswerShape::Number => $this->numbers($plain, $part),
            default => $essay,
        };

        return array_filter($answer[2], fn (array $earned): bool => $earned[1]->isPositive()) === [] ? $essay : $answer;
    }

    private function credit(Rule $rule): BigRational
    {
        try {
            return $rule->credit();
        } catch (CoreException) {
            return BigRational::zero();
        }
    }

    /** The credit clamped to the bounds of the part, and to zero. */
    private function share(Part $part, BigRational $credit): BigRational
    {
        $low = $part->bound('low');
        $credit = $credit->isLessThan($low) ? $low : ($credit->isGreaterThan($part->bound('high')) ? $part->bound('high') : $credit);
        if ($credit->isNegative() && $this->question->scoring->low()->isNegative()) {
            $this->lose('cc.below', Message::of('interchange.cartridge.cartridge-nothing-below-0'));
        }

        return $credit->isNegative() ? BigRational::zero() : $credit;
    }

    /** @return array{string, string, list<array{string, BigRational}>} */
    private function one(PlainPart $plain, Part $part): array
    {
        $words = array_map(fn (array $option): string => mb_strtolower(trim(strip_tags($option['html']))), $plain->options);
        sort($words);
        $rules = [];
        foreach ($part->key->rules as $rule) {
            if (is_string($rule->on)) {
                $rules[$rule->on] ??= $rule;
            }
        }
        $earned = array_map(
            fn (array $option): array => [
                $this->equal($option['id']),
                $this->share($part, isset($rules[$option['id']]) ? $this->credit($rules[$option['id']]) : $part->key->default()),
            ],
            $plain->options,
        );

        return [
            $words === ['false', 'true'] ? 'cc.true_false.v0p1' : 'cc.multiple_choice.v0p1',
            $this->choice($plain, 'Single'),
            $earned,
        ];
    }

    /**
     * Every subset of a few options with its credit; with more options, only the right one.
     *
     * @return array{string, string, list<array{string, BigRational}>}
     */
    private function several(PlainPart $plain, Part $part): array
    {
        $ids = array_column($plain->options, 'id');
        $right = array_values(
            array_filter(
                array_map(
                    fn (Rule $rule): string => is_string($rule->on) && $this->credit($rule)->isPositive() ? $rule->on : '',
                    $part->key->rules,
                ),
            ),
        );
        if ($part->scheme !== Scheme::All && count($ids) > self::SUBSETS) {
            $this->lose(
                'cc.all_or_nothing',
                Message::of('interchange.cartridge.cartridge-many-right-answers'),
            );
        }
        $earned = [];
        foreach ($part->scheme === Scheme::All || count($ids) > self::SUBSETS ? [] : range(1, (1 << count($ids)) - 1) as $mask) {
            $set = array_values(array_filter($ids, fn (int $i): bool => (($mask >> $i) & 1) === 1, ARRAY_FILTER_USE_KEY));
            if ($plain->limits->max === null || count($set) <= $plain->limits->max) {
                $earned[] = [$this->exactly($ids, $set), $this->scored($part, $set)];
            }
        }
        $earned = $earned === [] && $right !== [] ? [[$this->exactly($ids, $right), BigRational::one()]] : $earned;
        usort($earned, fn (array $a, array $b): int => $b[1]->compareTo($a[1]));

        return [
            'cc.multiple_response.v0p1',
            $this->choice($plain, 'Multiple'),
            array_values(array_filter($earned, fn (array $one): bool => ! $one[1]->isZero())),
        ];
    }

    /**
     * @param  list<string>  $ids  all options
     * @param  list<string>  $set  those that are chosen, and no others
     */
    private function exactly(array $ids, array $set): string
    {
        $others = array_map(fn (string $id): string => '<not>'.$this->equal($id).'</not>', array_values(array_diff($ids, $set)));

        return '<and>'.implode('', array_map($this->equal(...), $set)).implode('', $others).'</and>';
    }

    /** @param  list<string>  $chosen */
    private function scored(Part $part, array $chosen): BigRational
    {
        try {
            $result = (new Scorer)->score(
                $this->question,
                new Attempt((object) [$part->id => (object) ['chosen' => $chosen]], Seed::of(1)),
            );
        } catch (CoreException) {
            return BigRational::zero();
        }
        if ($result->exact->isNegative()) {
            $this->lose('cc.below', Message::of('interchange.cartridge.cartridge-nothing-below-0'));
        }

        return ! $result->exact->isPositive() || ! $result->max->isPositive()
            ? BigRational::zero()
            : $result->exact->dividedBy($result->max);
    }

    /** @return list<Rule> in the order in which they decide */
    private static function ordered(Part $part): array
    {
        $rules = $part->key->rules;
        usort($rules, fn (Rule $a, Rule $b): int => $b->credit()->compareTo($a->credit()));

        return $rules;
    }

    /** @return array{string, string, list<array{string, BigRational}>} */
    private function words(PlainPart $plain, Part $part): array
    {
        $earned = [];
        $contains = false;
        foreach (self::ordered($part) as $rule) {
            $on = $rule->on;
            if (! ($on instanceof TextMatcher) || $on->texts === [] || in_array($on->answer, ['shape', 'otherwise'], true)) {
                $this->lose('cc.rule', Message::of('interchange.cartridge.rule-answer-cannot-said'));

                continue;
            }
            if ($on->answer === 'slips') {
                $this->lose('text.slips', Message::of('interchange.cartridge.answers-slips-spelling-not-accepted'));
            }
            $holds = in_array($on->answer, ['holds', 'holds_any', 'holds_all'], true);
            $contains = $contains || $holds;
            $case = ($on->case === null ? $plain->ignoresCase() : $on->case === 'ignore') ? 'No' : 'Yes';
            $wordings = new AcceptedWordings($plain->field->normalise ?? $this->question->normalise, $this->question->language);
            $texts = $wordings->of(
                $on,
                array_map(fn ($text): string => $text->words($this->outward->roll, $this->question->language), $on->texts),
            );
            array_map(fn (array $loss) => $this->lose(...$loss), $wordings->losses());
            $name = $holds ? 'varsubstring' : 'varequal';
            $tests = array_map(
                fn (string $text): string => "<$name respident=\"response1\" case=\"$case\">".Xml::escape($text)."</$name>",
                $texts,
            );
            $share = $this->share($part, $this->credit($rule));
            if ($on->answer === 'holds_all' && count($tests) > 1) {
                $tests = ['<and>'.implode('', $tests).'</and>'];
            }
            foreach ($tests as $test) {
                $earned[] = [$test, $share];
            }
        }
        if ($contains) {
            $this->lose(
                'text.word_bounds',
                Message::of('interchange.cartridge.cartridge-looks-letters-whole'),
            );
        }

        return [$contains ? 'cc.pattern_match.v0p1' : 'cc.fib.v0p1', self::FIELD, $earned];
    }

    /** @return array{string, string, list<array{string, BigRational}>} */
    private function numbers(PlainPart $plain, Part $part): array
    {
        $spelled = [];
        if ($plain->field->scale !== null) {
            $this->lose('cc.scale', Message::of('interchange.cartridge.scale-becomes-field-type'));
            $spelled = $this->steps($part, $plain->field->scale);
        }
        foreach ($plain->field->scale === null ? self::ordered($part) : [] as $rule) {
            $texts =
                $rule->on instanceof NumberMatcher
                    ? (new SpelledNumbers($this->question->language))->of($rule->on, $this->outward->roll)
                    : [];
            if ($texts === []) {
                $this->lose('cc.rule', Message::of('interchange.cartridge.rule-answer-cannot-said'));
            }
            foreach ($texts as $text) {
                $spelled[$text] ??= $this->share($part, $this->credit($rule));
            }
        }
        if ($spelled !== []) {
            $this->lose(
                'cc.number',
                Message::of('interchange.cartridge.cartridge-compares-letters-not-numbers'),
            );
        }

        return [
            'cc.fib.v0p1',
            self::FIELD,
            array_map(
                fn (int|string $text, BigRational $share): array => [$this->equal((string) $text), $share],
                array_keys($spelled),
                $spelled,
            ),
        ];
    }

    /**
     * @param  array{string, string, string}  $scale
     * @return array<int|string, BigRational> what each step of a scale earns
     */
    private function steps(Part $part, array $scale): array
    {
        [$at, $to, $step] = array_map(Exact::of(...), $scale);
        $steps = [];
        for ($n = 0; $at->isLessThanOrEqualTo($to) && $n < self::STEPS; $n++, $at = $at->plus($step)) {
            foreach (self::ordered($part) as $rule) {
                if ($rule->on instanceof NumberMatcher && $rule->on->accepts($at, $this->outward->roll)) {
                    $steps[Exact::decimal($at) ?? Exact::text($at)] = $this->share($part, $this->credit($rule));
                    break;
                }
            }
        }

        return $steps;
    }

    private function choice(PlainPart $plain, string $cardinality): string
    {
        return "<response_lid ident=\"response1\" rcardinality=\"$cardinality\"><render_choice shuffle=\"".
            ($plain->limits->shuffle ? 'Yes' : 'No').
            '">'.
            implode(
                '',
                array_map(
                    fn (array $option): string => '<response_label ident="'.
                        Xml::escape($option['id']).
                        '">'.
                        $this->material($option['html']).
                        '</response_label>',
                    $plain->options,
                ),
            ).
            '</render_choice></response_lid>';
    }

    private function equal(string $value): string
    {
        return '<varequal respident="response1">'.Xml::escape($value).'</varequal>';
    }

    /** @param  list<array{string, BigRational}>  $earned  conditions and the share each earns */
    private function processing(array $earned): string
    {
        $show = fn (string $ident): string => "<displayfeedback feedbacktype=\"Response\" linkrefid=\"$ident\"/>";
        $has = fn (string $state): bool => isset($this->question->feedback[$state]) || isset($this->question->parts[0]->feedback[$state]);
        $conditions = isset($this->question->feedback['general'])
            ? '<respcondition continue="Yes"><conditionvar><other/></conditionvar>'.$show('general_fb').'</respcondition>'
            : '';
        foreach ($this->question->parts[0]->key->rules as $rule) {
            $conditions .=
                $rule->feedback !== null && is_string($rule->on)
                    ? '<respcondition continue="Yes"><conditionvar>'.
                        $this->equal($rule->on).
                        '</conditionvar>'.
                        $show(Xml::escape("$rule->on").'_fb').
                        '</respcondition>'
                    : '';
        }
        foreach ($earned as [$test, $share]) {
            $said = match (true) {
                $share->isGreaterThanOrEqualTo(1) => $has('right') ? $show('correct_fb') : '',
                $share->isPositive() => $has('partly') ? $show('partly_correct_fb') : '',
                default => $has('wrong') ? $show('general_incorrect_fb') : '',
            };
            if (! $share->isZero() || $said !== '') {
                $conditions .=
                    "<respcondition continue=\"No\"><conditionvar>$test</conditionvar><setvar action=\"Set\" varname=\"SCORE\">".
                    ScoreFloats::float($share->multipliedBy(100)).
                    "</setvar>$said</respcondition>";
            }
        }
        $conditions .= $has('wrong')
            ? '<respcondition continue="Yes"><conditionvar><other/></conditionvar>'.$show('general_incorrect_fb').'</respcondition>'
            : '';

        return '<resprocessing><outcomes><decvar maxvalue="100" minvalue="0" varname="SCORE" vartype="Decimal"/>'.
            "</outcomes>$conditions</resprocessing>";
    }

    private function feedback(): string
    {
        $item = fn (string $ident, ?Feedback $said): string => $said === null
            ? ''
            : "<itemfeedback ident=\"$ident\"><flow_mat>".$this->material($said->html).'</flow_mat></itemfeedback>';
        $of = fn (string $state): ?Feedback => $this->question->feedback[$state] ?? ($this->question->parts[0]->feedback[$state] ?? null);
        $rules = implode(
            '',
            array_map(
                fn (Rule $rule): string => is_string($rule->on) ? $item(Xml::escape($rule->on).'_fb', $rule->feedback) : '',
                $this->question->parts[0]->key->rules ?? [],
            ),
        );

        return $rules.
            $item('general_fb', $this->question->feedback['general'] ?? null).
            $item('correct_fb', $of('right')).
            $item('partly_correct_fb', $of('partly')).
            $item('general_incorrect_fb', $of('wrong'));
    }

    /** Model answers; and the rubric, for which there is no other place. */
    private function solutions(): string
    {
        $rubrics = array_values(MarkerText::rubrics($this->question));
        $texts = [...array_merge(...array_values(MarkerText::models($this->question))), ...$rubrics];
        if ($texts !== []) {
            $this->lose('rubric.text', Message::of('interchange.rubric-as-text'));
        }

        return implode(
            '',
            array_map(
                fn (string $html, int $i): string => '<itemfeedback ident="solution_'.
                    ($i + 1).
                    '"><solution><solutionmaterial>'.
                    $this->material($this->outward->html($html)).
                    '</solutionmaterial></solution></itemfeedback>',
                $texts,
                array_keys($texts),
            ),
        );
    }

    /** What is asked, with a line where something stands in the text. */
    private function body(?PlainPart $plain): string
    {
        $text = $plain === null || $plain->text === '' ? '' : $plain->text;

        $body = Serialiser::html(RichText::read($this->question->body)->nodes);
        foreach ($this->question->scoring->instead as ['part' => $id]) {
            $body = str_replace('<div data-part="'.Xml::escape($id).'"></div>', '', $body);
        }

        return (string) preg_replace(
            ['~<div data-part="[^"]*"></div>~', '~<span data-(?:part|gap)="[^"]*"(?: data-of="[^"]*")?></span>~'],
            [$text, '_____'],
            $body,
        );
    }

    private function material(string $html): string
    {
        $html = $this->outward->html($html);

        return '<material><mattext texttype="text/html">'.Xml::escape($html).'</mattext></material>';
    }

    private function losses(): void
    {
        $losses = [
            ...ToolLosses::of($this->question, false),
            ...StandardLosses::of($this->question, false),
            ...PackedMedia::losses(Json::encode($this->question->content())),
        ];
        foreach ($losses as [$code, $sentence]) {
            $this->lose($code, $sentence);
        }
        if ($this->question->scoring->instead !== []) {
            $this->lose('qti.instead', Message::of('interchange.qti30.parts-instead-of-others'));
        }
        if ($this->question->hints !== []) {
            $this->lose('cc.hints', Message::of('interchange.cartridge.hints-do-not-go-along'));
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
