<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Notice;

final readonly class WrittenItem
{
    /**
     * @param  list<string>  $media  ids of what the question and its stimuli show
     * @param  list<Notice>  $notices
     */
    public function __construct(public string $xml, public array $media, public array $notices)
    {
    }
}
