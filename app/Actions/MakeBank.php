<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Bank;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Makes a bank; who makes it keeps it. */
final class MakeBank
{
    /** @param  array<string, string>  $about name and what else is said of it */
    public function handle(array $about, User $person): Bank
    {
        return DB::transaction(function () use ($about, $person): Bank {
            $stem = Str::slug($about['name']) ?: 'bank';
            $stem = substr($stem, 0, 60);
            $taken = DB::table('banks')->where('slug', $stem)->orWhere('slug', 'like', "$stem-%")->pluck('slug')->flip();
            $slug = $stem;
            for ($i = 2; $taken->has($slug); $i++) {
                $slug = "$stem-$i";
            }
            $bank = Bank::query()->create([...$about, 'slug' => $slug]);
            DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $person->id, 'role' => 'keeper']);

            return $bank;
        });
    }
}
