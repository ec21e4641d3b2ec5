<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Cache\ArrayStore;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Session;

abstract class TestCase extends BaseTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        // A cache that outlives the process knows what earlier tests have tried.
        if (! Cache::getStore() instanceof ArrayStore) {
            Cache::flush();
        }
    }

    /**
     * What long work may take is no limit for the tests that come after it in the same process.
     */
    protected function tearDown(): void
    {
        parent::tearDown();
        set_time_limit(0);
    }

    /**
     * Somebody sits down in another browser: the session knows nothing of a password that somebody else had.
     */
    public function actingAs(Authenticatable $user, $guard = null): static
    {
        Session::forget('password_hash_'.config('auth.defaults.guard'));

        return parent::actingAs($user, $guard);
    }
}
