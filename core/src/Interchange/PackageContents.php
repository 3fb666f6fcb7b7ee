<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/**
 * Everything a reader made of a file, or a writer is given: core/schema/read.json.
 * Readers yield one thing after the other, so that a large file need not be held; this collects them.
 */
final class PackageContents
{
    /** @var list<\stdClass> */
    public array $questions = [];

    /** @var list<\stdClass> */
    public array $stimuli = [];

    /** @var list<\stdClass> */
    public array $groups = [];

    /** @var list<\stdClass> */
    public array $assessments = [];

    /** @var list<\stdClass> core/schema/framework.json */
    public array $frameworks = [];

    /** @var list<\stdClass> typed documents as they were read: their paragraphs, and what each was taken for */
    public array $documents = [];

    /** @var list<\stdClass> tables as they were read: their first rows, and what each column was taken for */
    public array $tables = [];

    /** @var list<Medium> */
    public array $media = [];

    /** @var list<Notice> */
    public array $notices = [];

    /** @param  iterable<\stdClass|Medium|Notice>  $things  each \stdClass has a field `type`, as thing() gives it */
    public static function collect(iterable $things): self
    {
        $found = new self();
        foreach ($things as $thing) {
            $found->add($thing);
        }

        return $found;
    }

    public function add(\stdClass|Medium|Notice $thing): void
    {
        if ($thing instanceof Medium) {
            $this->media[] = $thing;
        } elseif ($thing instanceof Notice) {
            $this->notices[] = $thing;
        } else {
            assert($thing->value instanceof \stdClass);
            match ($thing->type) {
                'question' => ($this->questions[] = $thing->value),
                'stimulus' => ($this->stimuli[] = $thing->value),
                'group' => ($this->groups[] = $thing->value),
                'framework' => ($this->frameworks[] = $thing->value),
                'document' => ($this->documents[] = $thing->value),
                'table' => ($this->tables[] = $thing->value),
                default => ($this->assessments[] = $thing->value),
            };
        }
    }

    /** @param  'question'|'stimulus'|'group'|'assessment'|'framework'|'document'|'table'  $type */
    public static function thing(string $type, \stdClass $value): \stdClass
    {
        return (object) ['type' => $type, 'value' => $value];
    }
}
