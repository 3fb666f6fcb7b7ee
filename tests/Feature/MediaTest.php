<?php

declare(strict_types=1);

use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WideQuarry\Media\MediaLimits;

/** A picture as a camera gives it: turned on its side, and telling where it was. */
function photograph(int $width = 1200, int $height = 800): string
{
    $image = imagecreatetruecolor($width, $height);
    imagefilledrectangle($image, 0, 0, (int) ($width / 2), $height, (int) imagecolorallocate($image, 180, 120, 60));
    ob_start();
    imagejpeg($image);
    $jpeg = (string) ob_get_clean();
    // Exif (CIPA DC-008): one directory with the orientation, "rotate by 90°", and the owner's name
    $ascii = "Tam Orde\0\0";
    $tiff = 'MM'.pack('nN', 42, 8).pack('n', 2).
        pack('nnNnn', 0x0112, 3, 1, 6, 0).
        pack('nnNN', 0x013B, 2, strlen($ascii), 38).
        pack('N', 0).$ascii;
    $exif = "Exif\0\0$tiff";

    return "\xFF\xD8\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
}

function picture(int $width, int $height): string
{
    ob_start();
    imagepng(imagecreatetruecolor($width, $height));

    return (string) ob_get_clean();
}

function addMedium(string $bytes, string $name, array $more = [], string $bank = 'rocks'): TestResponse
{
    return test()->withHeaders(['Accept' => 'application/json', 'Referer' => 'http://127.0.0.1:8090'])
        ->post("/api/v1/banks/$bank/media", ['file' => UploadedFile::fake()->createWithContent($name, $bytes), ...$more]);
}

it('takes a photograph the right way up, without what the camera wrote into it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $medium = addMedium(photograph(), "Beds\u{202E}.JPG", ['alt' => ' Beds that dip to the left '])->assertStatus(201)->json('data');

    expect($medium)
        ->toMatchArray([
            'type' => 'image/jpeg',
            'name' => 'Beds.jpg',
            'width' => 800,
            'height' => 1200,
            'alt' => 'Beds that dip to the left',
            'uses' => 0,
            'sizes' => ['made' => 1, 'of' => 1],
        ]);
    $bytes = ask('GET', "/banks/rocks/media/{$medium['id']}")->assertOk()->getContent();
    expect(hash('sha256', (string) $bytes))->toBe($medium['sha256'])->and($bytes)->not->toContain('Tam Orde')->not->toContain('Exif');
    $small = ask('GET', "/banks/rocks/media/{$medium['id']}?width=480")->assertOk();
    expect($small->headers->get('Content-Type'))->toBe('image/webp')
        ->and(array_slice((array) getimagesizefromstring((string) $small->getContent()), 0, 2))
        ->toBe([480, 720]);
    // wider than any copy: the picture itself
    expect(ask('GET', "/banks/rocks/media/{$medium['id']}?width=960")->headers->get('Content-Type'))->toBe('image/jpeg');
});

it('keeps the bytes of a picture that needs nothing', function (): void {
    $this->actingAs((new World)->people['writer']);
    $bytes = picture(40, 30);

    expect(addMedium($bytes, 'a.png')->json('data'))->toMatchArray(['sha256' => hash('sha256', $bytes), 'sizes' => ['made' => 0, 'of' => 0]]);
});

it('knows a file the bank has, also by the bytes it came with, and takes it out of the bin', function (): void {
    $this->actingAs((new World)->people['writer']);
    $bytes = photograph();
    $id = addMedium($bytes, 'first.jpg')->json('data.id');
    ask('PATCH', "/banks/rocks/media/$id", ['binned' => true])->assertOk()->assertJsonPath('data.binned', true);
    addMedium($bytes, 'second.jpg')
        ->assertOk()
        ->assertJsonPath('is_new', false)
        ->assertJsonPath('data.id', $id)
        ->assertJsonPath('data.name', 'first.jpg')
        ->assertJsonPath('data.binned', false);

    expect(DB::table('media')->where('type', 'image/jpeg')->count())->toBe(1);
});

it('cleans a drawing on its way in', function (): void {
    $this->actingAs((new World)->people['writer']);
    $id = addMedium('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script><path d="M0 0"/></svg>', 'a.svg')
        ->assertStatus(201)
        ->json('data.id');

    expect(ask('GET', "/banks/rocks/media/$id")->assertOk()->getContent())->toContain('<path')->not->toContain('script');
});

it('refuses what is no medium, with a sentence at the file', function (string $bytes, string $rule): void {
    $this->actingAs((new World)->people['writer']);
    addMedium($bytes, 'a.png')->assertStatus(422)->assertJsonPath('type', "urn:wide-quarry:problem:$rule")->assertJsonPath('path', '/file');

    expect(DB::table('media')->count())->toBe(1); // the World's own
})->with([
    'text' => ['Hello', 'media.kind'],
    'a page' => ['<html><body>x</body></html>', 'media.kind'],
    'a cut-off picture' => [substr(picture(300, 300), 0, 200), 'media.damaged'],
    'a picture whose data is broken' => [substr_replace(picture(300, 300), str_repeat("\xFF", 60), 50, 60), 'media.damaged'],
]);

it('does not fill a bank beyond what it may hold', function (): void {
    $this->actingAs((new World)->people['writer']);
    config(['app.quota.bank_mb' => 0]);

    addMedium(picture(40, 30), 'a.png')->assertStatus(422)->assertJsonPath('type', 'urn:wide-quarry:problem:quota.bank');
});

it('lists, searches and counts uses', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $beds = addMedium(picture(40, 30), 'Folded beds.png', ['alt' => 'An anticline'])->json('data.id');
    $map = addMedium(picture(41, 30), 'Map.png')->json('data.id');
    $world->add('With a picture', "<p><img data-media=\"$beds\" alt=\"An anticline\"></p><div data-part=\"p1\"></div>");
    $world->shared(null, 'Fig', "<p><img data-media=\"$beds\" alt=\"An anticline\"></p>");
    $ids = fn (string $query): array => array_column(ask('GET', "/banks/rocks/media?$query")->assertOk()->json('data'), 'id');

    expect($ids(''))->toEqualCanonicalizing([$map, $beds, 'm1'])
        ->and($ids('words=anticline'))->toBe([$beds])
        ->and($ids('words=FOLD%20bed'))->toBe([$beds])
        ->and($ids('words=100%25'))->toBe([])
        ->and($ids('only=used'))->toBe([$beds])
        ->and($ids('only=unused&words=map'))->toBe([$map])
        ->and($ids('only=no-alt'))->toEqualCanonicalizing([$map, 'm1'])
        ->and($ids('kind=audio'))->toBe([])
        ->and($ids('kind=audio,image&words=map'))->toBe([$map])
        ->and($ids('larger=1000000'))->toBe([])
        ->and($ids('larger=10&words=map'))->toBe([$map]);
    $uses = ask('GET', "/banks/rocks/media/$beds/uses")->assertOk()->json('data');
    expect(array_column($uses['questions'], 'name'))->toBe(['With a picture'])
        ->and($uses['questions'][0])
        ->toMatchArray(['revision' => 1, 'places' => ['text']])
        ->and(array_column($uses['stimuli'], 'name'))
        ->toBe(['Fig']);
    ask('GET', "/banks/rocks/media/$map/uses")->assertJsonPath('data.questions', []);
});

it('pages through a library without a gap or a double', function (): void {
    $world = new World;
    DB::table('media')->insert(array_map(fn (int $i): array => [
        'bank_id' => $world->bank->id,
        'id' => "p$i",
        'sha256' => str_repeat('1', 64),
        'type' => 'image/png',
        'name' => "p$i.png",
        'bytes' => 1,
        'created_at' => '2026-11-01 10:00:0'.($i % 3),
    ], range(1, 130)));
    $this->actingAs($world->people['reader']);
    $met = [];
    for ($cursor = ''; $cursor !== null; $cursor = $page['meta']['next_cursor']) {
        $page = ask('GET', "/banks/rocks/media?cursor=$cursor")->assertOk()->json();
        array_push($met, ...array_column($page['data'], 'id'));
    }

    expect(count($met))->toBe(131)->and(count(array_unique($met)))->toBe(131)->and($page['meta']['found'])->toBe(131);
    ask('GET', '/banks/rocks/media?cursor=nonsense')->assertStatus(422)->assertJsonPath('path', '/cursor');
});

it('changes what the library says of a medium', function (): void {
    $this->actingAs((new World)->people['writer']);
    $path = '/banks/rocks/media/'.addMedium(picture(40, 30), 'a.png', ['alt' => 'x'])->json('data.id');

    ask('PATCH', $path, ['name' => 'Beds/at ../Marl Hill.png'])->assertJsonPath('data.name', 'Marl Hill.png')->assertJsonPath('data.alt', 'x');
    ask('PATCH', $path, ['alt' => ''])->assertJsonPath('data.alt', '');
    ask('PATCH', $path, ['alt' => null])->assertJsonPath('data.alt', null);
    ask('PATCH', $path, ['name' => str_repeat('x', MediaLimits::NAME + 1)])->assertStatus(422)->assertJsonPath('path', '/name');
    ask('PATCH', '/banks/rocks/media/gone', ['alt' => 'x'])->assertNotFound();
});

it('takes a file in pieces, and goes on after one was lost', function (): void {
    $this->actingAs((new World)->people['writer']);
    $bytes = picture(400, 300).str_repeat('x', 1000);
    $upload = ask('POST', '/banks/rocks/uploads', ['name' => 'beds.png', 'bytes' => strlen($bytes), 'alt' => 'Beds'])
        ->assertStatus(201)
        ->json('data.id');
    $piece = fn (int $from, string $some): TestResponse => ask('PUT', "/uploads/$upload?from=$from", $some, [
        'Content-Type' => 'application/octet-stream',
    ]);

    $piece(0, substr($bytes, 0, 500))->assertOk()->assertJsonPath('data.received', 500);
    $piece(600, substr($bytes, 600, 100))->assertStatus(409); // a piece in between is missing
    $piece(0, substr($bytes, 0, 500))->assertOk()->assertJsonPath('data.received', 500); // the answer was lost
    ask('POST', "/uploads/$upload/finish", new stdClass())->assertStatus(409)->assertJsonPath('path', '/from');
    ask('GET', "/uploads/$upload")->assertJsonPath('data.received', 500);
    $piece(400, substr($bytes, 400))->assertOk()->assertJsonPath('data.received', strlen($bytes));
    $piece(strlen($bytes), 'more')->assertStatus(422);
    $medium = ask('POST', "/uploads/$upload/finish", new stdClass())->assertStatus(201)->json('data');

    expect($medium)->toMatchArray(['name' => 'beds.png', 'width' => 400, 'alt' => 'Beds', 'sha256' => hash('sha256', $bytes)]);
    ask('GET', "/uploads/$upload")->assertNotFound();
});

it('keeps a file that has arrived while the bank is full, and gives up what can never be a medium', function (): void {
    $this->actingAs((new World)->people['writer']);
    $arrived = function (string $bytes): string {
        $id = ask('POST', '/banks/rocks/uploads', ['name' => 'a.png', 'bytes' => strlen($bytes)])->json('data.id');
        ask('PUT', "/uploads/$id?from=0", $bytes, ['Content-Type' => 'application/octet-stream'])->assertOk();

        return $id;
    };
    $picture = $arrived(picture(40, 30));
    $words = $arrived('only words');
    config(['app.quota.bank_mb' => 0]);
    ask('POST', "/uploads/$picture/finish", new stdClass())->assertStatus(422)->assertJsonPath('type', 'urn:wide-quarry:problem:quota.bank');
    config(['app.quota.bank_mb' => 20_000]);
    ask('POST', "/uploads/$picture/finish", new stdClass())->assertStatus(201);
    ask('POST', "/uploads/$words/finish", new stdClass())->assertStatus(422);

    ask('GET', "/uploads/$words")->assertNotFound();
});

it('refuses a file that would be too large before a byte of it was sent', function (): void {
    $this->actingAs((new World)->people['writer']);

    ask('POST', '/banks/rocks/uploads', ['name' => 'a.mp4', 'bytes' => 10 ** 9])
        ->assertStatus(422)
        ->assertJsonPath('type', 'urn:wide-quarry:problem:media.large');
});

it('puts a new file in the place of another in every question, as one act that can be undone', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $old = addMedium(picture(40, 30), 'old.png')->json('data.id');
    $new = addMedium(picture(41, 30), 'new.png')->json('data.id');
    $ids = array_map(
        fn (string $title): string => $world->add($title, "<p><img data-media=\"$old\" alt=\"Beds\" width=\"30\"></p><div data-part=\"p1\"></div>"),
        ['One', 'Two'],
    );
    $uses = fn (string $id): int => ask('GET', "/banks/rocks/media/$id/about")->json('data.uses');
    $change = fn (string $to): array => ['filter' => "medium=$old", 'content' => ['media' => ['from' => $old, 'to' => $to]]];

    ask('POST', '/banks/rocks/acts/preview', $change($new))->assertOk()->assertJsonPath('changes', 2);
    ask('POST', '/banks/rocks/acts', $change('another'))->assertStatus(422)->assertJsonPath('path', '/content/media/to');
    $act = ask('POST', '/banks/rocks/acts', $change($new))->assertOk()->json('act');
    expect([$uses($old), $uses($new)])->toBe([0, 2])
        ->and(ask('GET', "/questions/$ids[0]")->json('data.revision'))
        ->toBe(2)
        ->and(ask('GET', "/questions/$ids[0]")->json('data.question.body'))
        ->toContain("<img alt=\"Beds\" data-media=\"$new\" width=\"30\"/>");
    // somebody else, who still saw the old one, changes nothing any more
    $third = addMedium(picture(42, 30), 'third.png')->json('data.id');
    $late = ask('POST', '/banks/rocks/acts', $change($third));
    expect($late->json('changed') ?? 0)->toBe(0)->and([$uses($old), $uses($new), $uses($third)])->toBe([0, 2, 0]);
    ask('POST', "/acts/$act/undo", new stdClass())->assertOk();

    expect([$uses($old), $uses($new)])->toBe([2, 0]);
});

it('puts a new file in the place of another in stimuli too, and takes it back in those alone', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$old, $new] = [addMedium(picture(40, 30), 'old.png')->json('data.id'), addMedium(picture(41, 30), 'new.png')->json('data.id')];
    $shown = $world->shared(null, 'Shown', "<p><img alt=\"Beds\" data-media=\"$old\"/></p>");
    $other = $world->shared(null, 'Other', "<p><img alt=\"Beds\" data-media=\"$new\"/></p>");

    ask('POST', "/banks/rocks/media/$old/stimuli", ['to' => 'gone'])->assertStatus(422)->assertJsonPath('path', '/to');
    $sound = addMedium(sound(1), 'tide.wav')->json('data.id');
    foreach (["/banks/rocks/media/$old/stimuli" => ['to' => $sound], '/banks/rocks/acts' => [
        'filter' => "medium=$old",
        'content' => ['media' => ['from' => $old, 'to' => $sound]],
    ]] as $path => $body) {
        ask('POST', $path, $body)->assertStatus(422)->assertJsonPath('type', 'urn:wide-quarry:problem:media.other_kind');
    }
    ask('POST', "/banks/rocks/media/$old/stimuli", ['to' => $new])->assertOk()->assertExactJson(['data' => [$shown]]);
    expect(ask('GET', "/stimuli/$shown")->json('data.stimulus.body'))->toContain($new)
        ->and(ask('GET', "/stimuli/$shown")->json('data.revision'))
        ->toBe(2);
    ask('POST', "/banks/rocks/media/$new/stimuli", ['to' => $old, 'stimuli' => [$shown]])->assertExactJson(['data' => [$shown]]);
    expect(ask('GET', "/stimuli/$shown")->json('data.stimulus.body'))->toContain($old)
        ->and(ask('GET', "/stimuli/$other")->json('data.revision'))
        ->toBe(1);
});

it('goes on showing a medium that is put into the bin while a question shows it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = addMedium(picture(40, 30), 'beds.png')->json('data.id');
    $question = $world->add('Shown', "<p><img data-media=\"$id\" alt=\"Beds\"></p><div data-part=\"p1\"></div>");
    $gone = $world->add('Not there', '<p><img data-media="gone" alt="Beds"></p><div data-part="p1"></div>');
    ask('PATCH', "/banks/rocks/media/$id", ['binned' => true])->assertOk();

    ask('GET', "/questions/$question/media/$id")->assertOk();
    expect(array_column(ask('GET', '/banks/rocks/media?only=binned')->json('data'), 'id'))->toBe([$id])
        ->and(array_column(ask('GET', "/questions/$question")->json('data.findings'), 'code'))
        ->not->toContain('media.missing')
        ->and(array_column(ask('GET', '/banks/rocks/questions?is=unseen')->json('data'), 'id'))
        ->toBe([$gone]);
});

it('finds the picture of a part that does not exist, and can be asked for it', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->add('On a picture', more: ['parts' => [(object) [
        'id' => 'p1',
        'kind' => 'spot',
        'points' => 1,
        'settings' => (object) [
            'picture' => (object) ['media' => 'gone', 'alt' => 'Beds', 'width' => 400, 'height' => 300],
            'regions' => [(object) ['id' => 's1', 'shape' => 'rectangle', 'at' => ['0', '0', '90', '90'], 'label' => 'slate']],
            'max' => 1,
        ],
        'key' => (object) ['rules' => [(object) ['id' => 'r1', 'on' => 's1', 'credit' => '1']]],
    ]]]);

    expect(array_column(ask('GET', "/questions/$id")->json('data.findings'), 'path', 'code'))
        ->toHaveKey('media.missing', '/parts/0/settings/picture')
        ->and(array_column(ask('GET', '/banks/rocks/questions?is=unseen')->json('data'), 'id'))
        ->toBe([$id]);
});

it('finds a medium that does not exist, and says nothing of banks one may not read', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    $id = $world->add('With a picture', '<p><img data-media="m1" alt="x"> <img data-media="gone" alt="y"></p><div data-part="p1"></div>');
    $missing = fn (array $findings): array => array_column(
        array_filter($findings, fn (array $one): bool => $one['code'] === 'media.missing'),
        'path',
    );
    $whole = json_decode((string) ask('GET', "/questions/$id")->getContent(), flags: JSON_THROW_ON_ERROR)->data;
    $presented = fn (?string $bank): array => ask('POST', '/present', ['question' => $whole->question, ...$bank === null ? [] : ['bank' => $bank]])
        ->assertOk()
        ->json('findings');

    expect($missing(ask('GET', "/questions/$id")->json('data.findings')))->toBe(['/body'])
        ->and($missing($presented('rocks')))
        ->toBe(['/body'])
        ->and($missing($presented(null)))
        ->toBe([]);
    $this->flushSession()->actingAs($world->people['stranger']);
    expect($missing($presented('rocks')))->toBe([]);
});

/** Sound of one channel at 8 kHz, so many seconds of silence (RIFF, WAVE). */
function sound(int $seconds): string
{
    $data = str_repeat("\x80", 8000 * $seconds);

    return 'RIFF'.pack('V', strlen($data) + 36).'WAVEfmt '.pack('VvvVVvv', 16, 1, 1, 8000, 8000, 1, 8).'data'.pack('V', strlen($data)).$data;
}

it('makes captions of a transcript with times, and names the line without one', function (): void {
    $this->actingAs((new World)->people['writer']);
    $sound = addMedium(sound(3), 'tide.wav')->assertStatus(201)->json('data');
    $captions = ask('POST', "/banks/rocks/media/$sound[id]/captions", ['transcript' => "0:00 High water.\n0:01 Low water & more."])
        ->assertStatus(201)
        ->json('data');

    expect($captions)->toMatchArray(['type' => 'text/vtt', 'name' => 'tide.vtt'])
        ->and(ask('GET', "/banks/rocks/media/$captions[id]")->getContent())
        ->toBe("WEBVTT\n\n00:00:00.000 --> 00:00:01.000\nHigh water.\n\n00:00:01.000 --> 00:00:03.000\nLow water &amp; more.\n");
    ask('POST', "/banks/rocks/media/$sound[id]/captions", ['transcript' => "0:00 a\n0:05 b\n0:03 c"])
        ->assertStatus(422)
        ->assertJsonPath('type', 'urn:wide-quarry:problem:captions.back')
        ->assertJsonPath('detail', 'Line 3 is earlier than the line above it. Times must go forward.');
    ask('POST', "/banks/rocks/media/$sound[id]/captions", ['transcript' => str_repeat('a', 20_001)])->assertStatus(422);
    ask('POST', '/banks/rocks/media/gone/captions', ['transcript' => '0:00 a'])->assertStatus(404);
    ask('POST', "/banks/rocks/media/$captions[id]/captions", ['transcript' => '0:00 a'])
        ->assertStatus(422)
        ->assertJsonPath('detail', 'Only sound and film have captions.');
});

it('gives a part of a recording to a player that goes to a place in it', function (string $range, int $status, ?string $part): void {
    $this->actingAs((new World)->people['writer']);
    $id = addMedium(sound(1), 'tide.wav')->json('data.id');
    $answer = ask('GET', "/banks/rocks/media/$id", null, ['Range' => $range]);

    expect($answer->getStatusCode())->toBe($status)->and($answer->headers->get('Content-Range'))->toBe($part);
    if ($part !== null) {
        preg_match('/(\d+)-(\d+)/', $part, $m);
        expect($answer->getContent())->toBe(substr(sound(1), (int) $m[1], $m[2] - $m[1] + 1));
    }
})->with([
    'from a place' => ['bytes=8000-', 206, 'bytes 8000-8043/8044'],
    'between two' => ['bytes=0-43', 206, 'bytes 0-43/8044'],
    'beyond the end' => ['bytes=8000-99999', 206, 'bytes 8000-8043/8044'],
    'from beyond the end' => ['bytes=9000-', 200, null],
    'backwards' => ['bytes=9-3', 200, null],
    'several' => ['bytes=0-1,5-6', 200, null],
    'nonsense' => ['bytes=-', 200, null],
]);

it('shows the media of a question where it is read, and no others of its bank', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    [$shown, $other] = [addMedium(picture(20, 10), 'a.png')->json('data.id'), addMedium(picture(30, 10), 'b.png')->json('data.id')];
    $question = World::json();
    $question->body = "<p>See <img alt=\"a\" data-media=\"$shown\"/></p>".$question->body;
    ask('PUT', "/questions/$world->question", ['question' => $question], ['If-Match' => '"1"'])->assertOk();

    ask('GET', "/questions/$world->question/media/$shown")->assertOk();
    ask('GET', "/questions/$world->question/media/$other")->assertStatus(404);
    app('auth')->forgetGuards();
    $this->flushSession();
    $this->actingAs($world->people['stranger']->fresh());
    ask('GET', "/questions/$world->question/media/$shown")->assertStatus(404);
});
