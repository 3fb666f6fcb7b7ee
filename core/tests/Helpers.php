<?php

declare(strict_types=1);

// Functions that tests of several formats share; tests/Pest.php loads them.

use WideQuarry\CommandLine\ReadJson;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

/** Reads a document whose body is given; the format is found by its content. */
function read12(string $xml): PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'qti12');
    file_put_contents($file, $xml);
    $source = new Source($file, 'test.xml');
    $format = Formats::standard(StandardKinds::all())->for($source);
    expect($format->name())->toBe('qti12');
    $found = PackageContents::collect($format->read($source));
    unlink($file);

    return $found;
}

function demo(string $bank): PackageContents
{
    return (new ReadJson(StandardKinds::all()))->found(
        Json::decode((string) file_get_contents(__DIR__."/../../database/demo/$bank.json")),
        null,
    );
}

function written(PackageContents $content, string $format): string
{
    $file = (string) tempnam(sys_get_temp_dir(), 'qti');
    Formats::standard(StandardKinds::all())->named($format)->write($content, $file);

    return $file;
}

/** One item read on its own, as a stranger's. */
function readItem(string $xml): PackageContents
{
    $file = (string) tempnam(sys_get_temp_dir(), 'item');
    file_put_contents($file, $xml);
    try {
        return readBack($file);
    } finally {
        unlink($file);
    }
}

/** What a delivery system would make of a typed number. */
function numberTyped(string $typed): float
{
    return (float) Exact::number((new WideQuarry\Answer\NumberReader('en'))->read($typed)->value ?? Brick\Math\BigRational::of(-999));
}

/** The words of all feedback a response gets, sorted; @return list<string> */
function shownHere(Question $question, stdClass $response): array
{
    $result = json_decode(Json::encode((new Scorer)->score($question, new Attempt($response, Seed::of(1)))));
    $shown = array_map(fn (stdClass $said): string => trim(implode('', array_map(shownWords(...), $said->body))), [
        ...$result->feedback,
        ...array_merge(...array_map(fn (stdClass $part): array => $part->feedback, $result->parts)),
    ]);
    sort($shown);

    return $shown;
}

/** @param  array<string, list<string>>  $given */
function earned(Question $question, array $given): float
{
    $response = new stdClass();
    foreach ($question->parts as $part) {
        $values = $given[$part->id] ?? [];
        if ($values === []) {
            continue;
        }
        $pairs = array_map(fn (string $pair): array => explode(' ', $pair), $values);
        $response->{$part->id} = match ($part->kindName) {
            'text', 'number' => (object) ['text' => $values[0]],
            'order' => (object) ['sequence' => $values],
            'match' => (object) ['pairs' => $pairs],
            'tiles' => (object) ['gaps' => (object) array_column($pairs, 0, 1)],
            default => (object) ['chosen' => $values],
        };
    }

    return (float) Exact::number(
        Exact::toPlaces((new Scorer)->score($question, new Attempt($response, Seed::of(1)))->exact, 4)->toBigRational(),
    );
}

function readBack(string $file): PackageContents
{
    return PackageContents::collect(
        Formats::standard(StandardKinds::all())
            ->for($source = new Source($file, 'x.zip'))
            ->read($source),
    );
}

/** The words of a node of a presentation's tree. */
function shownWords(mixed $node): string
{
    return is_string($node) ? $node : implode('', array_map(shownWords(...), array_slice((array) $node, 2)));
}
