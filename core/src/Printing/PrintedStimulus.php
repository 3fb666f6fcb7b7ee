<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/** A stimulus on its way to paper. */
final readonly class PrintedStimulus
{
    /**
     * @param  string  $html  rich text
     * @param  \Closure(string): ?string  $media
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $language,
        public string $html,
        public \Closure $media,
    ) {
    }
}
