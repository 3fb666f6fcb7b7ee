<?php

declare(strict_types=1);

namespace App\Actions\Media;

use App\Errors\Refused;
use App\Models\Medium;
use WideQuarry\Media\MediaType;
use WideQuarry\Messages\Message;

/** Refuses a medium in the place of another that its bank does not have, or that is of another kind: no picture can stand for sound. */
final class AllowReplacement
{
    /**
     * @param  string  $path  the field that names the new one
     *
     * @throws Refused
     */
    public static function in(string $bankId, string $from, string $to, string $path): void
    {
        $types = Medium::in($bankId)->whereIn('id', [$from, $to])->pluck('type', 'id');
        if (! is_string($types[$to] ?? null)) {
            throw Refused::because('media.unknown', Message::of('app.actions.media.unknown'), $path);
        }
        // one that is missing may be replaced by anything
        if (is_string($types[$from] ?? null) && MediaType::kind($types[$from]) !== MediaType::kind($types[$to])) {
            throw Refused::because('media.other_kind', Message::of('app.actions.media.other-kind'), $path);
        }
    }
}
