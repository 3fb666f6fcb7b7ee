<?php

declare(strict_types=1);

namespace App\Actions;

use App\Errors\Refused;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Messages\Message;
use WideQuarry\Sharing\Role;

/** Makes a bank; who makes it keeps it. */
final class MakeBank
{
    private const TRIES = 5;

    /**
     * @param  array<string, string>  $about name and what else is said of it
     *
     * @throws Refused when others took every address that was tried
     */
    public function handle(array $about, User $person): Bank
    {
        for ($try = 1; ; $try++) {
            try {
                return $this->create($about, $person);
            } catch (UniqueConstraintViolationException) {
                // somebody else created one of this name between looking and writing
                if ($try >= self::TRIES) {
                    throw Refused::conflict(
                        'bank.name_taken',
                        Message::of('app.actions.several-people-creating-banks'),
                        '/name',
                    );
                }
            }
        }
    }

    /** Makes one as another is: for the same, with the same defaults, and with the topics of the same team. */
    public function like(Bank $bank, string $name, User $person): Bank
    {
        $copy = $this->handle(
            [
                'name' => $name,
                'purpose' => $bank->purpose,
                'subject' => $bank->subject,
                'level' => $bank->level,
                'course' => $bank->course,
                'term' => $bank->term,
            ],
            $person,
        );
        // the tree of a team is shared by those who are in it
        $mine = DB::table('memberships')->where('user_id', $person->id)->pluck('team_id')->all();
        $copy
            ->forceFill(['defaults' => $bank->defaults, 'team_id' => in_array($bank->team_id, $mine, true) ? $bank->team_id : null])
            ->save();

        return $copy;
    }

    /** @param  array<string, string>  $about */
    private function create(array $about, User $person): Bank
    {
        /** @var Bank */
        return DB::transaction(function () use ($about, $person): Bank {
            $stem = Str::slug($about['name']) ?: 'bank';
            $stem = substr($stem, 0, 60);
            $taken = DB::table('banks')
                ->where('slug', $stem)
                ->orWhere('slug', 'like', "$stem-%")
                ->pluck('slug')
                ->flip();
            $slug = $stem;
            for ($i = 2; $taken->has($slug); $i++) {
                $slug = "$stem-$i";
            }
            $bank = Bank::query()->create([...$about, 'slug' => $slug]);
            DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $person->id, 'role' => Role::Keeper->value]);

            return $bank;
        });
    }
}
