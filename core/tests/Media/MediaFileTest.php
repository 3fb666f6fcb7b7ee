<?php

declare(strict_types=1);

use WideQuarry\Media\MediaFile;
use WideQuarry\Media\MediaLimits;
use WideQuarry\Media\MediaType;
use WideQuarry\Media\UnusableMedium;

/** A PNG that says it has so many pixels: IHDR (PNG 3, 11.2.1), one row's worth of nothing, IEND. */
function png(int $width, int $height): string
{
    $chunk = fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));

    return "\x89PNG\r\n\x1A\n".
        $chunk('IHDR', pack('NNC5', $width, $height, 8, 0, 0, 0, 0)).
        $chunk('IDAT', (string) gzcompress(str_repeat("\0", 64))).
        $chunk('IEND', '');
}

function gif(int $frames): string
{
    return 'GIF89a'.pack('vv', 2, 2)."\x80\0\0".str_repeat("\0", 6).
        str_repeat("\x21\xF9\x04\0\0\0\0\0\x2C".pack('v4', 0, 0, 2, 2)."\0\x02\x02\x44\x0A\0", $frames).
        "\x3B";
}

function wav(int $seconds): string
{
    $data = str_repeat("\0", 8000 * $seconds);

    $format = pack('VvvVVvv', 16, 1, 1, 8000, 8000, 1, 8);

    return 'RIFF'.pack('V', 36 + strlen($data))."WAVEfmt $format".'data'.pack('V', strlen($data)).$data;
}

/** Boxes of ISO/IEC 14496-12. */
function mp4(string $brand, int $scale, int $duration): string
{
    $box = fn (string $type, string $data): string => pack('N', strlen($data) + 8).$type.$data;

    return $box('ftyp', "{$brand}\0\0\0\0isom").$box('free', 'x').
        $box('moov', $box('mvhd', pack('NNNNN', 0, 0, 0, $scale, $duration).str_repeat("\0", 80)));
}

it('knows a file by its bytes', function (string $bytes, ?string $type): void {
    expect(MediaType::of($bytes))->toBe($type);
})->with([
    'PNG' => [png(2, 2), 'image/png'],
    'JPEG' => ["\xFF\xD8\xFF\xE0\0\x10JFIF", 'image/jpeg'],
    'GIF' => [gif(1), 'image/gif'],
    'WebP' => ["RIFF\x1A\0\0\0WEBPVP8L", 'image/webp'],
    'AVIF' => ["\0\0\0\x1Cftypavif\0\0\0\0mif1", 'image/avif'],
    'AVIF by a brand it goes with' => ["\0\0\0\x1Cftypmif1\0\0\0\0avifmiaf", 'image/avif'],
    'HEIC is not taken' => ["\0\0\0\x18ftypheic\0\0\0\0mif1heic", null],
    'SVG' => ['<svg xmlns="http://www.w3.org/2000/svg"/>', 'image/svg+xml'],
    'SVG after a comment' => ["\xEF\xBB\xBF<?xml version='1.0'?>\n<!-- drawn\n by -->\n<svg:svg xmlns:svg='x'/>", 'image/svg+xml'],
    'HTML with a drawing in it' => ['<html><svg/></html>', null],
    'MP3' => ["\xFF\xFB\x90\x64", 'audio/mpeg'],
    'MP3 with notes' => ["ID3\x04\0\0\0\0\0\0", 'audio/mpeg'],
    'bytes of a picture that look like MP3' => ["\xFF\xFF\xFF\xFF", null],
    'M4A' => [mp4('M4A ', 1000, 1), 'audio/mp4'],
    'MP4' => [mp4('mp42', 1000, 1), 'video/mp4'],
    'Ogg' => ["OggS\0\x02", 'audio/ogg'],
    'WAV' => [wav(1), 'audio/wav'],
    'WebM' => ["\x1A\x45\xDF\xA3\x9F\x42\x86\x81\x01\x42\x82\x84webm", 'video/webm'],
    'Matroska is not taken' => ["\x1A\x45\xDF\xA3\x9F\x42\x82\x88matroska", null],
    'WebVTT' => ["WEBVTT\n\n00:00.000 --> 00:01.000\nHello", 'text/vtt'],
    'a word that begins so' => ["WEBVTTX\n", null],
    'text' => ['Hello', null],
    'PDF' => ['%PDF-1.7', null],
    'a program' => ["MZ\x90\0", null],
    'nothing' => ['', null],
]);

it('gives a file a name for people', function (string $given, string $name): void {
    expect(MediaFile::name($given, 'image/png'))->toBe($name);
})->with([
    ['Beds of Marl Hill.png', 'Beds of Marl Hill.png'],
    'its ending says what it is' => ['beds.JPEG', 'beds.png'],
    'another ending stays' => ['section 1.5', 'section 1.5.png'],
    'a path' => ['C:\\Users\\tam\\..\\beds.png', 'beds.png'],
    'slashes' => ['../../etc/passwd', 'passwd.png'],
    'NUL and line breaks' => ["be\0ds\r\n.png", 'beds.png'],
    'turned to the left' => ["beds\u{202E}gnp.exe", 'bedsgnp.exe.png'],
    'no name at all' => ['.png', 'picture.png'],
    'not UTF-8' => ["b\xE9ds.png", 'b?ds.png'],
    '300 characters' => [str_repeat('é', 300).'.png', str_repeat('é', MediaLimits::NAME - 5).'.png'],
]);

it('measures', function (string $bytes, ?int $width, ?int $height, ?float $seconds): void {
    $file = MediaFile::of($bytes, 'x');
    expect([$file->width, $file->height, $file->seconds])->toBe([$width, $height, $seconds]);
})->with([
    'a picture' => [png(640, 480), 640, 480, null],
    'the largest' => [png(8000, 5000), 8000, 5000, null],
    'a moving picture' => [gif(500), 2, 2, null],
    'a drawing' => ['<svg xmlns="http://www.w3.org/2000/svg" width="30" height="20"/>', 30, 20, null],
    'a recording' => [wav(2), null, null, 2.0],
    'a film' => [mp4('isom', 600, 5400), null, null, 9.0],
    'MP3 of 128 kbit/s' => ["\xFF\xFB\x90\x64".str_repeat("\0", 32_000 - 4), null, null, 2.0],
    'Opus' => ['OggS'.str_repeat("\0", 24).'OpusHead'.'OggS'."\0\x04".pack('P', 96_000), null, null, 2.0],
    'captions' => ["WEBVTT\n", null, null, null],
]);

it('refuses, and says why', function (string $bytes, string $rule): void {
    try {
        MediaFile::of($bytes, 'x');
        expect(false)->toBeTrue('it was taken');
    } catch (UnusableMedium $problem) {
        expect($problem->rule)->toBe($rule)->and($problem->getMessage())->toMatch('/^[A-Z].*[.:]/');
    }
})->with([
    'nothing' => ['', 'media.empty'],
    'no medium' => ['Hello', 'media.kind'],
    'a picture that is none' => ["\x89PNG\r\n\x1A\nnothing", 'media.damaged'],
    'a truncated one' => [substr(png(640, 480), 0, 60), 'media.damaged'],
    'a truncated JPEG' => [substr((string) base64_decode('/9j/4AAQSkZJRgABAQEAYABgAAD/2wBDAAgGBgcGBQgHBwcJCQgKDBQNDAsLDBkSEw8UHRofHh0aHBwgJC4nICIsIxwcKDcpLDAxNDQ0Hyc5PTgyPC4zNDL/wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAACf/EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AVN//2Q==', true), 0, -4), 'media.damaged'],
    '100,000 × 100,000' => [png(100_000, 100_000), 'media.pixels'],
    'a pixel row too many' => [png(8000, 5001), 'media.pixels'],
    'as wide as nothing is' => [png(MediaLimits::SIDE + 1, 1), 'media.pixels'],
    '2,000 frames' => [gif(2000), 'media.frames'],
    'a recording of two hours' => [mp4('M4A ', 1, 7200), 'media.long'],
    'more bytes than allowed' => [png(2, 2).str_repeat("\0", MediaLimits::BYTES['image']), 'media.large'],
    'captions in another encoding' => ["WEBVTT\n\xE9", 'media.encoding'],
    'a broken drawing' => ['<svg xmlns="http://www.w3.org/2000/svg"><g>', 'media.svg'],
]);

it('makes narrower copies of pictures that are wider', function (string $type, ?int $width, array $widths): void {
    expect(MediaLimits::widths($type, $width))->toBe($widths);
})->with([
    ['image/jpeg', 4000, [480, 960, 1920]],
    ['image/png', 960, [480]],
    ['image/webp', 480, []],
    ['image/svg+xml', 4000, []],
    ['image/gif', 4000, []],
    ['audio/mpeg', null, []],
]);
