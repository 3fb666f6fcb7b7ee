<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SecurityLog;
use App\Actions\Accounts\EndSessions;
use App\Actions\Accounts\SetPassword;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** One's own account: password and sessions. */
final class AccountController
{
    #[Operation(
        'Change your password; every other session is signed out',
        body: ['current' => 'string', 'password' => 'string'],
        status: 204,
    )]
    public function password(Request $request, SetPassword $set): Response
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['current', 'password'])
            ->need('current')
            ->need('password');
        $person = User::asking($request);
        self::prove($person, $fields->string('current', '', 255), '/current');
        $set->handle($person, $fields->string('password', '', 255), $request->session()->getId());
        $request->session()->put('signed_in_at', now()->getTimestamp() + 1);

        return new Response('', 204);
    }

    #[Operation('Where you are signed in', response: ['data' => 'Session[]'])]
    public function sessions(Request $request): JsonResponse
    {
        $here = $request->session()->getId();
        /** @var \Illuminate\Support\Collection<int, object{id: string, ip_address: string|null, user_agent: string|null,
            last_activity: int}&\stdClass> $rows */
        $rows = DB::table('sessions')
            ->where('user_id', User::asking($request)->id)
            ->orderByDesc('last_activity')
            ->limit(100)
            ->get(['id', 'ip_address', 'user_agent', 'last_activity']);

        if ($rows->isEmpty()) {
            // sessions lie in Redis, which keeps no list of them
            $rows = collect([
                (object) [
                    'id' => $here,
                    'ip_address' => $request->ip(),
                    'user_agent' => $request->userAgent(),
                    'last_activity' => time(),
                ],
            ]);
        }

        return new JsonResponse([
            'data' => $rows
                ->map(
                    fn (\stdClass $row): array => [
                        'id' => hash('sha256', $row->id),
                        'here' => $row->id === $here,
                        'address' => $row->ip_address,
                        'browser' => self::browser($row->user_agent ?? ''),
                        'last_used' => date(DATE_ATOM, $row->last_activity),
                    ],
                )
                ->all(),
        ]);
    }

    #[Operation('Sign out everywhere but here', status: 204)]
    public function endSessions(Request $request, EndSessions $end): Response
    {
        $person = User::asking($request);
        $end->handle($person, $request->session()->getId());
        $request->session()->put('signed_in_at', now()->getTimestamp() + 1);
        SecurityLog::write('sessions_ended', $person);

        return new Response('', 204);
    }

    /** Whoever sits down at an open screen does not know the password. @throws Refused */
    public static function prove(User $person, string $password, string $path): void
    {
        if (! Hash::check($password, $person->password)) {
            throw Refused::because('password.wrong', Message::of('app.http.controllers.not-your-current-password'), $path);
        }
    }

    /** A name to recognise it by, such as Firefox on Windows. */
    private static function browser(string $agent): string
    {
        $find = function (string ...$names) use ($agent): string {
            $found = array_filter($names, fn (string $name): bool => str_contains($agent, $name));

            return array_values($found)[0] ?? '';
        };
        $browser = $find('Edg', 'Firefox', 'Chrome', 'Safari');
        $system = $find('Android', 'iPhone', 'iPad', 'Windows', 'Mac OS', 'Linux');

        return trim(($browser === 'Edg' ? 'Edge' : $browser).($system === '' ? '' : " on $system")) ?: 'Unknown';
    }
}
