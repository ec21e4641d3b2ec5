<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\AnswerController;
use App\Http\Controllers\ArchiveController;
use App\Http\Controllers\CopyLinkController;
use App\Http\Controllers\FootController;
use App\Http\Controllers\HomeFootController;
use App\Http\Controllers\HomeTakeController;
use App\Http\Controllers\LessonController;
use App\Http\Controllers\MarkedCopyController;
use App\Http\Controllers\NewAccountController;
use App\Http\Controllers\PaletteController;
use App\Http\Controllers\PasswordController;
use App\Http\Controllers\PianoController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PieceEngravingController;
use App\Http\Controllers\PieceReadingController;
use App\Http\Controllers\PlanVersionController;
use App\Http\Controllers\PortraitController;
use App\Http\Controllers\PracticeController;
use App\Http\Controllers\ReductionController;
use App\Http\Controllers\RenditionController;
use App\Http\Controllers\ReplacementController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\StudentController;
use App\Http\Controllers\StudentCopyController;
use App\Http\Controllers\StudioController;
use App\Http\Controllers\SuggestionController;
use App\Http\Controllers\TakeController;
use App\Http\Controllers\TimetableController;
use App\Http\Controllers\TwinController;
use App\Http\Middleware\OneAtATime;
use App\Http\Middleware\Unlisted;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Session\Middleware\AuthenticateSession;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Route;
use Illuminate\View\Middleware\ShareErrorsFromSession;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store']);
    Route::get('/second-factor', [SecondFactorController::class, 'create'])->name('second-factor');
    Route::post('/second-factor', [SecondFactorController::class, 'store']);
    Route::get('/forgotten-password', [PasswordController::class, 'forgotten'])->name('password.request');
    Route::post('/forgotten-password', [PasswordController::class, 'send'])->middleware('throttle:6,1')->name('password.email');
    Route::get('/new-password/{token}', [PasswordController::class, 'create'])->name('password.reset');
    Route::post('/new-password', [PasswordController::class, 'store'])->middleware('throttle:12,1')->name('password.update');

    Route::get('/welcome', [NewAccountController::class, 'first'])->name('welcome');
    Route::post('/welcome', [NewAccountController::class, 'storeFirst'])->middleware('throttle:20,1');
    Route::get('/join/{secret}', [NewAccountController::class, 'invited'])->name('join');
    Route::post('/join/{secret}', [NewAccountController::class, 'storeInvited'])->middleware('throttle:20,1');
    Route::get('/register', [NewAccountController::class, 'open'])->name('register');
    Route::post('/register', [NewAccountController::class, 'storeOpen'])->middleware('throttle:20,1');
});

// What a student sees at home: no session, no cookie.
Route::withoutMiddleware([EncryptCookies::class, AddQueuedCookiesToResponse::class, StartSession::class, AuthenticateSession::class, ShareErrorsFromSession::class, ValidateCsrfToken::class])
    ->middleware(['throttle:120,1', Unlisted::class])->group(function (): void {
        Route::get('/home/{secret}', [CopyLinkController::class, 'show'])->name('home-copy');
        Route::get('/home/{secret}/rendition', [CopyLinkController::class, 'rendition'])->name('home-copy.rendition');
        Route::get('/home/{secret}/reduced/{reduced}/engraving', [CopyLinkController::class, 'reduced'])->name('home-copy.reduced');
        Route::post('/home/{secret}/practice', [CopyLinkController::class, 'log'])->name('home-copy.log');
        Route::get('/home/{secret}/takes', [HomeTakeController::class, 'index'])->name('home-copy.takes');
        Route::post('/home/{secret}/takes', [HomeTakeController::class, 'store'])->middleware('throttle:40,1')->name('home-copy.takes.store');
        Route::post('/home/{secret}/calibrations', [HomeTakeController::class, 'calibrate'])->middleware('throttle:20,1')->name('home-copy.calibrations.store');
        Route::post('/home/{secret}/simulation', [HomeTakeController::class, 'simulate'])->middleware('throttle:40,1')->name('home-copy.simulation');
        Route::get('/home/{secret}/foot', [HomeFootController::class, 'show'])->name('home-copy.foot');
        Route::get('/home/{secret}/foot/exercise', [HomeFootController::class, 'exercise'])->name('home-copy.foot.exercise');
        Route::post('/home/{secret}/foot/rounds', [HomeFootController::class, 'round'])->name('home-copy.foot.round');
        Route::get('/home/{secret}/engraving', [CopyLinkController::class, 'engraving'])->name('home-copy.engraving');
        Route::get('/home/{secret}/layers', [CopyLinkController::class, 'layers'])->name('home-copy.layers');
    });

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', StudioController::class)->name('studio');

    Route::get('/account', [AccountController::class, 'show'])->name('account');
    Route::put('/account', [AccountController::class, 'update'])->name('account.update');
    Route::put('/account/password', [AccountController::class, 'changePassword'])->middleware('throttle:12,1')->name('account.password');
    Route::post('/account/other-sessions', [AccountController::class, 'endOtherSessions'])->middleware('throttle:12,1')->name('account.other-sessions');
    Route::delete('/account', [AccountController::class, 'destroy'])->middleware('throttle:12,1')->name('account.destroy');
    Route::post('/account/verification', [AccountController::class, 'sendVerification'])->middleware('throttle:6,1')->name('verification.send');
    Route::get('/account/verify/{id}/{hash}', [AccountController::class, 'verify'])->middleware(['signed', 'throttle:12,1'])->name('verification.verify');
    Route::post('/account/second-factor', [SecondFactorController::class, 'begin'])->middleware('throttle:12,1')->name('second-factor.begin');
    Route::put('/account/second-factor', [SecondFactorController::class, 'confirm'])->middleware('throttle:12,1')->name('second-factor.confirm');
    Route::delete('/account/second-factor', [SecondFactorController::class, 'destroy'])->middleware('throttle:12,1')->name('second-factor.destroy');
    Route::post('/account/recovery-codes', [SecondFactorController::class, 'renewCodes'])->middleware('throttle:12,1')->name('second-factor.codes');
    Route::post('/invitations', [AccountController::class, 'invite'])->middleware('throttle:30,1')->name('invitations.store');
    Route::delete('/invitations/{invitation}', [AccountController::class, 'withdraw'])->name('invitations.destroy')->can('delete', 'invitation');

    Route::get('/account/studio.zip', [ArchiveController::class, 'export'])->middleware('throttle:12,1')->name('studio.export');
    Route::post('/account/studio', [ArchiveController::class, 'import'])->middleware(['throttle:12,1', OneAtATime::class])->name('studio.import');
    Route::get('/what-is-kept', [ArchiveController::class, 'kept'])->name('kept');

    Route::put('/account/limits', [AccountController::class, 'limits'])->name('account.limits');
    Route::get('/foot', [FootController::class, 'show'])->name('foot');
    Route::get('/foot/exercise', [FootController::class, 'exercise'])->name('foot.exercise');
    Route::post('/foot/rounds', [FootController::class, 'round'])->name('foot.round');

    Route::put('/palettes/{palette}', [PaletteController::class, 'update'])->name('palettes.update');

    Route::post('/pianos', [PianoController::class, 'store'])->name('pianos.store');
    Route::patch('/pianos/{piano}', [PianoController::class, 'update'])->name('pianos.update')->can('update', 'piano');
    Route::delete('/pianos/{piano}', [PianoController::class, 'destroy'])->name('pianos.destroy')->can('delete', 'piano');

    Route::post('/students', [StudentController::class, 'store'])->name('students.store');
    Route::get('/students/{student}', [StudentController::class, 'show'])->name('students.show')->can('view', 'student');
    Route::get('/students/{student}/record.json', [ArchiveController::class, 'record'])->name('students.record')->can('view', 'student');
    Route::patch('/students/{student}', [StudentController::class, 'update'])->name('students.update')->can('update', 'student');
    Route::delete('/students/{student}', [StudentController::class, 'destroy'])->name('students.destroy')->can('delete', 'student');

    Route::get('/lessons', [LessonController::class, 'index'])->name('lessons');
    Route::get('/lessons.ics', [LessonController::class, 'calendar'])->name('lessons.calendar');
    Route::post('/lessons', [LessonController::class, 'store'])->name('lessons.store');
    Route::get('/lessons/{lesson}', [LessonController::class, 'show'])->name('lessons.show')->can('view', 'lesson');
    Route::middleware('can:update,lesson')->group(function (): void {
        Route::patch('/lessons/{lesson}', [LessonController::class, 'update'])->name('lessons.update');
        Route::delete('/lessons/{lesson}', [LessonController::class, 'destroy'])->name('lessons.destroy');
        Route::post('/lessons/{lesson}/points', [LessonController::class, 'storePoint'])->name('lessons.points.store');
    });
    Route::patch('/points/{point}', [LessonController::class, 'updatePoint'])->name('points.update')->can('update', 'point');
    Route::delete('/points/{point}', [LessonController::class, 'destroyPoint'])->name('points.destroy')->can('delete', 'point');
    Route::post('/students/{student}/weekly-times', [TimetableController::class, 'storeTime'])->name('weekly-times.store')->can('update', 'student');
    Route::patch('/weekly-times/{time}', [TimetableController::class, 'endTime'])->name('weekly-times.update')->can('update', 'time');
    Route::delete('/weekly-times/{time}', [TimetableController::class, 'destroyTime'])->name('weekly-times.destroy')->can('delete', 'time');
    Route::post('/holidays', [TimetableController::class, 'storeHoliday'])->name('holidays.store');
    Route::delete('/holidays/{holiday}', [TimetableController::class, 'destroyHoliday'])->name('holidays.destroy')->can('delete', 'holiday');

    Route::get('/students/{student}/practice', [PracticeController::class, 'show'])->name('students.practice')->can('view', 'student');
    Route::put('/students/{student}/practice', [PracticeController::class, 'minutes'])->name('students.practice.minutes')->can('update', 'student');

    Route::get('/pieces/new', [PieceController::class, 'create'])->name('pieces.create');
    Route::post('/pieces/reading', PieceReadingController::class)->name('pieces.reading')->middleware(OneAtATime::class);
    Route::post('/pieces/engraving', PieceEngravingController::class)->name('pieces.engraving')->middleware(OneAtATime::class);
    Route::post('/pieces', [PieceController::class, 'store'])->name('pieces.store');
    Route::post('/pieces/{piece}/copies', [PieceController::class, 'give'])->name('pieces.give')->can('update', 'piece');
    Route::put('/pieces/{piece}/tags', [PieceController::class, 'tags'])->name('pieces.tags')->can('update', 'piece');
    Route::delete('/pieces/{piece}', [PieceController::class, 'destroy'])->name('pieces.destroy')->can('delete', 'piece');

    Route::middleware('can:update,piece')->group(function (): void {
        Route::get('/pieces/{piece}/replacement', [ReplacementController::class, 'create'])->name('pieces.replacement');
        Route::post('/pieces/{piece}/replacement/preview', [ReplacementController::class, 'preview'])->name('pieces.replacement.preview')->middleware(OneAtATime::class);
        Route::post('/pieces/{piece}/replacement', [ReplacementController::class, 'store'])->name('pieces.replacement.store');
    });

    Route::post('/copies', [StudentCopyController::class, 'store'])->name('copies.store');
    Route::delete('/copies/{copy}', [StudentCopyController::class, 'destroy'])->name('copies.destroy')->can('delete', 'copy');

    Route::middleware('can:view,copy')->group(function (): void {
        Route::get('/copies/{copy}', [StudentCopyController::class, 'show'])->name('copies.show');
        Route::get('/copies/{copy}/engraving', [StudentCopyController::class, 'engraving'])->name('copies.engraving');
        Route::get('/copies/{copy}/plan', [StudentCopyController::class, 'plan'])->name('copies.plan');
        Route::get('/copies/{copy}/plan/as-kept', [StudentCopyController::class, 'unreadablePlan'])->name('copies.plan.kept');
        Route::get('/copies/{copy}/portrait', PortraitController::class)->name('copies.portrait');
        Route::get('/copies/{copy}/reduced/{reduced}', [ReductionController::class, 'show'])->name('copies.reduction');
        Route::get('/copies/{copy}/reduced/{reduced}/engraving', [ReductionController::class, 'engraving'])->name('copies.reduction.engraving');
        Route::get('/copies/{copy}/reduced/{reduced}/download.musicxml', [ReductionController::class, 'download'])->name('copies.reduction.download');
        Route::get('/copies/{copy}/versions', [PlanVersionController::class, 'index'])->name('copies.versions');
        Route::get('/copies/{copy}/versions/{version}', [PlanVersionController::class, 'show'])->name('copies.versions.show')->scopeBindings();
        Route::get('/copies/{copy}/takes', [TakeController::class, 'index'])->name('copies.takes');
        Route::get('/copies/{copy}/foot', [FootController::class, 'ofCopy'])->name('copies.foot');
        Route::get('/copies/{copy}/foot/exercise', [FootController::class, 'exerciseOfCopy'])->name('copies.foot.exercise');
        Route::scopeBindings()->group(function (): void {
            Route::get('/copies/{copy}/takes/{take}', [TakeController::class, 'show'])->name('copies.takes.show');
            Route::get('/copies/{copy}/takes/{take}/sound', [TakeController::class, 'sound'])->name('copies.takes.sound');
            Route::get('/copies/{copy}/takes/{take}/download.mid', [TakeController::class, 'download'])->name('copies.takes.download');
        });
        Route::get('/copies/{copy}/take-home', [PracticeController::class, 'takeHome'])->name('copies.take-home');
        Route::get('/copies/{copy}/print', [MarkedCopyController::class, 'show'])->name('copies.print');
        Route::get('/copies/{copy}/print/engraving', [MarkedCopyController::class, 'engraving'])->name('copies.print.engraving');
        Route::get('/copies/{copy}/print/layers', [MarkedCopyController::class, 'layers'])->name('copies.print.layers');
        Route::get('/copies/{copy}/download.{format}', [MarkedCopyController::class, 'download'])
            ->whereIn('format', ['musicxml', 'mxl', 'mid', 'json'])->name('copies.download');
    });

    Route::middleware('can:update,copy')->group(function (): void {
        Route::put('/copies/{copy}/plan', [StudentCopyController::class, 'update'])->name('copies.update');
        Route::patch('/copies/{copy}/progress', [StudentCopyController::class, 'progress'])->name('copies.progress');
        Route::patch('/copies/{copy}/handout', [MarkedCopyController::class, 'handout'])->name('copies.handout');
        Route::post('/copies/{copy}/practice', [PracticeController::class, 'store'])->name('copies.practice.store');
        Route::delete('/copies/{copy}/practice/{practiceEntry}', [PracticeController::class, 'destroy'])->name('copies.practice.destroy')->scopeBindings();
        Route::post('/copies/{copy}/versions', [PlanVersionController::class, 'store'])->name('copies.versions.store');
        Route::post('/copies/{copy}/takes', [TakeController::class, 'store'])->name('copies.takes.store');
        Route::post('/copies/{copy}/calibrations', [TakeController::class, 'calibrate'])->name('copies.calibrations.store');
        Route::post('/copies/{copy}/simulation', [TakeController::class, 'simulate'])->name('copies.simulation');
        Route::post('/copies/{copy}/foot/rounds', [FootController::class, 'roundOfCopy'])->name('copies.foot.round');
        Route::post('/copies/{copy}/links', [CopyLinkController::class, 'store'])->middleware('throttle:30,1')->name('copies.links.store');
        Route::scopeBindings()->group(function (): void {
            Route::patch('/copies/{copy}/takes/{take}', [TakeController::class, 'update'])->name('copies.takes.update');
            Route::delete('/copies/{copy}/takes/{take}', [TakeController::class, 'destroy'])->name('copies.takes.destroy');
            Route::delete('/copies/{copy}/links/{link}', [CopyLinkController::class, 'destroy'])->name('copies.links.destroy');
            Route::post('/copies/{copy}/versions/{version}/comparison', [PlanVersionController::class, 'compare'])->name('copies.versions.compare');
            Route::patch('/copies/{copy}/versions/{version}', [PlanVersionController::class, 'update'])->name('copies.versions.update');
            Route::delete('/copies/{copy}/versions/{version}', [PlanVersionController::class, 'destroy'])->name('copies.versions.destroy');
        });
        Route::post('/copies/{copy}/answers/{answer}', AnswerController::class)->name('copies.answer');
        Route::post('/copies/{copy}/suggestions/{craft}', SuggestionController::class)->name('copies.suggestion');
        Route::post('/copies/{copy}/rendition', RenditionController::class)->name('copies.rendition');
        Route::post('/copies/{copy}/twins', TwinController::class)->name('copies.twins');
    });
});
