<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** How part scores become the question's score. */
final readonly class QuestionScoring
{
    /**
     * @param  list<list<string>>  $once  part ids that share the rules of the first
     * @param  list<array{part: string, needs: list<string>}>  $gates
     * @param  list<array{part: string, for: string}>  $instead  parts that may be answered in the place of others
     */
    private function __construct(
        public bool $all,
        public array $once,
        public array $gates,
        public array $instead,
        private string $low,
        private string $high,
        private string $step,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '/scoring', ['combine', 'once', 'gates', 'instead', 'low', 'high', 'step', 'version']);
        $fields->int('version', 1, 1, 1);
        $once = [];
        foreach ($fields->list('once', 50) as $i => $list) {
            $once[] = self::ids($list, "/scoring/once/$i", 2);
        }
        $gates = [];
        foreach ($fields->list('gates', 200) as $i => $gate) {
            $gate = Fields::of($gate, "/scoring/gates/$i", ['part', 'needs'])->need('needs');
            $gates[] = ['part' => $gate->id('part'), 'needs' => self::ids($gate->raw('needs'), "/scoring/gates/$i/needs", 0)];
        }
        $instead = [];
        foreach ($fields->list('instead', 50) as $i => $one) {
            $one = Fields::of($one, "/scoring/instead/$i", ['part', 'for']);
            $instead[] = ['part' => $one->id('part'), 'for' => $one->id('for')];
        }

        return new self(
            $fields->oneOf('combine', ['sum', 'all'], 'sum') === 'all',
            $once,
            $gates,
            $instead,
            $fields->exact('low', '0'),
            $fields->exact('high', '1'),
            $fields->exact('step', '0.01'),
        );
    }

    /** Whether a part is asked in the place of another one. */
    public function isInstead(string $part): bool
    {
        return in_array($part, array_column($this->instead, 'part'), true);
    }

    /** The part that may be answered in the place of this one. */
    public function insteadOf(string $part): ?string
    {
        return array_column($this->instead, 'part', 'for')[$part] ?? null;
    }

    /** @throws NotScorable */
    public function low(): BigRational
    {
        return Exact::read($this->low) ?? throw NotScorable::unreadableNumber($this->low, '/scoring/low');
    }

    /** @throws NotScorable */
    public function high(): BigRational
    {
        return Exact::read($this->high) ?? throw NotScorable::unreadableNumber($this->high, '/scoring/high');
    }

    /** @throws NotScorable */
    public function step(): BigRational
    {
        $step = Exact::read($this->step) ?? throw NotScorable::unreadableNumber($this->step, '/scoring/step');

        return $step->isPositive() ? $step : throw NotScorable::stepNotPositive('/scoring/step');
    }

    /**
     * @return list<string>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function ids(mixed $list, string $path, int $least): array
    {
        if (! is_array($list) || count($list) < $least) {
            throw \WideQuarry\Json\Malformed::wrongType(
                $path,
                $least > 0 ? Message::of('question.list-least-part-ids', ['least' => $least]) : Message::of('question.list-part-ids'),
                $list,
            );
        }

        return array_map(fn (mixed $id): string => Fields::asId($id, $path), array_values($list));
    }
}
