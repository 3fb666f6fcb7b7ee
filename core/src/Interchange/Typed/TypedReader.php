<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Document\TypedDocument;
use WideQuarry\Interchange\Typed\Recognition\Body;
use WideQuarry\Interchange\Typed\Recognition\Corrections;
use WideQuarry\Interchange\Typed\Recognition\Draft;
use WideQuarry\Interchange\Typed\Recognition\Exam;
use WideQuarry\Interchange\Typed\Recognition\ExamReader;
use WideQuarry\Interchange\Typed\Recognition\Item;
use WideQuarry\Interchange\Typed\Recognition\Keys;
use WideQuarry\Interchange\Typed\Recognition\Looks;
use WideQuarry\Interchange\Typed\Recognition\QuestionJson;
use WideQuarry\Interchange\Typed\Recognition\Recognised;
use WideQuarry\Interchange\Typed\Recognition\Recogniser;
use WideQuarry\Interchange\Typed\Sources\ConvertedHtml;
use WideQuarry\Interchange\Typed\Sources\DocumentReader;
use WideQuarry\Interchange\Typed\Sources\DocumentType;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/** Turns a typed exam into questions: headings become groups and topics, instructions stimuli of what follows them. */
final class TypedReader
{
    public function __construct(private readonly DocumentConverter $converter)
    {
    }

    /**
     * @return iterable<\stdClass|Medium|Notice>
     *
     * @throws UnreadableFile
     */
    public function read(Source $source, DocumentType $type, Corrections $corrections = new Corrections): iterable
    {
        $document = DocumentReader::read($source, $type, $this->converter);
        $hash = hash_file('sha256', $source->file);
        yield from $document->media;
        yield from $document->notices;
        yield from $this->questions($document, $source, $type, (string) $hash, $corrections);
    }

    /**
     * The questions of HTML as a converter makes it, as they would be read from a document.
     *
     * @param  array<string, string>  $media  picture as the HTML names it → medium
     * @return array<string, \stdClass> by their ids
     */
    public function ofHtml(string $html, array $media = []): array
    {
        $picture = fn (string $src, string $alt): string => sprintf(
            '<img data-media="%s" alt="%s">',
            $media[$src] ?? '',
            htmlspecialchars($alt, ENT_QUOTES),
        );
        $items = ConvertedHtml::read($html, $picture);
        $file = (string) tempnam(sys_get_temp_dir(), 'typed');
        try {
            $found = [];
            $things = $this->questions(new TypedDocument($items), new Source($file, ''), DocumentType::Html, '', new Corrections);
            foreach ($things as $thing) {
                if ($thing instanceof \stdClass && $thing->type === 'question' && $thing->value instanceof \stdClass) {
                    $found[is_string($thing->value->id) ? $thing->value->id : ''] = $thing->value;
                }
            }

            return $found;
        } finally {
            unlink($file);
        }
    }

    /** @return iterable<\stdClass|Notice> */
    private function questions(
        TypedDocument $document,
        Source $source,
        DocumentType $type,
        string $hash,
        Corrections $corrections,
    ): iterable {
        $exam = ExamReader::read($document, $corrections);
        if ($exam->questions() === []) {
            throw UnreadableFile::noQuestions($source->name);
        }
        $keys = Keys::of($exam);
        $recogniser = Recogniser::of($exam, $keys, $corrections);
        $recognised = [];
        foreach ($recogniser->questions as $question) {
            $recognised[spl_object_id($question->draft)] = $question;
        }
        $stimulus = $range = null;
        $groups = $unused = $waiting = $map = $lines = [];
        foreach ($exam->drafts as $i => $draft) {
            $source->reached($i, count($exam->drafts));
            if ($draft->is === 'heading') {
                // those it stands below are used with it
                $isAbove = fn (array $one): bool => in_array($one[1], array_slice($draft->path, 0, -1), true);
                $unused = [...$unused, ...array_values(array_filter($waiting, fn (array $one): bool => ! $isAbove($one)))];
                $waiting = [...array_values(array_filter($waiting, $isAbove)), [$draft->line, $draft->text()]];
                [$stimulus, $range] = [null, null];
                $map[] = self::place($draft, 'heading', null);
            } elseif ($draft->is === 'stimulus') {
                $waiting[] = [$draft->line, $draft->text()];
                $stimulus = $draft->id === null ? Ids::of('text', $hash, "stimulus $i") : self::uuid($draft->id);
                $range = $draft->range;
                yield PackageContents::thing('stimulus', self::stimulus($stimulus, $draft));
                $map[] = self::place($draft, 'stimulus', $stimulus);
            } else {
                $question = $recognised[spl_object_id($draft)];
                $lines[$draft->line] = ($lines[$draft->line] ?? 0) + 1; // what is corrected elsewhere leaves it the same
                $place = "line $draft->line".($lines[$draft->line] > 1 ? " $i" : '');
                $id = $draft->id === null ? Ids::of('text', $hash, $place) : self::uuid($draft->id);
                $json = QuestionJson::of($question, $id, $recogniser->evidence, $corrections);
                $waiting = [];
                if ($stimulus !== null && ($range === null || ($draft->number >= $range[0] && $draft->number <= $range[1]))) {
                    $json->stimuli = [$stimulus];
                }
                $this->record($json, $question, $type, $source->name, substr($hash, 0, 12)."#$draft->line");
                if ($draft->path !== []) {
                    $groups[implode("\n", $draft->path)][] = $json->id;
                }
                $map[] = self::place($draft, 'question', $id);
                yield PackageContents::thing('question', $json);
                yield from self::notices($question, $id, $source->name);
            }
        }
        yield from self::groups($groups);
        $left = [...$unused, ...$waiting, ...$exam->unused, ...$keys->others];
        yield from self::left($left, $exam, $keys, $source->name);
        yield self::asRead($document, $type, $exam, $map, $left, $recogniser);
    }

    /** Of 32 digits. */
    private static function uuid(string $digits): string
    {
        return implode(
            '-',
            array_map(fn (array $part): string => substr($digits, $part[0], $part[1]), [[0, 8], [8, 4], [12, 4], [16, 4], [20, 12]]),
        );
    }

    private static function stimulus(string $id, Draft $draft): \stdClass
    {
        $stem = $draft->stem;
        // what only says which questions it is for is said by them
        $isLead = preg_match(
            '/^(?:Questions \d+ to \d+ refer to|For question \d+, use) the following\.$/',
            ($stem[0] ?? null)?->text() ?? '',
        ) === 1;
        if ($isLead && (count($stem) > 1 || $draft->tables !== [])) {
            array_shift($stem);
        }
        $body = (new Body)->paragraphs(
            $stem,
            array_map(fn (array $table): array => [max(0, $table[0] - ($isLead ? 1 : 0)), $table[1]], $draft->tables),
        )->html();

        return (object) ['id' => $id, 'title' => '', 'language' => 'und', 'body' => $body];
    }

    private function record(\stdClass $json, Recognised $question, DocumentType $type, string $file, string $identifier): void
    {
        $draft = $question->draft;
        $certainty = $json->certainty;
        unset($json->certainty);
        $topics = array_map(
            fn (string $topic): array => array_map(fn (string $name): string => mb_substr(trim($name), 0, 200), explode(' > ', $topic)),
            $draft->topics,
        );
        if ($draft->path !== []) {
            array_unshift($topics, array_map(fn (string $name): string => mb_substr($name, 0, 200), array_slice($draft->path, -20)));
        }
        $json->record = (object) [
            'origin' => (object) [
                'format' => $type->value,
                'identifier' => $draft->id === null ? $identifier : self::uuid($draft->id),
                'file' => mb_strimwidth($file, 0, 500),
                'fields' => (object) [
                    'number' => "$draft->number",
                    'line' => "$draft->line",
                    'signs' => array_column($question->signs, 'value'),
                    'certainty' => $certainty,
                ],
            ],
            ...$topics === [] ? [] : ['topics' => $topics],
            ...$draft->difficulty === null ? [] : ['difficulty' => $draft->difficulty],
            ...$draft->standards === [] ? [] : [
                'standards' => array_map(
                    fn (string $code): \stdClass => (object) ['framework' => '', 'code' => mb_substr($code, 0, 200)],
                    array_slice($draft->standards, 0, 100),
                ),
            ],
        ];
    }

    /**
     * @param  array<string, list<mixed>>  $groups  path of headings → ids of questions
     * @return iterable<\stdClass>
     */
    private static function groups(array $groups): iterable
    {
        $made = [];
        foreach ($groups as $path => $questions) {
            $names = explode("\n", (string) $path);
            foreach ($names as $depth => $name) {
                $own = implode("\n", array_slice($names, 0, $depth + 1));
                $isLast = $depth === count($names) - 1;
                if (isset($made[$own]) && ! $isLast) {
                    continue;
                }
                $made[$own] = (object) [
                    'id' => 'g-'.substr(hash('sha256', $own), 0, 12),
                    'parent' => $depth === 0 ? null : 'g-'.substr(hash('sha256', implode("\n", array_slice($names, 0, $depth))), 0, 12),
                    'kind' => 'heading',
                    'title' => mb_substr($name, 0, 200),
                    'questions' => $isLast ? $questions : [],
                ];
            }
        }
        foreach ($made as $group) {
            yield PackageContents::thing('group', $group);
        }
    }

    /** @return iterable<Notice> what is to be said of one question */
    private static function notices(Recognised $question, string $id, string $file): iterable
    {
        $draft = $question->draft;
        foreach ($question->missing as $sentence) {
            $code = $question->isDisputed ? 'text.two_answers' : 'text.missing';
            yield Notice::note($code, $sentence, $file, $draft->line, $id);
        }
        foreach ($draft->missing as [$line, $letter]) {
            $sentence = Message::of('interchange.typed.letter-skipped', ['letter' => $letter]);
            yield Notice::note('text.letter_skipped', $sentence, $file, $line, $id);
        }
    }

    /**
     * What belongs to no question.
     *
     * @param  list<array{int, string}>  $lines
     * @return iterable<Notice>
     */
    private static function left(array $lines, Exam $exam, Keys $keys, string $file): iterable
    {
        usort($lines, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($lines as [$at, $line]) {
            $sentence = Message::of('interchange.typed.line-not-used-because', ['line' => mb_strimwidth($line, 0, 200, '…')]);
            yield Notice::loss('document.unused', $sentence, $file, $at);
        }
        foreach ($exam->skipped as [$from, $to, $line]) {
            $key = $from === $to ? 'interchange.typed.no-such-question' : 'interchange.typed.no-such-questions';
            yield Notice::note('text.number_skipped', Message::of($key, ['from' => $from, 'to' => $to]), $file, $line);
        }
        foreach ($exam->twice as [$number, $line]) {
            yield Notice::note('text.number_twice', Message::of('interchange.typed.number-twice', ['number' => $number]), $file, $line);
        }
        foreach ($keys->alone as [$number, $answer, $line]) {
            $sentence = Message::of('interchange.typed.key-answer-question-no-such-question', ['number' => $number, 'answer' => $answer]);
            yield Notice::loss('text.key_alone', $sentence, $file, $line);
        }
    }

    /** @return array{is: string, id: string|null, lines: list<int>} */
    private static function place(Draft $draft, string $is, ?string $id): array
    {
        return ['is' => $is, 'id' => $id, 'lines' => array_values(array_unique($draft->lines))];
    }

    /**
     * The document as it was read, for who looks at it beside the questions.
     *
     * @param  list<array{is: string, id: string|null, lines: list<int>}>  $map
     * @param  list<array{int, string}>  $left
     */
    private static function asRead(
        TypedDocument $document,
        DocumentType $type,
        Exam $exam,
        array $map,
        array $left,
        Recogniser $recogniser,
    ): \stdClass {
        $roles = $exam->roles;
        foreach ($left as [$line]) {
            $roles[$line] ??= 'unused';
        }
        $of = [];
        foreach ($map as $place) {
            foreach ($place['lines'] as $line) {
                $of[$line] = [$place['is'], $place['id']];
            }
        }
        foreach ($exam->labels as $label => $line) {
            $of[$label] ??= $of[$line] ?? ['unused', null];
        }
        $options = self::options($exam);
        $lines = [];
        foreach ($document->lines() as $line) {
            $html = $line->words->spaced()->html();
            if ($lines !== [] && $lines[count($lines) - 1]->number === $line->number) {
                $lines[count($lines) - 1]->html .= '<br>'.$html;

                continue;
            }
            [$is, $id] = $of[$line->number] ?? [$roles[$line->number] ?? 'unused', null];
            $is = ($roles[$line->number] ?? '') === 'unused' ? 'unused' : $is;
            $lines[] = (object) [
                'number' => $line->number,
                'html' => $html,
                'is' => $is,
                'id' => $id,
                'option' => $options[$line->number] ?? null,
                'looks' => Looks::of($line->words),
            ];
        }

        return PackageContents::thing('document', (object) [
            'lines' => $lines,
            'type' => $type->value,
            'looks' => $recogniser->evidence->described(),
        ]);
    }

    /** @return array<int, int> line → which option of its question begins there, from 0; only where each has a line of its own */
    private static function options(Exam $exam): array
    {
        $options = [];
        foreach ($exam->questions() as $draft) {
            $lines = array_map(fn (Item $item): int => $item->line, $draft->items);
            if (count(array_unique($lines)) === count($lines)) {
                $options += array_flip($lines);
            }
        }

        return $options;
    }
}
