<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Section;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\ValueFormat;

/** An assessment on its way to paper: what is asked in which order, what it is worth, and what each question is called. */
final readonly class PrintedTest
{
    public PrintedWords $words;

    /** @var array<string, array{number: int, label: string}> entry → its number through the whole, and what stands before it on paper */
    private array $numbers;

    /**
     * @param  Assessment  $assessment  without draws, in the order in which it is asked
     * @param  array<string, PrintedQuestion>  $items  by entry
     * @param  string|null  $form  its letter, where there are several
     * @param  string  $prefix  what identifiers in the document begin with, where it holds several papers
     * @param  array<string, true>  $blanks  shared texts, as stimulusId() calls them, that get an empty page before them
     */
    public function __construct(
        public Assessment $assessment,
        public array $items,
        public PrintSettings $settings,
        public ?string $form = null,
        private string $prefix = '',
        public array $blanks = [],
    ) {
        $this->words = $settings->words->for($assessment->language);
        $numbers = [];
        $through = 0;
        foreach ($assessment->sections as $section) {
            $inSection = 0;
            foreach ($section->picks as $pick) {
                if (! self::isPage($items[$pick->id] ?? null)) {
                    $through++;
                    $inSection++;
                    $label = $settings->prefix.($settings->numbering === 'section' ? $inSection : $through);
                    $numbers[$pick->id] = ['number' => $through, 'label' => $label];
                }
            }
        }
        $this->numbers = $numbers;
    }

    /** Text between questions: read, not numbered, and nothing of the key. */
    public static function isPage(?PrintedQuestion $item): bool
    {
        return $item?->question !== null && $item->question->parts === [];
    }

    /** What stands before a question, without the full stop; '' before a page of text. */
    public function label(string $entry): string
    {
        return $this->numbers[$entry]['label'] ?? '';
    }

    /** What an entry is called in the document, for links to it. */
    public function id(string $entry): string
    {
        return $this->prefix.$entry;
    }

    /** What a shared text is called in the document. */
    public function stimulusId(string $stimulus): string
    {
        return $this->prefix."stimulus-$stimulus";
    }

    /** @return list<string> shared texts that stand on left pages, as the document calls them */
    public function facing(): array
    {
        if ($this->settings->stimuli !== 'facing') {
            return [];
        }
        $shared = [];
        foreach ($this->assessment->picks() as $pick) {
            $shared += $this->items[$pick->id]->stimuli ?? [];
        }

        return array_map(fn (int|string $id): string => $this->stimulusId((string) $id), array_keys($shared));
    }

    /** What the question with this number through the whole is called. */
    public function labelOf(int $number): string
    {
        return array_column($this->numbers, 'label', 'number')[$number] ?? (string) $number;
    }

    /** The points of all, weights of sections counted. */
    public function total(): BigRational
    {
        $total = Exact::zero();
        foreach ($this->assessment->sections as $section) {
            foreach ($section->picks as $pick) {
                $total = $total->plus(Exact::times($section->weight, $this->items[$pick->id]->points ?? Exact::zero()));
            }
        }

        return $total;
    }

    /** "2 points", in the language of the paper. */
    public function points(BigRational $points): string
    {
        return $this->words->say('point', [
            'n' => ValueFormat::plain()->write($points, $this->words->language),
            'one' => $points->isEqualTo(1) ? 'yes' : 'no',
        ]);
    }

    /** @return \Generator<string, array{PrintedQuestion, Section}> every numbered question that is there, by entry, with its section */
    public function questions(): \Generator
    {
        foreach ($this->assessment->sections as $section) {
            foreach ($section->picks as $pick) {
                $item = $this->items[$pick->id] ?? null;
                if ($item?->question !== null && $item->question->parts !== []) {
                    yield $pick->id => [$item, $section];
                }
            }
        }
    }
}
