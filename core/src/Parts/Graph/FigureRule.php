<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use Brick\Math\BigRational;
use WideQuarry\Graph\Ask;
use WideQuarry\Graph\Compare\Comparison;
use WideQuarry\Graph\Compare\RegionComparison;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Verdict;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** What a rule wants drawn: a figure, a region of several inequalities, or anything with some properties. */
final readonly class FigureRule
{
    public const PROPERTIES = ['position', 'dashed', 'side', 'ends'];

    private const MOST_FIGURES = 12;

    private const MOST_ASKS = 10;

    /**
     * @param  list<WrittenFigure>  $figures  one, or the inequalities of a region; none where properties are asked for
     * @param  list<Ask>  $asks
     * @param  string  $tolerance  in grid steps, as it was typed
     * @param  array<string, string>  $properties  what each earns by itself when the rest is not right, as it was typed
     */
    private function __construct(
        public array $figures,
        public bool $isRegion,
        public array $asks,
        private string $tolerance,
        private array $properties,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['figure', 'figures', 'asks', 'tolerance', 'properties']);
        $figures = $asks = [];
        $isRegion = $fields->has('figures');
        if (! $fields->has('figure') && ! $isRegion && ! $fields->has('asks')) {
            $fields->need('figure');
        }
        foreach ($isRegion ? $fields->list('figures', self::MOST_FIGURES) : [] as $i => $figure) {
            $figures[] = WrittenFigure::read($figure, "$path/figures/$i");
        }
        if ($fields->has('figure') && ! $isRegion) {
            $figures = [WrittenFigure::read($fields->raw('figure'), "$path/figure")];
        }
        foreach ($fields->list('asks', self::MOST_ASKS) as $i => $ask) {
            $asks[] = Ask::read($ask, "$path/asks/$i");
        }

        return new self(
            $figures,
            $isRegion,
            $asks,
            $fields->exact('tolerance', '0'),
            self::propertiesOf($fields),
            $path,
        );
    }

    /**
     * In grid steps.
     *
     * @throws NotScorable when it is no number, or below 0
     */
    public function tolerance(): BigRational
    {
        $tolerance = Exact::read($this->tolerance);

        return $tolerance === null || $tolerance->isNegative()
            ? throw NotScorable::unreadableNumber($this->tolerance, "$this->path/tolerance")
            : $tolerance;
    }

    /**
     * What each property earns by itself, in shares of what the rule earns.
     *
     * @return array<string, BigRational>
     *
     * @throws NotScorable
     */
    public function shares(): array
    {
        $shares = [];
        foreach ($this->properties as $property => $credit) {
            $shares[$property] = Exact::read($credit) ?? throw NotScorable::unreadableNumber($credit, "$this->path/properties");
        }

        return $shares;
    }

    /**
     * How far what was drawn is what is wanted.
     *
     * @param  list<Figure>  $drawn  one, or all inequalities that were drawn where a region is wanted
     *
     * @throws FigureProblem|RollProblem|NotScorable
     */
    public function verdict(array $drawn, Grid $grid, Roll $roll): Verdict
    {
        if ($this->isRegion) {
            $wanted = array_map(fn (WrittenFigure $one): Figure => $one->in($roll), $this->figures);

            return $wanted === [] || ! self::areInequalities([...$drawn, ...$wanted])
                ? Verdict::other()
                : (new RegionComparison($grid, $this->tolerance()))->of($wanted, $drawn);
        }
        if (count($drawn) !== 1) {
            return Verdict::other();
        }
        if ($this->figures !== []) {
            return (new Comparison($grid, $this->tolerance()))->of($this->figures[0]->in($roll), $drawn[0]);
        }
        $tolerance = $this->tolerance();
        $met = count(array_filter($this->asks, fn (Ask $ask): bool => $ask->holds($drawn[0], $grid, $tolerance, $roll)));

        return new Verdict($met === count($this->asks), corners: [$met, count($this->asks)]);
    }

    /** @param  list<Figure>  $figures */
    private static function areInequalities(array $figures): bool
    {
        return array_filter($figures, fn (Figure $one): bool => $one->kind !== FigureKind::Inequality) === [];
    }

    /**
     * What a figure that is not right earns by what is right of it, in shares of what the rule earns.
     *
     * @throws NotScorable
     */
    public function shareOf(Verdict $verdict): BigRational
    {
        $sum = Exact::zero();
        foreach ($this->shares() as $property => $credit) {
            $sum = $verdict->has($property) ? $sum->plus($credit) : $sum;
        }

        return Exact::within($sum, Exact::zero(), Exact::one());
    }

    /** @throws FigureProblem|RollProblem */
    public function inWords(Grid $grid, Roll $roll, string $language): string
    {
        $words = array_map(fn (WrittenFigure $one): string => FigureWords::of($one->in($roll), $grid), $this->figures);
        if ($this->isRegion) {
            return Message::of('graph.the-region', ['list' => implode('; ', $words)]);
        }
        if ($words !== []) {
            return $words[0];
        }
        $named = array_filter($this->asks, fn (Ask $ask): bool => $ask->is !== null);
        $others = array_map(
            fn (Ask $ask): string => $ask->inWords($roll, $language),
            array_filter($this->asks, fn (Ask $ask): bool => $ask->is === null),
        );
        $list = implode(', ', $others);

        return $named === []
            ? Message::of('graph.asks', ['list' => $list])
            : Message::of('graph.asks-figure', ['figure' => reset($named)->inWords($roll, $language), 'list' => $list]);
    }

    /**
     * @return array<string, string>
     *
     * @throws Malformed
     */
    private static function propertiesOf(Fields $fields): array
    {
        $properties = [];
        foreach ($fields->list('properties', self::MOST_ASKS) as $i => $json) {
            $property = Fields::of($json, $fields->at("properties/$i"), ['property', 'credit'])->need('property')->need('credit');
            $name = $property->oneOf('property', self::PROPERTIES, '');
            $properties[$name] = $property->exact('credit', '0');
        }

        return $properties;
    }
}
