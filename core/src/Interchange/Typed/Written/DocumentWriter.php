<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use WideQuarry\Assembly\Draw;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Plain\ContentExporter;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Questions, or assessments, as one document: HTML that every format of documents is made from. */
final class DocumentWriter
{
    /** @var list<string> */
    private array $html = [];

    /** @var list<Notice> */
    private array $notices = [];

    /** @var array<string, \stdClass> */
    private array $questions = [];

    /** @var array<string, \stdClass> */
    private array $stimuli = [];

    /** @var array<string, string> medium → its file */
    private array $files = [];

    private int $number = 0;

    /** @var list<string> stimuli that the last question had */
    private array $shown = [];

    private function __construct(private readonly PartKinds $kinds)
    {
    }

    /** @return array{string, array<string, string>, list<Notice>} HTML, pictures under the names it has for them, and what is lost */
    public static function of(PackageContents $content, PartKinds $kinds): array
    {
        $writer = new self($kinds);
        $pictures = [];
        foreach ($content->media as $medium) {
            $name = "$medium->id.".Medium::extension($medium->type);
            $writer->files[$medium->id] = $name;
            $pictures[$name] = $medium->bytes;
        }
        foreach ($content->questions as $question) {
            $writer->questions[self::id($question)] = $question;
        }
        foreach ($content->stimuli as $stimulus) {
            $writer->stimuli[self::id($stimulus)] = $stimulus;
        }
        if ($content->assessments === []) {
            $writer->run($content->questions);
        }
        foreach ($content->assessments as $assessment) {
            $writer->assessment($assessment);
        }

        return [implode("\n", $writer->html), $pictures, $writer->notices];
    }

    private static function id(\stdClass $thing): string
    {
        return is_string($thing->id ?? null) ? $thing->id : '';
    }

    private function assessment(\stdClass $assessment): void
    {
        $this->number = 0;
        $this->heading(1, $assessment->title ?? '');
        $this->paragraphs($assessment->instructions ?? '');
        foreach (is_array($assessment->sections ?? null) ? $assessment->sections : [] as $section) {
            if (! $section instanceof \stdClass) {
                continue;
            }
            $this->heading(2, $section->title ?? '');
            $this->paragraphs($section->instructions ?? '');
            $asked = [];
            foreach (is_array($section->entries ?? null) ? $section->entries : [] as $entry) {
                foreach ($entry instanceof \stdClass ? $this->ofEntry($entry) : [] as $question) {
                    $asked[] = $question;
                }
            }
            $this->run($asked);
        }
    }

    /** @return list<\stdClass> */
    private function ofEntry(\stdClass $entry): array
    {
        $variation = $entry->variation ?? null;
        if ($variation instanceof \stdClass) {
            return [$variation];
        }
        $pools = isset($entry->draw) ? array_column(Draw::lists($entry), 'pool') : [];
        $ids = $pools === [] ? [$entry->question ?? ''] : array_merge(...array_filter($pools, is_array(...)), ...[[]]);
        if ($pools !== []) {
            $this->notices[] = Notice::loss('document.draw', Message::of('interchange.typed.draw-as-all'));
        }
        $found = [];
        foreach ($ids as $id) {
            $id = $id instanceof \stdClass ? $id->question ?? '' : $id;
            if (is_string($id) && isset($this->questions[$id])) {
                $found[] = $this->questions[$id];
            }
        }

        return $found;
    }

    /** @param  list<\stdClass>  $questions */
    private function run(array $questions): void
    {
        foreach ($questions as $at => $json) {
            $this->number++;
            $this->around($json, array_slice($questions, $at));
            $question = Question::read($json, $this->kinds);
            [$html, $notices] = WrittenQuestion::of($question, $json, $this->number, $this->files);
            array_push($this->html, ...$html);
            array_push($this->notices, ...$notices);
            $this->html[] = '';
        }
    }

    /**
     * What several questions share stands before the first of them.
     *
     * @param  list<\stdClass>  $following
     */
    private function around(\stdClass $json, array $following): void
    {
        $named = is_array($json->stimuli ?? null) ? array_values(array_filter($json->stimuli, is_string(...))) : [];
        if ($named === $this->shown) {
            return;
        }
        $this->shown = $named;
        $count = 0;
        while (isset($following[$count]) && ($following[$count]->stimuli ?? []) === $named) {
            $count++;
        }
        foreach ($named as $id) {
            $stimulus = $this->stimuli[$id] ?? null;
            if ($stimulus === null || ! is_string($stimulus->body ?? null)) {
                continue;
            }
            $last = $this->number + $count - 1;
            $lead = $count > 1
                ? "Questions $this->number to $last refer to the following."
                : "For question $this->number, use the following.";
            $this->html[] = '<p><span id="wq'.str_replace('-', '', $id)."\"></span>$lead</p>";
            $this->html[] = $this->outward($stimulus->body);
        }
    }

    private function outward(string $html): string
    {
        return ContentExporter::of(
            Question::read((object) [
                'format' => 'wide-quarry/question', 'version' => 1, 'id' => '00000000-0000-8000-8000-000000000000', 'language' => 'und',
                'body' => '', 'parts' => [],
            ], $this->kinds),
            $this->files,
        )->html($html);
    }

    private function heading(int $level, mixed $title): void
    {
        if (is_string($title) && trim($title) !== '') {
            $this->html[] = "<h$level>".htmlspecialchars($title, ENT_NOQUOTES)."</h$level>";
        }
    }

    private function paragraphs(mixed $html): void
    {
        if (is_string($html) && $html !== '') {
            $this->html[] = $this->outward($html);
        }
    }
}
