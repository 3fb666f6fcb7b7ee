<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use WideQuarry\Converting\AnswerForm;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\PairScoring;
use WideQuarry\Parts\ShuffledItems;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Study\StudiedOptions;
use WideQuarry\Study\StudiedPart;

/** The learner puts tiles into gaps of the text. Response: {"gaps": {"g1": "t3"}}. */
final class TilesKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'tiles';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): TilesSettings
    {
        return TilesSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): PairTarget
    {
        return PairTarget::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Each;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $filled = $response->gaps ?? null;
        if (! ($filled instanceof \stdClass)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.tiles.response-tiles-gaps'));
        }
        $tiles = self::settings($part)->tiles;
        $gaps = $in->gaps->of($part->id);
        $given = [];
        $times = [];
        foreach (get_object_vars($filled) as $gap => $id) {
            $gap = (string) $gap;
            if (! in_array($gap, $gaps, true)) {
                return PartOutcome::unreadable('tiles.unknown_gap', Message::of('parts.tiles.no-gap', ['gap' => $gap]));
            }
            $tile = is_string($id) ? Item::find($tiles, $id) : null;
            if ($tile === null) {
                return PartOutcome::unreadable(
                    'tiles.unknown_tile',
                    is_string($id) ? Message::of('parts.tiles.no-tile', ['id' => $id]) : Message::of('parts.tiles.gap-holds-identifier-tile'),
                );
            }
            $times["=$tile->id"] = ($times["=$tile->id"] ?? 0) + 1;
            if ($tile->limit !== null && $times["=$tile->id"] > $tile->limit) {
                return PartOutcome::unreadable('tiles.used_up', Message::of('parts.tiles.tile-may-used-times', [
                    'id' => $tile->id,
                    'limit' => $tile->limit,
                ]));
            }
            $given[] = [$gap, $tile->id];
        }

        return $given === [] ? PartOutcome::unanswered() : PairScoring::byFirst($part, $given, $gaps);
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        return array_column($this->shown($part, $seed), 'id');
    }

    /** @return list<Item> */
    private function shown(Part $part, Seed $seed): array
    {
        $settings = self::settings($part);
        $tiles = Item::filled($settings->tiles);

        return $settings->shuffle ? ShuffledItems::away($seed, $part->id, $tiles, PairTarget::earning($part)) : $tiles;
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $tiles = $this->shown($part, $seed);

        return [
            'tiles' => array_map(fn (Item $tile): array => [...$tile->shown($in->roll->filling()), 'uses' => $tile->limit], $tiles),
            'gaps' => $in->gaps->of($part->id),
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedTiles)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedTiles)->answers($part, $presented, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new TilesCheck)->findings($part, self::settings($part)->tiles, $in->gaps->of($part->id));
    }

    public function texts(Part $part): array
    {
        return array_column(self::settings($part)->tiles, 'html');
    }

    public function answerForm(): AnswerForm
    {
        return new TilesForm;
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedOptions::of(array_column(self::settings($part)->tiles, 'html', 'id'));
    }

    public function mapping(): KindMapping
    {
        return new TilesMapping;
    }

    public function fillsGaps(): bool
    {
        return true;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $gaps = $in->gaps->of($part->id);
        $given = array_map(trim(...), explode(str_contains($written, ';') || count($gaps) === 1 ? ';' : ',', $written));
        if (count($given) > count($gaps)) {
            throw UnreadableResponse::because(
                Message::of('parts.tiles.tiles-written', ['count' => count($given), 'count2' => count($gaps)]),
            );
        }
        $filled = [];
        foreach ($given as $i => $tile) {
            if ($tile !== '' && $tile !== '-') {
                $filled[$gaps[$i]] = WrittenNames::items(self::settings($part)->tiles)->one($tile);
            }
        }

        return (object) ['gaps' => (object) $filled];
    }

    private static function settings(Part $part): TilesSettings
    {
        assert($part->settings instanceof TilesSettings);

        return $part->settings;
    }
}
