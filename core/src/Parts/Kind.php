<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\ConvertibleKind;
use WideQuarry\Forms\VaryingKind;
use WideQuarry\Interchange\Qti30\MappedKind;
use WideQuarry\Presentation\PresentableKind;
use WideQuarry\Printing\PrintableKind;
use WideQuarry\Scoring\ScorableKind;
use WideQuarry\Study\StudiedKind;

/** A kind that can do everything. Each is one folder here and one line in StandardKinds. */
interface Kind extends ConvertibleKind, MappedKind, PresentableKind, PrintableKind, ScorableKind, StudiedKind, VaryingKind
{
}
