<?php

declare(strict_types=1);

use Tests\Machine\Installation;
use Tests\Machine\Person;
use Tests\Machine\Questions;

/*
 * kill -9 of the database, PHP and the workers at random moments while people save, change many and import: what was answered with success
 * is there afterwards, and what was begun comes to its end, once. 10 rounds, each part in turn; 500 with bin/test --long.
 */

it('loses nothing that was acknowledged', function (): void {
    $here = Installation::shared();
    $rounds = getenv('QUARRY_LONG') ? 500 : 10;
    $parts = ['postgres', 'worker-any', "php-fpm-$here->port", 'postgres', 'worker-quick'];
    mt_srand((int) (getenv('QUARRY_SEED') ?: 20261128));
    $ines = $here->person('durable');
    $slug = $ines->ask('POST', '/banks', ['name' => 'Durable'])->json('data.slug');
    $questions = array_map(fn (int $i): array => Questions::one("Question $i"), range(1, 6));
    foreach ($questions as $i => $question) {
        $questions[$i]['id'] = $ines->ask('POST', "/banks/$slug/questions", ['question' => $question])->json('data.id');
    }
    $revisions = array_fill(0, 6, 1);
    $kept = $imports = $acts = $media = [];
    $number = 0;
    for ($round = 0; $round < $rounds; $round++) {
        $part = $parts[$round % count($parts)];
        $killAt = mt_rand(1, 3);
        for ($step = 0; $step < 5; $step++) {
            $number++;
            $requests = [
                ['POST', '/intakes', ['text' => Questions::exam(30, "stone$number"), 'bank' => $slug]],
                ['POST', "/banks/$slug/acts", ['filter' => '', 'record' => ['tags' => ['add' => ["t$number"]]]]],
                ['POST', "/banks/$slug/media", ['medium' => ["p$number.png", Questions::picture($number)]]],
            ];
            $requests = $step === 1 ? $requests : [];
            foreach ($questions as $i => $question) {
                $requests[] = ['PUT', "/autosaves/draft-$i", ['content' => ['n' => $number]]];
                $requests[] = [
                    'PUT',
                    "/questions/{$question['id']}",
                    ['question' => [...$question, 'title' => "Question $i, number $number"]],
                    ['If-Match' => "\"{$revisions[$i]}\""],
                ];
            }
            if ($step === $killAt) {
                // in the middle of them: killed by another process a few milliseconds from now
                exec('(sleep 0.0'.mt_rand(1, 9).'; kill -9 '.$here->pid($part).') >/dev/null 2>&1 &');
            }
            $answers = $ines->askAll($requests);
            foreach ($requests as $at => $request) {
                $isDone = $answers[$at]->status >= 200 && $answers[$at]->status < 300;
                if ($isDone && str_starts_with($request[1], '/autosaves/')) {
                    $kept[$request[1]] = $request[2]['content']['n'];
                } elseif ($isDone && $request[0] === 'PUT') {
                    $i = array_search(substr($request[1], 11), array_column($questions, 'id'), true);
                    $revisions[$i] = (int) $answers[$at]->etag;
                    $kept[$request[1]] = $request[2]['question']['title'];
                } elseif ($isDone && $request[1] === '/intakes') {
                    $imports[] = $answers[$at]->json('data.id');
                } elseif ($isDone && str_ends_with($request[1], '/media')) {
                    $media[$answers[$at]->json('data.id')] = $answers[$at]->json('data.sha256');
                } elseif ($isDone) {
                    $acts[] = $answers[$at]->json('act');
                }
            }
        }
        $here->untilReady();
        isKept($ines, $kept, $questions, $revisions, "round $round, $part was killed");
    }
    expect(count($imports))->toBeGreaterThan($rounds / 3);
    foreach ($imports as $import) {
        $here->until(fn (): bool => $ines->ask('GET', "/intakes/$import")->json('data.state') === 'review', "import $import");
        expect($ines->ask('GET', "/intakes/$import")->json('data.found'))->toBe(30);
    }
    expect(count($media))->toBeGreaterThan($rounds / 3);
    foreach ($media as $medium => $sha256) {
        expect(hash('sha256', $ines->ask('GET', "/banks/$slug/media/$medium")->body))->toBe($sha256);
    }
    foreach ($acts as $act) {
        $here->until(
            fn (): bool => in_array($ines->ask('GET', "/acts/$act")->json('state'), ['done', 'failed'], true),
            "bulk change $act",
        );
    }
});

/**
 * @param  array<string, mixed>  $kept  path → what was last acknowledged there
 * @param  list<array<string, mixed>>  $questions
 * @param  array<int, int>  $revisions
 */
function isKept(Person $person, array $kept, array $questions, array &$revisions, string $when): void
{
    foreach ($kept as $path => $value) {
        $answer = $person->ask('GET', $path);
        if (str_starts_with($path, '/autosaves/')) {
            // a later one may have been stored without the answer arriving
            expect($answer->json('content.n'))->toBeGreaterThanOrEqual($value, "$when: $path");
        } else {
            $i = array_search(substr($path, 11), array_column($questions, 'id'), true);
            $titles = array_map(
                fn (int $number): mixed => $person->ask('GET', "$path/revisions/$number")->json('content.title'),
                range($revisions[$i], (int) $answer->json('data.revision')),
            );
            expect(in_array($value, $titles, true))
                ->toBeTrue("$when: $path")
                ->and((int) $answer->json('data.revision'))
                ->toBeGreaterThanOrEqual($revisions[$i]);
            $revisions[$i] = (int) $answer->json('data.revision');
        }
    }
}
