<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Question\VersionMerge;

$version = fn (string $title, string $body, array $parts, array $more = []): stdClass => Json::decode(
    Json::encode(['title' => $title, 'body' => $body, 'parts' => $parts, ...$more]),
);
$part = fn (string $id, string $label): array => ['id' => $id, 'kind' => 'text', 'label' => $label];

it('tells what differs, thing by thing and word by word', function () use ($version, $part): void {
    $merging = new VersionMerge(
        $version('Slate', '<p>Why does slate split?</p>', [$part('p1', 'mine'), $part('p2', 'same')]),
        $version(
            'Slate',
            '<p>Why does shale split?</p>',
            [$part('p1', 'theirs'), $part('p2', 'same')],
            ['hints' => [['id' => 'h1', 'html' => '<p>Look.</p>']]],
        ),
    );
    $fields = $merging->fields();
    expect(array_column($fields, 'field'))
        ->toBe(['body', 'hints', 'part p1'])
        ->and(array_column($fields, 'part'))
        ->toBe([null, null, 'p1'])
        ->and($fields[0]['changes'][0]['runs'])
        ->toContain(['old', 'shale'])
        ->toContain(['new', 'slate']);
});

it('makes one of both', function () use ($version, $part): void {
    $mine = $version('Mine', '<p>a</p>', [$part('p1', 'mine'), $part('p2', 'mine')]);
    $theirs = $version('Theirs', '<p>b</p>', [$part('p1', 'theirs'), $part('p2', 'theirs')], ['hints' => []]);
    $merged = (new VersionMerge($mine, $theirs))->with(['body', 'part p2', 'hints']);
    expect(Json::encode($merged->parts))
        ->toBe(Json::encode([$part('p1', 'mine'), $part('p2', 'theirs')]))
        ->and([$merged->title, $merged->body, $merged->hints])
        ->toBe(['Mine', '<p>b</p>', []])
        ->and($mine->body)
        ->toBe('<p>a</p>');
});

it('takes parts as one thing where they are not the same ones', function () use ($version, $part): void {
    $mine = $version('T', '', [$part('p1', 'x'), $part('p2', 'y')]);
    $theirs = $version('T', '', [$part('p2', 'y')]);
    expect(array_column((new VersionMerge($mine, $theirs))->fields(), 'field'))
        ->toBe(['parts'])
        ->and(array_column((new VersionMerge($mine, $theirs))->with(['parts'])->parts, 'id'))
        ->toBe(['p2']);
});
