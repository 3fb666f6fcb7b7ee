<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\Encoding;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/** Turns a typed exam into questions: headings become groups and topics, instructions stimuli of what follows them. */
final class TypedReader
{
    /** Options may carry one sign of this kind before or after them; which one does not matter. */
    private const MARK = '/^[^\p{L}\p{N}\s(\["\'“‘£$€−+.,-]{1,3}\s*(?=\S)|(?<=\S)\s*[^\p{L}\p{N}\s)\]"\'”’.,?!%°:;…²³-]{1,3}$/u';

    /**
     * @return iterable<\stdClass|Medium|Notice>
     *
     * @throws UnreadableFile
     */
    public function read(Source $source): iterable
    {
        $bytes = $source->bytes();
        if (strlen($bytes) > TypedFormat::LARGEST) {
            throw UnreadableFile::tooLarge(intdiv(TypedFormat::LARGEST, 1_000_000));
        }
        $text = (string) preg_replace('/^\x{FEFF}/u', '', $bytes);
        if (! mb_check_encoding($bytes, 'UTF-8')) {
            $text = Encoding::mended($bytes);
            yield Notice::note(
                'text.encoding',
                Message::of('interchange.typed.not-utf-8'),
                $source->name,
            );
        }
        $exam = TypedExam::read($text);
        if (array_filter($exam->blocks(), fn (Block $block): bool => $block->kind === 'question') === []) {
            throw UnreadableFile::noQuestions($source->name);
        }
        $hash = hash('sha256', $bytes);
        $marks = $this->marks($exam);
        yield from $this->blocks($exam, $source, $hash, $marks);
    }

    /**
     * @param  array<int, int>  $marks
     * @return iterable<\stdClass|Notice>
     */
    private function blocks(TypedExam $exam, Source $source, string $hash, array $marks): iterable
    {
        $file = $source->name;
        $heading = '';
        $stimulus = null;
        $groups = [];
        $used = $unused = $waiting = [];
        foreach ($exam->blocks() as $i => $block) {
            $source->reached($i, count($exam->blocks()));
            if ($block->kind === 'heading') {
                $unused = [...$unused, ...$waiting];
                $waiting = [[$block->line, $block->stem[0]]];
                [$heading, $stimulus] = [$block->stem[0], null];
            } elseif ($block->kind === 'instruction') {
                $waiting[] = [$block->line, implode(' ', $block->stem)];
                $stimulus = Ids::of('text', $hash, "instruction $i");
                yield PackageContents::thing('stimulus', self::stimulus($stimulus, $block));
            } else {
                $typed = $this->question($block, $exam, Ids::of('text', $hash, "$i"), $marks[$i] ?? null);
                $waiting = [];
                $used[$block->number] = ($used[$block->number] ?? 0) + 1;
                $json = $typed->json;
                if ($stimulus !== null) {
                    $json->stimuli = [$stimulus];
                }
                $json->record = (object) ['origin' => self::origin($typed, $block, $exam, $file, substr($hash, 0, 12)."#$i")];
                if ($heading !== '') {
                    $json->record->topics = [[mb_substr($heading, 0, 200)]];
                    $groups[$heading][] = $json->id;
                }
                yield PackageContents::thing('question', $json);
                yield from self::notices($typed, $block, $exam, $file);
            }
        }
        foreach ($groups as $title => $questions) {
            yield PackageContents::thing('group', self::group("$title", $questions));
        }
        yield from self::left([...$unused, ...$waiting, ...$exam->unused], $exam, $used, $file);
    }

    private static function stimulus(string $id, Block $block): \stdClass
    {
        $paragraphs = array_map(fn (string $line): string => '<p>'.htmlspecialchars($line, ENT_NOQUOTES).'</p>', $block->stem);

        return (object) ['id' => $id, 'title' => '', 'language' => 'und', 'body' => implode('', $paragraphs)];
    }

    private static function origin(TypedQuestion $typed, Block $block, TypedExam $exam, string $file, string $identifier): \stdClass
    {
        return (object) [
            'format' => 'text',
            'identifier' => $identifier,
            'file' => mb_strimwidth($file, 0, 500),
            'fields' => (object) [
                'number' => "$block->number",
                'line' => "$block->line",
                'signs' => array_column($typed->signs, 'value'),
                'certainty' => $typed->certainty(self::isDisputed($typed, $block, $exam)),
            ],
        ];
    }

    /** Whether two answers differ, or a key goes by a number that several questions have. */
    private static function isDisputed(TypedQuestion $typed, Block $block, TypedExam $exam): bool
    {
        $answers = array_filter([$block->answer, $exam->key[$block->number] ?? null], fn (?string $answer): bool => $answer !== null);
        $isShared = in_array($block->number, array_column($exam->twice, 0), true);

        return count(array_unique($answers)) > 1 ||
            ($isShared && in_array(Sign::KeySection, $typed->signs, true)) ||
            ($block->ticked !== [] && $answers !== [] && $typed->missing !== []);
    }

    /** @param  list<mixed>  $questions  their ids */
    private static function group(string $title, array $questions): \stdClass
    {
        return (object) [
            'id' => 'g-'.substr(hash('sha256', $title), 0, 12),
            'parent' => null,
            'kind' => 'heading',
            'title' => $title,
            'questions' => $questions,
        ];
    }

    /** @return iterable<Notice> what is to be said of one question */
    private static function notices(TypedQuestion $typed, Block $block, TypedExam $exam, string $file): iterable
    {
        $id = is_string($typed->json->id) ? $typed->json->id : null;
        $other = $exam->key[$block->number] ?? $block->answer;
        if ($block->answer !== null && $other !== $block->answer) {
            $sentence = Message::of('interchange.typed.answer-below-question-taken', ['other' => $other]);
            yield Notice::note('text.two_answers', $sentence, $file, $block->line, $id);
        }
        foreach ($typed->missing as $sentence) {
            yield Notice::note('text.missing', $sentence, $file, $block->line, $id);
        }
    }

    /**
     * What belongs to no question.
     *
     * @param  list<array{int, string}>  $lines
     * @param  array<int, int>  $used  number of a question → how many have it
     * @return iterable<Notice>
     */
    private static function left(array $lines, TypedExam $exam, array $used, string $file): iterable
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
        foreach (array_diff_key($exam->key, $used) as $number => $answer) {
            $sentence = Message::of('interchange.typed.key-answer-question-no-such-question', ['number' => $number, 'answer' => $answer]);
            yield Notice::loss('text.key_alone', $sentence, $file);
        }
    }

    private function question(Block $block, TypedExam $exam, string $id, ?int $marked): TypedQuestion
    {
        $answer = $block->answer ?? ($exam->key[$block->number] ?? null);
        $where = $block->answer !== null ? Sign::AnswerLine : Sign::KeySection;
        if ($marked !== null) {
            $block = $block->with([
                'options' => array_map(
                    fn (string $option): string => trim((string) preg_replace(self::MARK, '', $option)),
                    $block->options,
                ),
            ]);
        }

        return TypedQuestion::of($block, $id, $answer === '' ? null : $answer, $where, $marked);
    }

    /**
     * The options that alone in their question carry a sign before or after them, where that is so in every question that has no
     * other answer. One question so marked is chance, unless it is the only one.
     *
     * @return array<int, int> block → option
     */
    private function marks(TypedExam $exam): array
    {
        $marks = [];
        foreach ($exam->blocks() as $i => $block) {
            if (count($block->options) < 2 || $block->ticked !== [] || $block->answer !== null || isset($exam->key[$block->number])) {
                continue;
            }
            $signed = array_keys(array_filter($block->options, fn (string $option): bool => preg_match(self::MARK, $option) === 1));
            if (count($signed) !== 1) {
                return [];
            }
            $marks[$i] = $signed[0];
        }

        return $marks;
    }
}
