<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Parts\Amend\AmendMapping;
use WideQuarry\Parts\Choice\ChoiceMapping;
use WideQuarry\Parts\Group\GroupMapping;
use WideQuarry\Parts\Highlight\HighlightMapping;
use WideQuarry\Parts\Match\MatchMapping;
use WideQuarry\Parts\Menu\MenuMapping;
use WideQuarry\Parts\Number\NumberMapping;
use WideQuarry\Parts\Order\OrderMapping;
use WideQuarry\Parts\Slider\SliderMapping;
use WideQuarry\Parts\Survey\SurveyMapping;
use WideQuarry\Parts\Text\TextMapping;
use WideQuarry\Parts\Tiles\TilesMapping;

/** Which kinds travel in QTI 3.0. One line for each. */
final class Mappings
{
    /** @return list<KindMapping> */
    public static function all(): array
    {
        return [
            new SurveyMapping,
            new ChoiceMapping,
            new NumberMapping,
            new TextMapping,
            new MenuMapping,
            new TilesMapping,
            new GroupMapping,
            new MatchMapping,
            new OrderMapping,
            new HighlightMapping,
            new SliderMapping,
            new AmendMapping,
        ];
    }

    /** @return list<KnowsOwnRules> */
    public static function knowing(): array
    {
        return array_values(array_filter(self::all(), fn (KindMapping $mapping): bool => $mapping instanceof KnowsOwnRules));
    }

    public static function for(string $kind): ?KindMapping
    {
        foreach (self::all() as $mapping) {
            if ($mapping->kind() === $kind) {
                return $mapping;
            }
        }

        return null;
    }
}
