<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** One question in an assessment. */
final readonly class Pick
{
    /**
     * @param  int|null  $revision  the one it is pinned to
     * @param  array<string, int>  $stimuli  stimulus → the revision it is pinned to with the question
     * @param  string|null  $points  its own; null for those of the question
     * @param  int|null  $seen  the revision when somebody last looked at it here
     * @param  Question|null  $variation  the question as it is only here
     * @param  EntrySettings  $settings  what is asked otherwise than the question says
     * @param  bool  $fixed  whether it keeps its place when its section is shuffled
     */
    private function __construct(
        public string $id,
        public string $question,
        public Follow $follow,
        public ?int $revision,
        public array $stimuli,
        private ?string $points,
        public ?int $seen,
        public ?Question $variation,
        public EntrySettings $settings,
        public EntryPlace $place,
        public bool $fixed,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path, PartKinds $kinds): self
    {
        $fields = Fields::of($json, $path, [
            'id',
            'question',
            'follow',
            'revision',
            'stimuli',
            'points',
            'override',
            'seen',
            'variation',
            'place',
            'fixed',
        ])->need('question');
        $follow = Follow::from($fields->oneOf('follow', array_column(Follow::cases(), 'value'), Follow::Latest->value));
        $revision = $fields->intOrNull('revision', null, 1, 2_000_000_000);
        $variation = $fields->raw('variation');

        return new self(
            $fields->id(),
            Fields::asUuid($fields->raw('question'), $fields->at('question')),
            $follow,
            $follow === Follow::Pinned ? $revision : null,
            $follow === Follow::Pinned ? self::stimuli($fields->raw('stimuli'), $fields->at('stimuli')) : [],
            $fields->raw('points') === null ? null : $fields->decimal('points', '100000'),
            $fields->intOrNull('seen', null, 1, 2_000_000_000),
            $variation === null ? null : Question::read($variation, $kinds),
            EntrySettings::read($fields->raw('override'), $fields->at('override')),
            EntryPlace::read($fields),
            $fields->bool('fixed', false),
        );
    }

    /**
     * @return array<string, int>
     *
     * @throws Malformed
     */
    private static function stimuli(mixed $json, string $path): array
    {
        $pins = [];
        foreach (
            $json === null
                ? []
                : ($json instanceof \stdClass
                    ? get_object_vars($json)
                    : throw Malformed::wrongType($path, Message::of('assembly.object'), $json)) as $id => $revision
        ) {
            $id = Fields::asUuid((string) $id, "$path/$id");
            $pins[$id] =
                is_int($revision) && $revision > 0
                    ? $revision
                    : throw Malformed::outOfRange("$path/$id", Message::of('assembly.number-revision'), $revision);
        }

        return $pins;
    }

    /** @param  BigRational|null  $ofQuestion  of the question it follows; null when it is gone */
    public function points(?BigRational $ofQuestion): BigRational
    {
        return $this->points !== null ? Exact::of($this->points) : $this->variation?->points() ?? ($ofQuestion ?? Exact::zero());
    }

    /** Whether the question was changed since somebody last looked at it here. @param  int  $now  its newest revision */
    public function changedSince(int $now): bool
    {
        return $this->follow === Follow::Latest && $this->variation === null && $this->seen !== null && $now > $this->seen;
    }
}
