<?php

declare(strict_types=1);

use App\Accounts\Network;
use App\Accounts\PasswordRules;
use App\Accounts\Totp;
use App\Errors\Refused;
use App\Models\User;
use App\Queries\Folders;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Tests\Feature\World;
use WideQuarry\Sharing\Role;

const GOOD = 'four plain garden words';

/** @return Illuminate\Testing\TestResponse of signing in, with a session of its own */
function signingIn(string $role, string $password, string $code = ''): Illuminate\Testing\TestResponse
{
    test()->flushSession();
    app('auth')->forgetGuards();
    test()->withoutThrottle();

    return ask('POST', '/session', [
        'email' => str_replace(' ', '', $role).'@fellmoor.example',
        'password' => $password,
        ...$code === '' ? [] : ['code' => $code],
    ]);
}

/** @return list<string> subject and text of each mail to an address, the oldest first */
function mailTo(string $email): array
{
    return DB::table('outbox')
        ->where('recipient', $email)
        ->orderBy('id')
        ->get()
        ->map(fn (stdClass $mail): string => "$mail->subject\n$mail->body")
        ->all();
}

beforeEach(fn () => config(['mail.default' => 'outbox']));

it('makes the codes of RFC 6238, appendix B', function (int $time, string $code): void {
    expect(Totp::code('12345678901234567890', intdiv($time, 30), 8))->toBe($code);
})->with([
    [59, '94287082'],
    [1111111109, '07081804'],
    [1111111111, '14050471'],
    [1234567890, '89005924'],
    [2000000000, '69279037'],
    [20000000000, '65353130'],
]);

it('writes secrets in base 32 as RFC 4648 (10) does', fn (string $bytes, string $text) => expect(Totp::base32($bytes))->toBe($text))->with(
    [['f', 'MY'], ['fo', 'MZXQ'], ['foo', 'MZXW6'], ['foob', 'MZXW6YQ'], ['fooba', 'MZXW6YTB'], ['foobar', 'MZXW6YTBOI']],
);

it('takes a code once, and those of neighbouring half minutes', function (): void {
    [$secret, $now] = [Totp::secret(), 1_900_000_000];
    $step = intdiv($now, 30);
    $of = fn (int $by): string => Totp::code($secret, $step + $by);
    expect(Totp::verify($secret, $of(0), $now, 0))
        ->toBe($step)
        ->and(Totp::verify($secret, $of(-1), $now, 0))
        ->toBe($step - 1)
        ->and(Totp::verify($secret, $of(1), $now, 0))
        ->toBe($step + 1)
        ->and(Totp::verify($secret, $of(2), $now, 0))
        ->toBeNull()
        ->and(Totp::verify($secret, $of(0), $now, $step))
        ->toBeNull();
});

it('refuses weak passwords with a reason', function (string $password, bool $isGood): void {
    $person = new User(['name' => 'Ines Thornbury', 'email' => 'inesthorn@fellmoor.example']);
    $check = fn () => PasswordRules::check($password, $person);
    $isGood ? expect($check)->not->toThrow(Refused::class) : expect($check)->toThrow(Refused::class);
})->with([
    'a few words' => [GOOD, true],
    'not Latin' => ['κόκκινος γρανίτης', true],
    '128 characters' => [str_repeat('abcdefgh', 16), true],
    'short' => ['slate-7!xyz', false],
    'too long' => [str_repeat('abcdefgh', 17), false],
    'common' => ['passwordpassword', false],
    'common with digits' => ['Password12345!', false],
    'common in pieces' => ['pass word 1234', false],
    'few signs' => ['abababababab', false],
    'the address' => ['inesthorn and more', false],
]);

it('changes a password, signs out elsewhere, and says so by mail', function (): void {
    $world = new World;
    $world->people['writer']->createToken('kept', ['read']);
    DB::table('sessions')->insert([
        ['id' => 'elsewhere', 'user_id' => $world->people['writer']->id, 'payload' => '', 'last_activity' => time()],
        ['id' => 'other', 'user_id' => $world->people['reader']->id, 'payload' => '', 'last_activity' => time()],
    ]);
    signingIn('writer', 'limestone-7')->assertOk();
    expect(ask('PUT', '/me/password', ['current' => 'wrong', 'password' => GOOD])->json('path'))
        ->toBe('/current')
        ->and(ask('PUT', '/me/password', ['current' => 'limestone-7', 'password' => 'short'])->json('path'))
        ->toBe('/password');
    ask('PUT', '/me/password', ['current' => 'limestone-7', 'password' => GOOD])->assertNoContent();
    expect(ask('GET', '/me')->status())
        ->toBe(200)
        ->and(DB::table('sessions')->pluck('id')->all())
        ->toBe(['other'])
        ->and(signingIn('writer', 'limestone-7')->status())
        ->toBe(422)
        ->and(signingIn('writer', GOOD)->status())
        ->toBe(200)
        ->and(mailTo('writer@fellmoor.example')[0])
        ->toContain('Your password was changed')
        ->and(DB::table('security_log')->orderBy('id')->pluck('kind')->all())
        ->toBe(['sign_in', 'password_changed', 'sign_in_failed', 'sign_in']);
});

it('ends a session that was ended elsewhere, is too old, or whose account is disabled', function (callable $then): void {
    $world = new World;
    signingIn('writer', 'limestone-7')->assertOk();
    ask('GET', '/me')->assertOk();
    $then($world->people['writer']);
    app('auth')->forgetGuards();
    expect(ask('GET', '/me')->status())->toBe(401);
})->with([
    'ended' => [
        fn (User $person) => DB::table('users')
            ->where('id', $person->id)
            ->update(['signed_out_before' => now()->addSecond()]),
    ],
    'old' => [fn (User $person) => test()->travel(13)->hours()],
    'disabled' => [
        fn (User $person) => DB::table('users')
            ->where('id', $person->id)
            ->update(['disabled_at' => now()]),
    ],
]);

it('resets a password by mail, once, without saying who has an account', function (): void {
    $world = new World;
    $answers = array_map(fn (string $email): int => ask('POST', '/password-links', ['email' => $email])->status(), [
        'Writer@fellmoor.example',
        'nobody@fellmoor.example',
    ]);
    expect($answers)
        ->toBe([204, 204])
        ->and(mailTo('nobody@fellmoor.example'))
        ->toBe([])
        ->and(mailTo('writer@fellmoor.example'))
        ->toHaveCount(1);
    preg_match('~/choose-password/(\w+)~', mailTo('writer@fellmoor.example')[0], $link);
    expect(DB::table('password_links')->where('hash', $link[1])->exists())
        ->toBeFalse() // only its hash is kept
        ->and(ask('PUT', '/password-links', ['secret' => $link[1], 'password' => 'short'])->json('path'))
        ->toBe('/password');
    ask('PUT', '/password-links', ['secret' => $link[1], 'password' => GOOD])->assertNoContent();
    expect(ask('PUT', '/password-links', ['secret' => $link[1], 'password' => GOOD])->status())
        ->toBe(422)
        ->and(signingIn('writer', GOOD)->status())
        ->toBe(200);
    ask('POST', '/password-links', ['email' => 'reader@fellmoor.example']);
    preg_match('~/choose-password/(\w+)~', mailTo('reader@fellmoor.example')[0], $link);
    $this->travel(61)->minutes();
    test()->withoutThrottle();
    expect(ask('PUT', '/password-links', ['secret' => $link[1], 'password' => GOOD])->status())->toBe(422);
});

it('asks for a second factor once it is on, takes each code once, and recovery codes', function (): void {
    new World;
    signingIn('writer', 'limestone-7')->assertOk();
    $secret = ask('POST', '/me/second-factor', ['password' => 'limestone-7'])->json('data.secret');
    $bytes = '';
    foreach (
        str_split(
            (string) implode(
                '',
                array_map(
                    fn (string $sign): string => str_pad(
                        decbin((int) strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $sign)),
                        5,
                        '0',
                        STR_PAD_LEFT,
                    ),
                    str_split($secret),
                ),
            ),
            8,
        ) as $byte
    ) {
        $bytes .= strlen($byte) === 8 ? chr((int) bindec($byte)) : '';
    }
    $now = fn (): string => Totp::code($bytes, intdiv(now()->getTimestamp(), 30));
    expect(ask('PUT', '/me/second-factor', ['code' => '000000'])->json('path'))->toBe('/code');
    $recovery = ask('PUT', '/me/second-factor', ['code' => ($used = $now())])
        ->assertOk()
        ->json('data.recovery_codes');
    expect($recovery)
        ->toHaveCount(10)
        ->and(signingIn('writer', 'limestone-7')->json('type'))
        ->toEndWith('session.second_factor')
        ->and(signingIn('writer', 'limestone-7', $used)->status())
        ->toBe(422) // used when it was turned on
        ->and(signingIn('writer', 'wrong', $used)->json('type'))
        ->toEndWith('session.refused');
    $this->travel(1)->minutes();
    expect(signingIn('writer', 'limestone-7', $now())->status())
        ->toBe(200)
        ->and(signingIn('writer', 'limestone-7', $now())->status())
        ->toBe(422)
        ->and(signingIn('writer', 'limestone-7', $recovery[3])->status())
        ->toBe(200)
        ->and(signingIn('writer', 'limestone-7', $recovery[3])->status())
        ->toBe(422)
        ->and((string) DB::table('users')->where('email', 'writer@fellmoor.example')->value('second_factor'))
        ->not->toContain($secret);
});

it('lets a token do what it says and no more', function (array $abilities, string $method, string $path, int $status): void {
    $world = new World;
    $token = $world->people['writer']->createToken('Timetable', $abilities, now()->addDay())->plainTextToken;
    expect(
        ask($method, $path, $method === 'GET' ? null : ['add' => [$world->question]], [
            'Authorization' => "Bearer $token",
            'Referer' => '',
        ])->status(),
    )->toBe($status);
})->with([
    [['read'], 'GET', '/banks/rocks', 200],
    [['read'], 'PATCH', '/tray', 403],
    [['write'], 'GET', '/banks/rocks', 403],
    [['read', 'write'], 'PATCH', '/tray', 200],
    [['read', 'write'], 'GET', '/me/sessions', 403],
    [['read', 'write'], 'GET', '/admin/people', 403],
    [['read', 'write'], 'POST', '/me/tokens', 403],
]);

it('refuses a token that has expired or whose owner is disabled', function (callable $then): void {
    $world = new World;
    $token = $world->people['writer']->createToken('Timetable', ['read'], now()->addDay())->plainTextToken;
    $then($world);
    expect(ask('GET', '/me', null, ['Authorization' => "Bearer $token", 'Referer' => ''])->status())->toBe(401);
})->with([
    [fn () => test()->travel(2)->days()],
    [
        fn (World $world) => DB::table('users')
            ->where('id', $world->people['writer']->id)
            ->update(['disabled_at' => now()]),
    ],
]);

it('invites, disables, and hands banks over, with a word to who is concerned', function (): void {
    $world = new World;
    $this->actingAs($world->people['administrator']);
    $ada = ask('POST', '/admin/people', ['name' => 'Ada Quill', 'email' => 'Ada@fellmoor.example', 'words' => 'Welcome!'])
        ->assertStatus(201)
        ->json('data.id');
    expect(mailTo('ada@fellmoor.example')[0])
        ->toContain('administrator invites you', 'Welcome!')
        ->and(ask('POST', '/admin/people', ['name' => 'Twice', 'email' => 'ada@fellmoor.example'])->json('path'))
        ->toBe('/email')
        ->and(ask('PATCH', "/admin/people/{$world->people['administrator']->id}", ['disabled' => true])->json('path'))
        ->toBe('/disabled')
        ->and(
            ask('POST', "/admin/people/{$world->people['keeper']->id}/hand-over", ['to' => $ada, 'words' => 'Yours now'])->json('banks'),
        )
        ->toBe(1);
    ask('PATCH', "/admin/people/{$world->people['keeper']->id}", ['disabled' => true])->assertNoContent();
    expect(signingIn('keeper', 'limestone-7')->status())
        ->toBe(422)
        ->and(User::query()->findOrFail($ada)->roleIn($world->bank->id))
        ->toBe(Role::Keeper)
        ->and(DB::table('notifications')->where('user_id', $ada)->value('words'))
        ->toBe('Yours now')
        ->and(DB::table('notifications')->where('user_id', $ada)->value('link'))
        ->toBe('/banks/rocks');
    preg_match('~/choose-password/(\w+)~', mailTo('ada@fellmoor.example')[0], $link);
    ask('PUT', '/password-links', ['secret' => $link[1], 'password' => GOOD])->assertNoContent();
    expect(signingIn('ada', GOOD)->status())
        ->toBe(200)
        ->and(fn () => DB::table('security_log')->update(['kind' => 'nothing']))
        ->toThrow(Illuminate\Database\QueryException::class);
});

it('asks administrators for a second factor outside the demo', function (): void {
    $world = new World;
    $this->actingAs($world->people['administrator']);
    $this->app['env'] = 'production';
    expect(ask('GET', '/admin/people')->json('type'))->toEndWith('second_factor.needed');
    $world->people['administrator']->forceFill(['second_factor_on' => true])->save();
    expect(another($world, 'administrator', 'GET', '/admin/people')->status())->toBe(200);
});

it('tells people when something is shared with them, changed or taken away', function (): void {
    $world = new World;
    $this->actingAs($world->people['keeper']);
    $grants = fn (array $roles): array => [
        'grants' => array_map(
            fn (string $role, string $as): array => ['person' => $world->people[$role]->id, 'role' => $as],
            array_keys($roles),
            $roles,
        ),
        'words' => 'For the unit test',
    ];
    ask('PUT', '/banks/rocks/grants', $grants(['keeper' => 'keeper', 'stranger' => 'writer', 'reader' => 'writer']))->assertOk();
    $told = fn (string $role): array => DB::table('notifications')->where('user_id', $world->people[$role]->id)->pluck('text')->all();
    expect($told('stranger'))
        ->toBe(['keeper shared the bank “Rocks” with you: you can edit.'])
        ->and($told('reader'))
        ->toBe(['keeper changed what you may do in the bank “Rocks”: you can edit.'])
        ->and($told('writer'))
        ->toBe(['keeper stopped sharing the bank “Rocks” with you.'])
        ->and($told('team reader'))
        ->toHaveCount(1)
        ->and($told('keeper'))
        ->toBe([])
        ->and(mailTo('stranger@fellmoor.example')[0])
        ->toContain('For the unit test', '/banks/rocks');
    expect(another($world, 'stranger', 'GET', '/me')->json('data.unread'))->toBe(1);
    another($world, 'stranger', 'PUT', '/me/notifications', new stdClass())->assertNoContent();
    expect(another($world, 'stranger', 'GET', '/me')->json('data.unread'))->toBe(0);
});

it('exports the security log without running formulas', function (): void {
    $world = new World;
    DB::table('security_log')->insert(['kind' => '=1+1', 'person' => '@cmd', 'address' => '127.0.0.1']);
    $this->actingAs($world->people['administrator']);
    expect(ask('GET', '/admin/security-log?download')->assertOk()->streamedContent())->toContain("'=1+1,'@cmd,127.0.0.1");
});

it('limits guessing by account, address and network, and says when to try again', function (): void {
    new World;
    for ($i = 0; $i < 11; $i++) {
        $last = ask('POST', '/session', ['email' => 'keeper@fellmoor.example', 'password' => "guess $i"]);
    }
    expect($last->status())
        ->toBe(429)
        ->and((int) $last->headers->get('Retry-After'))
        ->toBeGreaterThan(0)
        ->and(Network::of('192.0.2.7'))
        ->toBe(Network::of('192.0.2.200'))
        ->not->toBe(Network::of('192.0.3.7'))
        ->and(Network::of('2001:db8:1:2::7'))
        ->toBe(Network::of('2001:db8:1:2:ffff::1'))
        ->not->toBe(Network::of('2001:db8:1:3::7'));
});

it('keeps what stands beside questions for each person', function (): void {
    $world = new World;
    $this->actingAs($world->people['writer']);
    expect(ask('GET', '/me')->json('data.details'))->toBe(['standards', 'difficulty', 'state']);
    ask('PUT', '/me/details', ['details' => ['source', 'key', 'key']])->assertNoContent();
    expect(ask('GET', '/me')->json('data.details'))->toBe(['key', 'source']);
    ask('PUT', '/me/details', ['details' => ['key', 'colour']])->assertStatus(422)->assertJsonPath('path', '/details/1');
    ask('PUT', '/me/details', ['details' => []])->assertNoContent();
    expect(ask('GET', '/me')->json('data.details'))->toBe([]);
    expect(another($world, 'reader', 'GET', '/me')->json('data.details'))->toBe(['standards', 'difficulty', 'state']);
});

it('says where questions stand and come from, in lists and in assessments, as far as one may read', function (): void {
    $world = new World;
    $id = $world->add('Folded beds', '<p>Folded?</p><div data-part="p1"></div>', ['record' => [
        'source' => 'Fell notes 2', 'topics' => [['Rocks', 'Folds']],
        'standards' => [
            (object) ['framework' => 'Earth', 'code' => 'E-3'],
            (object) ['framework' => 'Earth', 'code' => 'E-9', 'relation' => 'touches'],
        ],
    ]]);
    Topics::put($id, [['Rocks', 'Folds']], $world->bank->id);
    DB::table('placements')->insert(['question_id' => $id, 'folder_id' => Folders::at(['Unit 4', 'Homework'], $world->bank->id)]);
    $this->actingAs($world->people['writer']);
    $row = array_column(ask('GET', '/banks/rocks/questions')->json('data'), null, 'id')[$id];
    expect([$row['places'], $row['source']])->toBe([[], '']);
    ask('PUT', '/me/details', ['details' => ['place', 'source']])->assertNoContent();
    $row = array_column(ask('GET', '/banks/rocks/questions')->json('data'), null, 'id')[$id];
    expect([$row['places'], $row['source']])->toBe([['Unit 4 › Homework', 'Rocks › Folds'], 'Fell notes 2']);
    $test = ask('POST', '/assessments', ['title' => 'Folds', 'bank' => 'rocks', 'questions' => [$id]])->json('data.id');
    $fact = array_values(ask('GET', "/assessments/$test")->json('data.entries'))[0];
    expect($fact)->toMatchArray(['standards' => ['E-3'], 'places' => ['Unit 4 › Homework', 'Rocks › Folds'], 'source' => 'Fell notes 2']);
    // whoever prints gets what they chose, and another choice is another print
    ask('PUT', '/me/details', ['details' => ['place', 'source']])->assertNoContent();
    $html = ask('GET', "/assessments/$test/sheet?which=author")->assertOk()->json('html');
    expect($html)->toContain('Unit 4 › Homework<br>Rocks › Folds', 'Fell notes 2', 'Author’s copy');
    expect($html)->not->toContain('>Standards<');
});
