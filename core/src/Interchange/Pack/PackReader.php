<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Pack;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Stimulus\Stimulus;

/** Reads our own package. A line that is no good is left out with a notice; the rest comes in. */
final readonly class PackReader
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @return iterable<\stdClass|Medium|Notice>
     *
     * @throws UnreadableFile
     */
    public function read(SafeZip $zip): iterable
    {
        $manifest = $this->manifest($zip);
        yield from $this->media($zip, $manifest);
        yield from $this->lines($zip, 'stimuli.jsonl', 'stimulus', fn (mixed $json): \stdClass => Stimulus::read($json)->toJson());
        yield from $this->lines(
            $zip,
            'questions.jsonl',
            'question',
            fn (mixed $json): \stdClass => Question::read($json, $this->kinds)->toJson(),
        );
        foreach (['groups.json' => 'group', 'assessments.json' => 'assessment'] as $file => $type) {
            if (! $zip->has($file)) {
                continue;
            }
            $list = $this->json($zip, $file);
            foreach (is_array($list) ? $list : [] as $thing) {
                if ($thing instanceof \stdClass) {
                    yield PackageContents::thing($type, $thing);
                }
            }
        }
    }

    private function manifest(SafeZip $zip): Fields
    {
        try {
            $manifest = Fields::of($this->json($zip, 'package.json'), '', [
                'format',
                'version',
                'title',
                'counts',
                'files',
                'media',
            ])->need('version');
            $manifest->oneOf('format', ['wide-quarry/package'], '');
            if ($manifest->int('version', 1, 1, 1000) > 1) {
                throw UnreadableFile::manifest(Message::of('interchange.pack.package-made-newer-version'));
            }

            return $manifest;
        } catch (Malformed $problem) {
            throw UnreadableFile::manifest(Message::of('interchange.pack.manifest-cannot-be-used', [
                'why' => $problem->getMessage(),
            ]));
        }
    }

    /** @return iterable<Medium|Notice> */
    private function media(SafeZip $zip, Fields $manifest): iterable
    {
        try {
            $list = $manifest->list('media', 100_000);
        } catch (Malformed $problem) {
            yield self::leftOut($problem);

            return;
        }
        foreach ($list as $i => $entry) {
            try {
                $medium = $this->medium($zip, Fields::of($entry, "/media/$i", ['id', 'sha256', 'type', 'name']));
            } catch (Malformed $problem) {
                $medium = self::leftOut($problem);
            }
            yield $medium;
        }
    }

    private static function leftOut(Malformed $problem): Notice
    {
        $sentence = Message::of('interchange.pack.one-left-out', ['type' => 'medium', 'why' => $problem->getMessage()]);

        return Notice::problem($problem->rule, $sentence, 'package.json', null, $problem->path);
    }

    /** @throws Malformed */
    private function medium(SafeZip $zip, Fields $entry): Medium|Notice
    {
        [$hash, $name, $type, $id] = [$entry->string('sha256'), $entry->string('name'), $entry->string('type'), $entry->id()];
        $file = "media/$hash";
        if (preg_match('/^[0-9a-f]{64}$/D', $hash) !== 1 || ! $zip->has($file)) {
            return Notice::problem('media.missing', Message::of('interchange.pack.file-not-in-package', ['text' => $name]), $file);
        }
        try {
            $bytes = $zip->read($file);
        } catch (UnreadableFile) {
            return Notice::problem('media.damaged', Message::of('interchange.pack.file-damaged-left-out', ['text' => $name]), $file);
        }

        return hash('sha256', $bytes) === $hash
            ? Medium::of($id, $type, $name, $bytes)
            : Notice::problem('media.changed', Message::of('interchange.pack.file-not-one-packed', ['name' => $name]), $file);
    }

    /**
     * @param  callable(mixed): \stdClass  $check
     * @return iterable<\stdClass|Notice>
     */
    private function lines(SafeZip $zip, string $file, string $type, callable $check): iterable
    {
        if (! $zip->has($file)) {
            return;
        }
        foreach ($zip->lines($file) as $number => $line) {
            if ($line === '') {
                continue;
            }
            try {
                yield PackageContents::thing($type, $check(Json::decode($line))); // @phpstan-ignore argument.type
            } catch (Malformed $problem) {
                yield Notice::problem($problem->rule, Message::of('interchange.pack.one-left-out', [
                    'type' => $type,
                    'why' => $problem->getMessage(),
                ]), $file, $number, $problem->path);
            }
        }
        if ($zip->isUnlikeDeclared($file)) {
            yield $zip->sizeNotice($file);
        }
    }

    private function json(SafeZip $zip, string $file): mixed
    {
        try {
            return Json::decode($zip->read($file));
        } catch (Malformed $problem) {
            throw UnreadableFile::manifest("$file: {$problem->getMessage()}");
        }
    }
}
