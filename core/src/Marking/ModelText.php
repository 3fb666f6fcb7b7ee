<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use WideQuarry\Content\Element;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** A model answer as rich text, its remarks numbered where they belong and listed below. */
final readonly class ModelText
{
    public function __construct(private ModelAnswer $model, private ?Rubric $rubric)
    {
    }

    /** @param  int|null  $number  of several */
    public function html(?int $number = null): string
    {
        $model = $this->model;
        $earned = $this->earned();

        return '<p><strong>'.
            self::text(
                Message::of('marking.model-title', [
                    'number' => $number ?? 0,
                    'several' => $number === null ? 'no' : 'yes',
                    'title' => $model->title,
                    'named' => $model->title === '' ? 'no' : 'yes',
                    'points' => $earned ?? '',
                    'earns' => $earned === null ? 'no' : 'yes',
                ]),
            ).
            '</strong></p>'.
            $this->answer().
            $this->remarks().
            $this->criteria().
            self::said('missing', $model->missing).
            self::said('alternatives', $model->alternatives);
    }

    /** What it earns in points; null where nothing says so. */
    public function earned(): ?string
    {
        $marks = $this->marks();
        $score = $marks === null || $this->rubric === null ? null : RubricScore::of($this->rubric, $marks);

        return $score !== null && $score->open === []
            ? RubricText::number($score->points)
            : ($this->model->points === null
                ? null
                : RubricText::number(Exact::of($this->model->points)));
    }

    private function marks(): ?PartMarks
    {
        try {
            return $this->model->marks === null || $this->rubric === null
                ? null
                : PartMarks::read($this->model->marks, $this->model->path, $this->rubric, Exact::zero());
        } catch (Malformed) {
            return null; // by an earlier rubric; a finding says so
        }
    }

    private function answer(): string
    {
        $numbers = array_flip(array_column($this->model->passages, 'id'));

        return Serialiser::html($this->numbered(RichText::read($this->model->html)->nodes, $numbers));
    }

    /**
     * Passages underlined, each with the number of its remark behind it.
     *
     * @param  list<Element|string>  $nodes
     * @param  array<int|string, int>  $numbers
     * @return list<Element|string>
     */
    private function numbered(array $nodes, array $numbers): array
    {
        $out = [];
        foreach ($nodes as $node) {
            if (is_string($node)) {
                $out[] = $node;

                continue;
            }
            $remark = $node->attribute('data-remark');
            $children = $this->numbered($node->children, $numbers);
            if ($remark === null) {
                $out[] = $node->withChildren($children);

                continue;
            }
            $out[] = new Element('u', [], $children);
            if (isset($numbers[$remark])) {
                $out[] = new Element('sup', [], ['['.($numbers[$remark] + 1).']']);
            }
        }

        return $out;
    }

    private function remarks(): string
    {
        $items = array_map(fn (array $remark): string => '<li>'.$remark['html'].'</li>', $this->model->passages);

        return $items === [] && $this->model->remarks === ''
            ? ''
            : '<p><em>'.
                    self::text(Message::of('marking.examiners-remarks')).
                    '</em></p>'.
                    ($items === [] ? '' : '<ol>'.implode('', $items).'</ol>').
                    $this->model->remarks;
    }

    private function criteria(): string
    {
        $rows = '';
        $marks = $this->marks();
        foreach ($this->rubric?->marked() ?? [] as $criterion) {
            $mark = $marks->criteria[$criterion->id] ?? null;
            if ($mark?->points !== null) {
                $level = $mark->level === null || $mark->level->title === '' ? '' : self::text($mark->level->title).', ';
                $rows .= '<li>'.self::text($criterion->title).': '.$level.RubricText::number($mark->points).'</li>';
            }
        }

        return $rows === '' ? '' : '<p><em>'.self::text(Message::of('marking.earns'))."</em></p><ul>$rows</ul>";
    }

    private static function said(string $which, string $html): string
    {
        return $html === '' ? '' : '<p><em>'.self::text(Message::of("marking.$which")).'</em></p>'.$html;
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_NOQUOTES | ENT_SUBSTITUTE);
    }
}
