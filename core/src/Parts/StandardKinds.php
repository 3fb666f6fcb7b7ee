<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Parts\Amend\AmendKind;
use WideQuarry\Parts\Choice\ChoiceKind;
use WideQuarry\Parts\Essay\EssayKind;
use WideQuarry\Parts\Graph\GraphKind;
use WideQuarry\Parts\Group\GroupKind;
use WideQuarry\Parts\Highlight\HighlightKind;
use WideQuarry\Parts\Label\LabelKind;
use WideQuarry\Parts\Match\MatchKind;
use WideQuarry\Parts\Menu\MenuKind;
use WideQuarry\Parts\Number\NumberKind;
use WideQuarry\Parts\Order\OrderKind;
use WideQuarry\Parts\Point\PointKind;
use WideQuarry\Parts\Slider\SliderKind;
use WideQuarry\Parts\Spot\SpotKind;
use WideQuarry\Parts\Survey\SurveyKind;
use WideQuarry\Parts\Text\TextKind;
use WideQuarry\Parts\Tiles\TilesKind;
use WideQuarry\Parts\Upload\UploadKind;
use WideQuarry\Question\PartKinds;

/** The kinds of part there are. A new kind is one folder and one line here. */
final class StandardKinds
{
    /** Where two kinds read the same element of a format, the one that asks for more comes first. */
    public static function all(): PartKinds
    {
        return PartKinds::of(
            new SurveyKind,
            new ChoiceKind,
            new NumberKind,
            new EssayKind,
            new TextKind,
            new MenuKind,
            new TilesKind,
            new GroupKind,
            new MatchKind,
            new OrderKind,
            new GraphKind,
            new HighlightKind,
            new SliderKind,
            new AmendKind,
            new SpotKind,
            new PointKind,
            new LabelKind,
            new UploadKind,
        );
    }
}
