<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Assembly\PrintAssessment;
use App\Models\Assessment;
use App\Models\FormSet;
use App\Models\User;
use App\Printing\ChosenForm;
use Illuminate\Support\Facades\DB;
use WideQuarry\Printing\PaperKind;

/** Prints many papers in the background, and says how far it is. */
final class PrintPapers extends BackgroundWork
{
    protected function work(): void
    {
        /** @var (object{assessment_id: string, user_id: string, which: string, form_set_id: string|null,
            forms: string}&\stdClass)|null $order */
        $order = DB::table('print_orders')->where('id', $this->thing)->whereNull('print_id')->whereNull('problem')->first();
        if ($order === null) {
            return; // printed by whoever was at it before, or gone
        }
        $assessment = Assessment::query()->findOrFail($order->assessment_id);
        $person = User::query()->findOrFail($order->user_id);
        $made = app(PrintAssessment::class)->handle(
            $assessment,
            $person,
            PaperKind::list($order->which) ?? [],
            ChosenForm::of($order->form_set_id === null ? null : FormSet::query()->findOrFail($order->form_set_id), $order->forms),
            $order->form_set_id,
            function (int $done): void {
                $this->order()->update(['done' => $done]);
            },
        );
        $this->order()->update(['print_id' => $made['id'], 'done' => DB::raw('total')]);
    }

    private function order(): \Illuminate\Database\Query\Builder
    {
        return DB::table('print_orders')->where('id', $this->thing);
    }

    protected function stopped(string $sentence): void
    {
        $this->order()->whereNull('print_id')->update(['problem' => $sentence]);
    }
}
