<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Messages\Message;

/** What of how an assessment is asked a format has no place for. */
final class SettingsLost
{
    /**
     * @param  list<string>  $known  what the format can say
     * @return list<Notice>
     */
    public static function of(Assessment $assessment, array $known): array
    {
        $lost = array_values(array_diff($assessment->settingNames(), $known));

        return $lost === [] ? [] : [Notice::loss('assessment.settings', Message::of('interchange.settings-lost', [
            'names' => implode(', ', array_map(fn (string $name): string => Message::of('interchange.setting', ['name' => $name]), $lost)),
        ]))];
    }
}
