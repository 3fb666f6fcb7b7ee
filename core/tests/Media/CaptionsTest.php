<?php

declare(strict_types=1);

use WideQuarry\Media\Captions;
use WideQuarry\Media\MediaType;
use WideQuarry\Media\UnusableMedium;

it('makes captions of a transcript with times', function (string $transcript, ?float $seconds, array $cues): void {
    $written = Captions::fromTranscript($transcript, $seconds);
    preg_match_all('/^(\d{2}:\d{2}:\d{2}\.\d{3}) --> (\d{2}:\d{2}:\d{2}\.\d{3})\n(.+?)(?=\n\n|\n\z)/sm', $written, $found, PREG_SET_ORDER);

    expect(array_map(fn (array $cue): array => array_slice($cue, 1), $found))
        ->toBe($cues)
        ->and($written)
        ->toStartWith("WEBVTT\n\n")
        ->and(MediaType::of($written))
        ->toBe('text/vtt');
})->with([
    'each until the next, the last as long as it is read' => [
        "0:01 High water.\n0:04 Low water is at twenty past three in the afternoon.",
        null,
        [
            ['00:00:01.000', '00:00:04.000', 'High water.'],
            ['00:00:04.000', '00:00:08.000', 'Low water is at twenty past three in the afternoon.'],
        ],
    ],
    'no longer than the recording' => ['0:01 One two three four five six', 2.5, [
        ['00:00:01.000', '00:00:02.500', 'One two three four five six'],
    ]],
    'brackets, hours, parts of a second' => [
        "[01:02:03.5] One\n(1:02:04) – Two",
        null,
        [['01:02:03.500', '01:02:04.000', 'One'], ['01:02:04.000', '01:02:06.000', 'Two']],
    ],
    'lines without a time go on' => ["0:00 One\ntwo\n\nthree\n0:05 Four", 6.0, [
        ['00:00:00.000', '00:00:05.000', "One\ntwo\nthree"],
        ['00:00:05.000', '00:00:06.000', 'Four'],
    ]],
    'subtitles of another program' => [
        "1\r\n00:00:01,000 --> 00:00:02,250\r\nOne\r\n\r\n2\r\n00:00:05,000 --> 00:00:06,000\r\nTwo\r\n",
        null,
        [
            ['00:00:01.000', '00:00:02.250', 'One'],
            ['00:00:05.000', '00:00:06.000', 'Two'],
        ],
    ],
    'WebVTT itself, with settings' => ["WEBVTT\n\n00:01.000 --> 00:02.000 align:start line:0\nOne", null, [
        ['00:00:01.000', '00:00:02.000', 'One'],
    ]],
    'signs that mean something there' => ['0:00 a < b & c --> d', 2.0, [['00:00:00.000', '00:00:02.000', 'a &lt; b &amp; c --&gt; d']]],
]);

it('names the line it cannot time', function (string $transcript, string $rule, string $line): void {
    try {
        Captions::fromTranscript($transcript);
        $problem = null;
    } catch (UnusableMedium $problem) {
    }
    expect($problem?->rule)->toBe($rule)->and($problem?->getMessage())->toContain("Line $line ");
})->with([
    'nothing' => ['', 'captions.untimed', '1'],
    'no times at all' => ["\nHigh water is at nine.", 'captions.untimed', '2'],
    'back in time' => ["0:05 One\n0:03 Two", 'captions.back', '2'],
]);
