<?php

declare(strict_types=1);

use App\Http\Controllers\AnswerController;
use App\Http\Controllers\MarkedCopyController;
use App\Http\Controllers\PaletteController;
use App\Http\Controllers\PianoController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PieceEngravingController;
use App\Http\Controllers\PieceReadingController;
use App\Http\Controllers\PortraitController;
use App\Http\Controllers\ReductionController;
use App\Http\Controllers\RenditionController;
use App\Http\Controllers\ReplacementController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\StudentController;
use App\Http\Controllers\StudentCopyController;
use App\Http\Controllers\StudioController;
use App\Http\Controllers\SuggestionController;
use App\Http\Controllers\TwinController;
use App\Http\Middleware\OneAtATime;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store']);
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', StudioController::class)->name('studio');

    Route::put('/palettes/{palette}', [PaletteController::class, 'update'])->name('palettes.update');

    Route::post('/pianos', [PianoController::class, 'store'])->name('pianos.store');
    Route::patch('/pianos/{piano}', [PianoController::class, 'update'])->name('pianos.update')->can('update', 'piano');
    Route::delete('/pianos/{piano}', [PianoController::class, 'destroy'])->name('pianos.destroy')->can('delete', 'piano');

    Route::post('/students', [StudentController::class, 'store'])->name('students.store');
    Route::get('/students/{student}', [StudentController::class, 'show'])->name('students.show')->can('view', 'student');
    Route::patch('/students/{student}', [StudentController::class, 'update'])->name('students.update')->can('update', 'student');
    Route::delete('/students/{student}', [StudentController::class, 'destroy'])->name('students.destroy')->can('delete', 'student');

    Route::get('/pieces/new', [PieceController::class, 'create'])->name('pieces.create');
    Route::post('/pieces/reading', PieceReadingController::class)->name('pieces.reading')->middleware(OneAtATime::class);
    Route::post('/pieces/engraving', PieceEngravingController::class)->name('pieces.engraving')->middleware(OneAtATime::class);
    Route::post('/pieces', [PieceController::class, 'store'])->name('pieces.store');
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
        Route::get('/copies/{copy}/print', [MarkedCopyController::class, 'show'])->name('copies.print');
        Route::get('/copies/{copy}/print/engraving', [MarkedCopyController::class, 'engraving'])->name('copies.print.engraving');
        Route::get('/copies/{copy}/download.{format}', [MarkedCopyController::class, 'download'])
            ->whereIn('format', ['musicxml', 'mxl', 'mid', 'json'])->name('copies.download');
    });

    Route::middleware('can:update,copy')->group(function (): void {
        Route::put('/copies/{copy}/plan', [StudentCopyController::class, 'update'])->name('copies.update');
        Route::post('/copies/{copy}/answers/{answer}', AnswerController::class)->name('copies.answer');
        Route::post('/copies/{copy}/suggestions/{craft}', SuggestionController::class)->name('copies.suggestion');
        Route::post('/copies/{copy}/rendition', RenditionController::class)->name('copies.rendition');
        Route::post('/copies/{copy}/twins', TwinController::class)->name('copies.twins');
    });
});
