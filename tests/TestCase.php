<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Http\Events\RequestHandled;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\RefreshDatabaseState;
use Illuminate\Foundation\Testing\TestCase as Base;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;

abstract class TestCase extends Base
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        Event::listen(RequestHandled::class, ResponseContract::check(...));
    }

    /** For tests that send more requests than a person may. */
    public function withoutThrottle(): void
    {
        \Illuminate\Support\Facades\Cache::store('array')->clear();
    }

    /** Types and functions go with the tables, so that the tests can be run again on the same database. */
    protected function beforeRefreshingDatabase(): void
    {
        if (! RefreshDatabaseState::$migrated) {
            DB::unprepared('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
        }
    }
}
