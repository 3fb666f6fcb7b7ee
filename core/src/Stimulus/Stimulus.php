<?php

declare(strict_types=1);

namespace WideQuarry\Stimulus;

use WideQuarry\Content\Anchors;
use WideQuarry\Content\Reader;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\MediaFindings;
use WideQuarry\Question\Provenance;
use WideQuarry\Search\SearchText;
use WideQuarry\Standards\Alignment;

/** A well-formed stimulus: a passage, figure or table that questions name and show above themselves. Its rich text is canonical. */
final readonly class Stimulus
{
    private const NAME = 60;

    /** @param  list<\WideQuarry\Content\DroppedContent>  $dropped  what of the text was left out */
    private function __construct(
        private \stdClass $json,
        public string $id,
        public string $title,
        public string $language,
        public RichText $text,
        private array $dropped,
    ) {
    }

    /** @throws Malformed naming the path of what does not fit core/schema/stimulus.json */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', ['id', 'title', 'language', 'body', 'origin', 'standards'])
            ->need('id')
            ->need('body')
            ->need('title')
            ->need('language');
        $text = Reader::read($fields->string('body', '', 400000));
        $language = $fields->language();
        Provenance::origin($fields);
        Alignment::list($fields);
        $copy = Json::copy($json);
        assert($copy instanceof \stdClass);
        $copy->title = trim($fields->string('title', '', 500));
        $copy->body = $text->html();

        return new self($copy, $fields->uuid(), $copy->title, $language, $text, $text->dropped);
    }

    /** The same under another identifier. */
    public function called(string $id): self
    {
        $json = $this->toJson();
        $json->id = $id;

        return new self($json, $id, $this->title, $this->language, $this->text, $this->dropped);
    }

    public function toJson(): \stdClass
    {
        $copy = Json::copy($this->json);
        assert($copy instanceof \stdClass);

        return $copy;
    }

    /** What it is called: its title, or else its first words. */
    public function name(): string
    {
        $words = trim(strtr($this->text->plain(), ["\n" => ' ']));

        return match (true) {
            $this->title !== '' => $this->title,
            $words !== '' => mb_strimwidth($words, 0, self::NAME, '…'),
            default => Message::of('stimulus.stimulus-without-words'),
        };
    }

    /** Its words as a literal of PostgreSQL's type tsvector. */
    public function vector(): string
    {
        return SearchText::ofText($this->title, $this->text)->vector();
    }

    /** @return list<Finding> what an author should look at; nothing of it keeps a stimulus from being stored */
    public function findings(): array
    {
        $anchors = Anchors::in($this->text->nodes);
        $findings = array_map(
            fn ($dropped): Finding => Finding::warning('content.dropped', '/body', $dropped->sentence()),
            $this->dropped,
        );
        if ($anchors->parts !== [] || $anchors->gaps !== []) {
            $findings[] = Finding::warning(
                'stimulus.answers',
                '/body',
                Message::of('stimulus.stimulus-cannot-contain-answers'),
            );
        }
        if ($anchors->values !== []) {
            $findings[] = Finding::warning(
                'stimulus.values',
                '/body',
                Message::of('stimulus.shows-value-values-rolled', ['values' => $anchors->values[0]]),
            );
        }
        if (trim($this->text->plain()) === '' && $anchors->media === []) {
            $findings[] = Finding::warning('stimulus.empty', '/body', Message::of('stimulus.empty'));
        }

        return [
            ...$findings,
            ...MediaFindings::undescribed($this->text->html(), '/body'),
            ...MediaFindings::unheard($this->text->html(), '/body'),
        ];
    }
}
