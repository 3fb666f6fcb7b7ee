<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\Axis;
use WideQuarry\Graph\FigureDrawing;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Frame;
use WideQuarry\Graph\GridDrawing;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MarkedByPeople;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Variables\RollProblem;

/**
 * No open standard has drawing on a grid. Points become points selected on a picture of it (SelectedPoints), everything else a picture of
 * the grid and a field in which the answer is described, for a person to mark. Our own question beside the item has all of it.
 */
final class GraphMapping implements KindMapping
{
    use MarkedByPeople;

    private const LINES = 3;

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['figures' => []];
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return false;
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        return null;
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        return PlainPart::essay(self::LINES, '<p>'.htmlspecialchars($this->inWords($part, $in)).'</p>', false, self::losses());
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $points = (new SelectedPoints($part))->write($response, $in);
        if ($points !== null) {
            return $points;
        }
        $words = htmlspecialchars($this->inWords($part, $in), ENT_QUOTES);
        $picture = self::picture($part, $in);
        $image = $picture === ''
            ? ''
            : '<img src="data:image/svg+xml;base64,'.base64_encode($picture)."\" alt=\"$words\"/>";

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" base-type=\"string\"/>",
            "<qti-extended-text-interaction response-identifier=\"$response\" expected-lines=\"".self::LINES.
                "\" format=\"plain\"><qti-prompt>$image<p>$words</p></qti-prompt></qti-extended-text-interaction>",
            '',
            self::losses(),
        );
    }

    /** @return list<array{string, string}> */
    private static function losses(): array
    {
        return [['graph.described', Message::of('parts.graph.described-there')]];
    }

    /** The grid as a learner sees it, as SVG; '' while it cannot be drawn. */
    public static function picture(Part $part, WriteContext $in): string
    {
        try {
            $frame = new Frame(GraphKind::settings($part)->grid($in->roll));
            $drawing = new FigureDrawing($frame);
            $figures = '';
            foreach (GraphKind::settings($part)->givenIn($in->roll) as $figure) {
                $figures .= $drawing->svg($figure, '#444');
            }
        } catch (FigureProblem|RollProblem) {
            return '';
        }

        return PrintedGraph::svg((new GridDrawing($frame))->grid().$figures, $frame->width, $frame->height, 1.0);
    }

    /** The grid and what is given on it, for who does not see the picture. */
    private function inWords(Part $part, WriteContext $in): string
    {
        try {
            $grid = GraphKind::settings($part)->grid($in->roll);
            $given = [];
            foreach (GraphKind::settings($part)->givenIn($in->roll) as $figure) {
                $given[] = FigureWords::of($figure, $grid);
            }
        } catch (FigureProblem|RollProblem) {
            return '';
        }
        $ends = fn (Axis $axis): array => [FigureWords::number($axis->from), FigureWords::number($axis->to)];
        [$x, $y] = [$ends($grid->x), $grid->y === null ? ['', ''] : $ends($grid->y)];

        return Message::of('parts.graph.grid-in-words', [
            'surface' => $grid->y === null ? 'line' : 'plane',
            'fromX' => $x[0],
            'toX' => $x[1],
            'fromY' => $y[0],
            'toY' => $y[1],
            'given' => $given === [] ? 'no' : 'yes',
            'list' => implode('; ', $given),
        ]);
    }
}
