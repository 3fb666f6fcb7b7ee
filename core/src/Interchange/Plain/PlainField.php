<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use WideQuarry\Answer\NormaliseOptions;

/** Where something is typed, or a value is set. */
final readonly class PlainField
{
    /**
     * @param  int  $width  in characters; 0 where nothing is said
     * @param  array{string, string, string}|null  $scale  from, to, step
     * @param  NormaliseOptions|null  $normalise  what to ignore in typed words
     * @param  int  $lines  0 where one is enough
     * @param  bool  $isRich  whether what is written has bold words, lists and the like
     */
    public function __construct(
        public int $width = 0,
        public ?array $scale = null,
        public ?NormaliseOptions $normalise = null,
        public int $lines = 0,
        public bool $isRich = false,
    ) {
    }
}
