<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** That something is about a statement of a framework. The statement is named by its framework and code; its id settles which it is. */
final readonly class Alignment
{
    public const MOST = 100;

    /** It shows whether a learner meets the statement. */
    public const ASSESSES = 'assesses';

    /** It has to do with it, and shows nothing. */
    public const TOUCHES = 'touches';

    public const FIELDS = ['framework', 'code', 'statement', 'relation'];

    /**
     * @param  string  $framework  its title, or what a package calls it; "" where a package does not say
     * @param  string|null  $statement  UUID; null for a code that has been matched to no statement
     */
    private function __construct(
        public string $framework,
        public string $code,
        public ?string $statement,
        public string $relation,
    ) {
    }

    /**
     * @return list<self>
     *
     * @throws Malformed
     */
    public static function list(Fields $fields, string $name = 'standards'): array
    {
        $list = [];
        foreach ($fields->list($name, self::MOST) as $i => $one) {
            $list[] = self::read($one, $fields->at("$name/$i"));
        }

        return $list;
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('framework')->need('code');

        return new self(
            $fields->string('framework'),
            $fields->string('code'),
            $fields->raw('statement') === null ? null : $fields->uuid('statement'),
            $fields->oneOf('relation', [self::ASSESSES, self::TOUCHES], self::ASSESSES),
        );
    }

    /** Whether two name the same statement, however they stand to it. */
    public function isSame(self $other): bool
    {
        return $this->statement !== null && $other->statement !== null
            ? $this->statement === $other->statement
            : $this->framework === $other->framework && StatementCode::folded($this->code) === StatementCode::folded($other->code);
    }

    public function related(string $relation): self
    {
        return new self($this->framework, $this->code, $this->statement, $relation);
    }

    public function toJson(): \stdClass
    {
        return (object) [
            'framework' => $this->framework,
            'code' => $this->code,
            ...$this->statement === null ? [] : ['statement' => $this->statement],
            ...$this->relation === self::ASSESSES ? [] : ['relation' => $this->relation],
        ];
    }
}
