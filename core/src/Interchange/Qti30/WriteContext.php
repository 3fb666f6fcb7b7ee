<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Content\Gaps;
use WideQuarry\Variables\Roll;

/** What a part's writer needs to know of its question. */
final readonly class WriteContext
{
    /** @param  list<string>  $scattered  parts whose gaps stand among other answers */
    public function __construct(
        public string $language,
        public NormaliseOptions $normalise,
        public Roll $roll,
        public Gaps $gaps,
        public array $scattered,
        public ?TemplateWriter $templates = null,
    ) {
    }
}
