<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;

/** What a learner may use for a question. */
final readonly class Tools
{
    /** What can be set for many questions at once; which stimuli are sheets is for one question to say. */
    public const FOR_MANY = ['calculator', 'ruler', 'protractor', 'scratch'];

    public const CALCULATORS = ['none', 'basic', 'scientific'];

    /**
     * @param  bool  $scratch  whether there is room for working, which is not marked
     * @param  list<string>  $sheets  stimuli that are shown when the learner asks for them, such as a sheet of formulas
     */
    private function __construct(
        public string $calculator,
        public bool $ruler,
        public bool $protractor,
        public bool $scratch,
        public array $sheets,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(Fields $fields): self
    {
        $tools = $fields->object('tools', [...self::FOR_MANY, 'sheets']);

        return new self(
            $tools->oneOf('calculator', self::CALCULATORS, 'none'),
            $tools->bool('ruler', false),
            $tools->bool('protractor', false),
            $tools->bool('scratch', false),
            self::sheetsOf($tools),
        );
    }

    public static function of(Question $question): self
    {
        return self::read(Fields::of((object) ['tools' => $question->tools], '', ['tools']));
    }

    /**
     * @return list<string>
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function sheetsOf(Fields $tools): array
    {
        $sheets = [];
        foreach ($tools->list('sheets', 20) as $i => $id) {
            $sheets[] = Fields::asUuid($id, "/tools/sheets/$i");
        }

        return $sheets;
    }

    /** As a line for a learner; '' where nothing is to be said. */
    public function inWords(?int $timeLimit): string
    {
        $said = [];
        if ($this->calculator !== 'none' || $this->ruler || $this->protractor) {
            $said[] = Message::of('question.tools-allowed', [
                'calculator' => $this->calculator,
                'ruler' => $this->ruler ? 'yes' : 'no',
                'protractor' => $this->protractor ? 'yes' : 'no',
            ]);
        }
        if ($timeLimit !== null) {
            $said[] = Message::of('question.time-limit', ['minutes' => intdiv($timeLimit, 60), 'seconds' => $timeLimit % 60]);
        }

        return implode(' ', $said);
    }
}
