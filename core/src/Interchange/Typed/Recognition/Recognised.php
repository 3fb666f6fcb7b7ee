<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Messages\Message;

/** A question whose kind and key are known. */
final class Recognised
{
    /** @var list<Asked> one, or one for each part */
    public array $asked = [];

    /** @var 'plain'|'parts'|'match'|'order'|'statements' */
    public string $form = 'plain';

    /** @var list<string> sentences about what could not be told */
    public array $missing = [];

    /** @var list<string> what the document says is right, as it was typed */
    public array $given = [];

    /** @var list<Sign> */
    public array $signs = [];

    public bool $isDisputed = false;

    public function __construct(public readonly Draft $draft)
    {
    }

    public function sign(Sign ...$signs): void
    {
        foreach ($signs as $sign) {
            if (! in_array($sign, $this->signs, true)) {
                $this->signs[] = $sign;
            }
        }
    }

    public function miss(string $key, string|int ...$values): void
    {
        $this->missing[] = Message::of("interchange.typed.$key", array_filter($values, is_string(...), ARRAY_FILTER_USE_KEY));
    }
}
