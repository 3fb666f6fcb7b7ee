<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Mail\Letter;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use WideQuarry\Messages\Message;

/** Tells a person something, in the application and by mail. */
final class Notify
{
    /**
     * @param  string  $words  what whoever did it wrote to them
     * @param  string  $link  a path of the application
     */
    public static function tell(User $person, string $kind, string $text, string $words = '', string $link = ''): void
    {
        DB::table('notifications')->insert([
            'id' => (string) Str::uuid7(),
            'user_id' => $person->id,
            'kind' => $kind,
            'text' => $text,
            'words' => $words,
            'link' => $link,
        ]);
        self::mail($person, $text, $words === '' ? [$text] : [$text, Message::of('app.accounts.they-wrote', ['words' => $words])], $link);
    }

    /** @param  list<string>  $paragraphs */
    public static function mail(User $person, string $subject, array $paragraphs, string $link = ''): void
    {
        if ($person->disabled_at === null) {
            Mail::to($person->email)->queue(
                new Letter($subject, Message::of('app.accounts.hello', [
                    'name' => $person->name,
                ]), $paragraphs, $link === '' ? '' : config()->string('app.url').$link),
            );
        }
    }
}
