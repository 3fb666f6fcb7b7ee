<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\ImportedDraw;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/**
 * The assessments of a package, made once all its documents were read: sections may name items and banks that stand elsewhere (QTI
 * 1.2.1 ASI selection and ordering).
 *
 * @phpstan-import-type Asked from SectionPlan
 * @phpstan-import-type Entry from SectionPlan
 */
final class Tests
{
    /** @var array<string, array{string, BigRational}> identifier of an item → the question it became, and its points */
    private array $items = [];

    /** @var array<string, list<string>> identifier of a bank or section → questions in it */
    private array $banks = [];

    /** @var list<TestPlan> */
    private array $tests = [];

    /** @var array<string, BigRational> */
    private array $points = [];

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    public function item(string $ident, string $question, BigRational $points): void
    {
        if ($ident !== '') {
            $this->items[$ident] ??= [$question, $points];
        }
        $this->points[$question] = $points;
    }

    public function inBank(string $ident, string $question): void
    {
        if ($ident !== '') {
            $this->banks[$ident][] = $question;
        }
    }

    /** A test to be filled. */
    public function begin(string $file, \DOMElement $element): TestPlan
    {
        return $this->tests[] = new TestPlan(
            $file,
            $element->getAttribute('ident'),
            trim((string) preg_replace('/\s+/u', ' ', $element->getAttribute('title'))),
        );
    }

    /** @return iterable<\stdClass|Notice> */
    public function made(): iterable
    {
        foreach ($this->tests as $n => $test) {
            $title = mb_substr($test->title !== '' ? $test->title : ($test->ident !== '' ? $test->ident : 'Test'), 0, 500);
            $json = Assessment::fresh(Ids::of('qti12', $test->file, 'test', "$test->ident $n"), $title);
            $notices = [];
            $sections = $this->sections($test, $notices);
            if ($sections === []) {
                continue; // a folder that calls itself a test
            }
            $json->sections = $sections;
            if ($test->instructions !== '') {
                $json->instructions = $test->instructions;
            }
            if ($test->time !== null) {
                $json->time_limit = $test->time;
            }
            $json->origin = (object) [
                'format' => 'qti12',
                'identifier' => mb_substr($test->ident, 0, 500),
                'file' => mb_substr($test->file, 0, 500),
            ];
            try {
                yield PackageContents::thing('assessment', Assessment::read(self::once($json), $this->kinds)->toJson());
            } catch (Malformed $problem) {
                yield Notice::problem($problem->rule, Message::of('interchange.qti12.test-left-out', [
                    'why' => $problem->getMessage(),
                ]), $test->file, null, $problem->path);
            }
            yield from $notices;
        }
    }

    /**
     * @param  list<Notice>  $notices
     * @return list<\stdClass> those that ask or say something
     */
    private function sections(TestPlan $test, array &$notices): array
    {
        $sections = [];
        foreach ($test->sections as $i => $section) {
            $entries = [];
            foreach ($section->entries as $e => $entry) {
                array_push($entries, ...$this->entry($entry, 's'.($i + 1).'-'.($e + 1), $test, $notices));
            }
            if ($entries !== [] || $section->instructions !== '') {
                $sections[] = (object) [
                    'id' => 's'.($i + 1),
                    'title' => mb_substr($section->title, 0, 500),
                    ...$section->instructions === '' ? [] : ['instructions' => $section->instructions],
                    ...$section->shuffle ? ['shuffle' => true] : [],
                    'entries' => $entries,
                ];
            }
        }

        return $sections;
    }

    /**
     * @param  Entry  $entry
     * @param  list<Notice>  $notices
     * @return list<\stdClass> what it draws from
     */
    private function pool(array $entry, string $id, TestPlan $test, array &$notices): array
    {
        $file = $test->file;
        $picks = [];
        foreach (
            isset($entry['bank'])
                ? array_map(fn (string $question): array => ['question' => $question], $this->banks[$entry['bank']] ?? [])
                : $entry['of'] ?? [] as $i => $asked
        ) {
            $pick = $this->pick($asked, "$id-".($i + 1), $test, $notices, $file, $entry['line'] ?? null);
            if ($pick !== null) {
                if (isset($entry['points'])) {
                    $pick->points = Exact::number(Exact::of($entry['points']));
                }
                $picks[] = $pick;
            }
        }
        if ($picks === []) {
            $notices[] = Notice::loss(
                'qti12.pool',
                Message::of('interchange.qti12.draws-from-no-pool', [
                    'draw' => $entry['draw'] ?? 0,
                    'named' => isset($entry['bank']) ? 'yes' : 'no',
                    'bank' => $entry['bank'] ?? '',
                ]),
                $file,
                $entry['line'] ?? null,
            );
        }

        return $picks;
    }

    /**
     * @param  Entry  $entry
     * @param  list<Notice>  $notices
     * @return list<\stdClass>
     */
    private function entry(array $entry, string $id, TestPlan $test, array &$notices): array
    {
        $file = $test->file;
        if (isset($entry['asked'])) {
            $pick = $this->pick($entry['asked'], $id, $test, $notices, $file, $entry['line'] ?? null);

            return $pick === null ? [] : [$pick];
        }
        $picks = $this->pool($entry, $id, $test, $notices);
        [$entries, $unequal] = ImportedDraw::of($id, $entry['title'] ?? '', $entry['draw'] ?? 1, $picks, [], $this->points);
        if ($unequal) {
            $notices[] = Notice::loss(
                'qti12.draw_points',
                Message::of('interchange.qti12.questions-one-draw-different'),
                $file,
                $entry['line'] ?? null,
            );
        }

        return $entries;
    }

    /**
     * @param  Asked  $asked
     * @param  list<Notice>  $notices
     */
    private function pick(array $asked, string $id, TestPlan $test, array &$notices, string $file, ?int $line): ?\stdClass
    {
        $question = $asked['question'] ?? ($this->items[$asked['ref'] ?? ''][0] ?? null);
        if ($question === null) {
            $notices[] = Notice::loss(
                'qti12.reference',
                Message::of('interchange.qti12.test-asks-question-not-in-package', [
                    'ref' => mb_strimwidth($asked['ref'] ?? '', 0, 80, '…'),
                ]),
                $file,
                $line,
            );

            return null;
        }
        $weight = $test->weighted && isset($asked['weight']) ? Exact::read($asked['weight']) : null;
        $points =
            $weight === null || ! $weight->isPositive() || $weight->isEqualTo(1)
                ? null
                : Exact::toPlaces($weight->multipliedBy($this->points[$question] ?? Exact::one()), 4)->toBigRational();

        return (object) ['id' => $id, 'question' => $question, ...$points === null ? [] : ['points' => Exact::number($points)]];
    }

    /** A question that is asked twice is asked once: an entry is what a learner sees. */
    private static function once(\stdClass $json): \stdClass
    {
        $met = [];
        foreach (is_array($json->sections) ? $json->sections : [] as $section) {
            assert($section instanceof \stdClass && is_array($section->entries));
            $section->entries = array_values(
                array_filter($section->entries, function (mixed $entry) use (&$met): bool {
                    $question = $entry instanceof \stdClass && is_string($entry->question ?? null) ? $entry->question : null;
                    $new = $question === null || ! isset($met[$question]);
                    if ($question !== null) {
                        $met[$question] = true;
                    }

                    return $new;
                }),
            );
        }

        return $json;
    }
}
