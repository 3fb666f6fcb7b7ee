<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;

/** Our own questions, kept beside a document by our writer (decision 4); they hold only as long as the document is as it was written. */
final readonly class OwnDocument
{
    private function __construct(private SafeZip $zip, private string $file, private \stdClass $head, private Parts $kinds)
    {
    }

    /** @return self|Notice|null null when there is nothing of ours beside it; a notice when it does not hold any more */
    public static function beside(SafeZip $zip, string $document, string $xml, Parts $kinds): self|Notice|null
    {
        $file = (string) preg_replace('/\.xml$/', '.wide-quarry.jsonl', $document);
        if ($file === $document || ! $zip->has($file)) {
            return null;
        }
        foreach ($zip->lines($file) as $line) {
            try {
                $head = Json::decode($line);
            } catch (Malformed) {
                return Notice::note('extension.broken', 'What was kept beside this document cannot be read; the document itself was read.', $document);
            }

            return $head instanceof \stdClass && ($head->sha256 ?? null) === hash('sha256', $xml) ? new self($zip, $file, $head, $kinds) : Notice::note('extension.changed', 'This document was changed since it was written here, so it was read as it is now.', $document);
        }

        return null;
    }

    /** @return iterable<\stdClass|Medium|Notice> */
    public function read(): iterable
    {
        foreach (is_array($this->head->media ?? null) ? $this->head->media : [] as $entry) {
            if ($entry instanceof \stdClass && is_string($entry->id ?? null) && is_string($entry->file ?? null) && is_string($entry->type ?? null) && is_string($entry->name ?? null) && $this->zip->has($entry->file)) {
                yield Medium::of($entry->id, $entry->type, $entry->name, $this->zip->read($entry->file));
            }
        }
        foreach ($this->zip->lines($this->file) as $number => $line) {
            if ($number === 1 || $line === '') {
                continue;
            }
            try {
                yield Found::thing('question', Question::read(Json::decode($line), $this->kinds)->toJson());
            } catch (Malformed $problem) {
                yield Notice::problem($problem->rule, "One question was left out: {$problem->getMessage()}", $this->file, $number, $problem->path);
            }
        }
        if (isset($this->head->assessment)) {
            try {
                yield Found::thing('assessment', Assessment::read($this->head->assessment, $this->kinds)->toJson());
            } catch (Malformed $problem) {
                yield Notice::problem($problem->rule, "A test was left out: {$problem->getMessage()}", $this->file, 1, $problem->path);
            }
        }
    }
}
