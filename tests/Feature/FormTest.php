<?php

declare(strict_types=1);

use App\Actions\Prune;
use App\Models\Assessment;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

/** An assessment of eight choices that are shuffled, a text question, and a draw; its identifier. */
function rocksExam(World $world, int $choices = 8): string
{
    $rocks = ['granite', 'basalt', 'slate', 'marble'];
    $options = array_map(fn (string $rock): array => ['id' => $rock, 'html' => "<p>$rock</p>"], $rocks);
    $questions = [];
    for ($i = 1; $i <= $choices; $i++) {
        $questions[] = $world->add("Choice $i", "<p>Question number $i asks which?</p><div data-part=\"p1\"></div>", ['parts' => [[
            'id' => 'p1', 'kind' => 'choice', 'points' => 2,
            'settings' => ['options' => $options, 'shuffle' => true],
            'key' => ['rules' => [['id' => 'r1', 'on' => $rocks[$i % 4], 'credit' => '1']]],
        ]]]);
    }
    $id = ask('POST', '/assessments', ['title' => 'Rocks exam', 'bank' => 'rocks', 'questions' => $questions])->json('data.id');
    ['content' => $content, 'version' => $version] = (array) json_decode((string) ask('GET', "/assessments/$id")->getContent())->data;
    $content->sections[0]->shuffle = true;
    $content->sections[] = (object) ['id' => 's2', 'title' => 'Drawn', 'entries' => [
        (object) ['id' => 'd1', 'draw' => 1, 'pool' => [$world->add('Pool one', '<p>One?</p>'), $world->add('Pool two', '<p>Two?</p>')]],
    ]];
    ask('PUT', "/assessments/$id", ['content' => $content], ['If-Match' => "\"$version\""])->assertOk();

    return $id;
}

/** @return list<string> the words of its pages */
function pdfPages(TestResponse $response): array
{
    $response->assertOk();
    $file = (string) tempnam(sys_get_temp_dir(), 'pdf');
    file_put_contents($file, (string) $response->getContent());
    $text = Process::run(['pdftotext', '-layout', $file, '-'])->output();
    unlink($file);

    return explode("\f", rtrim($text, "\f"));
}

it('keeps the labels of options with the forms, whatever papers say later', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = rocksExam($world, 3);
    ask('PUT', "/assessments/$id/print", ['settings' => ['labels' => '1']])->assertNoContent();
    $made = ask('POST', "/assessments/$id/forms", ['count' => 2, 'seed' => 7])->assertStatus(201)->json('data');
    $keys = array_merge(...array_map(fn (array $entry): array => $entry['key']['p1'] ?? [], $made['forms'][0]['entries']));
    expect(array_diff($keys, ['1', '2', '3', '4']))->toBe([]);
    $sheet = fn (string $query): string => ask('GET', "/assessments/$id/sheet?which=learner$query")->assertOk()->json('html');
    expect($sheet(''))->toContain('<span class="letter">1.');
    ask('PUT', "/assessments/$id/print", ['settings' => ['labels' => 'a']])->assertNoContent();
    expect($sheet(''))->toContain('<span class="letter">a.')
        ->and($sheet("&set={$made['id']}"))->toContain('<span class="letter">1.')
        ->and($sheet("&set={$made['id']}"))->not->toContain('<span class="letter">a.');
    ask('PUT', "/assessments/$id/print", ['settings' => ['labels' => 'x']])->assertStatus(422);
});

it('says how long forms take and how hard they are, by what the records of their questions say', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $with = fn (int $difficulty, float $minutes): string => $world->add("Level $difficulty", more: [
        'record' => ['difficulty' => $difficulty, 'minutes' => $minutes, 'notes' => "Look for level $difficulty.", 'source' => 'Fell notes'],
    ]);
    $questions = [$with(2, 1.5), $with(5, 4), $world->add('Unsaid')];
    $id = ask('POST', '/assessments', ['title' => 'Levels', 'bank' => 'rocks', 'questions' => $questions])->json('data.id');
    $form = ask('POST', "/assessments/$id/forms", ['count' => 1, 'seed' => 1])->assertStatus(201)->json('data.forms.0');
    expect([$form['minutes'], $form['difficulty']])->toBe([5.5, 3.5]);
    // and papers say what records say, of a question that is varied here too
    $assessment = ask('GET', "/assessments/$id");
    $entry = array_key_first($assessment->json('data.entries'));
    $whole = json_decode((string) ask('GET', "/assessments/$id/entries/$entry")->getContent())->data->question;
    expect(isset($whole->record))->toBeFalse();
    $whole->title = 'Varied';
    ask('PUT', "/assessments/$id/entries/$entry", ['question' => $whole], ['If-Match' => "\"{$assessment->json('data.version')}\""])->assertOk();
    expect(ask('GET', "/assessments/$id/sheet?which=scheme")->json('html'))->toContain('Look for level 2.', 'Look for level 5.');
    ask('PUT', "/assessments/$id/print", ['settings' => ['difficulty' => true, 'source' => true]])->assertNoContent();
    expect(ask('GET', "/assessments/$id/sheet")->json('html'))->toContain('Difficulty 2 · Fell notes', 'Difficulty 5 · Fell notes');
});

it('makes forms, keeps them, and says when the assessment asks otherwise', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = rocksExam($world);
    $made = ask('POST', "/assessments/$id/forms", ['count' => 4, 'seed' => 7])->assertStatus(201)->json('data');
    expect(array_column($made['forms'], 'letter'))->toBe(['A', 'B', 'C', 'D'])
        ->and(array_unique(array_column($made['forms'], 'points')))->toHaveCount(1)
        ->and(array_sum($made['forms'][0]['balance']))->toBe(9)->and(max($made['forms'][0]['balance']))->toBe(3)
        ->and($made['is_current'])->toBeTrue()->and($made['changed'])->toBe([])
        ->and(ask('GET', "/assessments/$id/forms/{$made['id']}")->json('data'))->toBe($made);
    $again = ask('POST', "/assessments/$id/forms", ['count' => 4, 'seed' => 7])->json('data');
    expect($again['forms'])->toBe($made['forms'])
        ->and(array_column(ask('GET', "/assessments/$id/forms")->json('data'), 'id'))->toBe([$again['id'], $made['id']]);

    // one question is corrected, one taken out
    $question = $made['forms'][0]['entries'][0]['question'];
    $mended = json_decode((string) ask('GET', "/questions/$question")->getContent())->data->question;
    $mended->title = 'Mended';
    ask('PUT', "/questions/$question", ['question' => $mended], ['If-Match' => '"1"'])->assertOk();
    ['content' => $content, 'version' => $version] = (array) json_decode((string) ask('GET', "/assessments/$id")->getContent())->data;
    array_pop($content->sections[0]->entries);
    ask('PUT', "/assessments/$id", ['content' => $content], ['If-Match' => "\"$version\""])->assertOk();
    $now = ask('GET', "/assessments/$id/forms/{$made['id']}")->json('data');
    expect($now['is_current'])->toBeFalse()->and($now['changed'])->toBe([$question])->and($now['forms'])->toBe($made['forms']);
});

it('prints forms as they were made, with the key of each and of all, and keeps a receipt', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = rocksExam($world);
    $set = ask('POST', "/assessments/$id/forms", ['count' => 2, 'seed' => 3])->json('data');
    $asked = ['which' => 'learner,answers,key,keys,contents', 'set' => $set['id'], 'forms' => 'A,B'];
    // many papers: in the background
    config(['queue.default' => 'sync']);
    $order = ask('POST', "/assessments/$id/prints", $asked)->assertStatus(202)->json('order');
    $state = ask('GET', "/assessments/$id/print-orders/$order")->assertOk()->json();
    $print = $state['print'];
    expect([$state['done'], $state['total'], $state['problem']])->toBe([16, 16, null]);
    $receipt = ask('POST', "/assessments/$id/prints/{$print['id']}/receipts")->assertStatus(201)->json('data');
    $pages = pdfPages(ask('GET', "/assessments/$id/receipts/{$receipt['id']}"));
    expect($pages)->toHaveCount($print['pages'])->and($receipt['forms'])->toBe(['A', 'B'])
        ->and($receipt['seeds'])->toBe(['A' => 3, 'B' => 3]);

    $papers = array_map(fn (array $paper): string => "$paper[which] $paper[form]", $print['outline']);
    expect($papers)->toBe(['learner A', 'answers A', 'key A', 'learner B', 'answers B', 'key B', 'keys ', 'contents ']);
    foreach ($print['outline'] as $paper) {
        $text = implode("\n", array_slice($pages, $paper['page'] - 1, $paper['pages']));
        expect($text)->toContain("Page 1 of {$paper['pages']}");
        if ($paper['form'] === null) {
            continue;
        }
        $form = array_column($set['forms'], null, 'letter')[$paper['form']];
        expect($text)->toContain("Form {$paper['form']}");
        foreach ($form['entries'] as $entry) {
            $title = $set['titles'][$entry['question']];
            $number = (int) filter_var($title, FILTER_SANITIZE_NUMBER_INT);
            if ($paper['which'] === 'learner' && $number > 0) {
                expect($text)->toMatch("/^ *{$entry['number']}\\. +Question number $number asks/m");
            }
            if ($paper['which'] === 'key' && $number > 0) {
                $right = ['granite', 'basalt', 'slate', 'marble'][$number % 4];
                expect($text)->toMatch("/^ *{$entry['number']}\\. +{$entry['key']['p1'][0]}\\. $right/m");
            }
        }
    }

    // next year the bank has changed, and prints are long gone: the receipt has the same pages
    $question = $set['forms'][0]['entries'][0]['question'];
    $changed = json_decode((string) ask('GET', "/questions/$question")->getContent())->data->question;
    $changed->body = '<p>Quite another question</p><div data-part="p1"></div>';
    ask('PUT', "/questions/$question", ['question' => $changed], ['If-Match' => '"1"'])->assertOk();
    DB::table('prints')->update(['created_at' => now()->subDays(40)]);
    app(Prune::class)->handle();
    expect(DB::table('prints')->count())->toBe(0)
        ->and(pdfPages(ask('GET', "/assessments/$id/receipts/{$receipt['id']}")))->toBe($pages)
        ->and(ask('GET', "/assessments/$id/receipts")->json('data.0.revisions'))->toBe($receipt['revisions'])
        ->and($receipt['revisions'][$question])->toBe(1)
        // printed anew, the form asks the question as it is now
        ->and((string) ask('GET', "/assessments/$id/sheet?which=learner&set={$set['id']}&forms=A")->json('html'))
        ->toContain('Quite another question')->toContain('Form A')->not->toContain('Form B');
});

it('answers from one form alone what nobody may read', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = rocksExam($world, 3);
    $set = ask('POST', "/assessments/$id/forms", ['count' => 2])->json('data');
    $question = $set['forms'][0]['entries'][0]['question'];
    DB::table('questions')->where('id', $question)->update(['binned_at' => now()]);
    $shown = ask('GET', "/assessments/$id/forms/{$set['id']}")->json('data');
    $entry = array_column($shown['forms'][0]['entries'], null, 'question')[$question];
    expect($entry['key'])->toBe([])->and($entry['options'])->toBe([])->and($shown['titles'])->not->toHaveKey($question);
    ask('POST', "/assessments/$id/forms", ['count' => 2])
        ->assertStatus(422)
        ->assertJsonPath('type', 'urn:wide-quarry:problem:assessment.missing');
    ask('POST', "/assessments/$id/prints", ['which' => 'key', 'set' => $set['id']])->assertStatus(422);
});

it('refuses what it cannot make or print', function (string $method, string $path, array $body, int $status, string $said): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = rocksExam($world, 2);
    $set = ask('POST', "/assessments/$id/forms", ['count' => 2])->json('data.id');
    $other = ask('POST', '/assessments', ['title' => 'Empty', 'bank' => 'rocks'])->json('data.id');
    $fill = fn (string $text): string => strtr($text, ['{id}' => $id, '{set}' => $set, '{other}' => $other]);
    $response = ask($method, $fill($path), array_map(fn (mixed $value): mixed => is_string($value) ? $fill($value) : $value, $body));
    expect($response->status())->toBe($status)->and($response->getContent())->toContain($said);
})->with([
    'too many forms' => ['POST', '/assessments/{id}/forms', ['count' => 27], 422, 'count'],
    'no number' => ['POST', '/assessments/{id}/forms', ['count' => 'four'], 422, 'count'],
    'no count' => ['POST', '/assessments/{id}/forms', ['seed' => 1], 422, 'count'],
    'nothing to ask' => ['POST', '/assessments/{other}/forms', ['count' => 2], 422, 'no question yet'],
    'a form there is not' => ['POST', '/assessments/{id}/prints', ['which' => 'key', 'set' => '{set}', 'forms' => 'C'], 422, 'forms'],
    'forms of another assessment' => ['POST', '/assessments/{other}/prints', ['which' => 'key', 'set' => '{set}'], 404, ''],
    'no set' => ['POST', '/assessments/{id}/prints', ['which' => 'key', 'set' => 'x'], 422, 'set'],
    'keys of all without forms' => ['POST', '/assessments/{id}/prints', ['which' => 'keys'], 422, 'once forms are made'],
    'another format' => ['GET', '/assessments/{id}/papers?format=exe', [], 422, 'format'],
    'a receipt of nothing' => ['POST', '/assessments/{id}/prints/{set}/receipts', [], 404, ''],
    'a template without a name' => ['PUT', '/banks/rocks/print-templates', ['title' => ' ', 'settings' => []], 422, 'a name'],
    'a template of nonsense' => ['PUT', '/banks/rocks/print-templates', ['title' => 'T', 'settings' => ['columns' => 9]], 422, 'columns'],
]);

it('keeps templates of a bank, without what belongs to one assessment', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $put = fn (array $settings): ?string => ask('PUT', '/banks/rocks/print-templates', ['title' => 'Exams', 'settings' => $settings])
        ->json('id');
    $id = $put(['columns' => 2, 'seed' => 5, 'spaces' => [['entry' => 'e1', 'lines' => 3]]]);
    expect($put(['columns' => 1, 'school' => 'Fellmoor']))->toBe($id)
        ->and(ask('GET', '/banks/rocks/print-templates')->json('data'))
        ->toBe([['id' => $id, 'title' => 'Exams', 'settings' => ['school' => 'Fellmoor', 'columns' => 1]]]);
    ask('DELETE', "/banks/rocks/print-templates/$id")->assertStatus(204);
    ask('DELETE', "/banks/rocks/print-templates/$id")->assertStatus(404);
});

it('writes papers as documents whose words are those of the pages', function (string $format): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = rocksExam($world, 3);
    $set = ask('POST', "/assessments/$id/forms", ['count' => 2])->json('data');
    $response = ask('GET', "/assessments/$id/papers?which=learner,key&set={$set['id']}&forms=B&format=$format")->assertOk();
    $folder = sys_get_temp_dir().'/document-'.bin2hex(random_bytes(6));
    mkdir($folder);
    file_put_contents("$folder/made.$format", (string) $response->getContent());
    $office = ['soffice', '--headless', "-env:UserInstallation=file://$folder/profile", '--convert-to', 'pdf', '--outdir', $folder];
    Process::timeout(120)->run([...$office, "$folder/made.$format"]);
    $words = fn (string $text): array => array_values(array_filter(
        preg_split('/[^\p{L}\p{N}]+/u', $text) ?: [],
        fn (string $word): bool => mb_strlen($word) > 3,
    ));
    $document = $words(Process::run(['pdftotext', '-layout', "$folder/made.pdf", '-'])->output());
    $print = ask('POST', "/assessments/$id/prints", ['which' => 'learner,key', 'set' => $set['id'], 'forms' => 'B'])->json('id');
    $pages = $words(implode("\n", pdfPages(ask('GET', "/assessments/$id/prints/$print"))));
    Process::run(['rm', '-rf', $folder]);
    // each word as often, but for those of the feet of pages
    $counted = fn (array $list): array => array_count_values(array_diff($list, ['Page', 'Rocks', 'exam', 'Form']));
    [$document, $pages] = [$counted($document), $counted($pages)];
    ksort($document);
    ksort($pages);
    expect($document)->toBe($pages);
})->with(['docx', 'odt']);

it('says why papers could not be printed in the background', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    config(['queue.default' => 'sync']);
    $id = rocksExam($world, 2);
    $set = ask('POST', "/assessments/$id/forms", ['count' => 4])->json('data');
    DB::table('questions')->where('id', $set['forms'][0]['entries'][0]['question'])->update(['binned_at' => now()]);
    $order = ask('POST', "/assessments/$id/prints", ['which' => 'key', 'set' => $set['id']])->assertStatus(202)->json('order');
    $state = ask('GET', "/assessments/$id/print-orders/$order")->json();
    expect($state['print'])->toBeNull()->and($state['problem'])->toContain('This cannot be printed as it stands.');
});
