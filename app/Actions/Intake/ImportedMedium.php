<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Infrastructure\Pictures;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Media\MediaFile;
use WideQuarry\Media\UnusableMedium;
use WideQuarry\Messages\Message;

/** A medium of a package under the rules of those that are uploaded: no larger, the right way up, without what a camera wrote into it. */
final class ImportedMedium
{
    /** @return Medium|Notice a notice where it is left out */
    public static function of(Medium $medium): Medium|Notice
    {
        if (preg_match('~^(?:image|audio|video|text)/~', $medium->type) !== 1) {
            return $medium; // bytes that nobody shows
        }
        try {
            $file = MediaFile::of($medium->bytes, $medium->name);
        } catch (UnusableMedium $problem) {
            return in_array($problem->rule, ['media.damaged', 'media.kind', 'media.encoding'], true)
                ? $medium // kept as it came, and shown as far as it can be
                : Notice::loss($problem->rule, Message::of('app.actions.intake.medium-left-out', [
                    'name' => $medium->name,
                    'why' => $problem->getMessage(),
                ]), $medium->name);
        }
        try {
            $tidy = Pictures::tidied($file);
        } catch (UnusableMedium) {
            return $medium;
        }

        return $tidy === $file ? $medium : $medium->with($tidy->bytes);
    }
}
