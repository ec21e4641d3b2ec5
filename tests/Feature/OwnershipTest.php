<?php

declare(strict_types=1);

use App\Models\CopyLink;
use App\Models\Invitation;
use App\Models\Piano;
use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\Take;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route as RegisteredRoute;
use Illuminate\Support\Facades\Route;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take as Played;

// Every route with what a guest, another teacher and the owner get: [guest, other, owner]. Requests without an owner in
// their path are empty, so 422 says that one is let in.
const SIGN_IN = 302;
const MAY = [
    'GET /' => [SIGN_IN, 200, 200],
    'GET sign-in' => [200, 302, 302],
    'POST sign-in' => [422, 302, 302],
    'GET second-factor' => [SIGN_IN, 302, 302],
    'POST second-factor' => [422, 302, 302],
    'GET forgotten-password' => [200, 302, 302],
    'POST forgotten-password' => [422, 302, 302],
    'GET new-password/{token}' => [200, 302, 302],
    'POST new-password' => [422, 302, 302],
    'GET welcome' => [404, 302, 302],
    'POST welcome' => [422, 302, 302],
    'GET join/{secret}' => [404, 302, 302],
    'POST join/{secret}' => [422, 302, 302],
    'GET register' => [404, 302, 302],
    'POST register' => [422, 302, 302],
    'GET home/{secret}' => [404, 404, 404],
    'GET home/{secret}/engraving' => [404, 404, 404],
    'GET home/{secret}/layers' => [404, 404, 404],
    'GET home/{secret}/rendition' => [404, 404, 404],
    'GET home/{secret}/reduced/{reduced}/engraving' => [404, 404, 404],
    'POST home/{secret}/practice' => [404, 404, 404],
    'GET home/{secret}/takes' => [404, 404, 404],
    'POST home/{secret}/takes' => [404, 404, 404],
    'POST home/{secret}/calibrations' => [404, 404, 404],
    'POST home/{secret}/simulation' => [404, 404, 404],
    'GET home/{secret}/foot' => [404, 404, 404],
    'GET home/{secret}/foot/exercise' => [404, 404, 404],
    'POST home/{secret}/foot/rounds' => [404, 404, 404],
    'GET lessons' => [SIGN_IN, 200, 200],
    'GET lessons.ics' => [SIGN_IN, 200, 200],
    'POST lessons' => [SIGN_IN, 422, 422],
    'GET lessons/{lesson}' => [SIGN_IN, 403, 200],
    'PATCH lessons/{lesson}' => [SIGN_IN, 403, 302],
    'DELETE lessons/{lesson}' => [SIGN_IN, 403, 302],
    'POST lessons/{lesson}/points' => [SIGN_IN, 403, 422],
    'PATCH points/{point}' => [SIGN_IN, 403, 200],
    'DELETE points/{point}' => [SIGN_IN, 403, 204],
    'POST students/{student}/weekly-times' => [SIGN_IN, 403, 422],
    'PATCH weekly-times/{time}' => [SIGN_IN, 403, 422],
    'DELETE weekly-times/{time}' => [SIGN_IN, 403, 302],
    'POST holidays' => [SIGN_IN, 422, 422],
    'DELETE holidays/{holiday}' => [SIGN_IN, 403, 302],
    'GET students/{student}/practice' => [SIGN_IN, 403, 200],
    'PUT students/{student}/practice' => [SIGN_IN, 403, 422],
    'GET copies/{copy}/take-home' => [SIGN_IN, 403, 200],
    'PATCH copies/{copy}/handout' => [SIGN_IN, 403, 422],
    'POST copies/{copy}/practice' => [SIGN_IN, 403, 422],
    'DELETE copies/{copy}/practice/{practiceEntry}' => [SIGN_IN, 403, 204],
    'GET copies/{copy}/takes' => [SIGN_IN, 403, 200],
    'POST copies/{copy}/takes' => [SIGN_IN, 403, 422],
    'GET copies/{copy}/takes/{take}' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/takes/{take}/sound' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/takes/{take}/download.mid' => [SIGN_IN, 403, 200],
    'PATCH copies/{copy}/takes/{take}' => [SIGN_IN, 403, 200],
    'DELETE copies/{copy}/takes/{take}' => [SIGN_IN, 403, 204],
    'POST copies/{copy}/calibrations' => [SIGN_IN, 403, 422],
    'POST copies/{copy}/simulation' => [SIGN_IN, 403, 422],
    'GET copies/{copy}/foot' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/foot/exercise' => [SIGN_IN, 403, 302],
    'POST copies/{copy}/foot/rounds' => [SIGN_IN, 403, 422],
    'GET foot' => [SIGN_IN, 200, 200],
    'GET foot/exercise' => [SIGN_IN, 302, 302],
    'POST foot/rounds' => [SIGN_IN, 422, 422],
    'PUT account/limits' => [SIGN_IN, 422, 422],
    'POST pieces/{piece}/copies' => [SIGN_IN, 403, 422],
    'PUT pieces/{piece}/tags' => [SIGN_IN, 403, 422],
    'GET account' => [SIGN_IN, 200, 200],
    'PUT account' => [SIGN_IN, 422, 422],
    'PUT account/password' => [SIGN_IN, 422, 422],
    'POST account/other-sessions' => [SIGN_IN, 422, 422],
    'DELETE account' => [SIGN_IN, 422, 422],
    'POST account/verification' => [SIGN_IN, 302, 302],
    'GET account/verify/{id}/{hash}' => [SIGN_IN, 403, 403],
    'POST account/second-factor' => [SIGN_IN, 422, 422],
    'PUT account/second-factor' => [SIGN_IN, 422, 422],
    'DELETE account/second-factor' => [SIGN_IN, 422, 422],
    'POST account/recovery-codes' => [SIGN_IN, 422, 422],
    'GET account/studio.zip' => [SIGN_IN, 200, 200],
    'POST account/studio' => [SIGN_IN, 422, 422],
    'GET what-is-kept' => [SIGN_IN, 200, 200],
    'POST invitations' => [SIGN_IN, 200, 200],
    'DELETE invitations/{invitation}' => [SIGN_IN, 403, 302],
    'POST sign-out' => [SIGN_IN, 302, 302],
    'GET up' => [200, 200, 200],
    'PUT palettes/{palette}' => [SIGN_IN, 422, 422],
    'POST pianos' => [SIGN_IN, 422, 422],
    'PATCH pianos/{piano}' => [SIGN_IN, 403, 422],
    'DELETE pianos/{piano}' => [SIGN_IN, 403, 302],
    'POST students' => [SIGN_IN, 422, 422],
    'GET students/{student}' => [SIGN_IN, 403, 200],
    'GET students/{student}/record.json' => [SIGN_IN, 403, 200],
    'PATCH students/{student}' => [SIGN_IN, 403, 422],
    'DELETE students/{student}' => [SIGN_IN, 403, 302],
    'GET pieces/new' => [SIGN_IN, 200, 200],
    'POST pieces/reading' => [SIGN_IN, 422, 422],
    'POST pieces/engraving' => [SIGN_IN, 422, 422],
    'POST pieces' => [SIGN_IN, 422, 422],
    'DELETE pieces/{piece}' => [SIGN_IN, 403, 302],
    'GET pieces/{piece}/replacement' => [SIGN_IN, 403, 200],
    'POST pieces/{piece}/replacement' => [SIGN_IN, 403, 422],
    'POST pieces/{piece}/replacement/preview' => [SIGN_IN, 403, 422],
    'POST copies' => [SIGN_IN, 422, 422],
    'DELETE copies/{copy}' => [SIGN_IN, 403, 302],
    'GET copies/{copy}' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/engraving' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/plan' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/plan/as-kept' => [SIGN_IN, 403, 404],
    'PUT copies/{copy}/plan' => [SIGN_IN, 403, 422],
    'GET copies/{copy}/portrait' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/reduced/{reduced}' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/reduced/{reduced}/engraving' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/reduced/{reduced}/download.musicxml' => [SIGN_IN, 403, 200],
    'PATCH copies/{copy}/progress' => [SIGN_IN, 403, 200],
    'POST copies/{copy}/links' => [SIGN_IN, 403, 422],
    'DELETE copies/{copy}/links/{link}' => [SIGN_IN, 403, 302],
    'GET copies/{copy}/versions' => [SIGN_IN, 403, 200],
    'POST copies/{copy}/versions' => [SIGN_IN, 403, 422],
    'GET copies/{copy}/versions/{version}' => [SIGN_IN, 403, 200],
    'PATCH copies/{copy}/versions/{version}' => [SIGN_IN, 403, 422],
    'DELETE copies/{copy}/versions/{version}' => [SIGN_IN, 403, 204],
    'POST copies/{copy}/versions/{version}/comparison' => [SIGN_IN, 403, 422],
    'GET copies/{copy}/print' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/print/engraving' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/print/layers' => [SIGN_IN, 403, 200],
    'GET copies/{copy}/download.{format}' => [SIGN_IN, 403, 200],
    'POST copies/{copy}/answers/{answer}' => [SIGN_IN, 403, 422],
    'POST copies/{copy}/suggestions/{craft}' => [SIGN_IN, 403, 422],
    'POST copies/{copy}/rendition' => [SIGN_IN, 403, 422],
    'POST copies/{copy}/twins' => [SIGN_IN, 403, 422],
];

beforeEach(function (): void {
    $this->owner = User::factory()->create();
    $this->piano = Piano::factory()->for($this->owner, 'teacher')->create();
    [$this->invitation] = Invitation::by($this->owner, null);
    $this->student = Student::factory()->for($this->owner, 'teacher')->create();
    $this->piece = Piece::factory()->for($this->owner, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
    $this->version = $this->copy->versions()->create(['name' => 'After the lesson', 'plan' => $this->copy->plan]);
    [$this->link] = CopyLink::to($this->copy, 4);
    $this->time = $this->student->weeklyTimes()->create(['weekday' => 1, 'at' => '16:00', 'minutes' => 45, 'from' => '2027-03-01']);
    $this->holiday = $this->owner->holidays()->create(['name' => 'Thaw', 'first' => '2027-03-08', 'last' => '2027-03-12']);
    $this->lesson = $this->student->lessons()->create(['day' => '2027-03-02', 'at' => '16:00', 'minutes' => 45]);
    $this->point = $this->lesson->points()->create(['kind' => 'note', 'text' => 'Soft.']);
    $this->entry = $this->copy->practiceEntries()->create(['uuid' => fake()->uuid(), 'step' => 'listen', 'day' => '2027-03-02', 'minutes' => 5, 'passed' => true, 'by' => 'student']);
    $this->take = $this->copy->takes()->create(['uuid' => fake()->uuid(), 'by' => 'student', 'midi' => Take::encoded(new Played([new PlayedNote(60, 0, 500, 64)]), 'A'), 'plan' => $this->copy->plan]);
});

it('knows every route', function (): void {
    $routes = array_map(fn (RegisteredRoute $route): string => "{$route->methods()[0]} {$route->uri()}", Route::getRoutes()->getRoutes());
    expect($routes)->toEqualCanonicalizing(array_keys(MAY));
});

it('lets in whom a route is for', function (string $route): void {
    [$method, $uri] = explode(' ', $route);
    $uri = strtr($uri, ['{invitation}' => $this->invitation->id, '{token}' => 'some', '{secret}' => 'some', '{id}' => $this->owner->id, '{hash}' => 'some', '{piano}' => $this->piano->id, '{student}' => $this->student->id, '{piece}' => $this->piece->id, '{copy}' => $this->copy->id, '{version}' => $this->version->id, '{link}' => $this->link->id, '{answer}' => 'pedal', '{craft}' => 'pedal', '{palette}' => 'gestures',
        '{lesson}' => $this->lesson->id, '{point}' => $this->point->id, '{time}' => $this->time->id, '{holiday}' => $this->holiday->id, '{practiceEntry}' => $this->entry->id, '{take}' => $this->take->id]);
    foreach (str_contains($uri, '{reduced}') ? ['blocks', 'outer', 'melody-and-bass'] : ['musicxml', 'mxl', 'mid', 'json'] as $kind) {
        $url = '/'.ltrim(strtr($uri, ['{reduced}' => $kind, '{format}' => $kind]), '/');
        foreach ([null, User::factory()->create()->fresh(), $this->owner->fresh()] as $place => $user) {
            auth()->forgetGuards();
            $user === null ?: $this->actingAs($user);
            $status = $this->call($method, $url, [], [], [], $method === 'GET' || MAY[$route][$place] === 302 ? [] : ['HTTP_ACCEPT' => 'application/json'])->getStatusCode();
            expect($status)->toBe(MAY[$route][$place], "$route for ".['a guest', 'another teacher', 'the owner'][$place]);
        }
        if (! preg_match('/\{(reduced|format)\}/', $uri)) {
            break;
        }
    }
})->with(array_keys(MAY));

it('keeps a file from another teacher, and what is hers from every page', function (): void {
    $this->actingAs(User::factory()->create());
    foreach (['replacement', 'replacement/preview'] as $path) {
        $this->postJson("/pieces/{$this->piece->id}/$path", ['file' => UploadedFile::fake()->createWithContent('a.musicxml', $this->piece->musicxml)])->assertForbidden();
    }
    $plan = ['plan' => $this->copy->planDocument()->toArray(), 'revision' => 1];
    $this->putJson("/copies/{$this->copy->id}/plan", $plan)->assertForbidden();
    $this->postJson('/copies', ['student_id' => $this->student->id, 'piece_id' => $this->piece->id])->assertUnprocessable();
    $this->get('/')->assertOk()->assertDontSee($this->student->name)->assertDontSee($this->piece->title);
});
