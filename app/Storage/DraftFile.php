<?php

declare(strict_types=1);

namespace App\Storage;

use App\Errors\Refused;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Messages\Message;
use WideQuarry\Question\UnhelpfulTitle;

/** The file of an export until it is stored or thrown away. */
final class DraftFile
{
    /**
     * @template Result
     *
     * @param  \Closure(string, list<Notice>): Result  $use  what is done with the file, and with what it cannot say
     * @return Result
     *
     * @throws Refused when the disk is full
     */
    public static function write(WritableFormat $format, PackageContents $contents, \Closure $use): mixed
    {
        $file = @tempnam(sys_get_temp_dir(), 'export');
        if ($file === false) {
            throw Refused::because('storage.full', Message::of('app.storage.file-not-written'));
        }
        try {
            try {
                $notices = $format->write($contents, $file);
            } catch (\RuntimeException) {
                throw Refused::because('storage.full', Message::of('app.storage.file-not-written'));
            }

            return $use($file, $notices);
        } finally {
            if (is_file($file)) {
                unlink($file);
            }
        }
    }

    /**
     * Names of the questions that the notices are about.
     *
     * @param  list<Notice>  $notices
     * @return array<string, string> question → name
     */
    public static function names(PackageContents $contents, array $notices): array
    {
        $about = array_flip(array_filter(array_map(fn (Notice $notice): ?string => $notice->question, $notices)));
        $names = [];
        foreach ($contents->questions as $question) {
            if (is_string($question->id) && isset($about[$question->id])) {
                $title = $question->title ?? '';
                $body = $question->body ?? '';
                $names[$question->id] = UnhelpfulTitle::of(is_string($title) ? $title : '', is_string($body) ? $body : '');
            }
        }

        return $names;
    }
}
