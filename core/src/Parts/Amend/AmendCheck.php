<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Amend;

use WideQuarry\Answer\Normaliser;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\Pieces;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\PieceCheck;
use WideQuarry\Parts\TypedKeyCheck;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\ScoringContext;

/** What an author should mend in a text that is to be mended. */
final class AmendCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, AmendSettings $settings, ScoringContext $in): array
    {
        $path = "$part->path/settings/text";
        $words = array_column(Pieces::of($settings->text), 'words', 'id');
        $normaliser = new Normaliser($in->normalise->overriddenBy($settings->normalise), $in->language);
        $findings = [...PieceCheck::findings($settings->text, $path, 1), ...TypedKeyCheck::findings($part)];
        $faults = [];
        foreach ($part->key->rules as $rule) {
            $on = $rule->on;
            assert($on instanceof TextMatcher);
            if ($on->piece === null || ! isset($words[$on->piece])) {
                $findings[] = Finding::blocking('key.unknown', "$rule->path/on", Message::of('parts.amend.key-mends-no-piece'), [
                    'gone' => $on->piece,
                ]);

                continue;
            }
            $faults[$on->piece] = true;
            if ($on->answer !== 'otherwise' && $on->answer !== 'shape' && $on->texts === []) {
                $findings[] = Finding::blocking(
                    'rule.empty',
                    "$rule->path/on/text",
                    Message::of('parts.amend.say-right-instead', ['words' => $words[$on->piece]]),
                );
            }
            foreach ($on->texts as $text) {
                if ($on->answer === 'is' && $normaliser->apply($text->source()) === $normaliser->apply($words[$on->piece])) {
                    $findings[] = Finding::blocking(
                        'amend.same',
                        "$rule->path/on/text",
                        Message::of('parts.amend.stands-text-already-right', ['words' => $words[$on->piece]]),
                    );
                }
            }
        }
        if (count($words) > 0 && count($faults) === count($words)) {
            $findings[] = Finding::warning(
                'amend.only_faults',
                $path,
                Message::of('parts.amend.everything-can-picked-fault'),
            );
        }

        return $findings;
    }
}
