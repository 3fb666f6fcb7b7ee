<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/** The tests of a package, once its items were read. */
final readonly class PackagedTests
{
    /** @param  array<string, array{string, BigRational}>  $items  file → the question it became, and its points */
    public function __construct(private PartKinds $kinds, private array $items)
    {
    }

    /** @return iterable<\stdClass|Notice> */
    public function read(SafeZip $zip, string $href): iterable
    {
        try {
            $xml = $zip->read($href);
            $own = $this->own($zip, $href, $xml, array_column($this->items, 0));
            if ($own !== null) {
                yield PackageContents::thing('assessment', $own);

                return;
            }
            $reader = new TestReader($this->items, $href, $zip);
            $json = $reader->read($xml);
            yield from $reader->notices;
            yield PackageContents::thing('assessment', Assessment::read($json, $this->kinds)->toJson());
        } catch (UnreadableFile|Malformed $problem) {
            yield Notice::problem($problem->rule, Message::of('interchange.qti30.test-left-out', [
                'why' => $problem->getMessage(),
            ]), $href);
        }
    }

    /**
     * Our own assessment, kept beside the test; it holds as long as the test and the questions it asks are as they were written.
     *
     * @param  list<string>  $questions
     */
    private function own(SafeZip $zip, string $href, string $xml, array $questions): ?\stdClass
    {
        $file = (string) preg_replace('/\.xml$/', '.wide-quarry.json', $href);
        if ($file === $href || ! $zip->has($file)) {
            return null;
        }
        try {
            $kept = Json::decode($zip->read($file));
            $assessment =
                $kept instanceof \stdClass && ($kept->sha256 ?? null) === hash('sha256', $xml)
                    ? Assessment::read($kept->assessment ?? null, $this->kinds)
                    : null;
        } catch (Malformed) {
            return null;
        }

        return $assessment !== null && array_diff($assessment->questions(), $questions) === [] ? $assessment->toJson() : null;
    }

    public static function points(\stdClass $question): BigRational
    {
        $points = array_map(
            fn (mixed $part): ?BigRational => $part instanceof \stdClass && is_scalar($part->points ?? null)
                ? Exact::read((string) $part->points)
                : null,
            is_array($question->parts) ? $question->parts : [],
        );

        return array_reduce(
            array_filter($points),
            fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one),
            Exact::zero(),
        );
    }
}
