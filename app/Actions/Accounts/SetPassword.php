<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Accounts\Notify;
use App\Accounts\PasswordRules;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use WideQuarry\Messages\Message;

/** Sets a password by the rules. Everywhere else the person is signed out, and they are told by mail. */
final readonly class SetPassword
{
    public function __construct(private EndSessions $sessions)
    {
    }

    /**
     * @param  string|null  $keep  the session that goes on
     *
     * @throws Refused
     */
    public function handle(User $person, string $password, ?string $keep): void
    {
        PasswordRules::check($password, $person);
        $person->forceFill(['password' => $password, 'password_changed_at' => now()])->save();
        \Illuminate\Support\Facades\DB::table('password_links')->where('user_id', $person->id)->delete();
        $this->sessions->handle($person, $keep);
        SecurityLog::write('password_changed', $person);
        Notify::mail(
            $person,
            Message::of('app.actions.accounts.your-password-changed'),
            [Message::of('app.actions.accounts.your-password-wide-quarry')],
            '/forgot',
        );
    }
}
