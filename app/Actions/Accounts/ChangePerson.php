<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;

/** What an administrator does to an account: the name, whether it may sign in, whether it administers, invitations, the second factor. */
final readonly class ChangePerson
{
    public function __construct(private PasswordLinks $links, private EndSessions $end, private SecondFactor $factor)
    {
    }

    /** @throws Refused */
    public function handle(User $person, Fields $fields, User $by): void
    {
        $change = [
            ...$fields->has('name') ? ['name' => self::name($fields)] : [],
            ...self::flag($fields, 'administrator', $person, $by),
            ...self::flag($fields, 'disabled', $person, $by),
        ];
        $person->forceFill([
            ...array_diff_key($change, ['administrator' => true, 'disabled' => true]),
            ...isset($change['administrator']) ? ['is_administrator' => $change['administrator']] : [],
            ...isset($change['disabled']) ? ['disabled_at' => $change['disabled'] === true ? now() : null] : [],
        ])->save();
        if (($change['disabled'] ?? false) === true) {
            $this->end->handle($person, null);
            $person->tokens()->delete();
        }
        if (isset($change['administrator'])) {
            $key = $change['administrator'] === true ? 'made-you-administrator' : 'removed-you-administrator';
            Notify::tell($person, 'rights', Message::of("app.actions.accounts.$key", ['name' => $by->name]));
        }
        if ($fields->bool('invite', false)) {
            $this->links->invite($person, $by, '');
        }
        if ($fields->bool('second_factor_off', false)) {
            $this->factor->off($person);
        }
    }

    private static function name(Fields $fields): string
    {
        $name = trim($fields->string('name', '', 100));

        return $name !== '' ? $name : throw Refused::because('person.name', Message::of('app.actions.accounts.enter-name'), '/name');
    }

    /**
     * Written to the log when it is asked for; nobody takes their own rights away.
     *
     * @return array<string, bool>
     */
    private static function flag(Fields $fields, string $field, User $person, User $by): array
    {
        if (! $fields->has($field)) {
            return [];
        }
        $isOn = $fields->bool($field, false);
        if ($person->id === $by->id && ($field === 'disabled') === $isOn) {
            throw Refused::because('person.self', Message::of('app.actions.accounts.you-cannot-do-your'), "/$field");
        }
        $event = match ($field) {
            'disabled' => $isOn ? 'person_disabled' : 'person_enabled',
            default => $isOn ? 'administrator_made' : 'administrator_removed',
        };
        SecurityLog::write($event, $by, ['person' => $person->email]);

        return [$field => $isOn];
    }
}
