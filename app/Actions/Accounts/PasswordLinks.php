<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Messages\Message;

/** Links by mail with which somebody chooses a password: the first one after an invitation, or a new one. Each works once. */
final readonly class PasswordLinks
{
    private const HOURS = ['invitation' => 168, 'reset' => 1];

    public function __construct(private SetPassword $set)
    {
    }

    public function invite(User $person, User $by, string $words): void
    {
        $text = Message::of('app.actions.accounts.invites-you-wide-quarry', ['name' => $by->name]);
        Notify::mail(
            $person,
            Message::of('app.actions.accounts.invitation-subject', ['name' => $by->name]),
            $words === '' ? [$text] : [Message::of('app.actions.accounts.they-wrote', ['words' => $words]), $text],
            $this->link($person, 'invitation'),
        );
        SecurityLog::write('person_invited', $by, ['person' => $person->email]);
    }

    /** Says nothing about whether there is such an address. */
    public function reset(string $email): void
    {
        $person = User::query()
            ->where(['email' => mb_strtolower(trim($email)), 'disabled_at' => null])
            ->first();
        if ($person !== null) {
            Notify::mail(
                $person,
                Message::of('app.actions.accounts.choose-new-password'),
                [
                    Message::of('app.actions.accounts.somebody-probably-you-asked'),
                ],
                $this->link($person, 'reset'),
            );
            SecurityLog::write('password_reset_sent', $person);
        }
    }

    /** Refused when the link is used or too old, or the password weak. */
    public function use(string $secret, string $password): User
    {
        /** @var User */
        return DB::transaction(function () use ($secret, $password): User {
            $hash = hash('sha256', $secret);
            $link = DB::table('password_links')->where('hash', $hash)->where('expires_at', '>', now())->lockForUpdate()->first();
            $person =
                $link === null
                    ? null
                    : User::query()
                        ->where(['id' => $link->user_id, 'disabled_at' => null])
                        ->first();
            if ($person === null) {
                throw Refused::because('password.link', Message::of('app.actions.accounts.link-used'));
            }
            $this->set->handle($person, $password, null);

            return $person;
        });
    }

    /** @param  'invitation'|'reset'  $kind */
    private function link(User $person, string $kind): string
    {
        $secret = Str::random(48);
        DB::table('password_links')->where('user_id', $person->id)->where('kind', $kind)->delete();
        DB::table('password_links')->insert([
            'hash' => hash('sha256', $secret),
            'user_id' => $person->id,
            'kind' => $kind,
            'expires_at' => now()->addHours(self::HOURS[$kind]),
        ]);

        return "/choose-password/$secret";
    }
}
