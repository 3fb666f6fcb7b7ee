<?php

declare(strict_types=1);

namespace App\Search;

/** How questions with certain words are found. */
enum WordPlan
{
    /** Those with the words first, then sorted: right where they are few. */
    case WordsFirst;

    /** Those with the words in their titles first: right where they are few, though many have them elsewhere. */
    case TitlesFirst;

    /** The order first, each row's words looked at on the way until the page is full: right where they are many. */
    case OrderFirst;

    /** As PostgreSQL thinks best: right for counting, where many have them. */
    case Any;
}
