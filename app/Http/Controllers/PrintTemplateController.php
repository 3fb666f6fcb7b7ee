<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\PrintSettings;

/** How a bank's assessments are usually printed: settings under a name. */
final class PrintTemplateController
{
    private const MOST = 100;

    #[Operation('Templates of printing', response: ['data' => 'PrintTemplate[]'])]
    public function index(Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);
        $rows = DB::table('print_templates')->where('bank_id', $bank->id)->orderBy('title')->get(['id', 'title', 'settings']);

        return new JsonResponse(['data' => $rows->map(fn (\stdClass $row): array => [
            'id' => $row->id, 'title' => $row->title, 'settings' => Json::decode(is_string($row->settings) ? $row->settings : '{}'),
        ])->all()]);
    }

    #[Operation(
        'Keep settings as a template; one of the same name is replaced',
        response: ['id' => 'string'],
        body: ['title' => 'string', 'settings' => 'object'],
    )]
    public function store(Request $request, Bank $bank): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['title', 'settings'])->need('title')->need('settings');
        $title = trim($fields->string('title', '', 200));
        if ($title === '') {
            throw Malformed::outOfRange('/title', Message::of('app.http.controllers.template-name'), '');
        }
        $settings = array_diff_key((array) $fields->raw('settings'), array_flip(PrintSettings::OF_ONE_TEST));
        PrintSettings::read((object) $settings, '/settings');
        $isFull = DB::table('print_templates')->where('bank_id', $bank->id)->where('title', '<>', $title)->count() >= self::MOST;
        if ($isFull) {
            throw Refused::because('print.many_templates', Message::of('app.http.controllers.many-templates', ['most' => self::MOST]));
        }
        DB::table('print_templates')->upsert(
            [[
                'id' => (string) Str::uuid7(), 'bank_id' => $bank->id, 'title' => $title, 'settings' => Json::encode((object) $settings),
                'created_by' => User::asking($request)->id,
            ]],
            ['bank_id', 'title'],
            ['settings', 'updated_at' => DB::raw('now()')],
        );

        return new JsonResponse(['id' => DB::table('print_templates')->where('bank_id', $bank->id)->where('title', $title)->value('id')]);
    }

    #[Operation('Delete a template', status: 204)]
    public function destroy(Bank $bank, string $template): JsonResponse
    {
        Gate::authorize('write', $bank);
        $gone = DB::table('print_templates')->where('bank_id', $bank->id)->where('id', $template)->delete();

        return $gone === 1 ? new JsonResponse(null, 204) : abort(404);
    }
}
