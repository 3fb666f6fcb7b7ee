<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** How one statement stands to another, of the same framework or a second one. */
final readonly class Association
{
    /** From a statement to the one that says the same. */
    public const EXACT = 'exact';

    /** From the narrower statement to the broader one. */
    public const BROADER = 'broader';

    /** Both ways. */
    public const RELATED = 'related';

    /** From a retired statement to its successor. */
    public const REPLACED_BY = 'replaced_by';

    /** Those that a crosswalk goes by. */
    public const CROSSWALK = [self::EXACT, self::BROADER, self::RELATED, self::REPLACED_BY];

    /** @param  string  $kind  one of those above, or the name CASE has for it, such as "precedes" */
    public function __construct(public string $from, public string $to, public string $kind)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['from', 'to', 'kind'])->need('kind');

        return new self($fields->uuid('from'), $fields->uuid('to'), $fields->string('kind', '', 100));
    }

    public function toJson(): \stdClass
    {
        return (object) ['from' => $this->from, 'to' => $this->to, 'kind' => $this->kind];
    }
}
