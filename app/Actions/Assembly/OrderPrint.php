<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Jobs\PrintPapers;
use App\Models\Assessment;
use App\Models\User;
use App\Printing\ChosenForm;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Printing\PaperKind;

/** Has many papers printed in the background. */
final readonly class OrderPrint
{
    /**
     * @param  list<PaperKind>  $which
     * @param  list<ChosenForm>  $forms
     * @param  string|null  $set  the set the forms are of
     * @return string the order
     */
    public function handle(Assessment $assessment, User $person, array $which, array $forms, ?string $set): string
    {
        $id = (string) Str::uuid7();
        DB::transaction(function () use ($id, $assessment, $person, $which, $forms, $set): void {
            // what the same person ordered before and nobody has begun is not wanted any more
            DB::table('print_orders')
                ->where('assessment_id', $assessment->id)
                ->where('user_id', $person->id)
                ->where('done', 0)
                ->whereNull('print_id')
                ->delete();
            DB::table('print_orders')->insert([
                'id' => $id,
                'assessment_id' => $assessment->id,
                'user_id' => $person->id,
                'which' => implode(',', array_column($which, 'value')),
                'form_set_id' => $set,
                'forms' => implode(',', array_map(fn (ChosenForm $one): string => $one->form->letter, $forms)),
                // each is laid out twice
                'total' => 2 * PaperKind::count($which, count($forms)),
            ]);
            PrintPapers::dispatch($id, $person->id);
        });

        return $id;
    }
}
