<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** A question for a format without values that vary: it goes out with those of one roll, or as several questions with others each. */
final class FixedRolls
{
    /** At most this many of a question. */
    public const MOST = 50;

    /** @var array<string, string> copy → the question it is of */
    private array $originals = [];

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    /**
     * What is said of copies, said of their questions: once each, as every copy loses the same.
     *
     * @param  list<Notice>  $notices
     * @return list<Notice>
     */
    public function ofOriginals(array $notices): array
    {
        $said = $seen = [];
        foreach ($notices as $notice) {
            $original = $this->originals[$notice->question ?? ''] ?? null;
            $key = "$original $notice->code $notice->message";
            if ($original === null || ! isset($seen[$key])) {
                $said[] = $original === null ? $notice : $notice->about($original);
            }
            $seen[$key] = true;
        }

        return $said;
    }

    /**
     * Puts copies in the place of every question whose values vary. A question of which one roll goes out keeps its id and title.
     *
     * @param  int  $copies  of each, fewer where it has fewer rolls: 1 to MOST
     * @return list<Notice> which rolls went out
     */
    public function in(PackageContents $content, int $copies): array
    {
        $questions = $notices = [];
        foreach ($content->questions as $json) {
            $seeds = isset($json->variables) ? $this->seeds($json, $copies) : [];
            if ($seeds === []) {
                $questions[] = $json;

                continue;
            }
            // one that stays one keeps its definitions: the writer takes the same roll, and they come back where the format has room
            foreach (count($seeds) > 1 ? $seeds : [] as $seed => $drawn) {
                $questions[] = $this->copy($json, $seed, $drawn);
            }
            if (count($seeds) === 1) {
                $questions[] = $json;
            }
            $notices[] = Notice::note('values.fixed', Message::of('interchange.rolls-that-go-out', [
                'n' => count($seeds),
                'rolls' => implode(', ', array_keys($seeds)),
            ]))->about(is_string($json->id) ? $json->id : '');
        }
        $content->questions = $questions;

        return $notices;
    }

    /** @return array<int, array<int, array<string, string>>> as Variables::someRolls() */
    private function seeds(\stdClass $json, int $copies): array
    {
        $question = Question::read($json, $this->kinds);

        return $question->variables->varies() ? $question->variables->someRolls($copies) : [];
    }

    /** @param  array<int, array<string, string>>  $drawn  place in the list → name → expression */
    private function copy(\stdClass $json, int $seed, array $drawn): \stdClass
    {
        $copy = Json::copy($json);
        assert($copy instanceof \stdClass);
        $variables = ($copy->variables ?? null) instanceof \stdClass ? $copy->variables : new \stdClass;
        $copy->variables = (object) ['list' => self::fixed(is_array($variables->list ?? null) ? $variables->list : [], $drawn)];
        [$id, $title] = [is_string($json->id) ? $json->id : '', is_string($json->title ?? null) ? $json->title : ''];
        $copy->id = Ids::of('roll', $id, (string) $seed);
        $this->originals[$copy->id] = $id;
        $copy->title = trim(Message::of('interchange.title-of-a-roll', ['title' => $title, 'roll' => $seed]));

        return $copy;
    }

    /**
     * @param  array<mixed>  $list  definitions
     * @param  array<int, array<string, string>>  $drawn
     * @return list<mixed> what was drawn is said instead of how it is drawn
     */
    private static function fixed(array $list, array $drawn): array
    {
        $fixed = [];
        foreach (array_values($list) as $i => $definition) {
            if (! isset($drawn[$i])) {
                $fixed[] = $definition;
            }
            foreach ($drawn[$i] ?? [] as $name => $expression) {
                $fixed[] = (object) [
                    'name' => $name,
                    'kind' => 'expr',
                    'expr' => $expression,
                    ...$definition instanceof \stdClass && isset($definition->show) ? ['show' => $definition->show] : [],
                ];
            }
        }

        return $fixed;
    }
}
