<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

/** Several assessments as one: the sections of each, one after the other, each question asked once. */
final class Merge
{
    /** @var list<\stdClass> */
    private array $sections = [];

    /** @var array<string, true> questions that are asked */
    private array $asked = [];

    private int $entries = 0;

    /** How many entries were left out, because their question is asked before. */
    public int $left = 0;

    /**
     * @param  list<Assessment>  $assessments
     * @return \stdClass an assessment under a new identifier; it is a draft
     */
    public function of(array $assessments, string $id, string $title): \stdClass
    {
        foreach ($assessments as $assessment) {
            $this->add($assessment);
        }
        $json = Assessment::fresh($id, $title);
        $json->sections = $this->sections === [] ? $json->sections : $this->sections;

        return $json;
    }

    private function add(Assessment $assessment): void
    {
        $json = $assessment->toJson();
        $sections = is_array($json->sections ?? null) ? $json->sections : [];
        foreach ($sections as $section) {
            $entries = $section instanceof \stdClass && is_array($section->entries) ? $this->entries($section->entries) : [];
            if (! $section instanceof \stdClass || $entries === [] && ($section->instructions ?? '') === '') {
                continue;
            }
            $section->id = 's'.(count($this->sections) + 1);
            $section->title = self::called($assessment->title, is_string($section->title ?? null) ? $section->title : '', count($sections));
            $section->entries = $entries;
            $this->sections[] = $section;
        }
    }

    /** A section is called after its assessment, and by its own title where that has several. */
    private static function called(string $assessment, string $section, int $sections): string
    {
        return mb_substr($section === '' || $sections === 1 ? $assessment : "$assessment: $section", 0, 500);
    }

    /**
     * @param  array<mixed>  $given
     * @return list<\stdClass>
     */
    private function entries(array $given): array
    {
        $entries = [];
        foreach ($given as $entry) {
            if (! $entry instanceof \stdClass) {
                continue;
            }
            $question = is_string($entry->question ?? null) ? $entry->question : null;
            if ($question !== null && isset($this->asked[$question])) {
                $this->left++;

                continue;
            }
            if ($question !== null) {
                $this->asked[$question] = true;
            }
            $entry->id = ($question === null ? 'd' : 'e').++$this->entries;
            $entries[] = $entry;
        }

        return $entries;
    }
}
