<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Keys\FeedbackPlaces;
use WideQuarry\Interchange\Keys\KeySearch;
use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\ManualMarking;
use WideQuarry\Interchange\MarkerGuidance;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\MediaLinks;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti2\OwnClasses;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\PartResult;
use WideQuarry\Scoring\Scorer;

/** One assessment item of QTI 3.0 to one question. */
final class ItemReader
{
    private const INTERACTION = '/^qti-.*-interaction$/';

    /** @var list<Notice> */
    private array $notices = [];

    private bool $untranslated = false;

    /** Whether the key inferred from the processing scores differently from the item. */
    private bool $unlike = false;

    /** @var array<string, bool> responses with two choices of one identifier */
    private array $ambiguous = [];

    private string $format = 'qti30';

    /** What the metadata says of it, for items that do not say it themselves. */
    private string $language = '';

    /** @param  \Closure(string): (Medium|Notice|null)  $medium the medium an item names by a path of its own */
    public function __construct(
        private readonly PartKinds $kinds,
        private readonly string $file,
        private readonly string $id,
        private readonly \Closure $medium,
    ) {
    }

    /**
     * @param  array<string, string>  $stimuli  file of the package → our id
     * @return iterable<\stdClass|Notice>
     *
     * @throws \WideQuarry\Interchange\UnreadableFile
     */
    public function read(string $xml, Lom $lom, array $stimuli = []): iterable
    {
        $this->language = $lom->language;
        $document = SafeXml::open($xml, $this->file, Dialects::words($xml));
        $item = $document->root;
        array_push($this->notices, ...array_map(fn (Notice $notice): Notice => $notice->about($this->id), $document->notices));
        $this->format = Dialects::format($xml) ?? 'qti30';
        if ($item->localName !== 'qti-assessment-item') {
            yield Notice::problem('qti.not_an_item', Message::of('interchange.qti30.not-assessment', [
                'file' => $this->file,
            ]), $this->file, 1);

            return;
        }
        if (OwnClasses::areIn($xml)) {
            OwnClasses::raise($item);
        }
        $prepared = new ItemNormaliser($this->file, $this->id);
        $prepared->of($item);
        array_push($this->notices, ...$prepared->notices, ...UnmappedContent::in($item, $this->file, $this->id));
        $this->ambiguous = $prepared->ambiguous;
        $this->untranslated = $prepared->ambiguous !== [];
        $assumed = TemplateReader::isIn($item) ? null : AssumedKey::of($item, $lom->fields);
        if ($assumed !== null) {
            $this->notices[] = Notice::note('qti.assumed', $assumed, $this->file, $item->getLineNo(), $this->id);
        }
        $question = $this->question($item, $lom, $stimuli);
        MarkerGuidance::place(
            $question,
            array_map(
                fn (\DOMElement $rubric): string => $this->inside(Xml::child($rubric, 'qti-content-body') ?? $rubric),
                $prepared->forMarkers,
            ),
        );
        if ($this->untranslated) {
            assert($question->record instanceof \stdClass && $question->record->origin instanceof \stdClass);
            $question->record->origin->processing = mb_scrub(mb_strcut($xml, 0, 900_000));
        }
        try {
            yield PackageContents::thing('question', Question::read(Json::decode(Json::encode($question)), $this->kinds)->toJson());
        } catch (Malformed $problem) {
            yield Notice::problem($problem->rule, Message::of('interchange.qti30.one-item-left-out', [
                'why' => $problem->getMessage(),
            ]), $this->file, null, $problem->path);

            return;
        } catch (\JsonException) {
            yield Notice::problem('value.absurd', Message::of('interchange.qti30.one-item-left-out-holds'), $this->file);

            return;
        }
        yield from $this->notices;
    }

    /** @param  array<string, string>  $stimuli */
    private function question(\DOMElement $item, Lom $lom, array $stimuli): \stdClass
    {
        $templates = TemplateReader::isIn($item) ? new TemplateReader($item) : null;
        if ($templates?->isWhole() === true) {
            $templates->settle($item);
        } elseif ($templates !== null) {
            $this->loseTemplates();
        }
        $declarations = self::declarations($item);
        $processing = new Processing(Xml::child($item, 'qti-response-processing'), $declarations, new Mappings($this->kinds));
        $body = Xml::child($item, 'qti-item-body') ?? new \DOMElement('empty');
        [$parts, $points] = $this->parts($body, $declarations, $processing, $item->getAttribute('adaptive') === 'true');
        $this->media($body);
        $text = Reader::ofDom($body);
        foreach ($text->dropped as $dropped) {
            $this->notices[] = Notice::loss('content.dropped', $dropped->sentence(), $this->file, null, $this->id);
        }
        $varied = $templates?->isWhole() === true ? $templates->keyed($parts) : $parts;
        if ($varied === null) {
            $this->loseTemplates();
        }
        $parts = $varied ?? array_map($this->bare(...), $parts);
        // what varies is not tried out: every roll has answers of its own
        $read = (object) ['combine' => $processing->all ? 'all' : 'sum', ...$points, ...$this->bounds($processing, $parts)];
        [$tried, $scoring, $translation] =
            $templates === null ? $this->tried($item, $declarations, $processing, $parts, $text->html(), $read) : [null, null, null];
        if ($tried === null) {
            $parts = $this->unkeyed($parts, $processing);
        }
        $parts = $tried ?? $parts;
        ManualMarking::share($parts, $this->most($item));
        $question = (object) [
            'format' => Question::FORMAT,
            'version' => 1,
            'id' => $this->id,
            'title' => mb_substr($lom->title !== '' ? $lom->title : $item->getAttribute('title'), 0, 500),
            'language' => $this->language($item),
            'body' => (new \WideQuarry\Content\RichText($text->nodes))->html(),
            'stimuli' => $this->stimuli($item, $stimuli),
            ...$templates?->isWhole() === true ? ['variables' => $templates->toJson()] : [],
            'parts' => $parts,
            ...CompanionMaterials::read($item) === null ? [] : ['tools' => CompanionMaterials::read($item)],
            'scoring' => $scoring ?? $read,
            'record' => $this->record($item, $lom),
        ];
        $placed =
            $translation !== null
                ? $this->byEffect($item, $translation, $question, $tried !== null)
                : (new FeedbackReader($item, $processing, $parts, $question, $this->kinds, $this->inside(...)))->place() ||
                    ($templates === null && $this->triedFeedback($item, $declarations, $question));
        $placed = ($tried !== null || $this->shared($question, $processing->once)) && $placed;
        if (! $placed) {
            $this->lose('qti.feedback', Message::of('interchange.qti30.some-feedback-depends-something-could-not-be-translated'));
        }

        return $question;
    }

    /** @return array<string, Declaration> by their identifiers */
    private static function declarations(\DOMElement $item): array
    {
        $declarations = [];
        foreach (Xml::children($item, 'qti-response-declaration') as $element) {
            $declaration = Declaration::read($element);
            $declarations[$declaration->id] = $declaration;
        }

        return $declarations;
    }

    /**
     * The parts as far as their key could be read from declarations alone, and what could not.
     *
     * @param  list<\stdClass>  $parts
     * @return list<\stdClass>
     */
    private function unkeyed(array $parts, Processing $processing): array
    {
        if ($this->unlike) {
            $this->lose('qti.key', Message::of('interchange.qti30.key-read-does-not-score'));

            return array_map($this->bare(...), $parts);
        }
        if ($processing->untranslated) {
            $this->lose('qti.processing', Message::of('interchange.qti30.marking-item-could-not-be-translated'));
        } elseif ($this->ambiguous === [] && array_filter($parts, $this->isUnmarked(...)) !== []) {
            $this->lose('qti.key', Message::of('interchange.qti30.key-one-response-could-not-be-translated'));
        }

        return $parts;
    }

    /**
     * @param  array<string, string>  $known  file in the package → id
     * @return list<string> ids of those the item names
     */
    private function stimuli(\DOMElement $item, array $known): array
    {
        $used = [];
        foreach (Xml::children($item, 'qti-assessment-stimulus-ref') as $ref) {
            $file = SafeZip::resolve($this->file, $ref->getAttribute('href'));
            if ($file !== null && isset($known[$file])) {
                $used[] = $known[$file];
            } else {
                $name = mb_strimwidth($ref->getAttribute('href'), 0, 120, '…');
                $sentence = Message::of('interchange.qti30.what-item-about-not-in-package', ['name' => $name]);
                $this->notices[] = Notice::loss('qti.stimulus', $sentence, $this->file, $ref->getLineNo(), $this->id);
            }
        }

        return $used;
    }

    private function record(\DOMElement $item, Lom $lom): \stdClass
    {
        return (object) [
            ...(array) $lom->record,
            'status' => 'draft',
            'origin' => (object) [
                'format' => $this->format,
                'identifier' => mb_substr($item->getAttribute('identifier'), 0, 1000),
                'file' => mb_substr($this->file, 0, 1000),
                'fields' => (object) $lom->fields,
            ],
        ];
    }

    /**
     * Parts whose rules are those of another give theirs up.
     *
     * @param  array<string, string>  $once
     * @return bool whether what they said is what those say
     */
    private function shared(\stdClass $question, array $once): bool
    {
        $scoring = $question->scoring;
        assert($scoring instanceof \stdClass && is_array($question->parts));
        if ($once === [] || isset($scoring->once)) {
            return true;
        }
        /** @var array<string, \stdClass> $parts */
        $parts = array_column($question->parts, null, 'id');
        $lists = [];
        $same = true;
        foreach ($once as $id => $first) {
            $same = $same && isset($parts[$id], $parts[$first]) && Json::encode($parts[$id]->key) === Json::encode($parts[$first]->key);
            if (isset($parts[$id])) {
                $parts[$id]->key = ManualMarking::emptyKey($this->kinds, $parts[$id]->kind);
            }
            $lists[$first] = [...$lists[$first] ?? [$first], $id];
        }
        $scoring->once = array_values($lists);

        return $same;
    }

    /**
     * Marking that has none of the common looks, as it does.
     *
     * @param  array<string, Declaration>  $declarations
     * @param  list<\stdClass>  $parts
     * @param  string  $text  with its gaps
     * @return array{list<\stdClass>|null, \stdClass|null, KeySearch|null} parts and scoring with keys; what was tried
     */
    private function tried(
        \DOMElement $item,
        array $declarations,
        Processing $processing,
        array $parts,
        string $text,
        \stdClass $scoring,
    ): array {
        $unmarked = array_filter($parts, $this->isUnmarked(...)) !== [];
        $looksClear = ! $processing->untranslated && ! ($unmarked && $processing->markings !== []);
        if ($this->untranslated || ($looksClear && ($unmarked || $processing->once !== []))) {
            return [null, null, null];
        }
        $bare = array_map(fn (\stdClass $part): \stdClass => $this->bare($part), $parts);
        preg_match_all('/data-gap="([^"]+)"/', $text, $m);
        // a recognised template still needs one check: whether we parse the number as the source does
        if ($looksClear && array_filter($parts, $this->isNumber(...)) === []) {
            return [null, null, null];
        }

        $question = (object) [
            'format' => Question::FORMAT,
            'version' => 1,
            'id' => $this->id,
            'title' => '',
            'language' => $this->language($item),
            'body' => $text,
            'parts' => $bare,
        ];
        if ($looksClear) {
            try {
                $copy = Json::decode(Json::encode((object) [...(array) $question, 'parts' => $parts, 'scoring' => $scoring]));
            } catch (\JsonException) {
                // a number out of range; the full trial reports it
                return [null, null, null];
            }
            assert($copy instanceof \stdClass);
            if ($this->takesWhatIsCorrect($copy, $declarations)) {
                return [null, null, null];
            }
            $this->unlike = true;
        }
        $translation = (new KeyInference($item, Xml::child($item, 'qti-response-processing'), $declarations, $this->kinds))->of(
            $bare,
            array_map(fn (string $gap): string => html_entity_decode($gap, ENT_QUOTES | ENT_HTML5), $m[1]),
        );
        $keyed = $translation?->of($question);
        if ($keyed === null) {
            return [null, null, $translation];
        }
        assert(is_array($keyed->parts) && $keyed->scoring instanceof \stdClass);

        return [
            array_values(array_filter($keyed->parts, fn (mixed $part): bool => $part instanceof \stdClass)),
            $keyed->scoring,
            $translation,
        ];
    }

    /**
     * Whether our scorer accepts the correct numbers as typed in the question's language.
     *
     * @param  array<string, Declaration>  $declarations
     */
    private function takesWhatIsCorrect(\stdClass $json, array $declarations): bool
    {
        try {
            $question = Question::read($json, $this->kinds);
            $response = new \stdClass();
            foreach ($question->parts as $part) {
                $correct = $declarations[$part->id]->correct ?? [];
                $mapping = Mappings::of($part->kind);
                if ($mapping?->shape() === AnswerShape::Number && $correct !== []) {
                    $response->{$part->id} = $mapping->toResponse($correct, $question->language, new \stdClass);
                }
            }
            $result = (new Scorer)->score($question, new Attempt($response, Seed::of(1)));

            return array_filter($result->parts, fn (PartResult $part): bool => $part->state === 'unreadable') === [];
        } catch (Malformed|NotScorable) {
            return true; // left to the full trial
        }
    }

    private function isNumber(\stdClass $part): bool
    {
        return is_string($part->kind) && (new Mappings($this->kinds))->for($part->kind)?->shape() === AnswerShape::Number;
    }

    /** A part as it stands in JSON, without its key. */
    private function bare(\stdClass $part): \stdClass
    {
        $json = Json::decode(
            Json::encode(
                (object) [
                    ...get_object_vars($part),
                    'points' => 1,
                    'key' => ManualMarking::emptyKey($this->kinds, $part->kind),
                    'scoring' => (object) ['scheme' => 'person'],
                ],
            ),
        );
        assert($json instanceof \stdClass);

        return $json;
    }

    /**
     * @param  list<\stdClass>  $parts
     * @return array<string, string> low and high as shares of the points
     */
    private function bounds(Processing $processing, array $parts): array
    {
        $points = PackagedTests::points((object) ['parts' => $parts]);

        return $points->isZero() ? [] : array_map(fn (string $limit): string => ScoreFloats::share($limit, $points), $processing->bounds);
    }

    /** Whether rules could mark it, and none were found. */
    private function isUnmarked(\stdClass $part): bool
    {
        return is_string($part->kind) &&
            $this->kinds->find($part->kind)?->hasRules() !== false &&
            $part->scoring instanceof \stdClass && ($part->scoring->scheme ?? null) === 'person';
    }

    /**
     * Feedback whose conditions have none of the common looks, by when it shows; the keys that were read stay when trying gives none.
     *
     * @param  array<string, Declaration>  $declarations
     */
    private function triedFeedback(\DOMElement $item, array $declarations, \stdClass $question): bool
    {
        $json = Json::decode(Json::encode($question));
        assert($json instanceof \stdClass && is_array($question->parts));
        $bare = array_map(
            fn (mixed $part): \stdClass => $this->bare($part instanceof \stdClass ? $part : new \stdClass()),
            $question->parts,
        );
        preg_match_all('/data-gap="([^"]+)"/', is_string($question->body) ? $question->body : '', $m);
        $translation = (new KeyInference($item, Xml::child($item, 'qti-response-processing'), $declarations, $this->kinds))->of(
            array_values($bare),
            $m[1],
        );
        $json->parts = $bare;
        unset($json->record, $json->feedback, $json->scoring, $json->stimuli);
        $keyed = $translation?->of($json);
        if ($translation === null || $keyed === null) {
            return false;
        }
        unset($question->feedback);
        [$question->parts, $question->scoring] = [$keyed->parts, $keyed->scoring];

        return $this->byEffect($item, $translation, $question, true);
    }

    private function byEffect(\DOMElement $item, KeySearch $translation, \stdClass $question, bool $isKeyed): bool
    {
        $placed = true;
        foreach (Xml::children($item, 'qti-modal-feedback') as $modal) {
            $html = $this->inside(Xml::child($modal, 'qti-content-body') ?? $modal);
            $placed =
                ($html === '' ||
                    (new FeedbackPlaces($translation, $translation->responses))->place(
                        $question,
                        $modal->getAttribute('identifier'),
                        $html,
                        $isKeyed,
                    )) &&
                $placed;
        }

        return $placed;
    }

    /** The maximum score where the item states it: normalMaximum of SCORE, or the default of MAXSCORE. */
    private function most(\DOMElement $item): ?BigRational
    {
        $most = null;
        foreach (Xml::children($item, 'qti-outcome-declaration') as $outcome) {
            $value = match ($outcome->getAttribute('identifier')) {
                'SCORE' => $outcome->getAttribute('normal-maximum'),
                'MAXSCORE' => trim(Xml::child($outcome, 'qti-default-value')->textContent ?? ''),
                default => '',
            };
            $most ??= Exact::read($value);
        }

        return $most;
    }

    private function language(\DOMElement $item): string
    {
        $language = $item->getAttributeNS('http://www.w3.org/XML/1998/namespace', 'lang');

        return preg_match('/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', $language) === 1
            ? $language
            : ($this->language !== ''
                ? $this->language
                : 'und');
    }

    /** The place of a part in the text. */
    private function anchor(\DOMElement $body, string $id, string $kind): \DOMElement
    {
        $name = $this->kinds->find($kind)?->isInline() === true ? 'span' : 'div';
        $anchor = ($body->ownerDocument ?? new \DOMDocument)->createElement($name);
        $anchor->setAttribute('data-part', $id);

        return $anchor;
    }

    /** What a kind makes of an interaction; without its marking where that cannot be read, null where no kind takes it. */
    private function interaction(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking): ?\stdClass
    {
        $taking = array_values(
            array_filter(
                (new Mappings($this->kinds))->all(),
                fn (KindMapping $mapping): bool => $mapping->takes($interaction, $declaration),
            ),
        );
        foreach ($taking as $i => $mapping) {
            $part = $mapping->read($interaction, $declaration, $marking, $this->inside(...));
            if ($part === null && isset($taking[$i + 1])) {
                continue; // another kind may know the rules
            }
            if ($interaction->localName === 'qti-associate-interaction') {
                $this->notices[] = Notice::note(
                    'qti.associate',
                    Message::of('interchange.qti30.source-pairs-items-one'),
                    $this->file,
                    $interaction->getLineNo(),
                    $this->id,
                );
            }

            return $part ?? $taking[0]->read($interaction, $declaration, null, $this->inside(...));
        }

        return null;
    }

    /** Its choices stay as text, and a person marks it. */
    private function unread(\DOMElement $interaction, string $id): \stdClass
    {
        $this->lose('qti.kind', Message::of('interchange.qti30.kind-part-answer-needs', ['name' => $interaction->localName]));
        $choices = UnreadInteraction::choices($interaction);
        if ($choices !== null) {
            $interaction->parentNode?->insertBefore($choices, $interaction->nextSibling);
        }

        return ManualMarking::part($id);
    }

    /**
     * @param  array<string, Declaration>  $declarations
     * @return array{list<\stdClass>, array<string, string>}
     */
    private function parts(\DOMElement $body, array $declarations, Processing $processing, bool $adaptive): array
    {
        $parts = [];
        $low = false;
        foreach (Xml::all($body) as $interaction) {
            if (preg_match(self::INTERACTION, (string) $interaction->localName) !== 1) {
                continue;
            }
            $id = $interaction->getAttribute('response-identifier');
            $prompt = Xml::child($interaction, 'qti-prompt');
            $isRead = ! $adaptive && ! $processing->untranslated && ! isset($this->ambiguous[$id]);
            $part =
                $this->interaction($interaction, $declarations[$id] ?? null, $isRead ? $processing->markings[$id] ?? null : null) ??
                $this->unread($interaction, $id);
            assert($part->scoring instanceof \stdClass && is_string($part->kind));
            $low = $low || (is_string($part->scoring->low ?? null) && str_starts_with($part->scoring->low, '-'));
            $kind = $part->kind;
            $parts[] = (object) [...get_object_vars($part), 'id' => $id];
            $this->replace($interaction, $this->anchor($body, $id, $kind), $prompt);
        }

        return [$parts, $low ? ['low' => '-1000'] : []];
    }

    private function replace(\DOMElement $interaction, ?\DOMElement $anchor, ?\DOMElement $prompt): void
    {
        $parent = $interaction->parentNode;
        if ($parent === null) {
            return;
        }
        if ($prompt !== null) {
            $wrap = ($interaction->ownerDocument ?? new \DOMDocument)->createElement('div');
            while ($prompt->firstChild !== null) {
                $wrap->appendChild($prompt->firstChild);
            }
            $parent->insertBefore($wrap, $interaction);
        }
        foreach (iterator_to_array($interaction->childNodes, false) as $child) {
            if ($child instanceof \DOMElement && ! str_starts_with((string) $child->localName, 'qti-')) {
                $parent->insertBefore($child, $interaction); // the text around gaps
            }
        }
        if ($anchor === null) {
            $parent->removeChild($interaction);
        } else {
            $parent->replaceChild($anchor, $interaction);
        }
    }

    private function inside(\DOMElement $element): string
    {
        $this->media($element);
        $text = Reader::ofDom($element);
        foreach ($text->dropped as $dropped) {
            $this->notices[] = Notice::loss('content.dropped', $dropped->sentence(), $this->file, null, $this->id);
        }

        return $text->html();
    }

    private function media(\DOMElement $element): void
    {
        foreach (MediaLinks::resolve($element, $this->medium) as [$href, $notice]) {
            $this->notices[] =
                $notice?->about($this->id) ??
                Notice::loss(
                    'media.missing',
                    Message::of('interchange.qti30.file-not-in-package', ['href' => $href]),
                    $this->file,
                    null,
                    $this->id,
                );
        }
    }

    private function loseTemplates(): void
    {
        $this->lose('qti.templates', Message::of('interchange.qti30.how-values-item-vary-could-not-be-translated'));
    }

    private function lose(string $code, string $sentence): void
    {
        $this->untranslated = true;
        foreach ($this->notices as $notice) {
            if ($notice->code === $code && $notice->message === $sentence) {
                return;
            }
        }
        $this->notices[] = Notice::loss($code, $sentence, $this->file, null, $this->id);
    }
}
