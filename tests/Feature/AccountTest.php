<?php

declare(strict_types=1);

use App\Accounts\SecondFactor;
use App\Accounts\Totp;
use App\Models\Invitation;
use App\Models\Student;
use App\Models\User;
use Illuminate\Auth\Notifications\ResetPassword;
use Illuminate\Auth\Notifications\VerifyEmail;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Notification;
use Illuminate\Support\Facades\URL;

const NEW_ACCOUNT = ['name' => 'Wren', 'email' => 'wren@tarnwind.invalid', 'password' => 'reeds lean over water', 'password_confirmation' => 'reeds lean over water'];

beforeEach(fn () => Notification::fake());

/**
 * What an independent program shows for a secret now.
 */
function codeOf(string $secret): string
{
    $script = 'import * as OTPAuth from "otpauth"; console.log(OTPAuth.URI.parse(process.argv[1]).generate({ timestamp: 1000 * process.argv[2] }))';
    $address = (new Totp($secret))->address('wren@tarnwind.invalid');
    exec('cd '.escapeshellarg(base_path()).' && node --input-type=module -e '.escapeshellarg($script).' '.escapeshellarg($address).' '.now()->getTimestamp(), $lines, $status);
    expect($status)->toBe(0);

    return $lines[0];
}

it('makes the first account in an empty studio, and only there', function (): void {
    $this->get('/sign-in')->assertRedirect('/welcome');
    $this->get('/welcome')->assertOk();
    $this->post('/welcome', NEW_ACCOUNT)->assertRedirect('/');
    $teacher = User::query()->sole();
    $this->assertAuthenticatedAs($teacher);
    expect($teacher->hasVerifiedEmail())->toBeFalse();
    Notification::assertSentTo($teacher, VerifyEmail::class);
    auth()->logout();
    $this->get('/welcome')->assertNotFound();
    $this->post('/welcome', [...NEW_ACCOUNT, 'email' => 'other@tarnwind.invalid'])->assertNotFound();
    expect(User::query()->count())->toBe(1);
});

it('wants a name, an address of one\'s own and a long password twice', function (array $other, string $field): void {
    User::factory()->create(['email' => 'taken@tarnwind.invalid']);
    config(['tarnwind.registration' => 'open']);
    $this->post('/register', [...NEW_ACCOUNT, ...$other])->assertSessionHasErrors($field);
    $this->assertGuest();
})->with([
    [['name' => ''], 'name'], [['email' => 'nowhere'], 'email'], [['email' => 'taken@tarnwind.invalid'], 'email'], [['password' => 'short', 'password_confirmation' => 'short'], 'password'],
    [['password_confirmation' => 'another one here'], 'password'],
]);

it('opens the door to strangers only where that is configured', function (): void {
    User::factory()->create();
    $this->get('/register')->assertNotFound();
    $this->post('/register', NEW_ACCOUNT)->assertNotFound();
    config(['tarnwind.registration' => 'open']);
    $this->get('/register')->assertOk();
    $this->post('/register', NEW_ACCOUNT)->assertRedirect('/');
    expect(User::query()->count())->toBe(2);
});

it('invites one teacher by a link that opens the door once', function (): void {
    $teacher = User::factory()->create();
    $link = $this->actingAs($teacher)->postJson('/invitations', ['note' => 'for the hill school'])->assertOk()->json('link');
    $secret = basename((string) $link);
    expect(DB::table('invitations')->value('token'))->not->toContain($secret);
    auth()->logout();
    $this->get('/join/not-this-one')->assertNotFound();
    $this->get("/join/$secret")->assertOk();
    $this->post("/join/$secret", NEW_ACCOUNT)->assertRedirect('/');
    auth()->logout();
    $this->post("/join/$secret", [...NEW_ACCOUNT, 'email' => 'two@tarnwind.invalid'])->assertNotFound();
    expect(User::query()->count())->toBe(2)->and(Invitation::query()->count())->toBe(0);
});

it('lets an invitation grow old, and be withdrawn by her who made it', function (): void {
    $teacher = User::factory()->create();
    [$invitation, $secret] = Invitation::by($teacher, null);
    $this->travel(15)->days();
    $this->get("/join/$secret")->assertNotFound();
    $this->actingAs(User::factory()->create())->delete("/invitations/$invitation->id")->assertForbidden();
    $this->actingAs($teacher)->delete("/invitations/$invitation->id")->assertRedirect();
    expect(Invitation::query()->count())->toBe(0);
});

it('confirms an address by the link that was sent', function (): void {
    $teacher = User::factory()->create();
    $this->actingAs($teacher)->post('/account/verification')->assertRedirect();
    Notification::assertSentTo($teacher, VerifyEmail::class);
    $url = URL::temporarySignedRoute('verification.verify', now()->addHour(), ['id' => $teacher->id, 'hash' => sha1($teacher->email)]);
    $this->get(str_replace('signature=', 'signature=0', $url))->assertForbidden();
    $this->get($url)->assertRedirect('/account');
    expect($teacher->fresh()->hasVerifiedEmail())->toBeTrue();
});

it('sets a new password by the link that was sent, and does not tell who has an account', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $known = $this->from('/forgotten-password')->post('/forgotten-password', ['email' => 'wren@tarnwind.invalid']);
    $unknown = $this->from('/forgotten-password')->post('/forgotten-password', ['email' => 'nobody@tarnwind.invalid']);
    $known->assertRedirect('/forgotten-password')->assertSessionHas('sent');
    expect($unknown->assertRedirect('/forgotten-password')->baseResponse->getSession()?->get('sent'))->toBe($known->baseResponse->getSession()?->get('sent'));
    $token = '';
    Notification::assertSentTo($teacher, ResetPassword::class, function (ResetPassword $mail) use (&$token): bool {
        $token = $mail->token;

        return true;
    });
    $given = ['email' => 'wren@tarnwind.invalid', 'password' => 'mist lifts off the tarn', 'password_confirmation' => 'mist lifts off the tarn'];
    $this->get("/new-password/$token?email=wren@tarnwind.invalid")->assertOk();
    $this->post('/new-password', [...$given, 'token' => 'not-this-one'])->assertSessionHasErrors('email');
    $this->post('/new-password', [...$given, 'token' => $token])->assertRedirect('/sign-in');
    expect(Hash::check('mist lifts off the tarn', $teacher->fresh()->password))->toBeTrue();
    $this->post('/new-password', [...$given, 'token' => $token])->assertSessionHasErrors('email');
});

it('changes name, address and password, with the present password where it matters', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid', 'email_verified_at' => now()]);
    $this->actingAs($teacher)->get('/account')->assertOk();
    $this->put('/account', ['name' => 'Wren of the Tarn', 'email' => 'wren@tarnwind.invalid'])->assertSessionHasNoErrors();
    $this->put('/account', ['name' => 'Wren', 'email' => 'new@tarnwind.invalid'])->assertSessionHasErrors('password');
    $this->put('/account', ['name' => 'Wren', 'email' => 'new@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertSessionHasNoErrors();
    expect($teacher->fresh()->only('name', 'email'))->toBe(['name' => 'Wren', 'email' => 'new@tarnwind.invalid'])->and($teacher->fresh()->hasVerifiedEmail())->toBeFalse();
    $new = ['password' => 'heather after rain', 'password_confirmation' => 'heather after rain'];
    $this->put('/account/password', [...$new, 'current_password' => 'guess'])->assertSessionHasErrors('current_password');
    $this->put('/account/password', [...$new, 'current_password' => 'reed-bed-at-dawn'])->assertSessionHasNoErrors();
    expect(Hash::check('heather after rain', $teacher->fresh()->password))->toBeTrue();
});

it('ends the sessions of other devices', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    // Another device is one whose session still knows the password as it was.
    $this->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn']);
    $this->get('/account')->assertOk();
    $before = session()->all();
    $this->post('/account/other-sessions', ['password' => 'guess'])->assertSessionHasErrors('password');
    $this->post('/account/other-sessions', ['password' => 'reed-bed-at-dawn'])->assertSessionHasNoErrors();
    $this->get('/account')->assertOk();
    auth()->forgetGuards();
    $this->withSession($before)->get('/account')->assertRedirect('/sign-in');
    expect(Hash::check('reed-bed-at-dawn', $teacher->fresh()->password))->toBeTrue();
});

it('deletes an account with everything in it, and nothing else', function (): void {
    $this->seed();
    $teacher = User::query()->firstOrFail();
    Student::factory()->create();
    $this->actingAs($teacher)->deleteJson('/account', ['password' => 'guess'])->assertUnprocessable();
    $this->delete('/account', ['password' => config('tarnwind.demo_password')])->assertRedirect('/sign-in');
    $this->assertGuest();
    expect([User::query()->count(), Student::query()->count(), DB::table('pieces')->count(), DB::table('student_copies')->count(), DB::table('pianos')->count()])->toBe([1, 1, 0, 0, 0]);
});

it('counts one-time passwords as RFC 6238 does', function (int $time, string $code): void {
    // Appendix B, SHA-1, the last six of eight digits; the secret is "12345678901234567890".
    $app = new Totp('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ');
    expect($app->accepts($code, $time))->toBe(intdiv($time, 30))->and($app->accepts($code, $time + 30))->not->toBeNull()->and($app->accepts($code, $time + 90))->toBeNull()
        ->and($app->accepts($code, $time, intdiv($time, 30)))->toBeNull();
})->with([[59, '287082'], [1111111109, '081804'], [1111111111, '050471'], [1234567890, '005924'], [2000000000, '279037'], [20000000000, '353130']]);

it('makes secrets and addresses that an independent program reads', function (): void {
    $app = Totp::fresh();
    $this->freezeTime();
    expect($app->accepts(codeOf($app->secret), now()->getTimestamp()))->toBe(intdiv(now()->getTimestamp(), 30));
});

it('asks for a second step where it is in use: a code once, or a recovery code once', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $this->freezeTime();
    $this->actingAs($teacher)->postJson('/account/second-factor', ['password' => 'guess'])->assertUnprocessable();
    $secret = $this->postJson('/account/second-factor', ['password' => 'reed-bed-at-dawn'])->assertOk()->json('secret');
    expect($teacher->fresh()->second_factor)->toBeNull();
    $this->putJson('/account/second-factor', ['code' => 'abc'])->assertUnprocessable();
    $codes = $this->putJson('/account/second-factor', ['code' => codeOf($secret)])->assertOk()->json('recovery_codes');
    expect($codes)->toHaveCount(8)->and($teacher->fresh()->recovery_codes[0])->not->toBe($codes[0])->and(DB::table('users')->value('second_factor'))->not->toContain($secret);
    auth()->logout();

    $signIn = fn () => $this->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn']);
    $signIn()->assertRedirect('/second-factor');
    $this->assertGuest();
    $this->get('/')->assertRedirect('/sign-in');
    $this->get('/second-factor')->assertOk();
    $this->post('/second-factor', ['code' => '000 000x'])->assertSessionHasErrors('code');
    $this->travel(60)->seconds();
    $now = codeOf($secret);
    $this->post('/second-factor', ['code' => $now])->assertRedirect('/');
    $this->assertAuthenticatedAs($teacher);
    auth()->logout();
    // The same code again is refused; a recovery code is good once.
    $signIn();
    $this->post('/second-factor', ['code' => $now])->assertSessionHasErrors('code');
    $this->post('/second-factor', ['code' => strtoupper($codes[3])])->assertRedirect('/');
    auth()->logout();
    $signIn();
    $this->post('/second-factor', ['code' => $codes[3]])->assertSessionHasErrors('code');
    expect($teacher->fresh()->recovery_codes)->toHaveCount(7);
});

it('holds up who guesses codes, and who waits too long', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $codes = (new SecondFactor($teacher))->begin(Totp::fresh());
    $this->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn']);
    for ($try = 0; $try < 5; $try++) {
        $this->post('/second-factor', ['code' => '123456']);
    }
    $this->post('/second-factor', ['code' => $codes[0]])->assertSessionHasErrors(['code' => 'Too many tries. Wait five minutes, then try again.']);
    $this->travel(11)->minutes();
    $this->post('/second-factor', ['code' => $codes[0]])->assertSessionHasErrors(['code' => 'That took too long. Sign in again.']);
    $this->assertGuest();
});

it('signs a desk in again without leaving it', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $given = ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'];
    $this->postJson('/sign-in', $given)->assertOk()->assertExactJson(['second_factor' => false]);
    $this->assertAuthenticatedAs($teacher);
    auth()->logout();
    $codes = (new SecondFactor($teacher))->begin(Totp::fresh());
    $this->postJson('/sign-in', $given)->assertOk()->assertExactJson(['second_factor' => true]);
    $this->postJson('/second-factor', ['code' => $codes[0]])->assertOk()->assertExactJson(['second_factor' => false]);
    $this->assertAuthenticatedAs($teacher);
});

it('makes a teacher from the command line', function (): void {
    $ask = fn (string $first, string $again) => $this->artisan('tarnwind:teacher', ['name' => 'Wren', 'email' => 'wren@tarnwind.invalid'])
        ->expectsQuestion('Password', $first)->expectsQuestion('The same again', $again);
    $ask('reeds lean over water', 'another')->assertFailed();
    $ask('reeds lean over water', 'reeds lean over water')->assertSuccessful();
    expect(Hash::check('reeds lean over water', User::query()->sole()->password))->toBeTrue()->and(User::query()->sole()->hasVerifiedEmail())->toBeTrue();
});

it('has pages of its own for errors, and answers programs as they ask', function (int $status, string $url): void {
    $this->actingAs(User::factory()->create());
    $student = Student::factory()->create();
    $url = str_replace('{other}', (string) $student->id, $url);
    $this->get($url)->assertStatus($status)->assertSee('&quot;component&quot;:&quot;Error&quot;', false)->assertHeader('Content-Security-Policy');
    $this->getJson($url)->assertStatus($status)->assertJsonStructure(['message']);
})->with([[404, '/nowhere'], [403, '/students/{other}']]);

it('logs faults without addresses and what queries were run with', function (): void {
    $error = new RuntimeException('Nobody called wren@tarnwind.invalid (Connection: sqlite, SQL: select * from users where email = wren@tarnwind.invalid)');
    $record = new Monolog\LogRecord(new DateTimeImmutable, 'daily', Monolog\Level::Error, $error->getMessage(), ['exception' => $error, 'userId' => 3, 'email' => 'wren@tarnwind.invalid', 'name' => 'Wren']);
    $told = json_encode((new App\Support\WithoutPersonalData)($record)->toArray());
    expect($told)->toContain('Nobody called [address]')->toContain('RuntimeException')->not->toContain('wren@')->not->toContain('select')->not->toContain('Wren');
    $mail = new Monolog\LogRecord(new DateTimeImmutable, 'daily', Monolog\Level::Debug, "Message-ID: 1\nTo: wren@tarnwind.invalid");
    expect((new App\Support\WithoutPersonalData)($mail)->message)->toContain('wren@');
});
