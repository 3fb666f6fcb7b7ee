<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Media\AddMedium;
use App\Actions\Media\AllowReplacement;
use App\Actions\Media\ChangeMedium;
use App\Actions\Media\ReplaceInStimuli;
use App\Http\Errors\Problems;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use App\Queries\MediaLibrary;
use App\Storage\MediaStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\HeaderUtils;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Media\MediaFile;
use WideQuarry\Media\MediaLimits;
use WideQuarry\Messages\Message;

/** The library of a bank: pictures, recordings, films and captions. */
final class MediaController
{
    /** The most bytes of a recording in one part of it. */
    private const PART = 32_000_000;

    #[Operation(
        'Media of a bank (?words, ?kind=image, audio, video or text, several with commas, '.
            '?only=used, unused, no-alt or binned, ?larger=bytes), the newest first, 60 a page',
        response: 'MediaPage',
    )]
    public function index(Request $request, Bank $bank, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('view', $bank);
        $text = fn (string $name): string => is_string($value = $request->query($name)) ? mb_scrub(str_replace("\0", '', $value)) : '';

        return new JsonResponse(
            $library->page($bank->id, [
                'words' => $text('words'),
                'kind' => $text('kind'),
                'only' => $text('only'),
                'larger' => min(1_000_000_000, max(0, $request->integer('larger'))), // bytes
                'cursor' => $text('cursor'),
            ]),
        );
    }

    #[Operation(
        'Take a file into the library (multipart: file, and alt where it is known); 200 when the bank has the same file already',
        response: ['data' => 'Medium', 'is_new' => 'boolean'],
        status: 201,
    )]
    public function store(Request $request, Bank $bank, AddMedium $add, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('write', $bank);
        $file = $request->file('file');
        $path = $file instanceof UploadedFile && $file->isValid() ? $file->path() : '';
        if ($path !== '') {
            MediaFile::allowBytes('video/mp4', (int) @filesize($path)); // the most anything may have, before it is read
        }
        $bytes = $path === '' ? false : @file_get_contents($path);
        if (! ($file instanceof UploadedFile) || $bytes === false) {
            return Problems::json(422, 'media.missing', Message::of('app.http.controllers.medium-did-not-arrive'), ['path' => '/file']);
        }
        $alt = $request->input('alt');
        $words = is_string($alt) ? mb_scrub(str_replace("\0", '', $alt)) : null;
        [$id, $isNew] = $add->handle($bank->id, User::asking($request), $bytes, mb_scrub($file->getClientOriginalName()), $words);

        return new JsonResponse(['data' => $library->one($bank->id, $id), 'is_new' => $isNew], $isNew ? 201 : 200);
    }

    #[Operation('The bytes of a picture, sound or film; ?width=480, 960 or 1920 for a narrower copy where there is one')]
    public function show(Request $request, Bank $bank, string $medium, MediaStore $store): Response
    {
        Gate::authorize('view', $bank);

        return self::answer($store->shown($bank->id, $medium, $request->integer('width')) ?? abort(404));
    }

    #[Operation('What the library knows of a medium', response: ['data' => 'Medium'])]
    public function about(Bank $bank, string $medium, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('view', $bank);

        return new JsonResponse(['data' => $library->one($bank->id, $medium) ?? abort(404)]);
    }

    #[Operation('The questions and stimuli of the bank that show a medium, and where in them', response: ['data' => 'MediumUses'])]
    public function uses(Bank $bank, string $medium, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('view', $bank);
        $library->one($bank->id, $medium) ?? abort(404);

        return new JsonResponse(['data' => $library->uses($bank->id, $medium)]);
    }

    #[Operation(
        'Rename a medium, say what a picture shows (alt; null for not said, empty for decoration), put it into the bin or take it out',
        response: ['data' => 'Medium'],
        body: ['name' => 'string?', 'alt' => 'string?', 'binned' => 'boolean?'],
    )]
    public function update(Request $request, Bank $bank, string $medium, ChangeMedium $change, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('write', $bank);
        $library->one($bank->id, $medium) ?? abort(404);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'alt', 'binned']);
        $change->handle(
            $bank->id,
            $medium,
            $fields->has('name') ? $fields->string('name', '', MediaLimits::NAME) : null,
            $fields->raw('alt') === null ? ($fields->has('alt') ? null : false) : $fields->string('alt', '', MediaLimits::ALT),
            $fields->has('binned') ? $fields->bool('binned', false) : null,
        );

        return new JsonResponse(['data' => $library->one($bank->id, $medium)]);
    }

    #[Operation(
        'Put another medium in the place of one in the stimuli of the bank (stimuli: in these alone, to take it back); gives those changed',
        response: ['data' => 'string[]'],
        body: ['to' => 'string', 'stimuli' => 'string[]?'],
    )]
    public function replaceInStimuli(
        Request $request,
        Bank $bank,
        string $medium,
        ReplaceInStimuli $replace,
        MediaLibrary $library,
    ): JsonResponse {
        Gate::authorize('write', $bank);
        $library->one($bank->id, $medium) ?? abort(404);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['to', 'stimuli'])->need('to');
        $to = $fields->string('to', '', 255);
        AllowReplacement::in($bank->id, $medium, $to, '/to');
        $only = $fields->has('stimuli') ? array_values(array_filter($fields->list('stimuli', 1000), Str::isUuid(...))) : null;

        return new JsonResponse(['data' => $replace->handle($bank->id, $medium, $to, User::asking($request), $only)]);
    }

    /**
     * Shown when it is picture, sound or film, fetched otherwise; nothing in it runs.
     *
     * @param  array{bytes: string, type: string, name: string}  $medium
     */
    public static function answer(array $medium): Response
    {
        ['bytes' => $bytes, 'type' => $type, 'name' => $name] = $medium;
        $shown = preg_match('~^(image|audio|video)/|^text/vtt$~', $type) === 1;

        $part = preg_match('~^(audio|video)/~', $type) === 1 ? self::range($bytes) : null;

        return new Response($part === null ? $bytes : $part['bytes'], $part === null ? 200 : 206, [
            ...$part === null ? [] : ['Content-Range' => $part['range']],
            'Accept-Ranges' => 'bytes',
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

    /**
     * The part of sound or film that a player asks for (RFC 9110, 14.2): it goes to a place in it without having heard what is before. A
     * large part is cut short, since it stands in memory beside the whole; the player asks for the rest (15.3.7).
     *
     * @return array{bytes: string, range: string}|null null when it asks for all of it, for several parts, or for what is not there
     */
    private static function range(string $bytes): ?array
    {
        if (preg_match('/^bytes=(\d{1,15})-(\d{0,15})$/D', (string) request()->headers->get('Range'), $m) !== 1) {
            return null;
        }
        $size = strlen($bytes);
        $from = (int) $m[1];
        $to = min($m[2] === '' ? $size : (int) $m[2], $size - 1, $from + self::PART - 1);

        return $from > $to ? null : ['bytes' => substr($bytes, $from, $to - $from + 1), 'range' => "bytes $from-$to/$size"];
    }
}
