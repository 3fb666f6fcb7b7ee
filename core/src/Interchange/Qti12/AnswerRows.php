<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Keys\Probe;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\Qti30\Xml;

/**
 * Responses that each have words of their own and offer the very same answers: this format has no joining of two lists, so they are
 * written like that, row by row. They become one part.
 */
final class AnswerRows
{
    /** @var list<\DOMElement> */
    private array $rows = [];

    /** @var list<array<string, string>> of each row, what can be chosen: identifier → rich text */
    private array $labels = [];

    private string $id = '';

    private bool $several = false;

    public function __construct(?\DOMElement $presentation, private readonly ResponseReader $reader)
    {
        $rows = $labels = [];
        foreach ($presentation === null ? [] : Xml::all($presentation) as $element) {
            if (
                str_starts_with((string) $element->localName, 'response_') &&
                ! in_array($element->localName, ['response_label', 'response_na'], true)
            ) {
                $render = Xml::child($element, 'render_choice');
                if (
                    $element->localName !== 'response_lid' ||
                    $render === null ||
                    strcasecmp($element->getAttribute('rcardinality'), 'ordered') === 0 ||
                    trim($element->getAttribute('ident')) === '' ||
                    trim(strip_tags($reader->prompt($element), '<img><math>')) === ''
                ) {
                    return;
                }
                $rows[] = $element;
                $labels[] = $reader->labels($render);
            }
        }
        $idents = array_unique(array_map(fn (\DOMElement $row): string => trim($row->getAttribute('ident')), $rows));
        $cardinalities = array_unique(
            array_map(
                fn (\DOMElement $row): string => strtolower($row->getAttribute('rcardinality')) === 'multiple' ? 'multiple' : 'single',
                $rows,
            ),
        );
        if (
            count($rows) > 1 &&
            count($cardinalities) === 1 &&
            count($idents) === count($rows) &&
            count($labels[0]) > 1 &&
            count(array_unique(array_map(fn (array $of): array => array_values($of), $labels), SORT_REGULAR)) === 1
        ) {
            [$this->rows, $this->labels, $this->several] = [$rows, $labels, $cardinalities[0] === 'multiple'];
        }
    }

    public function has(\DOMElement $element): bool
    {
        return array_filter($this->rows, fn (\DOMElement $row): bool => $row->isSameNode($element)) !== [];
    }

    public function isFirst(\DOMElement $element): bool
    {
        return $this->rows[0]->isSameNode($element);
    }

    /** Whether the answers of a row are shuffled; the columns of a grid never are. */
    public function isMixed(): bool
    {
        $mixed = fn (\DOMElement $row): bool => strcasecmp(Xml::child($row, 'render_choice')?->getAttribute('shuffle') ?? '', 'yes') === 0;

        return array_filter($this->rows, $mixed) !== [];
    }

    public function isTable(): bool
    {
        return $this->several;
    }

    /**
     * @param  list<Response>  $responses  what there is so far; added to
     * @return string the identifier of the part
     */
    public function add(array &$responses): string
    {
        $this->id = 'rows-'.(count($responses) + 1);
        $left = array_map(fn (\DOMElement $row): string => trim($row->getAttribute('ident')), $this->rows);
        $right = array_map(strval(...), array_keys($this->labels[0]));
        $own = array_map(fn (array $labels): array => array_map(strval(...), array_keys($labels)), $this->labels);
        $probes = $this->probes($left, $right, $own);
        $asked = fn (array $given): array => self::chosen($given, $left, $right, $own); // @phpstan-ignore argument.type
        $settings = $this->settings($left, $right);
        // where a row takes one answer, wrong rows may count, not wrong pairs: then the rows are sorted, not joined
        $sorted = $this->several
            ? null
            : new Response($this->id, 'group', self::groups($settings), AnswerShape::Pairs, $left, false, $probes, $right, $asked);
        $responses[] = new Response(
            $this->id,
            'match',
            $settings,
            AnswerShape::Pairs,
            $left,
            $this->several,
            $probes,
            $right,
            $asked,
            $sorted,
        );

        return $this->id;
    }

    /**
     * @param  list<string>  $left
     * @param  list<string>  $right
     * @return object{left: list<\stdClass>, right: list<\stdClass>, by: string, shuffle: bool}&\stdClass
     */
    private function settings(array $left, array $right): \stdClass
    {
        return (object) [
            'left' => array_map(
                fn (\DOMElement $row, string $id): \stdClass => (object) [
                    'id' => $id,
                    'html' => $this->reader->prompt($row),
                    'uses' => $this->several ? null : 1,
                ],
                $this->rows,
                $left,
            ),
            'right' => array_map(
                fn (string $id, string $html): \stdClass => (object) ['id' => $id, 'html' => $html, 'uses' => null],
                $right,
                array_values($this->labels[0]),
            ),
            'by' => $this->several ? 'grid' : 'menus',
            'shuffle' => ! $this->several && $this->isMixed(),
        ];
    }

    /** @param  object{left: list<\stdClass>, right: list<\stdClass>}&\stdClass  $settings  of a match */
    private static function groups(\stdClass $settings): \stdClass
    {
        return (object) [
            'items' => array_map(fn (\stdClass $one): \stdClass => (object) ['id' => $one->id, 'html' => $one->html], $settings->left),
            'groups' => array_map(
                fn (\stdClass $one): \stdClass => (object) ['id' => $one->id, 'html' => $one->html, 'max' => null],
                $settings->right,
            ),
            'shuffle' => false,
        ];
    }

    /**
     * @param  list<string>  $left
     * @param  list<string>  $right
     * @param  array<list<string>>  $own  the answers of each row, in its own order
     * @return list<Probe>
     */
    private function probes(array $left, array $right, array $own): array
    {
        $probes = [];
        foreach ($this->rows as $i => $row) {
            foreach ($this->reader->probes($row) as $probe) {
                $at = array_search($probe->value, $own[$i], true);
                if ($at !== false) {
                    $probes[] = new Probe('equal', "$left[$i]\t$right[$at]");
                }
            }
        }

        return $probes;
    }

    /**
     * @param  list<string>  $given  pairs
     * @param  list<string>  $left
     * @param  list<string>  $right
     * @param  list<list<string>>  $own  what each row calls the answers
     * @return array<string, list<string>> row → what is chosen there
     */
    private static function chosen(array $given, array $left, array $right, array $own): array
    {
        $chosen = array_fill_keys($left, []);
        foreach ($given as $pair) {
            [$first, $second] = [...explode("\t", $pair, 2), ''];
            $row = array_search($first, $left, true);
            $at = array_search($second, $right, true);
            if ($row !== false && $at !== false) {
                $chosen[$first][] = $own[$row][$at];
            }
        }

        return $chosen;
    }
}
