<?php

declare(strict_types=1);

use App\Models\Bank;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** A second bank with the question of the first in other words, and one of its own. */
function bankBeside(World $world): Bank
{
    $first = $world->bank;
    $bank = Bank::query()->create(['slug' => 'second', 'name' => 'Second']);
    DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $world->people['writer']->id, 'role' => 'keeper']);
    $world->bank = $bank;
    $world->add('Only there', '<p>Which of these shines at night?</p><div data-part="p1"></div>');
    $world->bank = $first;

    return $bank;
}

it('shows what only one bank has, and the same', function (): void {
    $world = new World;
    $world->add('Only here', '<p>Which rock floats on the sea?</p><div data-part="p1"></div>');
    bankBeside($world);
    $data = another($world, 'writer', 'POST', '/banks/rocks/compare', ['with' => 'second'])->assertOk()->json('data');
    expect($data['same'])->toBe(0)
        // with the same options they may be nearly the same
        ->and([...array_column($data['only_there'], 'title'), ...array_column(array_column($data['differing'], 'there'), 'title')])
        ->toBe(['Only there'])
        ->and(count($data['only_here']) + $data['differ'])->toBe(2);
    $same = another($world, 'writer', 'POST', '/banks/rocks/compare', ['with' => 'rocks'])->json('data');
    expect($same['same'])->toBe(2)->and($same['differ'])->toBe(0);
    another($world, 'writer', 'POST', '/banks/rocks/compare', ['with' => 'nowhere'])->assertNotFound();
    another($world, 'reader', 'POST', '/banks/rocks/compare', ['with' => 'second'])->assertNotFound();
});

it('says in what a question differs from that of a file', function (): void {
    $world = new World;
    $table = "ID,Title,Question,A,B,Answer\n$world->question,Splitting,Which splits?,slate,chalk,A\nnew,New,Which shines?,mica,clay,A\n";
    $file = UploadedFile::fake()->createWithContent('rocks.csv', $table);
    $this->actingAs($world->people['writer']);
    $data = $this->post('/api/v1/banks/rocks/compare', ['file' => $file], ['Accept' => 'application/json'])->assertOk()->json('data');
    expect($data['differ'])->toBe(1)
        ->and($data['differing'][0]['by'])->toBe('identifier')
        ->and($data['differing'][0]['changes'])->not->toBe([])
        ->and(array_column($data['only_there'], 'title'))->toBe(['New']);
});

it('takes over the content of another as a revision, and keeps what is said of the question here', function (): void {
    $world = new World;
    $bank = bankBeside($world);
    $theirs = (string) DB::table('questions')->where('bank_id', $bank->id)->value('id');
    $before = DB::table('questions')->where('id', $world->question)->first();
    $take = fn (array $pairs) => another($world, 'writer', 'POST', '/banks/rocks/compare/take', ['pairs' => $pairs]);
    $take([['here' => $world->question, 'there' => $theirs]])->assertOk()->assertJsonPath('changed', 1);
    $after = DB::table('questions')->where('id', $world->question)->first();
    expect($after->title)->toBe('Only there')
        ->and($after->revision)->toBe($before->revision + 1)
        ->and($after->bank_id)->toBe($before->bank_id);
    // what is not in this bank, or may not be read, is left
    $take([['here' => $theirs, 'there' => $world->question]])->assertJsonPath('changed', 0)->assertJsonPath('left.0.title', '');
    another($world, 'keeper', 'POST', '/banks/rocks/compare/take', ['pairs' => [['here' => $world->question, 'there' => $theirs]]])
        ->assertJsonPath('changed', 0);
});
