<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Keys\KeySearch;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\ManualMarking;
use WideQuarry\Interchange\MarkerGuidance;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti30\PackagedTests;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;

/** One item to one question. */
final class ItemReader
{
    private const ESSAY = 'cc.essay.v0p1';

    private const ESSAY_LINES = 12;

    /** Views of those who mark. */
    private const MARKERS = ['scorer', 'assessor', 'tutor'];

    /** @var list<Notice> */
    private array $notices = [];

    /** @var list<Response> */
    private array $responses = [];

    private bool $untranslated = false;

    /** @var array<string, true> parts that only a person can mark */
    private array $byHand = [];

    private Processing $processing;

    private MaterialReader $material;

    private ResponseReader $reader;

    private AnswerRows $rows;

    /** @param  \Closure(string): (Medium|Notice|null)  $medium */
    public function __construct(
        private readonly PartKinds $kinds,
        private readonly string $file,
        private readonly string $id,
        \Closure $medium,
        private readonly string $format = 'qti12',
        private readonly bool $inPercent = false,
    ) {
        $this->material = new MaterialReader($file, $id, $medium);
    }

    /** @return iterable<\stdClass|Notice> */
    public function read(\DOMElement $item): iterable
    {
        $metadata = Metadata::of($item);
        $assumed = AssumedKey::of($item, $metadata->fields);
        if ($assumed !== null) {
            $this->notices[] = Notice::note('qti12.assumed', $assumed, $this->file, $item->getLineNo(), $this->id);
        }
        $this->processing = new Processing(Xml::child($item, 'resprocessing'));
        $presentation = Xml::child($item, 'presentation');
        $this->reader = new ResponseReader($this->processing, $this->material, $this->clean(...));
        $this->rows = new AnswerRows($presentation, $this->reader);
        $body = $presentation === null ? '' : $this->body($presentation);
        $question = (object) [
            'format' => Question::FORMAT,
            'version' => 1,
            'id' => $this->id,
            'title' => mb_substr(trim($item->getAttribute('title')), 0, 500),
            'language' => $metadata->language,
            'body' => $this->clean($body),
            'parts' => array_map($this->part(...), $this->responses),
        ];
        foreach ($this->reader->repeated() as $ident) {
            $this->lose('qti12.same_identifier', Message::of('interchange.qti12.two-choices-called-second', ['ident' => $ident]), $item);
        }
        $question = $this->reader->repeated() === [] ? $this->keyed($question, $item) : $question;
        if (! $this->inPercent) {
            ManualMarking::share(is_array($question->parts) ? $question->parts : [], $this->processing->most());
        } else {
            self::worth($question, $metadata->fields['cc_weighting'] ?? '1');
        }
        $this->long($question, $metadata);
        $question->record = (object) [...(array) $metadata->record, 'status' => 'draft', 'origin' => $this->origin($item, $metadata)];
        MarkerGuidance::place($question, array_map($this->rich(...), $this->forMarkers($item)));
        try {
            yield PackageContents::thing('question', Question::read(Json::decode(Json::encode($question)), $this->kinds)->toJson());
        } catch (Malformed $problem) {
            $sentence = Message::of('interchange.qti12.one-question-left-out', ['why' => $problem->getMessage()]);
            yield Notice::problem($problem->rule, $sentence, $this->file, $item->getLineNo(), $problem->path);

            return;
        } catch (\JsonException) {
            $sentence = Message::of('interchange.qti12.one-question-left-out-holds');
            yield Notice::problem('value.absurd', $sentence, $this->file, $item->getLineNo());

            return;
        }
        yield from $this->notices;
        yield from $this->material->notices;
    }

    /** Fields of several lines without a key are essays; so is what a cartridge calls one. */
    private function long(\stdClass $question, Metadata $metadata): void
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if (
                ($metadata->fields['cc_profile'] ?? '') === self::ESSAY &&
                $part instanceof \stdClass &&
                $part->settings instanceof \stdClass
            ) {
                $part->settings->lines ??= self::ESSAY_LINES;
            }
        }
        ManualMarking::essays($question, $this->kinds);
    }

    /** @return list<\DOMElement> */
    private function forMarkers(\DOMElement $item): array
    {
        return array_values(
            array_filter(
                Xml::children($item, 'rubric'),
                fn (\DOMElement $rubric): bool => in_array(strtolower($rubric->getAttribute('view')), self::MARKERS, true),
            ),
        );
    }

    private function rich(\DOMElement $element): string
    {
        return $this->clean($this->material->inside($element));
    }

    private function origin(\DOMElement $item, Metadata $metadata): \stdClass
    {
        return (object) [
            'format' => $this->format,
            'identifier' => mb_substr($item->getAttribute('ident'), 0, 1000),
            'file' => mb_substr($this->file, 0, 1000),
            'fields' => (object) $metadata->fields,
            ...$this->untranslated ? ['processing' => mb_strcut(Xml::source($item), 0, 900_000)] : [],
        ];
    }

    private function part(Response $response): \stdClass
    {
        return (object) [
            'id' => $response->id,
            'kind' => $response->kind,
            'points' => 1,
            'settings' => $response->settings,
            'key' => ManualMarking::emptyKey($this->kinds, $response->kind),
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    private function isChoice(Response $response): bool
    {
        return $response->shape === AnswerShape::Picks && $this->kinds->find($response->kind)?->isInline() === false;
    }

    private function keyed(\stdClass $question, \DOMElement $item): \stdClass
    {
        $translation = new KeySearch($this->responses, $this->processing, $this->kinds);
        if (
            $this->processing->most()?->isZero() === true &&
            array_filter($this->responses, fn (Response $one): bool => ! $this->isChoice($one)) === []
        ) {
            return $this->opinions($question);
        }
        $keyed = $translation->of($question);
        if ($keyed === null && array_filter($this->responses, fn (Response $one): bool => $one->otherwise !== null) !== []) {
            $others = array_map(fn (Response $one): Response => $one->otherwise ?? $one, $this->responses);
            $other = new KeySearch($others, $this->processing, $this->kinds);
            $changed = Json::copy($question);
            assert($changed instanceof \stdClass);
            $changed->parts = array_map($this->part(...), $others);
            $keyed = $other->of($changed);
            [$translation, $this->responses] = $keyed === null ? [$translation, $this->responses] : [$other, $others];
        }
        if ($keyed === null && $this->responses !== []) {
            if ($this->processing->isEmpty() && $this->processing->isWhole()) {
                $this->notices[] = Notice::note(
                    'qti12.no_key',
                    Message::of('interchange.qti12.nothing-says-how-question'),
                    $this->file,
                    $item->getLineNo(),
                    $this->id,
                );
            } else {
                $this->lose(
                    'qti12.processing',
                    Message::of('interchange.qti12.marking-question-could-not-be-translated'),
                    $item,
                );
            }
        }
        $question = $keyed ?? $question;
        $left = (new FeedbackReader(
            $item,
            $translation,
            $this->responses,
            fn (\DOMElement $element): string => $this->clean($this->material->inside($element)),
        ))->place($question, $keyed !== null);
        if ($left) {
            $this->lose(
                'qti12.feedback',
                Message::of('interchange.qti12.some-feedback-depends-conditions-could-not-be-translated'),
                $item,
            );
        }
        $schemes = array_map(fn (Scheme $scheme): string => $scheme->value, $this->kinds->find('point')?->schemes() ?? []);
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && in_array($part->id, $this->reader->placedParts(), true)) {
                PlacedPoints::asPoints($part, [...$schemes, Scheme::Person->value]);
            }
        }

        return $question;
    }

    /** Choices in an item with a maximum of 0 are an opinion, which nobody marks. */
    private function opinions(\stdClass $question): \stdClass
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            assert($part instanceof \stdClass && $part->settings instanceof \stdClass && is_array($part->settings->options));
            $options = array_map(
                fn (mixed $option): array => ['id' => ((array) $option)['id'] ?? '', 'html' => ((array) $option)['html'] ?? ''],
                $part->settings->options,
            );
            [$part->kind, $part->points, $part->scoring] = ['survey', 0, new \stdClass()];
            $part->settings = (object) ['options' => $options, 'scale' => null, 'max' => $part->settings->max ?? null];
        }

        return $question;
    }

    /** Percentages as points: all of it is worth what the item weighs. */
    private static function worth(\stdClass $question, string $weight): void
    {
        $most = PackagedTests::points($question);
        $weight = Exact::read($weight);
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            assert($part instanceof \stdClass && (is_int($part->points) || is_float($part->points)));
            $isManual = $part->scoring instanceof \stdClass && ($part->scoring->scheme ?? '') === 'person';
            $share = $most->isZero() || $isManual ? Exact::one() : Exact::of((string) $part->points)->dividedBy($most);
            $part->points = Exact::number(
                Exact::toPlaces($share->multipliedBy($weight !== null && $weight->isPositive() ? $weight : 1), 4)->toBigRational(),
            );
        }
    }

    /** What is shown, with an anchor where each response stands. */
    private function body(\DOMElement $element): string
    {
        $html = '';
        $run = ''; // words beside each other, and gaps among them, are one paragraph
        foreach (Xml::children($element) as $child) {
            $name = (string) $child->localName;
            if ($this->rows->has($child)) {
                // rows of one table of answers: one part, where the first of them stands
                [$html, $run] = [$html.self::paragraph($run), ''];
                if ($this->rows->isFirst($child) && $this->rows->isTable() && $this->rows->isMixed()) {
                    $this->notices[] = Notice::note(
                        'qti12.shuffle_rows',
                        Message::of('interchange.qti12.source-shuffles-answers-each'),
                        $this->file,
                        $child->getLineNo(),
                        $this->id,
                    );
                }
                $html .= $this->rows->isFirst($child)
                    ? '<div data-part="'.htmlspecialchars($this->rows->add($this->responses)).'"></div>'
                    : '';
            } elseif (str_starts_with($name, 'response_') && $name !== 'response_label') {
                foreach (Xml::children($child, 'material') as $prompt) {
                    $run .= $this->material->inside($prompt);
                }
                [$before, $behind] = $this->around($child);
                $run .= $before;
                $part = $this->response($child);
                if ($this->kinds->find($part->kind)?->isInline() === false) {
                    [$html, $run] = [
                        $html.self::paragraph($run).'<div data-part="'.htmlspecialchars($part->id).'"></div>',
                        $behind,
                    ];
                } else {
                    $run .= ' <span data-part="'.htmlspecialchars($part->id)."\"></span> $behind";
                }
                if (isset($this->byHand[$part->id])) {
                    $list = $this->reader->unread($child);
                    [$html, $run] = $list === '' ? [$html, $run] : [$html.self::paragraph($run).$list, ''];
                }
            } elseif ($name === 'material') {
                $run .= ($run === '' ? '' : ' ').$this->material->inside($child);
            } elseif (in_array($name, ['flow', 'flow_mat'], true)) {
                $inner = $this->body($child);
                $gap =
                    preg_match('~^<p>(?:(?!</?p>).)*</p>$~s', $inner) === 1 &&
                    $element->localName === 'flow' &&
                    str_contains($inner, '<span data-part');
                if ($gap) {
                    $run .= substr($inner, 3, -4);
                } else {
                    [$html, $run] = [$html.self::paragraph($run).$inner, ''];
                }
            }
        }

        return $html.self::paragraph($run);
    }

    /** @return array{string, string} words that stand in a field itself, before and behind where something is given */
    private function around(\DOMElement $response): array
    {
        $words = ['', ''];
        $behind = 0;
        foreach (Xml::children($response) as $render) {
            foreach (str_starts_with((string) $render->localName, 'render_') ? Xml::children($render) : [] as $child) {
                $behind = in_array($child->localName, ['response_label', 'flow_label'], true) ? 1 : $behind;
                $words[$behind] .= $child->localName === 'material' ? $this->material->inside($child) : '';
            }
        }

        return [$words[0], $words[1]];
    }

    private function response(\DOMElement $element): Response
    {
        $id = trim($element->getAttribute('ident'));
        if ($id === '' || in_array($id, array_map(fn (Response $one): string => $one->id, $this->responses), true)) {
            $id = 'response-'.(count($this->responses) + 1);
        }
        $response = $this->reader->read($id, $element);
        if ($response === null) {
            $this->lose(
                'qti12.kind',
                Message::of('interchange.qti12.no-kind-part-answer'),
                $element,
            );
            $part = ManualMarking::part($id);
            assert($part->settings instanceof \stdClass);
            $response = new Response($id, 'essay', $part->settings, AnswerShape::Words, [], false, []);
            $this->byHand[$id] = true;
        }

        return $this->responses[] = $response;
    }

    private function clean(string $html): string
    {
        if (
            preg_match('~^(?:<p>)?[!-%\'-;=?-\~]++(?: [!-%\'-;=?-\~]++)*+(?:</p>)?$~D', $html) === 1 &&
            str_starts_with($html, '<p>') === str_ends_with($html, '</p>')
        ) {
            return $html; // plain words are clean as they are
        }
        $text = Reader::read($html);
        foreach ($text->dropped as $dropped) {
            $this->notices[] = Notice::loss('content.dropped', $dropped->sentence(), $this->file, null, $this->id);
        }

        return $text->html();
    }

    public static function paragraph(string $html): string
    {
        $html = trim($html);

        return $html === '' || preg_match('~^<(?:p|div|ul|ol|table|h\d|blockquote|pre)\b~i', $html) === 1 ? $html : "<p>$html</p>";
    }

    private function lose(string $code, string $sentence, \DOMElement $at): void
    {
        $this->untranslated = true;
        $this->notices[] = Notice::loss($code, $sentence, $this->file, $at->getLineNo(), $this->id);
    }
}
