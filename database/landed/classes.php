<?php

declare(strict_types=1);

// Classes under the names by which landed migrations call them. Those files are never edited, so a renamed class stays reachable here,
// with nothing but the methods they use. New migrations use no classes of the application.

namespace App\Support {
    final class QuestionIndex
    {
        /** @return array<string, mixed> */
        public static function plain(\WideQuarry\Question\Question $question): array
        {
            return \App\Indexing\QuestionIndex::plain($question);
        }
    }
}

namespace WideQuarry\Parts {
    final class Parts
    {
        public static function standard(): \WideQuarry\Question\PartKinds
        {
            return StandardKinds::all();
        }
    }
}

namespace WideQuarry\Question {
    final class Naming
    {
        public static function saysNothing(string $title): bool
        {
            return UnhelpfulTitle::saysNothing($title);
        }
    }
}
