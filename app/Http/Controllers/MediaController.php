<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Storage\MediaStore;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\HeaderUtils;

final class MediaController
{
    #[Operation('The bytes of a picture, sound or film')]
    public function __invoke(Bank $bank, string $medium, MediaStore $store): Response
    {
        Gate::authorize('view', $bank);
        $found = DB::table('media')->where('bank_id', $bank->id)->where('id', $medium)->first();
        $bytes = is_string($found?->sha256) ? $store->bytes($found->sha256) : null;
        if ($found === null || $bytes === null || ! is_string($found->type)) {
            abort(404);
        }

        return self::answer($bytes, $found->type, is_string($found->name) ? $found->name : '');
    }

    /** Shown when it is picture, sound or film, fetched otherwise; nothing in it runs. */
    public static function answer(string $bytes, string $type, string $name): Response
    {
        $shown = preg_match('~^(image|audio|video)/~', $type) === 1;

        return new Response($bytes, 200, [
            'Content-Type' => $shown ? $type : 'application/octet-stream',
            'Cache-Control' => 'private, max-age=31536000, immutable',
            'Content-Disposition' => HeaderUtils::makeDisposition(
                $shown ? 'inline' : 'attachment',
                mb_scrub(strtr($name, ['/' => '', '\\\\' => '', '%' => ''])) ?: 'file',
                'file',
            ),
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        ]);
    }
}
