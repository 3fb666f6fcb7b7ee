<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\KeptMedia;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackagePart;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Stimulus\Stimulus;

/** Our own questions, kept beside a document by our writer (decision 4); they hold only as long as the document is as it was written. */
final readonly class OwnDocument
{
    private function __construct(
        private SafeZip $zip,
        private string $document,
        private string $file,
        private \stdClass $head,
        private PartKinds $kinds,
    ) {
    }

    /** @return self|Notice|null null when there is nothing of ours beside it; a notice when it does not hold any more */
    public static function beside(SafeZip $zip, string $document, string $xml, PartKinds $kinds): self|Notice|null
    {
        $file = (string) preg_replace('/\.xml$/', '.wide-quarry.jsonl', $document);
        if ($file === $document || ! $zip->has($file)) {
            return null;
        }
        foreach ($zip->lines($file) as $line) {
            try {
                $head = Json::decode($line);
            } catch (Malformed) {
                return Notice::note(
                    'extension.broken',
                    Message::of('interchange.qti12.our-own-copy-questions-in-package-cannot-read'),
                    $document,
                );
            }

            return match (true) {
                ! ($head instanceof \stdClass) || ($head->sha256 ?? null) !== hash('sha256', $xml) => Notice::note(
                    'extension.changed',
                    Message::of('interchange.qti12.document-edited-after-we'),
                    $document,
                ),
                ! isset($head->stimuli) && self::namesStimuli($zip, $file) => Notice::note(
                    'extension.no_stimuli',
                    Message::of('interchange.qti12.our-own-copy-these-questions'),
                    $document,
                ),
                default => new self($zip, $document, $file, $head, $kinds),
            };
        }

        return null;
    }

    /** Whether a question names a stimulus: files we exported until 2026-11 contain none. */
    private static function namesStimuli(SafeZip $zip, string $file): bool
    {
        foreach ($zip->lines($file) as $line) {
            if (str_contains($line, '"stimuli":["')) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<string>  $path  where in a course it stands */
    public function part(array $path): PackagePart
    {
        $questions = 0;
        foreach ($this->zip->lines($this->file) as $number => $line) {
            $questions += $number > 1 && $line !== '' ? 1 : 0;
        }
        $assessment = $this->head->assessment ?? null;
        $title = $assessment instanceof \stdClass && is_string($assessment->title ?? null) ? $assessment->title : '';

        return new PackagePart($this->document, $assessment === null ? 'loose' : 'quiz', mb_substr($title, 0, 500), $questions, $path);
    }

    /** @return iterable<\stdClass|Medium|Notice> */
    public function read(): iterable
    {
        foreach (KeptMedia::in($this->head->media ?? null, $this->zip) as $entry) {
            yield Medium::kept($this->zip, $entry['id'], $entry['type'], $entry['name'], $entry['file']);
        }
        foreach (is_array($this->head->stimuli ?? null) ? $this->head->stimuli : [] as $stimulus) {
            yield $this->thing('stimulus', fn (): \stdClass => Stimulus::read($stimulus)->toJson(), 'stimulus-left-out', 1);
        }
        foreach ($this->zip->lines($this->file) as $number => $line) {
            if ($number > 1 && $line !== '') {
                $read = fn (): \stdClass => Question::read(Json::decode($line), $this->kinds)->toJson();
                yield $this->thing('question', $read, 'one-question-left-out', $number);
            }
        }
        if ($this->zip->isUnlikeDeclared($this->file)) {
            yield $this->zip->sizeNotice($this->file);
        }
        if (isset($this->head->assessment)) {
            $read = fn (): \stdClass => Assessment::read($this->head->assessment, $this->kinds)->toJson();
            yield $this->thing('assessment', $read, 'test-left-out', 1);
        }
    }

    /**
     * @param  'assessment'|'question'|'stimulus'  $type
     * @param  \Closure(): \stdClass  $read
     * @param  string  $left  the message that says that it was left out
     */
    private function thing(string $type, \Closure $read, string $left, int $line): \stdClass|Notice
    {
        try {
            return PackageContents::thing($type, $read());
        } catch (Malformed $problem) {
            $sentence = Message::of("interchange.qti12.$left", ['why' => $problem->getMessage()]);

            return Notice::problem($problem->rule, $sentence, $this->file, $line, $problem->path);
        }
    }
}
