<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Pack;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackagePart;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\PartChoice;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\QuestionMedia;

/** Where our own package falls into parts: its assessments with what they ask, and the questions that none asks. */
final class Division
{
    private const LOOSE = '#0';

    /** @var array<string, \stdClass> id of the part → the assessment */
    private array $assessments = [];

    /** @var array<string, list<string>> id of the part → its questions */
    private array $asked = [];

    /** @var array<string, true> */
    private array $loose = [];

    private function __construct(private readonly SafeZip $zip, private readonly PartKinds $kinds)
    {
        $list = self::decoded($zip->has('assessments.json') ? $zip->read('assessments.json') : '[]');
        foreach (is_array($list) ? $list : [] as $n => $assessment) {
            if ($assessment instanceof \stdClass) {
                $this->assessments["assessments.json#$n"] = $assessment;
                $this->asked["assessments.json#$n"] = $this->questions($assessment);
            }
        }
        $asked = array_fill_keys(array_merge(...array_values($this->asked)), true);
        foreach ($this->lines('questions.jsonl') as $id => $question) {
            $this->loose += isset($asked[$id]) ? [] : [$id => true];
        }
    }

    public static function of(SafeZip $zip, PartKinds $kinds): self
    {
        return new self($zip, $kinds);
    }

    public function parts(): PackageParts
    {
        $parts = [];
        foreach ($this->assessments as $id => $assessment) {
            $title = is_string($assessment->title ?? null) ? mb_substr($assessment->title, 0, 500) : '';
            $parts[] = new PackagePart($id, 'quiz', $title, count($this->asked[$id]));
        }
        $loose = count($this->loose);

        return new PackageParts($loose === 0 ? $parts : [...$parts, new PackagePart(self::LOOSE, 'loose', '', $loose)]);
    }

    /**
     * Of all things in the package those that belong to the choice, with the stimuli and media they use.
     *
     * @param  iterable<\stdClass|Medium|Notice>  $things
     * @return iterable<\stdClass|Medium|Notice>
     */
    public function chosen(PartChoice $choice, iterable $things): iterable
    {
        $wanted = $this->wanted($choice);
        foreach ($things as $thing) {
            $type = match (true) {
                $thing instanceof Medium => 'medium',
                $thing instanceof \stdClass && is_string($thing->type) => $thing->type,
                default => '',
            };
            if (! isset($wanted[$type]) || isset($wanted[$type][self::id($thing)])) {
                yield $thing;
            }
        }
    }

    /** @return array<string, array<string, true>> type of thing → ids of those that are wanted */
    private function wanted(PartChoice $choice): array
    {
        $questions = $choice->has(self::LOOSE) ? $this->loose : [];
        $assessments = [];
        foreach ($this->assessments as $id => $assessment) {
            if ($choice->has($id)) {
                $questions += array_fill_keys($this->asked[$id], true);
                $assessments[is_string($assessment->id ?? null) ? $assessment->id : ''] = true;
            }
        }
        [$stimuli, $media] = $this->used('questions.jsonl', $questions);
        $media += $this->used('stimuli.jsonl', $stimuli)[1];

        return ['question' => $questions, 'assessment' => $assessments, 'stimulus' => $stimuli, 'medium' => $media];
    }

    private static function id(\stdClass|Medium|Notice $thing): string
    {
        if ($thing instanceof Medium) {
            return $thing->id;
        }
        $value = $thing instanceof \stdClass ? $thing->value : null;

        return $value instanceof \stdClass && is_string($value->id ?? null) ? $value->id : '';
    }

    /**
     * @param  array<string, true>  $of
     * @return array{array<string, true>, array<string, true>} stimuli and media that these name
     */
    private function used(string $file, array $of): array
    {
        $stimuli = $media = [];
        foreach ($this->lines($file) as $id => $line) {
            if (isset($of[$id])) {
                $stimuli += array_fill_keys(is_array($line->stimuli ?? null) ? array_filter($line->stimuli, is_string(...)) : [], true);
                $media += array_fill_keys(QuestionMedia::in($line), true);
            }
        }

        return [$stimuli, $media];
    }

    /** @return list<string> every question that is asked or may be drawn; none of an assessment that cannot be read */
    private function questions(\stdClass $assessment): array
    {
        try {
            return Assessment::read($assessment, $this->kinds)->questions();
        } catch (Malformed) {
            return [];
        }
    }

    /** @return iterable<string, \stdClass> by their ids; what cannot be read is left to the reader to say */
    private function lines(string $file): iterable
    {
        foreach ($this->zip->has($file) ? $this->zip->lines($file) : [] as $line) {
            $json = self::decoded($line);
            if ($json instanceof \stdClass && is_string($json->id ?? null)) {
                yield $json->id => $json;
            }
        }
    }

    private static function decoded(string $json): mixed
    {
        try {
            return Json::decode($json);
        } catch (Malformed) {
            return null;
        }
    }
}
