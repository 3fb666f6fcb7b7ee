<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Errors\Refused;
use App\Models\Bank;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Messages\Message;

/** Files of a form, or a text that was pasted. */
final class GiveRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true; // anybody may have something read; where it goes is asked later
    }

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'text' => ['nullable', 'string', 'max:2000000'],
            'bank' => ['nullable', 'string'],
            'choose' => ['nullable', 'boolean'],
            'files' => ['array'],
            'files.*' => ['file'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'files.*.file' => Message::of('app.http.requests.file-did-not-arrive-whole'),
            'files.*.uploaded' => Message::of('app.http.requests.file-did-not-arrive-whole'),
            'text.max' => Message::of('app.http.requests.more-text-can-pasted'),
        ];
    }

    /** @return list<array{path: string, name: string}> */
    public function given(): array
    {
        $given = [];
        foreach ((array) $this->file('files', []) as $file) {
            if ($file instanceof UploadedFile) {
                $given[] = ['path' => $file->path(), 'name' => $file->getClientOriginalName()];
            }
        }
        $text = mb_scrub(str_replace("\0", '', $this->string('text')->value()));
        if (trim($text) !== '') {
            $path = (string) tempnam(sys_get_temp_dir(), 'pasted');
            if (@file_put_contents($path, $text) !== strlen($text)) {
                throw Refused::because(
                    'storage.full',
                    Message::of('app.http.requests.server-could-not-store-text'),
                    '/text',
                );
            }
            app()->terminating(fn () => is_file($path) && unlink($path));
            $first = trim((string) strtok(trim($text), "\n"));
            $given[] = ['path' => $path, 'name' => mb_strimwidth($first, 0, 60, '…')];
        }

        return $given;
    }

    /** @throws Refused */
    public function bank(): ?Bank
    {
        $slug = $this->string('bank')->value();
        if ($slug === '') {
            return null;
        }
        $bank = Bank::query()->where('slug', $slug)->first();

        return $bank !== null && Gate::allows('write', $bank)
            ? $bank
            : throw Refused::because('intake.may_not_write', Message::of('app.http.requests.you-cannot-edit-bank'), '/bank');
    }
}
