<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Notice;

final readonly class WrittenItem
{
    /**
     * @param  string  $allContent  all rich text of the question in one, to find its media
     * @param  list<Notice>  $notices
     */
    public function __construct(public string $xml, public string $allContent, public array $notices)
    {
    }
}
