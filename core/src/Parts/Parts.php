<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Parts\Amend\AmendKind;
use WideQuarry\Parts\Choice\ChoiceKind;
use WideQuarry\Parts\Group\GroupKind;
use WideQuarry\Parts\Highlight\HighlightKind;
use WideQuarry\Parts\Match\MatchKind;
use WideQuarry\Parts\Menu\MenuKind;
use WideQuarry\Parts\Number\NumberKind;
use WideQuarry\Parts\Order\OrderKind;
use WideQuarry\Parts\Slider\SliderKind;
use WideQuarry\Parts\Survey\SurveyKind;
use WideQuarry\Parts\Text\TextKind;
use WideQuarry\Parts\Tiles\TilesKind;

/** The kinds of part there are. A new kind is one folder and one line here. */
final readonly class Parts
{
    /** Every kind the schema knows, whether it can be scored yet or not. */
    public const NAMES = ['choice', 'text', 'number', 'formula', 'menu', 'tiles', 'match', 'group', 'order', 'spot', 'point', 'label', 'highlight', 'amend', 'graph', 'slider', 'essay', 'upload', 'survey'];

    /** @param  array<string, PartKind>  $kinds */
    private function __construct(private array $kinds)
    {
    }

    public static function standard(): self
    {
        return self::of(
            new ChoiceKind,
            new TextKind,
            new NumberKind,
            new MenuKind,
            new TilesKind,
            new MatchKind,
            new GroupKind,
            new OrderKind,
            new HighlightKind,
            new AmendKind,
            new SliderKind,
            new SurveyKind,
        );
    }

    public static function of(PartKind ...$kinds): self
    {
        $named = [];
        foreach ($kinds as $kind) {
            $named[$kind->name()] = $kind;
        }

        return new self($named);
    }

    public function find(string $name): ?PartKind
    {
        return $this->kinds[$name] ?? null;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->kinds);
    }
}
