<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** One place in a question where the learner responds. */
final readonly class Part
{
    /**
     * @param  PartKind|null  $kind  null when this core cannot score the kind yet; then settings and key are only held
     * @param  object  $settings  the kind's own
     * @param  array<string, Feedback>  $feedback  by right, partly, wrong
     * @param  array<string, string>  $bounds  low, high and what the kind has beside them: exact numbers as text
     */
    private function __construct(
        public string $id,
        public string $kindName,
        public ?PartKind $kind,
        public string $label,
        private string $points,
        public object $settings,
        public Key $key,
        public Scheme $scheme,
        private array $bounds,
        public array $feedback,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path, PartKinds $kinds): self
    {
        $fields = Fields::of($json, $path, ['id', 'kind', 'label', 'points', 'settings', 'key', 'scoring', 'feedback'])
            ->need('kind')
            ->need('points');
        $name = $fields->oneOf('kind', PartKinds::NAMES, '');
        $kind = $kinds->find($name);
        $points = $fields->decimal('points', '100000');
        $feedback = Feedback::readSet($fields->object('feedback', ['right', 'partly', 'wrong']), ['right', 'partly', 'wrong']);
        if ($kind === null) {
            foreach (['settings', 'key', 'scoring'] as $held) {
                if ($fields->has($held) && ! ($fields->raw($held) instanceof \stdClass)) {
                    throw Malformed::wrongType($fields->at($held), Message::of('question.object'), $fields->raw($held));
                }
            }

            return new self(
                $fields->id(),
                $name,
                null,
                $fields->string('label'),
                $points,
                new \stdClass(),
                Key::read(new \stdClass(), '', fn (): string => ''),
                Scheme::Person,
                ['cost' => '0', 'low' => '0', 'high' => '1'],
                $feedback,
                $path,
            );
        }
        $settings = $kind->readSettings($fields->has('settings') ? $fields->raw('settings') : new \stdClass(), "$path/settings");
        $given = $fields->has('key') ? $fields->raw('key') : new \stdClass();
        $key = $kind->hasRules() ? Key::read($given, "$path/key", $kind->readOn(...)) : Key::ofPerson($given, "$path/key");
        $extras = $kind->extras();
        $scoring = $fields->object('scoring', ['scheme', 'low', 'high', ...array_keys($extras)]);
        $scheme = Scheme::from(
            $scoring->oneOf(
                'scheme',
                array_map(fn (Scheme $s): string => $s->value, $kind->schemes()),
                $kind->usualScheme($settings)->value,
            ),
        );
        $bounds = [];
        foreach (['cost' => '1', 'low' => '0', 'high' => '1', ...$extras] as $bound => $usual) {
            $bounds[$bound] = $bound !== 'cost' || isset($extras['cost']) ? $scoring->exact($bound, $usual) : $usual;
        }

        return new self(
            $fields->id(),
            $name,
            $kind,
            $fields->string('label'),
            $points,
            $settings,
            $key,
            $scheme,
            $bounds,
            $feedback,
            $path,
        );
    }

    /** The same part, judged by another key. */
    public function withKey(Key $key): self
    {
        return new self(
            $this->id,
            $this->kindName,
            $this->kind,
            $this->label,
            $this->points,
            $this->settings,
            $key,
            $this->scheme,
            $this->bounds,
            $this->feedback,
            $this->path,
        );
    }

    public function points(): BigRational
    {
        return Exact::of($this->points);
    }

    /**
     * @param  string  $which  low, high, cost, or what else the kind has
     *
     * @throws NotScorable
     */
    public function bound(string $which): BigRational
    {
        return Exact::read($this->bounds[$which] ?? '') ??
            throw NotScorable::unreadableNumber($this->bounds[$which] ?? '', "$this->path/scoring/$which");
    }
}
