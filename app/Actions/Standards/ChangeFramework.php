<?php

declare(strict_types=1);

namespace App\Actions\Standards;

use App\Errors\Refused;
use App\Queries\Frameworks;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;

/** Names, retires and deletes frameworks. */
final class ChangeFramework
{
    public const FIELDS = ['title', 'version', 'publisher', 'retired'];

    /** @throws Refused when it would have no title */
    public function handle(string $framework, Fields $fields): void
    {
        $columns = [];
        foreach (['title' => 1000, 'version' => 100, 'publisher' => 1000] as $name => $most) {
            if ($fields->has($name)) {
                $columns[$name] = trim($fields->string($name, '', $most));
            }
        }
        if ($fields->has('retired')) {
            $columns['retired'] = $fields->bool('retired', false);
        }
        if (($columns['title'] ?? 'kept') === '') {
            throw Refused::because('framework.title', Message::of('app.actions.enter-name'), '/title');
        }
        $changed = DB::table('frameworks')->where('id', $framework)->update([...$columns, 'updated_at' => now()]);
        abort_if($changed === 0, 404);
    }

    /** Refused while something names one of its statements. */
    public function remove(string $framework): void
    {
        DB::transaction(function () use ($framework): void {
            DB::table('frameworks')->where('id', $framework)->lockForUpdate()->first(['id']) ?? abort(404);
            $statements = DB::table('statements')->where('framework_id', $framework)->pluck('id')->all();
            $uses = Frameworks::uses(array_values(array_filter($statements, is_string(...))));
            if ($uses > 0) {
                throw Refused::because('framework.used', Message::of('app.actions.standards.used-framework'));
            }
            DB::table('frameworks')->where('id', $framework)->delete();
        });
    }
}
